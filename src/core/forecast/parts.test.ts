import { describe, expect, it } from 'vitest';
import { findCut, methodIn, SHIPPED_LIBRARY, typicalTrimmedKg } from '../model';
import { createBody } from '../thermal';
import { barkRatePerH, startSmoke, takeSmoke } from './bark';
import { drippedShare, drynessOf, emptyBoundary, heatShareLeft, pitBoundary, restBoundary, wetShareAt, type RestPlace } from './boundary';
import { predictLogged } from './backtest';
import { crossValidate, fitErrors, fitParameters, NO_DATA } from './fit';
import { loggedSetup, runLoggedCook, type LoggedCook } from './logged';
import { correctionFor, SHIPPED_PARAMETERS, softeningHours } from './parameters';
import { pitClimate } from './pit';
import { cookSetup } from './setup';
import { findStall } from './stall';
import { predictedYield } from './yield';
import { steadyPit } from './pit';

const { global } = SHIPPED_PARAMETERS;
const setup = cookSetup(findCut('pork-butt')!, { massKg: 3.6, startC: 4 }, methodIn(SHIPPED_LIBRARY, 'low-bare')!, SHIPPED_PARAMETERS, {
  pit: steadyPit(121),
});
const body = () => createBody(setup.body, 0);

describe('the drying surface', () => {
  const wetAfter = (evaporatedShare: number) => {
    const piece = body();
    piece.evaporatedKg = evaporatedShare * piece.spec.massKg;
    return wetShareAt(global, drynessOf(global, piece));
  };

  it('is wet at first, dries as water leaves, and keeps the least a dried one has', () => {
    expect(wetAfter(0)).toBe(global.wetShare);
    expect(wetAfter(0.5 * global.dryingShare)).toBeLessThan(global.wetShare);
    expect(wetAfter(0.5 * global.dryingShare)).toBeGreaterThan(global.driedShare);
    expect(wetAfter(2)).toBe(global.driedShare);
  });

  it('lets juice run from deeper in, by the hottest core so far', () => {
    expect(drippedShare(global, 40)).toBe(0);
    expect(drippedShare(global, 73)).toBeCloseTo(global.dripShare / 2, 6);
    expect(drippedShare(global, 99)).toBe(global.dripShare);
  });

  it('has less to heat the more it has lost, but never nothing', () => {
    expect(heatShareLeft(global, 0)).toBe(1);
    expect(heatShareLeft(global, 0.3)).toBeLessThan(0.7);
    expect(heatShareLeft(global, 1)).toBeGreaterThan(0.3);
  });
});

describe('boundaries', () => {
  const made = (wrap: 'none' | 'paper' | 'foil' | 'pan', dryness = 0) => {
    const boundary = emptyBoundary();
    pitBoundary(boundary, global, pitClimate(undefined), wrap, 121, dryness, wetShareAt(global, dryness));
    return boundary;
  };
  const rested = (place: RestPlace, wrap: 'none' | 'paper' | 'foil', surfaceC = 90) => {
    const boundary = emptyBoundary();
    restBoundary(boundary, global, place, 20, wrap, 0.1, surfaceC);
    return boundary;
  };

  it('evaporate less the tighter the wrap, and condense only bare', () => {
    expect(made('paper').wetShare).toBeLessThan(made('none').wetShare);
    expect(made('foil').wetShare).toBeLessThan(made('paper').wetShare);
    expect(made('pan').wetShare).toBeLessThan(made('paper').wetShare);
    expect(made('none').condensingShare).toBe(1);
    for (const wrap of ['paper', 'foil', 'pan'] as const) expect(made(wrap).condensingShare).toBe(0);
  });

  it('radiate less through foil and into a pan', () => {
    expect(made('foil').radiationFactor).toBeLessThan(made('none').radiationFactor);
    expect(made('pan').radiationFactor).toBeLessThan(made('none').radiationFactor);
    expect(made('paper').radiationFactor).toBe(made('none').radiationFactor);
  });

  it('bring less heat through a dry crust, while vapour leaves by the film as before', () => {
    expect(made('none', 1).filmWPerM2K).toBeCloseTo(made('none').filmWPerM2K / (1 + global.crustResistance), 9);
    expect(made('none', 1).radiationFactor).toBeCloseTo(made('none').radiationFactor / (1 + global.crustResistance), 9);
    expect(made('none', 1).vapourFilmWPerM2K).toBe(made('none').vapourFilmWPerM2K);
    expect(made('none', 0.6).drySkin).toBe(true);
    expect(made('none', 0.2).drySkin).toBe(false);
  });

  it('lose less at rest under a tent, through a wrap, and from a cooler surface', () => {
    expect(rested('tent', 'none').filmWPerM2K).toBeLessThan(rested('board', 'none').filmWPerM2K);
    for (const wrap of ['paper', 'foil'] as const)
      expect(rested('board', wrap).filmWPerM2K).toBeLessThan(rested('board', 'none').filmWPerM2K);
    expect(rested('board', 'none', 40).filmWPerM2K).toBeLessThan(rested('board', 'none').filmWPerM2K);
  });

  it('breathe through paper, not through foil, nor in a shut box', () => {
    expect(rested('board', 'paper').wetShare).toBeGreaterThan(0);
    expect(rested('board', 'foil').wetShare).toBe(0);
    expect(rested('enclosed', 'none').wetShare).toBe(0);
    expect(rested('tent', 'none').wetShare).toBeLessThan(rested('board', 'none').wetShare);
  });
});

