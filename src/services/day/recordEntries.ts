import type { Entry, EntrySource } from '../../core/day';
import { deedNeeds, isAtLeast, type Role } from '../../core/access';
import { failure, success, type Outcome, type Problem } from '../../core/outcome';
import { addEntries, loadDay, loadDayTimes, loadEntries, markDayEnded } from '../../persistence';
import type { Context } from '../context';
import { closeCooks } from '../log/closeCooks';

/** A clock on a phone may run so far ahead of the house's. */
const AHEAD_MS = 5 * 60_000;
/** What happened longer before the day's start belongs to another. */
const BEFORE_MS = 72 * 3_600_000;

export interface SentEntries {
  eventId: string;
  /** Who sends them, when the house knows: nobody speaks in another's name, nor does what is not theirs. */
  sender?: { role: Role; name?: string };
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
  { eventId, sender, nowMs: theirsMs, entries: sent }: SentEntries,
  source: EntrySource = 'crew',
): Promise<Outcome<{ kept: string[]; nowMs: number }>> {
  const day = await loadDay(eventId);
  if (!day) return failure({ code: 'dayNotBegun' });
  const nowMs = (await context.days?.nowMs(eventId)) ?? context.nowMs();
  const offMs = theirsMs === undefined ? 0 : nowMs - theirsMs;
  const entries = sent.map((entry) => ({ ...entry, atMs: entry.atMs + offMs, by: sender?.name ?? entry.by }));
  const notTheirs = sender ? await notAllowed(eventId, entries, sender) : [];
  if (notTheirs.length > 0) return failure(...notTheirs);
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
  // What is weighed or put right afterwards belongs to the log too. What fails here is taken up when it is opened: the day is over and kept.
  const isOver = fresh.length > 0 && (await loadDayTimes(eventId))?.endedAtMs !== undefined;
  if (isOver) await closeCooks(context, eventId).catch(() => 0);
  return success({ kept: full.map((entry) => entry.id), nowMs });
}

/** What of it is not the sender's to say. A helper takes back only what they said themselves. */
async function notAllowed(
  eventId: string,
  entries: readonly Omit<Entry, 'source'>[],
  { role, name }: { role: Role; name?: string },
): Promise<Problem[]> {
  const undone = new Set(entries.flatMap(({ deed }) => (deed.kind === 'undo' ? [deed.entryId] : [])));
  const others =
    undone.size > 0 && !isAtLeast(role, 'cook')
      ? new Set((await loadEntries(eventId)).filter((each) => undone.has(each.id) && each.by !== name).map((each) => each.id))
      : new Set<string>();
  return entries.flatMap(({ deed }, i): Problem[] =>
    !isAtLeast(role, deedNeeds(deed)) || (deed.kind === 'undo' && others.has(deed.entryId))
      ? [{ code: 'notAllowed', path: `entries.${i}.deed` }]
      : [],
  );
}
