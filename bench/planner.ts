import { SHIPPED_PARAMETERS } from '../src/core/forecast';
import { newForecastCache, scheduleBy, search, usualIterations } from '../src/core/schedule';
import { checkPlan } from '../src/core/check';
import {
  batchOrders,
  conflictOf,
  draggedPlan,
  exchangeEventOf,
  exchangePlanOf,
  planFrom,
  searchInputOf,
  searchPlan,
} from '../src/core/planning';
import { planInputOf } from '../src/formats/open';
import { kitchen, kitchenAway } from './kitchens';
import { nastyKitchen } from './nasty';

/** First and settled plans, with forecasts made before and not counted. */
export function benchPlanner(sizes: [batches: number, pieces: number, pits: number, roadMin?: number][]): void {
  for (const [batches, pieces, pits, roadMin] of sizes) {
    const input = planInputOf(roadMin ? kitchenAway(batches, pieces, pits, roadMin) : kitchen(batches, pieces, pits));
    const cache = newForecastCache();
    const begun = performance.now();
    searchPlan(input, { seed: 1, iterations: 0 }, cache).next();
    const forecasts = performance.now() - begun;
    const again = performance.now();
    const searching = searchPlan(input, { seed: 1, iterations: usualIterations(batches) }, cache);
    let first: number | undefined;
    let step = searching.next();
    let settled = 0;
    let best = '';
    while (!step.done) {
      first ??= performance.now() - again;
      const value = step.value.best.objective.join(' ');
      if (value !== best) [best, settled] = [value, performance.now() - again];
      step = searching.next();
    }
    const whole = performance.now() - again;
    console.log(
      `${batches} batches, ${pieces} pieces, ${pits} pits${roadMin ? `, supper ${roadMin} min away` : ''}: forecasts ${forecasts.toFixed(0)} ms, first plan ${first!.toFixed(0)} ms, last better ${settled.toFixed(0)} ms, whole search ${whole.toFixed(0)} ms; ${step.value.objective.join(' ')} (bound ${step.value.lower.join(' ')})`,
    );
  }
}

/** What a run costs that is dragged: the plan with it moved, turned into a file's shape and checked. */
export function benchDrag(): void {
  const input = planInputOf(kitchen(12, 40, 3));
  const searching = searchPlan(input, { seed: 1, iterations: 0 }, newForecastCache());
  let step = searching.next();
  while (!step.done) step = searching.next();
  const plan = planFrom(input, step.value);
  const event = exchangeEventOf(input);
  const TIMES = 50;
  const begun = performance.now();
  for (let i = 0; i < TIMES; i++)
    checkPlan(event, exchangePlanOf(input, draggedPlan(plan, plan.runs[i % plan.runs.length]!.id, 5 * i)), { physics: false });
  console.log(`a run of 12 batches dragged and checked again: ${((performance.now() - begun) / TIMES).toFixed(1)} ms`);
}

/** What a plan is told to have of odds, beside 100,000 other days of the same law. */
export function benchOdds(): void {
  console.log('\nOdds as told, and of the same plan on 100,000 other days');
  for (const [batches, pieces, pits] of [
    [5, 20, 1],
    [8, 30, 2],
    [12, 40, 3],
  ] as const) {
    const input = planInputOf(kitchen(batches, pieces, pits));
    const orders = batchOrders(input);
    const searchInput = searchInputOf(input, newForecastCache(), SHIPPED_PARAMETERS);
    const searching = search(orders, searchInput, { seed: 1, iterations: usualIterations(batches) });
    let step = searching.next();
    while (!step.done) step = searching.next();
    const { odds } = scheduleBy(orders, searchInput, step.value.scheme, { days: 100_000, seed: 'others' });
    for (const { servingId, onTimeShare } of step.value.odds) {
      const other = odds.find((each) => each.servingId === servingId)!.onTimeShare;
      const apart = (100 * Math.abs(onTimeShare - other)).toFixed(2);
      console.log(
        `${batches} batches, ${servingId}`.padEnd(24),
        `told ${onTimeShare.toFixed(4)}   others ${other.toFixed(4)}   ${apart} points apart`,
      );
    }
  }
}

