import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import type { Run } from '../../src/core/model';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache, search } from '../../src/core/schedule';
import type { Decoded } from '../../src/core/schedule/decoded';
import { Decoder } from '../../src/core/schedule/decoder';
import { asItLies } from '../../src/core/schedule/wishes';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 24);
const cache = newForecastCache();
const EMPTY = { order: [], overrides: {}, seed: 1, iterations: 0 };
/** What a run is, beside why it is so. */
const factsOf = ({ runs }: Decoded) =>
  runs.map(({ why: _, ...run }: Run) => run).sort((a, b) => (a.pieceIds.join() < b.pieceIds.join() ? -1 : 1));

describe('a plan of a random event, written down just as it lies', () => {
  it('is that plan again, decoded from nothing', () => {
    let whole = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
      const searching = search(orders, searchInput, { seed, iterations: 24 });
      let step = searching.next();
      while (!step.done) step = searching.next();
      const plan = new Decoder(orders, searchInput).decode(step.value.scheme);
      if (plan.objective[0] > 0) continue;
      whole++;
      const again = new Decoder(orders, searchInput).decode({ ...EMPTY, ...asItLies(plan, orders) });
      expect(again.objective, `event ${seed}`).toEqual(plan.objective);
      expect(factsOf(again), `event ${seed}`).toEqual(factsOf(plan));
    }
    expect(whole / EVENTS).toBeGreaterThan(0.3);
  });
});
