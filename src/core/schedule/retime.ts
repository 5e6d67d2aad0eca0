import { shuffled } from '../numerics';
import type { Decoded } from './decoded';
import type { Ideal } from './idealMoments';
import { placeBatch } from './placeBatch';
import type { SearchDesk } from './searchDesk';
import { orderOf, wishSooner } from './wishes';

/** All of the way to its ideal moment, half of it, or none. */
const OF_THE_WAY = [1, 0.5, 0] as const;

/** A plan with every batch as near to its ideal moment as it can be had, otherwise as it lies; nothing where that cannot be. */
export function retimed(plan: Decoded, { byMin }: Ideal, desk: SearchDesk, uniform: () => number): Decoded | undefined {
  const away = desk.free.map(({ batch }) => batch.id).filter((id) => Math.round(byMin.get(id) ?? 0) !== 0);
  const again = shuffled(away, uniform);
  const out = new Set(again);
  const kept = plan.steps.filter(({ id, key }) => !out.has(id) || id !== key);
  const scheme = desk.stamp({
    order: [...orderOf(plan).filter((id) => !out.has(id)), ...again],
    overrides: plan.scheme.overrides,
    travel: plan.scheme.travel,
  });
  return desk.decoder.decodeBy(scheme, new Map(kept.map(({ key, placed }) => [key, placed])), (order, context) => {
    for (const share of OF_THE_WAY) {
      const wish = wishSooner(plan, order, Math.round(byMin.get(order.batch.id)! * share));
      const placed = wish && placeBatch(order, context, wish, 0);
      if (placed && placed.left.length === 0) return placed;
    }
    return undefined;
  });
}
