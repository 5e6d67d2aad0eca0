import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findCut, methodIn, SHIPPED_LIBRARY, typicalTrimmedKg, type Wrap } from '../model';
import { boilingPointC, airPressurePa } from '../thermal';
import {
  cookSetup,
  findStall,
  holdTogether,
  minutesAbove,
  minutesToMush,
  runCook,
  SHIPPED_PARAMETERS,
  steadyPit,
  type HoldingPlace,
} from './index';

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
    for (const cutId of ['pork-butt', 'brisket-whole', 'beef-chuck-roast', 'spare-ribs-squared', 'lamb-shoulder']) {
      const times = (['none', 'paper', 'foil'] as const).map(
        (wrap) => cookOf(cutId, typicalTrimmedKg(findCut(cutId)!), 121, wrap).doneAtMin,
      );
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
    const setup = cookSetup(findCut('pork-butt')!, { massKg: 3, startC: 4 }, methodIn(SHIPPED_LIBRARY, 'low-bare')!, SHIPPED_PARAMETERS, {
      pit: steadyPit(107),
      done: { by: 'probe', coreC: 115 },
    });
    expect(runCook(setup, SHIPPED_PARAMETERS).status).toBe('never');
  });

  it('loses pit heat to the opening at loading and gets it back', () => {
    const open = runCook(
      cookSetup(findCut('pork-butt')!, { massKg: 3, startC: 4 }, methodIn(SHIPPED_LIBRARY, 'low-bare')!, SHIPPED_PARAMETERS, {
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
  const waiting = (pieces: number) => ({ cook, pieces, softeningH: 3 });
  const plan = { restBare: false, ventMin: 15, restMin: 60, roomC: 20, longestMin: 840 };
  const hold = (pieces: number, place: HoldingPlace) => holdTogether([waiting(pieces)], SHIPPED_PARAMETERS, { ...plan, place })[0]!;
  const box = { kind: 'box', lossWPerK: 0.7 } as const;

  it('keeps meat hot for hours in a box, longer the fuller it is', () => {
    const above = (pieces: number, place: HoldingPlace) => minutesAbove(hold(pieces, place).coreC, 60) ?? 841;
    expect(above(4, box)).toBeGreaterThan(above(1, box));
    expect(above(1, box)).toBeGreaterThan(above(1, { kind: 'tent' }));
    expect(above(1, { kind: 'tent' })).toBeGreaterThan(90);
  });

  it('shares one box between all that is in it', () => {
    const alone = hold(1, box);
    const [first, second] = holdTogether([waiting(1), waiting(3)], SHIPPED_PARAMETERS, { ...plan, place: box });
    expect(first!.coreC.at(-1)!).toBeGreaterThan(alone.coreC.at(-1)!);
    expect(first!.coreC.at(-1)!).toBeCloseTo(second!.coreC.at(-1)!, 6);
    expect(first!.coreC.at(-1)!).toBeCloseTo(hold(4, box).coreC.at(-1)!, 6);
  });

  it('settles at a warmer’s air and never below it', () => {
    const warm = hold(1, { kind: 'warmer', airC: 63 });
    expect(warm.coreC.at(-1)!).toBeGreaterThan(62.5);
    expect(warm.coreC.at(-1)!).toBeLessThan(68);
    expect(minutesAbove(warm.coreC, 60)).toBeUndefined();
  });

  it('goes on turning collagen while it is warm, and knows mush', () => {
    const hot = holdTogether([waiting(1)], SHIPPED_PARAMETERS, {
      ...plan,
      ventMin: 0,
      restMin: 0,
      place: { kind: 'warmer', airC: 90 },
    })[0]!;
    expect(hot.convertedShare.at(-1)!).toBeGreaterThan(hold(1, { kind: 'warmer', airC: 63 }).convertedShare.at(-1)!);
    expect(minutesToMush(hot)).toBeGreaterThan(60);
  });

  it('does not touch the body it starts from', () => {
    const before = Float64Array.from(cook.body.cellsC);
    hold(1, box);
    expect(cook.body.cellsC).toEqual(before);
  });
});

describe('what a method changes', () => {
  const run = (extra: Parameters<typeof cookSetup>[2], options = {}) =>
    runCook(
      cookSetup(findCut('brisket-whole')!, { massKg: 5.7, startC: 4 }, extra, SHIPPED_PARAMETERS, {
        pit: steadyPit(121, 18, 9),
        ...options,
      }),
      SHIPPED_PARAMETERS,
      { bothEnds: true },
    );
  const bare = run({ wrap: 'none', wrapWhen: {} });

  it('sets the bark of a bare butt or brisket at 4.5 to 5.5 h at 121 C and 3 to 3.5 h at 149', () => {
    for (const [cutId, massKg] of [
      ['pork-butt', 3.63],
      ['brisket-whole', 5.9],
    ] as const) {
      const low = cookOf(cutId, massKg, 121).barkSetAtMin! / 60;
      const hot = cookOf(cutId, massKg, 149).barkSetAtMin! / 60;
      expect(low).toBeGreaterThan(4.5);
      expect(low).toBeLessThan(5.5);
      expect(hot).toBeGreaterThan(3);
      expect(hot).toBeLessThan(3.55);
    }
  });

  it('wraps by bark, by whichever comes first, or only when all have come', () => {
    const byBark = run({ wrap: 'paper', wrapWhen: { bark: true } });
    expect(byBark.wrapAtMin).toBe(byBark.barkSetAtMin);
    const first = run({ wrap: 'paper', wrapWhen: { coreC: 74, afterMin: 120 } });
    expect(first.wrapAtMin).toBe(120);
    const every = run({ wrap: 'paper', wrapWhen: { coreC: 60, afterMin: 420, all: true } });
    expect(every.wrapAtMin).toBe(420);
  });

  it('is slower sprayed, quicker rescued', () => {
    expect(run({ wrap: 'none', wrapWhen: {}, spray: { fromMin: 180, everyMin: 45 } }).doneAtMin).toBeGreaterThan(bare.doneAtMin);
    expect(run({ wrap: 'none', wrapWhen: {} }, { rescue: { wrap: 'foil', afterMin: 300 } }).doneAtMin).toBeLessThan(bare.doneAtMin);
  });

  it('reports what the thin end suffers while the thick end decides', () => {
    const { thinEnd } = bare;
    expect(thinEnd!.doneAtMin!).toBeLessThan(bare.doneAtMin);
    expect(thinEnd!.coreC).toBeGreaterThan(bare.doneCoreC);
    expect(thinEnd!.convertedShare).toBeGreaterThan(bare.convertedShare);
  });

  it('is done sooner when marbled, later when lean, later when it must fall apart', () => {
    const graded = (grade: 'select' | 'choice' | 'marbled') =>
      runCook(
        cookSetup(findCut('brisket-whole')!, { massKg: 5.7, startC: 4, grade }, { wrap: 'none', wrapWhen: {} }, SHIPPED_PARAMETERS, {
          pit: steadyPit(121),
        }),
        SHIPPED_PARAMETERS,
      ).doneAtMin;
    expect(graded('marbled')).toBeLessThan(graded('choice'));
    expect(graded('select')).toBeGreaterThan(graded('choice'));
    expect(run({ wrap: 'none', wrapWhen: {} }, { chew: 'soft' }).doneAtMin).toBeGreaterThan(bare.doneAtMin);
  });

  it('counts a sear in the pull', () => {
    const roast = (hotFinish?: { pitC: number; minutes: number }) =>
      runCook(
        cookSetup(findCut('tri-tip')!, { massKg: 1.1, startC: 4 }, { wrap: 'none', wrapWhen: {}, hotFinish }, SHIPPED_PARAMETERS, {
          pit: steadyPit(121),
        }),
        SHIPPED_PARAMETERS,
      );
    expect(roast({ pitC: 260, minutes: 3 }).doneCoreC).toBeLessThan(roast().doneCoreC - 0.5);
  });

  it('takes smoke only where there is any, and a ring of a few millimetres', () => {
    expect(bare.smoke.uptakeH).toBeGreaterThan(1);
    expect(bare.smoke.ringMm).toBeGreaterThan(1);
    expect(bare.smoke.ringMm).toBeLessThan(15);
    expect(run({ wrap: 'none', wrapWhen: {} }, { smoke: { output: 0, darkShare: 0 } }).smoke.uptakeH).toBe(0);
  });
});
