import { chanceWithin } from '../forecast';
import { isPoultry, type Cut, type Leg, type Method, type Pit, type Place, type Rack, type Reason, type Run } from '../model';
import { claimedMm2 } from '../packing';
import { addMinutes, MS_PER_MIN } from '../units';
import { heatUses } from './heatLedger';
import { servedRare, strictClock, type Option } from './options';
import { offsetFactor, shapeKey } from './batchForecast';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Filled, Footprint, RackLedger, RackRefusal } from './rackLedger';

/** A tent keeps meat for this long after its rest; beyond it a box is wanted. */
const TENT_HOLD_MIN = 60;

const offPitMin = (method: Method) => method.ventMin + method.restMin;

type HoldKind = 'tent' | 'box' | 'warmer';

/** The longest a piece may wait between vent and rest and carving: the method, the cut, and the heat it keeps. */
function holdLimitMin({ cut, method }: BatchOrder, { forecast }: Option, where: HoldKind): number {
  const aboveMin = { tent: forecast.tentAboveMin, box: forecast.boxAboveMin, warmer: forecast.warmerAboveMin }[where];
  const keepsMin = aboveMin - offPitMin(method);
  const mushMin = where === 'warmer' ? forecast.warmerMushMin : forecast.mushMin;
  const usual = where === 'tent' ? TENT_HOLD_MIN : Math.min(method.holdMaxMin, cut.holdMaxMin, mushMin - offPitMin(method));
  // A roast served rare is below the hot-holding floor by choice: the hold is kept short and the plan says so.
  return servedRare(cut) ? Math.min(usual, TENT_HOLD_MIN) : Math.min(usual, keepsMin);
}

/** How many minutes earlier than the latest start the hold could still take. */
export function slackMin(order: BatchOrder, option: Option, hasWarmer: boolean): number {
  const spread = option.forecast.pullLateMin - option.forecast.pullEarlyMin;
  return Math.max(holdLimitMin(order, option, 'box'), hasWarmer ? holdLimitMin(order, option, 'warmer') : 0) - spread;
}

interface Window {
  carveAtMs: number;
  onAtMs: number;
  moveAtMs?: number;
  pullEarlyMs: number;
  pullLateMs: number;
}

const toMinute = (atMs: number) => Math.floor(atMs / MS_PER_MIN) * MS_PER_MIN;

/** When the first and the last piece may be done, minutes from going on. */
interface Timing {
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
}

function windowOf({ serving, method }: BatchOrder, { forecast, finish }: Option, timing: Timing, shiftMin: number): Window {
  const carveAtMs = addMinutes(serving.atMs, -serving.carveLeadMin);
  const onAtMs = toMinute(addMinutes(carveAtMs, -offPitMin(method) - timing.pullLateMin - shiftMin));
  const at = (minutes: number) => addMinutes(onAtMs, Math.round(minutes));
  return {
    carveAtMs,
    onAtMs,
    moveAtMs: finish && forecast.wrapLateMin !== undefined ? at(forecast.wrapLateMin) : undefined,
    pullEarlyMs: at(timing.pullEarlyMin),
    pullLateMs: at(timing.pullLateMin),
  };
}

export type Refusal =
  | RackRefusal
  | { code: 'heat'; setC: number; fromMs: number; toMs: number }
  | { code: 'box'; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'warmer'; shortSlots: number; fromMs: number; toMs: number }
  | { code: 'hold'; holdMin: number; allowedMin: number }
  | { code: 'laidElsewhere'; pitId: string }
  | { code: 'past'; lateByMin: number };

export interface Attempt {
  run?: Run;
  taken: Footprint[];
  refusal?: Refusal;
  rack?: Rack;
  pit: Pit;
}

/** Where a piece lies changes when it is done, and that may change where it lies: so many corrections, the last to the widest times. */
const TIMING_ROUNDS = 4;

