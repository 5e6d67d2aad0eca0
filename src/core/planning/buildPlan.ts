import { longSmokes } from '../fire';
import { SHIPPED_PARAMETERS, type ParameterSet } from '../forecast';
import {
  cutIn,
  isNonIntact,
  kitchenOf,
  methodIn,
  prepOf,
  type CookEvent,
  type CrewMember,
  type HoldingBox,
  type Library,
  type Pit,
  type Plan,
  type PlanProblem,
  type Probe,
  type Run,
  type Shift,
  type Warmer,
} from '../model';
import { coldUses, placeSteps, prepProblems, type PrepOrder } from '../prep';
import { needConflicts, seasoningOf } from '../quantities';
import { limitsOf } from '../safety';
import { newForecastCache, schedule, type BatchOrder, type ForecastCache } from '../schedule';
import { assignProbes } from './probes';
import { tasksOf } from './tasks';

/** All that a plan depends on. The same input gives the same plan, in the browser and on the server. */
export interface PlanInput {
  event: CookEvent;
  /** The pits and boxes the event may use. */
  pits: Pit[];
  boxes: HoldingBox[];
  warmers?: Warmer[];
  probes?: Probe[];
  crew?: CrewMember[];
  library: Library;
  /** No fire is lit before this; the present moment, for an event that lies ahead. */
  earliestMs: number;
  /** When the kitchen works; it always does when left out. */
  shifts?: Shift[];
}

/** The batches of an event that can be planned: known cut and method, a serving, at least one piece. */
export function batchOrders({ event, library }: Pick<PlanInput, 'event' | 'library'>): BatchOrder[] {
  return event.batches.flatMap((batch) => {
    const cut = cutIn(library, batch.cutId);
    const method = methodIn(library, batch.methodId);
    const serving = event.servings.find((each) => each.id === batch.servingId);
    if (!cut || !method || !serving || batch.pieces.length === 0) return [];
    return [{ batch, cut, method, serving, temperMin: prepOf(cut, batch).temperMin, nonIntact: isNonIntact(cut, batch) }];
  });
}

/** The batches that go on, with the moment their first piece does. */
export function prepOrders({ event, library }: Pick<PlanInput, 'event' | 'library'>, runs: readonly Run[]): PrepOrder[] {
  return batchOrders({ event, library }).flatMap(({ batch, cut }) => {
    const own = runs.filter((run) => run.batchId === batch.id);
    return own.length === 0 ? [] : [{ batch, cut, onAtMs: Math.min(...own.map((run) => run.onAtMs)) }];
  });
}

/** Builds the whole plan of an event: prep, runs, fires, tasks, and whatever does not fit. */
export function buildPlan(
  input: PlanInput,
  cache: ForecastCache = newForecastCache(),
  parameters: ParameterSet = SHIPPED_PARAMETERS,
): Plan {
  const { event, library } = input;
  const orders = batchOrders(input);
  const scheduled = schedule(orders, {
    pits: input.pits,
    boxes: input.boxes,
    warmers: input.warmers ?? [],
    parameters,
    altitudeM: event.altitudeM,
    confidence: event.confidence,
    earliestMs: input.earliestMs,
    limits: limitsOf(event),
    laid: (event.laid ?? []).filter((each) => input.pits.some((pit) => pit.id === each.pitId)),
    cache,
  });
  const prepared = prepOrders(input, scheduled.runs);
  const { hands, deliverAtMs } = kitchenOf(event);
  const prep = placeSteps(prepared, { library, hands, shifts: input.shifts ?? [], deliverAtMs });
  const probes = assignProbes(input.probes ?? [], scheduled.runs);
  const uses = coldUses(event, library, prepared, prep);
  return {
    eventId: event.id,
    revision: event.revision,
    confidence: event.confidence,
    ...scheduled,
    problems: [
      ...scheduled.problems,
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
        .filter((conflict) => conflict.dishes.length > 0)
        .map(({ servingId, carried, guests, dishes, free }): PlanProblem => {
          const batchIds = dishes.map((dish) => dish.id);
          return { code: 'allergenServed', severity: 'warning', servingId, carried, guests, batchIds, free };
        }),
    ],
    prep,
    probes,
    tasks: tasksOf(input, { ...scheduled, prep, probes }),
  };
}

function seasoningProblems(orders: readonly BatchOrder[], library: Library): PlanProblem[] {
  return orders.flatMap(({ batch, cut, method }) => {
    const { surfaceSaltShare, saltedTwice } = seasoningOf(batch, cut, method, library, 0);
    return saltedTwice ? [{ code: 'tooSalty' as const, severity: 'warning' as const, batchId: batch.id, saltShare: surfaceSaltShare }] : [];
  });
}
