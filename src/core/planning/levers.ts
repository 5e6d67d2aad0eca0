import { loosely, type Batch, type CookEvent, type CoolingWay, type Override, type Piece, type Scheme, type Serving } from '../model';
import { addMinutes } from '../units';

/** Something the owner could change, or two such things of which neither is enough. */
export type Lever = OneLever | { code: 'both'; first: OneLever; then: OneLever };

export type OneLever =
  | { code: 'hotter' | 'tighterWrap'; batchId: string; methodId: string }
  | { code: 'hotterInBand'; batchId: string; pitC: number }
  | { code: 'finishElsewhere'; batchId: string; pitId: string; pitC: number }
  | { code: 'otherPit'; batchId: string; pitId: string }
  | { code: 'split'; batchId: string; parts: number }
  | { code: 'earlier'; batchId: string; minutes: number }
  | { code: 'longerHold'; batchId: string; minutes: number }
  | { code: 'lighterPieces'; batchId: string; pieces: number }
  | { code: 'fewerPieces'; batchId: string; pieces: number }
  | { code: 'otherCut'; batchId: string; cutId: string; methodId: string; pieces: number; pieceKg: number }
  | { code: 'sparePit'; pitId: string }
  | { code: 'hirePits'; pitId: string; count: number }
  | { code: 'moreHolding'; gearId: string; kind: 'box' | 'warmer' }
  | { code: 'hireBoxes'; count: number }
  | { code: 'warmerAt'; gearId: string; setC: number }
  | { code: 'moreCrew'; memberId: string; fromMs: number; toMs: number }
  | { code: 'hireHand'; fromMs: number; toMs: number }
  | { code: 'moveServing'; servingId: string; byMin: number }
  | { code: 'splitServing'; servingId: string; laterMin: number }
  | { code: 'fewerGuests'; servingId: string; guests: number }
  | {
      code: 'cookDayBefore';
      batchId: string;
      name: string;
      cookedKg: number;
      portionThicknessMm: number;
      way: CoolingWay;
      reheatBy: { cutId: string; methodId: string; panKg: number };
      /** Shares of the plate of the other meats at that table, which stay as they are. */
      shares: Record<string, number>;
    };

const NO_SCHEME: Scheme = Object.freeze({ order: [], overrides: {}, seed: 1, iterations: 0 });
const hundredths = (kg: number) => Math.round(kg * 100) / 100;

/** An id like another that nothing has yet. */
function freshId(like: string, taken: Iterable<string>): string {
  const known = new Set(taken);
  for (let k = 1; ; k++) if (!known.has(`${like}-${k}`)) return `${like}-${k}`;
}

const headsOf = ({ guests }: Serving) => guests.adults + guests.children;

