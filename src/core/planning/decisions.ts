import type { Plan, Run } from '../model';
import { forecastBatch, newForecastCache, type ForecastCache } from '../schedule';
import { addMinutes, MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';
import { cookOfRun } from './cookOfRun';
import { cookContext } from './searchInput';

/** A moment at which the core tells whether a run will be late, and what can still be done. */
export interface Decision {
  runId: string;
  pitId: string;
  atMs: number;
  /** Under this the run comes after its rest must begin. */
  underC: number;
  /** What would help: the pit raised to the top of its band, with the minutes that gains; a wrap at once. */
  raiseToC?: number;
  gainMin?: number;
  wrapNow: boolean;
}

/** Looked at early, while the core still rises steeply, and again towards the end. */
const SHARES = [0.35, 0.8] as const;
/** A run that has this much time in hand at the worst needs no decision; nor does a short one. */
const WORTH_MIN = 150;
const LOOSE_FACTOR = 2;

/**
 * Decision points of every long run. A cook that is slower by a factor f stands at m minutes where the
 * expected one stood at m / f (like cooks differ by a factor in time); f is the one that just meets the rest.
 */
export function decisionsOf(input: PlanInput, plan: Plan, cache: ForecastCache = newForecastCache()): Decision[] {
  const context = cookContext(input.event, plan.confidence);
  return plan.runs
    .flatMap((run): Decision[] => {
      const cooked = cookOfRun(input, run);
      if (!cooked) return [];
      const { order, pit, finish } = cooked;
      const medianMin = (run.pullMedianMs - run.onAtMs) / MS_PER_MIN;
      const availableMin = (run.carveAtMs - run.onAtMs) / MS_PER_MIN - run.ventMin - run.restMin;
      const factor = availableMin / medianMin;
      if (medianMin < WORTH_MIN || factor > LOOSE_FACTOR || factor <= 1) return [];
      const { trace } = forecastBatch(cache, context, order, pit, run.pitC, finish).last;
      const coreAt = (minute: number) => trace.coreC[Math.min(trace.coreC.length - 1, Math.max(0, Math.round(minute / trace.stepMin)))]!;
      const topC = Math.min(order.method.pitRangeC[1], pit.rangeC[1]);
      return SHARES.map((share): Decision => {
        const minute = Math.round(share * medianMin);
        const atMs = addMinutes(run.onAtMs, minute);
        const raised = topC > run.pitC + 2 ? forecastBatch(cache, context, order, pit, topC, finish).last.doneAtMin : undefined;
        const wrapNow = order.method.wrap !== 'none' && run.wrapAtMs !== undefined && atMs < run.wrapAtMs;
        return {
          runId: run.id,
          pitId: placeAt(run, atMs),
          atMs,
          underC: coreAt(minute / factor),
          ...(raised !== undefined && { raiseToC: topC, gainMin: Math.max(0, Math.round((1 - share) * (medianMin - raised))) }),
          wrapNow,
        };
      });
    })
    .sort((a, b) => a.atMs - b.atMs);
}

const placeAt = (run: Run, atMs: number): string => run.legs.find((leg) => leg.fromMs <= atMs && leg.toMs > atMs)?.pitId ?? run.pitId;
