import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf } from '../../../tests/fixtures/events';
import type { Task } from '../model';
import { buildPlan } from './index';

const MIN = 60_000;
const plan = buildPlan(
  inputOf(
    eventOf([
      batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
      batchOf('spare-ribs-squared', 4, { methodId: 'ribs-blocks' }),
      batchOf('chicken-half', 6),
    ]),
  ),
);
const of = (runId: string, kind: Task['kind']) => plan.tasks.find((task) => task.runId === runId && task.kind === kind);
const run = (batchId: string) => plan.runs.find((each) => each.batchId === batchId)!;

describe('the tasks of a plan', () => {
  it('stand in order of time and carry the minutes of the open format', () => {
    for (let i = 1; i < plan.tasks.length; i++) expect(plan.tasks[i]!.atMs).toBeGreaterThanOrEqual(plan.tasks[i - 1]!.atMs);
    const brisket = run('brisket-whole');
    const pieces = brisket.pieceIds.length;
    expect(of(brisket.id, 'load')).toMatchObject({ atMs: brisket.onAtMs, minutes: 2 + pieces });
    expect(of(brisket.id, 'wrap')).toMatchObject({ atMs: brisket.wrapAtMs, minutes: 2 + 3 * pieces });
    expect(of(brisket.id, 'check')).toMatchObject({ atMs: brisket.pullEarlyMs, minutes: 3 });
    expect(of(brisket.id, 'pull')).toMatchObject({ atMs: brisket.pullMedianMs, minutes: 2 + pieces });
    const carved = plan.tasks.filter((task) => task.runId === brisket.id && task.kind === 'carve');
    expect(carved.reduce((sum, task) => sum + task.minutes, 0)).toBe(8 * pieces);
    for (const task of carved) expect(task.atMs).toBeGreaterThanOrEqual(brisket.carveAtMs);
  });

  it('light every fire its warm-up ahead, for a quarter of an hour', () => {
    for (const firing of plan.firings) {
      const task = plan.tasks.find((each) => each.kind === 'light' && each.pitId === firing.pitId && each.atMs === firing.lightAtMs);
      expect(task).toMatchObject({ minutes: 15, pitC: firing.setPoints[0]!.pitC });
      expect(firing.readyAtMs).toBeGreaterThan(firing.lightAtMs);
    }
  });

  it('unwrap time-block ribs by the clock and never wrap what stays bare', () => {
    // At its method's heat throughout: a hotter finish would have them tender, and open, sooner.
    const scheme = { order: [], overrides: {}, seed: 1, iterations: 0 };
    const { runs, tasks } = buildPlan(inputOf(eventOf([batchOf('spare-ribs-squared', 4, { methodId: 'ribs-blocks' })], { scheme })));
    const after = (kind: Task['kind']) => (tasks.find((task) => task.kind === kind)!.atMs - runs[0]!.onAtMs) / MIN;
    // Written as 180 and 300 for whole spare ribs: a squared rack wants less.
    expect(after('wrap')).toBe(170);
    expect(after('unwrap')).toBe(280);
    expect(of(run('chicken-half').id, 'wrap')).toBeUndefined();
  });

  it('vent, then rest in the box until carving; what needs no box rests on the board', () => {
    const brisket = run('brisket-whole');
    const vent = of(brisket.id, 'vent')!;
    const hold = of(brisket.id, 'hold')!;
    expect(of(brisket.id, 'rest')).toBeUndefined();
    expect(vent.atMs).toBeLessThan(hold.atMs);
    expect(hold.atMs + hold.minutes * MIN).toBe(brisket.carveAtMs);
    const roast = buildPlan(inputOf(eventOf([batchOf('tri-tip', 1)]), undefined, []));
    const rest = roast.tasks.find((task) => task.kind === 'rest');
    expect(rest).toMatchObject({ runId: roast.runs[0]!.id, minutes: roast.runs[0]!.restMin });
    expect(roast.tasks.some((task) => task.kind === 'hold')).toBe(false);
  });

  it('end with the serving', () => {
    const serve = plan.tasks.find((task) => task.kind === 'serve')!;
    expect(serve).toMatchObject({ servingId: 'supper', minutes: 45 });
    for (const task of plan.tasks) expect(task.atMs).toBeLessThan(serve.atMs + serve.minutes * MIN);
  });
});
