import { seededRandom } from '../numerics';
import type { Decoded } from './decoder';
import { neighbour } from './moves';
import { betterThan, type Progress, type SearchDesk } from './searchDesk';
import type { Strand } from './strands';
import { asItLies } from './wishes';

const YIELD_EVERY = 8;
/** So many moves without a better plan, and it goes on from the best. */
const STUCK = 150;
/** So often, where all is placed, what is put in again goes near to where it is wished, or the move is not made: a far place is seldom a better one. */
const NEAR_SHARE = 0.95;
const NEAR_SHARE_BROKEN = 0.5;
const REACH_MIN = 45;

/** Moves single batches from a plan on, so many times, and keeps what is not worse: the best plan that a scheme stands for. */
export function* climb(desk: SearchDesk, from: Decoded, { seed, iterations }: Omit<Strand, 'from'>): Generator<Progress, Decoded> {
  const { decoder, free, input } = desk;
  const random = seededRandom(seed);
  let best = from;
  // The best of the plans that batches were put in again in. What counts is what its scheme comes to from nothing.
  let laid = best;
  let settled = laid;
  let current = best;
  decoder.restore(current);
  const settle = () => {
    if (settled === laid) return;
    const anew = desk.decode(asItLies(laid, free));
    if (betterThan(anew, best)) best = anew;
    desk.keep(best);
    if (current === laid && !betterThan(laid, anew)) current = anew;
    laid = best;
    settled = laid;
    decoder.restore(current);
  };
  let quietFor = 0;
  for (let i = 1; i <= iterations; i++) {
    if (desk.isAtBound(best) || free.length === 0 || input.pits.length === 0) break;
    desk.done++;
    const { takenOut, ...changed } = neighbour(current, free, input, random.uniform);
    const kept = takenOut && new Map(current.steps.filter(({ id }) => !takenOut.has(id)).map(({ key, placed }) => [key, placed]));
    const isWhole = takenOut && current.steps.every(({ id, placed }) => placed.left.length === 0 || !takenOut.has(id));
    const isNear = kept && isWhole && random.uniform() < (current.objective[0] === 0 ? NEAR_SHARE : NEAR_SHARE_BROKEN);
    const scheme = desk.stamp(changed);
    const next = isNear ? decoder.decodeNear(scheme, kept, REACH_MIN) : decoder.decode(scheme, undefined, kept);
    if (next && betterThan(next, laid)) {
      laid = next;
      quietFor = 0;
    } else quietFor++;
    if (next && !betterThan(current, next)) current = next;
    else decoder.restore(current);
    if (quietFor >= STUCK) {
      settle();
      quietFor = 0;
      current = best;
      decoder.restore(current);
    }
    if (i % YIELD_EVERY === 0 || i === iterations) {
      settle();
      yield desk.news('moves');
    }
  }
  return best;
}
