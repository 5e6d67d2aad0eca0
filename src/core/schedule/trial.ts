import { isPoultry, untendedMaxOf, type Pit, type Rack, type Run, type RunWish, type Work } from '../model';
import type { Stay } from '../travel';
import { addMinutes, MS_PER_MIN } from '../units';
import { LIGHT_MIN } from './firings';
import { CHANGE_OVER_MIN, type HeatUse } from './heatLedger';
import { claimHold, holdingFor } from './holding';
import type { HoldUse } from './holdLedger';
import { lay, layAsWished, legsOf } from './packRun';
import { strictClock, type Alternative } from './alternatives';
import type { BatchOrder } from './order';
import { mark, rollBack, type PlacementContext } from './placement';
import type { Footprint, RackUse } from './rackLedger';
import type { Refusal } from './refusal';
import { runOf } from './run';
import { doneMinAt, timingFrom, timingOf, widest } from './timing';
import { claimCarving, claimCrew, pitIdAt, reclaimCrew } from './work';
import { offPitMin, outOfBand, phasesOf, windowOf, type Timing, type Window } from './window';

/** All that a placed run takes, so that it can be taken again without looking. */
export interface Claims {
  racks: RackUse[];
  heat: HeatUse[];
  holds: HoldUse[];
}

export interface Trial {
  run?: Run;
  claims?: Claims;
  taken: Footprint[];
  refusal?: Refusal;
  rack?: Rack;
  pit: Pit;
  /** Shifts, in minutes, between which the same pieces are refused there for the same reason: nobody need try. */
  shut?: [fromMin: number, toMin: number];
}

/** Starts at which it is known that an option is refused. */
export class Shut {
  private readonly spans = new Map<Alternative, [fromMin: number, toMin: number][]>();

  note(alternative: Alternative, { shut }: Trial): void {
    if (shut) this.spans.set(alternative, [...(this.spans.get(alternative) ?? []), shut]);
  }

  has(alternative: Alternative, shiftMin: number): boolean {
    return this.spans.get(alternative)?.some(([fromMin, toMin]) => fromMin <= shiftMin && shiftMin <= toMin) ?? false;
  }
}

/** When, against its serving: so many minutes before the latest start, carved so long after carving begins. */
export interface StartShift {
  shiftMin: number;
  carveLaterMin: number;
  /** It may cool below the floor if it is done early, though not if it is done as expected; the plan then says so. */
  mayCool?: boolean;
  /** Where each piece is to lie; without it, wherever it fits. */
  places?: RunWish['places'];
}

/** Where a piece lies changes when it is done, and that may change where it lies: so many corrections, the last to the widest times. */
const TIMING_ROUNDS = 4;

/** Tries to put pieces on at one option and moment; on success the ledgers carry the claim. */
export function tryAlternative(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  pieces: Footprint[],
  startShift: StartShift,
): Trial {
  // A piece laid by hand goes where it was laid, and nowhere else.
  const here =
    context.manualPlacements.length === 0
      ? pieces
      : pieces.filter((piece) => {
          const manualPlacements = context.manualPlacements.filter(
            (each) => each.batchId === piece.batchId && each.pieceId === piece.pieceId,
          );
          return (
            manualPlacements.length === 0 ||
            manualPlacements.some((each) => each.pitId === alternative.pit.id || each.pitId === alternative.finish?.pit.id)
          );
        });
  if (here.length === 0) {
    const [first] = pieces;
    const { pitId } = context.manualPlacements.find((each) => each.batchId === first!.batchId && each.pieceId === first!.pieceId)!;
    return { taken: [], refusal: { code: 'placedElsewhere', pitId }, pit: alternative.pit };
  }
  let timing: Timing = timingOf(order, alternative, here);
  for (let round = 0; ; round++) {
    const before = mark(context);
    const trial = tryTiming(order, context, alternative, here, startShift, timing, round + 1 >= TIMING_ROUNDS);
    if (!('own' in trial)) {
      if (!trial.run) rollBack(context, before);
      // Later rounds go by where the pieces lay, which may be elsewhere at another moment.
      return round === 0 ? trial : { ...trial, shut: undefined };
    }
    rollBack(context, before);
    timing = round + 2 < TIMING_ROUNDS ? trial.own : widest(timing, trial.own);
  }
}

/** Minutes by which tasks may be dodged before a whole step earlier is tried. */
const DODGE_MIN = 14;

