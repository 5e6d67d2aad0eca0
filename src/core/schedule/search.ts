import type { Override, Objective, Plan, Scheme } from '../model';
import { seededRandom } from '../numerics';
import { Decoder, byPitSpace, type Decoded, type Schedule, type SearchInput } from './decoder';
import { isBetter } from './objective';
import type { BatchOrder } from './order';
import { lowerBound } from './bounds';
import { otherTravel, travelLooks } from './travelMoves';
import { pullDeadlineMs } from './window';
import { MS_PER_MIN } from '../units';

export interface SearchOptions {
  seed: number;
  /** Schemes tried after the sensible starts. A result depends on this alone, never on a clock. */
  iterations: number;
  /** A scheme to begin from, beside the sensible ones. */
  start?: Scheme;
}

/** What a search tells while it runs. */
export interface Progress {
  done: number;
  of: number;
  best: Found;
}

export interface Found extends Schedule {
  scheme: Scheme;
  lower: Objective;
}

const atBound = (objective: Objective, lower: Objective) => objective.every((value, i) => value <= lower[i]! + 1e-9);

const betterThan = (a: Decoded, b: Decoded): boolean =>
  a.objective[0] !== b.objective[0] || a.leftKg === b.leftKg || a.objective[0] === 0
    ? isBetter(a.objective, b.objective)
    : a.leftKg < b.leftKg;

const mends = (a: Decoded, b: Decoded): boolean =>
  a.objective[0] < b.objective[0] || (a.objective[0] === b.objective[0] && a.leftKg < b.leftKg - 1e-9);

/** The plan a scheme stands for, with its odds on the usual fresh days, or on so many others. */
export function scheduleBy(
  orders: readonly BatchOrder[],
  input: SearchInput,
  scheme: Scheme | undefined,
  toldOn?: { days: number; seed: string },
): Found {
  const decoder = new Decoder(orders, input, undefined, toldOn);
  const decoded = decoder.decode(scheme ?? { order: [], overrides: {}, seed: 1, iterations: 0 });
  return foundOf(decoder, decoded, lowerBound(orders, input));
}

/** Several schemes one after another, each from where the one before left the ledgers. */
export function schemeWalk(orders: readonly BatchOrder[], input: SearchInput, schemes: readonly Scheme[]): Schedule[] {
  const decoder = new Decoder(orders, input);
  return schemes.map((scheme) => decoder.told(decoder.decode(scheme)));
}

const foundOf = (decoder: Decoder, decoded: Decoded, lower: Objective): Found => ({
  ...decoder.told(decoded),
  scheme: decoded.scheme,
  lower: lower.map((bound, i) => Math.min(bound, decoded.objective[i]!)) as Plan['objective'],
});

const YIELD_EVERY = 8;

/**
 * Large-neighbourhood search over schemes: the order in which batches are placed, and for each its pit,
 * heat, finish, start and parts. Keeps what is not worse, tells the best so far every few schemes, and
 * ends at its budget or at the bound. The same for the same seed and iterations.
 */
export function* search(
  orders: readonly BatchOrder[],
  input: SearchInput,
  { seed, iterations, start }: SearchOptions,
): Generator<Progress, Found> {
  const decoder = new Decoder(orders, input);
  const lower = lowerBound(orders, input);
  // What is pinned is not the search's to move: let go again, it goes back to where it was.
  const held = Object.fromEntries(Object.entries(start?.overrides ?? {}).filter(([id]) => decoder.isHeld(id)));
  const free = orders.filter((order) => !decoder.isHeld(order.batch.id));
  const stamp = ({ order, overrides, travel }: Pick<Scheme, 'order' | 'overrides' | 'travel'>): Scheme => ({
    order: [...new Set([...Object.keys(held), ...order])],
    overrides: { ...overrides, ...held },
    ...(travel && Object.keys(travel).length > 0 && { travel }),
    seed,
    iterations,
  });
  const idsOf = (sorted: BatchOrder[]) => stamp({ order: sorted.map((order) => order.batch.id), overrides: {} });
  const starts = [
    ...(start ? [stamp(start)] : []),
    idsOf([...orders].sort(byPitSpace)),
    idsOf([...orders].sort((a, b) => a.serving.atMs - b.serving.atMs || byPitSpace(a, b))),
    idsOf([...orders].sort((a, b) => b.serving.atMs - a.serving.atMs || byPitSpace(a, b))),
  ];
  let best: Decoded | undefined;
  for (const scheme of starts) {
    const next = decoder.decode(scheme);
    if (!best || betterThan(next, best)) best = next;
    yield { done: 0, of: iterations, best: foundOf(decoder, best, lower) };
    if (atBound(best.objective, lower)) break;
  }
  // One serving after another, and while that leaves something broken once more: what helps is kept.
  for (let round = 0; round < TRAVEL_ROUNDS && free.length > 0 && (round === 0 || best!.objective[0] > 0); round++)
    for (const serving of input.away)
      for (const look of travelLooks(serving, input.away.length)) {
        const { travel = {} } = best!.scheme;
        const next = decoder.decode(stamp({ ...best!.scheme, travel: { ...travel, [serving.id]: { ...travel[serving.id], ...look } } }));
        // While something is broken, only what mends counts: a nicer drive may stand in the way of one that works.
        if (best!.objective[0] > 0 ? mends(next, best!) : betterThan(next, best!)) best = next;
        yield { done: 0, of: iterations, best: foundOf(decoder, best!, lower) };
      }
  for (let round = 0; round < SURER_ROUNDS && best && best.objective[0] === 0 && best.atRisk.length > 0; round++) {
    const next = decoder.decode(stamp(saferNeighbour(best, free)));
    if (!betterThan(next, best)) break;
    best = next;
    yield { done: 0, of: iterations, best: foundOf(decoder, best, lower) };
  }
  decoder.restore(best!);
  let current = best!;
  const random = seededRandom(seed);
  let quietFor = 0;
  for (let i = 1; i <= iterations; i++) {
    if (atBound(best!.objective, lower) || free.length === 0 || input.pits.length === 0) break;
    const next = decoder.decode(stamp(neighbour(current, free, input, random.uniform)));
    if (betterThan(next, best!)) {
      best = next;
      quietFor = 0;
    } else quietFor++;
    if (!betterThan(current, next)) current = next;
    else decoder.restore(current);
    // Stuck for long: back to the best, and on from there another way.
    if (quietFor > 0 && quietFor % 150 === 0) {
      current = best!;
      decoder.restore(current);
    }
    if (i % YIELD_EVERY === 0 || i === iterations) yield { done: i, of: iterations, best: foundOf(decoder, best!, lower) };
  }
  // A split that was of use on the way may be so no longer: a batch that is as well off in one goes in one.
  for (const id of free.map((order) => order.batch.id)) {
    const { parts, ...override } = best!.scheme.overrides[id] ?? {};
    if (parts === undefined) continue;
    const next = decoder.decode(stamp({ ...best!.scheme, overrides: { ...best!.scheme.overrides, [id]: override } }));
    if (!betterThan(best!, next)) best = next;
  }
  return foundOf(decoder, best!, lower);
}

