import { loosely } from '../model';
import { pickerOf } from '../numerics';
import { otherwise, outAndIn } from './batchMoves';
import type { Decoded, SearchInput } from './decoded';
import type { Ideals } from './idealMoments';
import { lessEarly } from './looks';
import { fromOf, type From } from './moveFrom';
import type { BatchOrder } from './order';
import { oneHeat, pitCleared, reheated } from './pitMoves';
import { otherTravel } from './travelMoves';
import type { Move } from './wishes';

/** So often the way to a serving is what is changed, where there is one: all is placed anew then. */
const TRAVEL_SHARE = 0.05;
/** So often all is placed anew: less where that is much work. */
const ANEW_SHARE = 0.3;
const ANEW_BATCHES = 0.5;
/** So often, where all is placed anew, a pit is set to one heat; else all of a cut or of a serving goes on nearer to its latest start. */
const ONE_HEAT_SHARE = 0.3;
const GROUP_SHARE = 0.4;
/** So often the first to be taken out is what is wrong: nowhere, late, or held far outside its band. */
const TROUBLED_SHARE = 0.7;
const RISKY_SHARE = 0.5;
const DEPARTING_SHARE = 0.6;
/** So often a batch that is nowhere gets a pit cleared for it. */
const CLEARED_SHARE = 0.5;
/** So often all that is on one pit beside it is set to another heat. */
const REHEATED_SHARE = 0.15;
const GROUP_NEARER = [0.6, 0.8, 0.9, 1.15] as const;

/** Takes one batch out, often one in trouble, and a few that may stand in its way; they go in again otherwise. */
export function neighbour(
  current: Decoded,
  orders: readonly BatchOrder[],
  input: SearchInput,
  uniform: () => number,
  ideals: Ideals,
): Move {
  const from = fromOf(current, orders, input, uniform, ideals);
  const { order, overrides, travel, troubled, atRisk, departing } = from;
  if (input.away.length > 0 && uniform() < TRAVEL_SHARE) return { order, overrides, travel: otherTravel(travel, input.away, uniform) };
  const pick = pickerOf(uniform);
  /** The worst most often. */
  const oneOf = (list: readonly string[]) => list[Math.floor(uniform() ** 2 * list.length)]!;
  const isSure = troubled.length === 0 && atRisk.length === 0;
  const isRisky = troubled.length === 0 && !isSure && uniform() < RISKY_SHARE;
  const isDeparting = isSure && departing.length > 0 && uniform() < DEPARTING_SHARE;
  let first = pick(order);
  if (isRisky) first = oneOf(atRisk);
  else if (isDeparting) first = oneOf(departing);
  else if (troubled.length > 0 && uniform() < TROUBLED_SHARE) first = pick(troubled);
  // A few batches are worth placing anew all at once now and then, in another order.
  if (uniform() < Math.min(ANEW_SHARE, ANEW_BATCHES / order.length)) return allAnew(from, first, isSure);
  if (uniform() < REHEATED_SHARE) {
    const move = reheated(from, first, isRisky);
    if (move) return move;
  }
  return (
    (troubled.includes(first) && uniform() < CLEARED_SHARE && pitCleared(from, first)) ||
    outAndIn(from, first, isRisky ? 'earlier' : isDeparting ? 'nearer' : 'otherwise')
  );
}

/** Everything is placed anew: at another heat, nearer to its latest start, or in another order. */
function allAnew(from: From, first: string, isSure: boolean): Move {
  const { order, orders, byId, travel, troubled, uniform } = from;
  const overrides = Object.fromEntries(Object.entries(from.overrides).map(([id, override]) => [id, loosely(override)]));
  if (uniform() < ONE_HEAT_SHARE) {
    const tuned = { ...overrides, ...oneHeat({ ...from, overrides }) };
    return { order: troubled.includes(first) ? [first, ...order.filter((id) => id !== first)] : order, overrides: tuned, travel };
  }
  if (isSure && uniform() < GROUP_SHARE) {
    const { serving, cut } = byId.get(first)!;
    const whole = uniform() < 0.4;
    const group = orders.filter((other) => other.serving.id === serving.id && (whole || other.cut.id === cut.id));
    return lessEarly(from.current, group, pickerOf(uniform)(GROUP_NEARER));
  }
  const at = order.indexOf(first);
  const to = troubled.includes(first) ? 0 : Math.floor(uniform() * order.length);
  if (uniform() < 0.5) [order[at], order[to]] = [order[to]!, order[at]!];
  else order.splice(to, 0, ...order.splice(at, 1));
  if (uniform() < 0.5) overrides[first] = otherwise({ ...from, overrides }, first);
  return { order, overrides, travel };
}
