import { TERMS, type TermId } from '../../formats/messages/terms';
import { Term } from './Term';

/** The trade's words that a dense screen has no room to explain, each to be asked for. */
export function WordsHere({ ids }: { ids: readonly TermId[] }) {
  return (
    <p className="flex flex-wrap gap-x-3 gap-y-1 text-[0.85rem] text-soft print:hidden">
      <span>What it means:</span>
      {ids.map((id) => (
        <Term key={id} id={id}>
          {TERMS[id][0].toLowerCase()}
        </Term>
      ))}
    </p>
  );
}