const TRAVEL_ROUNDS = 2;
const SURER_ROUNDS = 10;
const SURER_STEP_MIN = 20;

/** Every batch that is late more often than its share of what a serving may be, on a little earlier. */
function saferNeighbour(current: Decoded, orders: readonly BatchOrder[]): Pick<Scheme, 'order' | 'overrides' | 'travel'> {
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

/** So often the way to a serving is what is changed, where there is one: all is placed anew then. */
const TRAVEL_SHARE = 0.05;

const STEPS_MIN = [-120, -60, -30, -15, 15, 30, 60, 120] as const;

/** A scheme like the current one but for one or two moves. Batches in trouble are moved more often. */
function neighbour(
  current: Decoded,
  orders: readonly BatchOrder[],
  input: SearchInput,
  uniform: () => number,
): Pick<Scheme, 'order' | 'overrides' | 'travel'> {
  const pick = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(uniform() * list.length))]!;
  const isFree = (id: string) => orders.some((each) => each.batch.id === id);
  const order = orderOf(current).filter(isFree);
  const overrides = { ...current.scheme.overrides };
  const { travel = {} } = current.scheme;
  if (input.away.length > 0 && uniform() < TRAVEL_SHARE) return { order, overrides, travel: otherTravel(travel, input.away, uniform) };
  const troubled = current.steps.filter(({ placed }) => placed.left.length > 0).map((step) => step.id);
  const atRisk = current.atRisk.filter((each) => isFree(each.batchId));
  const moves = 1 + Number(uniform() < 0.3) + Number(uniform() < 0.1);
  for (let n = 0; n < moves; n++) {
    if (troubled.length === 0 && atRisk.length > 0 && uniform() < 0.5) {
      const { batchId } = atRisk[Math.floor(uniform() ** 2 * atRisk.length)]!;
      const risky = orders.find((each) => each.batch.id === batchId)!;
      overrides[batchId] = { ...overrides[batchId], earlierMin: shiftOf(current, risky) + pick([10, 20, 40]) };
      continue;
    }
    const id = troubled.length > 0 && uniform() < 0.6 ? pick(troubled) : pick(order);
    const batch = orders.find((each) => each.batch.id === id)!;
    const override: Override = { ...overrides[id] };
    const kind = uniform();
    if (kind < 0.18) {
      const i = order.indexOf(id);
      const j = Math.min(order.length - 1, Math.floor(uniform() * order.length));
      [order[i], order[j]] = [order[j]!, order[i]!];
    } else if (kind < 0.34) {
      order.splice(order.indexOf(id), 1);
      order.splice(troubled.includes(id) ? 0 : Math.floor(uniform() * (order.length + 1)), 0, id);
    } else if (kind < 0.6) {
      override.earlierMin = Math.max(0, shiftOf(current, batch) + pick(STEPS_MIN));
      if (uniform() < 0.15) delete override.earlierMin;
    } else if (kind < 0.75) {
      override.pitId = pick(input.pits).id;
      if (uniform() < 0.2) delete override.pitId;
    } else if (kind < 0.85) {
      const [low, high] = batch.method.pitRangeC;
      const others = orders.map((each) => each.method.pitC).filter((heat) => heat >= low && heat <= high);
      override.pitC = pick([low, high, (low + high) / 2, batch.method.pitC, ...others]);
      if (uniform() < 0.2) delete override.pitC;
    } else if (kind < 0.94 && batch.method.wrap !== 'none') {
      const [low, high] = batch.method.finishRangeC ?? batch.method.pitRangeC;
      override.finish = { pitId: pick(input.pits).id, pitC: pick([low, high, batch.method.pitC]) };
      if (uniform() < 0.35) delete override.finish;
    } else if (batch.batch.pieces.length > 1) {
      override.parts = pick([1, 2, 3]);
      if (override.parts === 1) delete override.parts;
    }
    withinPits(override, input.pits);
    if (Object.keys(override).length > 0) overrides[id] = override;
    else delete overrides[id];
  }
  return { order, overrides, travel };
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
  if (!run) return 0;
  const deadlineMs = pullDeadlineMs(order, run.leavesAtMs, run.carveAtMs);
  return Math.max(0, Math.round((deadlineMs - run.pullLateMs) / MS_PER_MIN));
}
