import { longSmokes } from '../fire';
import type { ParameterSet } from '../forecast';
import { kitchenOf, type Library, type Plan, type PlanProblem, type Scheme } from '../model';
import { coldUses, placeSteps, prepProblems } from '../prep';
import { needConflicts, seasoningOf, stagedCarving } from '../quantities';
import {
  climbStrand,
  newForecastCache,
  scheduleBy,
  search,
  searchUntil,
  type BatchOrder,
  type ForecastCache,
  type Found,
  type Progress,
  type SearchOptions,
  type Strand,
} from '../schedule';
import { placedBackOn } from './backOn';
import { assignProbes } from './probes';
import { parametersOf, type PlanInput } from './planInput';
import { batchOrders, searchInputOf } from './searchInput';
import { prepOrders } from './prepOrders';
import { staffed } from './staffing';
import { inOrder, tasksOf } from './tasks';
import { rulesOf } from './travelOf';
import { waitingWork } from './waitingWork';

/** Schemes tried for an event that has none of its own yet. */
const QUICK_ITERATIONS = 200;
/** Where it leaves something out, and there are no more batches than this, it looks as long again with other luck. */
const FEW_BATCHES = 12;

/** The plan an event's own scheme stands for; one found quickly when it has none. */
export function buildPlan(
  input: PlanInput,
  cache: ForecastCache = newForecastCache(),
  parameters: ParameterSet = parametersOf(input),
): Plan {
  const orders = batchOrders(input);
  const searchInput = searchInputOf(input, cache, parameters);
  if (input.event.scheme) return planFrom(input, scheduleBy(orders, searchInput, input.event.scheme));
  const toItsEnd = (options: SearchOptions) => searchUntil(search(orders, searchInput, options), () => false);
  const found = toItsEnd({ seed: 1, iterations: QUICK_ITERATIONS });
  const isEnough = found.objective[0] === 0 || orders.length > FEW_BATCHES;
  return planFrom(input, isEnough ? found : toItsEnd({ seed: 2, iterations: QUICK_ITERATIONS, start: found.scheme }));
}

/** Searches for a better plan, telling the best so far; stop asking to stop it. */
export function* searchPlan(
  input: PlanInput,
  options: SearchOptions,
  cache: ForecastCache = newForecastCache(),
  parameters: ParameterSet = parametersOf(input),
): Generator<Progress, Found> {
  return yield* search(batchOrders(input), searchInputOf(input, cache, parameters), { start: input.event.scheme, ...options });
}

/** A strand of somebody else's search, climbed to its end: the scheme it comes to. */
export function climbedStrand(input: PlanInput, strand: Strand, cache: ForecastCache): Scheme {
  const climbing = climbStrand(batchOrders(input), searchInputOf(input, cache, parametersOf(input)), strand);
  for (;;) {
    const step = climbing.next();
    if (step.done) return step.value.scheme;
  }
}

/** The whole plan of an event round a schedule: prep, probes, tasks, and whatever does not fit. */
export function planFrom(input: PlanInput, { scheme, lower, ...found }: Found): Plan {
  const { event, library } = input;
  // Hands that are not counted carve as the kitchen has carvers.
  const runs = found.stays ? found.runs : stagedCarving(event, library, found.runs, kitchenOf(event).carvers);
  const back = placedBackOn(input, { ...found, runs });
  const scheduled = { ...found, runs, firings: back.firings, ...(back.backOn.length > 0 && { backOn: back.backOn }) };
  const orders = batchOrders(input);
  const prepared = prepOrders(input, scheduled.runs);
  const { prepCrew, deliverAtMs } = kitchenOf(event);
  const prep = placeSteps(prepared, { library, prepCrew, shifts: input.shifts ?? [], deliverAtMs });
  const probes = assignProbes(input.probes ?? [], scheduled.runs);
  const uses = coldUses(event, library, prepared, prep);
  const bare = tasksOf(input, { ...scheduled, prep, probes });
  const waiting = waitingWork(input, scheduled, bare);
  // Version 1 of the file does not ask who is where.
  const stays = rulesOf(input) === 1 ? undefined : scheduled.stays;
  const done = staffed(
    bare,
    waiting,
    { ...scheduled, stays },
    { quiet: input.quiet ?? [], shifts: input.shifts ?? [], earliestMs: input.earliestMs },
  );
  return {
    eventId: event.id,
    revision: event.revision,
    confidence: event.confidence,
    ...scheduled,
    scheme,
    lower,
    problems: [
      ...scheduled.problems,
      ...done.problems,
      ...back.problems,
      ...prepProblems(event, prepared, prep, uses, input.earliestMs),
      ...seasoningProblems(orders, library),
      ...longSmokes(input.pits, scheduled.runs).map(({ run, minutes }): PlanProblem => ({
        code: 'longSmoke',
        severity: 'warning',
        batchId: run.batchId,
        pitId: run.pitId,
        minutes,
      })),
      ...needConflicts(event, library)
        .filter((conflict) => conflict.dishes.length > 0 || conflict.undeclared.length > 0)
        .map(({ servingId, carried, guests, dishes, undeclared, free }): PlanProblem => {
          const batchIds = dishes.map((dish) => dish.id);
          const undeclaredIds = undeclared.map((dish) => dish.id);
          return { code: 'allergenServed', severity: 'warning', servingId, carried, guests, batchIds, undeclaredIds, free };
        }),
    ],
    prep,
    probes,
    tasks: inOrder(done.tasks),
  };
}

function seasoningProblems(orders: readonly BatchOrder[], library: Library): PlanProblem[] {
  return orders.flatMap(({ batch, cut, method }) => {
    const { surfaceSaltShare, saltedTwice } = seasoningOf(batch, cut, method, library, 0);
    return saltedTwice ? [{ code: 'tooSalty' as const, severity: 'warning' as const, batchId: batch.id, saltShare: surfaceSaltShare }] : [];
  });
}
