import type { Override, Run, Scheme } from '../model';
import { MS_PER_MIN } from '../units';
import type { Decoded, SearchInput } from './decoder';
import type { BatchOrder } from './order';
import { otherTravel } from './travelMoves';
import { pullDeadlineMs } from './window';

/** What a search may change of a scheme. */
export type Changeable = Pick<Scheme, 'order' | 'overrides' | 'travel'>;

/** A scheme like another. Where batches were taken out of a plan and put in again last, those; all is placed anew otherwise. */
export interface Move extends Changeable {
  takenOut?: ReadonlySet<string>;
}

const SURER_STEP_MIN = 20;

/** Every batch that is late more often than its share of what a serving may be, on a little earlier. */
export function saferNeighbour(current: Decoded, orders: readonly BatchOrder[]): Changeable {
  const overrides = { ...current.scheme.overrides };
  const worst = Math.max(...current.atRisk.map((each) => each.lateShare));
  for (const { batchId, lateShare } of current.atRisk) {
    if (lateShare < worst * 0.4) continue;
    const order = orders.find((each) => each.batch.id === batchId);
    if (!order) continue;
    overrides[batchId] = { ...overrides[batchId], earlierMin: shiftOf(current, order) + SURER_STEP_MIN };
  }
  return { order: orderOf(current), overrides, travel: current.scheme.travel };
}

/** Batches in the order in which they are placed; one that is pinned in part stands once. */
const orderOf = (current: Decoded): string[] => [...new Set(current.steps.map((step) => step.id))];

/**
 * The scheme that wishes for a plan as it lies: each batch where, when and as hot as it is. Decoded from nothing it comes
 * to that plan, or near it: a batch in several runs has one wish.
 */
export function asItLies(current: Decoded, orders: readonly BatchOrder[]): Changeable {
  const overrides: Record<string, Override> = { ...current.scheme.overrides };
  for (const order of orders) {
    const id = order.batch.id;
    const placed = current.steps.findLast((step) => step.id === id)?.placed;
    const [run] = placed?.runs ?? [];
    if (!run || placed!.left.length > 0) continue;
    overrides[id] = { ...wishFor(run, order), ...(overrides[id]?.parts !== undefined && { parts: overrides[id].parts }) };
  }
  return { order: orderOf(current), overrides, travel: current.scheme.travel };
}

/** Where a run lies, as a wish. */
function wishFor(run: Run, order: BatchOrder): Override {
  const finishPit = run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId ?? run.pitId;
  return {
    pitId: run.pitId,
    pitC: run.pitC,
    ...(run.finishC !== undefined && { finish: { pitId: finishPit, pitC: run.finishC } }),
    earlierMin: earlierBy(run, order),
  };
}

/** So often the way to a serving is what is changed, where there is one: all is placed anew then. */
const TRAVEL_SHARE = 0.05;
const STEPS_MIN = [-120, -60, -30, -15, 15, 30, 60, 120] as const;
/** So often all is placed anew: less where that is much work. */
const ANEW_SHARE = 0.3;
const ANEW_BATCHES = 3;
/** So many batches are taken out at once at most. */
const MOST_OUT = 6;

const pickerOf =
  (uniform: () => number) =>
  <T>(list: readonly T[]): T =>
    list[Math.min(list.length - 1, Math.floor(uniform() * list.length))]!;

/** Takes one batch out, often one in trouble, and a few that may stand in its way; they go in again otherwise. */
export function neighbour(current: Decoded, orders: readonly BatchOrder[], input: SearchInput, uniform: () => number): Move {
  const pick = pickerOf(uniform);
  const byId = new Map(orders.map((order) => [order.batch.id, order]));
  const order = orderOf(current).filter((id) => byId.has(id));
  const overrides = { ...current.scheme.overrides };
  const { travel = {} } = current.scheme;
  if (input.away.length > 0 && uniform() < TRAVEL_SHARE) return { order, overrides, travel: otherTravel(travel, input.away, uniform) };
  const troubled = current.steps.filter(({ id, placed }) => placed.left.length > 0 && byId.has(id)).map((step) => step.id);
  const atRisk = current.atRisk.filter(({ batchId }) => byId.has(batchId)).map(({ batchId }) => batchId);
  const isRisky = troubled.length === 0 && atRisk.length > 0 && uniform() < 0.5;
  const first = isRisky
    ? atRisk[Math.floor(uniform() ** 2 * atRisk.length)]!
    : troubled.length > 0 && uniform() < 0.7
      ? pick(troubled)
      : pick(order);
  // A few batches are worth placing anew all at once now and then, in another order.
  if (uniform() < Math.min(ANEW_SHARE, ANEW_BATCHES / order.length)) {
    const at = order.indexOf(first);
    const to = troubled.includes(first) ? 0 : Math.floor(uniform() * order.length);
    if (uniform() < 0.5) [order[at], order[to]] = [order[to]!, order[at]!];
    else order.splice(to, 0, ...order.splice(at, 1));
    if (uniform() < 0.5) overrides[first] = otherwise(overrides[first] ?? {}, byId.get(first)!, current, orders, input, uniform);
    return { order, overrides, travel };
  }
  const out = [first];
  const near = besides(current, first, byId, uniform);
  while (near.length > 0 && out.length < MOST_OUT && uniform() < (troubled.length > 0 ? 0.7 : 0.5)) out.push(near.shift()!);
  for (const id of out) {
    const batch = byId.get(id)!;
    const kind = uniform();
    if (id !== first && kind < 0.5) continue;
    const changed: Override =
      id === first && isRisky && kind < 0.7
        ? { ...overrides[id], earlierMin: shiftOf(current, batch) + pick([10, 20, 40]) }
        : kind < 0.2
          ? {}
          : otherwise(overrides[id] ?? {}, batch, current, orders, input, uniform);
    if (Object.keys(changed).length > 0) overrides[id] = changed;
    else delete overrides[id];
  }
  const takenOut = new Set(out);
  const again = inAgain(out, uniform);
  return { order: [...order.filter((id) => !takenOut.has(id)), ...again], overrides, travel, takenOut };
}

