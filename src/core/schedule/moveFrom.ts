import type { Override } from '../model';
import type { Decoded, SearchInput } from './decoded';
import type { Ideals } from './idealMoments';
import type { BatchOrder } from './order';
import { orderOf, type Changeable } from './wishes';

/** A plan that is to be changed, what of it may be, and what is wrong with it. */
export interface From {
  current: Decoded;
  orders: readonly BatchOrder[];
  byId: ReadonlyMap<string, BatchOrder>;
  order: string[];
  overrides: Record<string, Override>;
  travel: NonNullable<Changeable['travel']>;
  input: SearchInput;
  uniform: () => number;
  /** Nowhere, late more often than they may be, held outside their band; the worst first. */
  troubled: string[];
  atRisk: string[];
  departing: string[];
  /** How early each batch ideally would be. */
  ideals: Ideals;
}

export function fromOf(current: Decoded, orders: readonly BatchOrder[], input: SearchInput, uniform: () => number, ideals: Ideals): From {
  const byId = new Map(orders.map((order) => [order.batch.id, order]));
  const movable = (each: { batchId: string }[]) => each.map(({ batchId }) => batchId).filter((id) => byId.has(id));
  return {
    current,
    orders,
    byId,
    order: orderOf(current).filter((id) => byId.has(id)),
    overrides: { ...current.scheme.overrides },
    travel: current.scheme.travel ?? {},
    input,
    uniform,
    ideals,
    troubled: movable(current.steps.filter(({ placed }) => placed.left.length > 0).map(({ id }) => ({ batchId: id }))),
    atRisk: movable(current.atRisk),
    departing: movable(current.departing),
  };
}
