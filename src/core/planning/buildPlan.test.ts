import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import type { Pit } from '../model';
import { buildPlan, runCurve, stageStates } from './index';

const MIN = 60_000;
const menu = [
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('pork-butt', 2, { methodId: 'low-paper' }),
  batchOf('spare-ribs-squared', 4),
];

describe('a backward plan', () => {
  it('starts a batch so that it is surely rested by carving and its hold falls into its band', () => {
    const plan = buildPlan(inputOf(eventOf([batchOf('pork-butt', 2, { methodId: 'low-bare' })])));
    const [run] = plan.runs;
    expect(plan.problems).toEqual([]);
    // Vent 15 and rest 60 end when carving begins, half an hour before supper, to the minute.
    expect(run!.carveAtMs).toBe(SUPPER_MS - 30 * MIN);
    expect(run!.carveAtMs - run!.pullLateMs).toBeGreaterThanOrEqual(75 * MIN);
    const holdMin = (run!.carveAtMs - run!.pullMedianMs) / MIN - 75;
    expect(holdMin).toBeGreaterThanOrEqual(60);
    expect(holdMin).toBeLessThanOrEqual(240);
    expect(run!.onTimeShare).toBeGreaterThanOrEqual(0.9);
    expect(run!.why.map((reason) => reason.code)).toEqual(expect.arrayContaining(['servingNeeds', 'restNeeds', 'cookTakes', 'idealHold']));
  });

  it('moves every time by exactly the hour that the serving moves', () => {
    const event = eventOf(menu);
    const before = buildPlan(inputOf(event));
    const after = buildPlan(
      inputOf({ ...event, servings: event.servings.map((serving) => ({ ...serving, atMs: serving.atMs - 60 * MIN })) }),
    );
    expect(after.tasks.map((task) => [task.id, task.atMs + 60 * MIN])).toEqual(before.tasks.map((task) => [task.id, task.atMs]));
    expect(after.firings.map((firing) => firing.lightAtMs + 60 * MIN)).toEqual(before.firings.map((firing) => firing.lightAtMs));
  });

  it('keeps the ids of its tasks when times move, for the calendar', () => {
    const plan = buildPlan(inputOf(eventOf(menu)));
    expect(new Set(plan.tasks.map((task) => task.id)).size).toBe(plan.tasks.length);
  });

  it('moves wrapped meat out, goes earlier or shares a heat when the rack is short, and says why', () => {
    const small: Pit = { ...OFFSET, racks: [{ ...OFFSET.racks[0]!, widthMm: 1000, depthMm: 500 }] };
    const event = eventOf([
      batchOf('brisket-whole', 3, { methodId: 'low-paper' }),
      batchOf('spare-ribs-squared', 6, { methodId: 'ribs-bare' }),
    ]);
    const plan = buildPlan(inputOf(event, [small, OVEN]));
    expect(plan.problems.filter(({ severity }) => severity === 'broken')).toEqual([]);
    const codes = plan.runs.flatMap((run) => run.why.map((reason) => reason.code));
    expect(codes.some((code) => code === 'finishesElsewhere' || code === 'sharesHeat' || code.startsWith('moved'))).toBe(true);
  });

  it('reports what is short and when if there is no room at all', () => {
    const tiny: Pit = { ...OFFSET, racks: [{ ...OFFSET.racks[0]!, widthMm: 480, depthMm: 300 }] };
    const plan = buildPlan(inputOf(eventOf([batchOf('brisket-whole', 3)]), [tiny]));
    const problem = plan.problems.find((each) => each.code === 'rackFull');
    expect(problem).toMatchObject({ severity: 'broken', pieces: 2, pitId: 'offset', rackId: 'low' });
    if (problem?.code === 'rackFull') {
      expect(problem.shortMm2).toBeGreaterThan(0);
      expect(problem.toMs).toBeGreaterThan(problem.fromMs);
    }
  });

  it('refuses what no pit can do, each with its own reason', () => {
    const need = (event: ReturnType<typeof eventOf>, pits: Pit[]) => buildPlan(inputOf(event, pits)).problems[0];
    expect(need(eventOf([batchOf('brisket-whole', 1)]), [OVEN])).toMatchObject({ code: 'noSuitablePit', need: 'smoke' });
    expect(need(eventOf([batchOf('brisket-whole', 1, { methodId: 'hot-foil' })]), [{ ...OFFSET, rangeC: [105, 120] }])).toMatchObject({
      need: 'heat',
    });
    expect(need(eventOf([batchOf('pork-butt', 1)]), [{ ...OFFSET, racks: [{ ...OFFSET.racks[0]!, clearanceMm: 60 }] }])).toMatchObject({
      need: 'size',
    });
  });

  it('steps the pit up when the method says so, and shares it only with what wants the same', () => {
    const plan = buildPlan(inputOf(eventOf([batchOf('pork-butt', 2, { methodId: 'step-up' })])));
    const [run] = plan.runs;
    const firing = plan.firings.find((each) => each.pitId === run!.pitId)!;
    expect(firing.setPoints).toEqual([
      { atMs: run!.onAtMs, pitC: 107 },
      { atMs: run!.onAtMs + 180 * MIN, pitC: 135 },
    ]);
    expect(plan.tasks.find((task) => task.kind === 'setPoint')).toMatchObject({ atMs: run!.onAtMs + 180 * MIN, pitC: 135 });
    const steady = buildPlan(inputOf(eventOf([batchOf('pork-butt', 2, { methodId: 'low-bare' })])));
    expect(run!.pullMedianMs - run!.onAtMs).not.toBe(steady.runs[0]!.pullMedianMs - steady.runs[0]!.onAtMs);
  });

  it('will not light a fire in the past', () => {
    const plan = buildPlan({ ...inputOf(eventOf([batchOf('pork-butt', 1)])), earliestMs: SUPPER_MS - 3 * 60 * MIN });
    expect(plan.problems[0]).toMatchObject({ code: 'alreadyPast', pieces: 1 });
    expect(plan.runs).toEqual([]);
  });

  it('needs something to absorb an early finish', () => {
    const plan = buildPlan(inputOf(eventOf([batchOf('brisket-whole', 1)]), [OFFSET], []));
    expect(plan.problems[0]).toMatchObject({ code: 'holdTooLong' });
    expect(buildPlan(inputOf(eventOf([batchOf('brisket-whole', 1)]), [OFFSET], [{ ...BOX, litres: 5 }])).problems[0]).toMatchObject({
      code: 'boxFull',
    });
  });

  it('warns that a rare roast is served below the hot-holding value', () => {
    const plan = buildPlan(inputOf(eventOf([batchOf('tri-tip', 2)])));
    expect(plan.runs).toHaveLength(1);
    expect(plan.problems).toMatchObject([{ code: 'servedBelowHotHold', severity: 'warning' }]);
  });

  it('groups what happens on one pit within ten minutes into one opening', () => {
    const plan = buildPlan(inputOf(eventOf(menu)));
    for (const task of plan.tasks) {
      const together = plan.tasks.filter((each) => each.opening !== undefined && each.opening === task.opening);
      for (const other of together) {
        expect(other.pitId).toBe(task.pitId);
        expect(Math.abs(other.atMs - task.atMs)).toBeLessThanOrEqual(10 * MIN);
      }
    }
  });
});

