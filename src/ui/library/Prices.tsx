import { methodsFor, plainestOf, purposeOf, type Cut, type Library, type Method } from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import { priceMessage, timeAgainst, yieldAgainst } from '../../formats/messages/method';
import { capital } from '../../formats/messages/names';
import { formatMinutes, formatShare } from '../../formats/units';
import { Term } from '../kit/Term';

const cell = 'figures whitespace-nowrap py-1 pl-4 text-right';
const soft = 'pl-2 text-[0.85rem] font-normal text-soft';

/** What a method costs and gives of a usual piece of each cut it is for, as the cook model tells. */
export function Prices({ method, library, prices }: { method: Method; library: Library; prices: MethodPrices }) {
  const rows = library.cuts.filter((cut) => purposeOf(cut) === method.purpose && prices[cut.id]?.[method.id]);
  const plain = plainestOf(library.methods.filter((each) => each.purpose === method.purpose));
  const against = plain && plain.id !== method.id;
  if (rows.length === 0) return null;
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="w-full max-w-3xl">
        <caption className="pb-1 text-left text-[0.9rem] text-soft">
          By the cook model, of a usual piece, out of the cold, at the method’s own heat
          {against ? `; beside “${plain.name.toLowerCase()}”` : ''}
        </caption>
        <thead className="text-[0.85rem]">
          <tr>
            <th className="py-1 text-left font-semibold">Cut</th>
            <th className={cell}>Cooks for</th>
            <th className={cell}>
              <Term id="bark">Bark set at</Term>
            </th>
            <th className={cell}>Bare after that</th>
            <th className={cell}>Smoke</th>
            <th className={cell}>
              <Term id="yield">Yield</Term>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((cut) => {
            const price = prices[cut.id]![method.id]!;
            const beside = against && methodsFor(library, cut).includes(plain) ? prices[cut.id]![plain.id] : undefined;
            return (
              <tr key={cut.id} className="border-t border-line">
                <th className="py-1 text-left font-normal">{capital(cut.name)}</th>
                <td className={`${cell} font-semibold`}>
                  {formatMinutes(Math.round(price.cookMin / 5) * 5)}
                  {beside && <span className={soft}>{timeAgainst(price, beside)}</span>}
                </td>
                <td className={cell}>
                  {cut.done.by !== 'tender'
                    ? '–'
                    : price.barkSetMin === undefined
                      ? 'not set'
                      : formatMinutes(Math.round(price.barkSetMin / 5) * 5)}
                </td>
                <td className={cell}>{cut.done.by !== 'tender' ? '–' : formatMinutes(Math.round(price.bareSetMin / 5) * 5)}</td>
                <td className={cell}>{price.smokeH.toFixed(1)} h</td>
                <td className={cell}>
                  {formatShare(price.yieldShare)}
                  {beside && yieldAgainst(price, beside) && <span className={soft}>{yieldAgainst(price, beside)}</span>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What a method costs and gives of one cut, in a line. */
export function PriceOf({ method, cut, library, prices }: { method: Method; cut: Cut; library: Library; prices: MethodPrices }) {
  const own = prices[cut.id] ?? {};
  const plain = plainestOf(methodsFor(library, cut));
  const price = own[method.id];
  if (!price) return null;
  return <span className="figures">{priceMessage(price, plain && own[plain.id] && { name: plain.name, price: own[plain.id]! })}</span>;
}
