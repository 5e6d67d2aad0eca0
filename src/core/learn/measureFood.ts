import type { DayState, KeptDay } from '../day';
import { cutIn, type Batch } from '../model';
import { demandOf, type Demand } from '../quantities';
import { figureKey } from './figure';
import type { Measure, MeasuredDay } from './measuredDay';

/** Cooked over trimmed raw, of each batch that was weighed as it came to be carved. */
export function measureYields({ input: { event } }: KeptDay, state: DayState, endMs: number): Measure[] {
  return event.batches.flatMap((batch): Measure[] => {
    const share = yieldOfBatch(batch, state);
    return share === undefined ? [] : [[figureKey('yield', batch.cutId), endMs, share]];
  });
}

/** Of one batch; undefined where it was not weighed. */
export function yieldOfBatch(batch: Batch, state: DayState): number | undefined {
  const pulled = batch.pieces.filter(({ id }) =>
    Object.values(state.pieces).some(
      ({ batchId, pieceId, pulledAtMs }) => batchId === batch.id && pieceId === id && pulledAtMs !== undefined,
    ),
  );
  const rawKg = pulled.reduce((sum, { kg }) => sum + kg, 0);
  const cookedKg = state.weighed.ready[batch.id];
  return cookedKg === undefined || cookedKg <= 0 || rawKg <= 0 ? undefined : cookedKg / rawKg;
}

/** Cooked, as the trade would reckon, whatever helping its owner gave. */
const usualKg = ({ dishes }: Demand): number =>
  dishes.reduce((sum, { portions, usual }) => sum + (portions * usual.gramsPerPortion) / 1000, 0);

/**
 * What guests ate over what the product reckons for them without a margin, by the meal: over all meat of a serving together, since who eats
 * less of one eats more of another. Where nothing of it was left nobody knows what they would have eaten: that serving says nothing.
 */
export function eatenShare({ kept: { input }, state, mealOf }: MeasuredDay, endMs: number): Measure[] {
  const { event, library } = input;
  const { ready, left } = state.weighed;
  const { habits: _, ...usual } = library;
  const demands = demandOf(event, usual, mealOf);
  return event.servings.flatMap((serving): Measure[] => {
    const meats = event.batches.filter(({ id, servingId, cutId, second }) => {
      const cut = cutIn(library, cutId);
      return servingId === serving.id && !second && cut !== undefined && cut.species !== 'dish' && demands.has(id);
    });
    if (meats.length === 0 || meats.some(({ id }) => ready[id] === undefined || left[id] === undefined)) return [];
    const [eatenKg, leftKg, reckonedKg] = meats.reduce(
      ([eaten, over, reckoned], { id }) => [
        eaten + ready[id]! - left[id]!,
        over + left[id]!,
        reckoned + usualKg(demands.get(id)!) / (1 + (serving.marginShare ?? 0)),
      ],
      [0, 0, 0] as [number, number, number],
    );
    if (leftKg <= 0 || eatenKg <= 0 || reckonedKg <= 0) return [];
    return [[figureKey('portion', serving.meal ?? mealOf(serving)), endMs, eatenKg / reckonedKg]];
  });
}
