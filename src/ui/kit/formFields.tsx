'use client';
import { Controller, useFormContext, type FieldValues, type Path } from 'react-hook-form';
import {
  celsiusFromFahrenheit,
  fahrenheitDifference,
  fahrenheitFromCelsius,
  inFromMm,
  kgFromLb,
  lbFromKg,
  M_PER_FT,
  mmFromIn,
  mphFromMPerS,
} from '../../core/units';
import { BTU_PER_H_F, LITRES_PER_QT, priceKept, pricePer, type Units } from '../../formats/units';
import { errorId, Field, inputClass } from './Field';
import { NumberField, type NumberFieldProps } from './NumberField';

export type Conversion = { [K in 'shown' | 'kept' | 'unit' | 'decimals']?: NumberFieldProps[K] };

/** How each kind of figure is shown in the reader's units. */
export const conversions = (units: Units) => ({
  drop: (units.temp === 'F'
    ? { unit: '°F', shown: fahrenheitDifference, kept: (shown: number) => (shown * 5) / 9 }
    : { unit: '°C' }) as Conversion,
  heat: (units.temp === 'F' ? { unit: '°F', shown: fahrenheitFromCelsius, kept: celsiusFromFahrenheit } : { unit: '°C' }) as Conversion,
  size: (units.mass === 'lb' ? { unit: 'in', shown: inFromMm, kept: mmFromIn, decimals: 1 } : { unit: 'mm' }) as Conversion,
  weight: (units.mass === 'lb' ? { unit: 'lb', shown: lbFromKg, kept: kgFromLb, decimals: 1 } : { unit: 'kg', decimals: 2 }) as Conversion,
  minutes: { unit: 'min', decimals: 1 } as Conversion,
  percent: { unit: '%', shown: (share: number) => share * 100, kept: (percent: number) => percent / 100 } as Conversion,
  price: (units.mass === 'lb'
    ? { unit: 'a lb', shown: (perKg: number) => pricePer(perKg, units), kept: (perLb: number) => priceKept(perLb, units), decimals: 2 }
    : { unit: 'a kg', decimals: 2 }) as Conversion,
  litres: (units.mass === 'lb'
    ? { unit: 'qt', shown: (litres: number) => litres / LITRES_PER_QT, kept: (qt: number) => qt * LITRES_PER_QT, decimals: 0 }
    : { unit: 'l', decimals: 0 }) as Conversion,
  heatLoss: (units.temp === 'F'
    ? { unit: 'BTU/h °F', shown: (wPerK: number) => wPerK * BTU_PER_H_F, kept: (btu: number) => btu / BTU_PER_H_F, decimals: 2 }
    : { unit: 'W/K', decimals: 2 }) as Conversion,
  factor: { decimals: 2 } as Conversion,
  fuelMass: (units.mass === 'lb'
    ? { unit: 'lb/h', shown: lbFromKg, kept: kgFromLb, decimals: 2 }
    : { unit: 'kg/h', decimals: 2 }) as Conversion,
  altitude: (units.mass === 'lb'
    ? { unit: 'ft', shown: (m: number) => m / M_PER_FT, kept: (ft: number) => ft * M_PER_FT }
    : { unit: 'm' }) as Conversion,
  wind: (units.mass === 'lb'
    ? { unit: 'mph', shown: mphFromMPerS, kept: (mph: number) => mph / mphFromMPerS(1) }
    : { unit: 'm/s', decimals: 1 }) as Conversion,
  plain: {} as Conversion,
});

/** The message at a field, however deep it lies. That of a pair of figures stands at the first of the two. */
function messageAt(errors: object, path: string): string | undefined {
  const keys = path.split('.');
  const at = (parts: string[]) => parts.reduce<unknown>((found, key) => (found as Record<string, unknown> | undefined)?.[key], errors);
  const messageOf = (found: unknown) => {
    const error = found as { message?: string; root?: { message?: string } } | undefined;
    return error?.message ?? error?.root?.message;
  };
  return messageOf(at(keys)) ?? (keys.at(-1) === '0' ? messageOf(at(keys.slice(0, -1))) : undefined);
}

interface EntryFieldProps<T extends FieldValues> {
  name: Path<T>;
  label: string;
  className?: string;
}

/** A figure of an entry. An optional one may be left blank. */
export function FigureField<T extends FieldValues>({
  name,
  label,
  conversion,
  optional = false,
  ariaLabel,
  hint,
  className,
}: EntryFieldProps<T> & { conversion: Conversion; optional?: boolean; ariaLabel?: string; hint?: string }) {
  const { control, formState } = useFormContext<T>();
  const error = messageAt(formState.errors, name);
  const id = `entry-${name}`;
  return (
    <Field label={label} id={id} error={error} hint={hint} className={className}>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <NumberField
            id={id}
            label={ariaLabel}
            {...conversion}
            value={(field.value as number | undefined) ?? Number.NaN}
            onChange={(value) => field.onChange(optional && Number.isNaN(value) ? undefined : value)}
            error={error}
          />
        )}
      />
    </Field>
  );
}

export function TextField<T extends FieldValues>({
  name,
  label,
  className,
  type = 'text',
  optional = false,
  ariaLabel,
}: EntryFieldProps<T> & { type?: 'text' | 'date' | 'time'; optional?: boolean; ariaLabel?: string }) {
  const { register, formState } = useFormContext<T>();
  const error = messageAt(formState.errors, name);
  const id = `entry-${name}`;
  return (
    <Field label={label} id={id} error={error} className={className}>
      <input
        id={id}
        type={type}
        aria-label={ariaLabel}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? errorId(id) : undefined}
        className={inputClass(Boolean(error))}
        {...register(name, optional ? { setValueAs: (text: string | undefined) => text || undefined } : undefined)}
      />
    </Field>
  );
}

export function SelectField<T extends FieldValues>({
  name,
  label,
  options,
  optional = false,
  ariaLabel,
  className,
}: EntryFieldProps<T> & { options: readonly (readonly [string, string])[]; optional?: boolean; ariaLabel?: string }) {
  const { register, formState } = useFormContext<T>();
  const error = messageAt(formState.errors, name);
  const id = `entry-${name}`;
  return (
    <Field label={label} id={id} error={error} className={className}>
      <select
        id={id}
        aria-label={ariaLabel}
        className={inputClass(Boolean(error))}
        {...register(name, optional ? { setValueAs: (text: string | undefined) => text || undefined } : undefined)}
      >
        {options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </select>
    </Field>
  );
}

export function Tick<T extends FieldValues>({ name, label, className = '' }: EntryFieldProps<T>) {
  const { register } = useFormContext<T>();
  return (
    <label className={`flex min-h-9 items-center gap-2 self-end ${className}`}>
      <input type="checkbox" className="size-5" {...register(name)} /> {label}
    </label>
  );
}
