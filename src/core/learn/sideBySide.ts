import { predictiveLaw } from '../forecast';
import { quantileSorted, rms } from '../numerics';
import type { CalibratedCook, CalibrationPoint } from './calibrated';

/** How one way of foretelling did on cooks it had not seen. */
export interface Foretold {
  by: 'owner' | 'shipped' | 'pound';
  cooks: number;
  /** Root mean square of ln(observed / told). */
  logRmse: number;
  /** Share inside of its range of 8 in 10, and how many times its low end its high end is; a rule of thumb has no range. */
  inside?: number;
  width?: number;
}

/** A rule of hours a pound is made of so many cooks of the cut. */
const POUND_RULE_FROM = 3;

/** Into a sorted list, where it belongs. */
function putInOrder(sorted: number[], value: number): void {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (sorted[middle]! < value) from = middle + 1;
    else to = middle;
  }
  sorted.splice(from, 0, value);
}

/**
 * The same cooks foretold three ways, side by side: by the model with what the cooks before each had taught it, by the model as shipped, and
 * by hours a pound, the middle of all cooks of the cut before. Only cooks that all three can tell of are counted.
 */
export function sideBySide(cooks: readonly CalibratedCook[], points: readonly CalibrationPoint[]): Foretold[] {
  const hoursPerKg = new Map<string, number[]>();
  const law = predictiveLaw();
  const told: {
    owner: number;
    shipped: number;
    pound: number;
    ownerIn: boolean;
    shippedIn: boolean;
    ownerWidth: number;
    shippedWidth: number;
  }[] = [];
  for (const [i, { cutId, observedH, log, massKg }] of cooks.entries()) {
    const before = hoursPerKg.get(cutId) ?? [];
    const { toldH, inside } = points[i]!;
    if (before.length >= POUND_RULE_FROM) {
      const shippedH = observedH / Math.exp(log);
      const [low, high] = [shippedH * law.factor(cutId, 0.1), shippedH * law.factor(cutId, 0.9)];
      told.push({
        owner: Math.log(observedH / toldH.p50),
        shipped: log,
        pound: Math.log(observedH / (massKg * quantileSorted(before, 0.5))),
        ownerIn: inside,
        shippedIn: observedH >= low && observedH <= high,
        ownerWidth: toldH.p90 / toldH.p10,
        shippedWidth: high / low,
      });
    }
    hoursPerKg.set(cutId, before);
    putInOrder(before, observedH / massKg);
  }
  if (told.length === 0) return [];
  const mean = (of: (each: (typeof told)[number]) => number) => told.reduce((sum, each) => sum + of(each), 0) / told.length;
  const all = { cooks: told.length };
  return [
    {
      by: 'owner',
      ...all,
      logRmse: rms(told.map((each) => each.owner)),
      inside: mean((each) => Number(each.ownerIn)),
      width: mean((each) => each.ownerWidth),
    },
    {
      by: 'shipped',
      ...all,
      logRmse: rms(told.map((each) => each.shipped)),
      inside: mean((each) => Number(each.shippedIn)),
      width: mean((each) => each.shippedWidth),
    },
    { by: 'pound', ...all, logRmse: rms(told.map((each) => each.pound)) },
  ];
}
