import type { Pin, Place, Work } from '../model';
import { claimedMm2, hotSideOf, thickEndOf } from '../packing';
import { addMinutes } from '../units';
import { isPoultry, type Leg, type Pit } from '../model';
import type { Claims } from './trial';
import { atMinute, claimHold, holdingFor, placeOf, type Holding } from './holding';
import { lay, legsOf } from './packRun';
import { runOf } from './run';
import { alternativesFor, type Alternative } from './alternatives';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Placed } from './placeBatch';
import { footprintOf, type Footprint } from './rackLedger';
import { doneMinAt, timingFrom } from './timing';
import { carvings, firstCarveMs, crewTasksOf, phasesOf, windowFrom, type Timing, type Window } from './window';
import { claimCarving, claimCrew, pitIdAt } from './work';

/**
 * Puts pieces where their owner wants them, whatever that breaks: the others are placed around them, and the
 * checker says what is wrong.
 */
export function forcePlace(order: BatchOrder, context: PlacementContext, pin: Pin): Placed {
  const { batch, cut } = order;
  const pieces = batch.pieces.map((piece) => footprintOf(cut, batch.id, piece)).sort((a, b) => b.kg - a.kg);
  const pit = context.pits.find((each) => each.id === pin.pitId)!;
  const options = alternativesFor(order, [pit], context, { pitId: pin.pitId, pitC: pin.pitC, finish: pin.finish }, true);
  let alternative =
    options.find(({ stand }) => stand.fromMs <= pin.onAtMs && stand.toMs > pin.onAtMs) ??
    options[0] ??
    plainOption(order, context, pit, pin.pitC);
  const forecast = alternative.forecast();
  const carveAtMs = addMinutes(firstCarveMs(order), pin.carveLaterMin ?? 0);
  const windowAt = (timing: Timing): Window => {
    const window = windowFrom(order, alternative, timing, carveAtMs, pin.onAtMs);
    if (window) return window;
    // Done before it could go to its finish: it stays where it is.
    alternative = { ...alternative, finish: undefined };
    return windowFrom(order, alternative, timing, carveAtMs, pin.onAtMs)!;
  };

  // Where it lies changes when it is done, and that how long it lies there.
  let timing: Timing = forecast;
  let window = windowAt(timing);
  let { legs, doneMin } = layAnyhow(order, context, alternative, window, pieces);
  timing = timingFrom(alternative, doneMin) ?? timing;
  window = windowAt(timing);
  ({ legs, doneMin } = layAnyhow(order, context, alternative, window, pieces));

  const ids = pieces.map((piece) => piece.pieceId);
  const work = [...crewAnyhow(context, alternative, window, pieces), ...carvingAnyhow(order, context, ids, carveAtMs)];
  window = { ...window, wrapAtMs: work.find((each) => each.kind === 'wrap')?.atMs ?? window.wrapAtMs };
  const kg = pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const hold = holdAnyhow(order, context, alternative, window, kg, pieces.length);
  const claims: Claims = {
    racks: legs.map((leg) => ({ ...leg, poultry: isPoultry(cut), batchId: batch.id })),
    heat: phasesOf(order, alternative, window, 0),
    holds: hold.uses,
  };
  for (const use of claims.racks) context.racks.add(use);
  for (const use of claims.heat) context.heat.add(use);
  const run = runOf(order, context, alternative, { window, timing, doneMin, legs, kg, ids, hold, work });
  return {
    runs: [{ ...run, pinned: true, why: [{ code: 'pinned', onAtMs: pin.onAtMs }, ...run.why] }],
    claims: [claims],
    left: [],
    problems: [],
  };
}

/** Heat or smoke are wrong there, but there the owner wants it. */
function plainOption(order: BatchOrder, context: PlacementContext, pit: Pit, pitC: number | undefined): Alternative {
  const method = { ...order.method, pitRangeC: pit.rangeC, finishRangeC: pit.rangeC, needsSmoke: false };
  const [alternative] = alternativesFor(
    { ...order, method },
    [pit],
    { ...context, limits: { ...context.limits, bareMeatPit: 0 } },
    { pitC },
    true,
  );
  return alternative!;
}

/** Places for all pieces from going on to being pulled, and when each is then done. */
function layAnyhow(order: BatchOrder, context: PlacementContext, alternative: Alternative, window: Window, pieces: Footprint[]) {
  const { pit, finish } = alternative;
  const elsewhere = finish && finish.pit !== pit ? finish.pit : undefined;
  const leavesMs = elsewhere ? window.finishAtMs! : window.pullLateMs;
  const first = pileUp(order, context, pit, pieces, window.onAtMs, leavesMs);
  return {
    legs: [...first, ...(elsewhere ? pileUp(order, context, elsewhere, pieces, leavesMs, window.pullLateMs) : [])],
    doneMin: doneMinAt(
      order,
      context,
      alternative,
      first.flatMap((leg) => leg.places),
    ),
  };
}

