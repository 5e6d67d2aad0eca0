import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../src/core/check';
import type { CookEvent, ExchangePlan, Plan } from '../../src/core/model';
import { checkedPlan, exchangeEventOf, exchangePlanOf, pinned, planFrom, searchPlan, type PlanInput } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { planInputOf, readEventFile, readOpenPlan, writeEventFile, writeOpenPlan } from '../../src/formats/open';
import { fairFile } from '../fixtures/fair';
import { randomPlacedEvent } from '../fixtures/placedEvents';

/** Random events in a run of the tests; thousands are run with `PLANNER_EVENTS=3000`. */
const EVENTS = Number(process.env.PLANNER_EVENTS ?? 40);
const cache = newForecastCache();

function planOf(input: PlanInput, iterations: number): Plan {
  const searching = searchPlan(input, { seed: 1, iterations }, cache);
  let step = searching.next();
  while (!step.done) step = searching.next();
  return planFrom(input, step.value);
}
const solved = (input: PlanInput, iterations: number): ExchangePlan => exchangePlanOf(input, planOf(input, iterations));

describe('plans of events at two and three places', () => {
  it('keep every rule when they say they are feasible, by a checker that knows nothing of the search', () => {
    let feasible = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const file = readEventFile(writeEventFile(randomPlacedEvent(seed)));
      if (!file.ok) throw new Error(`event ${seed} is not read: ${JSON.stringify(file.problems)}`);
      const input = planInputOf(file.value);
      const plan = solved(input, 3);
      const read = readOpenPlan(writeOpenPlan(plan, file.value.timeZone));
      if (!read.ok) throw new Error(`plan ${seed} is not read back: ${JSON.stringify(read.problems)}`);
      expect(read.value.version).toBe(2);
      if (plan.status === 'feasible') {
        expect(checkPlan(exchangeEventOf(input), read.value), `event ${seed}`).toEqual([]);
        feasible++;
      } else expect(plan.problems.some((problem) => problem.severity === 'broken')).toBe(true);
    }
    expect(feasible / EVENTS).toBeGreaterThan(0.15);
  });

  it('take people and coolers to the fair and back, and leave somebody with the fire', () => {
    const input = planInputOf(fairFile());
    const plan = solved(input, 40);
    expect(plan.status).toBe('feasible');
    expect(checkPlan(exchangeEventOf(input), plan)).toEqual([]);
    const out = plan.trips!.filter((trip) => trip.to === 'fair');
    expect(out.length).toBeGreaterThan(1);
    expect(out.every((trip) => trip.pieces.length > 0 && trip.gear.length > 0)).toBe(true);
    // The same bytes again.
    expect(writeOpenPlan(solved(input, 40), 'America/Halifax')).toBe(writeOpenPlan(plan, 'America/Halifax'));
  });

  it('stand as they are when every run is pinned where it is', () => {
    let compared = 0;
    for (let seed = 1; seed <= 24; seed++) {
      const input = planInputOf(randomPlacedEvent(seed));
      const plan = planOf(input, 3);
      if (plan.problems.some((problem) => problem.severity === 'broken')) continue;
      const event = plan.runs.reduce((all: CookEvent, run) => pinned(all, run), { ...input.event, scheme: plan.scheme });
      const again = checkedPlan({ ...input, event }, cache);
      const told = again.problems.flatMap((problem) =>
        problem.code === 'ruleBroken' && problem.broken.rule !== 13 ? [problem.broken] : [],
      );
      expect(told, `event ${seed}`).toEqual([]);
      const facts = (of: Plan) => of.runs.map((run) => [run.batchId, run.pieceIds.toSorted(), run.onAtMs, run.carveAtMs]).sort();
      expect(facts(again), `event ${seed}`).toEqual(facts(plan));
      expect(again.trips).toEqual(plan.trips);
      compared++;
    }
    expect(compared).toBeGreaterThan(3);
  });

  it('name nobody for two things at once, nor for anything where he is not, tending and making ready included', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const input = planInputOf(randomPlacedEvent(seed));
      const plan = planOf(input, 2);
      const busy = new Map<string, { fromMs: number; toMs: number; task: string }[]>();
      for (const task of exchangePlanOf(input, plan).tasks)
        for (const id of task.who) {
          const span = { fromMs: task.atMs, toMs: task.atMs + task.minutes * 60_000, task: task.kind };
          const own = busy.get(id) ?? [];
          for (const other of own)
            expect(other.toMs <= span.fromMs || span.toMs <= other.fromMs, `event ${seed}: ${id} ${other.task} ${span.task}`).toBe(true);
          busy.set(id, [...own, span]);
          expect(
            plan.stays!.some(
              (stay) => stay.memberId === id && stay.placeId === task.place && stay.fromMs <= span.fromMs && stay.toMs >= span.toMs,
            ),
            `event ${seed}: ${id} ${span.task}`,
          ).toBe(true);
        }
    }
  });

  const broken = (spoil: (plan: ExchangePlan) => void): string[] => {
    const input = planInputOf(fairFile());
    const plan = structuredClone(fair(input));
    spoil(plan);
    return [...new Set(checkPlan(exchangeEventOf(input), plan).map(({ rule, code }) => `${rule} ${code}`))];
  };
  let kept: ExchangePlan | undefined;
  const fair = (input: PlanInput) => (kept ??= solved(input, 40));
  const outOf = (plan: ExchangePlan) => plan.trips!.find((trip) => trip.to === 'fair' && trip.pieces.length > 0)!;
  const SPOILT: [string, string, (plan: ExchangePlan) => void][] = [
    ['a trip that takes less than the road', '15 tripTooShort', (plan) => (outOf(plan).minutes -= 5)],
    ['a trip by nobody who drives', '15 nobodyDrives', (plan) => (outOf(plan).who = ['cy'])],
    ['a trip by somebody who is elsewhere', '15 notThere', (plan) => outOf(plan).who.push('nobody')],
    [
      'a task of somebody who is at the other place',
      '15 taskElsewhere',
      (plan) => (plan.tasks.find((task) => task.kind === 'carve')!.place = 'yard'),
    ],
    ['carving where it is not served', '18 carvedElsewhere', (plan) => (plan.tasks.find((task) => task.kind === 'carve')!.place = 'yard')],
    ['a cooler that stays behind', '16 gearElsewhere', (plan) => (outOf(plan).gear = [])],
    ['meat that is not on board', '18 notBrought', (plan) => (outOf(plan).pieces = [])],
    ['a pit that does not travel', '16 staysPut', (plan) => outOf(plan).pits.push('offset')],
    ['nobody sets up', '18 notSetUp', (plan) => (plan.tasks = plan.tasks.filter((task) => task.kind !== 'setUp'))],
    ['all leave at once while the fire burns', '17 fireAlone', (plan) => (plan.pits[0]!.offAtMs += 20 * 3_600_000)],
    ['pieces that are boxed after the van has left', '18 notPulledBeforeDrive', (plan) => (plan.runs[0]!.pullLateMs += 12 * 3_600_000)],
  ];
  it.each(SPOILT)('are broken by %s', (_, code, spoil) => {
    expect(broken(spoil)).toContain(code);
  });
});