/** An event with a lever pulled. */
export function pullLever(event: CookEvent, lever: Lever): CookEvent {
  const withBatch = (batchId: string, change: (batch: Batch) => Batch): CookEvent => ({
    ...event,
    batches: event.batches.map((batch) => (batch.id === batchId ? change(batch) : batch)),
  });
  const withChoice = (batchId: string, change: Override): CookEvent => {
    const scheme = event.scheme ?? NO_SCHEME;
    return {
      ...event,
      pins: event.pins?.filter((pin) => pin.batchId !== batchId),
      scheme: { ...scheme, overrides: { ...scheme.overrides, [batchId]: { ...loosely(scheme.overrides[batchId]), ...change } } },
    };
  };
  switch (lever.code) {
    case 'both':
      return pullLever(pullLever(event, lever.first), lever.then);
    case 'hotter':
    case 'tighterWrap':
      // Another method wants another heat: a pin holds when and where, no longer how hot.
      return {
        ...withBatch(lever.batchId, (batch) => ({ ...batch, methodId: lever.methodId })),
        pins: event.pins?.map((pin) => (pin.batchId === lever.batchId ? { ...pin, pitC: undefined, finish: undefined } : pin)),
      };
    case 'hotterInBand':
      return withChoice(lever.batchId, { pitC: lever.pitC });
    case 'finishElsewhere':
      return withChoice(lever.batchId, { finish: { pitId: lever.pitId, pitC: lever.pitC } });
    case 'otherPit':
      return withChoice(lever.batchId, { pitId: lever.pitId });
    case 'split':
      return withChoice(lever.batchId, { parts: lever.parts });
    case 'earlier':
      return withChoice(lever.batchId, { earlierMin: (event.scheme?.overrides[lever.batchId]?.earlierMin ?? 0) + lever.minutes });
    case 'longerHold':
      return withBatch(lever.batchId, (batch) => ({ ...batch, holdMaxMin: lever.minutes }));
    case 'lighterPieces':
      return withBatch(lever.batchId, (batch) => ({
        ...batch,
        sizedBy: 'hand',
        pieces: batch.pieces.flatMap(({ id, kg, grade, startC }) =>
          ['a', 'b'].map((half) => ({
            id: `${id}${half}`,
            kg: hundredths(kg / 2),
            ...(grade && { grade }),
            ...(startC !== undefined && { startC }),
          })),
        ),
      }));
    case 'fewerPieces':
      return withoutPiecesGone(event, {
        ...withBatch(lever.batchId, (batch) => ({ ...batch, sizedBy: 'hand', pieces: batch.pieces.slice(0, lever.pieces) })),
      });
    case 'otherCut':
      return {
        ...withBatch(lever.batchId, (batch) => otherCut(batch, lever)),
        pins: event.pins?.filter((pin) => pin.batchId !== lever.batchId),
        manualPlacements: event.manualPlacements?.filter((each) => each.batchId !== lever.batchId),
      };
    case 'sparePit':
      return { ...event, pitIds: [...event.pitIds, lever.pitId] };
    case 'hirePits':
      return hirePits(event, lever);
    case 'moreHolding':
      return lever.kind === 'box'
        ? { ...event, boxIds: [...event.boxIds, lever.gearId] }
        : { ...event, warmerIds: [...(event.warmerIds ?? []), lever.gearId] };
    case 'hireBoxes':
      return hireBoxes(event, lever.count);
    case 'warmerAt': {
      const { gearId, setC } = lever;
      return { ...event, holdSetPoints: [...(event.holdSetPoints ?? []).filter((each) => each.gearId !== gearId), { gearId, setC }] };
    }
    case 'moreCrew':
      return { ...event, duty: [...(event.duty ?? []), { memberId: lever.memberId, fromMs: lever.fromMs, toMs: lever.toMs }] };
    case 'hireHand':
      return hireHand(event, lever);
    case 'moveServing':
      return {
        ...event,
        servings: event.servings.map((serving) =>
          serving.id === lever.servingId ? { ...serving, atMs: addMinutes(serving.atMs, lever.byMin) } : serving,
        ),
      };
    case 'splitServing':
      return splitServing(event, lever);
    case 'fewerGuests':
      return fewerGuests(event, lever);
    case 'cookDayBefore':
      return cookDayBefore(event, lever);
  }
}

/** The same meat for the same table as another cut: what was weighed, bought or seasoned of the old one goes. */
function otherCut({ id, servingId, share, second }: Batch, lever: Extract<Lever, { code: 'otherCut' }>): Batch {
  const pieces = Array.from({ length: lever.pieces }, (_, k): Piece => ({ id: `${id}-${lever.cutId}-${k + 1}`, kg: lever.pieceKg }));
  return {
    id,
    servingId,
    cutId: lever.cutId,
    methodId: lever.methodId,
    label: '',
    sizedBy: 'guests',
    pieces,
    ...(share !== undefined && { share }),
    ...(second && { second }),
  };
}