/** Legs in one pit for all pieces; what finds no place lies one upon another. */
function pileUp(order: BatchOrder, context: PlacementContext, pit: Pit, pieces: Footprint[], fromMs: number, toMs: number): Leg[] {
  const manualPlacements = lay(context.racks, pit, order.cut, pieces, fromMs, toMs);
  const legs = legsOf(pit, manualPlacements.byRack, new Set(manualPlacements.taken.map((piece) => piece.pieceId)), fromMs, toMs);
  const left = pieces.filter((piece) => !manualPlacements.taken.includes(piece));
  if (left.length === 0) return legs;
  // In the corner of the lowest rack: it shows, and it is said.
  const rack = pit.racks.reduce((lowest, next) => (next.level < lowest.level ? next : lowest));
  const places = left.map((piece): Place => {
    const size = { widthMm: piece.lengthMm, depthMm: piece.widthMm };
    return { pieceId: piece.pieceId, xMm: 0, yMm: 0, ...size, turned: false, thickEnd: thickEndOf(size, hotSideOf(rack)), offsetC: 0 };
  });
  legs.push({
    pitId: pit.id,
    rackId: rack.id,
    pieceIds: left.map((piece) => piece.pieceId),
    places,
    fromMs,
    toMs,
    areaMm2: left.reduce((sum, piece) => sum + claimedMm2(piece), 0),
    kg: left.reduce((sum, piece) => sum + piece.kg, 0),
  });
  return legs;
}

/** Whoever is free; a task that nobody is free for names nobody. */
function crewAnyhow(context: PlacementContext, { pit, stand, finish }: Alternative, window: Window, pieces: Footprint[]): Work[] {
  const moves = finish !== undefined && finish.pit !== pit;
  const pieceIds = pieces.map((piece) => piece.pieceId);
  const { placeId } = stand;
  const claimed = claimCrew(context, placeId, window, pieces, moves);
  const work =
    'work' in claimed
      ? claimed.work
      : crewTasksOf(
          window,
          pieces.map((piece) => piece.kg),
          moves,
          context,
        ).map(({ kind, task }): Work => {
          const alone = context.crewLedger.claimAll([{ ...task, laterMin: 0 }], placeId);
          return { kind, atMs: task.atMs, minutes: task.minutes, placeId, pieceIds, who: 'done' in alone ? alone.done[0]!.who : [] };
        });
  return work.map((each) => ({ ...each, pieceIds, pitId: pitIdAt(each.kind, pit, finish?.pit) }));
}

function carvingAnyhow(order: BatchOrder, context: PlacementContext, pieceIds: string[], carveAtMs: number): Work[] {
  const before = context.crewLedger.snapshot();
  const claimed = claimCarving(order, context, pieceIds, carveAtMs);
  if ('work' in claimed) return claimed.work;
  context.crewLedger.rollBack(before);
  const placeId = context.whereabouts.placeOfServing(order.serving.id);
  return carvings(order.cut, pieceIds, order.batch.pieces).map((part) => ({
    kind: 'carve',
    atMs: carveAtMs,
    minutes: part.minutes,
    placeId,
    pieceIds: part.pieceIds,
    who: context.crewLedger.claim(carveAtMs, part.minutes, placeId) ?? [],
  }));
}

function holdAnyhow(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  window: Window,
  kg: number,
  pieces: number,
): Holding {
  const kept = holdingFor(order, context, alternative, window, pieces, true);
  const held = 'refusal' in kept ? kept : claimHold(context, kept, kg, window);
  if (!('refusal' in held)) return held;
  const { pullEarlyMs, carveAtMs } = window;
  const coreAt = (gear?: (typeof context.gear)[number]) => {
    const { coreC } = alternative.forecast().keeps(placeOf(gear), pieces);
    return (minute: number) => atMinute(coreC, minute);
  };
  if (context.gear.length === 0 || carveAtMs <= pullEarlyMs) return { uses: [], coreAt: coreAt() };
  const claim = context.holds.claim(context.gear, kg, pullEarlyMs, carveAtMs);
  const gear = 'use' in claim ? context.gear.find((each) => each.id === claim.use.gearId)! : claim.gear;
  const use = 'use' in claim ? claim.use : { gearId: gear.id, amount: 0, fromMs: pullEarlyMs, toMs: carveAtMs };
  if (!('use' in claim)) context.holds.add(use);
  return { gear, uses: [use], coreAt: coreAt(gear) };
}