/** Tries to put pieces on at one option and shift; on success the ledgers carry the claim. */
export function tryOption(order: BatchOrder, context: PlacementContext, option: Option, pieces: Footprint[], shiftMin: number): Attempt {
  // A piece laid by hand goes where it was laid, and nowhere else.
  const here = pieces.filter((piece) => {
    const laid = context.laid.filter((each) => each.batchId === piece.batchId && each.pieceId === piece.pieceId);
    return laid.length === 0 || laid.some((each) => each.pitId === option.pit.id || each.pitId === option.finish?.id);
  });
  if (here.length === 0) {
    const [first] = pieces;
    const { pitId } = context.laid.find((each) => each.batchId === first!.batchId && each.pieceId === first!.pieceId)!;
    return { taken: [], refusal: { code: 'laidElsewhere', pitId }, pit: option.pit };
  }
  let timing: Timing = option.forecast;
  for (let round = 0; ; round++) {
    const attempt = tryTiming(order, context, option, here, shiftMin, timing, round + 1 >= TIMING_ROUNDS);
    if (!('own' in attempt)) return attempt;
    timing = round + 2 < TIMING_ROUNDS ? attempt.own : widest(timing, attempt.own);
  }
}

const widest = (a: Timing, b: Timing): Timing => ({
  pullEarlyMin: Math.min(a.pullEarlyMin, b.pullEarlyMin),
  pullMedianMin: Math.max(a.pullMedianMin, b.pullMedianMin),
  pullLateMin: Math.max(a.pullLateMin, b.pullLateMin),
});

/** One piece's median minutes where it lies. */
function doneMinAt(order: BatchOrder, context: PlacementContext, { pit, pitC, finish, forecast }: Option, places: readonly Place[]) {
  const forecastContext = { ...context, hotHoldC: 0, box: undefined };
  return new Map(
    places.map((place) => {
      const piece = order.batch.pieces.find((each) => each.id === place.pieceId)!;
      const factor = offsetFactor(context.cache, forecastContext, { order, pit, pitC, finish }, piece, place.offsetC);
      return [place.pieceId, (forecast.doneMin[shapeKey(piece)] ?? forecast.pullMedianMin) * factor] as const;
    }),
  );
}

