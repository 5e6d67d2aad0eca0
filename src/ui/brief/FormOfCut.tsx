import { cutIn, methodsFor, type Batch, type Library } from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import { barkAgainst, timeAgainst, yieldAgainst } from '../../formats/messages/method';
import { inputClass } from '../kit/Field';

interface FormOfCutProps {
  library: Library;
  prices: MethodPrices;
  batch: Batch;
  onChange(batch: Batch): void;
}

/** Whole, split or opened up: where a cut has other forms, they are chosen here, and what that changes is said. */
export function FormOfCut({ library, prices, batch, onChange }: FormOfCutProps) {
  const cut = cutIn(library, batch.cutId)!;
  const whole = cutIn(library, cut.formOf ?? cut.id);
  const forms = whole ? library.cuts.filter((each) => each.id === whole.id || each.formOf === whole.id) : [];
  if (!whole || forms.length < 2) return null;
  const choose = (cutId: string) => {
    const methods = methodsFor(library, cutIn(library, cutId)!);
    const methodId = methods.some((each) => each.id === batch.methodId) ? batch.methodId : methods[0]!.id;
    onChange({ ...batch, cutId, methodId, sizedBy: 'guests' });
  };
  const [price, plain] = [prices[cut.id]?.[batch.methodId], prices[whole.id]?.[batch.methodId]];
  const changes =
    price &&
    plain &&
    [timeAgainst(price, plain), barkAgainst(price, plain), yieldAgainst(price, plain) && `yield ${yieldAgainst(price, plain)}`].filter(
      Boolean,
    );
  return (
    <div className="mt-1">
      <select aria-label={`Form of ${whole.name}`} className={inputClass()} value={cut.id} onChange={(event) => choose(event.target.value)}>
        {forms.map((each) => (
          <option key={each.id} value={each.id}>
            {each.form ?? 'whole'}
          </option>
        ))}
      </select>
      {cut.formOf && changes && <p className="mt-0.5 text-[0.8rem] text-soft">Beside whole: {changes.join(', ')}.</p>}
    </div>
  );
}
