import type { HoldingPlace } from '../forecast';
import { BOARD_RIDE_MIN } from '../travel';
import { MS_PER_MIN } from '../units';
import type { Refusal } from './refusal';
import { timingOf } from './timing';
import type { HoldingGear, HoldUse } from './holdLedger';
import { servedRare, type Alternative } from './alternatives';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import { offPitMin, type Window } from './window';

/** A tent keeps meat for this long after its rest; beyond it a box or a warmer is wanted. */
export const TENT_HOLD_MIN = 60;

export const placeOf = (gear: HoldingGear | undefined): HoldingPlace =>
  gear === undefined
    ? { kind: 'tent' }
    : gear.kind === 'box'
      ? { kind: 'box', lossWPerK: gear.lossWPerK }
      : { kind: 'warmer', airC: gear.airC };

/** Where a run is held, and its coolest core by the minute from being pulled. */
export interface Holding {
  gear?: HoldingGear;
  use?: HoldUse;
  coreC: Float64Array;
}

/** What may hold a run from the earliest finish to carving; the board alone when the rest is all there is. */
export function holdingFor(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  window: Window,
  pieces: number,
  mayCool: boolean,
): { board: boolean; gear: HoldingGear[]; boardC: Float64Array; coreC(gear: HoldingGear): Float64Array } | { refusal: Refusal } {
  const { cut, method } = order;
  const forecast = alternative.forecast();
  const rare = servedRare(cut);
  const waitMin = (window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN;
  const medianWaitMin = (window.carveAtMs - window.pullMedianMs) / MS_PER_MIN;
  const holdMin = waitMin - offPitMin(order);
  const boardMin = (window.carveAtMs - window.pullLateMs) / MS_PER_MIN - method.ventMin;
  const keeping = (gear: HoldingGear | undefined) => forecast.keeps(placeOf(gear), pieces);
  const { serving } = order;
  const { placeId } = alternative.stand;
  const ride = alternative.leavesAtMs === undefined ? undefined : context.whereabouts.rideFor(serving.id, placeId);
  const boardRides = !ride || context.rules === 1 || (ride.arriveMs - ride.leaveMs) / MS_PER_MIN <= BOARD_RIDE_MIN;
  const there = context.gear.filter((gear) =>
    context.whereabouts.holds(gear.id, serving.id, placeId, window.pullEarlyMs, window.carveAtMs),
  );
  const allowed = (neededMin: number) => {
    const keeps = (gear: HoldingGear | undefined) => keeping(gear).aboveMin >= neededMin || (rare && holdMin <= TENT_HOLD_MIN);
    return {
      board: boardRides && boardMin <= method.restMin && holdMin <= TENT_HOLD_MIN && keeps(undefined),
      gear: there.filter(keeps),
    };
  };
  const sure = allowed(waitMin);
  const found = sure.board || sure.gear.length > 0 || !mayCool ? sure : allowed(medianWaitMin);
  if (!found.board && found.gear.length === 0) {
    const longest = Math.max(...[undefined, ...there].map((gear) => keeping(gear).aboveMin)) - offPitMin(order);
    return {
      refusal: { code: 'hold', holdMin: Math.round(holdMin), allowedMin: Math.max(0, Math.round(Math.min(longest, method.holdMaxMin))) },
    };
  }
  return { ...found, boardC: keeping(undefined).coreC, coreC: (gear) => keeping(gear).coreC };
}

/** A place to hold: the board when that will do, else the box or warmer that fits most closely. */
export function claimHold(
  context: PlacementContext,
  kept: Exclude<ReturnType<typeof holdingFor>, { refusal: Refusal }>,
  kg: number,
  { pullEarlyMs, carveAtMs }: Window,
): Holding | { refusal: Refusal } {
  if (kept.board) return { coreC: kept.boardC };
  const claim = context.holds.claim(kept.gear, kg, pullEarlyMs, carveAtMs);
  if ('use' in claim) {
    const gear = kept.gear.find((each) => each.id === claim.use.gearId)!;
    return { gear, use: claim.use, coreC: kept.coreC(gear) };
  }
  const span = { fromMs: pullEarlyMs, toMs: carveAtMs };
  return claim.gear.kind === 'box'
    ? { refusal: { code: 'box', shortLitres: claim.short, ...span } }
    : { refusal: { code: 'warmer', shortSlots: claim.short, ...span } };
}

/** How many minutes earlier than the latest start the rules would still let it go on. */
export function slackMin(
  order: BatchOrder,
  alternative: Alternative,
  context: PlacementContext,
  pieces: readonly { pieceId: string }[],
): number {
  const { method, cut } = order;
  const forecast = alternative.forecast();
  const { pullLateMin, pullEarlyMin } = timingOf(order, alternative, pieces);
  const spreadMin = Math.ceil(pullLateMin) - Math.floor(pullEarlyMin);
  if (!Number.isFinite(spreadMin)) return 0;
  const count = order.batch.pieces.length;
  const aboveMin = Math.max(
    0,
    ...[undefined, ...context.gear].map((gear) => forecast.keeps(placeOf(gear), count).aboveMin - offPitMin(order)),
  );
  const keepsMin = servedRare(cut) ? Math.max(aboveMin, TENT_HOLD_MIN) : aboveMin;
  return Math.min(method.holdMaxMin, keepsMin) - spreadMin;
}
