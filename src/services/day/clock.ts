import { failure, success, type Outcome } from '../../core/outcome';
import { loadDay, saveClock, type DayClock } from '../../persistence';
import type { Context } from '../context';

/** Sets how fast a simulated day goes; a real day's clock is nobody's to set. */
export async function setDayClock(
  context: Context,
  eventId: string,
  change: (clock: DayClock, nowMs: number) => DayClock,
): Promise<Outcome<{ eventId: string }>> {
  const day = await loadDay(eventId);
  if (!day) return failure({ code: 'dayNotBegun' });
  if (day.clock.mode === 'real') return failure({ code: 'clockIsReal' });
  await context.db.write((transaction) => saveClock(eventId, change(day.clock, context.nowMs()), transaction));
  context.days?.clockChanged(eventId);
  return success({ eventId });
}
