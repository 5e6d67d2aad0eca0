import type { Problem } from '../../core/outcome';
import { entryConflictMessages } from '../../formats/messages/conflict';
import type { Settle } from './actions';
import { Button } from './Button';
import { useUnits } from './UnitsProvider';

/** A long form hides its end, where this stands. */
const intoView = (element: HTMLElement | null): void => element?.scrollIntoView({ block: 'nearest' });

/** The same was changed in this form and elsewhere: both values, and whose hold. All else is put together. */
export function ChangedTwice({
  entry,
  problems,
  settle,
}: {
  entry: object;
  problems: readonly Problem[];
  settle: (whose: Settle) => void;
}) {
  const messages = entryConflictMessages(entry, problems, useUnits());
  return (
    <section ref={intoView} aria-label="Changed twice" role="alert" className="mt-3 rounded border border-line p-3">
      <p className="text-warn">{problems[0]?.message}</p>
      <table className="mt-2 w-full text-left text-[0.94rem]">
        <thead>
          <tr>
            <th scope="col" className="sr-only">
              What
            </th>
            <th scope="col">here</th>
            <th scope="col">elsewhere</th>
          </tr>
        </thead>
        <tbody>
          {messages.map(({ what, mine, theirs }) => (
            <tr key={what} className="border-t border-line">
              <th scope="row" className="py-1 pr-3">
                {what}
              </th>
              <td className="py-1 pr-3">{mine}</td>
              <td className="py-1">{theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap justify-end gap-2">
        <Button onClick={() => settle('mine')}>Mine hold</Button>
        <Button onClick={() => settle('theirs')}>Those of elsewhere hold</Button>
      </div>
    </section>
  );
}
