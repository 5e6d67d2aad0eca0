import { describe, expect, it } from 'vitest';
import { normalQuantile } from '../numerics';
import { chanceWithin, timeFactor } from './spread';

describe('the spread of cooks', () => {
  it('has the known quantiles of the normal distribution', () => {
    expect(normalQuantile(0.5)).toBeCloseTo(0, 9);
    expect(normalQuantile(0.9)).toBeCloseTo(1.2815515655446004, 8);
    expect(normalQuantile(0.01)).toBeCloseTo(-2.3263478740408408, 8);
  });

  it('turns a quantile into a time and back into its chance', () => {
    for (const quantile of [0.05, 0.3, 0.9, 0.98])
      expect(chanceWithin(0.17, 600, 600 * timeFactor(0.17, quantile))).toBeCloseTo(quantile, 5);
    expect(chanceWithin(0.17, 600, 0)).toBe(0);
  });
});
