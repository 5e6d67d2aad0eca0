import { Copy, Pencil, RotateCcw, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { capital } from '../../formats/messages/names';
import { Button } from '../kit/Button';

/** Without the holes that optional fields leave. */
export function grouped<T extends { id: string; name: string }>(entries: readonly T[], groupOf: (entry: T) => string): [string, T[]][] {
  const groups = new Map<string, T[]>();
  for (const entry of entries) groups.set(groupOf(entry), [...(groups.get(groupOf(entry)) ?? []), entry]);
  return [...groups];
}

export type Mark = 'as shipped' | 'changed' | 'your own';
export const markOf = (shipped: readonly { id: string }[], own: string[], id: string): Mark =>
  !own.includes(id) ? 'as shipped' : shipped.some((each) => each.id === id) ? 'changed' : 'your own';

export function EntryList({
  groups,
  chosen,
  own,
  onChoose,
}: {
  groups: [string, { id: string; name: string }[]][];
  chosen: string;
  own: string[];
  onChoose(id: string): void;
}) {
  return (
    <nav aria-label="Entries" className="max-h-[36rem] overflow-y-auto rounded-md border border-line bg-sheet py-1">
      {groups.map(([group, entries]) => (
        <div key={group}>
          <p className="px-3 pb-0.5 pt-2 text-[0.82rem] font-semibold text-soft">{group}</p>
          {entries.map((entry) => (
            <button
              key={entry.id}
              type="button"
              aria-pressed={entry.id === chosen}
              onClick={() => onChoose(entry.id)}
              className={`flex min-h-8 w-full items-center justify-between border-l-[3px] px-3 text-left ${entry.id === chosen ? 'border-ember bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
            >
              {capital(entry.name)}
              {own.includes(entry.id) && <span className="text-[0.8rem] text-ember-ink">yours</span>}
            </button>
          ))}
        </div>
      ))}
    </nav>
  );
}

interface EntryProps {
  name: string;
  mark: Mark;
  shipped: boolean;
  onChange(): void;
  onCopy(): void;
  onPutBack?: () => void;
  children: ReactNode;
}

export function Entry({ name, mark, shipped, onChange, onCopy, onPutBack, children }: EntryProps) {
  return (
    <section aria-label={name} className="rounded-md border border-line bg-sheet p-5">
      <div className="mb-3 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h2 className="text-xl">{name}</h2>
          <p className="text-[0.9rem] text-soft">{mark}</p>
        </div>
        <div className="flex gap-2">
          {onPutBack && (
            <Button onClick={onPutBack}>
              {shipped ? <RotateCcw size={16} aria-hidden /> : <Trash2 size={16} aria-hidden />} {shipped ? 'Put back' : 'Take away'}
            </Button>
          )}
          <Button onClick={onCopy}>
            <Copy size={16} aria-hidden /> Copy
          </Button>
          <Button look="strong" onClick={onChange}>
            <Pencil size={16} aria-hidden /> Change
          </Button>
        </div>
      </div>
      {children}
    </section>
  );
}

export function Facts({ rows }: { rows: [string, string][] }) {
  return (
    <dl className="mt-4 grid max-w-2xl grid-cols-2 gap-x-8 sm:grid-cols-2">
      {rows.map(([label, value]) => (
        <div key={`${label} ${value}`} className="flex items-baseline justify-between gap-3 border-t border-line py-1">
          <dt className="text-soft">{label}</dt>
          <dd className="figures text-right font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
