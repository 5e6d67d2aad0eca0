import { TERMS, type TermId } from '../../formats/messages/terms';
import { withFigures } from '../../formats/units';
import { useUnits } from './UnitsProvider';

/** What a word of the trade means. */
export function TermMeaning({ id }: { id: TermId }) {
  const [word, meaning] = TERMS[id];
  const units = useUnits();
  return (
    <>
      <p className="font-semibold">{word}</p>
      <p>{withFigures(meaning, units)}</p>
    </>
  );
}
