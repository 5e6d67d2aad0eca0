import { seededRandom } from '../numerics';
import type { Decoded } from './decoded';
import { Ideals } from './idealMoments';
import { neighbour } from './moves';
import { betterThan, type Progress, type SearchDesk } from './searchDesk';
import { OnPaper } from './onPaper';
import type { Strand } from './strands';
import { TimingMoves } from './timingMoves';
import { asItLies, type Move } from './wishes';

const YIELD_EVERY = 8;
/** So many moves without a better plan, and it goes on from the best. */
const STUCK = 150;
/** So often, where all is placed, what is put in again goes near to where it is wished, or the move is not made: a far place is seldom a better one. */
const NEAR_SHARE = 0.95;
const NEAR_SHARE_BROKEN = 0.5;
const REACH_MIN = 45;
/** So many moves of moments alone after each other one: they cost a third of it. */
const RETIMED = 2;

/**
 * Moves single batches from a plan on, so many times, each move followed by a few of moments alone, and keeps what is not worse: the
 * best plan that a scheme stands for.
 */
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
  const paper = new OnPaper(decoder.judge);
  const ideals = new Ideals(paper, free);
  const timing = new TimingMoves(paper, free, random.uniform, ideals);
  /** A move is made, and what is not worse is gone on from; whether it is better than all before. */
  const make = ({ takenOut, ...changed }: Move, reachMin?: number): boolean => {
    const kept = takenOut && new Map(current.steps.filter(({ id }) => !takenOut.has(id)).map(({ key, placed }) => [key, placed]));
    const scheme = desk.stamp(changed);
    const next =
      kept && reachMin !== undefined ? decoder.decodeNear(scheme, kept, reachMin, current) : decoder.decode(scheme, undefined, kept);
    const isNewBest = next !== undefined && betterThan(next, laid);
    if (isNewBest) laid = next;
    if (next && !betterThan(current, next)) current = next;
    else decoder.restore(current);
    return isNewBest;
  };
  for (let i = 1; i <= iterations; i++) {
    if (desk.isAtBound(best) || free.length === 0 || input.pits.length === 0) break;
    desk.done++;
    const move = neighbour(current, free, input, random.uniform, ideals);
    const isWhole = move.takenOut && current.steps.every(({ id, placed }) => placed.left.length === 0 || !move.takenOut!.has(id));
    const isNear = isWhole && random.uniform() < (current.objective[0] === 0 ? NEAR_SHARE : NEAR_SHARE_BROKEN);
    quietFor = make(move, isNear ? REACH_MIN : undefined) ? 0 : quietFor + 1;
    for (let k = 0; k < RETIMED; k++) {
      const retimed = timing.from(current);
      if (!retimed) break;
      if (make(retimed, 0)) quietFor = 0;
    }
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
