import { describe, expect, it } from 'vitest';
import { choleskyFactor, choleskySolve } from './cholesky';
import { conditionOn, crossingBetween, levenbergMarquardt, quantileSorted, seededRandom } from './index';

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

describe('a quantity after readings', () => {
  /** z and Y = z + 0.5 x, both standard: what is known of z after Y is written in closed form. */
  const joint = () => {
    const random = seededRandom(4);
    const z = Float64Array.from({ length: 4000 }, () => random.normal());
    const simulated = Array.from(z, (value) => Float64Array.of(value + 0.5 * random.normal(), value + 0.5 * random.normal()));
    return { z, simulated };
  };
  const momentsOf = ({ values, weights }: { values: Float64Array; weights: Float64Array }) => {
    const mean = weights.reduce((sum, weight, i) => sum + weight * values[i]!, 0);
    return { mean, variance: weights.reduce((sum, weight, i) => sum + weight * (values[i]! - mean) ** 2, 0) };
  };

  it('has the mean and variance of the normal in closed form', () => {
    const { z, simulated } = joint();
    // Each reading sees z with variance 0.25 + 0.11: precision 1 + 2 / 0.36.
    const precision = 1 + 2 / 0.36;
    const { weights, of } = conditionOn(simulated, [1.2, 0.6], (j, k) => (j === k ? 0.11 : 0), 1);
    const { mean, variance } = momentsOf({ values: of(z), weights });
    expect(mean).toBeCloseTo((1.2 + 0.6) / 0.36 / precision, 1);
    expect(variance).toBeCloseTo(1 / precision, 1);
  });

  it('is what it was when nothing was read, and readings that fit are likelier than those that do not', () => {
    const { z, simulated } = joint();
    expect(conditionOn(simulated, [], () => 0, 1).of(z)).toEqual(z);
    const noise = (j: number, k: number) => (j === k ? 0.1 : 0);
    const fits = conditionOn(simulated, [0.5, 0.5], noise, 1).logEvidence;
    expect(fits).toBeGreaterThan(conditionOn(simulated, [3, -3], noise, 1).logEvidence + 5);
  });
});

describe('a symmetric system', () => {
  it('is solved by its factor', () => {
    const matrix = [
      [4, 2, 0.6],
      [2, 5, 1],
      [0.6, 1, 3],
    ];
    const lower = choleskyFactor((i, j) => matrix[i]![j]!, 3);
    const x = choleskySolve(lower, [1, 2, 3]);
    matrix.forEach((row, i) => expect(row.reduce((sum, value, j) => sum + value * x[j]!, 0)).toBeCloseTo(i + 1, 12));
  });
});