const toItsEnd = <T>(searching: Generator<unknown, T>): T => {
  for (;;) {
    const step = searching.next();
    if (step.done) return step.value;
  }
};

/**
 * How the usual search does beside one ten times as long, on busy kitchens: on how many it is no more than 2 % worse, level by
 * level; how many of those that can be planned at all it plans; and whether what it says cannot hold together is placed by a search
 * of that set alone, ten times as long.
 */
export function benchSearch(events: number): void {
  console.log(`\nThe usual search beside one ten times as long, ${events} busy kitchens`);
  const LEVELS = ['broken', 'risk', 'quality', 'people', 'cost'] as const;
  const near = LEVELS.map(() => 0);
  const told = { asGood: 0, usualMs: 0, longMs: 0, found: 0, possible: 0, named: 0, proved: 0, wrong: 0, namingMs: 0 };
  for (let seed = 1; seed <= events; seed++) {
    const file = nastyKitchen(seed);
    const input = planInputOf(file);
    const cache = newForecastCache();
    const iterations = usualIterations(file.batches.length);
    const searched = (times: number) => {
      const begun = performance.now();
      const found = toItsEnd(searchPlan(input, { seed: 1, iterations: times * iterations }, cache));
      return { found, objective: found.objective, ms: performance.now() - begun };
    };
    searched(0);
    const [usual, long] = [searched(1), searched(10)];
    told.usualMs += usual.ms;
    told.longMs += long.ms;
    if (usual.objective[0] === 0 || long.objective[0] === 0) told.possible++;
    if (usual.objective[0] === 0) told.found++;
    usual.objective.forEach((value, level) => (near[level]! += Number(value <= long.objective[level]! * 1.02 + 1e-9)));
    // What decides between the two is the first figure that differs.
    const first = usual.objective.findIndex(
      (value, level) => Math.abs(value - long.objective[level]!) > 0.02 * long.objective[level]! + 1e-9,
    );
    if (first < 0 || usual.objective[first]! < long.objective[first]!) told.asGood++;
    let conflict = '';
    if (usual.objective[0] > 0) {
      const begun = performance.now();
      const said = conflictOf(input, planFrom(input, usual.found), cache, SHIPPED_PARAMETERS);
      told.namingMs = Math.max(told.namingMs, performance.now() - begun);
      conflict = said ? `${said.word} (${said.ids.length})` : 'nothing named';
      if (said?.word === 'impossible') told.proved++;
      if (said?.word === 'noneFound' && said.ids.length > 0) {
        told.named++;
        const own = batchOrders(input).filter((order) => said.ids.includes(order.batch.id));
        const alone = toItsEnd(
          search(own, searchInputOf(input, cache, SHIPPED_PARAMETERS), { seed: 2, iterations: 10 * usualIterations(own.length) }),
        );
        if (alone.objective[0] === 0) told.wrong++;
      }
    }
    console.log(
      `${String(seed).padStart(3)}: ${file.batches.length} batches, ${file.pits.length} pits`.padEnd(28),
      `${usual.objective.map((value) => value.toFixed(1)).join(' ')} in ${(usual.ms / 1000).toFixed(1)} s`.padEnd(44),
      `ten times: ${long.objective.map((value) => value.toFixed(1)).join(' ')} in ${(long.ms / 1000).toFixed(1)} s   ${conflict}`,
    );
  }
  console.log(
    LEVELS.map((level, i) => `${level} ${((100 * near[i]!) / events).toFixed(0)} %`).join(', '),
    `within 2 %; ${told.asGood} no worse on the first figure that differs by more; ${(told.usualMs / events / 1000).toFixed(1)} s and ${(told.longMs / events / 1000).toFixed(1)} s a kitchen`,
  );
  console.log(
    `planned ${told.found} of ${told.possible} that one of the two can plan; of the others ${told.proved} proved impossible, in ${told.named} a set is named, in ${told.wrong} of them wrongly; naming took ${(told.namingMs / 1000).toFixed(1)} s at most; ${Math.round(process.memoryUsage().rss / 1e6)} MB in all`,
  );
}
