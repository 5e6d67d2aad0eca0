import { loosely, type Override } from '../model';
import { pickerOf, shuffled } from '../numerics';
import { MS_PER_MIN } from '../units';
import type { Decoded, SearchInput } from './decoded';
import { lessEarly } from './looks';
import type { BatchOrder } from './order';
import { otherTravel } from './travelMoves';
import { bears, finishBand, heatsIn, orderOf, shiftOf, withinPits, type Changeable } from './wishes';

/** A scheme like another. Where batches were taken out of a plan and put in again last, those; all is placed anew otherwise. */
export interface Move extends Changeable {
  takenOut?: ReadonlySet<string>;
}

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
/** So often a batch that is nowhere gets a pit cleared for it, and one that is held long trades minutes with another. */
const CLEARED_SHARE = 0.5;
const PAIR_SHARE = 0.4;
/** So many batches are taken out at once at most. */
const MOST_OUT = 6;
const MOST_CLEARED = 10;
const LONGEST_WAY_BACK_MS = 16 * 60 * MS_PER_MIN;
const STEPS_MIN = [-120, -60, -30, -15, 15, 30, 60, 120] as const;
const SURER_MIN = [10, 20, 40] as const;
const CLEARED_EARLIER_MIN = [0, 60, 120, 240, 480] as const;
/** Shares of how early it is that a batch is put back at whose hold is long. */
const NEARER = [0, 0.5, 0.75, 0.9, 1.15] as const;
const GROUP_NEARER = [0.6, 0.8, 0.9, 1.15] as const;

/** A plan that is to be changed, what of it may be, and what is wrong with it. */
interface From {
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
}

function fromOf(current: Decoded, orders: readonly BatchOrder[], input: SearchInput, uniform: () => number): From {
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
    troubled: movable(current.steps.filter(({ placed }) => placed.left.length > 0).map(({ id }) => ({ batchId: id }))),
    atRisk: movable(current.atRisk),
    departing: movable(current.departing),
  };
}

