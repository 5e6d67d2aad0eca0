import { SHIPPED_PARAMETERS, type ParameterSet } from '../forecast';
import { cutIn, methodIn, type CookEvent, type HoldingBox, type Library, type Pit, type Plan } from '../model';
import { schedule, type BatchOrder, type ForecastCache } from '../schedule';
import { tasksOf } from './tasks';

/** All that a plan depends on. The same input gives the same plan, in the browser and on the server. */
export interface PlanInput {
  event: CookEvent;
  /** The pits and boxes the event may use. */
  pits: Pit[];
  boxes: HoldingBox[];
  library: Library;
  /** No fire is lit before this; the present moment, for an event that lies ahead. */
  earliestMs: number;
}

/** The batches of an event that can be planned: known cut and method, a serving, at least one piece. */
export function batchOrders({ event, library }: Pick<PlanInput, 'event' | 'library'>): BatchOrder[] {
  return event.batches.flatMap((batch) => {
    const cut = cutIn(library, batch.cutId);
    const method = methodIn(library, batch.methodId);
    const serving = event.servings.find((each) => each.id === batch.servingId);
    return cut && method && serving && batch.pieces.length > 0 ? [{ batch, cut, method, serving }] : [];
  });
}

/** Builds the whole plan of an event: runs, fires, tasks, and whatever does not fit. */
export function buildPlan(input: PlanInput, cache: ForecastCache = new Map(), parameters: ParameterSet = SHIPPED_PARAMETERS): Plan {
  const { event } = input;
  const orders = batchOrders(input);
  const scheduled = schedule(orders, {
    pits: input.pits,
    boxes: input.boxes,
    parameters,
    altitudeM: event.altitudeM,
    confidence: event.confidence,
    earliestMs: input.earliestMs,
    cache,
  });
  return {
    eventId: event.id,
    revision: event.revision,
    confidence: event.confidence,
    ...scheduled,
    tasks: tasksOf(input, scheduled),
  };
}
