'use client';
import { RadioGroup } from 'radix-ui';
import { usePreferences, type Light } from '../kit/UnitsProvider';

function SelectField<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: [T, string][];
  onChange(value: T): void;
}) {
  return (
    <div className="flex items-center justify-between gap-4 py-1.5">
      <span className="text-soft">{label}</span>
      <RadioGroup.Root
        value={value}
        onValueChange={(next) => onChange(next as T)}
        aria-label={label}
        className="flex overflow-hidden rounded border border-line"
      >
        {options.map(([option, name]) => (
          <RadioGroup.Item
            key={option}
            value={option}
            className="min-h-8 px-3 text-[0.9rem] data-[state=checked]:bg-ink data-[state=checked]:text-sheet"
          >
            {name}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

/** Units and light, everywhere at once. */
export function SettingsPanel() {
  const { units, light, setUnits, setLight } = usePreferences();
  return (
    <>
      <SelectField
        label="Heat"
        value={units.temp}
        options={[
          ['F', '°F'],
          ['C', '°C'],
        ]}
        onChange={(temp) => setUnits({ ...units, temp })}
      />
      <SelectField
        label="Weight and size"
        value={units.mass}
        options={[
          ['lb', 'lb, in'],
          ['kg', 'kg, mm'],
        ]}
        onChange={(mass) => setUnits({ ...units, mass })}
      />
      <SelectField
        label="Clock"
        value={units.clock}
        options={[
          ['24', '18:00'],
          ['12', '6:00 pm'],
        ]}
        onChange={(clock) => setUnits({ ...units, clock })}
      />
      <SelectField<Light>
        label="Light"
        value={light}
        options={[
          ['light', 'Day'],
          ['dark', 'Dark'],
          ['night', 'Night'],
        ]}
        onChange={setLight}
      />
    </>
  );
}
