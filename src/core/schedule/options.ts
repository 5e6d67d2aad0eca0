import { isPoultry, isRoast, type Cut, type Method, type Pit, type PlanProblem } from '../model';
import { coreRuleOf, STRICT_LIMITS, type Limits } from '../safety';
import { forecastBatch, type BatchForecast, type ForecastContext } from './batchForecast';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import { fitsAlone, type Footprint } from './rackLedger';

/** One way to cook a batch: a pit, its heat, and perhaps another source once it is wrapped. */
export interface Option {
  pit: Pit;
  pitC: number;
  finish?: Pit;
  forecast: BatchForecast;
  hotHoldC: number;
}

/** Food Code 3-401.11(B) with 3-501.16(A): a roast cooked by the table may be held from 54 C. */
const ROAST_HOLD_C = 54;

/** Roasts served rare are below the strict hot-holding floor by choice. */
export const servedRare = (cut: Cut): boolean => isRoast(cut) && cut.done.by === 'core' && cut.done.coreC < STRICT_LIMITS.hotHold;
const floorFor = (cut: Cut, limits: Limits) => (servedRare(cut) ? ROAST_HOLD_C : limits.hotHold);

/** Poultry and non-intact meat must pass the danger zone within the limit. */
export const strictClock = ({ cut, nonIntact }: Pick<BatchOrder, 'cut' | 'nonIntact'>): boolean => isPoultry(cut) || nonIntact;

export function suitablePits(
  cut: Cut,
  method: Method,
  pits: Pit[],
  pieces: Footprint[],
  minPitC: number,
): { pits: Pit[]; problem?: Pick<Extract<PlanProblem, { code: 'noSuitablePit' }>, 'code' | 'severity' | 'need'> } {
  const broken = (need: 'smoke' | 'heat' | 'size') => ({
    pits: [],
    problem: { code: 'noSuitablePit' as const, severity: 'broken' as const, need },
  });
  const smoky = pits.filter((pit) => pit.smoke || !method.needsSmoke);
  if (smoky.length === 0) return broken('smoke');
  const hot = smoky.filter(
    (pit) =>
      pit.rangeC[0] <= method.pitRangeC[1] &&
      pit.rangeC[1] >= method.pitRangeC[0] &&
      pit.rangeC[1] >= minPitC &&
      (method.steps ?? []).every((step) => step.pitC >= pit.rangeC[0] && step.pitC <= pit.rangeC[1]),
  );
  if (hot.length === 0) return broken('heat');
  const roomy = hot.filter((pit) => pieces.some((piece) => pit.racks.some((rack) => fitsAlone(rack, piece))));
  if (roomy.length === 0) return broken('size');
  return { pits: roomy };
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Warmers are reckoned by the coolest of them: whichever it gets, it keeps as well or better. */
const coolest = (warmers: PlacementContext['warmers']) => [...warmers].sort((a, b) => a.setC - b.setC)[0];

export function optionsFor(order: BatchOrder, pits: Pit[], context: PlacementContext): Option[] {
  const { cut, method } = order;
  const hotHoldC = floorFor(cut, context.limits);
  const forecastContext: ForecastContext = { ...context, hotHoldC, box: context.boxes[0], warmer: coolest(context.warmers) };
  const options: Option[] = [];
  for (const pit of pits) {
    const low = Math.max(method.pitRangeC[0], pit.rangeC[0], context.limits.bareMeatPit);
    const high = Math.min(method.pitRangeC[1], pit.rangeC[1]);
    const heats = new Set([clamp(method.pitC, low, high)]);
    for (const use of context.heat.of(pit.id)) if (use.pitC >= low && use.pitC <= high) heats.add(use.pitC);
    const finishes = method.finishOffSmoke && method.needsSmoke ? context.pits.filter((other) => other.id !== pit.id && !other.smoke) : [];
    for (const pitC of heats) {
      const add = (finish?: Pit) => {
        const forecast = forecastBatch(context.cache, forecastContext, order, pit, pitC, finish);
        options.push({ pit, pitC, finish, forecast, hotHoldC });
      };
      add();
      for (const finish of finishes) if (pitC >= finish.rangeC[0] && pitC <= finish.rangeC[1]) add(finish);
    }
  }
  const departure = (option: Option) => Math.abs(option.pitC - method.pitC);
  // Meat that needs no smoke leaves the smoke to meat that does.
  const wastesSmoke = (option: Option) => Number(!method.needsSmoke && option.pit.smoke);
  return options.sort(
    (a, b) => Number(Boolean(a.finish)) - Number(Boolean(b.finish)) || wastesSmoke(a) - wastesSmoke(b) || departure(a) - departure(b),
  );
}

/** Reasons that no place on any rack would cure: it never gets done, or a hard value would be broken. */
export function unplaceable(order: BatchOrder, options: Option[], limits: Limits): PlanProblem | undefined {
  const { batch, cut, serving, nonIntact } = order;
  const common = { severity: 'broken', batchId: batch.id, pieces: batch.pieces.length } as const;
  if (cut.done.by === 'core') {
    const { coreC } = cut.done;
    const requiredC = nonIntact && !isPoultry(cut) ? limits.nonIntactCore : isRoast(cut) ? 0 : coreRuleOf(cut, nonIntact).limit;
    if (coreC < requiredC) return { code: 'coreTooLow', ...common, coreC, requiredC, nonIntact };
    if (serving.highlySusceptible && coreC < coreRuleOf(cut, nonIntact).limit)
      return { code: 'rareForSusceptible', ...common, coreC, servingId: serving.id };
  }
  const done = options.filter((option) => option.forecast.first.status === 'done' && option.forecast.last.status === 'done');
  if (done.length === 0) return { code: 'neverDone', ...common, pitC: options[0]!.pitC };
  if (strictClock(order)) {
    const quickest = Math.min(...done.map((option) => option.forecast.dangerLateMin));
    if (quickest > limits.dangerZone)
      return { code: 'dangerZone', ...common, minutes: Math.round(quickest), allowedMin: limits.dangerZone };
  }
  return undefined;
}
