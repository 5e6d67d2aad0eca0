import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, OFFSET, OVEN } from '../../../tests/fixtures/events';
import type { Batch, CookEvent, Pit } from '../model';
import { buildPlan } from '../planning';
import { limitsOf, LOOSEST, safetyReview, STRICT_LIMITS } from './index';

const reviewOf = (batches: Batch[], extra: Partial<CookEvent> = {}, pits: Pit[] = [OFFSET, OVEN]) => {
  const input = inputOf(eventOf(batches, extra), pits);
  const plan = buildPlan(input);
  const findings = safetyReview({ ...input, plan });
  return { plan, find: (code: string) => findings.find((finding) => finding.code === code), findings };
};
const BIRD = batchOf('chicken-half', 4);

describe('the hard values', () => {
  it('are the strict ones without a reason, and never pass the published figure with one', () => {
    expect(limitsOf({})).toEqual(STRICT_LIMITS);
    expect(limitsOf({ loosened: [{ rule: 'hotHold', limit: 57, reason: '  ' }] }).hotHold).toBe(60);
    expect(limitsOf({ loosened: [{ rule: 'hotHold', limit: 57, reason: 'The department asks 57' }] }).hotHold).toBe(57);
    expect(limitsOf({ loosened: [{ rule: 'hotHold', limit: 20, reason: 'no' }] }).hotHold).toBe(LOOSEST.hotHold.limit);
    expect(limitsOf({ loosened: [{ rule: 'dangerZone', limit: 9000, reason: 'no' }] }).dangerZone).toBe(360);
  });

  it('block an injected butt that stays too long in the danger zone, until it is loosened in writing', () => {
    const injected = batchOf('pork-butt', 1, { prep: { temperMin: 60, recipes: { injection: 'injection-butter' } } });
    const strict = reviewOf([injected]);
    expect(strict.plan.runs).toEqual([]);
    expect(strict.plan.problems[0]).toMatchObject({ code: 'dangerZone', allowedMin: 240 });
    expect(strict.find('dangerClock')).toMatchObject({ state: 'breaks', rule: 'dangerZone', loosened: false });
    const loose = reviewOf([injected], { loosened: [{ rule: 'dangerZone', limit: 360, reason: 'Agreed with the department' }] });
    expect(loose.plan.runs).toHaveLength(1);
    expect(loose.find('dangerClock')).toMatchObject({ state: 'keeps', limit: 360, loosened: true });
  });

  it('refuse an injected roast pulled below 68 C', () => {
    const roast = batchOf('tri-tip', 1, { prep: { recipes: { injection: 'injection-butter' } } });
    const { plan, find } = reviewOf([roast]);
    expect(plan.problems).toMatchObject([{ code: 'coreTooLow', requiredC: 68, nonIntact: true }]);
    expect(find('injected')).toMatchObject({ state: 'breaks' });
  });

  it('refuse a rare roast for highly susceptible guests; others get the advisory', () => {
    const event = eventOf([]);
    const servings = [{ ...event.servings[0]!, highlySusceptible: true }];
    expect(reviewOf([batchOf('tri-tip', 1)], { servings }).plan.problems).toMatchObject([{ code: 'rareForSusceptible' }]);
    expect(reviewOf([batchOf('tri-tip', 1)]).find('rare')).toMatchObject({ state: 'watch', stage: 'serve' });
  });

  it('count tempering into the clock', () => {
    const cold = reviewOf([BIRD]).plan.runs[0]!;
    const tempered = reviewOf([{ ...BIRD, prep: { temperMin: 60 } }]).plan.runs[0]!;
    expect(tempered.dangerLateMin).toBeGreaterThan(cold.dangerLateMin + 30);
    // An hour in the kitchen warms it: it is done a little sooner.
    expect(tempered.pullMedianMs - tempered.onAtMs).toBeLessThan(cold.pullMedianMs - cold.onAtMs);
  });
});

describe('the review', () => {
  it('follows the work from the delivery to the ash', () => {
    const { findings } = reviewOf([batchOf('pork-butt', 2), { ...BIRD, prep: { brine: 'timed', recipes: { brine: 'brine-tide' } } }]);
    expect([...new Set(findings.map((finding) => finding.stage))]).toEqual([
      'receive',
      'season',
      'trim',
      'fire',
      'cook',
      'hold',
      'serve',
      'after',
    ]);
    for (const finding of findings) expect(finding.source.length).toBeGreaterThan(5);
  });

  it('asks for what must be measured: arrival, brine, a bird’s peak', () => {
    const { find } = reviewOf([{ ...BIRD, prep: { brine: 'timed', recipes: { brine: 'brine-tide' } } }]);
    expect(find('coldOnArrival')).toMatchObject({ state: 'measure', limit: 5 });
    expect(find('brineCold')).toMatchObject({ state: 'measure' });
    expect(find('poultryPeak')).toMatchObject({ state: 'measure', limit: 74 });
    expect(find('rawPoultry')!.figures).toMatchObject({ prepCrew: 1 });
  });

  it('breaks on meat that came warm, and keeps what came cold', () => {
    const received = { packWhole: true, colourGood: true, fatEven: true, note: '' };
    expect(reviewOf([{ ...BIRD, received: { ...received, coreC: 7 } }]).find('arrivedWarm')).toMatchObject({
      state: 'breaks',
      figures: { coreC: 7 },
    });
    expect(reviewOf([{ ...BIRD, received: { ...received, coreC: 3 } }]).find('coldOnArrival')).toMatchObject({ state: 'keeps' });
  });

  it('names the dangers to people where they bite', () => {
    const fuel = reviewOf([batchOf('pork-butt', 1)]);
    expect(fuel.find('carbonMonoxide')).toBeDefined();
    expect(fuel.find('gasLeak')).toBeUndefined();
    expect(reviewOf([batchOf('pork-butt', 1)], {}, [{ ...OFFSET, kind: 'cabinet' }]).find('gasLeak')).toBeDefined();
    for (const code of ['greaseFire', 'knives', 'ash', 'towing']) expect(fuel.find(code), code).toBeDefined();
  });

  it('sees the water thaw of a heavy piece and the tired driver of a long night', () => {
    const { find } = reviewOf([batchOf('brisket-whole', 1, { prep: { thaw: 'water' } })]);
    expect(find('thawWater')).toMatchObject({ state: 'breaks' });
    expect(find('tiredDriver')).toBeDefined();
    expect(reviewOf([BIRD]).find('tiredDriver')).toMatchObject({ state: 'keeps' });
  });
});
