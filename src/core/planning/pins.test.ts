import { beforeAll, describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import type { CookEvent, Plan, Run } from '../model';
import { newForecastCache } from '../schedule';
import { addMinutes, MS_PER_MIN } from '../units';
import {
  buildPlan,
  concernsServing,
  decisionsOf,
  namedPlanOf,
  pinned,
  pinOf,
  planFigures,
  troubledBatches,
  unpinned,
  withNamedPlan,
} from './index';

const event = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 4), batchOf('spare-ribs', 4)]);
const input = inputOf(event);
const cache = newForecastCache();
let plan: Plan;
beforeAll(() => {
  plan = buildPlan(input, cache);
});
const runOf = (batchId: string): Run => plan.runs.find((run) => run.batchId === batchId)!;
const planned = (own: CookEvent) => buildPlan({ ...input, event: { ...own, scheme: plan.scheme } }, cache);

describe('pins', () => {
  it('hold a run where it stands: the plan made again is the same', () => {
    const run = runOf('brisket-whole');
    const again = planned(pinned(event, run)).runs.find((each) => each.batchId === 'brisket-whole')!;
    expect([again.onAtMs, again.pitId, again.pitC, again.pullLateMs, again.carveAtMs]).toEqual([
      run.onAtMs,
      run.pitId,
      run.pitC,
      run.pullLateMs,
      run.carveAtMs,
    ]);
  });

  it('take it where it is put, and let it go as it was', () => {
    const run = runOf('pork-butt');
    const earlier = pinned(event, run, { onAtMs: addMinutes(run.onAtMs, -90) });
    expect(pinOf(earlier, run)).toMatchObject({ batchId: 'pork-butt', onAtMs: run.onAtMs - 90 * MS_PER_MIN });
    expect(planned(earlier).runs.find((each) => each.batchId === 'pork-butt')!.onAtMs).toBe(run.onAtMs - 90 * MS_PER_MIN);
    expect(unpinned(earlier, run).pins).toEqual([]);
    expect(pinOf(unpinned(earlier, run), run)).toBeUndefined();
  });

  it('are one for a run: pinning it again replaces its pin and no other', () => {
    const both = pinned(pinned(event, runOf('brisket-whole')), runOf('pork-butt'));
    const again = pinned(both, runOf('brisket-whole'), { onAtMs: SUPPER_MS - 20 * 3_600_000 });
    expect(again.pins!.map((pin) => pin.batchId).sort()).toEqual(['brisket-whole', 'pork-butt']);
    expect(pinOf(again, runOf('brisket-whole'))!.onAtMs).toBe(SUPPER_MS - 20 * 3_600_000);
    expect(pinOf(again, runOf('pork-butt'))).toEqual(pinOf(both, runOf('pork-butt')));
  });

  it('of part of a batch name its pieces, and let go of just those', () => {
    const run = runOf('pork-butt');
    const half = { ...run, pieceIds: run.pieceIds.slice(0, 2) };
    const [pin] = pinned(event, half).pins!;
    expect(pin!.pieceIds).toEqual(half.pieceIds);
    const whole = pinned(event, { ...run, pieceIds: event.batches[1]!.pieces.map((piece) => piece.id) });
    expect(whole.pins![0]!.pieceIds).toBeUndefined();
    expect(unpinned(whole, half).pins![0]!.pieceIds).toEqual(event.batches[1]!.pieces.map((piece) => piece.id).slice(2));
  });

  it('of another pit hold neither places nor the finish of the old one', () => {
    const run = runOf('brisket-whole');
    const [stays] = pinned(event, run).pins!;
    expect(stays!.places!.map((place) => place.pieceId).sort()).toEqual(
      run.legs.flatMap((leg) => leg.places.map((place) => place.pieceId)).sort(),
    );
    const [goes] = pinned(event, run, { pitId: 'oven' }).pins!;
    expect(goes).not.toHaveProperty('places');
    expect(goes!.pitId).toBe('oven');
  });
});

