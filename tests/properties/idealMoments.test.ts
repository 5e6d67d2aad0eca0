import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { Decoder } from '../../src/core/schedule/decoder';
import { idealMoments } from '../../src/core/schedule/idealMoments';
import { allEarlier } from '../../src/core/schedule/looks';
import { OnPaper } from '../../src/core/schedule/onPaper';
import { offPitMin } from '../../src/core/schedule/window';
import { shiftOf } from '../../src/core/schedule/wishes';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 24);
const EARLY_MIN = 180;
const cache = newForecastCache();

/** A plan of a random event whose batches all go on long before they need to, and what it ideally would be. */
const earlyPlan = (seed: number) => {
  const input = planInputOf(randomOpenEvent(seed));
  const orders = batchOrders(input);
  const decoder = new Decoder(orders, searchInputOf(input, cache, SHIPPED_PARAMETERS));
  const plan = decoder.decode({ order: [], overrides: allEarlier(orders, EARLY_MIN), seed: 1, iterations: 0 });
  const paper = new OnPaper(decoder.judge);
  return { orders, plan, paper, ideal: idealMoments(plan, paper, orders).byMin };
};

describe('moments that odds and holds would ideally have', () => {
  it('are no later than the latest start and no earlier than a hold allows', () => {
    for (let seed = 1; seed <= EVENTS; seed++) {
      const { orders, plan, ideal } = earlyPlan(seed);
      for (const order of orders) {
        const byMin = ideal.get(order.batch.id);
        if (byMin === undefined) continue;
        expect(shiftOf(plan, order) + byMin).toBeGreaterThanOrEqual(0);
        for (const run of plan.runs.filter(({ batchId }) => batchId === order.batch.id)) {
          const heldMin = (run.carveAtMs - run.pullEarlyMs) / 60_000 - offPitMin(order);
          if (byMin > 0) expect(heldMin + byMin).toBeLessThanOrEqual(order.method.holdMaxMin);
        }
      }
    }
  });

  it('leave a plan that is sure as sure, and its holds no longer', () => {
    let shorter = 0;
    let sure = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const { plan, paper, ideal } = earlyPlan(seed);
      const [, riskMin, qualityH] = plan.objective;
      if (riskMin > 0 || plan.runs.length === 0) continue;
      sure++;
      const moved = paper.earlier(plan, ideal);
      expect(paper.isSureIf(plan, moved), `event ${seed}`).toBe(true);
      expect(paper.figures(plan, moved).qualityH, `event ${seed}`).toBeLessThanOrEqual(qualityH);
      if (paper.figures(plan, moved).qualityH < qualityH) shorter++;
    }
    expect(sure).toBeGreaterThan(EVENTS / 8);
    expect(shorter).toBeGreaterThan(sure / 2);
  });

  it('make what is less sure than asked surer', () => {
    let surer = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const { orders, plan, paper } = earlyPlan(seed);
      // All at their latest: as unsure as a plan may be.
      const latest = new Map(orders.map((order) => [order.batch.id, -shiftOf(plan, order)]));
      const before = paper.figures(plan, paper.earlier(plan, latest));
      const then = paper.figures(plan, paper.earlier(plan, idealMoments(plan, paper, orders).byMin));
      if (before.riskMin === 0) continue;
      expect(then.riskMin, `event ${seed}`).toBeLessThanOrEqual(before.riskMin);
      if (then.riskMin < before.riskMin) surer++;
    }
    expect(surer).toBeGreaterThan(EVENTS / 4);
  });
});
