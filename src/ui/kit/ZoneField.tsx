'use client';
import { errorId, inputClass } from './Field';

const ZONES = Intl.supportedValuesOf('timeZone');

/** A time zone by its IANA name, offered as one types. */
export function ZoneField({ id, value, onChange, invalid }: { id: string; value: string; onChange(zone: string): void; invalid: boolean }) {
  return (
    <>
      <input
        id={id}
        list={`${id}-zones`}
        value={value}
        onChange={(event) => onChange(event.target.value.trim())}
        autoComplete="off"
        aria-invalid={invalid}
        aria-describedby={invalid ? errorId(id) : undefined}
        className={inputClass(invalid)}
      />
      <datalist id={`${id}-zones`}>
        {ZONES.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </>
  );
}
