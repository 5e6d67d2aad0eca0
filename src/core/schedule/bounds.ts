import type { Objective } from '../model';
import { AIR_GAP_MM } from '../packing';
import { MS_PER_MIN } from '../units';
import { forecastBatch } from './batchForecast';
import { leastMissMin } from './holdQuality';
import { boundOf, hourlyCost, leastDepartureMin } from './objective';
import { claimOf, roomMm2 } from './roomProof';
import { alternativesFor, suitablePits } from './alternatives';
import type { BatchOrder } from './order';
import type { SearchInput } from './decoded';
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
 * What the fires cost at least, in pit-hours and a share of their fuel: each batch needs so much rack, or so much bearing, for no
 * less than its quickest cook, and an hour of fire gives no more than a pit has. The linear programme (hours of each pit at
 * their price, batches shared out among pits at will) falls apart into its batches, each to where its share costs least.
 */
function leastFireCost(orders: readonly BatchOrder[], input: SearchInput): number {
  const gapMm = Math.min(AIR_GAP_MM, input.airGapMm);
  const pits = new Map(
    input.pits.map((pit) => [
      pit.id,
      {
        perHour: hourlyCost(pit, pit.rangeC[0], input.weather),
        warmUpH: pit.warmUpMin / 60,
        mm2: pit.racks.reduce((sum, rack) => sum + roomMm2(rack, gapMm), 0),
        kg: pit.racks.reduce((sum, rack) => sum + rack.maxKg, 0),
      },
    ]),
  );
  let [byArea, byLoad, longest, warmUp] = [0, 0, 0, Infinity];
  for (const order of orders) {
    const claim = claimOf(order, input, gapMm);
    if (!claim) continue;
    const able = [...claim.pitIds].map((id) => pits.get(id)!);
    const hours = claim.durationMs / (60 * MS_PER_MIN);
    byArea += hours * claim.mm2 * Math.min(...able.map(({ perHour, mm2 }) => perHour / mm2));
    byLoad += hours * claim.kg * Math.min(...able.map(({ perHour, kg }) => perHour / kg));
    longest = Math.max(longest, hours * Math.min(...able.map(({ perHour }) => perHour)));
    warmUp = Math.min(warmUp, ...able.map(({ perHour, warmUpH }) => perHour * warmUpH));
  }
  return warmUp < Infinity ? Math.max(byArea, byLoad, longest) + warmUp : 0;
}

/**
 * What no plan of these batches can be below, level by level. From each batch alone in empty pits: the
 * hold that misses its band least (a miss is convex, so a narrower spread never misses more) and the heat
 * nearest to the method's. From all of them together: what the fires cost.
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
  for (const order of orders) {
    const { batch, cut, method } = order;
    const pieces = batch.pieces.map((piece) => footprintOf(cut, batch.id, piece));
    const { pits } = suitablePits(cut, method, input.pits, pieces, input.limits.bareMeatPit);
    let leastMin = Infinity;
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
      }
    }
    if (Number.isFinite(leastMin)) qualityMin += leastMin * batch.pieces.length;
  }
  return boundOf(qualityMin / 60, leastFireCost(orders, input));
}
