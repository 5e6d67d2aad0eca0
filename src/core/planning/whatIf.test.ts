import { describe, expect, it } from 'vitest';
import { CALM, runSamples, SHIPPED_PARAMETERS } from '../forecast';
import {
  cutIn,
  libraryWith,
  methodIn,
  METHODS,
  methodsFor,
  purposeOf,
  SHIPPED_LIBRARY,
  typicalTrimmedKg,
  type PitKind,
  type SmokeWanted,
} from '../model';
import { whatIfEnsemble, whatIfAnswer, whatIfSetup, type WhatIfRequest } from './index';

const ask = (cutId: string, methodId: string, extra: Partial<WhatIfRequest> = {}): WhatIfRequest => {
  const method = methodIn(SHIPPED_LIBRARY, methodId)!;
  return {
    cut: cutIn(SHIPPED_LIBRARY, cutId)!,
    method,
    massKg: 3.6,
    startC: 4,
    grade: 'choice',
    pitC: method.pitC,
    pitKind: 'offset',
    altitudeM: 0,
    weather: CALM,
    darkShare: 0,
    chew: 'usual',
    ...extra,
  };
};

describe('the bench', () => {
  it('gives the median at once and the range when the samples are in', () => {
    const request = ask('pork-butt', 'low-paper');
    const quick = whatIfAnswer(request, []);
    expect(quick.done.p10).toBe(quick.done.p90);
    expect(quick.band.minutes).toEqual([]);
    const full = whatIfAnswer(request, runSamples(whatIfSetup(request), SHIPPED_PARAMETERS, whatIfEnsemble(request), 0, 60));
    expect(full.coreC).toEqual(quick.coreC);
    expect(full.done.p10).toBeLessThan(quick.done.p50);
    expect(full.done.p90).toBeGreaterThan(quick.done.p50);
    expect(full.band.minutes.length).toBe(full.band.p10C.length);
  });

  it('tells when the core passes into the stall, to the usual wrap and nearly to tender', () => {
    const request = ask('pork-butt', 'low-bare');
    const { milestones, done } = whatIfAnswer(
      request,
      runSamples(whatIfSetup(request), SHIPPED_PARAMETERS, whatIfEnsemble(request), 0, 40),
    );
    const times = milestones.map(({ at }) => at!.p50);
    expect(milestones.map(({ coreC }) => coreC)).toEqual([65, 74, 90]);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(times[2]!).toBeLessThan(done.p50);
    for (const { at } of milestones) expect(at!.p10).toBeLessThan(at!.p90);
    const roast = whatIfAnswer(ask('tri-tip', 'roast-slow', { massKg: 1.1 }), []);
    expect(roast.milestones.map(({ at }) => at)).toEqual([undefined, undefined, undefined]);
  });

  it('hears a wish for more or less smoke where wood is laid on, and nowhere else', () => {
    const smokeOf = (pitKind: PitKind, smokeWanted: SmokeWanted, methodId = 'low-bare') =>
      whatIfAnswer(ask('pork-butt', methodId, { pitKind, smokeWanted }), []).smokeH;
    const usual = smokeOf('kettle', 'usual');
    expect(smokeOf('kettle', 'light') / usual).toBeCloseTo(45 / 75, 6);
    expect(smokeOf('kettle', 'heavy') / usual).toBeCloseTo(45 / 30, 6);
    expect(whatIfAnswer(ask('pork-butt', 'low-bare', { pitKind: 'kettle' }), []).smokeH).toBe(usual);
    for (const kind of ['offset', 'pellet'] as const) expect(smokeOf(kind, 'light')).toBe(smokeOf(kind, 'heavy'));
    // It is not for hours: the cook is the same.
    const minutesOf = (smokeWanted: SmokeWanted) =>
      whatIfAnswer(ask('pork-butt', 'low-bare', { pitKind: 'kettle', smokeWanted }), []).done.p50;
    expect(minutesOf('heavy')).toBe(minutesOf('light'));
  });

  it('sets a rule by weight with a usual piece, right for that and wrong for another', () => {
    const cut = cutIn(SHIPPED_LIBRARY, 'pork-butt')!;
    const usual = whatIfAnswer(ask('pork-butt', 'low-bare', { massKg: typicalTrimmedKg(cut) }), []);
    expect(usual.byWeight!.minutes / usual.done.p50).toBeCloseTo(1, 2);
    const half = whatIfAnswer(ask('pork-butt', 'low-bare', { massKg: typicalTrimmedKg(cut) / 2 }), []);
    expect(half.byWeight!.minutes).toBeCloseTo(usual.byWeight!.minutes / 2, 6);
    expect(half.done.p50).toBeGreaterThan(1.2 * half.byWeight!.minutes);
  });

  it('shows what a wrap costs and gives', () => {
    const bare = whatIfAnswer(ask('pork-butt', 'low-bare'), []);
    const foil = whatIfAnswer(ask('pork-butt', 'low-foil'), []);
    const pan = whatIfAnswer(ask('pork-butt', 'pan-braise'), []);
    expect(foil.done.p50).toBeLessThan(bare.done.p50);
    expect(foil.yieldShare).toBeGreaterThan(bare.yieldShare);
    expect(pan.yieldShare).toBeGreaterThan(bare.yieldShare);
    expect(bare.yieldShare).toBeCloseTo(0.58, 1);
    expect(foil.smokeH).toBeLessThanOrEqual(bare.smokeH);
  });

  it('holds a rare roast against the rules, and a bird', () => {
    const roast = whatIfAnswer(ask('tri-tip', 'roast-slow', { massKg: 1.1 }), []);
    expect(roast.rule.reachedC).toBeLessThan(roast.rule.limitC);
    const bird = whatIfAnswer(ask('chicken-half', 'poultry-hot', { massKg: 1 }), []);
    expect(bird.rule.reachedC).toBeGreaterThanOrEqual(bird.rule.limitC - 0.1);
    expect(bird.lethalityShare).toBeGreaterThan(1);
  });

  it('flags too much dark smoke, and only where there is smoke', () => {
    const dark = (methodId: string, cutId: string, darkShare: number) => whatIfAnswer(ask(cutId, methodId, { darkShare }), []).tooDark;
    expect(dark('low-bare', 'pork-butt', 0)).toBe(false);
    expect(dark('low-bare', 'pork-butt', 0.5)).toBe(true);
    expect(dark('dish-oven', 'pan-dish', 0.5)).toBe(false);
  });

  it('knows which leftovers cool in time', () => {
    const { cooling } = whatIfAnswer(ask('pork-butt', 'low-bare'), []);
    const kept = Object.fromEntries(cooling.map((each) => [each.label, each.keepsRule]));
    expect(kept['whole, fridge']).toBe(false);
    expect(kept['portioned, ice']).toBe(true);
  });
});