describe('the curve behind a run', () => {
  it('runs from the cold start over the expected pull to carving', () => {
    const input = inputOf(eventOf(menu));
    const plan = buildPlan(input);
    const run = plan.runs.find((each) => each.batchId === 'pork-butt')!;
    const curve = runCurve(input, run)!;
    expect(curve.coreC[0]).toBe(4);
    // The curve is drawn on a finer grid than the plan was searched on.
    expect(Math.abs(curve.pullMin - (run.pullMedianMs - run.onAtMs) / MIN)).toBeLessThanOrEqual(2);
    expect(Math.max(...curve.coreC)).toBeGreaterThan(90);
    expect(curve.coreC.at(-1)!).toBeGreaterThan(60);
    expect(curve.stall).toBeDefined();
    expect(curve.pitC.at(-1)).toBeUndefined();
  });
});

describe('the stages of an event', () => {
  it('tell what is settled and what needs a decision', () => {
    const empty = inputOf(eventOf([]));
    expect(stageStates(empty, buildPlan(empty))).toMatchObject({
      brief: 'open',
      buying: 'open',
      pits: 'decide',
      plan: 'open',
      racks: 'open',
      'run-sheet': 'open',
    });
    const full = inputOf({ ...eventOf(menu), pitIds: ['offset'] });
    expect(stageStates(full, buildPlan(full))).toEqual({
      brief: 'settled',
      buying: 'open',
      prep: 'open',
      pits: 'settled',
      plan: 'settled',
      racks: 'settled',
      'run-sheet': 'settled',
      service: 'settled',
      safety: 'settled',
      day: 'open',
    });
  });
});
