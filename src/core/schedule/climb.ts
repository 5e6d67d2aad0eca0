import { seededRandom } from '../numerics';
import type { Decoded } from './decoded';
import { Ideals } from './idealMoments';
import { neighbour } from './moves';
import { OnPaper } from './onPaper';
import { Reinsertion } from './reinsert';
import { retimed } from './retime';
import { betterThan, type Progress, type SearchDesk } from './searchDesk';
import type { Strand } from './strands';
import { TimingMoves } from './timingMoves';
import { asItLies, type Move } from './wishes';

const YIELD_EVERY = 8;
/** So many moves without a better plan, and it goes on from the best. */
const STUCK = 300;
/** So often batches are put in again where they cost least; else as they are wished otherwise: all in another order mends what is broken most. */
const REINSERTED_SHARE = 0.75;
const REINSERTED_SHARE_BROKEN = 0.2;
/** So often, where all is placed, what is wished otherwise goes near to its wish, or the move is not made: a far place is seldom a better one. */
const NEAR_SHARE = 0.95;
const NEAR_SHARE_BROKEN = 0.5;
const REACH_MIN = 45;
/** So many moves of moments alone after each other one: they cost a third of it. Where something is late, more. */
const RETIMED = 1;
const RETIMED_LATE = 2;
/** So often a move may make departures a little worse, by such a share of them at first and ever less: the way to a better plan leads over worse ones. */
const WORSE_SHARE = 0.8;
const WORSE_BY = 0.06;
/** Where a serving is less sure than asked, by so many minutes of risk at first: one may have to be surer before another can. */
const RISKIER_BY_MIN = 3;
/** By so many piece-hours, late days priced, a plan must be cheaper to be worth a look at its ideal moments. */
const CHEAPER_H = 0.25;

/**
 * Moves batches from a plan on, so many times, each move followed by one or two of moments alone, and goes on from what is not worse,
 * or hardly: the best plan that a scheme stands for.
 */
export function* climb(desk: SearchDesk, from: Decoded, { seed, iterations }: Omit<Strand, 'from'>): Generator<Progress, Decoded> {
  const { free, input } = desk;
  const climber = new Climber(desk, from, seed);
  for (let i = 1; i <= iterations; i++) {
    if (desk.isAtBound(climber.best) || free.length === 0 || input.pits.length === 0) break;
    desk.done++;
    climber.move(1 - i / iterations);
    if (i % YIELD_EVERY === 0 || i === iterations) {
      climber.settle();
      yield desk.news('moves');
    }
  }
  return climber.best;
}

/** By how much a plan may be worse than the one it is made from. */
interface Slack {
  qualityH: number;
  riskMin: number;
}
const NO_SLACK: Slack = { qualityH: 0, riskMin: 0 };

class Climber {
  private readonly uniform: () => number;
  private readonly paper: OnPaper;
  private readonly ideals: Ideals;
  private readonly timing: TimingMoves;
  private readonly reinsertion: Reinsertion;
  /** What the next move is made from. */
  private current: Decoded;
  /** The best of the plans that batches were put in again in. What counts is what its scheme comes to from nothing. */
  private laid: Decoded;
  private settled: Decoded;
  private quietFor = 0;

  constructor(
    private readonly desk: SearchDesk,
    public best: Decoded,
    seed: number,
  ) {
    this.uniform = seededRandom(seed).uniform;
    this.paper = new OnPaper(desk.decoder.judge);
    this.ideals = new Ideals(this.paper, desk.free);
    this.timing = new TimingMoves(this.paper, desk.free, this.uniform, desk.input.airGapMm, this.ideals);
    this.reinsertion = new Reinsertion(desk, this.paper, this.ideals, this.uniform);
    this.current = this.laid = this.settled = best;
    desk.decoder.restore(best);
  }

