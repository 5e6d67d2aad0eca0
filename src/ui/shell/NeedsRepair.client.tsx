'use client';
import { TriangleAlert } from 'lucide-react';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { useHydrated } from '../kit/hydrated';

const KIND = {
  pit: 'pit',
  box: 'holding box',
  warmer: 'warmer',
  probe: 'thermometer',
  crew: 'member of the crew',
  cut: 'cut',
  method: 'method',
  recipe: 'recipe',
};

/** An entry that is kept and cannot be used. */
export interface Unusable {
  kind: keyof typeof KIND;
  id: string;
  name: string;
}

interface NeedsRepairProps {
  entries: readonly Unusable[];
  /** What taking one away is called, and what does it. */
  takeWords: string;
  take: Action<{ id: string }>;
}

/** What is kept but cannot be read any more: said where it would stand, so that nobody looks for it in vain. */
export function NeedsRepair({ entries, takeWords, take }: NeedsRepairProps) {
  const listens = useHydrated();
  if (entries.length === 0) return null;
  const takeAway = async ({ kind, id, name }: Unusable) => {
    const outcome = await callAction(take, { kind, id });
    if (!outcome.ok) return complain(outcome.problems);
    announce(`${name || `The ${KIND[kind]}`}: done.`);
  };
  return (
    <section aria-label="In need of repair" className="mb-4 rounded-md border border-line bg-sheet p-4">
      <h2 className="flex items-center gap-2 text-lg">
        <TriangleAlert aria-hidden className="size-5 text-ember" /> In need of repair
      </h2>
      <p className="mb-2 max-w-2xl text-soft">
        What is kept of these cannot be read, so no plan uses them. They are still in the database. Enter each anew under its name, then
        take the broken one away; or put a copy of the database back.
      </p>
      <ul className="space-y-1">
        {entries.map((each) => (
          <li key={`${each.kind}/${each.id}`} className="flex flex-wrap items-center gap-3">
            <span>
              {each.name || 'No name left'} <span className="text-soft">({KIND[each.kind]})</span>
            </span>
            <Button disabled={!listens} onClick={() => void takeAway(each)}>
              {takeWords}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
