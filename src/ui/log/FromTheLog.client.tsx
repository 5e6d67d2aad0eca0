'use client';
import { History } from 'lucide-react';
import { comesUpFor } from '../../core/learn';
import { cutIn } from '../../core/model';
import { dateWithYear } from '../../formats/clock';
import { capital } from '../../formats/messages/names';
import { useEventDocument } from '../document/EventDocument.client';

/** So many stand open; the rest is a click away. */
const SHOWN = 3;

/** What the crew wanted changed the last times, where it is planned again. Folded where room is scarce. */
export function FromTheLog({ folded = false }: { folded?: boolean }) {
  const { event, input, facts } = useEventDocument();
  const wished = comesUpFor(event, facts.nextTime ?? []);
  if (wished.length === 0) return null;
  const line = ({ cookId, cutId, onMs, text }: (typeof wished)[number]) => (
    <li key={cookId}>
      <span className="font-semibold">{capital(cutIn(input.library, cutId)?.name ?? cutId)}</span>
      {onMs !== undefined && <span className="text-soft">, {dateWithYear(onMs, event.timeZone)}</span>}: {text}
    </li>
  );
  if (folded)
    return (
      <details className="border-b border-line bg-sheet px-4 py-1 text-[0.92rem] print:hidden">
        <summary className="cursor-pointer">
          <History size={15} aria-hidden className="mr-1 inline" />
          {wished.length === 1 ? 'One wish' : `${wished.length} wishes`} from the log: <span className="text-soft">{wished[0]!.text}</span>
        </summary>
        <ul className="pt-1 pl-5">{wished.map(line)}</ul>
      </details>
    );
  return (
    <section
      aria-label="From the log"
      className="mb-4 flex gap-2 rounded-md border border-line bg-sheet px-4 py-2 text-[0.94rem] print:mb-1 print:border-0 print:px-0 print:py-0 print:text-[0.8rem]"
    >
      <History size={17} aria-hidden className="mt-0.5 shrink-0" />
      <div>
        <h2 className="sr-only">From the log</h2>
        <ul>{wished.slice(0, SHOWN).map(line)}</ul>
        {wished.length > SHOWN && (
          <details className="print:hidden">
            <summary className="cursor-pointer text-soft">{wished.length - SHOWN} more from the log</summary>
            <ul>{wished.slice(SHOWN).map(line)}</ul>
          </details>
        )}
      </div>
    </section>
  );
}
