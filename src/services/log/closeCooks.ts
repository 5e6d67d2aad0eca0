import { foldDay, lowestCounts, MinuteBook, readingsOf } from '../../core/day';
import { closeDay, madeFires, measureDay, type ClosedCook } from '../../core/learn';
import {
  eventsInLog,
  listDays,
  loadCooks,
  loadDay,
  loadEntries,
  loadMinutes,
  replaceMadeFires,
  replaceObservations,
  saveCooks,
} from '../../persistence';
import { mealAt } from '../../formats/clock';
import type { Context } from '../context';
import { heldAgainst } from './heldAgainst';

/** A piece may have gone on so long before the day was started here. */
const BEFORE_MS = 72 * 3_600_000;

/**
 * Takes the cooks of a day that is over into the log, each once, and what it measured of the kitchen's figures: what was said of one before stays. A day that is opened and ended again
 * is taken in anew.
 */
export async function closeCooks(context: Context, eventId: string): Promise<number> {
  const day = await loadDay(eventId);
  if (!day) return 0;
  const state = foldDay(day.kept, await loadEntries(eventId));
  const toMs = state.endedAtMs ?? context.nowMs();
  const devices = [...new Set(state.channels.map(({ deviceId }) => deviceId))];
  const minutes = new MinuteBook(await loadMinutes(context.db.sequelize, devices, day.startedAtMs - BEFORE_MS, toMs));
  const readings = readingsOf(state, minutes.over(toMs), lowestCounts(day.kept));
  const cooks = closeDay({ eventId, kept: day.kept, state, readings });
  const known = new Map((await loadCooks(cooks.map(({ id }) => id))).map(({ cook }) => [cook.id, cook]));
  const held = await heldAgainst(cooks.map((cook) => ({ ...cook, ...saidBefore(known.get(cook.id)) })));
  const { timeZone } = day.kept.input.event;
  const mealOf = ({ atMs }: { atMs: number }) => mealAt(atMs, timeZone);
  const measured = { kept: day.kept, state, readings, mealOf, nowMs: toMs };
  const observations = measureDay(measured);
  const fires = madeFires(eventId, measured);
  await context.db.write(async (transaction) => {
    await saveCooks(held, context.nowMs(), transaction);
    await replaceObservations(eventId, observations, transaction);
    await replaceMadeFires(eventId, fires, transaction);
  });
  return held.length;
}

/** What people put to a cook stays with it. */
const saidBefore = (before: ClosedCook | undefined): Partial<ClosedCook> =>
  before ? { words: before.words, ...(before.curve && { curve: before.curve }) } : {};

/** Days that ended and are not in the log yet: an older program ended them, or it stopped just then. */
export async function closeLeftDays(context: Context): Promise<void> {
  const known = await eventsInLog();
  for (const { eventId, endedAtMs } of await listDays())
    if (endedAtMs !== undefined && !known.has(eventId)) await closeCooks(context, eventId);
}