  /** One move and the moments after it; how much worse it may make the plan depends on how much of the search is left. */
  move(leftShare: number): void {
    this.quietFor++;
    if (this.uniform() < (this.current.objective[0] > 0 ? REINSERTED_SHARE_BROKEN : REINSERTED_SHARE)) {
      const slack = this.uniform() < WORSE_SHARE ? this.slack(leftShare) : NO_SLACK;
      this.goOnFrom(this.reinsertion.from(this.current, slack.qualityH), slack);
    } else this.wishOtherwise();
    for (let i = 0; i < (this.current.objective[1] > 0 ? RETIMED_LATE : RETIMED); i++) {
      const move = this.timing.from(this.current);
      if (!move) break;
      this.goOnFrom(this.near(move, 0, this.current));
    }
    if (this.quietFor < STUCK) return;
    this.settle();
    this.quietFor = 0;
    this.current = this.best;
    this.desk.decoder.restore(this.current);
  }

  private slack(leftShare: number): Slack {
    const [, risk, qualityH] = this.current.objective;
    const by = () => leftShare * -Math.log(1 - this.uniform());
    return { qualityH: WORSE_BY * qualityH * by(), riskMin: risk > 0 ? RISKIER_BY_MIN * by() : 0 };
  }

  private wishOtherwise(): void {
    const { current, uniform } = this;
    const move = neighbour(current, this.desk.free, this.desk.input, uniform, this.ideals);
    const isWhole = move.takenOut && current.steps.every(({ id, placed }) => placed.left.length === 0 || !move.takenOut!.has(id));
    const isNear = isWhole && uniform() < (current.objective[0] === 0 ? NEAR_SHARE : NEAR_SHARE_BROKEN);
    this.goOnFrom(isNear ? this.near(move, REACH_MIN) : this.desk.decoder.decode(this.desk.stamp(move), undefined, this.keptBy(move)));
  }

  private keptBy({ takenOut }: Move) {
    return takenOut && new Map(this.current.steps.filter(({ id }) => !takenOut.has(id)).map(({ key, placed }) => [key, placed]));
  }

  private near(move: Move, reachMin: number, bar?: Decoded): Decoded | undefined {
    return this.desk.decoder.decodeNear(this.desk.stamp(move), this.keptBy(move)!, reachMin, bar);
  }

  /** Goes on from a plan that is not worse, or that is once its batches are at their ideal moments; else from where it was. */
  private goOnFrom(next: Decoded | undefined, slack = NO_SLACK): void {
    const { current } = this;
    let to = next && !betterThan(current, next) ? next : undefined;
    if (next && !to && this.isCheaper(next, slack.qualityH)) to = this.atIdealMoments(next, slack);
    if (to) {
      this.current = to;
      if (betterThan(to, this.laid)) {
        this.laid = to;
        this.quietFor = 0;
      }
    }
    this.desk.decoder.restore(this.current);
  }

  /** Late days priced: what a serving is surer than it need be may be spent on holds, and the other way round. */
  private isCheaper(next: Decoded, slackH: number): boolean {
    const { current, paper } = this;
    if (next.objective[0] !== current.objective[0] || Math.abs(next.leftKg - current.leftKg) > 1e-9) return false;
    const prices = this.ideals.pricesOf(current);
    return paper.costH(next.steps, prices) < paper.costH(current.steps, prices) - CHEAPER_H + slackH;
  }

  private atIdealMoments(next: Decoded, slack: Slack): Decoded | undefined {
    const { current, paper } = this;
    const isGood = ({ riskMin, qualityH }: Slack): boolean =>
      riskMin < current.objective[1] ||
      (riskMin <= current.objective[1] + slack.riskMin && qualityH < current.objective[2] + slack.qualityH);
    const ideal = this.ideals.just(next);
    if (!isGood(paper.figures(next, paper.earlier(next, ideal.byMin)))) return undefined;
    const then = retimed(next, ideal, this.desk, this.uniform);
    if (!then || then.objective[0] !== current.objective[0]) return undefined;
    return !betterThan(current, then) || (slack !== NO_SLACK && isGood({ riskMin: then.objective[1], qualityH: then.objective[2] }))
      ? then
      : undefined;
  }

  /** What the best plan so far comes to from nothing, and no other, is kept. */
  settle(): void {
    const { desk, laid } = this;
    if (this.settled === laid) return;
    const anew = desk.decode(asItLies(laid, desk.free));
    if (betterThan(anew, this.best)) this.best = anew;
    desk.keep(this.best);
    if (this.current === laid && !betterThan(laid, anew)) this.current = anew;
    this.laid = this.settled = this.best;
    desk.decoder.restore(this.current);
  }
}
