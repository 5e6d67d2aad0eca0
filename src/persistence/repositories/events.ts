import { Op, type Transaction } from 'sequelize';
import type { Batch, CookEvent, Serving } from '../../core/model';
import { BatchRow, EventBoxRow, EventPitRow, EventRow, PieceRow, ServingRow } from '../tables';

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

const inOrder = { order: [['position', 'ASC']] as [string, string][] };

export async function listEvents(transaction?: Transaction): Promise<EventSummary[]> {
  const events = await EventRow.findAll({ where: { deletedAtMs: null }, transaction });
  const ids = events.map((row) => row.id);
  const servings = await ServingRow.findAll({ where: { eventId: { [Op.in]: ids } }, transaction });
  const batches = await BatchRow.findAll({ where: { eventId: { [Op.in]: ids } }, transaction });
  return events
    .map((row) => {
      const own = servings.filter((serving) => serving.eventId === row.id);
      const times = own.map((serving) => Number(serving.atMs));
      return {
        id: row.id,
        name: row.name,
        place: row.place,
        timeZone: row.timeZone,
        firstServingMs: times.length ? Math.min(...times) : undefined,
        lastServingMs: times.length ? Math.max(...times) : undefined,
        guests: Math.max(0, ...own.map((serving) => serving.adults + serving.children)),
        cuts: batches.filter((batch) => batch.eventId === row.id).length,
      };
    })
    .sort((a, b) => (a.firstServingMs ?? 0) - (b.firstServingMs ?? 0) || (a.name < b.name ? -1 : 1));
}

export async function loadEvent(id: string, transaction?: Transaction): Promise<CookEvent | undefined> {
  const row = await EventRow.findOne({ where: { id, deletedAtMs: null }, transaction });
  if (!row) return undefined;
  const where = { eventId: id };
  const servings = await ServingRow.findAll({ where, ...inOrder, transaction });
  const batches = await BatchRow.findAll({ where, ...inOrder, transaction });
  const pieces = await PieceRow.findAll({ where, ...inOrder, transaction });
  const pits = await EventPitRow.findAll({ where, transaction });
  const boxes = await EventBoxRow.findAll({ where, transaction });
  return {
    id,
    name: row.name,
    place: row.place,
    timeZone: row.timeZone,
    altitudeM: row.altitudeM,
    confidence: row.confidence,
    revision: row.revision,
    servings: servings.map(servingFrom),
    batches: batches.map((batch) => batchFrom(batch, pieces)),
    pitIds: pits.map((pit) => pit.pitId).sort(),
    boxIds: boxes.map((box) => box.boxId).sort(),
  };
}

const servingFrom = (row: ServingRow): Serving => ({
  id: row.id,
  name: row.name,
  atMs: Number(row.atMs),
  serveForMin: row.serveForMin,
  carveLeadMin: row.carveLeadMin,
  guests: { adults: row.adults, children: row.children, heartyShare: row.heartyShare },
  buffet: row.buffet,
});

const batchFrom = (row: BatchRow, pieces: PieceRow[]): Batch => ({
  id: row.id,
  servingId: row.servingId,
  cutId: row.cutId,
  methodId: row.methodId,
  label: row.label,
  sizedBy: row.sizedBy,
  pieces: pieces.filter((piece) => piece.batchId === row.id).map((piece) => ({ id: piece.id, kg: piece.kg })),
});

/** Writes the whole event; what it no longer holds is gone. */
export async function saveEvent(event: CookEvent, nowMs: number, transaction: Transaction): Promise<void> {
  const { id, name, place, timeZone, altitudeM, confidence, revision } = event;
  const kept = await EventRow.findByPk(id, { transaction });
  const fields = { id, name, place, timeZone, altitudeM, confidence, revision, updatedAtMs: nowMs };
  if (kept) await kept.update(fields, { transaction });
  else await EventRow.create({ ...fields, createdAtMs: nowMs }, { transaction });

  // Batches and pieces go with their servings.
  await ServingRow.destroy({ where: { eventId: id }, transaction });
  await ServingRow.bulkCreate(
    event.servings.map((serving, position) => ({
      eventId: id,
      id: serving.id,
      position,
      name: serving.name,
      atMs: serving.atMs,
      serveForMin: serving.serveForMin,
      carveLeadMin: serving.carveLeadMin,
      ...serving.guests,
      buffet: serving.buffet,
    })),
    { transaction },
  );
  await BatchRow.bulkCreate(
    event.batches.map(({ pieces: _, ...batch }, position) => ({ eventId: id, position, ...batch })),
    { transaction },
  );
  await PieceRow.bulkCreate(
    event.batches.flatMap((batch) => batch.pieces.map((piece, position) => ({ eventId: id, batchId: batch.id, position, ...piece }))),
    { transaction },
  );
  await EventPitRow.destroy({ where: { eventId: id }, transaction });
  await EventPitRow.bulkCreate(
    event.pitIds.map((pitId) => ({ eventId: id, pitId })),
    { transaction },
  );
  await EventBoxRow.destroy({ where: { eventId: id }, transaction });
  await EventBoxRow.bulkCreate(
    event.boxIds.map((boxId) => ({ eventId: id, boxId })),
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
