import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import type { CookEvent, Plan, Task } from '../model';
import { buildPlan } from './index';

const H = 3_600_000;
const duty = (id: string, fromH: number, toH: number) => ({ memberId: id, fromMs: SUPPER_MS + fromH * H, toMs: SUPPER_MS + toH * H });
const menu = [batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('chicken-thigh', 40)];
const quiet = [{ fromMs: SUPPER_MS - 20 * H, toMs: SUPPER_MS - 14 * H }];
const shifts = [-2, -1, 0].map((day) => ({ fromMs: SUPPER_MS + (day * 24 - 10) * H, toMs: SUPPER_MS + (day * 24 + 2) * H }));
const planned = (event: CookEvent, change = {}) => buildPlan({ ...inputOf(event), quiet, shifts, ...change });
const crewed = eventOf(menu, { duty: [duty('ada', -30, 4), duty('bo', -12, 4)] });
const plan = planned(crewed);
const of = (kind: Task['kind'], from: Plan = plan) => from.tasks.filter((task) => task.kind === kind);

describe('all work', () => {
  it('has a name where people are on duty: fire, wood, prep and what is made ready', () => {
    for (const kind of ['reload', 'wood', 'prepare', 'vent', 'hold'] as const)
      for (const task of of(kind)) expect(task.who, `${kind} ${task.id}`).toHaveLength(1);
    expect(of('serve')[0]!.who!.toSorted()).toEqual(['ada', 'bo']);
    expect(plan.problems.filter((problem) => problem.code === 'unstaffed')).toEqual([]);
  });

  it('is begun by its latest, and nobody is woken for what can be done before', () => {
    const firstUse = (kind: Task['kind']) => Math.min(...of(kind).map((task) => task.atMs));
    for (const task of of('prepare')) {
      const asleep = quiet.some((each) => each.fromMs < task.atMs + task.minutes * 60_000 && each.toMs > task.atMs);
      if (task.what!.code === 'mix') {
        expect(task.atMs + task.minutes * 60_000).toBeLessThanOrEqual(Math.max(firstUse('rub'), firstUse('carve')));
        expect(asleep).toBe(false);
      }
      if (task.what!.code === 'knives' || task.what!.code === 'labels') expect(asleep).toBe(false);
    }
    const codes = new Set(of('prepare').map((task) => task.what!.code));
    for (const code of ['mix', 'knives', 'labels', 'wrapStation', 'fuel'] as const) expect(codes).toContain(code);
  });

  it('takes minutes by weight: forty thighs are put on and pulled in eight, not in forty-two', () => {
    const thighs = plan.runs.filter((run) => run.batchId === 'chicken-thigh');
    const minutes = (kind: 'load' | 'pull') =>
      thighs.reduce((sum, run) => sum + run.work.filter((work) => work.kind === kind).reduce((all, work) => all + work.minutes, 0), 0);
    expect(minutes('load')).toBeLessThan(12);
    expect(minutes('pull')).toBeLessThan(12);
    expect(of('rub').find((task) => task.batchId === 'chicken-thigh')!.minutes).toBeLessThan(20);
  });

  it('is said to be nobody’s when nobody is free for the fire', () => {
    const alone = planned(eventOf(menu, { duty: [duty('ada', -30, 4)] }));
    const names = new Set(alone.tasks.flatMap((task) => task.who ?? []));
    expect([...names]).toEqual(['ada']);
    const uncounted = planned(eventOf(menu));
    expect(uncounted.tasks.every((task) => task.who === undefined)).toBe(true);
    expect(of('prepare', uncounted).length).toBe(of('prepare').length);
  });

  it('is trimmed in the kitchen’s hours as soon as the meat has come, not on the day', () => {
    const deliverAtMs = SUPPER_MS - 32 * H;
    const delivered = planned({ ...crewed, kitchen: { deliverAtMs } });
    for (const task of of('trim', delivered)) {
      expect(task.atMs).toBeGreaterThanOrEqual(deliverAtMs);
      expect(task.atMs).toBeLessThan(SUPPER_MS - 20 * H);
    }
  });
});