describe('bark and smoke', () => {
  it('brown a dry, hot surface and leave a wet one alone', () => {
    expect(barkRatePerH(1, 90)).toBe(0);
    expect(barkRatePerH(0.2, 85)).toBeCloseTo(2 * barkRatePerH(0.2, 75), 9);
  });

  it('land while the surface is cool and stop the ring where the pigment sets', () => {
    const cool = startSmoke();
    takeSmoke(cool, body(), setup, 1, 60, 60);
    expect(cool.uptakeH).toBe(1);
    expect(cool.ringMm).toBeGreaterThan(1);
    expect(cool.ringStopped).toBe(false);
    const hot = startSmoke();
    const cooked = body();
    cooked.cellsC.fill(80);
    cooked.surfaceC = 95;
    takeSmoke(hot, cooked, setup, 1, 60, 60);
    expect(hot.uptakeH).toBe(0);
    expect(hot.ringStopped).toBe(true);
    const dark = startSmoke();
    takeSmoke(dark, body(), { ...setup, smoke: { output: 1, darkShare: 0.5 } }, 1, 60, 60);
    expect(dark.darkH).toBe(0.5);
  });
});

describe('the stall', () => {
  const trace = (coreC: number[]) => ({
    stepMin: 5,
    coreC: Float64Array.from(coreC),
    surfaceC: new Float64Array(coreC.length),
    pitC: new Float64Array(coreC.length),
  });
  const ramp = (fromC: number, toC: number, steps: number) => Array.from({ length: steps }, (_, i) => fromC + ((toC - fromC) * i) / steps);

  it('is where the core stands still between 60 and 80 C', () => {
    const stall = findStall(trace([...ramp(4, 66, 30), ...ramp(66, 69, 40), ...ramp(69, 95, 20)]))!;
    expect(stall.fromMin).toBeGreaterThan(28 * 5);
    expect(stall.toMin).toBeLessThan(73 * 5);
    expect(stall.toMin - stall.fromMin).toBeGreaterThan(150);
  });

  it('is not there in a cook that never slows', () => {
    expect(findStall(trace(ramp(4, 95, 60)))).toBeUndefined();
    expect(findStall(trace(ramp(4, 50, 60)))).toBeUndefined();
  });
});

