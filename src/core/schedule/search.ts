import type { Objective, Scheme } from '../model';
import { lowerBound } from './bounds';
import { begin } from './begin';
import { climb } from './climb';
import type { Decoded, Schedule, SearchInput } from './decoded';
import { Decoder } from './decoder';
import type { BatchOrder } from './order';
import { polish } from './polish';
import { betterThan, foundOf, SearchDesk, type Found, type Progress } from './searchDesk';
import { roundsOf, type Helper, type Strand } from './strands';

export interface SearchOptions {
  seed: number;
  /** Moves made after the sensible starts, in all strands together. A result depends on this alone, never on a clock. */
  iterations: number;
  /** A scheme to begin from, beside the sensible ones. */
  start?: Scheme;
  /** It begins from `start` alone: a look at what is like it, not for the best there is. */
  onlyFromStart?: boolean;
  /** Whoever climbs strands beside this search: it ends the same with one, with many and with none. */
  helper?: Helper;
}

/** Runs a search until its best is good enough, or to its end. */
export function searchUntil(searching: Generator<Progress, Found>, isEnough: (objective: Objective) => boolean): Found {
  for (;;) {
    const step = searching.next();
    if (step.done) return step.value;
    if (isEnough(step.value.objective)) return step.value.best;
  }
}

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

/**
 * Large-neighbourhood search over schemes: the order in which batches are placed, and for each its pit,
 * heat, finish, start and parts. Sensible starts, then moves in one or several strands, then a polish. Tells the best
 * so far every few schemes, and ends at its budget or at the bound. The same for the same seed and iterations.
 */
export function* search(
  orders: readonly BatchOrder[],
  input: SearchInput,
  { seed, iterations, start, onlyFromStart = false, helper }: SearchOptions,
): Generator<Progress, Found> {
  const desk = new SearchDesk(orders, input, { seed, iterations }, start);
  yield* begin(desk, start, onlyFromStart);
  if (iterations === 0) return desk.found();
  for (const strands of roundsOf(desk.free.length, seed, iterations, onlyFromStart)) {
    const kinds = desk.bestOfKinds(KINDS);
    const from = strands.map((_, i) => kinds[i % kinds.length]!);
    const before = desk.best;
    const ends = yield* climbAll(desk, from, strands, helper);
    // Of plans alike the first strand's, whoever was there first.
    desk.set(ends.reduce((best, end) => (betterThan(end, best) ? end : best), before));
  }
  yield* polish(desk);
  return desk.found();
}

/** One strand of a search that is under way elsewhere: what it comes to from the best of that search so far. */
export function climbStrand(orders: readonly BatchOrder[], input: SearchInput, strand: Strand): Generator<Progress, Decoded> {
  const { from } = strand;
  const desk = new SearchDesk(orders, input, { seed: from.seed, iterations: from.iterations }, from);
  desk.take(from);
  return climb(desk, desk.best, strand);
}

/** Strands begin from so many plans that differ in pits or heats. */
const KINDS = 2;

/** All strands, each from its plan, here or elsewhere, in their order. */
function* climbAll(
  desk: SearchDesk,
  from: readonly Decoded[],
  strands: readonly Omit<Strand, 'from'>[],
  helper: Helper | undefined,
): Generator<Progress, Decoded[]> {
  const ends = new Map<number, Decoded>();
  const sent = new Map<number, { readonly ended?: Scheme | 'failed' }>();
  const left = strands.map((_, i) => i);
  // The last go elsewhere, as long as somebody is free there; one is always kept for here.
  const send = () => {
    while (helper && left.length > 1) {
      const last = left.at(-1)!;
      const pending = helper.climb({ ...strands[last]!, from: from[last]!.scheme });
      if (!pending) return;
      sent.set(left.pop()!, pending);
    }
  };
  send();
  for (;;) {
    const here = left.shift();
    if (here === undefined) break;
    const climbing = climb(desk, from[here]!, strands[here]!);
    for (let step = climbing.next(); ; step = climbing.next()) {
      if (step.done) {
        ends.set(here, step.value);
        break;
      }
      yield step.value;
      send();
    }
  }
  for (const [i, pending] of sent) {
    while (!pending.ended) yield desk.news('moves', true);
    if (pending.ended === 'failed') ends.set(i, yield* climb(desk, from[i]!, strands[i]!));
    else {
      ends.set(i, desk.decode(pending.ended));
      desk.done += strands[i]!.iterations;
    }
  }
  return strands.map((_, i) => ends.get(i)!);
}
