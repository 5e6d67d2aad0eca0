import type { Foretold, ServingKept } from '../../core/learn';
import { formatMinutes, formatShare } from '../../formats/units';
import { TableHead } from '../kit/TableHead';

const BY: Record<Foretold['by'], string> = {
  owner: 'Your kitchen, by the cooks before',
  shipped: 'The model as shipped',
  pound: 'Hours a pound, by the cooks before',
};
const off = (logRmse: number): string => formatShare(Math.exp(logRmse) - 1);

/** The same cooks told three ways, side by side. */
export function ToldThreeWays({ foretold }: { foretold: readonly Foretold[] }) {
  if (foretold.length === 0) return null;
  return (
    <table className="mt-3 w-full text-left text-[0.94rem]">
      <caption className="text-left text-[0.92rem] text-soft">
        The same {foretold[0]!.cooks} cooks, told three ways, each by what was known before it.
      </caption>
      <TableHead names={['Told by', 'Usually off', 'Inside its 80 %', 'Its range']} />
      <tbody>
        {foretold.map(({ by, logRmse, inside, width }) => (
          <tr key={by} className="border-b border-line">
            <th scope="row" className="py-1 pr-3 font-normal">
              {BY[by]}
            </th>
            <td className="figures py-1 pr-3 font-semibold">{off(logRmse)}</td>
            <td className="figures py-1 pr-3">{inside === undefined ? 'no range' : formatShare(inside)}</td>
            <td className="figures py-1">{width === undefined ? '' : `1 to ${width.toFixed(2)}`}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export interface NamedMiss {
  name: string;
  cooks: number;
  meanLog: number;
}

/** Where forecasts still miss to one side: cooks of a cut, or on a pit, that took longer or less than told. */
export function Misses({ misses }: { misses: readonly NamedMiss[] }) {
  if (misses.length === 0) return null;
  const words = (meanLog: number): string => {
    const percent = Math.round((Math.exp(meanLog) - 1) * 100);
    return percent === 0 ? 'as told' : `${Math.abs(percent)} % ${percent > 0 ? 'longer' : 'less'}`;
  };
  return (
    <table className="mt-4 w-full text-left text-[0.94rem]">
      <caption className="text-left font-semibold">Took, against what was told</caption>
      <tbody>
        {misses.map(({ name, cooks, meanLog }) => (
          <tr key={name} className="border-t border-line">
            <th scope="row" className="py-1 pr-3 font-normal">
              {name}
            </th>
            <td className="py-1 pr-3 font-semibold">{words(meanLog)}</td>
            <td className="py-1 text-right text-soft">{cooks} cooks</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Servings of days that were lived here: when carving began against when it was to. */
export function Servings({ servings }: { servings: readonly (ServingKept & { when: string })[] }) {
  if (servings.length === 0) return null;
  const late = (minutes: number): string =>
    minutes === 0 ? 'to the minute' : `${formatMinutes(Math.abs(minutes))} ${minutes > 0 ? 'late' : 'early'}`;
  return (
    <section aria-label="Servings" className="mt-8">
      <h2 className="text-xl">Servings</h2>
      <div className="overflow-x-auto">
        <table className="mt-2 w-full min-w-[640px] text-left text-[0.94rem]">
          <TableHead names={['Day', 'Serving', 'Carving began', 'Off the pit, against what was told', 'Pieces']} />
          <tbody>
            {servings.map(({ eventId, eventName, servingName, when, carvedLateMin, pulledLateMin, pieces }) => (
              <tr key={`${eventId}/${servingName}`} className="border-b border-line">
                <td className="figures py-1 pr-3 whitespace-nowrap">{when}</td>
                <th scope="row" className="py-1 pr-3 font-normal">
                  {servingName}, {eventName}
                </th>
                <td className={`py-1 pr-3 font-semibold ${carvedLateMin > 0 ? 'text-warn' : ''}`}>{late(carvedLateMin)}</td>
                <td className="py-1 pr-3">
                  {pulledLateMin === 0
                    ? 'as told'
                    : `${formatMinutes(Math.abs(pulledLateMin))} ${pulledLateMin > 0 ? 'later' : 'sooner'}, in the middle`}
                </td>
                <td className="py-1">{pieces}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
