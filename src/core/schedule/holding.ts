import type { HoldingPlace } from '../forecast';
import { BOARD_RIDE_MIN } from '../travel';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Refusal } from './refusal';
import { timingOf } from './timing';
import type { HoldingGear, HoldUse } from './holdLedger';
import { floorFor, servedRare, type Alternative } from './alternatives';
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
  /** Where it waits first, until it is boxed for the ride. */
  first?: { gear: HoldingGear; untilMs: number };
  uses: HoldUse[];
  /** Core so many minutes after being pulled as early as may be. */
  coreAt(minute: number): number;
}

/** Waiting in one thing at home, then boxed for the ride in another. */
interface Chain {
  home: HoldingGear;
  ride: HoldingGear;
  untilMs: number;
  coreAt(minute: number): number;
}

export const atMinute = (cores: Float64Array, minute: number): number => cores[Math.max(0, Math.min(minute, cores.length - 1))]!;

/** The minute at which something cooling in `after` is as warm as it is now. */
function minuteAt(after: Float64Array, coreC: number): number {
  let from = after.length - 1;
  while (from > 0 && after[from]! < coreC) from--;
  return from;
}

interface Kept {
  board: boolean;
  gear: HoldingGear[];
  /** Asked for only where nothing holds it all the way. */
  chains(): Chain[];
  coreAt(gear: HoldingGear | undefined, minute: number): number;
}

/** What may hold a run from the earliest finish to carving; the board alone when the rest is all there is. */
export function holdingFor(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  window: Window,
  pieces: number,
  mayCool: boolean,
): Kept | { refusal: Refusal } {
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
  const floorC = floorFor(cut, context.limits);
  const chainsFor = (neededMin: number): Chain[] => {
    if (!ride || context.rules === 1) return [];
    const switchMin = Math.round((ride.leaveMs - window.carveAtMs) / MS_PER_MIN + neededMin);
    const { whereabouts } = context;
    const homes = context.gear.filter((gear) => whereabouts.stays(gear.id, placeId, addMinutes(ride.leaveMs, -switchMin), ride.leaveMs));
    const rides = context.gear.filter(
      (gear) =>
        ride.gearIds.includes(gear.id) &&
        whereabouts.stays(gear.id, whereabouts.placeOfServing(serving.id), ride.arriveMs, window.carveAtMs),
    );
    return homes.flatMap((home) =>
      rides.flatMap((to): Chain[] => {
        if (home === to || keeping(home).aboveMin < switchMin) return [];
        const [before, after] = [keeping(home).coreC, keeping(to).coreC];
        const at = Math.min(switchMin, before.length - 1);
        const from = minuteAt(after, before[at]!);
        const later = (minute: number) => after[Math.min(after.length - 1, from + minute - at)]!;
        if (neededMin >= before.length || later(Math.round(neededMin)) < floorC) return [];
        const coreAt = (minute: number) => (minute <= at ? before[Math.max(0, minute)]! : later(minute));
        return [{ home, ride: to, untilMs: ride.leaveMs, coreAt }];
      }),
    );
  };
  const allowed = (neededMin: number) => {
    const keeps = (gear: HoldingGear | undefined) => keeping(gear).aboveMin >= neededMin || (rare && holdMin <= TENT_HOLD_MIN);
    return {
      board: boardRides && boardMin <= method.restMin && holdMin <= TENT_HOLD_MIN && keeps(undefined),
      gear: there.filter(keeps),
      chains: () => chainsFor(neededMin),
    };
  };
  const sure = allowed(waitMin);
  const some = ({ board, gear, chains }: typeof sure) => board || gear.length > 0 || chains().length > 0;
  const found = some(sure) || !mayCool ? sure : allowed(medianWaitMin);
  if (!some(found)) {
    const longest = Math.max(...[undefined, ...there].map((gear) => keeping(gear).aboveMin)) - offPitMin(order);
    return {
      refusal: {
        code: 'hold',
        holdMin: Math.round(holdMin),
        allowedMin: Math.max(0, Math.round(Math.min(longest, method.holdMaxMin))),
        ...(ride && there.length === 0 && { nothingRides: true }),
      },
    };
  }
  return { ...found, coreAt: (gear, minute) => atMinute(keeping(gear).coreC, minute) };
}

/** A place to hold: the board when that will do, else the box or warmer that fits most closely. */
export function claimHold(
  context: PlacementContext,
  kept: Kept,
  kg: number,
  { pullEarlyMs, carveAtMs }: Window,
): Holding | { refusal: Refusal } {
  if (kept.board) return { uses: [], coreAt: (minute) => kept.coreAt(undefined, minute) };
  let claim = kept.gear.length > 0 ? context.holds.claim(kept.gear, kg, pullEarlyMs, carveAtMs) : undefined;
  if (claim && 'use' in claim) {
    const { use } = claim;
    const gear = kept.gear.find((each) => each.id === use.gearId)!;
    return { gear, uses: [use], coreAt: (minute) => kept.coreAt(gear, minute) };
  }
  for (const { home, ride, untilMs, coreAt } of kept.chains()) {
    const before = context.holds.snapshot();
    const first = context.holds.claim([home], kg, pullEarlyMs, Math.max(pullEarlyMs + MS_PER_MIN, untilMs));
    const second = 'use' in first ? context.holds.claim([ride], kg, pullEarlyMs, carveAtMs) : first;
    if ('use' in first && 'use' in second) return { gear: ride, first: { gear: home, untilMs }, uses: [first.use, second.use], coreAt };
    context.holds.rollBack(before);
    if (!('use' in second)) claim ??= second;
  }
  if (!claim || 'use' in claim) throw new Error('A hold is claimed of nothing.');
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
