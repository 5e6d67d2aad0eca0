import type { Choice, Pin, Place, Work } from '../model';
import { claimedMm2, hotSideOf, thickEndOf } from '../packing';
import { MS_PER_MIN } from '../units';
import { isPoultry, type Leg, type Pit } from '../model';
import type { Claims } from './attempt';
import { placeOf, type Holding } from './holding';
import { lay, legsOf } from './lay';
import { runOf } from './run';
import { shapeKey } from './batchForecast';
import { optionsFor, type Option } from './options';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Placed } from './placeBatch';
import { footprintOf, type Footprint } from './rackLedger';
import { carvings, firstCarveMs, handsOf, phasesOf, windowFrom } from './window';

/**
 * Puts a batch where its owner wants it, whatever that breaks: the others are placed around it, and the
 * checker says what is wrong with it.
 */
export function forcePlace(order: BatchOrder, context: PlacementContext, pin: Pin, choice: Choice = {}): Placed {
  const { batch, cut, serving } = order;
  const pieces = batch.pieces
    .map((piece) => footprintOf(cut, batch.id, piece))
    .sort((a, b) => b.kg - a.kg || (a.pieceId < b.pieceId ? -1 : 1));
  const pit = context.pits.find((each) => each.id === pin.pitId)!;
  const wished: Choice = { ...choice, pitId: pin.pitId, pitC: pin.pitC ?? choice.pitC };
  const option = optionsFor(order, [pit], context, wished)[0] ?? plainOption(order, context, pit, pin.pitC);
  const forecast = option.forecast();
  const usable = windowFrom(order, option, forecast, firstCarveMs(order), pin.onAtMs) ? option : { ...option, finish: undefined };
  const window = windowFrom(order, usable, forecast, firstCarveMs(order), pin.onAtMs)!;
  const finish = usable.finish;
  const elsewhere = finish && finish.pit !== pit ? finish.pit : undefined;
  const leavesMs = elsewhere ? window.finishAtMs! : window.pullLateMs;

  const legs = [
    ...layAnyhow(order, context, pit, pieces, window.onAtMs, leavesMs),
    ...(elsewhere ? layAnyhow(order, context, elsewhere, pieces, leavesMs, window.pullLateMs) : []),
  ];
  const ids = pieces.map((piece) => piece.pieceId);
  const work: Work[] = [
    ...handsOf(window, pieces.length, Boolean(elsewhere)).map(({ kind, task }): Work => {
      const claimed = context.hands.claimAll([{ ...task, laterMin: 0 }]);
      const atPitId = elsewhere && kind !== 'load' && kind !== 'wrap' ? elsewhere.id : pit.id;
      return {
        kind,
        atMs: task.atMs,
        minutes: task.minutes,
        pitId: atPitId,
        pieceIds: ids,
        who: 'done' in claimed ? claimed.done[0]!.who : [],
      };
    }),
    ...carvings(cut, ids).map((part): Work => {
      const laterMin = Math.floor((serving.atMs - window.carveAtMs) / MS_PER_MIN + serving.serveForMin);
      const claimed = context.hands.claimAll([{ atMs: window.carveAtMs, minutes: part.minutes, laterMin }]);
      const done = 'done' in claimed ? claimed.done[0]! : { atMs: window.carveAtMs, who: [] };
      return { kind: 'carve', minutes: part.minutes, pieceIds: part.pieceIds, ...done };
    }),
  ];
  const kg = pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const hold = holdAnyhow(context, usable, window.pullEarlyMs, window.carveAtMs, kg, pieces.length);
  const phases = phasesOf(order, usable, window, 0);
  const claims: Claims = {
    racks: legs.map((leg) => ({ ...leg, poultry: isPoultry(cut), batchId: batch.id })),
    heat: phases,
    hold: hold.use,
  };
  for (const use of claims.racks) context.racks.add(use);
  for (const use of claims.heat) context.heat.add(use);
  const doneMin = new Map(batch.pieces.map((piece) => [piece.id, forecast.doneMin[shapeKey(piece)] ?? forecast.pullMedianMin]));
  const run = runOf(order, context, usable, { window, timing: forecast, doneMin, legs, kg, ids, hold, work });
  return {
    runs: [{ ...run, pinned: true, why: [{ code: 'pinned', onAtMs: pin.onAtMs }, ...run.why] }],
    claims: [claims],
    left: [],
    problems: [],
  };
}

/** Heat or smoke are wrong there, but there the owner wants it. */
function plainOption(order: BatchOrder, context: PlacementContext, pit: Pit, pitC: number | undefined): Option {
  const method = { ...order.method, pitRangeC: pit.rangeC, finishRangeC: pit.rangeC, needsSmoke: false };
  const [option] = optionsFor({ ...order, method }, [pit], { ...context, limits: { ...context.limits, bareMeatPit: 0 } }, { pitC });
  return option!;
}

function layAnyhow(order: BatchOrder, context: PlacementContext, pit: Pit, pieces: Footprint[], fromMs: number, toMs: number): Leg[] {
  const laid = lay(context.racks, pit, order.cut, pieces, fromMs, toMs);
  const legs = legsOf(pit, laid.byRack, new Set(laid.taken.map((piece) => piece.pieceId)), fromMs, toMs);
  const left = pieces.filter((piece) => !laid.taken.includes(piece));
  if (left.length === 0) return legs;
  // One upon another, in the corner of the lowest rack: it shows, and it is said.
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

function holdAnyhow(
  context: PlacementContext,
  option: Option,
  pullEarlyMs: number,
  carveAtMs: number,
  kg: number,
  pieces: number,
): Holding {
  const coreC = (gear?: (typeof context.gear)[number]) => option.forecast().keeps(placeOf(gear), pieces).coreC;
  if (context.gear.length === 0 || carveAtMs <= pullEarlyMs) return { coreC: coreC() };
  const claim = context.holds.claim(context.gear, kg, pullEarlyMs, carveAtMs);
  if ('use' in claim) {
    const gear = context.gear.find((each) => each.id === claim.use.gearId)!;
    return { gear, use: claim.use, coreC: coreC(gear) };
  }
  const use = { gearId: claim.gear.id, amount: 0, fromMs: pullEarlyMs, toMs: carveAtMs };
  context.holds.add(use);
  return { gear: claim.gear, use, coreC: coreC(claim.gear) };
}
