import type { ParameterSet } from '../forecast';
import type { Objective, Plan } from '../model';
import { search, type ForecastCache } from '../schedule';
import type { PlanInput } from './planInput';
import type { Lever } from './levers';
import { inputWith, LEVER_PRICE, leversFor } from './leversFor';
import { troubledBatches } from './concerns';
import { batchOrders, searchInputOf } from './searchInput';

/** A lever that was pulled for trial, with the plan's figures then. */
export interface Remedy {
  lever: Lever;
  /** Everything fits, and every serving is as sure as was asked. */
  solves: boolean;
  objective: Objective;
  /** The least sure serving then. */
  onTimeShare: number;
}

const ITERATIONS = 8;
/** Batches in trouble that levers are tried for: the worst of them. */
const MOST_BATCHES = 2;

/** Tries every lever by solving the plan again with it; told one by one as they are known. Sort them with `rankRemedies`. */
export function* tryRemedies(input: PlanInput, plan: Plan, cache: ForecastCache, parameters: ParameterSet): Generator<Remedy, void> {
  const troubled = troubledBatches(plan, input).slice(0, MOST_BATCHES);
  if (troubled.length === 0 && !plan.problems.some((problem) => problem.severity === 'broken')) return;
  yield* tryLevers(input, plan, leversFor(input, troubled, plan.problems), cache, parameters);
}

/** Tries every lever that a batch has by itself, whether or not it is in trouble. */
export function* tryLeversOf(
  batchId: string,
  input: PlanInput,
  plan: Plan,
  cache: ForecastCache,
  parameters: ParameterSet,
): Generator<Remedy, void> {
  const own = leversFor(input, [batchId], []).filter(({ lever }) => 'batchId' in lever && lever.code !== 'cookDayBefore');
  yield* tryLevers(input, plan, own, cache, parameters);
}

function* tryLevers(
  input: PlanInput,
  plan: Plan,
  levers: ReturnType<typeof leversFor>,
  cache: ForecastCache,
  parameters: ParameterSet,
): Generator<Remedy, void> {
  for (const each of levers) {
    const changed = inputWith(input, each);
    const searching = search(batchOrders(changed), searchInputOf(changed, cache, parameters), {
      seed: 1,
      iterations: ITERATIONS,
      start: changed.event.scheme ?? plan.scheme,
    });
    let step = searching.next();
    while (!step.done) step = searching.next();
    const { objective, odds } = step.value;
    yield {
      lever: each.lever,
      solves: objective[0] === 0 && objective[1] === 0,
      objective,
      onTimeShare: Math.min(1, ...odds.map((serving) => serving.onTimeShare)),
    };
  }
}

/** Those that help, the cheapest first: what is broken, then how sure, then what the lever costs its owner, then the plan's figures. */
export function rankRemedies(remedies: readonly Remedy[], before: Objective): Remedy[] {
  const helps = ({ objective }: Remedy) => objective[0] < before[0] || (objective[0] === before[0] && objective[1] < before[1]);
  return remedies.filter(helps).sort((a, b) => {
    if (a.solves !== b.solves) return a.solves ? -1 : 1;
    const levels = a.solves ? [] : [0, 1];
    for (const level of levels) if (a.objective[level] !== b.objective[level]) return a.objective[level]! - b.objective[level]!;
    const price = LEVER_PRICE[a.lever.code] - LEVER_PRICE[b.lever.code];
    if (price !== 0) return price;
    for (let level = 0; level < 5; level++) if (a.objective[level] !== b.objective[level]) return a.objective[level]! - b.objective[level]!;
    return 0;
  });
}
