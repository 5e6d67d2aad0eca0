'use client';
import { EQUIPMENT_SETS } from '../../core/model';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';

/** Equipment that comes together, one press each. */
export function ReadySets({ addSet, onAdded }: { addSet: Action<{ id: string }>; onAdded?(): void }) {
  const add = async (id: string) => {
    const outcome = await callAction(addSet, { id });
    if (!outcome.ok) return complain(outcome.problems);
    announce('Added. Measure the racks and put in your own figures when you can.');
    onAdded?.();
  };
  return (
    <ul className="mt-3 grid gap-3 md:grid-cols-3">
      {EQUIPMENT_SETS.map((set) => (
        <li key={set.id} className="flex flex-col rounded border border-line bg-paper p-3">
          <p className="font-semibold">{set.name}</p>
          <p className="mb-2 text-[0.9rem] text-soft">{set.line}</p>
          <Button className="mt-auto" onClick={() => void add(set.id)}>
            Begin with this
          </Button>
        </li>
      ))}
    </ul>
  );
}
