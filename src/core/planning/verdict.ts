import type { ParameterSet } from '../forecast';
import type { PlanProblem } from '../model';
import { provedConflict, search, type BatchOrder, type ForecastCache, type SearchInput } from '../schedule';
import type { PlanInput } from './planInput';
import { batchOrders, searchInputOf } from './searchInput';

/** Why there is no plan: whether that is proved, and demands of which none can be left out. */
export interface Conflict {
  proof: boolean;
  ids: string[];
}

/** Schemes tried for each set of batches: enough to tell a full kitchen from an unlucky order. */
const ITERATIONS = 12;

function isFeasible(orders: readonly BatchOrder[], input: SearchInput): boolean {
  const searching = search(orders, input, { seed: 1, iterations: ITERATIONS });
  for (;;) {
    const step = searching.next();
    if (step.done) return step.value.objective[0] === 0;
    if (step.value.best.objective[0] === 0) return true;
  }
}

/**
 * The demands of a plan that came to nothing which cannot hold together. A batch that cannot stand alone
 * is proved; otherwise batches are taken away one after another as long as what is left still cannot be
 * placed (a deletion filter), and the place, gear or people that ran short are named with the rest.
 */
export function conflictOf(
  input: PlanInput,
  problems: readonly PlanProblem[],
  cache: ForecastCache,
  parameters: ParameterSet,
): Conflict | undefined {
  const broken = problems.filter((problem) => problem.severity === 'broken');
  if (broken.length === 0) return undefined;
  const orders = batchOrders(input);
  const searchInput = searchInputOf(input, cache, parameters);
  const idsOf = (problem: PlanProblem) => ('batchId' in problem ? [problem.batchId] : []);
  const stuck = [...new Set(broken.flatMap(idsOf))];
  for (const id of stuck) {
    const order = orders.find((each) => each.batch.id === id);
    const ids = order && provedConflict(order, searchInput);
    if (ids) return { proof: true, ids };
  }
  const [problem] = broken;
  let left = orders;
  // What was placed without trouble is the likeliest to be needless.
  for (const order of [...orders].sort((a, b) => Number(stuck.includes(a.batch.id)) - Number(stuck.includes(b.batch.id)))) {
    const without = left.filter((each) => each !== order);
    if (without.length > 0 && !isFeasible(without, searchInput)) left = without;
  }
  return { proof: false, ids: [...left.map((order) => order.batch.id), ...resourcesOf(problem!, input)] };
}

function resourcesOf(problem: PlanProblem, { boxes, warmers = [], event }: PlanInput): string[] {
  switch (problem.code) {
    case 'rackFull':
    case 'rackNoSpot':
    case 'rackOverloaded':
      return [problem.pitId, problem.rackId];
    case 'heatConflict':
    case 'poultryAbove':
    case 'onTheRoad':
    case 'nobodyToLight':
      return [problem.pitId];
    case 'boxFull':
      return boxes.map((box) => box.id);
    case 'warmerFull':
      return warmers.map((warmer) => warmer.id);
    case 'noCrew':
      return [...new Set((event.duty ?? []).map((duty) => duty.memberId))];
    case 'nobodyToDrive':
      return [problem.servingId, ...new Set((event.duty ?? []).map((duty) => duty.memberId))];
    default:
      return [];
  }
}
