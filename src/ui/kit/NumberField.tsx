'use client';
import { useState, type InputHTMLAttributes } from 'react';
import { readFigure } from '../../formats/figures';
import { errorId, inputClass } from './Field';

export interface NumberFieldProps {
  id: string;
  /** In the unit the product keeps; NaN while what is typed is no number. */
  value: number;
  onChange(value: number): void;
  /** Between the kept unit and the shown one. */
  shown?: (kept: number) => number;
  kept?: (shown: number) => number;
  decimals?: number;
  unit?: string;
  error?: string;
  label?: string;
  placeholder?: string;
  className?: string;
  /** Beyond what a field does by itself: paste, Enter. */
  inputProps?: Pick<InputHTMLAttributes<HTMLInputElement>, 'onPaste' | 'onKeyDown' | 'onBlur'>;
}

const same = (value: number) => value;

/**
 * A number typed in whatever unit is shown. The text stays exactly as typed, right or wrong, until
 * the figure is changed from outside or the unit is switched.
 */
export function NumberField({
  id,
  value,
  onChange,
  shown = same,
  kept = same,
  decimals = 0,
  unit,
  error,
  label,
  placeholder,
  className = '',
  inputProps,
}: NumberFieldProps) {
  const write = (figure: number) => (Number.isFinite(figure) ? String(Number(shown(figure).toFixed(decimals))) : '');
  const [draft, setDraft] = useState({ text: write(value), value, unit });
  // A figure changed from outside, or another unit, replaces the text; what the cook typed does not.
  const stale = draft.unit !== unit || !Object.is(draft.value, value);
  if (stale && !(Number.isNaN(draft.value) && Number.isNaN(value) && draft.unit === unit))
    setDraft({ text: Number.isNaN(value) ? draft.text : write(value), value, unit });

  return (
    <div className={`relative ${className}`}>
      <input
        id={id}
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        {...inputProps}
        aria-label={label}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? errorId(id) : undefined}
        className={`${inputClass(Boolean(error))} figures text-right ${unit ? 'pr-9' : ''}`}
        value={draft.text}
        onChange={(event) => {
          const text = event.target.value;
          const number = readFigure(text, unit);
          const next = Number.isFinite(number) ? kept(number) : Number.NaN;
          setDraft({ text, value: next, unit });
          onChange(next);
        }}
      />
      {unit && <span className="pointer-events-none absolute right-2 top-1/2 -translate-y-1/2 text-[0.82rem] text-soft">{unit}</span>}
    </div>
  );
}
