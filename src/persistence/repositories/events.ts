import { Op, type Transaction } from 'sequelize';
import type { CookEvent } from '../../core/model';
import { EventRow, WeighedPieceRow } from '../tables';
import { bodyOf } from './body';

/** An event as the list shows it. */
export interface EventSummary {
  id: string;
  name: string;
  place: string;
  timeZone: string;
  firstServingMs?: number;
  lastServingMs?: number;
  guests: number;
  cuts: number;
}

const eventFrom = (row: EventRow): CookEvent => bodyOf(row) as CookEvent;

export async function listEvents(transaction?: Transaction): Promise<EventSummary[]> {
  const rows = await EventRow.findAll({ where: { deletedAtMs: null }, transaction });
  return rows
    .map((row) => ({
      id: row.id,
      name: row.name,
      place: String(eventFrom(row).place ?? ''),
      timeZone: row.timeZone,
      firstServingMs: row.firstServingMs === null ? undefined : Number(row.firstServingMs),
      lastServingMs: row.lastServingMs === null ? undefined : Number(row.lastServingMs),
      guests: row.guests,
      cuts: row.cuts,
    }))
    .sort((a, b) => (a.firstServingMs ?? 0) - (b.firstServingMs ?? 0) || (a.name < b.name ? -1 : 1));
}

export async function loadEvent(id: string, transaction?: Transaction): Promise<CookEvent | undefined> {
  const row = await EventRow.findOne({ where: { id, deletedAtMs: null }, transaction });
  return row ? eventFrom(row) : undefined;
}

/** A weighed piece of any event that is not deleted, by its cut. */
export interface WeighedPieceOf {
  eventId: string;
  cutId: string;
  boughtKg: number;
  trimmedKg: number;
}

/** In the order the events were made, and in each as its pieces stand: what is learned from them is the same to the last digit. */
export async function listWeighedPieces(transaction?: Transaction): Promise<WeighedPieceOf[]> {
  const rows = await WeighedPieceRow.findAll({ order: [['position', 'ASC']], transaction });
  if (rows.length === 0) return [];
  const live = await EventRow.findAll({
    where: { deletedAtMs: null },
    attributes: ['id'],
    order: [['createdAtMs', 'ASC']],
    transaction,
  });
  return live.flatMap(({ id }) =>
    rows.filter((row) => row.eventId === id).map(({ eventId, cutId, boughtKg, trimmedKg }) => ({ eventId, cutId, boughtKg, trimmedKg })),
  );
}

/** Writes the whole document; what it no longer holds is gone. */
export async function saveEvent(event: CookEvent, nowMs: number, transaction: Transaction): Promise<void> {
  const { id, name, timeZone, revision, servings, batches } = event;
  const times = servings.map((serving) => serving.atMs);
  const fields = {
    id,
    name,
    timeZone,
    revision,
    body: JSON.stringify(event),
    firstServingMs: times.length > 0 ? Math.min(...times) : null,
    lastServingMs: times.length > 0 ? Math.max(...times) : null,
    guests: Math.max(0, ...servings.map(({ guests }) => guests.adults + guests.children)),
    cuts: batches.length,
    updatedAtMs: nowMs,
  };
  const stored = await EventRow.findByPk(id, { transaction });
  if (stored) await stored.update(fields, { transaction });
  else await EventRow.create({ ...fields, createdAtMs: nowMs }, { transaction });
  const weighed = batches.flatMap(({ cutId, pieces }) =>
    pieces.flatMap(({ boughtKg, trimmedKg }) =>
      boughtKg === undefined || trimmedKg === undefined ? [] : [{ cutId, boughtKg, trimmedKg }],
    ),
  );
  await WeighedPieceRow.destroy({ where: { eventId: id }, transaction });
  await WeighedPieceRow.bulkCreate(
    weighed.map((piece, position) => ({ eventId: id, position, ...piece })),
    { transaction },
  );
}

/** Marks an event as deleted (or not): it can be brought back. Tells whether there was one. */
export async function markEventDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await EventRow.update(
    { deletedAtMs },
    { where: { id, deletedAtMs: deletedAtMs === null ? { [Op.ne]: null } : null }, transaction },
  );
  return count > 0;
}

/** Names of the events whose document holds an id as a value: of a cut, a method or a recipe. */
export async function eventsHolding(id: string, transaction?: Transaction): Promise<string[]> {
  const rows = await EventRow.findAll({ where: { deletedAtMs: null, body: { [Op.like]: `%:${JSON.stringify(id)}%` } }, transaction });
  return rows.map((row) => row.name);
}
