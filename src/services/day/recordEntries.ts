import type { Entry, EntrySource } from '../../core/day';
import { failure, success, type Outcome, type Problem } from '../../core/outcome';
import { addEntries, loadDay, markDayEnded } from '../../persistence';
import type { Context } from '../context';

/** A clock on a phone may run so far ahead of the house's. */
const AHEAD_MS = 5 * 60_000;
/** What happened longer before the day's start belongs to another. */
const BEFORE_MS = 72 * 3_600_000;

export interface SentEntries {
  eventId: string;
  /** What time it was for the sender when they were sent: what its clock is off is taken off all its instants. */
  nowMs?: number;
  entries: readonly Omit<Entry, 'source'>[];
}

/**
 * Keeps what people say happened. Each entry counts once, by its sender's id, however often it is sent; once this has
 * answered, all of it is on disk. An instant that cannot be is refused, and with it nothing else.
 */
export async function recordEntries(
  context: Context,
  { eventId, nowMs: theirsMs, entries: sent }: SentEntries,
  source: EntrySource = 'crew',
): Promise<Outcome<{ kept: string[]; nowMs: number }>> {
  const day = await loadDay(eventId);
  if (!day) return failure({ code: 'dayNotBegun' });
  const nowMs = (await context.days?.nowMs(eventId)) ?? context.nowMs();
  const offMs = theirsMs === undefined ? 0 : nowMs - theirsMs;
  const entries = sent.map((entry) => ({ ...entry, atMs: entry.atMs + offMs }));
  const problems = entries.flatMap(({ atMs }, i): Problem[] => {
    if (atMs > nowMs + AHEAD_MS) return [{ code: 'inFuture', path: `entries.${i}.atMs` }];
    if (atMs < day.startedAtMs - BEFORE_MS) return [{ code: 'beforeDay', path: `entries.${i}.atMs` }];
    return [];
  });
  if (problems.length > 0) return failure(...problems);
  const full = entries.map((entry): Entry => JSON.parse(JSON.stringify({ ...entry, source })) as Entry);
  const fresh = await context.db.write(async (transaction) => {
    const added = await addEntries(eventId, full, context.nowMs(), transaction);
    for (const { deed, atMs } of added) {
      if (deed.kind === 'day' && deed.did === 'ended') await markDayEnded(eventId, atMs, transaction);
      if (deed.kind === 'day' && deed.did === 'resumed') await markDayEnded(eventId, null, transaction);
    }
    return added;
  });
  if (fresh.length > 0) context.days?.entriesKept(eventId, fresh);
  return success({ kept: full.map((entry) => entry.id), nowMs });
}
