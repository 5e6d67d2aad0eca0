import type { Entry, KeptDay } from '../../core/day';
import { seedOfName } from '../../core/numerics';
import { failure, success, type Outcome } from '../../core/outcome';
import { createDay, addEntries, loadDay, type DayClock } from '../../persistence';
import type { Context } from '../context';
import { planEvent } from '../planEvent';
import { readDaySettings } from './daySettings';

/** A day may be started so long before the first fire, and so long after the last serving. */
const EARLIEST_MS = 36 * 3_600_000;
const LATEST_MS = 12 * 3_600_000;

export interface StartDay {
  eventId: string;
  by: string;
  /** For a day that is simulated, or begun in the past for show. */
  startedAtMs?: number;
  clock?: DayClock;
  seed?: number;
}

/** Starts an event's day from its plan as it stands, which is kept: what is changed from now on is a revision of it. */
export async function startDay(
  context: Context,
  { eventId, by, startedAtMs, clock = { mode: 'real' }, seed }: StartDay,
): Promise<Outcome<{ eventId: string }>> {
  if (await loadDay(eventId)) return failure({ code: 'dayBegun' });
  const planned = await planEvent(context, eventId);
  if (!planned) return failure({ code: 'eventGone' });
  const { input, plan } = planned;
  if (plan.runs.length === 0) return failure({ code: 'nothingPlanned' });
  if (plan.problems.some((problem) => problem.severity === 'broken')) return failure({ code: 'planBroken' });
  const atMs = startedAtMs ?? context.nowMs();
  const firstMs = Math.min(...plan.tasks.map((task) => task.atMs), ...plan.firings.map((firing) => firing.lightAtMs));
  const lastMs = Math.max(...input.event.servings.map((serving) => serving.atMs));
  if (clock.mode === 'real' && atMs < firstMs - EARLIEST_MS) return failure({ code: 'dayTooEarly' });
  if (clock.mode === 'real' && atMs > lastMs + LATEST_MS) return failure({ code: 'dayOver' });
  const { hotHoldEveryMin } = await readDaySettings(context);
  const kept: KeptDay = { id: `${eventId}@${context.newId()}`, input, plan, seed: seed ?? seedOfName(eventId), hotHoldEveryMin };
  const started: Entry = { id: `${eventId}-started`, atMs, by, source: 'crew', deed: { kind: 'day', did: 'started' } };
  const saved = await context.db.write(async (transaction) => {
    if (await loadDay(eventId, transaction)) return false;
    await createDay({ eventId, kept, clock, startedAtMs: atMs }, transaction);
    await addEntries(eventId, [started], context.nowMs(), transaction);
    return true;
  });
  if (!saved) return failure({ code: 'dayBegun' });
  context.days?.began(eventId);
  return success({ eventId });
}
