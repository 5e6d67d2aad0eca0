'use client';
import { NEAR_C, type FiresBefore, type MadeFire } from '../../core/learn';
import { dateWithYear } from '../../formats/clock';
import { recipeParts } from '../../formats/messages/fire';
import { capital } from '../../formats/messages/names';
import { formatMass, formatMinutes, formatSetPoint, formatShare, formatTempDifference } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { TableHead } from '../kit/TableHead';
import { useUnits } from '../kit/UnitsProvider';

export interface NamedFire extends MadeFire {
  pit: string;
  event: string;
  /** It is what is written down for its pit and heat now. */
  inUse: boolean;
  /** The house has that pit no more. */
  isGone: boolean;
}
export interface MadeFiresProps {
  fires: NamedFire[];
  takeFire: Action<FiresBefore>;
  putFiresBack: Action<object>;
}

/** How fires were made on your days and how each held; the one that held well becomes the pit's recipe for that heat. */
export function MadeFires({ fires, zone, takeFire, putFiresBack }: MadeFiresProps & { zone: string }) {
  const units = useUnits();
  const take = async ({ id, pit, recipe }: NamedFire) => {
    const done = await callAction(takeFire, { id });
    if (!done.ok) return complain(done.problems);
    announce(
      `${pit}: its fire for ${formatSetPoint(recipe.pitC, units)} is made like that from now on, and printed on the run sheet.`,
      () => {
        void callAction(putFiresBack, done.value).then((back) =>
          back.ok ? announce(`${pit}: its fires are as they were.`) : complain(back.problems),
        );
      },
    );
  };
  return (
    <section aria-label="Fires as they were made" className="mt-8">
      <h2 className="text-xl">Fires as they were made</h2>
      <p className="mt-1 max-w-prose text-[0.92rem] text-soft">
        Written down on a cook day beside the fuel, each with how it held: the share of its time within{' '}
        {formatTempDifference(NEAR_C, units)} of what the pit was set to. Use one, and the run sheet prints it for its pit and heat; its
        woods are what is bought.
      </p>
      {fires.length === 0 ? (
        <p className="mt-3 max-w-prose text-soft">
          None yet. On a cook day, under On the scale, write down how a pit’s fire was made: coals, woods, vents, water.
        </p>
      ) : (
        <div className="mt-2 overflow-x-auto">
          <table className="w-full min-w-[760px] text-left text-[0.94rem]">
            <TableHead names={['Pit', 'When', 'Heat', 'Made', 'Held', 'Burned', '(Use it)']} />
            <tbody>
              {fires.map((fire) => (
                <tr key={fire.id} className="border-b border-line align-top">
                  <th scope="row" className="py-1 pr-3 font-semibold">
                    {fire.pit}
                  </th>
                  <td className="py-1 pr-3">
                    {dateWithYear(fire.litAtMs, zone)}
                    <span className="block text-[0.86rem] text-soft">{fire.event}</span>
                  </td>
                  <td className="figures py-1 pr-3 whitespace-nowrap">{formatSetPoint(fire.recipe.pitC, units)}</td>
                  <td className="max-w-80 py-1 pr-3">{capital(recipeParts(fire.recipe, units).join('; '))}</td>
                  <td className="py-1 pr-3">
                    {fire.nearShare === undefined ? (
                      <span className="text-soft">too little read</span>
                    ) : (
                      <>
                        <span className="figures font-semibold">{formatShare(fire.nearShare)}</span> of {formatMinutes(fire.heldMin!)}
                        <span className="block text-[0.86rem] text-soft">
                          {offMessage(fire.offC!, (c) => formatTempDifference(c, units))}
                        </span>
                      </>
                    )}
                  </td>
                  <td className="figures py-1 pr-3 whitespace-nowrap">
                    {fire.kgPerH === undefined ? <span className="text-soft">not weighed</span> : `${formatMass(fire.kgPerH, units)}/h`}
                    {fire.reloadMin !== undefined && (
                      <span className="block text-[0.86rem] text-soft">fed every {formatMinutes(fire.reloadMin)}</span>
                    )}
                  </td>
                  <td className="py-1 text-right whitespace-nowrap">
                    {fire.inUse || fire.isGone ? (
                      <span className="text-[0.88rem] text-soft">{fire.isGone ? 'pit gone' : 'in use'}</span>
                    ) : (
                      <Button
                        aria-label={`Use it: the fire of ${fire.pit}, ${formatSetPoint(fire.recipe.pitC, units)}`}
                        onClick={() => void take(fire)}
                      >
                        Use it
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

const offMessage = (offC: number, shown: (byC: number) => string): string =>
  Math.abs(offC) < 1 ? 'on its mark in the middle' : `${shown(Math.abs(offC))} ${offC > 0 ? 'over' : 'under'} in the middle`;
