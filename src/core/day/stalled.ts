import { forecastCook, type CookSetup, type ParameterSet } from '../forecast';
import { MS_PER_MIN } from '../units';
import type { TempAt } from './readings';

const SAMPLES = 60;
/** A core stalls between these, as `findStall` has it. */
const STALL_C = [60, 80] as const;
const EARLY_C = [30, 55] as const;
/** Where the climb before was not read: a third of a usual one. */
const USUAL_STALL_C_PER_H = 4;
const WINDOW_MIN = 45;
/** Shorter than this nobody calls a stall. */
const LEAST_MIN = 90;

/** Whether a core is where cooks stall. */
export const stallsAt = (coreC: number): boolean => coreC >= STALL_C[0] && coreC <= STALL_C[1];

/** How long 9 in 10 of such cooks stall while they are bare, minutes: by an ensemble of the cook as planned. */
export function longStallMin(setup: CookSetup, parameters: ParameterSet, seed: number): number {
  const bare: CookSetup = { ...setup, wrap: 'none', wrapWhen: {} };
  return Math.max(LEAST_MIN, forecastCook(bare, parameters, { seed, samples: SAMPLES }).stallLength.p90);
}

/** Minutes for which a core has stalled until now: risen slower, over three quarters of an hour, than a third of what it did between 30 and 55 C. */
export function stalledMin(read: readonly TempAt[], nowMs: number): number {
  const last = read.at(-1);
  if (!last || !stallsAt(last.tempC)) return 0;
  const slowCPerH = slowRateOf(read);
  const slow = (to: number): boolean => {
    const now = read[to]!;
    const before = read.findLast(({ atMs }) => now.atMs - atMs >= WINDOW_MIN * MS_PER_MIN);
    return before !== undefined && (now.tempC - before.tempC) / ((now.atMs - before.atMs) / 3_600_000) < slowCPerH;
  };
  if (!slow(read.length - 1)) return 0;
  const first = read.findIndex(({ tempC }, i) => stallsAt(tempC) && slow(i));
  // A window is slow from its middle on.
  return (nowMs - read[first]!.atMs) / MS_PER_MIN + WINDOW_MIN / 2;
}

function slowRateOf(read: readonly TempAt[]): number {
  const from = read.find(({ tempC }) => tempC >= EARLY_C[0]);
  const to = read.find(({ tempC }) => tempC >= EARLY_C[1]);
  // Only where the climb itself was read, not just its end.
  if (!from || !to || from.tempC > EARLY_C[0] + 5 || to.atMs <= from.atMs) return USUAL_STALL_C_PER_H;
  return (to.tempC - from.tempC) / ((to.atMs - from.atMs) / 3_600_000) / 3;
}
