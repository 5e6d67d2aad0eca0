import type { DayTask } from '../../core/day';
import { placesOf } from '../../core/model';
import { clockTime } from '../../formats/clock';
import { memberName, placeName, type MessageContext } from '../../formats/messages/names';
import type { DayGround } from './dayScreen';
import { dayTaskMessage } from '../../formats/messages/day/task';

/** Who is on duty, where, and what each does next. */
export function Crew({
  tasks,
  ground,
  context,
  nowMs,
}: {
  tasks: readonly DayTask[];
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
}) {
  const { event, units } = context;
  const stays = ground.plan.stays ?? [];
  const people = [...new Set(stays.map((stay) => stay.memberId))];
  if (people.length === 0) return null;
  const several = placesOf(event).length > 1;
  return (
    <section aria-label="Who is where" className="px-4 py-3">
      <h2 className="text-[1.1rem]">Who is where</h2>
      <ul className="mt-1 text-[0.94rem]">
        {people.map((memberId) => {
          const here = stays.find((stay) => stay.memberId === memberId && stay.fromMs <= nowMs && stay.toMs > nowMs);
          const comes = stays.filter((stay) => stay.memberId === memberId && stay.fromMs > nowMs).sort((a, b) => a.fromMs - b.fromMs)[0];
          const next = tasks.find((task) => task.who?.includes(memberId) && task.status !== 'done' && task.status !== 'skipped');
          return (
            <li key={memberId} className="border-b border-line py-1">
              <span className="font-semibold">{memberName(context, memberId)}</span>{' '}
              <span className="text-soft">
                {here
                  ? `${several ? `at ${placeName(context, here.placeId)}, ` : ''}until ${clockTime(here.toMs, event.timeZone, units.clock)}`
                  : comes
                    ? `off, comes ${clockTime(comes.fromMs, event.timeZone, units.clock)}`
                    : 'off for the day'}
              </span>
              {next && (
                <span className="block leading-tight">
                  <span className="figures text-soft">{clockTime(next.dueMs, event.timeZone, units.clock)}</span>{' '}
                  {dayTaskMessage(context, next, ground.plan.runs).title}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
