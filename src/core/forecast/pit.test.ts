import { describe, expect, it } from 'vitest';
import { openingShareLeft, pitClimate, setPointC } from './pit';
import { CALM, weatherWanderC } from './weather';

describe('a pit programme', () => {
  it('jumps at its steps, comes up in a straight line, and knows what its gauge hides', () => {
    const steps = [
      { fromMin: 0, pitC: 107 },
      { fromMin: 180, pitC: 135 },
    ];
    const programme = { steps, openingDropC: 0, recoverMin: 0 };
    expect([0, 179, 180, 500].map((minute) => setPointC(programme, minute))).toEqual([107, 107, 135, 135]);
    expect([0, 30, 60, 61].map((minute) => setPointC({ ...programme, warmUp: { fromC: 47, overMin: 60 } }, minute))).toEqual([
      47, 77, 107, 107,
    ]);
    expect(setPointC({ ...programme, gaugeOffsetC: -12 }, 200)).toBe(123);
  });

  it('counts as recovered when a tenth of the drop is left', () => {
    expect(openingShareLeft(0, 9)).toBe(1);
    expect(openingShareLeft(9, 9)).toBeCloseTo(0.1, 12);
    expect(openingShareLeft(5, 0)).toBe(0);
  });

  it('has a climate for each kind and a neutral one for none', () => {
    expect(pitClimate(undefined)).toEqual({ film: 1, radiation: 1, vapour: 1 });
    expect(pitClimate('pellet').film).toBeGreaterThan(pitClimate('ceramic').film);
    expect(pitClimate('ceramic').vapour).toBeGreaterThan(pitClimate('oven').vapour);
  });

  it('strays further in wind and cold, less with a blower', () => {
    expect(weatherWanderC(CALM)).toBe(0);
    const storm = { airC: -5, windMPerS: 12, blower: false };
    expect(weatherWanderC(storm)).toBeCloseTo(7, 9);
    expect(weatherWanderC({ ...storm, blower: true })).toBeCloseTo(7 / 3, 9);
  });
});
