'use client';
import { Controller, useFormContext, type FieldValues, type Path } from 'react-hook-form';
import type { Conversion } from './conversions';
import { errorId, Field, inputClass } from './Field';
import { MomentInput } from './MomentInput.client';
import { NumberField } from './NumberField';

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
  optional = false,
  ariaLabel,
}: EntryFieldProps<T> & { optional?: boolean; ariaLabel?: string }) {
  const { register, formState } = useFormContext<T>();
  const error = messageAt(formState.errors, name);
  const id = `entry-${name}`;
  return (
    <Field label={label} id={id} error={error} className={className}>
      <input
        id={id}
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

/** A day or a clock time. An optional one may be left blank. */
export function MomentField<T extends FieldValues>({
  name,
  label,
  kind,
  optional = false,
  className,
}: EntryFieldProps<T> & { kind: 'day' | 'clock'; optional?: boolean }) {
  const { control, formState } = useFormContext<T>();
  const error = messageAt(formState.errors, name);
  const id = `entry-${name}`;
  return (
    <Field label={label} id={id} error={error} className={className}>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <MomentInput
            kind={kind}
            id={id}
            label={label}
            value={(field.value as string | undefined) ?? ''}
            invalid={Boolean(error)}
            describedBy={error ? errorId(id) : undefined}
            onChange={(value) => field.onChange(optional && value === '' ? undefined : value)}
            onBlur={field.onBlur}
          />
        )}
      />
    </Field>
  );
}