/** Pits like one there is; they stand where that one stands. */
function hirePits(event: CookEvent, { pitId, count }: Extract<Lever, { code: 'hirePits' }>): CookEvent {
  const had = event.hired?.pits ?? [];
  const like = had.find((each) => each.id === pitId)?.like ?? pitId;
  const ids: string[] = [];
  for (let k = 0; k < count; k++) ids.push(freshId(`${like}-hired`, [...had.map((each) => each.id), ...event.pitIds, ...ids]));
  const stands = event.standing?.find((each) => each.kind === 'pit' && each.thingId === like);
  return {
    ...event,
    pitIds: [...event.pitIds, ...ids],
    hired: { ...event.hired, pits: [...had, ...ids.map((id) => ({ id, like }))] },
    ...(stands && { standing: [...event.standing!, ...ids.map((thingId) => ({ ...stands, thingId }))] }),
  };
}

/** An insulated box as caterers hire them out. */
export const HIRED_BOX = Object.freeze({ name: 'Insulated box, hired', litres: 110, lossWPerK: 0.7, travels: true });

function hireBoxes(event: CookEvent, count: number): CookEvent {
  const boxes = [...(event.hired?.boxes ?? [])];
  const had = boxes.length;
  for (let k = 0; k < count; k++) {
    const id = freshId('box-hired', [...event.boxIds, ...boxes.map((box) => box.id)]);
    boxes.push({ ...HIRED_BOX, id, name: `${HIRED_BOX.name}${boxes.length > 0 ? ` ${boxes.length + 1}` : ''}`, hired: true });
  }
  return { ...event, boxIds: [...event.boxIds, ...boxes.slice(had).map((box) => box.id)], hired: { ...event.hired, boxes } };
}

function hireHand(event: CookEvent, { fromMs, toMs }: Extract<Lever, { code: 'hireHand' }>): CookEvent {
  const hands = event.hired?.hands ?? [];
  const id = freshId('hand', [...hands.map((each) => each.id), ...(event.duty ?? []).map((shift) => shift.memberId)]);
  return {
    ...event,
    hired: { ...event.hired, hands: [...hands, { id, name: `Hired hand${hands.length > 0 ? ` ${hands.length + 1}` : ''}` }] },
    duty: [...(event.duty ?? []), { memberId: id, fromMs, toMs }],
  };
}

/** So many of some things as a share of them is, no fewer than one. */
const shareOf = <T>(list: readonly T[], share: number): T[] => list.slice(0, Math.max(1, Math.ceil(list.length * share - 1e-9)));

/** Guests and meat of one serving, less by the same share. */
function fewerGuests(event: CookEvent, { servingId, guests }: Extract<Lever, { code: 'fewerGuests' }>): CookEvent {
  const serving = event.servings.find((each) => each.id === servingId)!;
  const share = guests / Math.max(1, headsOf(serving));
  const children = Math.min(guests, Math.round(serving.guests.children * share));
  const fewer = { ...serving.guests, children, adults: guests - children };
  return withoutPiecesGone(event, {
    ...event,
    servings: event.servings.map((each) => (each === serving ? { ...each, guests: fewer } : each)),
    batches: event.batches.map((batch) => (batch.servingId === servingId ? { ...batch, pieces: shareOf(batch.pieces, share) } : batch)),
  });
}

const DAY_MIN = 24 * 60;
const FRIDGE_C = 4;

/**
 * Cooked for the same hour of the day before, portioned and chilled, and heated up in pans for its table. What is chilled is a leftover
 * with its cooling; the pans are a dish of their own, which is reheated to its core.
 */