describe('parameters', () => {
  it('soften beef slower than pork, and correct only the cuts that were fitted', () => {
    expect(softeningHours(global, 'beef')).toBeCloseTo(global.softeningH * global.beefSoftening, 9);
    expect(softeningHours(global, 'lamb')).toBeGreaterThan(softeningHours(global, 'pork'));
    expect(correctionFor(SHIPPED_PARAMETERS, 'lamb-shoulder')).toEqual({ thicknessScale: 1, collagenScale: 1 });
    for (const [, { thicknessScale, collagenScale }] of Object.entries(SHIPPED_PARAMETERS.cuts)) {
      expect(Math.abs(Math.log(thicknessScale))).toBeLessThan(0.35);
      expect(Math.abs(Math.log(collagenScale))).toBeLessThan(0.3);
    }
  });

  it('tell how well they met their log', () => {
    expect(SHIPPED_PARAMETERS.fit!.logRmse).toBeLessThan(0.1);
    expect(SHIPPED_PARAMETERS.fit!.milestoneLogRmse).toBeLessThan(0.12);
    expect(SHIPPED_PARAMETERS.fit!.unseenCutMilestoneLogRmse).toBeLessThan(0.15);
    expect(SHIPPED_PARAMETERS.fit!.worstFinalC).toBeLessThan(7);
    expect(SHIPPED_PARAMETERS.fit!.unseenCutLogRmse).toBeGreaterThan(SHIPPED_PARAMETERS.fit!.logRmse);
  });
});

describe('yield', () => {
  it('is the cut’s own for its plain low cook, more when less is lost', () => {
    const cut = findCut('pork-butt')!;
    const plainly = runLoggedCook(logged({}), SHIPPED_PARAMETERS);
    const massKg = typicalTrimmedKg(cut);
    expect(predictedYield(cut, massKg, plainly.evaporatedShare + plainly.drippedShare, SHIPPED_PARAMETERS)).toBeCloseTo(cut.yieldShare, 2);
    expect(predictedYield(cut, massKg, 0.2, SHIPPED_PARAMETERS)).toBeGreaterThan(cut.yieldShare);
  });
});

const logged = (extra: Partial<LoggedCook>): LoggedCook => ({
  id: 'x',
  cutId: 'pork-butt',
  massKg: 3.63,
  startC: 4,
  pitSteps: [{ fromMin: 0, pitC: 121 }],
  altitudeM: 0,
  airC: 20,
  wrap: 'none',
  wrapWhen: {},
  done: { by: 'tender' },
  observedH: 11.5,
  observedFinalC: 95,
  ...extra,
});

describe('fit and back-test', () => {
  it('bring the model nearer to a log that differs from it', () => {
    const slow = [
      logged({ id: 'a', observedH: 13 }),
      logged({ id: 'b', cutId: 'brisket-whole', massKg: 5.9, observedH: 14.5 }),
      logged({ id: 'c', cutId: 'spare-ribs-squared', massKg: 1.25, observedH: 6 }),
    ];
    const fitted = fitParameters({ ...NO_DATA, finishes: slow }, SHIPPED_PARAMETERS, { perCut: false, rounds: 6, begin: global });
    expect(fitErrors(slow, fitted).logRmse).toBeLessThan(fitErrors(slow, SHIPPED_PARAMETERS).logRmse);
    expect(fitErrors(slow, fitted).rows).toBe(3);
    expect(crossValidate({ ...NO_DATA, finishes: slow }, SHIPPED_PARAMETERS, 2).finishes).toBeGreaterThan(0);
  });

  it('pass over cooks without hours', () => {
    expect(fitErrors([logged({ observedH: undefined })], SHIPPED_PARAMETERS).rows).toBe(0);
  });

  it('foresee a range about the cook they would have run', () => {
    const prediction = predictLogged(logged({}), SHIPPED_PARAMETERS)!;
    expect(prediction.hours.p50 * 60).toBeCloseTo(runLoggedCook(logged({}), SHIPPED_PARAMETERS).doneAtMin, 6);
    expect(Math.log(prediction.hours.p90 / prediction.hours.p10)).toBeGreaterThan(0.25);
    expect(predictLogged(logged({ done: { by: 'probe', coreC: 130 } }), SHIPPED_PARAMETERS)).toBeUndefined();
    expect(() => loggedSetup(logged({ cutId: 'griffin' }), SHIPPED_PARAMETERS)).toThrow('griffin');
  });
});