export const shuffled = <T>(list: readonly T[], uniform: () => number): T[] =>
  list
    .map((each) => [uniform(), each] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, each]) => each);

/** The first goes in first more often than not; the rest in any order. */
function inAgain(out: readonly string[], uniform: () => number): string[] {
  const [first, ...rest] = out;
  const again = shuffled(rest, uniform);
  again.splice(uniform() < 0.6 ? 0 : Math.floor(uniform() * (again.length + 1)), 0, first!);
  return again;
}

/** Others that share a pit with a batch while it is on, in some order; where it is nowhere, all that are on for its serving's hours. */
function besides(current: Decoded, id: string, byId: ReadonlyMap<string, BatchOrder>, uniform: () => number): string[] {
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

/** A wish with one thing changed: start, pit, heat, finish or parts. */
function otherwise(
  wish: Override,
  batch: BatchOrder,
  current: Decoded,
  orders: readonly BatchOrder[],
  input: SearchInput,
  uniform: () => number,
): Override {
  const pick = pickerOf(uniform);
  const override: Override = { ...wish };
  const kind = uniform();
  if (kind < 0.4) {
    override.earlierMin = Math.max(0, shiftOf(current, batch) + pick(STEPS_MIN));
    if (uniform() < 0.15) delete override.earlierMin;
  } else if (kind < 0.65) {
    override.pitId = pick(input.pits).id;
    if (uniform() < 0.2) delete override.pitId;
  } else if (kind < 0.8) {
    const [low, high] = batch.method.pitRangeC;
    const others = orders.map((each) => each.method.pitC).filter((heat) => heat >= low && heat <= high);
    override.pitC = pick([low, high, (low + high) / 2, batch.method.pitC, ...others]);
    if (uniform() < 0.2) delete override.pitC;
  } else if (kind < 0.92 && batch.method.wrap !== 'none') {
    const [low, high] = batch.method.finishRangeC ?? batch.method.pitRangeC;
    override.finish = { pitId: pick(input.pits).id, pitC: pick([low, high, batch.method.pitC]) };
    if (uniform() < 0.35) delete override.finish;
  } else if (batch.batch.pieces.length > 1) {
    override.parts = pick([1, 2, 3]);
    if (override.parts === 1) delete override.parts;
  }
  withinPits(override, input.pits);
  return override;
}

/** A heat that is wished of a pit is one that it can be set to: a scheme is kept with its event. */
function withinPits(override: Override, pits: SearchInput['pits']): void {
  const inPit = (pitId: string, pitC: number) => {
    const [low, high] = pits.find((pit) => pit.id === pitId)?.rangeC ?? [pitC, pitC];
    return Math.min(high, Math.max(low, pitC));
  };
  if (override.pitId !== undefined && override.pitC !== undefined) override.pitC = inPit(override.pitId, override.pitC);
  if (override.finish) override.finish = { ...override.finish, pitC: inPit(override.finish.pitId, override.finish.pitC) };
}

/** How many minutes before its latest start a batch now goes on. */
function shiftOf(current: Decoded, order: BatchOrder): number {
  const run = current.steps.findLast((step) => step.id === order.batch.id)?.placed.runs[0];
  return run ? earlierBy(run, order) : 0;
}
function earlierBy(run: Run, order: BatchOrder): number {
  const deadlineMs = pullDeadlineMs(order, run.leavesAtMs, run.carveAtMs);
  return Math.max(0, Math.round((deadlineMs - run.pullLateMs) / MS_PER_MIN));
}
