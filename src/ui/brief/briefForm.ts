import { cutIn, methodsFor, type Batch, type CookEvent, type Library } from '../../core/model';
import { needFor, type Need } from '../../core/quantities';
import type { BatchInput, BriefInput, ServingInput } from '../../doors';
import { localDate, localTime } from '../../formats/clock';

/** An event as the brief's form holds it: clock times of the place, menus inside their servings. */
export function briefOf(event: CookEvent): BriefInput {
  const { id, name, place, timeZone, altitudeM, confidence, revision } = event;
  return {
    eventId: id,
    revision,
    name,
    place,
    timeZone,
    altitudeM,
    confidence,
    servings: event.servings.map((serving) => ({
      id: serving.id,
      name: serving.name,
      date: localDate(serving.atMs, timeZone),
      time: localTime(serving.atMs, timeZone),
      serveForMin: serving.serveForMin,
      carveLeadMin: serving.carveLeadMin,
      ...serving.guests,
      buffet: serving.buffet,
      batches: event.batches.filter((batch) => batch.servingId === serving.id).map(batchInput),
    })),
  };
}

const batchInput = ({ id, cutId, methodId, label, sizedBy, pieces }: Batch): BatchInput => ({
  id,
  cutId,
  methodId,
  label,
  sizedBy,
  pieces: pieces.map((piece) => ({ ...piece })),
});

/** What the guests of a serving need of one batch; undefined while figures are missing. */
export function needOf(library: Library, serving: ServingInput, batch: BatchInput): Need | undefined {
  const cut = cutIn(library, batch.cutId);
  const { adults, children, heartyShare, buffet } = serving;
  if (!cut || ![adults, children, heartyShare].every((figure) => Number.isFinite(figure) && figure >= 0)) return undefined;
  const meats = serving.batches.filter((each) => cutIn(library, each.cutId)?.species !== 'dish').length;
  return needFor({
    cut,
    guests: { adults, children, heartyShare },
    buffet,
    meats,
    meal: Number(serving.time.slice(0, 2)) < 15 ? 'lunch' : 'supper',
  });
}

/** Short ids for what is added on the page. */
const freshId = (): string => crypto.randomUUID().slice(0, 13);

const piecesFor = (need: Need) => Array.from({ length: Math.max(1, need.pieces) }, () => ({ id: freshId(), kg: need.pieceKg }));

/** Brings every batch that follows the guests up to date; returns the same array when nothing changes. */
export function sizeByGuests(library: Library, serving: ServingInput): BatchInput[] {
  let changed = false;
  const batches = serving.batches.map((batch) => {
    if (batch.sizedBy !== 'guests') return batch;
    const need = needOf(library, serving, batch);
    if (!need) return batch;
    const count = Math.max(1, need.pieces);
    if (batch.pieces.length === count && batch.pieces.every((piece) => piece.kg === need.pieceKg)) return batch;
    changed = true;
    const kept = batch.pieces.slice(0, count).map((piece) => ({ ...piece, kg: need.pieceKg }));
    return { ...batch, pieces: [...kept, ...piecesFor({ ...need, pieces: count - kept.length }).slice(0, count - kept.length)] };
  });
  return changed ? batches : serving.batches;
}

export function newBatch(library: Library, cutId: string): BatchInput {
  const cut = cutIn(library, cutId)!;
  return { id: freshId(), cutId, methodId: methodsFor(library, cut)[0]!.id, label: '', sizedBy: 'guests', pieces: [] };
}

export function newServing(after: ServingInput | undefined): ServingInput {
  const serving = after ?? {
    date: '',
    time: '18:00',
    serveForMin: 45,
    carveLeadMin: 30,
    adults: 20,
    children: 0,
    heartyShare: 0,
    buffet: true,
  };
  return { ...serving, id: freshId(), name: 'Serving', batches: [] };
}

/** How far what is on the menu lies from what the guests need, as a share of the need. */
export function overShare(need: Need, batch: BatchInput): number {
  const kg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  return need.rawKg > 0 ? kg / need.rawKg - 1 : 0;
}