/** Takes one batch out, often one in trouble, and a few that may stand in its way; they go in again otherwise. */
export function neighbour(current: Decoded, orders: readonly BatchOrder[], input: SearchInput, uniform: () => number): Move {
  const from = fromOf(current, orders, input, uniform);
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
  return (
    (troubled.includes(first) && uniform() < CLEARED_SHARE && pitCleared(from, first)) ||
    (isDeparting && uniform() < PAIR_SHARE && minutesTraded(from, first)) ||
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

/** All that is on one pit at one heat; what bears it only once it is wrapped, then. */
function oneHeat({ current, byId, overrides, uniform }: From): Record<string, Override> {
  const runs = current.runs.filter((run) => byId.has(run.batchId));
  if (runs.length === 0) return {};
  const pick = pickerOf(uniform);
  const { pitId } = pick(runs);
  const pitC = pick(heatsIn(current, pitId));
  const tuned: Record<string, Override> = {};
  for (const { batchId } of runs.filter((run) => run.pitId === pitId)) {
    const order = byId.get(batchId)!;
    const { pitC: _, finish: __, ...kept } = overrides[batchId] ?? {};
    if (bears(order.method.pitRangeC, pitC)) tuned[batchId] = { ...kept, pitId, pitC };
    else if (order.method.wrap !== 'none' && bears(finishBand(order), pitC)) tuned[batchId] = { ...kept, pitId, finish: { pitId, pitC } };
  }
  return tuned;
}

/** A batch that is nowhere goes into a pit from which is taken what stands in its way there, by its heat or by chance. */
function pitCleared({ current, byId, order, overrides, travel, input, uniform }: From, id: string): Move | undefined {
  const pick = pickerOf(uniform);
  const own = byId.get(id)!;
  const { method, serving } = own;
  const [low, high] = method.pitRangeC;
  const able = input.pits.filter((pit) => (pit.smoke || !method.needsSmoke) && pit.rangeC[0] <= high && pit.rangeC[1] >= low);
  if (able.length === 0) return undefined;
  const pitId = pick(able).id;
  // Everything that ends much before is out of its way.
  const fromMs = serving.atMs - uniform() * LONGEST_WAY_BACK_MS;
  const inTheWay = current.steps.flatMap((step) => {
    if (step.id === id || !byId.has(step.id)) return [];
    const isOn = ({ pullLateMs, onAtMs }: { pullLateMs: number; onAtMs: number }) => pullLateMs > fromMs && onAtMs < serving.atMs;
    const there = step.placed.runs.filter((run) => isOn(run) && run.legs.some((leg) => leg.pitId === pitId));
    const otherHeat = there.some((run) => !bears(method.pitRangeC, run.pitC));
    return there.length > 0 && uniform() < (otherHeat ? 0.9 : 0.3) ? [step.id] : [];
  });
  const out = [...new Set(inTheWay)].slice(0, MOST_CLEARED);
  for (const other of out) {
    const { pitId: _, pitC: __, finish: ___, ...kept } = overrides[other] ?? {};
    if (uniform() < 0.7) overrides[other] = kept;
  }
  const { pitC, ...wish } = overrides[id] ?? {};
  const finishes = method.wrap === 'none' ? [] : heatsIn(current, pitId).filter((heat) => bears(finishBand(own), heat));
  overrides[id] = withinPits(
    {
      ...wish,
      pitId,
      ...(pitC !== undefined && uniform() < 0.5 && { pitC }),
      ...(uniform() < 0.5 && { earlierMin: pick(CLEARED_EARLIER_MIN) }),
      ...(finishes.length > 0 && uniform() < 0.5 && { finish: { pitId, pitC: pick(finishes) } }),
    },
    input.pits,
  );
  return againLast(order, overrides, travel, [id, ...shuffled(out, uniform)]);
}

/** A serving's odds are shared by all of it: what one gives up, another may take. */
function minutesTraded({ current, orders, byId, order, overrides, travel, uniform }: From, first: string): Move | undefined {
  const pick = pickerOf(uniform);
  const own = byId.get(first)!;
  const others = orders.filter((other) => other !== own && other.serving.id === own.serving.id);
  if (others.length === 0) return undefined;
  const other = pick(others);
  const id = other.batch.id;
  overrides[first] = { ...overrides[first], earlierMin: Math.round(shiftOf(current, own) * pick(NEARER)) };
  overrides[id] = { ...overrides[id], earlierMin: shiftOf(current, other) + pick(SURER_MIN) };
  return againLast(order, overrides, travel, shuffled([first, id], uniform));
}

/** A batch and a few beside it go in again: the first of them as is said, the rest as they were or otherwise. */
function outAndIn(from: From, first: string, how: 'earlier' | 'nearer' | 'otherwise'): Move {
  const { current, byId, order, overrides, travel, troubled, uniform } = from;
  const pick = pickerOf(uniform);
  const out = [first];
  const near = besides(from, first);
  while (near.length > 0 && out.length < MOST_OUT && uniform() < (troubled.length > 0 ? 0.7 : 0.5)) out.push(near.shift()!);
  for (const id of out) {
    const kind = uniform();
    if (id !== first && kind < 0.5) continue;
    const shift = shiftOf(current, byId.get(id)!);
    let changed: Override;
    if (id === first && how === 'earlier' && kind < 0.7) changed = { ...overrides[id], earlierMin: shift + pick(SURER_MIN) };
    else if (id === first && how === 'nearer' && kind < 0.6) changed = { ...overrides[id], earlierMin: Math.round(shift * pick(NEARER)) };
    else changed = kind < 0.2 ? {} : otherwise(from, id);
    if (Object.keys(changed).length > 0) overrides[id] = changed;
    else delete overrides[id];
  }
  // The first goes in first more often than not; the rest in any order.
  const again = shuffled(out.slice(1), uniform);
  again.splice(uniform() < 0.6 ? 0 : Math.floor(uniform() * (again.length + 1)), 0, first);
  return againLast(order, overrides, travel, again);
}

const againLast = (
  order: readonly string[],
  overrides: Record<string, Override>,
  travel: Move['travel'],
  again: readonly string[],
): Move => {
  const takenOut = new Set(again);
  for (const id of again) if (overrides[id]) overrides[id] = loosely(overrides[id]);
  return { order: [...order.filter((id) => !takenOut.has(id)), ...again], overrides, travel, takenOut };
};

/** Others that share a pit with a batch while it is on, in some order; where it is nowhere, all that are on for its serving's hours. */
function besides({ current, byId, uniform }: From, id: string): string[] {
  const runsOf = (batchId: string) => current.steps.filter((step) => step.id === batchId).flatMap(({ placed }) => placed.runs);
  const own = runsOf(id);
  const others = [...byId.keys()].filter((other) => {
    if (other === id) return false;
    const runs = runsOf(other);
    if (own.length === 0) return byId.get(other)!.serving.id === byId.get(id)!.serving.id || runs.length === 0;
    return runs.some((run) => own.some((mine) => mine.pitId === run.pitId && mine.onAtMs < run.pullLateMs && run.onAtMs < mine.pullLateMs));
  });
  return shuffled(others, uniform);
}

/** The wish of a batch with one thing changed: start, pit, heat, finish or parts. */
function otherwise({ current, byId, orders, overrides, input, uniform }: From, id: string): Override {
  const pick = pickerOf(uniform);
  const own = byId.get(id)!;
  const { method, pieces } = { ...own, pieces: own.batch.pieces };
  const override: Override = { ...overrides[id] };
  const kind = uniform();
  if (kind < 0.4) {
    override.earlierMin = Math.max(0, shiftOf(current, own) + pick(STEPS_MIN));
    if (uniform() < 0.15) delete override.earlierMin;
  } else if (kind < 0.65) {
    override.pitId = pick(input.pits).id;
    if (uniform() < 0.2) delete override.pitId;
  } else if (kind < 0.8) {
    const [low, high] = method.pitRangeC;
    const others = orders.map((each) => each.method.pitC).filter((heat) => bears(method.pitRangeC, heat));
    override.pitC = pick([low, high, (low + high) / 2, method.pitC, ...others]);
    if (uniform() < 0.2) delete override.pitC;
  } else if (kind < 0.92 && method.wrap !== 'none') {
    const band = finishBand(own);
    const pitId = pick(input.pits).id;
    override.finish = { pitId, pitC: pick([...band, method.pitC, ...heatsIn(current, pitId).filter((heat) => bears(band, heat))]) };
    if (uniform() < 0.35) delete override.finish;
  } else if (pieces.length > 1) {
    override.parts = pick([1, 2, 3]);
    if (override.parts === 1) delete override.parts;
  }
  return withinPits(override, input.pits);
}