function cookDayBefore(event: CookEvent, lever: Extract<Lever, { code: 'cookDayBefore' }>): CookEvent {
  const { batchId, cookedKg, reheatBy, shares } = lever;
  const batch = event.batches.find((each) => each.id === batchId)!;
  const serving = event.servings.find((each) => each.id === batch.servingId)!;
  const ahead: Serving = {
    id: freshId(
      `${serving.id}-ahead`,
      event.servings.map((each) => each.id),
    ),
    name: `${lever.name}, cooked ahead`.slice(0, 60),
    atMs: addMinutes(serving.atMs, -DAY_MIN),
    serveForMin: 30,
    carveLeadMin: 0,
    guests: { adults: 0, children: 0, heartyShare: 0 },
    buffet: false,
  };
  const pans = Math.max(1, Math.ceil(cookedKg / reheatBy.panKg - 1e-9));
  const reheated: Batch = {
    id: freshId(
      `${batchId}-reheated`,
      event.batches.map((each) => each.id),
    ),
    servingId: serving.id,
    cutId: reheatBy.cutId,
    methodId: reheatBy.methodId,
    label: `${lever.name}, reheated`.slice(0, 40),
    sizedBy: 'hand',
    pieces: Array.from({ length: pans }, (_, k): Piece => ({
      id: `${batchId}-pan-${k + 1}`,
      kg: hundredths(cookedKg / pans),
      startC: FRIDGE_C,
    })),
    reheats: batchId,
  };
  const { second: _, share: __, ...own } = batch;
  const leftover = { kg: hundredths(cookedKg), portionThicknessMm: lever.portionThicknessMm, way: lever.way };
  const menu = event.batches.flatMap((each): Batch[] => {
    if (each === batch) return [{ ...own, servingId: ahead.id, sizedBy: 'hand', leftover }, reheated];
    return [each.share === undefined && shares[each.id] !== undefined ? { ...each, share: shares[each.id]! } : each];
  });
  return { ...event, servings: [ahead, ...event.servings], batches: menu, pins: event.pins?.filter((pin) => pin.batchId !== batchId) };
}

/** Half of the guests eat later, of half of every batch that has more than one piece. */
function splitServing(event: CookEvent, { servingId, laterMin }: Extract<Lever, { code: 'splitServing' }>): CookEvent {
  const serving = event.servings.find((each) => each.id === servingId)!;
  const laterId = freshId(
    `${servingId}-later`,
    event.servings.map((each) => each.id),
  );
  const half = ({ adults, children }: Serving['guests']) => ({ adults: Math.floor(adults / 2), children: Math.floor(children / 2) });
  const second = half(serving.guests);
  const first = { adults: serving.guests.adults - second.adults, children: serving.guests.children - second.children };
  const later: Serving = {
    ...serving,
    id: laterId,
    name: `${serving.name}, second sitting`,
    atMs: addMinutes(serving.atMs, laterMin),
    guests: { ...serving.guests, ...second },
    // Who may not eat something is told once, where they are known to sit.
    needs: undefined,
  };
  const batches = event.batches.flatMap((batch): Batch[] => {
    if (batch.servingId !== servingId || batch.pieces.length < 2) return [batch];
    const stays = Math.ceil(batch.pieces.length / 2);
    const { leftover: _, received: __, ...rest } = batch;
    const id = freshId(
      `${batch.id}-later`,
      event.batches.map((each) => each.id),
    );
    return [
      { ...batch, pieces: batch.pieces.slice(0, stays) },
      { ...rest, id, servingId: laterId, pieces: batch.pieces.slice(stays) },
    ];
  });
  return withoutPiecesGone(event, {
    ...event,
    servings: event.servings.flatMap((each) => (each === serving ? [{ ...each, guests: { ...each.guests, ...first } }, later] : [each])),
    batches,
  });
}

/** Pins and places by hand of pieces that are no longer there fall away. */
function withoutPiecesGone(before: CookEvent, event: CookEvent): CookEvent {
  const isThere = (batchId: string, pieceId: string) =>
    event.batches.some((batch) => batch.id === batchId && batch.pieces.some((piece) => piece.id === pieceId));
  const pins = before.pins?.flatMap((pin) => {
    const pieceIds = pin.pieceIds?.filter((id) => isThere(pin.batchId, id));
    if (pieceIds?.length === 0) return [];
    const places = pin.places?.filter((place) => isThere(pin.batchId, place.pieceId));
    return [{ ...pin, ...(pieceIds && { pieceIds }), ...(places && { places }) }];
  });
  return {
    ...event,
    ...(pins && { pins }),
    ...(event.manualPlacements && { manualPlacements: event.manualPlacements.filter((each) => isThere(each.batchId, each.pieceId)) }),
  };
}