function tryTiming(
  order: BatchOrder,
  context: PlacementContext,
  option: Option,
  pieces: Footprint[],
  shiftMin: number,
  timing: Timing,
  last: boolean,
): Attempt | { own: Timing } {
  const { cut, method, batch, serving } = order;
  const { pit, finish, forecast, pitC } = option;
  const window = windowOf(order, option, timing, shiftMin);
  const leavesMs = window.moveAtMs ?? window.pullLateMs;
  const refuse = (refusal: Refusal, rack?: Rack): Attempt => ({ taken: [], refusal, rack, pit });
  if (forecast.last.status === 'never' || (strictClock(order) && forecast.dangerLateMin > context.limits.dangerZone))
    return refuse({ code: 'tooLarge' });

  const lightingMs = addMinutes(window.onAtMs, -pit.warmUpMin);
  if (lightingMs < context.earliestMs)
    return refuse({ code: 'past', lateByMin: Math.ceil((context.earliestMs - lightingMs) / MS_PER_MIN) });
  const uses = [
    ...heatUses(method, pit.id, pitC, window.onAtMs, leavesMs),
    ...(finish ? [{ pitId: finish.id, pitC, fromMs: leavesMs, toMs: window.pullLateMs }] : []),
  ];
  const clash = uses.map((use) => context.heat.conflict(use)).find((use) => use !== undefined);
  if (clash) return refuse({ code: 'heat', setC: clash.pitC, fromMs: clash.fromMs, toMs: clash.toMs });

  const holdMin = (window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN - offPitMin(method);
  const limitOf = (where: HoldKind) => holdLimitMin(order, option, where);
  const held = holdMin > limitOf('tent');
  const mayBox = context.boxes.length > 0 && holdMin <= limitOf('box');
  const mayWarm = context.warmers.length > 0 && holdMin <= limitOf('warmer');
  const limitMin = Math.max(
    limitOf('tent'),
    context.boxes.length > 0 ? limitOf('box') : 0,
    context.warmers.length > 0 ? limitOf('warmer') : 0,
  );
  if (held && !mayBox && !mayWarm) return refuse({ code: 'hold', holdMin: Math.round(holdMin), allowedMin: Math.round(limitMin) });

  const first = lay(context.racks, pit, cut, pieces, window.onAtMs, leavesMs);
  const second = finish ? lay(context.racks, finish, cut, first.taken, leavesMs, window.pullLateMs) : undefined;
  const taken = second ? second.taken : first.taken;
  if (taken.length === 0) {
    const failed = first.taken.length === 0 ? first : second!;
    return { taken: [], refusal: failed.refusal ?? { code: 'tooLarge' }, rack: failed.rack, pit: first.taken.length === 0 ? pit : finish! };
  }

  const kept = new Set(taken.map((piece) => piece.pieceId));
  const firstPlaces = [...first.byRack.values()].flatMap((filled) => filled.places.filter((place) => kept.has(place.pieceId)));
  const doneMin = doneMinAt(order, context, option, firstPlaces);
  if (firstPlaces.some((place) => Math.abs(place.offsetC) >= 0.5)) {
    const minutes = [...doneMin.values()];
    const own: Timing = {
      pullEarlyMin: Math.min(...minutes) * forecast.early,
      pullMedianMin: Math.max(...minutes),
      pullLateMin: Math.max(...minutes) * forecast.late,
    };
    if (!minutes.every(Number.isFinite)) return refuse({ code: 'tooLarge' });
    const otherwise = Math.abs(own.pullLateMin - timing.pullLateMin) > 1 || Math.abs(own.pullEarlyMin - timing.pullEarlyMin) > 1;
    if (otherwise && !last) return { own };
    timing = { ...timing, pullMedianMin: Math.min(own.pullMedianMin, timing.pullLateMin) };
  }

  const kg = taken.reduce((sum, piece) => sum + piece.kg, 0);
  let gearId = 'board';
  let where: HoldKind = 'tent';
  if (held) {
    const claim = claimHold(context, kg, window, mayBox, mayWarm);
    if ('refusal' in claim) return refuse(claim.refusal);
    ({ gearId, where } = claim);
  }

  const legs = [
    ...legsOf(pit, first.byRack, kept, window.onAtMs, leavesMs),
    ...(finish && second ? legsOf(finish, second.byRack, kept, leavesMs, window.pullLateMs) : []),
  ];
  const poultry = isPoultry(cut);
  for (const leg of legs) context.racks.add({ ...leg, poultry, batchId: batch.id });
  for (const use of uses) context.heat.add(use);

  const at = (minutes: number | undefined) => (minutes === undefined ? undefined : addMinutes(window.onAtMs, Math.round(minutes)));
  const waitMin = Math.round((window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN);
  const cooling = { tent: forecast.tentC, box: forecast.boxC, warmer: forecast.warmerC }[where];
  const availableMin = (window.carveAtMs - window.onAtMs) / MS_PER_MIN - offPitMin(method);
  const run: Run = {
    id: '',
    batchId: batch.id,
    pieceIds: taken.map((piece) => piece.pieceId),
    kg,
    pitId: pit.id,
    pitC,
    onAtMs: window.onAtMs,
    wrapAtMs: at(forecast.wrapMin),
    unwrapAtMs: at(forecast.unwrapMin),
    moveAtMs: window.moveAtMs,
    smokeUntilMs: at(forecast.smokeMin),
    pullEarlyMs: window.pullEarlyMs,
    pullMedianMs: at(timing.pullMedianMin)!,
    pullLateMs: window.pullLateMs,
    pulls: batch.pieces
      .filter((piece) => taken.some((each) => each.pieceId === piece.id))
      .map((piece) => {
        const medianMin = doneMin.get(piece.id) ?? forecast.pullMedianMin;
        return {
          pieceId: piece.id,
          medianMs: at(medianMin)!,
          earlyMs: at(medianMin * forecast.early)!,
          lateMs: at(medianMin * forecast.late)!,
        };
      }),
    dangerLateMin: Math.round(forecast.dangerLateMin),
    pullCoreC: forecast.last.doneCoreC,
    ventMin: method.ventMin,
    restMin: method.restMin,
    carveAtMs: window.carveAtMs,
    legs,
    hold: {
      gearId,
      fromEarlyMs: addMinutes(window.pullEarlyMs, offPitMin(method)),
      fromLateMs: addMinutes(window.pullLateMs, offPitMin(method)),
      toMs: window.carveAtMs,
      coolestAtCarveC: cooling[Math.min(waitMin, cooling.length - 1)]!,
    },
    onTimeShare: chanceWithin(forecast.timeLogSd, timing.pullMedianMin, availableMin),
    why: whyOf(order, option, timing, window, context.confidence, serving.id),
  };
  return { run, taken, pit };
}

/** A place to hold: a box where it keeps long enough, else a warmer. */
function claimHold(
  context: PlacementContext,
  kg: number,
  { pullEarlyMs, carveAtMs }: Window,
  mayBox: boolean,
  mayWarm: boolean,
): { gearId: string; where: HoldKind } | { refusal: Refusal } {
  const span = { fromMs: pullEarlyMs, toMs: carveAtMs };
  const boxClaim = mayBox ? context.boxLedger.claim(kg, pullEarlyMs, carveAtMs) : undefined;
  if (boxClaim && 'gear' in boxClaim) return { gearId: boxClaim.gear.id, where: 'box' };
  const warmClaim = mayWarm ? context.warmerLedger.claim(kg, pullEarlyMs, carveAtMs) : undefined;
  if (warmClaim && 'gear' in warmClaim) return { gearId: warmClaim.gear.id, where: 'warmer' };
  if (boxClaim) return { refusal: { code: 'box', shortLitres: boxClaim.short, ...span } };
  return { refusal: { code: 'warmer', shortSlots: warmClaim?.short ?? 1, ...span } };
}

function whyOf(
  { method }: BatchOrder,
  { pit, pitC, finish }: Option,
  timing: Timing,
  window: Window,
  confidence: number,
  servingId: string,
): Reason[] {
  const why: Reason[] = [
    { code: 'servingNeeds', servingId, carveAtMs: window.carveAtMs },
    { code: 'restNeeds', ventMin: method.ventMin, restMin: method.restMin },
    { code: 'cookTakes', medianMin: Math.round(timing.pullMedianMin), lateMin: Math.round(timing.pullLateMin), confidence },
  ];
  if (Math.abs(pitC - method.pitC) > 0.5) why.push({ code: 'sharesHeat', pitId: pit.id, pitC, wantedC: method.pitC });
  if (finish && window.moveAtMs !== undefined) why.push({ code: 'finishesElsewhere', pitId: finish.id, atMs: window.moveAtMs });
  return why;
}

interface Laid {
  taken: Footprint[];
  byRack: Map<string, Filled>;
  refusal?: RackRefusal;
  rack?: Rack;
}

/** Spreads pieces over a pit's racks: poultry from the bottom up, everything else from the top down. */
function lay(ledger: RackLedger, pit: Pit, cut: Cut, pieces: Footprint[], fromMs: number, toMs: number): Laid {
  const lowFirst = isPoultry(cut) ? 1 : -1;
  const racks = [...pit.racks].sort((a, b) => lowFirst * (a.level - b.level));
  const byRack = new Map<string, Filled>();
  let left = pieces;
  let refusal: RackRefusal | undefined;
  let refusedBy: Rack | undefined;
  for (const rack of racks) {
    if (left.length === 0) break;
    const filled = ledger.fill(pit, rack, cut, left, fromMs, toMs);
    if (filled.taken.length > 0) byRack.set(rack.id, filled);
    if (filled.refusal && (!refusal || refusal.code === 'tooLarge')) {
      refusal = filled.refusal;
      refusedBy = rack;
    }
    left = left.filter((piece) => !filled.taken.includes(piece));
  }
  return { taken: pieces.filter((piece) => !left.includes(piece)), byRack, refusal, rack: refusedBy };
}

function legsOf(pit: Pit, byRack: Map<string, Filled>, kept: ReadonlySet<string>, fromMs: number, toMs: number): Leg[] {
  const legs: Leg[] = [];
  for (const [rackId, filled] of byRack) {
    const pieces = filled.taken.filter((piece) => kept.has(piece.pieceId));
    if (pieces.length === 0) continue;
    legs.push({
      pitId: pit.id,
      rackId,
      pieceIds: pieces.map((piece) => piece.pieceId),
      places: filled.places.filter((place) => kept.has(place.pieceId)),
      fromMs,
      toMs,
      areaMm2: pieces.reduce((sum, piece) => sum + claimedMm2(piece), 0),
      kg: pieces.reduce((sum, piece) => sum + piece.kg, 0),
    });
  }
  return legs;
}
