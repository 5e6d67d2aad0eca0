import type { Run } from '../model';
import { MS_PER_MIN } from '../units';
import type { Timing } from './window';
import type { BatchOrder } from './order';

/** How often a hold is as long as after an early, a middling and a late finish. */
const WEIGHTS = [0.25, 0.5, 0.25] as const;
/** A minute past what the meat bears counts as so many outside the ideal band. */
const PAST_CEILING = 4;

/** Minutes by which a hold misses the method's ideal band, more beyond what the cut bears. */
function missMin({ method, cut }: BatchOrder, holdMin: number, ceilingMin: number): number {
  const [low, high] = method.holdIdealMin;
  return (
    Math.max(0, low - holdMin) +
    Math.max(0, holdMin - high) +
    PAST_CEILING * Math.max(0, holdMin - Math.max(high, Math.min(ceilingMin, cut.holdMaxMin)))
  );
}

/** Expected minutes by which a run's hold misses the ideal band. */
export function expectedMissMin(
  order: BatchOrder,
  run: Pick<Run, 'carveAtMs' | 'pullEarlyMs' | 'pullMedianMs' | 'pullLateMs'>,
  ceilingMin = Infinity,
): number {
  const offMin = order.method.ventMin + order.method.restMin;
  return [run.pullEarlyMs, run.pullMedianMs, run.pullLateMs].reduce(
    (sum, atMs, i) => sum + WEIGHTS[i]! * missMin(order, (run.carveAtMs - atMs) / MS_PER_MIN - offMin, ceilingMin),
    0,
  );
}

const STEP_MIN = 15;

/**
 * Minutes before the latest start that bring the hold nearest to its ideal band: first the one that is as likely to be shorter
 * as longer, then an early and a late finish too; the latest such.
 */
export function idealShiftMin(order: BatchOrder, { pullEarlyMin, pullMedianMin, pullLateMin }: Timing, longestMin: number): number {
  const missOf = (pullMin: number, shift: number) => missMin(order, pullLateMin - pullMin + shift, Infinity);
  const missAt = (shift: number): [median: number, expected: number] => {
    const median = missOf(pullMedianMin, shift);
    return [median, WEIGHTS[0] * missOf(pullEarlyMin, shift) + WEIGHTS[1] * median + WEIGHTS[2] * missOf(pullLateMin, shift)];
  };
  let best = 0;
  let least = missAt(best);
  for (let shift = STEP_MIN; shift <= longestMin; shift += STEP_MIN) {
    const miss = missAt(shift);
    if (miss[0] > least[0] + 1e-9 || (miss[0] > least[0] - 1e-9 && miss[1] > least[1] - 1e-9)) continue;
    [best, least] = [shift, miss];
  }
  return best;
}

/**
 * The least by which a run whose finish is this uncertain can miss the band, whenever it goes on. Only its
 * early and its late finish are counted, each at its weight: the sum is convex in the start, and grows
 * with the spread.
 */
export function leastMissMin(order: BatchOrder, spreadMin: number): number {
  const missAt = (shiftMin: number) => WEIGHTS[0] * (missMin(order, shiftMin + spreadMin, Infinity) + missMin(order, shiftMin, Infinity));
  let [low, high] = [0, Math.max(0, order.method.holdMaxMin)];
  for (let i = 0; i < 60 && high - low > 1e-3; i++) {
    const third = (high - low) / 3;
    if (missAt(low + third) <= missAt(high - third)) high -= third;
    else low += third;
  }
  return missAt((low + high) / 2);
}
