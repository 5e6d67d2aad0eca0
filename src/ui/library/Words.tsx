import { TERMS } from '../../formats/messages/terms';
import { withFigures } from '../../formats/units';
import { useUnits } from '../kit/UnitsProvider';

/** The trade's words as this house uses them. */
export function Words() {
  const units = useUnits();
  const words = Object.values(TERMS).toSorted(([a], [b]) => a.localeCompare(b));
  return (
    <dl className="columns-1 gap-10 rounded-md border border-line bg-sheet p-5 md:columns-2">
      {words.map(([word, meaning]) => (
        <div key={word} className="break-inside-avoid border-b border-line py-2">
          <dt className="font-semibold">{word}</dt>
          <dd className="text-soft">{withFigures(meaning, units)}</dd>
        </div>
      ))}
    </dl>
  );
}
