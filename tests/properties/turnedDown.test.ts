import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { seededRandom } from '../../src/core/numerics';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import type { Decoded } from '../../src/core/schedule/decoded';
import { Decoder } from '../../src/core/schedule/decoder';
import { Ideals } from '../../src/core/schedule/idealMoments';
import { neighbour } from '../../src/core/schedule/moves';
import { OnPaper } from '../../src/core/schedule/onPaper';
import { betterThan } from '../../src/core/schedule/searchDesk';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 24);
const MOVES = 25;
const REACH_MIN = 45;
const EMPTY = { order: [], overrides: {}, seed: 1, iterations: 0 };
const cache = newForecastCache();

describe('a plan that is judged beside another', () => {
  it('is turned down only where it is worse, and comes to the same where it is not', () => {
    const counted = { same: 0, turnedDown: 0 };
    for (let seed = 1; seed <= EVENTS; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
      const [free, barred] = [new Decoder(orders, searchInput), new Decoder(orders, searchInput)];
      const current = free.decode(EMPTY);
      const own = barred.decode(EMPTY);
      const { uniform } = seededRandom(seed);
      const ideals = new Ideals(new OnPaper(free.judge), orders);
      for (let i = 0; i < MOVES; i++) {
        const { takenOut, ...changed } = neighbour(current, orders, searchInput, uniform, ideals);
        if (!takenOut) continue;
        const keptOf = ({ steps }: Decoded) => new Map(steps.filter(({ id }) => !takenOut.has(id)).map(({ key, placed }) => [key, placed]));
        const whole = free.decodeNear({ ...EMPTY, ...changed }, keptOf(current), REACH_MIN);
        const judged = barred.decodeNear({ ...EMPTY, ...changed }, keptOf(own), REACH_MIN, own);
        if (judged) {
          counted.same++;
          expect(judged.objective, `event ${seed}, move ${i}`).toEqual(whole!.objective);
        } else if (whole) {
          counted.turnedDown++;
          expect(betterThan(current, whole), `event ${seed}, move ${i}`).toBe(true);
        }
        free.restore(current);
        barred.restore(own);
      }
    }
    expect(counted.same).toBeGreaterThan(EVENTS / 4);
    expect(counted.turnedDown).toBeGreaterThan(EVENTS / 4);
  });

  it('is told with a name for every run, each its own, the first of a batch by the batch’s', () => {
    for (let seed = 1; seed <= EVENTS; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const decoder = new Decoder(orders, searchInputOf(input, cache, SHIPPED_PARAMETERS));
      const told = decoder.told(decoder.decode(EMPTY));
      expect(new Set(told.runs.map((run) => run.id)).size).toBe(told.runs.length);
      for (const { batch } of orders) {
        const own = told.runs.filter((run) => run.batchId === batch.id).map((run) => run.id);
        if (own.length > 0) expect(own).toContain(batch.id);
      }
      // Told after another was looked at, it is told the same.
      const first = decoder.decode(EMPTY);
      decoder.decode({ ...EMPTY, order: orders.map(({ batch }) => batch.id).reverse() });
      expect(decoder.told(first)).toEqual(told);
    }
  });
});
