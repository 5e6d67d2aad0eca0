import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findCut, findMethod, type Wrap } from '../model';
import { boilingPointC, airPressurePa } from '../thermal';
import { coolFromPull, cookSetup, findStall, minutesAbove, runCook, SHIPPED_PARAMETERS, steadyPit } from './index';

const cookOf = (
  cutId: string,
  massKg: number,
  pitC: number,
  wrap: Wrap = 'none',
  extra: { altitudeM?: number; thicknessMm?: number; wrapC?: number } = {},
) =>
  runCook(
    cookSetup(
      findCut(cutId)!,
      { massKg, startC: 4, thicknessMm: extra.thicknessMm },
      { wrap, wrapWhen: wrap === 'none' ? {} : { coreC: extra.wrapC ?? 74 } },
      SHIPPED_PARAMETERS,
      {
        pit: steadyPit(pitC),
        altitudeM: extra.altitudeM,
      },
    ),
    SHIPPED_PARAMETERS,
  );

describe('a cook', () => {
  it('stalls a bare butt between 65 and 80 C for more than two hours at 121 C', () => {
    const cook = cookOf('pork-butt', 3.63, 121);
    const stall = findStall(cook.trace)!;
    expect(stall.toMin - stall.fromMin).toBeGreaterThan(120);
    expect(cook.trace.coreC[stall.fromMin]!).toBeGreaterThan(60);
    expect(cook.trace.coreC[stall.toMin]!).toBeLessThan(80);
  });

  it('becomes tender at a higher core when hot and fast', () => {
    const slow = cookOf('brisket-whole', 5.9, 107);
    const fast = cookOf('brisket-whole', 5.9, 149);
    expect(fast.doneCoreC).toBeGreaterThan(slow.doneCoreC + 2);
    expect(fast.doneAtMin).toBeLessThan(0.6 * slow.doneAtMin);
  });

  it('never finishes later in a hotter pit, thinner or wrapped tighter', () => {
    const cuts = ['pork-butt', 'brisket-whole', 'spare-ribs-squared', 'beef-chuck-roast', 'chicken-half', 'pork-loin'];
    fc.assert(
      fc.property(
        fc.constantFrom(...cuts),
        fc.double({ min: 0.8, max: 1.3, noNaN: true }),
        fc.integer({ min: 107, max: 150 }),
        fc.integer({ min: 1, max: 15 }),
        (cutId, scale, pitC, hotterC) => {
          const cut = findCut(cutId)!;
          const massKg = ((cut.typicalBoughtKg[0] + cut.typicalBoughtKg[1]) / 2) * scale;
          const base = cookOf(cutId, massKg, pitC);
          expect(cookOf(cutId, massKg, pitC + hotterC).doneAtMin).toBeLessThanOrEqual(base.doneAtMin + 1e-6);
          const thin = cut.thicknessMm * 0.9;
          expect(cookOf(cutId, massKg, pitC, 'none', { thicknessMm: thin }).doneAtMin).toBeLessThanOrEqual(
            cookOf(cutId, massKg, pitC, 'none', { thicknessMm: cut.thicknessMm }).doneAtMin + 1e-6,
          );
        },
      ),
      { numRuns: 40 },
    );
    for (const cutId of ['pork-butt', 'brisket-whole']) {
      const times = (['none', 'paper', 'foil'] as const).map((wrap) => cookOf(cutId, 4.5, 121, wrap).doneAtMin);
      expect(times[1]!).toBeLessThanOrEqual(times[0]!);
      expect(times[2]!).toBeLessThanOrEqual(times[1]!);
    }
  });

  it('levels off just under the boiling point in a covered pan, at sea level and high up', () => {
    for (const altitudeM of [0, 1800]) {
      const boilingC = boilingPointC(airPressurePa(altitudeM));
      const cook = cookOf('beef-chuck-roast', 1.6, 149, 'pan', { altitudeM, wrapC: 65 });
      expect(Math.max(...cook.trace.coreC)).toBeLessThanOrEqual(boilingC);
    }
    const low = cookOf('pork-butt', 3.6, 135, 'foil');
    const high = cookOf('pork-butt', 3.6, 135, 'foil', { altitudeM: 2400 });
    expect(high.doneAtMin).toBeGreaterThan(low.doneAtMin);
  });

  it('pulls a roast early enough that its peak after resting is the target', () => {
    const cook = cookOf('rib-roast', 2.7, 121);
    expect(cook.peakCoreC!).toBeCloseTo(54, 0);
    expect(cook.doneCoreC).toBeLessThan(53.5);
    expect(cook.doneCoreC).toBeGreaterThan(42);
  });

  it('reports a core that the pit cannot reach instead of running on', () => {
    const setup = cookSetup(findCut('pork-butt')!, { massKg: 3, startC: 4 }, findMethod('low-bare')!, SHIPPED_PARAMETERS, {
      pit: steadyPit(107),
      done: { by: 'probe', coreC: 115 },
    });
    expect(runCook(setup, SHIPPED_PARAMETERS).status).toBe('never');
  });

  it('loses pit heat to the opening at loading and gets it back', () => {
    const open = runCook(
      cookSetup(findCut('pork-butt')!, { massKg: 3, startC: 4 }, findMethod('low-bare')!, SHIPPED_PARAMETERS, {
        pit: steadyPit(121, 20, 10),
      }),
      SHIPPED_PARAMETERS,
    );
    expect(open.trace.pitC[0]).toBe(101);
    expect(open.trace.pitC[10]!).toBeCloseTo(119, 0);
    expect(open.trace.pitC[60]!).toBeCloseTo(121, 1);
  });
});

describe('rest and hold', () => {
  const cook = cookOf('brisket-whole', 5.7, 121, 'paper');
  const plan = { restBare: false, ventMin: 15, restMin: 60, pieces: 3, roomC: 20, longestMin: 600 };

  it('keeps meat hot for hours in a box, longer the fuller it is', () => {
    const alone = minutesAbove(coolFromPull(cook.body, SHIPPED_PARAMETERS, { ...plan, pieces: 1, box: { lossWPerK: 0.7 } }), 60) ?? 601;
    const full = minutesAbove(coolFromPull(cook.body, SHIPPED_PARAMETERS, { ...plan, pieces: 4, box: { lossWPerK: 0.7 } }), 60) ?? 601;
    const tent = minutesAbove(coolFromPull(cook.body, SHIPPED_PARAMETERS, plan), 60) ?? 601;
    expect(full).toBeGreaterThan(alone);
    expect(alone).toBeGreaterThan(tent);
    expect(tent).toBeGreaterThan(90);
  });

  it('does not touch the body it starts from', () => {
    const before = Float64Array.from(cook.body.cellsC);
    coolFromPull(cook.body, SHIPPED_PARAMETERS, plan);
    expect(cook.body.cellsC).toEqual(before);
  });
});
