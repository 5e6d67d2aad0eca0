import { Op, type Transaction } from 'sequelize';
import type { Batch, CookEvent, Grade, Piece, Serving } from '../../core/model';
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

/** What is kept as JSON beside the columns; read and written whole. */
type EventExtras = Pick<
  CookEvent,
  | 'kitchen'
  | 'currency'
  | 'loosened'
  | 'ticked'
  | 'baseline'
  | 'warmerIds'
  | 'probeIds'
  | 'duty'
  | 'venue'
  | 'weather'
  | 'manualPlacements'
  | 'pins'
  | 'scheme'
  | 'namedPlans'
>;
type ServingExtras = Pick<Serving, 'marginShare' | 'sides' | 'needs' | 'highlySusceptible' | 'travelMin' | 'setUpMin'>;
type BatchExtras = Pick<Batch, 'share' | 'second' | 'buying' | 'prep' | 'received' | 'leftover'> & {
  /** What of its pieces was measured beside weight and thickness. */
  measured?: Record<string, Pick<Piece, 'lengthMm' | 'widthMm' | 'startC'>>;
};

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
    ...(JSON.parse(row.extras) as EventExtras),
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
  ...(JSON.parse(row.extras) as ServingExtras),
});

function batchFrom(row: BatchRow, pieces: PieceRow[]): Batch {
  const { measured, ...extras } = JSON.parse(row.extras) as BatchExtras;
  return {
    id: row.id,
    servingId: row.servingId,
    cutId: row.cutId,
    methodId: row.methodId,
    label: row.label,
    sizedBy: row.sizedBy,
    ...extras,
    pieces: pieces.filter((piece) => piece.batchId === row.id).map((piece) => ({ ...pieceFrom(piece), ...measured?.[piece.id] })),
  };
}

const pieceFrom = ({ id, kg, boughtKg, trimmedKg, thicknessMm, grade }: PieceRow): Piece => ({
  id,
  kg,
  ...(boughtKg !== null && { boughtKg }),
  ...(trimmedKg !== null && { trimmedKg }),
  ...(thicknessMm !== null && { thicknessMm }),
  ...(grade !== null && { grade: grade as Grade }),
});

/** A weighed piece of any event that is not deleted, by its cut. */
export interface WeighedPiece {
  cutId: string;
  boughtKg: number;
  trimmedKg: number;
}

export async function listWeighedPieces(transaction?: Transaction): Promise<WeighedPiece[]> {
  const pieces = await PieceRow.findAll({
    where: { boughtKg: { [Op.ne]: null }, trimmedKg: { [Op.ne]: null } },
    order: [['id', 'ASC']],
    transaction,
  });
  const live = new Set((await EventRow.findAll({ where: { deletedAtMs: null }, attributes: ['id'], transaction })).map((row) => row.id));
  const batches = await BatchRow.findAll({ where: { id: [...new Set(pieces.map((piece) => piece.batchId))] }, transaction });
  return pieces.flatMap(({ eventId, batchId, boughtKg, trimmedKg }) => {
    const batch = batches.find((each) => each.eventId === eventId && each.id === batchId);
    return batch && live.has(eventId) ? [{ cutId: batch.cutId, boughtKg: boughtKg!, trimmedKg: trimmedKg! }] : [];
  });
}

/** Writes the whole event; what it no longer holds is gone. */
export async function saveEvent(event: CookEvent, nowMs: number, transaction: Transaction): Promise<void> {
  const { id, name, place, timeZone, altitudeM, confidence, revision } = event;
  const { kitchen, currency, loosened, ticked, baseline, warmerIds, probeIds, duty, venue, weather, manualPlacements } = event;
  const { pins, scheme, namedPlans } = event;
  const house = { kitchen, currency, loosened, ticked, baseline, warmerIds, probeIds, duty, venue, weather };
  const beside = { ...house, manualPlacements, pins, scheme, namedPlans } satisfies EventExtras;
  const extras = JSON.stringify(beside);
  const kept = await EventRow.findByPk(id, { transaction });
  const fields = { id, name, place, timeZone, altitudeM, confidence, revision, extras, updatedAtMs: nowMs };
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
      extras: servingExtras(serving),
    })),
    { transaction },
  );
  await BatchRow.bulkCreate(
    event.batches.map((batch, position) => ({ eventId: id, position, ...batchColumns(batch) })),
    { transaction },
  );
  await PieceRow.bulkCreate(
    event.batches.flatMap((batch) =>
      batch.pieces.map(({ id: pieceId, kg, boughtKg, trimmedKg, thicknessMm, grade }, position) => ({
        eventId: id,
        batchId: batch.id,
        position,
        id: pieceId,
        kg,
        boughtKg,
        trimmedKg,
        thicknessMm,
        grade,
      })),
    ),
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

const servingExtras = ({ marginShare, sides, needs, highlySusceptible, travelMin, setUpMin }: Serving): string =>
  JSON.stringify({ marginShare, sides, needs, highlySusceptible, travelMin, setUpMin } satisfies ServingExtras);

function batchColumns({ id, servingId, cutId, methodId, label, sizedBy, share, second, buying, prep, received, leftover, pieces }: Batch) {
  const measured = Object.fromEntries(
    pieces
      .filter((piece) => piece.lengthMm !== undefined || piece.widthMm !== undefined || piece.startC !== undefined)
      .map(({ id: pieceId, lengthMm, widthMm, startC }) => [pieceId, { lengthMm, widthMm, startC }]),
  );
  const beside = { share, second, buying, prep, received, leftover } satisfies BatchExtras;
  const extras = JSON.stringify({ ...beside, ...(Object.keys(measured).length > 0 && { measured }) } satisfies BatchExtras);
  return { id, servingId, cutId, methodId, label, sizedBy, extras };
}

/** Marks an event as deleted (or not): it can be brought back. Tells whether there was one. */
export async function markEventDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await EventRow.update(
    { deletedAtMs },
    { where: { id, deletedAtMs: deletedAtMs === null ? { [Op.ne]: null } : null }, transaction },
  );
  return count > 0;
}
