import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as units from './index';

const BOTH_WAYS: [string, (value: number) => number, (value: number) => number][] = [
  ['temperatures', units.celsiusFromFahrenheit, units.fahrenheitFromCelsius],
  ['weights', units.kgFromLb, units.lbFromKg],
  ['lengths', units.mmFromIn, units.inFromMm],
  ['altitudes', units.mFromFt, units.ftFromM],
];

describe('units', () => {
  for (const [name, there, back] of BOTH_WAYS) {
    it(`bring ${name} there and back`, () => {
      fc.assert(
        fc.property(
          fc.double({ min: -500, max: 5000, noNaN: true }),
          (value) => Math.abs(back(there(value)) - value) < 1e-9 * Math.max(1, Math.abs(value)),
        ),
      );
    });
  }

  it('know the fixed points', () => {
    expect(units.celsiusFromFahrenheit(32)).toBe(0);
    expect(units.fahrenheitFromCelsius(100)).toBe(212);
    expect(units.fahrenheitDifference(10)).toBe(18);
    expect(units.kgFromLb(1)).toBe(0.45359237);
    expect(units.mmFromIn(1)).toBe(25.4);
    expect(units.addMinutes(0, 90)).toBe(5_400_000);
  });
});
