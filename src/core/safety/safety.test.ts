import { describe, expect, it } from 'vitest';
import { findCut } from '../model';
import { coolLeftover, coreRuleOf, dangerMinutes, lethalityShare, lethalityTable } from './index';

const flat = (tempC: number, minutes: number) => new Float64Array(minutes).fill(tempC);
const butt = {
  massKg: 2.5,
  halfThicknessM: 0.055,
  geometryExponent: 0.9,
  startC: 60,
  conductivityWPerMK: 0.46,
  heatCapacityJPerKgK: 3700,
  densityKgPerM3: 1050,
};

describe('lethality', () => {
  it('meets the published rows of the beef table', () => {
    const beef = lethalityTable({ safetyClass: 'whole' });
    // 54.4 C 112 min, 57.2 C 36 min, 60 C 12 min, 62.8 C 4 min: each is one required lethality, within a sixth.
    for (const [tempC, minutes] of [
      [54.4, 112],
      [57.2, 36],
      [60, 12],
      [62.8, 4],
    ] as const) {
      const share = lethalityShare(flat(tempC, minutes), 1, beef);
      expect(share).toBeGreaterThan(0.83);
      expect(share).toBeLessThan(1.17);
    }
  });

  it('asks more of a bird', () => {
    expect(lethalityShare(flat(62.8, 4), 1, lethalityTable({ safetyClass: 'poultry' }))).toBeLessThan(0.5);
    expect(lethalityShare(flat(71.1, 1), 1, lethalityTable({ safetyClass: 'poultry' }))).toBeGreaterThan(1);
  });
});

describe('the danger zone', () => {
  it('counts the minutes between 5 and 57 C, on the way up and down', () => {
    expect(dangerMinutes([4, 20, 40, 56, 58, 70, 56, 30, 4], 10)).toBe(50);
  });
});

describe('cooling leftovers', () => {
  it('fails for a whole butt in a fridge, and works for thin portions in ice', () => {
    expect(coolLeftover({ body: butt, way: 'fridge' }).keepsRule).toBe(false);
    expect(coolLeftover({ body: butt, portionThicknessMm: 25, way: 'ice' }).keepsRule).toBe(true);
  });

  it('is never slower thinner or colder', () => {
    const first = (portionThicknessMm: number | undefined, way: 'fridge' | 'blast' | 'ice') =>
      coolLeftover({ body: butt, portionThicknessMm, way }).firstMin ?? Infinity;
    expect(first(40, 'fridge')).toBeLessThan(first(80, 'fridge'));
    expect(first(50, 'blast')).toBeLessThan(first(50, 'fridge'));
    expect(first(50, 'ice')).toBeLessThan(first(50, 'blast'));
  });
});

describe('plain rules', () => {
  it('know birds, muscle and dishes', () => {
    expect(coreRuleOf(findCut('turkey-whole')!).limit).toBe(74);
    expect(coreRuleOf(findCut('tri-tip')!).limit).toBe(63);
    expect(coreRuleOf(findCut('pan-dish')!).source).toContain('Food Code');
  });
});
