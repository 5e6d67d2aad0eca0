import { loosely, type Override } from '../model';
import type { Decoded } from './decoded';
import type { BatchOrder } from './order';
import type { LateRun } from './servingOdds';
import { bears, shiftOf, wishing, type Changeable } from './wishes';

/** Minutes before its latest start that every batch is tried at where a serving is late. */
export const EARLIER_MIN = [60, 120, 240, 480, 960] as const;
/** Shares of what they are early by at which the batches of a serving are tried that is in time. */
export const LESS_EARLY = [0.5, 0.7, 0.85] as const;
const SURER_STEP_MIN = 20;

/** Every batch so much earlier than need be, and at the heat it is given. */
export function allEarlier(
  orders: readonly BatchOrder[],
  earlierMin: number | undefined,
  heats?: ReadonlyMap<string, number>,
): Record<string, Override> {
  return Object.fromEntries(
    orders.map(({ batch }) => [
      batch.id,
      { ...(earlierMin !== undefined && { earlierMin }), ...(heats && { pitC: heats.get(batch.id)! }) },
    ]),
  );
}

/** Every batch that is late more often than its share of what a serving may be, on a little earlier. */
export const saferNeighbour = (current: Decoded, orders: readonly BatchOrder[]): Changeable =>
  soonerNeighbour(current, orders, current.atRisk, (order) => ({
    ...loosely(current.scheme.overrides[order.batch.id]),
    earlierMin: shiftOf(current, order) + SURER_STEP_MIN,
  }));

/** Those that are late most often with other wishes. */
export function soonerNeighbour(
  current: Decoded,
  orders: readonly BatchOrder[],
  late: readonly LateRun[],
  wishOf: (order: BatchOrder) => Override | undefined,
): Changeable {
  return wishingFor(current, orders, latestMost(late), wishOf);
}

/** Batches that are late about as often as the worst. */
export function latestMost(late: readonly LateRun[]): string[] {
  const worst = Math.max(...late.map((each) => each.lateShare));
  return [...new Set(late.filter(({ lateShare }) => lateShare >= worst * 0.4).map(({ batchId }) => batchId))];
}

/** Some batches with other wishes. */
export function wishingFor(
  current: Decoded,
  orders: readonly BatchOrder[],
  ids: Iterable<string>,
  wishOf: (order: BatchOrder) => Override | undefined,
): Changeable {
  const overrides: Record<string, Override> = {};
  for (const id of ids) {
    const order = orders.find((each) => each.batch.id === id);
    const wish = order && wishOf(order);
    if (wish) overrides[id] = wish;
  }
  return wishing(current, overrides);
}

/** The same with some batches nearer to their latest start, by a share. */
export function lessEarly(current: Decoded, orders: readonly BatchOrder[], by: number): Changeable {
  const overrides: Record<string, Override> = {};
  for (const order of orders) {
    const id = order.batch.id;
    overrides[id] = { ...loosely(current.scheme.overrides[id]), earlierMin: Math.round(shiftOf(current, order) * by) };
  }
  return wishing(current, overrides);
}

/** As few heats as all can be cooked at: batches at one heat share pits and need no change between them. */
export function fewestHeats(orders: readonly BatchOrder[]): Map<string, number> {
  const heats = new Map<string, number>();
  const candidates = [...new Set(orders.flatMap(({ method }) => [method.pitC, ...method.pitRangeC]))].sort((a, b) => a - b);
  for (let left = orders; left.length > 0; left = left.filter((order) => !heats.has(order.batch.id))) {
    const taking = (pitC: number) => left.filter((order) => bears(order.method.pitRangeC, pitC));
    // Of heats that take the same load, the nearest to what is wished.
    const weight = (pitC: number) => taking(pitC).reduce((sum, order) => sum + order.loadKg - Math.abs(order.method.pitC - pitC) / 1000, 0);
    const best = candidates.reduce((most, pitC) => (weight(pitC) > weight(most) ? pitC : most));
    for (const order of taking(best)) heats.set(order.batch.id, best);
  }
  return heats;
}
