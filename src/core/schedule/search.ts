import type { Objective, Plan, Scheme } from '../model';
import { seededRandom } from '../numerics';
import { Decoder, byPitSpace, type Decoded, type Schedule, type SearchInput } from './decoder';
import { isBetter } from './objective';
import type { BatchOrder } from './order';
import { lowerBound } from './bounds';
import { allEarlier, EARLIER_MIN, fewestHeats, LESS_EARLY, lessEarly, saferNeighbour, scattered } from './looks';
import { neighbour } from './moves';
import { asItLies, shiftOf, wishing, type Changeable } from './wishes';
import { travelLooks } from './travelMoves';

export interface SearchOptions {
  seed: number;
  /** Schemes tried after the sensible starts. A result depends on this alone, never on a clock. */
  iterations: number;
  /** A scheme to begin from, beside the sensible ones. */
  start?: Scheme;
  /** It begins from `start` alone: a look at what is like it, not for the best there is. */
  onlyFromStart?: boolean;
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

/** Runs a search until its best is good enough, or to its end. */
export function searchUntil(searching: Generator<Progress, Found>, isEnough: (objective: Objective) => boolean): Found {
  for (;;) {
    const step = searching.next();
    if (step.done) return step.value;
    if (isEnough(step.value.best.objective)) return step.value.best;
  }
}

/** Everything is placed, and every serving as sure as was asked. */
const isSure = ({ objective }: Decoded): boolean => objective[0] === 0 && objective[1] === 0;

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
  { seed, iterations, start, onlyFromStart = false }: SearchOptions,
): Generator<Progress, Found> {
  const decoder = new Decoder(orders, input);
  const lower = lowerBound(orders, input);
  // The same plan is told again and again while the search looks for a better one.
  let told: { of: Decoded; as: Found } | undefined;
  const found = (of: Decoded): Found => (told?.of === of ? told : (told = { of, as: foundOf(decoder, of, lower) })).as;
  // What is pinned is not the search's to move: let go again, it goes back to where it was.
  const held = Object.fromEntries(Object.entries(start?.overrides ?? {}).filter(([id]) => decoder.isHeld(id)));
  const free = orders.filter((order) => !decoder.isHeld(order.batch.id));
  const stamp = ({ order, overrides, travel }: Changeable): Scheme => ({
    order: [...new Set([...Object.keys(held), ...order])],
    overrides: { ...overrides, ...held },
    ...(travel && Object.keys(travel).length > 0 && { travel }),
    seed,
    iterations,
  });
  const idsOf = (sorted: BatchOrder[], travel?: Scheme['travel']) =>
    stamp({ order: sorted.map((order) => order.batch.id), overrides: {}, travel });
  const sensible = [
    idsOf([...orders].sort(byPitSpace)),
    idsOf([...orders].sort((a, b) => a.serving.atMs - b.serving.atMs || byPitSpace(a, b))),
    idsOf([...orders].sort((a, b) => b.serving.atMs - a.serving.atMs || byPitSpace(a, b))),
  ];
  const isNear = onlyFromStart && start !== undefined;
  const starts = [...(start ? [stamp(start)] : []), ...(isNear ? [] : sensible)];
  let best: Decoded | undefined;
  const news = (done = 0): Progress => ({ done, of: iterations, best: found(best!) });
  const take = (scheme: Scheme): boolean => {
    const next = decoder.decode(scheme);
    if (best && !betterThan(next, best)) return false;
    best = next;
    return true;
  };
  for (const scheme of starts) {
    take(scheme);
    yield news();
    if (atBound(best!.objective, lower)) break;
  }
  // What is broken may be so for its heats; where servings are late, how early all is decides most.
  if (!isSure(best!) && free.length > 0 && !isNear) {
    const heats = fewestHeats(free);
    const { order } = best!.scheme;
    const all = (ids: string[], earlierMin?: number, tuned?: boolean): boolean =>
      take(stamp({ order: ids, overrides: allEarlier(free, earlierMin, tuned ? heats : undefined), travel: best!.scheme.travel }));
    const tuned = all(order, undefined, true);
    yield news();
    let shift: number | undefined;
    for (const min of EARLIER_MIN) {
      if (all(order, min, tuned)) shift = min;
      yield news();
    }
    for (const by of shift === undefined ? [] : [0.7, 1.4]) {
      const min: number = Math.round(shift! * by);
      if (all(order, min, tuned)) shift = min;
      yield news();
    }
    for (const scheme of shift === undefined ? [] : sensible) {
      all(scheme.order, shift, tuned);
      all(scheme.order, shift, !tuned);
      yield news();
    }
  }
  // What is in time early may be in time less early: serving by serving.
  for (const servingId of isSure(best!) ? new Set(free.map((order) => order.serving.id)) : [])
    for (const by of LESS_EARLY) {
      const own = free.filter((order) => order.serving.id === servingId);
      take(stamp(lessEarly(best!, own, by)));
      yield news();
    }
  // One serving after another, and while that leaves something broken once more: what helps is kept.
  for (let round = 0; round < TRAVEL_ROUNDS && free.length > 0 && (round === 0 || best!.objective[0] > 0); round++)
    for (const serving of input.away)
      for (const look of travelLooks(serving, input.away.length)) {
        const { travel = {} } = best!.scheme;
        const next = decoder.decode(stamp({ ...best!.scheme, travel: { ...travel, [serving.id]: { ...travel[serving.id], ...look } } }));
        // While something is broken, only what mends counts: a nicer drive may stand in the way of one that works.
        if (best!.objective[0] > 0 ? mends(next, best!) : betterThan(next, best!)) best = next;
        yield news();
      }
  for (let round = 0; round < SURER_ROUNDS && best && best.objective[0] === 0 && best.atRisk.length > 0; round++) {
    const next = decoder.decode(stamp(saferNeighbour(best, free)));
    if (!betterThan(next, best)) break;
    best = next;
    yield news();
  }
  decoder.restore(best!);
  let current = best!;
  // The best of the plans that batches were put in again in. What counts is what its scheme comes to from nothing.
  let laid = best!;
  let settled = laid;
  const wanders = free.length <= WANDERS_UP_TO ? iterations / 2 : 0;
  const settle = (i: number) => {
    if (settled === laid) return;
    const anew = decoder.decode(stamp(asItLies(laid, free)));
    if (betterThan(anew, best!)) best = anew;
    if (i > wanders) {
      if (current === laid && !betterThan(laid, anew)) current = anew;
      laid = best!;
    }
    settled = laid;
    decoder.restore(current);
  };
  const random = seededRandom(seed);
  let quietFor = 0;
  for (let i = 1; i <= iterations; i++) {
    if (atBound(best!.objective, lower) || free.length === 0 || input.pits.length === 0) break;
    const { takenOut, ...changed } = neighbour(current, free, input, random.uniform);
    const kept = takenOut && new Map(current.steps.filter(({ id }) => !takenOut.has(id)).map(({ key, placed }) => [key, placed]));
    const near = kept && current.objective[0] === 0 && random.uniform() < NEAR_SHARE ? REACH_MIN : undefined;
    const next = decoder.decode(stamp(changed), undefined, kept, near);
    if (betterThan(next, laid)) {
      laid = next;
      quietFor = 0;
    } else quietFor++;
    if (!betterThan(current, next)) current = next;
    else decoder.restore(current);
    // Stuck for long: from elsewhere while it wanders, from the best later, and on from there another way.
    if (quietFor >= (i > wanders ? STUCK : STUCK_WANDERING)) {
      settle(i);
      quietFor = 0;
      current = i > wanders ? best! : decoder.decode(stamp(scattered(best!, free, random.uniform)));
      decoder.restore(current);
    }
    if (i % YIELD_EVERY === 0 || i === iterations) {
      settle(i);
      yield news(i);
    }
  }
  // What is held longer than it need be goes on later, as long as that is better.
  let looks = Math.floor(POLISH_PLACEMENTS / Math.max(1, orders.length));
  for (const { batchId } of iterations > 0 ? best!.departing : [])
    for (const laterMin of LATER_MIN) {
      const order = free.find((each) => each.batch.id === batchId);
      const shiftMin = order ? shiftOf(best!, order) : 0;
      if (shiftMin <= 0 || looks-- <= 0) continue;
      const override = { ...best!.scheme.overrides[batchId], earlierMin: Math.max(0, shiftMin - laterMin) };
      take(stamp(wishing(best!, { [batchId]: override })));
    }
  // A split that was of use on the way may be so no longer: a batch that is as well off in one goes in one.
  for (const id of free.map((order) => order.batch.id)) {
    const { parts, ...override } = best!.scheme.overrides[id] ?? {};
    if (parts === undefined) continue;
    const next = decoder.decode(stamp({ ...best!.scheme, overrides: { ...best!.scheme.overrides, [id]: override } }));
    if (!betterThan(best!, next)) best = next;
  }
  return found(best!);
}

/** So many moves without a better plan, and it begins again. */
const STUCK = 150;
const STUCK_WANDERING = 80;
/** A search of few batches wanders first, each free to lie elsewhere; then, as one of many does from the start, it goes on from what lies. */
const WANDERS_UP_TO = 12;
/** So often, where all is placed, what is put in again goes near to where it is wished, or the move is not made: a far place is seldom a better one. */
const NEAR_SHARE = 0.8;
const REACH_MIN = 45;
/** So much work at the end for what is held too long, and by how much it is put later. */
const POLISH_PLACEMENTS = 600;
const LATER_MIN = [120, 60, 60, 30, 15, 5] as const;
const TRAVEL_ROUNDS = 2;
const SURER_ROUNDS = 10;
