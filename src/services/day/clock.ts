import { failure, success, type Outcome } from '../../core/outcome';
import { loadDay, saveClock, type DayClock } from '../../persistence';
import type { Context } from '../context';

/** The owner says that the machine's clock is right though it was set in the middle: the house goes by it from now on. What was written before stays as it is. */
export async function takeMachineTime(context: Context): Promise<Outcome<object>> {
  await context.days?.takeMachineTime();
  return success({});
}

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
