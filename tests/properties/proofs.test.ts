import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache, provedConflict, provedRoomShort, search, searchUntil } from '../../src/core/schedule';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

describe('a proof that there is no plan', () => {
  it('is never given of what a search can place, on random events', () => {
    let placed = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const searchInput = searchInputOf(input, newForecastCache(), SHIPPED_PARAMETERS);
      const found = searchUntil(search(orders, searchInput, { seed: 1, iterations: 20 }), ([broken]) => broken === 0);
      if (found.objective[0] > 0) continue;
      placed++;
      expect([seed, provedRoomShort(orders, searchInput)]).toEqual([seed, undefined]);
      for (const order of orders) expect([seed, provedConflict(order, searchInput)]).toEqual([seed, undefined]);
    }
    expect(placed).toBeGreaterThan(10);
  });
});
