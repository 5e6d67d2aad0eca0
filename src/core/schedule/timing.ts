import type { Place } from '../model';
import { offsetFactor, shapeKey } from './batchForecast';
import type { Alternative } from './alternatives';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Timing } from './window';

/** When the first and the last of some pieces may be done at the set point. */
export function timingOf(order: BatchOrder, alternative: Alternative, pieces: readonly { pieceId: string }[]): Timing {
  const forecast = alternative.forecast();
  if (pieces.length === order.batch.pieces.length) return forecast;
  const ids = new Set(pieces.map((piece) => piece.pieceId));
  const minutes = order.batch.pieces
    .filter((piece) => ids.has(piece.id))
    .map((piece) => forecast.doneMin[shapeKey(piece)] ?? forecast.pullMedianMin);
  const last = Math.max(...minutes);
  return { pullEarlyMin: Math.min(...minutes) * forecast.early, pullMedianMin: last, pullLateMin: last * forecast.late };
}

/** When the first and the last of a run are done where they lie; undefined when one of them never is. */
export function timingFrom(alternative: Alternative, doneMin: ReadonlyMap<string, number>): Timing | undefined {
  const { early, late } = alternative.forecast();
  const minutes = [...doneMin.values()];
  if (!minutes.every(Number.isFinite)) return undefined;
  const last = Math.max(...minutes);
  return { pullEarlyMin: Math.min(...minutes) * early, pullMedianMin: last, pullLateMin: last * late };
}

export const widest = (a: Timing, b: Timing): Timing => ({
  pullEarlyMin: Math.min(a.pullEarlyMin, b.pullEarlyMin),
  pullMedianMin: Math.max(a.pullMedianMin, b.pullMedianMin),
  pullLateMin: Math.max(a.pullLateMin, b.pullLateMin),
});

/** One piece's median minutes where it lies. */
export function doneMinAt(
  order: BatchOrder,
  context: PlacementContext,
  { pit, pitC, finish, forecast }: Alternative,
  places: readonly Place[],
) {
  const forecastContext = { ...context, hotHoldC: 0 };
  const { doneMin, pullMedianMin } = forecast();
  return new Map(
    places.map((place) => {
      const piece = order.batch.pieces.find((each) => each.id === place.pieceId)!;
      const factor = offsetFactor(context.cache, forecastContext, { order, pit, pitC, finish }, piece, place.offsetC);
      return [place.pieceId, (doneMin[shapeKey(piece)] ?? pullMedianMin) * factor] as const;
    }),
  );
}
