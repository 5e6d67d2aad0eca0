import type { Scheme } from '../model';
import type { Decoded } from './decoded';
import { byPitSpace } from './decoder';
import { allEarlier, EARLIER_MIN, fewestHeats, LESS_EARLY, lessEarly, saferNeighbour } from './looks';
import type { BatchOrder } from './order';
import { betterThan, isSure, type Progress, type SearchDesk } from './searchDesk';
import { travelLooks } from './travelMoves';

const TRAVEL_ROUNDS = 2;
const SURER_ROUNDS = 10;

const mends = (a: Decoded, b: Decoded): boolean =>
  a.objective[0] < b.objective[0] || (a.objective[0] === b.objective[0] && a.leftKg < b.leftKg - 1e-9);

/** Three sensible orders. */
const sensibleOrders = (orders: readonly BatchOrder[]): string[][] =>
  [
    [...orders].sort(byPitSpace),
    [...orders].sort((a, b) => a.serving.atMs - b.serving.atMs || byPitSpace(a, b)),
    [...orders].sort((a, b) => b.serving.atMs - a.serving.atMs || byPitSpace(a, b)),
  ].map((sorted) => sorted.map((order) => order.batch.id));

/** What a search looks at before it moves single batches: from a scheme that is there, from nothing, or both. */
export function* begin(desk: SearchDesk, start: Scheme | undefined, onlyFromStart: boolean): Generator<Progress, void> {
  const isNear = onlyFromStart && start !== undefined;
  const sensible = isNear ? [] : sensibleOrders(desk.orders);
  const starts = [...(start ? [start] : []), ...sensible.map((order) => ({ order, overrides: {} }))];
  for (const scheme of starts) {
    desk.take(scheme);
    yield desk.news('orders');
    if (desk.isAtBound(desk.best)) return;
  }
  if (desk.free.length === 0) return;
  if (!isSure(desk.best) && !isNear) yield* early(desk, sensible);
  yield* lessEarlyByServing(desk);
  yield* journeys(desk);
  for (let round = 0; round < SURER_ROUNDS && desk.best.objective[0] === 0 && desk.best.atRisk.length > 0; round++) {
    if (!desk.take(saferNeighbour(desk.best, desk.free))) break;
    yield desk.news('surer');
  }
}

/** What is broken may be so for its heats; where servings are late, how early all is decides most. */
function* early(desk: SearchDesk, sensible: readonly string[][]): Generator<Progress, void> {
  const { free } = desk;
  const heats = fewestHeats(free);
  const { order } = desk.best.scheme;
  const all = (ids: string[], earlierMin?: number, tuned?: boolean): boolean =>
    desk.take({ order: ids, overrides: allEarlier(free, earlierMin, tuned ? heats : undefined), travel: desk.best.scheme.travel });
  const tuned = all(order, undefined, true);
  yield desk.news('heats');
  let shift: number | undefined;
  for (const min of EARLIER_MIN) {
    if (all(order, min, tuned)) shift = min;
    yield desk.news('earlier');
  }
  if (shift === undefined) return;
  for (const by of [0.7, 1.4]) {
    const min: number = Math.round(shift * by);
    if (all(order, min, tuned)) shift = min;
    yield desk.news('earlier');
  }
  for (const ids of sensible) {
    all(ids, shift, tuned);
    all(ids, shift, !tuned);
    yield desk.news('earlier');
  }
}

/** What is in time early may be in time less early: serving by serving. */
function* lessEarlyByServing(desk: SearchDesk): Generator<Progress, void> {
  if (!isSure(desk.best)) return;
  for (const servingId of new Set(desk.free.map((order) => order.serving.id)))
    for (const by of LESS_EARLY) {
      const own = desk.free.filter((order) => order.serving.id === servingId);
      desk.take(lessEarly(desk.best, own, by));
      yield desk.news('later');
    }
}

/** How one gets to one serving after another, and while that leaves something broken once more: what helps is kept. */
function* journeys(desk: SearchDesk): Generator<Progress, void> {
  const { away } = desk.input;
  for (let round = 0; round < TRAVEL_ROUNDS && (round === 0 || desk.best.objective[0] > 0); round++)
    for (const serving of away)
      for (const look of travelLooks(serving, away.length)) {
        const { best } = desk;
        const { travel = {} } = best.scheme;
        const next = desk.decode({ ...best.scheme, travel: { ...travel, [serving.id]: { ...travel[serving.id], ...look } } });
        // While something is broken, only what mends counts: a nicer drive may stand in the way of one that works.
        if (best.objective[0] > 0 ? mends(next, best) : betterThan(next, best)) desk.set(next);
        yield desk.news('journeys');
      }
}