describe('the library', () => {
  it('ships at least eighteen methods over every purpose, each with its price in a line', () => {
    expect(METHODS.length).toBeGreaterThanOrEqual(18);
    for (const method of METHODS) {
      expect(method.line.length).toBeGreaterThan(25);
      expect(method.pitC).toBeGreaterThanOrEqual(method.pitRangeC[0]);
      expect(method.pitC).toBeLessThanOrEqual(method.pitRangeC[1]);
      if (method.wrap !== 'none') expect(Object.keys(method.wrapWhen).length).toBeGreaterThan(0);
    }
    for (const cut of SHIPPED_LIBRARY.cuts) {
      expect(methodsFor(SHIPPED_LIBRARY, cut).length).toBeGreaterThan(0);
      expect(cut.signs.length).toBeGreaterThan(10);
      expect(cut.probe.length).toBeGreaterThan(10);
    }
  });

  it('puts the owner’s versions in place of the shipped and new ones last', () => {
    const changed = { ...METHODS[1]!, name: 'Mine' };
    const added = { ...METHODS[1]!, id: 'own', name: 'Own' };
    const library = libraryWith({ cuts: [], methods: [added, changed], recipes: [] });
    expect(library.methods[1]!.name).toBe('Mine');
    expect(library.methods.at(-1)!.id).toBe('own');
    expect(library.methods).toHaveLength(METHODS.length + 1);
    expect(purposeOf(cutIn(library, 'spare-ribs')!)).toBe('ribs');
  });
});
