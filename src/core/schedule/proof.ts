import type { Pit } from '../model';
import { addMinutes } from '../units';
import { forecastBatch } from './batchForecast';
import type { SearchInput } from './decoded';
import type { BatchOrder } from './order';
import { strictClock, suitablePits } from './alternatives';
import { fitsAlone, footprintOf } from './rackLedger';
import { firstCarveMs, offPitMin } from './window';

/** What no cook of a batch can be quicker than, in any of these pits at the hottest its method bears. */
export interface QuickestCook {
  /** Minutes on a pit that are reserved at least; infinite where it is never done. */
  shortestMin: number;
  /** Minutes between its early and its late finish. */
  spreadMin: number;
  dangerMin: number;
  latestOnMs: number;
}

export function quickestCook(order: BatchOrder, input: SearchInput, pits: readonly Pit[]): QuickestCook {
  const { method } = order;
  const quickest: QuickestCook = { shortestMin: Infinity, spreadMin: Infinity, dangerMin: Infinity, latestOnMs: -Infinity };
  for (const pit of pits) {
    const hottestC = Math.min(method.pitRangeC[1], pit.rangeC[1]);
    const zoneC = Math.max(0, ...pit.racks.flatMap((rack) => (rack.zones ?? []).map((zone) => zone.offsetC)));
    // A wrapped finish may be hotter still: then a cook at the hottest of both is quicker than any there is.
    const finishC = method.wrap === 'none' ? hottestC : Math.max(hottestC, ...[(method.finishRangeC ?? method.pitRangeC)[1]]);
    const stepC = Math.max(0, ...(method.steps ?? []).map((step) => step.pitC - method.pitC));
    const steady = { ...order, method: { ...method, steps: undefined } };
    const forecast = forecastBatch(input.cache, { ...input, hotHoldC: 0 }, steady, pit, Math.max(finishC, hottestC + stepC) + zoneC);
    const shortest = Math.min(...Object.values(forecast.doneMin));
    if (!Number.isFinite(shortest)) continue;
    quickest.shortestMin = Math.min(quickest.shortestMin, shortest * forecast.late);
    quickest.spreadMin = Math.min(quickest.spreadMin, shortest * (forecast.late - forecast.early));
    quickest.dangerMin = Math.min(quickest.dangerMin, forecast.dangerLateMin);
    const onMs = addMinutes(firstCarveMs(order), -offPitMin(order) - shortest * forecast.late - pit.warmUpMin);
    quickest.latestOnMs = Math.max(quickest.latestOnMs, onMs);
  }
  return quickest;
}

/**
 * Demands that cannot hold together, for a batch that could not be placed even alone in an empty
 * kitchen: proved from its hottest, quickest cook of a single piece. Nothing when that proves nothing.
 */
export function provedConflict(order: BatchOrder, input: SearchInput): string[] | undefined {
  const { batch, cut, method, serving } = order;
  if (input.crew && input.crew.length === 0) return [batch.id, 'crew'];
  if (input.travelFor({}).troubles.some((trouble) => trouble.code !== 'handsShort' && trouble.servingId === serving.id))
    return [serving.id, 'crew'];
  const pieces = batch.pieces.map((piece) => footprintOf(cut, batch.id, piece));
  const { pits, problem } = suitablePits(cut, method, input.pits, pieces, input.limits.bareMeatPit);
  if (problem) return problem.need === 'size' ? [batch.id, ...input.pits.map((pit) => pit.id)] : [batch.id];
  const homeless = pieces.find((piece) => !pits.some((pit) => pit.racks.some((rack) => fitsAlone(rack, piece) && piece.kg <= rack.maxKg)));
  if (homeless) return [batch.id, ...pits.flatMap((pit) => pit.racks.map((rack) => rack.id))];

  const { shortestMin, spreadMin, dangerMin, latestOnMs } = quickestCook(order, input, pits);
  if (!Number.isFinite(shortestMin)) return [batch.id, ...pits.map((pit) => pit.id)];
  if (strictClock(order) && dangerMin > input.limits.dangerZone) return [batch.id, 'dangerZone'];
  if (spreadMin > method.holdMaxMin) return [batch.id, 'holdMaxMin'];
  if (latestOnMs < input.earliestMs) return [batch.id, serving.id, 'workFrom'];
  return undefined;
}
