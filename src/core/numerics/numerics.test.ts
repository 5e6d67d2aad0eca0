import { describe, expect, it } from 'vitest';
import { crossingBetween, levenbergMarquardt, quantileSorted } from './index';

describe('least squares', () => {
  it('finds the parameters of a decay it was made from', () => {
    const times = Array.from({ length: 20 }, (_, i) => i / 4);
    const measured = times.map((t) => 5 * Math.exp(-0.7 * t) + 2);
    const fitted = levenbergMarquardt((x) => times.map((t, i) => x[0]! * Math.exp(-x[1]! * t) + x[2]! - measured[i]!), [1, 0.1, 0], {
      rounds: 100,
    });
    expect(fitted[0]).toBeCloseTo(5, 3);
    expect(fitted[1]).toBeCloseTo(0.7, 3);
    expect(fitted[2]).toBeCloseTo(2, 3);
  });

  it('walks Rosenbrock’s valley', () => {
    const fitted = levenbergMarquardt((x) => [10 * (x[1]! - x[0]! ** 2), 1 - x[0]!], [-1.2, 1], { rounds: 300 });
    expect(fitted[0]).toBeCloseTo(1, 1);
    expect(fitted[1]).toBeCloseTo(1, 1);
  });

  it('never makes things worse', () => {
    const cost = (x: ArrayLike<number>) => (x[0]! - 3) ** 2;
    expect(cost(levenbergMarquardt((x) => [x[0]! - 3], [3], { rounds: 10 }))).toBeLessThanOrEqual(cost([3]));
  });
});

describe('small numerics', () => {
  it('cross a level in proportion', () => {
    expect(crossingBetween(10, 0, 20, 4, 1)).toBe(12.5);
    expect(crossingBetween(10, 2, 20, 2, 2)).toBe(20);
  });

  it('take quantiles of nothing as not a number', () => {
    expect(quantileSorted([], 0.5)).toBeNaN();
    expect(quantileSorted([4], 0.9)).toBe(4);
  });
});
