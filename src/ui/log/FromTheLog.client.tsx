'use client';
import { History } from 'lucide-react';
import { comesUpFor } from '../../core/learn';
import { cutIn } from '../../core/model';
import { dateWithYear } from '../../formats/clock';
import { capital } from '../../formats/messages/names';
import { useEventDocument } from '../document/EventDocument.client';
import { ComesUp } from './ComesUp';

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
  const shown = folded ? wished.length : SHOWN;
  return (
    <ComesUp
      icon={History}
      name="From the log"
      folded={folded}
      summary={
        <>
          {wished.length === 1 ? 'One wish' : `${wished.length} wishes`} from the log: <span className="text-soft">{wished[0]!.text}</span>
        </>
      }
    >
      <h2 className="sr-only">From the log</h2>
      <ul className="print:flex print:flex-wrap print:gap-x-3">{wished.slice(0, shown).map(line)}</ul>
      {wished.length > shown && (
        <details className="print:hidden">
          <summary className="cursor-pointer text-soft">{wished.length - shown} more from the log</summary>
          <ul>{wished.slice(shown).map(line)}</ul>
        </details>
      )}
    </ComesUp>
  );
}
