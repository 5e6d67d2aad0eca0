import type { Leg, Reason, Run, Work } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Holding } from './holding';
import type { Alternative } from './alternatives';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import { offPitMin, type Timing, type Window } from './window';

interface RunFacts {
  window: Window;
  timing: Timing;
  doneMin: ReadonlyMap<string, number>;
  legs: Leg[];
  kg: number;
  ids: string[];
  hold: Holding;
  work: Work[];
}

/** Puts a run together from what was found for it. */
export function runOf(order: BatchOrder, context: PlacementContext, alternative: Alternative, facts: RunFacts): Run {
  const { batch, method } = order;
  const { window, timing, doneMin, legs, kg, ids, hold, work } = facts;
  const forecast = alternative.forecast();
  const { pit, pitC, finish } = alternative;
  const at = (minutes: number | undefined) => (minutes === undefined ? undefined : addMinutes(window.onAtMs, Math.round(minutes)));
  const waitMin = Math.max(0, Math.round((window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN));
  // In a box or warmer it also rests.
  const openMin = hold.gear ? method.ventMin : offPitMin(order);
  const availableMin = (window.carveAtMs - window.onAtMs) / MS_PER_MIN - offPitMin(order);
  return {
    id: '',
    batchId: batch.id,
    servingId: order.serving.id,
    pieceIds: ids,
    kg,
    pitId: pit.id,
    pitC,
    onAtMs: window.onAtMs,
    wrapAtMs: window.wrapAtMs,
    unwrapAtMs: at(forecast.unwrapMin),
    moveAtMs: finish && finish.pit !== pit ? window.finishAtMs : undefined,
    finishAtMs: finish && window.finishAtMs,
    finishC: finish?.pitC,
    smokeUntilMs: at(forecast.smokeMin),
    pullEarlyMs: window.pullEarlyMs,
    pullMedianMs: window.pullMedianMs,
    pullLateMs: window.pullLateMs,
    pulls: batch.pieces
      .filter((piece) => ids.includes(piece.id))
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
    ...(method.hotFinish && { hotFinish: method.hotFinish }),
    ventMin: method.ventMin,
    restMin: method.restMin,
    carveAtMs: window.carveAtMs,
    placeId: alternative.stand.placeId,
    ...(alternative.leavesAtMs !== undefined && { leavesAtMs: alternative.leavesAtMs }),
    legs,
    hold: {
      ...(hold.first && { first: { gearId: hold.first.gear.id, untilMs: hold.first.untilMs } }),
      gearId: hold.gear?.id ?? 'board',
      fromEarlyMs: addMinutes(window.pullEarlyMs, openMin),
      fromLateMs: addMinutes(window.pullLateMs, openMin),
      toMs: window.carveAtMs,
      coolestAtCarveC: hold.coreAt(waitMin),
    },
    onTimeShare: forecast.chanceWithin(timing.pullMedianMin, availableMin),
    work,
    why: whyOf(order, alternative, timing, window, context),
  };
}

function whyOf(
  order: BatchOrder,
  { pit, stand, leavesAtMs, pitC, finish }: Alternative,
  timing: Timing,
  window: Window,
  context: PlacementContext,
): Reason[] {
  const { method, serving } = order;
  const why: Reason[] = [
    { code: 'servingNeeds', servingId: serving.id, carveAtMs: window.carveAtMs },
    { code: 'restNeeds', ventMin: method.ventMin, restMin: method.restMin },
    ...(order.afterPullMin === undefined ? [] : [{ code: 'goesBackOn' as const, minutes: order.afterPullMin }]),
    {
      code: 'cookTakes',
      medianMin: Math.round(timing.pullMedianMin),
      lateMin: Math.round(timing.pullLateMin),
      confidence: context.confidence,
    },
  ];
  const ride = leavesAtMs === undefined ? undefined : context.whereabouts.rideFor(serving.id, stand.placeId);
  if (ride) why.push({ code: 'leavesBy', atMs: ride.leaveMs, travelMin: (ride.arriveMs - ride.leaveMs) / MS_PER_MIN });
  if (Math.abs(pitC - method.pitC) > 0.5) why.push({ code: 'sharesHeat', pitId: pit.id, pitC, wantedC: method.pitC });
  if (finish && window.finishAtMs !== undefined)
    why.push(
      finish.pit === pit
        ? { code: 'finishHeat', pitId: pit.id, pitC: finish.pitC, atMs: window.finishAtMs }
        : { code: 'finishesElsewhere', pitId: finish.pit.id, atMs: window.finishAtMs },
    );
  return why;
}
