import { byTheClock, COLD_C, predictiveLaw, weatherWanderC, type ParameterSet } from '../forecast';
import {
  cutIn,
  isNonIntact,
  methodIn,
  MILD_DAY,
  prepOf,
  type Batch,
  type ClockMethod,
  type CookEvent,
  type Cut,
  type DayWeather,
  type Method,
} from '../model';
import { AIR_GAP_MM } from '../packing';
import { gradeOf } from '../quantities';
import { limitsOf, type Limits } from '../safety';
import { holdingGear, type BatchOrder, type ForecastCache, type ForecastContext, type SearchInput } from '../schedule';
import { parametersOf, type PlanInput } from './planInput';
import { afterPull } from './backOn';
import { rulesOf, travelOf } from './travelOf';

/** The batches of an event that can be planned: known cut and method, a serving, at least one piece. */
export function batchOrders({ event, library, ...input }: Pick<PlanInput, 'event' | 'library' | 'parameters'>): BatchOrder[] {
  const parameters = parametersOf(input);
  const orders = event.batches.flatMap((batch) => {
    const cut = cutIn(library, batch.cutId);
    const method = methodIn(library, batch.methodId);
    const serving = event.servings.find((each) => each.id === batch.servingId);
    if (!cut || !method || !serving || batch.pieces.length === 0) return [];
    return [
      {
        batch,
        cut,
        method: clocked(event, batch, cut, withOwnHold(method, batch), parameters),
        serving,
        temperMin: prepOf(cut, batch).temperMin,
        loadKg: batch.pieces.reduce((sum, piece) => sum + piece.kg, 0),
        nonIntact: isNonIntact(cut, batch),
        ...afterPull(event, batch, cut, method, serving),
      },
    ];
  });
  return orders.sort((a, b) => (contentOf(a) < contentOf(b) ? -1 : contentOf(a) > contentOf(b) ? 1 : 0));
}

/** As long as its owner lets it be held, and no longer than the cut bears. */
const withOwnHold = (method: Method, { holdMaxMin }: Batch): Method => (holdMaxMin === undefined ? method : { ...method, holdMaxMin });

/** Its method by the clock of its heaviest piece. */
function clocked(event: CookEvent, batch: Batch, cut: Cut, method: Method, parameters: ParameterSet): ClockMethod {
  const heaviest = batch.pieces.reduce((most, piece) => (piece.kg > most.kg ? piece : most));
  const { kg, thicknessMm, startC = COLD_C } = heaviest;
  const { altitudeM } = event;
  const { airC } = weatherOf(event);
  return byTheClock(cut, method, { kg, thicknessMm, startC, grade: gradeOf(cut, batch, heaviest.grade), altitudeM, airC }, parameters);
}

/** What a batch is, whatever it is called by: neither ids nor the order of the menu decide between two plans. */
const contentOf = ({ batch, serving }: BatchOrder): string =>
  JSON.stringify([serving.atMs, batch.cutId, batch.methodId, batch.label, batch.pieces.map(({ id: _, ...piece }) => piece)]);

/** The weather of an event's day. */
export const weatherOf = (event: Pick<CookEvent, 'weather'>): DayWeather => event.weather ?? MILD_DAY;

/** How far the event's weather lets pits stray beyond the usual, C. */
export const wanderOf = (event: Pick<CookEvent, 'weather'>): number => weatherWanderC({ ...weatherOf(event), blower: false });

/** What forecasts of an event's runs are asked with, where nothing is held hot. */
export const cookContext = ({ event, ...input }: Pick<PlanInput, 'event' | 'parameters'>, confidence: number): ForecastContext => ({
  parameters: parametersOf(input),
  law: predictiveLaw(parametersOf(input).record, wanderOf(event)),
  altitudeM: event.altitudeM,
  weather: weatherOf(event),
  confidence,
  hotHoldC: 0,
});

/** What the search reads of an event. */
export function searchInputOf(input: PlanInput, cache: ForecastCache, parameters: ParameterSet): SearchInput {
  const { event } = input;
  const limits: Limits = input.limits ?? limitsOf(event);
  const law = predictiveLaw(parameters.record, wanderOf(event));
  const context = {
    parameters,
    law,
    altitudeM: event.altitudeM,
    weather: weatherOf(event),
    confidence: event.confidence,
    hotHoldC: limits.hotHold,
  };
  return {
    pits: input.pits,
    gear: holdingGear(input.boxes, input.warmers ?? []),
    parameters,
    law,
    altitudeM: event.altitudeM,
    confidence: event.confidence,
    earliestMs: input.earliestMs,
    limits,
    airGapMm: input.airGapMm ?? AIR_GAP_MM,
    manualPlacements: (event.manualPlacements ?? []).filter((each) => input.pits.some((pit) => pit.id === each.pitId)),
    crew: event.duty && (event.duty.length > 0 || input.countCrew) ? event.duty : undefined,
    rules: rulesOf(input),
    handPace: input.library.habits?.handPace,
    ...travelOf(input, () => batchOrders(input), { cache, context }),
    cache,
    quiet: input.quiet ?? [],
    weather: weatherOf(event),
    pins: event.pins ?? [],
  };
}
