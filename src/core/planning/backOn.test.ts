import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import type { Batch, CookEvent, Pit } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { placedBackOn } from './backOn';
import { buildPlan } from './buildPlan';
import { rulesBroken } from './checkedPlan';

const HOUR = 60 * MS_PER_MIN;
const cubes = (backOnMin: number, extra: Partial<Batch> = {}): Batch =>
  batchOf('brisket-whole', 1, {
    methodId: 'low-paper',
    second: { name: 'Point cubes', servingId: 'supper', partShare: 0.4, backOnMin },
    ...extra,
  });
const planned = (batches: Batch[], more: Partial<CookEvent> = {}, pits: Pit[] = [OFFSET], earliestMs = SUPPER_MS - 48 * HOUR) => {
  const event = eventOf(batches, { pitIds: pits.map(({ id }) => id), boxIds: ['box'], ...more });
  const input = { ...inputOf(event, pits, [BOX]), earliestMs };
  return { input, plan: buildPlan(input) };
};
const carveMs = addMinutes(SUPPER_MS, -30);

describe('cubes that go back on', () => {
  it('lie in a hot pit for so long after the latest pull, and are off before the knives', () => {
    const { plan } = planned([cubes(60)]);
    const [back] = plan.backOn!;
    const [run] = plan.runs;
    expect(plan.problems.filter(({ code }) => code.startsWith('cubes'))).toEqual([]);
    expect(back!.toMs - back!.fromMs).toBe(60 * MS_PER_MIN);
    expect(back!.fromMs).toBeGreaterThanOrEqual(addMinutes(run!.pullLateMs, back!.cubeMin));
    expect(back!.toMs).toBeLessThan(carveMs);
    expect(back!.kg).toBeGreaterThan(0.8);
    const fire = plan.firings.find(({ pitId }) => pitId === back!.pitId)!;
    expect(fire.readyAtMs).toBeLessThanOrEqual(back!.fromMs);
    // The brisket is off hours before: its fire is kept on, for no longer than it must be.
    expect(fire.offAtMs).toBe(Math.max(back!.toMs, run!.pullLateMs));
    expect(back!.fromMs - addMinutes(run!.pullLateMs, run!.ventMin + back!.cubeMin)).toBeLessThan(10 * MS_PER_MIN);
  });

  it('are work with minutes, said with weight, pans and rack, and nothing where none are wanted', () => {
    const { plan } = planned([cubes(75)]);
    const tasks = plan.tasks.filter(({ what }) => what?.code === 'cubeBackOn' || what?.code === 'cubesOff');
    expect(tasks).toHaveLength(2);
    expect(tasks[0]!.what).toMatchObject({ code: 'cubeBackOn', forMin: 75, pans: 1 });
    expect(tasks[0]!.minutes).toBe(plan.backOn![0]!.cubeMin);
    expect(tasks[0]!.atMs).toBeLessThanOrEqual(addMinutes(plan.backOn![0]!.fromMs, -tasks[0]!.minutes));
    expect(tasks[0]!.atMs).toBeGreaterThanOrEqual(plan.runs[0]!.pullMedianMs);
    const without = planned([cubes(75, { second: { name: 'Point', servingId: 'supper', partShare: 0.4 } })]).plan;
    expect(without.backOn).toBeUndefined();
    expect(without.tasks.some(({ what }) => what?.code === 'cubeBackOn')).toBe(false);
    // With cubes to come it must be off so much sooner.
    expect(plan.runs[0]!.pullLateMs).toBeLessThanOrEqual(addMinutes(carveMs, -75 - plan.backOn![0]!.cubeMin - plan.runs[0]!.ventMin));
  });

  it('go where a fire burns anyway, later, rather than keep another on', () => {
    const chicken = batchOf('chicken-half', 6, { methodId: 'poultry-middle' });
    const { plan } = planned([cubes(60), chicken]);
    const [back] = plan.backOn!;
    const birds = plan.runs.find(({ batchId }) => batchId === 'chicken-half')!;
    const fire = plan.firings.find((each) => each.pitId === back!.pitId && each.offAtMs >= back!.toMs && each.lightAtMs <= back!.fromMs)!;
    expect(fire.offAtMs).toBeGreaterThanOrEqual(back!.toMs);
    // Never under raw poultry, nor on one that lies there.
    const racks = new Map(OFFSET.racks.map((rack) => [rack.id, rack.level]));
    for (const leg of birds.legs.filter((each) => each.pitId === back!.pitId && each.toMs > back!.fromMs && each.fromMs < back!.toMs))
      for (const own of back!.legs) expect(racks.get(own.rackId)!).toBeGreaterThanOrEqual(racks.get(leg.rackId)!);
  });

  it('say so where no rack has room, or no pit is hot enough', () => {
    const full = planned([cubes(60, { second: { name: 'Point cubes', servingId: 'supper', partShare: 0.95, backOnMin: 60 } })], {}, [
      { ...OFFSET, racks: [{ ...OFFSET.racks[0]!, widthMm: 500, depthMm: 320 }] },
    ]).plan;
    expect(full.backOn).toBeUndefined();
    expect(full.problems).toContainEqual(expect.objectContaining({ code: 'cubesNowhere', batchId: 'brisket-whole', severity: 'warning' }));
  });

  it('say how much is short where the owner has it done too late for them', () => {
    const { input, plan } = planned([cubes(60)]);
    const later = (atMs: number) => atMs + 4 * HOUR;
    const runs = plan.runs.map((run) => ({
      ...run,
      pullLateMs: later(run.pullLateMs),
      legs: run.legs.map((leg) => ({ ...leg, fromMs: later(leg.fromMs), toMs: later(leg.toMs) })),
    }));
    const firings = plan.firings.map((firing) => ({ ...firing, offAtMs: later(firing.offAtMs) }));
    const { backOn, problems } = placedBackOn(input, { runs, firings, trips: [] });
    const readyMs = addMinutes(runs[0]!.pullLateMs, runs[0]!.ventMin + backOn[0]!.cubeMin);
    expect(problems).toEqual([
      {
        code: 'cubesTooSoon',
        severity: 'warning',
        batchId: 'brisket-whole',
        minutes: Math.ceil((readyMs - addMinutes(carveMs, -65)) / MS_PER_MIN),
      },
    ]);
  });

  it('may be for an earlier serving than the rest, and the meat goes on for that', () => {
    const lunchMs = SUPPER_MS - HOUR;
    const event = eventOf([]);
    const servings = [event.servings[0]!, { ...event.servings[0]!, id: 'lunch', name: 'Lunch', atMs: lunchMs }];
    const second = { name: 'Point cubes', servingId: 'lunch', partShare: 0.4, backOnMin: 60 };
    const { plan } = planned([cubes(60, { second })], { servings });
    const [back] = plan.backOn!;
    expect(back!.toMs).toBeLessThanOrEqual(addMinutes(lunchMs, -35));
    expect(back!.fromMs).toBeGreaterThanOrEqual(addMinutes(plan.runs[0]!.pullLateMs, back!.cubeMin));
  });

  it('leave every rule of the checker kept', () => {
    for (const batches of [[cubes(60)], [cubes(60), batchOf('pork-butt', 2)], [cubes(90), batchOf('spare-ribs-squared', 4)]]) {
      const { input, plan } = planned(batches, {}, [OFFSET, OVEN]);
      expect(plan.backOn).toHaveLength(1);
      // Nobody is on duty in these events: their fires burn alone with cubes and without.
      expect(rulesBroken(input, plan).filter(({ code }) => code !== 'fireAlone')).toEqual([]);
    }
  });
});
