import { describe, expect, it } from 'vitest';
import { airPressurePa, boilingPointC, latentHeatJPerKg, saturationLogSlopePerK, saturationPressurePa } from './water';

describe('water', () => {
  it('matches steam-table pressures within 0.2 %', () => {
    // IAPWS saturation pressures, Pa.
    for (const [tempC, pa] of [
      [0.01, 611.66],
      [20, 2339.3],
      [60, 19_946],
      [80, 47_414],
      [100, 101_418],
    ] as const) {
      expect(Math.abs(saturationPressurePa(tempC) / pa - 1)).toBeLessThan(0.002);
    }
  });

  it('has the slope of its own curve', () => {
    for (const tempC of [5, 40, 75, 99]) {
      const numeric = Math.log(saturationPressurePa(tempC + 1e-4) / saturationPressurePa(tempC - 1e-4)) / 2e-4;
      expect(saturationLogSlopePerK(tempC)).toBeCloseTo(numeric, 6);
    }
  });

  it('boils about 1 C lower every 300 m', () => {
    expect(boilingPointC(airPressurePa(0))).toBeCloseTo(100, 1);
    const at1500 = boilingPointC(airPressurePa(1500));
    expect(at1500).toBeGreaterThan(94.5);
    expect(at1500).toBeLessThan(95.5);
  });

  it('knows the latent heat at 100 C', () => {
    expect(Math.abs(latentHeatJPerKg(100) / 2.2564e6 - 1)).toBeLessThan(0.005);
  });
});
