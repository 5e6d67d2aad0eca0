import type { Transaction } from 'sequelize';
import type { DayPace, Entry, KeptDay } from '../../core/day';
import { CookDayRow, DayEntryRow } from '../tables';

/** How a day's clock goes: with the world's, or simulated from a moment on, so many times as fast. */
export type DayClock =
  | { mode: 'real' }
  | ({
      mode: 'simulated';
      seed: number;
      worldStartMs: number;
      realFromMs: number;
      dayFromMs: number;
      /** Whether fires are tended by themselves. */
      crew: 'none' | 'tends';
      /** What goes wrong in the world, as it has it. */
      faults?: object[];
    } & DayPace);

export interface StoredDay {
  eventId: string;
  kept: KeptDay;
  clock: DayClock;
  startedAtMs: number;
  endedAtMs?: number;
}

const dayFrom = (row: CookDayRow): StoredDay => ({
  eventId: row.eventId,
  kept: JSON.parse(row.kept) as KeptDay,
  clock: JSON.parse(row.clock) as DayClock,
  startedAtMs: Number(row.startedAtMs),
  ...(row.endedAtMs !== null && { endedAtMs: Number(row.endedAtMs) }),
});

export async function loadDay(eventId: string, transaction?: Transaction): Promise<StoredDay | undefined> {
  const row = await CookDayRow.findByPk(eventId, { transaction });
  return row ? dayFrom(row) : undefined;
}

/** When an event's day began and ended, and from when it was planned: without all that it started from. */
export async function loadDayTimes(
  eventId: string,
  transaction?: Transaction,
): Promise<{ plannedFromMs: number; startedAtMs: number; endedAtMs?: number } | undefined> {
  const row = await CookDayRow.findByPk(eventId, { attributes: ['plannedFromMs', 'startedAtMs', 'endedAtMs'], transaction });
  if (!row) return undefined;
  const { plannedFromMs, startedAtMs, endedAtMs } = row;
  return {
    plannedFromMs: Number(plannedFromMs),
    startedAtMs: Number(startedAtMs),
    ...(endedAtMs !== null && { endedAtMs: Number(endedAtMs) }),
  };
}

/** Days that have begun, the newest first, without what they started from. */
export async function listDays(transaction?: Transaction): Promise<Omit<StoredDay, 'kept'>[]> {
  const rows = await CookDayRow.findAll({ attributes: { exclude: ['kept'] }, order: [['startedAtMs', 'DESC']], transaction });
  return rows.map((row) => ({
    eventId: row.eventId,
    clock: JSON.parse(row.clock) as DayClock,
    startedAtMs: Number(row.startedAtMs),
    ...(row.endedAtMs !== null && { endedAtMs: Number(row.endedAtMs) }),
  }));
}

export async function createDay({ eventId, kept, clock, startedAtMs }: StoredDay, transaction: Transaction): Promise<void> {
  await CookDayRow.create(
    {
      eventId,
      kept: JSON.stringify(kept),
      clock: JSON.stringify(clock),
      plannedFromMs: kept.input.earliestMs,
      startedAtMs,
      endedAtMs: null,
    },
    { transaction },
  );
}

export async function saveClock(eventId: string, clock: DayClock, transaction: Transaction): Promise<void> {
  await CookDayRow.update({ clock: JSON.stringify(clock) }, { where: { eventId }, transaction });
}

export async function markDayEnded(eventId: string, endedAtMs: number | null, transaction: Transaction): Promise<void> {
  await CookDayRow.update({ endedAtMs }, { where: { eventId }, transaction });
}

/** In the order they came. */
export async function loadEntries(eventId: string, transaction?: Transaction): Promise<Entry[]> {
  const rows = await DayEntryRow.findAll({ where: { eventId }, order: [['seq', 'ASC']], transaction });
  return rows.map((row) => JSON.parse(row.body) as Entry);
}

/** When the last entry of a day under way was written; undefined where there is none. */
export async function lastWrittenMs(): Promise<number | undefined> {
  const running = await CookDayRow.findAll({ where: { endedAtMs: null }, attributes: ['eventId'] });
  const last = await DayEntryRow.max<number | null, DayEntryRow>('receivedAtMs', { where: { eventId: running.map((row) => row.eventId) } });
  return last === null ? undefined : Number(last);
}

/** Adds what is not there yet; an id that is known is left as it was. Returns those that are new. */
export async function addEntries(eventId: string, entries: readonly Entry[], nowMs: number, transaction: Transaction): Promise<Entry[]> {
  const ids = entries.map((entry) => entry.id);
  const known = await DayEntryRow.findAll({ where: { eventId, entryId: ids }, attributes: ['entryId'], transaction });
  const had = new Set(known.map((row) => row.entryId));
  const fresh = entries.filter((entry, i) => !had.has(entry.id) && ids.indexOf(entry.id) === i);
  await DayEntryRow.bulkCreate(
    fresh.map((entry) => ({ eventId, entryId: entry.id, atMs: entry.atMs, receivedAtMs: nowMs, body: JSON.stringify(entry) })),
    { transaction },
  );
  return fresh;
}
