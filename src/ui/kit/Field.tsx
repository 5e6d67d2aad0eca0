import type { ReactNode } from 'react';
import { CircleAlert } from 'lucide-react';

export const inputClass = (invalid?: boolean): string =>
  `w-full rounded border bg-sheet px-2 min-h-9 text-[0.95rem] ${invalid ? 'border-bad border-2' : 'border-line hover:border-soft'}`;

/** A label, its control and, when something is wrong, what to do about it. The control gets the id. */
export function Field({
  label,
  id,
  error,
  hint,
  children,
  className = '',
}: {
  label: string;
  id: string;
  error?: string;
  hint?: string;
  children: ReactNode;
  className?: string;
}) {
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1 block text-[0.85rem] text-soft">
        {label}
      </label>
      {children}
      {hint && !error && <p className="mt-1 text-[0.8rem] text-soft">{hint}</p>}
      <FieldError id={id} error={error} />
    </div>
  );
}

export const errorId = (id: string): string => `${id}-error`;

export function FieldError({ id, error }: { id: string; error?: string }) {
  if (!error) return null;
  return (
    <p id={errorId(id)} role="alert" className="mt-1 flex items-start gap-1 text-[0.85rem] font-medium text-bad">
      <CircleAlert size={15} className="mt-0.5 shrink-0" aria-hidden />
      {error}
    </p>
  );
}
