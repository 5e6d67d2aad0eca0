import type { Objective } from '../model';
import { forecastBatch } from './batchForecast';
import { leastMissMin } from './holdQuality';
import { boundOf, leastDepartureMin } from './objective';
import { alternativesFor, suitablePits } from './alternatives';
import type { BatchOrder } from './order';
import type { SearchInput } from './decoder';
import { itinerary } from '../travel';
import { CrewLedger } from './crewLedger';
import { HeatLedger } from './heatLedger';
import { HoldLedger } from './holdLedger';
import { footprintOf, RackLedger } from './rackLedger';

/** Everything in one place, nobody counted: what no journey can better. */
const anywhere = itinerary({ homeId: '', roads: [], servings: [], gear: [], pits: [], earliestMs: -Infinity });

/** A hot zone finishes sooner than the set point says; the spread of a run is taken as no more than this share of its own. */
const ZONE_SHARE = 0.75;

/**
 * What no plan of these batches can be below, level by level, from each batch alone in empty pits: the
 * hold that misses its band least (a miss is convex, so a narrower spread never misses more), the heat
 * nearest to the method's, and a pit that burns for the longest of the shortest cooks.
 */
export function lowerBound(orders: readonly BatchOrder[], input: SearchInput): Objective {
  const empty = {
    ...input,
    racks: new RackLedger(),
    heat: new HeatLedger(),
    holds: new HoldLedger(),
    crewLedger: new CrewLedger(undefined),
    whereabouts: anywhere,
  };
  let qualityMin = 0;
  let pitHours = 0;
  for (const order of orders) {
    const { batch, cut, method } = order;
    const pieces = batch.pieces.map((piece) => footprintOf(cut, batch.id, piece));
    const { pits } = suitablePits(cut, method, input.pits, pieces, input.limits.bareMeatPit);
    let leastMin = Infinity;
    let leastHours = Infinity;
    for (const { pit, pitC } of alternativesFor(order, pits, empty).filter((alternative) => !alternative.finish)) {
      const zoned = pit.racks.some((rack) => rack.zones?.length);
      const away = leastDepartureMin(Math.abs(pitC - method.pitC));
      const [low, high] = method.pitRangeC;
      for (const heat of [pitC, Math.min(high, pit.rangeC[1]), Math.max(low, pit.rangeC[0])]) {
        const forecast = forecastBatch(input.cache, { ...input, hotHoldC: input.limits.hotHold }, order, pit, heat);
        const shortest = Math.min(...Object.values(forecast.doneMin));
        if (!Number.isFinite(shortest)) continue;
        const spreadMin = shortest * (forecast.late - forecast.early) * (zoned ? ZONE_SHARE : 1);
        leastMin = Math.min(leastMin, away + leastMissMin(order, spreadMin));
        leastHours = Math.min(leastHours, (pit.warmUpMin + shortest * forecast.late * (zoned ? ZONE_SHARE : 1)) / 60);
      }
    }
    if (Number.isFinite(leastMin)) qualityMin += leastMin * batch.pieces.length;
    if (Number.isFinite(leastHours)) pitHours = Math.max(pitHours, leastHours);
  }
  return boundOf(qualityMin / 60, pitHours);
}