function tryTiming(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  pieces: Footprint[],
  startShift: StartShift,
  timing: Timing,
  last: boolean,
): Trial | { own: Timing } {
  const { cut, method, serving } = order;
  const { pit, finish } = alternative;
  const forecast = alternative.forecast();
  const refuse = (refusal: Refusal, rack?: Rack): Trial => ({ taken: [], refusal, rack, pit });
  const refuseFor = (refusal: Refusal, ...shut: [fromMin: number, toMin: number]): Trial => ({ ...refuse(refusal), shut });
  if (forecast.last.status === 'never' || (strictClock(order) && forecast.dangerLateMin > context.limits.dangerZone))
    return refuseFor({ code: 'tooLarge' }, -Infinity, Infinity);
  const carveAtMs = addMinutes(serving.atMs, startShift.carveLaterMin - serving.carveLeadMin);
  const counted = context.whereabouts.crew !== undefined;
  const { placeId } = alternative.stand;

  let window: Window | undefined;
  let phases: ReturnType<typeof phasesOf> = [];
  let crewWork: Work[] | undefined;
  let short: Refusal | undefined;
  for (let dodge = 0; dodge <= (counted ? DODGE_MIN : 0) && !crewWork; dodge++) {
    window = windowOf(order, alternative, timing, carveAtMs, startShift.shiftMin + dodge);
    if (!window) return refuse({ code: 'tooLarge' });
    if (dodge === 0) {
      const unfit = notThere(context, serving.id, alternative, window);
      if (unfit) return refuse(unfit);
      phases = phasesOf(order, alternative, window, context.limits.bareMeatPit);
      const astray = phases.find(outOfBand);
      if (astray) return refuseFor({ code: 'heat', setC: astray.pitC, fromMs: astray.fromMs, toMs: astray.toMs }, -Infinity, Infinity);
      const clash = clashIn(context, phases);
      if (clash) return refuseFor(clash.refusal, startShift.shiftMin - clash.laterMin, startShift.shiftMin + clash.earlierMin);
    }
    const holdMin = (window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN - offPitMin(order);
    if (holdMin > method.holdMaxMin)
      return refuseFor(
        { code: 'hold', holdMin: Math.round(holdMin), allowedMin: method.holdMaxMin },
        startShift.shiftMin + dodge,
        Infinity,
      );
    const claimed = claimCrew(context, placeId, window, pieces, finish !== undefined && finish.pit !== pit);
    if ('short' in claimed) short ??= claimed.short;
    else crewWork = claimed.work;
  }
  if (!crewWork || !window) return refuse(short!);
  window = { ...window, wrapAtMs: crewWork.find((work) => work.kind === 'wrap')?.atMs ?? window.wrapAtMs };
  const unfit = notThere(context, serving.id, alternative, window);
  if (unfit) return refuse(unfit);
  phases = phasesOf(order, alternative, window, context.limits.bareMeatPit);
  const clash = clashIn(context, phases);
  if (clash) return refuse(clash.refusal);
  let kept = holdingFor(order, context, alternative, window, pieces.length, startShift.mayCool ?? false);
  if ('refusal' in kept) return refuse(kept.refusal);

  const leavesMs = finish && finish.pit !== pit ? window.finishAtMs! : window.pullLateMs;
  const layIn = (where: Pit, laid: Footprint[], fromMs: number, toMs: number) =>
    startShift.places
      ? layAsWished(context.racks, where, cut, laid, startShift.places, fromMs, toMs)
      : lay(context.racks, where, cut, laid, fromMs, toMs);
  const first = layIn(pit, pieces, window.onAtMs, leavesMs);
  const second = leavesMs < window.pullLateMs ? layIn(finish!.pit, first.taken, leavesMs, window.pullLateMs) : undefined;
  const taken = second ? second.taken : first.taken;
  if (taken.length === 0) {
    const failed = first.taken.length === 0 ? first : second!;
    return {
      taken: [],
      refusal: failed.refusal ?? { code: 'tooLarge' },
      rack: failed.rack,
      pit: first.taken.length === 0 ? pit : finish!.pit,
    };
  }

  const takenIds = new Set(taken.map((piece) => piece.pieceId));
  const firstPlaces = [...first.byRack.values()].flatMap((filled) => filled.places.filter((place) => takenIds.has(place.pieceId)));
  const doneMin = doneMinAt(order, context, alternative, firstPlaces);
  if (taken.length < order.batch.pieces.length || firstPlaces.some((place) => Math.abs(place.offsetC) >= 0.5)) {
    const own = timingFrom(alternative, doneMin);
    if (!own) return refuse({ code: 'tooLarge' });
    const otherwise = Math.abs(own.pullLateMin - timing.pullLateMin) > 1 || Math.abs(own.pullEarlyMin - timing.pullEarlyMin) > 1;
    if (otherwise && !last) return { own };
    timing = { ...timing, pullMedianMin: Math.min(own.pullMedianMin, timing.pullLateMin) };
  }
  // Fewer pieces than were asked for want fewer hands: their minutes are claimed as they are.
  if (taken.length < pieces.length && counted) {
    const again = reclaimCrew(context, placeId, window, crewWork, taken, finish !== undefined && finish.pit !== pit);
    if ('short' in again) return refuse(again.short);
    crewWork = again.work;
    window = { ...window, wrapAtMs: crewWork.find((work) => work.kind === 'wrap')?.atMs ?? window.wrapAtMs };
  }
  // Fewer pieces keep one another warm for a shorter time.
  if (taken.length < pieces.length) kept = holdingFor(order, context, alternative, window, taken.length, startShift.mayCool ?? false);
  if ('refusal' in kept) return refuse(kept.refusal);
  const ids = taken.map((piece) => piece.pieceId);
  const carving = claimCarving(order, context, ids, carveAtMs);
  if ('short' in carving) return refuse(carving.short);
  const kg = taken.reduce((sum, piece) => sum + piece.kg, 0);
  const hold = claimHold(context, kept, kg, window);
  if ('refusal' in hold) return refuse(hold.refusal);

  const legs = [
    ...legsOf(pit, first.byRack, takenIds, window.onAtMs, leavesMs),
    ...(second ? legsOf(finish!.pit, second.byRack, takenIds, leavesMs, window.pullLateMs) : []),
  ];
  const claims: Claims = {
    racks: legs.map((leg) => ({ ...leg, poultry: isPoultry(cut), batchId: order.batch.id })),
    heat: phases,
    holds: hold.uses,
  };
  for (const use of claims.racks) context.racks.add(use);
  for (const use of claims.heat) context.heat.add(use);
  const run = runOf(order, context, alternative, {
    window,
    timing,
    doneMin,
    legs,
    kg,
    ids,
    hold,
    work: [...crewWork.map((work) => ({ ...work, pieceIds: ids, pitId: pitIdAt(work.kind, pit, finish?.pit) })), ...carving.work],
  });
  return { run, claims, taken, pit };
}

/** The first set point that stands in the way, and for how many minutes earlier and later it still would. */
function clashIn(
  context: PlacementContext,
  phases: ReturnType<typeof phasesOf>,
): { refusal: Refusal; earlierMin: number; laterMin: number } | undefined {
  for (const use of phases) {
    const clash = context.heat.conflict(use);
    if (!clash) continue;
    // Moments are whole minutes: one is left at either end.
    const until = (aMs: number, bMs: number) => (bMs - aMs) / MS_PER_MIN + CHANGE_OVER_MIN - 1;
    return {
      refusal: { code: 'heat', setC: clash.pitC, fromMs: clash.fromMs, toMs: clash.toMs },
      earlierMin: until(clash.fromMs, use.toMs),
      laterMin: until(use.fromMs, clash.toMs),
    };
  }
  return undefined;
}

/** A fire that could not be lit in time or would burn alone, a pit that is elsewhere, raw meat that is not there yet. */
function notThere(context: PlacementContext, servingId: string, { pit, stand, finish }: Alternative, window: Window): Refusal | undefined {
  const { whereabouts } = context;
  const elsewhere = finish && finish.pit !== pit ? finish.pit : undefined;
  const uses: { where: Pit; fromMs: number; toMs: number; stands: readonly Stay[] }[] = [
    { where: pit, fromMs: window.onAtMs, toMs: elsewhere ? window.finishAtMs! : window.pullLateMs, stands: [stand] },
  ];
  if (elsewhere) {
    const stands = whereabouts.standsOf(elsewhere.id).filter((each) => each.placeId === stand.placeId);
    uses.push({ where: elsewhere, fromMs: window.finishAtMs!, toMs: window.pullLateMs, stands });
  }
  for (const { where, fromMs, toMs, stands } of uses) {
    const here = stands.find((each) => each.fromMs <= fromMs && each.toMs >= toMs);
    if (!here) {
      const cut = stands.find((each) => each.toMs < toMs && each.toMs > fromMs) ?? stands[0]!;
      return { code: 'road', fromMs: cut.toMs <= fromMs ? cut.toMs : Math.max(fromMs, Math.min(cut.toMs, toMs)), toMs };
    }
    const earliestMs = Math.max(context.earliestMs, here.fromMs);
    const lightByMs = addMinutes(fromMs, -where.warmUpMin);
    if (lightByMs < earliestMs)
      return earliestMs === context.earliestMs
        ? { code: 'past', lateByMin: Math.ceil((earliestMs - lightByMs) / MS_PER_MIN) }
        : { code: 'road', fromMs: lightByMs, toMs: earliestMs };
    if (
      whereabouts.crew &&
      !context.heat.burnsBy(where.id, fromMs) &&
      context.crewLedger.latestFree(earliestMs, lightByMs, LIGHT_MIN, stand.placeId) === undefined
    )
      return { code: 'hands', kind: 'light', atMs: lightByMs, minutes: LIGHT_MIN };
    const allowedMin = untendedMaxOf(where);
    const alone = whereabouts.unattended(stand.placeId, lightByMs, toMs);
    if (alone && (alone.toMs - alone.fromMs) / MS_PER_MIN > allowedMin)
      return { code: 'unattended', fromMs: alone.fromMs, toMs: alone.toMs, allowedMin };
  }
  const raw = whereabouts.rawTrip(servingId, stand.placeId, window.onAtMs);
  return raw ? undefined : { code: 'raw', placeId: stand.placeId };
}
