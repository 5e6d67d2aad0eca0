'use client';
import { useState } from 'react';
import type { Conflict } from '../../core/edits';
import { conflictMessage } from '../../formats/messages/conflict';
import { messageContextOf } from '../../formats/messages/names';
import { complain } from '../kit/actions';
import { Button } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { useEventDocument } from './EventDocument.client';

type Choice = 'mine' | 'theirs';

/** The same was changed here and elsewhere: both values, side by side, and which of them holds. */
export function Conflicts({ conflicts }: { conflicts: Conflict[] }) {
  const { input, store } = useEventDocument();
  const context = messageContextOf(input, useUnits());
  const [chosen, setChosen] = useState<Record<string, Choice>>({});
  const keyOf = ({ change }: Conflict) => change.path.join('/');
  const choiceOf = (conflict: Conflict): Choice | undefined => (conflict.gone ? 'theirs' : chosen[keyOf(conflict)]);
  const open = conflicts.filter((each) => choiceOf(each) === undefined).length;
  const all = (choice: Choice) => setChosen(Object.fromEntries(conflicts.map((each) => [keyOf(each), choice])));
  const settle = async () => {
    const done = await store.settle((index) => choiceOf(conflicts[index]!) === 'mine');
    if (!done.ok) complain(done.problems);
  };
  return (
    <section aria-label="Changed twice" className="basis-full">
      <p className="text-ink">
        {conflicts.length === 1 ? 'One thing was' : `${conflicts.length} things were`} changed here and elsewhere. Say of each which holds;
        all else is put together.
      </p>
      <ul className="mt-2 max-w-4xl">
        {conflicts.map((conflict) => {
          const { what, mine, theirs } = conflictMessage(context, conflict);
          return (
            <li key={keyOf(conflict)} className="grid items-center gap-x-4 gap-y-1 border-t border-line py-1.5 sm:grid-cols-[1fr_auto]">
              <span className="font-semibold">{what}</span>
              <span role="radiogroup" aria-label={what} className="flex flex-wrap gap-4">
                {(
                  [
                    ['mine', `here: ${mine}`],
                    ['theirs', `elsewhere: ${theirs}`],
                  ] as const
                ).map(([choice, words]) => (
                  <label key={choice} className="flex items-center gap-1.5">
                    <input
                      type="radio"
                      name={keyOf(conflict)}
                      disabled={conflict.gone && choice === 'mine'}
                      checked={choiceOf(conflict) === choice}
                      onChange={() => setChosen({ ...chosen, [keyOf(conflict)]: choice })}
                    />
                    {words}
                  </label>
                ))}
              </span>
            </li>
          );
        })}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="ember" disabled={open > 0} onClick={() => void settle()}>
          Put together
        </Button>
        {conflicts.length > 1 && (
          <>
            <Button onClick={() => all('mine')}>All from here</Button>
            <Button onClick={() => all('theirs')}>All from elsewhere</Button>
          </>
        )}
      </div>
    </section>
  );
}