describe('a plan under a name', () => {
  it('brings back methods, pits, pins, order and confidence as they were', () => {
    const had = { ...pinned(event, runOf('brisket-whole')), pitIds: ['offset', 'oven'], confidence: 0.95 };
    const named = namedPlanOf(had, plan.scheme, 'n1', 'Calm night');
    const changed: CookEvent = {
      ...had,
      confidence: 0.8,
      pins: undefined,
      pitIds: ['oven'],
      batches: had.batches.map((batch) => ({ ...batch, methodId: 'poultry-hot' })),
    };
    const back = withNamedPlan(changed, named);
    expect(back).toMatchObject({ confidence: 0.95, pins: had.pins, pitIds: ['offset', 'oven'], scheme: plan.scheme });
    expect(back.batches).toEqual(had.batches);
    expect(withNamedPlan(had, { ...named, pins: [] }).pins).toBeUndefined();
  });
});

describe('what a plan says of itself', () => {
  it('decides early and late in every long run, while something can still be done', () => {
    const decisions = decisionsOf(input, plan);
    expect(decisions.map(({ atMs }) => atMs)).toEqual(decisions.map(({ atMs }) => atMs).toSorted((a, b) => a - b));
    for (const decision of decisions) {
      const run = plan.runs.find((each) => each.id === decision.runId)!;
      expect(decision.atMs).toBeGreaterThan(run.onAtMs);
      expect(decision.atMs).toBeLessThan(run.pullMedianMs);
      expect(decision.underC).toBeGreaterThan(0);
      expect(decision.underC).toBeLessThan(100);
      expect(decision.levers.length).toBeGreaterThan(0);
      for (const lever of decision.levers) {
        expect(lever.gainMin).toBeGreaterThanOrEqual(10);
        if (lever.code === 'wrap') expect(run.wrapAtMs).toBeDefined();
        else expect(lever.pitC).toBeGreaterThan(run.pitC);
      }
    }
  });

  it('counts its figures from its own runs and fires', () => {
    const figures = planFigures(input, plan, cache);
    expect(figures.pitHours).toBeCloseTo(
      plan.firings.reduce((sum, firing) => sum + (firing.offAtMs - firing.lightAtMs) / 3_600_000, 0),
      9,
    );
    expect(figures.broken).toBe(0);
    expect(figures.firstTaskMs).toBe(Math.min(...plan.firings.map((firing) => firing.lightAtMs)));
    const rawKg = plan.runs.reduce((sum, run) => sum + run.kg, 0);
    expect(figures.yieldKg / rawKg).toBeGreaterThan(0.4);
    expect(figures.yieldKg / rawKg).toBeLessThan(0.85);
    expect(Object.keys(figures.onTimeShare)).toEqual(['supper']);
  });

  it('names whom a problem concerns: a serving’s own, its batches’, or everybody', () => {
    const two = eventOf([batchOf('brisket-whole', 1, { servingId: 'lunch' }), batchOf('pork-butt', 1)]);
    const about = (problem: object, servingId: string) => concernsServing(problem as Plan['problems'][number], two, servingId);
    expect(about({ code: 'startsInPast', severity: 'broken', batchId: 'brisket-whole' }, 'lunch')).toBe(true);
    expect(about({ code: 'startsInPast', severity: 'broken', batchId: 'brisket-whole' }, 'supper')).toBe(false);
    expect(about({ code: 'nobodyToDrive', severity: 'broken', servingId: 'supper' }, 'supper')).toBe(true);
    expect(about({ code: 'nobodyToLight', severity: 'broken', pitId: 'offset' }, 'lunch')).toBe(true);
    expect(about({ code: 'ruleBroken', severity: 'broken', broken: { rule: 9, code: 'heldTooLong', batch: 'pork-butt' } }, 'lunch')).toBe(
      false,
    );
  });

  it('names the batches in trouble: those without a place, else those that are not sure enough, the worst first', () => {
    const broken = { ...plan, problems: [{ code: 'rackFull', severity: 'broken', batchId: 'spare-ribs' }] as unknown as Plan['problems'] };
    expect(troubledBatches(broken, input)).toEqual(['spare-ribs']);
    expect(troubledBatches({ ...plan, problems: [], odds: plan.odds.map((each) => ({ ...each, onTimeShare: 1 })) }, input)).toEqual([]);
    const unsure: Plan = {
      ...plan,
      problems: [],
      odds: [{ ...plan.odds[0]!, onTimeShare: 0.5 }],
      runs: plan.runs.map((run) => ({ ...run, onTimeShare: run.batchId === 'pork-butt' ? 0.6 : 0.9 })),
    };
    expect(troubledBatches(unsure, input)[0]).toBe('pork-butt');
    expect(new Set(troubledBatches(unsure, input))).toEqual(new Set(plan.runs.map((run) => run.batchId)));
  });
});
