import type { Decoded } from './decoded';
import { OnDays, type Movable } from './onDays';
import type { OnPaper, PaperBatch, Prices } from './onPaper';
import type { BatchOrder } from './order';
import { shiftOf } from './wishes';

/** Being late on all days costs so many piece-hours at first, then ever less until a serving would be less sure than asked. */
const DEAREST_H = 10000;
const CHEAPEST_H = 1;
const PRICE_STEP = 0.6;

export interface Ideal {
  /** By how many minutes each batch would go on earlier than it does. */
  byMin: ReadonlyMap<string, number>;
  /** What a late day then costs. */
  prices: Prices;
}

/**
 * When each batch would go on, were there room and hands for all whenever they are wished: each serving as sure as asked, its holds
 * as good as they then can be. A minute earlier is bought where it costs the least; what is then left over is spent on holds.
 */
export function idealMoments(plan: Decoded, paper: OnPaper, orders: readonly BatchOrder[]): Ideal {
  const { confidence } = paper.judge.judgedBy;
  const byMin = new Map<string, number>();
  const prices = new Map<string, number>();
  const servings = new Map<string, Movable[]>();
  const papers = new Map(paper.batchesOf(plan));
  const add = (batch: PaperBatch, leastMin: number, mostMin: number) => {
    const own = servings.get(batch.servingId) ?? [];
    servings.set(batch.servingId, own);
    own.push({ ...batch, leastMin, mostMin });
  };
  for (const order of orders) {
    const batch = papers.get(order.batch.id);
    papers.delete(order.batch.id);
    if (batch) add(batch, -shiftOf(plan, order), Math.max(0, Math.floor(order.method.holdMaxMin - batch.heldMin)));
  }
  // What is pinned is late when it is late.
  for (const pinned of papers.values()) add(pinned, 0, 0);
  for (const [servingId, batches] of servings) {
    const serving = new OnDays(batches);
    const isEnough = () => serving.inTimeShare >= confidence;
    let best = serving.byMin;
    for (let price = DEAREST_H; price > CHEAPEST_H; price *= PRICE_STEP) {
      const priceH = price / batches[0]!.late.length;
      serving.settle(priceH);
      const isFirst = price === DEAREST_H;
      if (isFirst || isEnough()) {
        best = serving.byMin;
        prices.set(servingId, priceH);
      }
      // As sure as it can be, and still not sure; or no longer sure.
      if (!isEnough()) break;
    }
    serving.moveAll(best);
    if (isEnough()) serving.trim(confidence);
    serving.byMin.forEach((minutes, i) => byMin.set(batches[i]!.id, minutes));
  }
  return { byMin, prices };
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
  private prices: Prices = new Map();

  constructor(
    private readonly paper: OnPaper,
    private readonly orders: readonly BatchOrder[],
  ) {}

  /** What a late day costs. */
  pricesOf(plan: Decoded): Prices {
    this.of(plan);
    return this.prices;
  }

  /** The ideal of one plan alone. */
  just(plan: Decoded): Ideal {
    return idealMoments(plan, this.paper, this.orders);
  }

  /** Minutes before its latest start, by batch. */
  of(plan: Decoded): ReadonlyMap<string, number> {
    if (plan !== this.plan) this.plans++;
    this.questions++;
    if (!this.plan || this.plans > KEPT_FOR_PLANS || this.questions > KEPT_FOR_QUESTIONS) {
      const { byMin: ideal, prices } = this.just(plan);
      this.prices = prices;
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
