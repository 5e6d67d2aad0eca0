import type { Decoded } from './decoded';
import type { OnPaper, PaperBatch } from './onPaper';
import type { BatchOrder } from './order';
import { isLate } from './risk';
import { shiftOf } from './wishes';

/** A batch that goes on so much earlier, as early as its holds allow and as late as it may be. */
interface Movable extends PaperBatch {
  leastMin: number;
  mostMin: number;
  byMin: number;
}

/** Being late on all days costs so many piece-hours at first, then ever less until a serving would be less sure than asked. */
const DEAREST_H = 10000;
const CHEAPEST_H = 1;
const PRICE_STEP = 0.6;
/** A batch goes on so much earlier or later at a time. */
const STEPS_MIN = [60, 15, 5] as const;
const ROUNDS = 6;
/** Minutes late count beside days, so that what is late every day knows which way to go. */
const PER_MINUTE_LATE = 1e-3;

/**
 * By how many minutes each batch would go on earlier than it does, were there room and hands for all whenever they are wished: each
 * serving as sure as asked, its holds as good as they then can be. A minute earlier is bought where it costs the least.
 */
export function idealMoments(plan: Decoded, paper: OnPaper, orders: readonly BatchOrder[]): Map<string, number> {
  const { confidence } = paper.judge.judgedBy;
  const ideal = new Map<string, number>();
  const servings = new Map<string, Movable[]>();
  const papers = new Map(paper.batchesOf(plan));
  const add = (batch: PaperBatch, leastMin: number, mostMin: number) => {
    const movable = { ...batch, leastMin, mostMin, byMin: 0 };
    servings.set(batch.servingId, [...(servings.get(batch.servingId) ?? []), movable]);
  };
  for (const order of orders) {
    const batch = papers.get(order.batch.id);
    papers.delete(order.batch.id);
    if (batch) add(batch, -shiftOf(plan, order), Math.max(0, Math.floor(order.method.holdMaxMin - batch.heldMin)));
  }
  // What is pinned is late when it is late.
  for (const pinned of papers.values()) add(pinned, 0, 0);
  for (const batches of servings.values()) {
    const days = batches[0]!.late.length;
    const serving = new OnDays(batches);
    let best: number[] | undefined;
    for (let price = DEAREST_H; price > CHEAPEST_H; price *= PRICE_STEP) {
      serving.settle(price / days);
      const isEnough = (days - serving.lateDays()) / days >= confidence;
      if (best && !isEnough) break;
      best = batches.map(({ byMin }) => byMin);
      // As sure as it can be, and still not sure.
      if (!isEnough) break;
    }
    batches.forEach(({ id, byMin }, i) => ideal.set(id, best?.[i] ?? byMin));
  }
  return ideal;
}

const sorted = new WeakMap<Float64Array, Int32Array>();

/** Days, the latest first. */
function latestFirst(late: Float64Array): Int32Array {
  let found = sorted.get(late);
  if (!found) sorted.set(late, (found = Int32Array.from(late.keys()).sort((a, b) => late[b]! - late[a]!)));
  return found;
}

/** The batches of a serving on the days that plans are tried on. */
class OnDays {
  /** How many batches are late that day. */
  private readonly count: Int16Array;
  /** Each batch's days, the latest first. */
  private readonly latestFirst: ReadonlyMap<Movable, Int32Array>;

  constructor(private readonly batches: readonly Movable[]) {
    this.count = new Int16Array(batches[0]!.late.length);
    for (const { late, byMin } of batches) late.forEach((minutes, day) => (this.count[day]! += Number(isLate(minutes - byMin))));
    this.latestFirst = new Map(batches.map((batch) => [batch, latestFirst(batch.late)]));
  }

  lateDays(): number {
    let days = 0;
    for (const count of this.count) if (count > 0) days++;
    return days;
  }

  /** Moves one batch after another where holds and late days, at so many piece-hours each, cost the least. */
  settle(priceH: number): void {
    for (let round = 0; round < ROUNDS; round++) {
      let moved = false;
      for (const batch of this.batches) {
        const to = this.cheapest(batch, priceH);
        if (to === batch.byMin) continue;
        const { late, byMin } = batch;
        for (let day = 0; day < late.length; day++)
          this.count[day]! += Number(isLate(late[day]! - to)) - Number(isLate(late[day]! - byMin));
        batch.byMin = to;
        moved = true;
      }
      if (!moved) return;
    }
  }

  /** Where one batch would go on, all others staying. */
  private cheapest(batch: Movable, priceH: number): number {
    const { late, byMin, leastMin, mostMin } = batch;
    const days = this.latestFirst.get(batch)!;
    // Minutes late of all days, and of those on which no other batch is late, the latest first.
    const alone: number[] = [];
    for (const day of days) if (this.count[day]! - Number(isLate(late[day]! - byMin)) === 0) alone.push(late[day]!);
    const costOf = (toMin: number) => {
      let minutes = 0;
      for (const day of days) {
        const then = late[day]! - toMin;
        if (!isLate(then)) break;
        minutes += then;
      }
      let lateAlone = 0;
      while (lateAlone < alone.length && isLate(alone[lateAlone]! - toMin)) lateAlone++;
      return batch.hoursIf(toMin) + priceH * (lateAlone + minutes * PER_MINUTE_LATE);
    };
    let at = byMin;
    let least = costOf(at);
    for (const step of STEPS_MIN)
      for (const way of [-step, step])
        for (;;) {
          const to = Math.min(mostMin, Math.max(leastMin, at + way));
          const cost = to === at ? Infinity : costOf(to);
          if (cost >= least - 1e-9) break;
          [at, least] = [to, cost];
        }
    return at;
  }
}

/** So many other plans, or so many questions, before they are reckoned anew. */
const KEPT_FOR_PLANS = 10;
const KEPT_FOR_QUESTIONS = 60;

/** How early each batch of the plan at hand would ideally be, reckoned anew now and then. */
export class Ideals {
  private plan?: Decoded;
  private plans = 0;
  private questions = 0;
  private earlierMin: ReadonlyMap<string, number> = new Map();

  constructor(
    private readonly paper: OnPaper,
    private readonly orders: readonly BatchOrder[],
  ) {}

  /** Minutes before its latest start, by batch. */
  of(plan: Decoded): ReadonlyMap<string, number> {
    if (plan !== this.plan) this.plans++;
    this.questions++;
    if (!this.plan || this.plans > KEPT_FOR_PLANS || this.questions > KEPT_FOR_QUESTIONS) {
      const ideal = idealMoments(plan, this.paper, this.orders);
      this.earlierMin = new Map(
        this.orders.flatMap((order) => {
          const byMin = ideal.get(order.batch.id);
          return byMin === undefined ? [] : [[order.batch.id, shiftOf(plan, order) + byMin]];
        }),
      );
      [this.plans, this.questions] = [0, 0];
    }
    this.plan = plan;
    return this.earlierMin;
  }
}
