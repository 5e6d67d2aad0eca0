import { clockTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import { formatOdds, wholePercent } from '../../formats/units';
import type { DayScreen } from './dayScreen';

/** Each serving, and how sure it is now against what the plan promised. */
export function OddsLine({ day, context }: { day: DayScreen; context: MessageContext }) {
  const { event, units } = context;
  if (day.odds.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-5 px-4 py-1.5 text-[0.96rem]">
      {day.odds.map((odds) => {
        const serving = event.servings.find((each) => each.id === odds.servingId)!;
        const low = odds.onTimeShare < Math.min(event.confidence, odds.plannedShare) - 0.04;
        const was = wholePercent(odds.plannedShare) !== wholePercent(odds.onTimeShare);
        return (
          <span key={odds.servingId}>
            {serving.name} {clockTime(odds.atMs, event.timeZone, units.clock)}{' '}
            <strong className={`figures text-[1.08rem] ${low ? 'text-warn' : ''}`}>{formatOdds(odds.onTimeShare)}</strong>
            <span className="text-soft"> on time{was ? `, plan ${formatOdds(odds.plannedShare)}` : ''}</span>
          </span>
        );
      })}
    </p>
  );
}
