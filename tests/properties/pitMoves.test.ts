import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { seededRandom } from '../../src/core/numerics';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { Decoder } from '../../src/core/schedule/decoder';
import { Ideals } from '../../src/core/schedule/idealMoments';
import { fromOf } from '../../src/core/schedule/moveFrom';
import { OnPaper } from '../../src/core/schedule/onPaper';
import { reheated } from '../../src/core/schedule/pitMoves';
import { bears } from '../../src/core/schedule/wishes';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 24);
const MOVES = 10;
const EMPTY = { order: [], overrides: {}, seed: 1, iterations: 0 };
const cache = newForecastCache();

describe('all that is side by side on one pit, set to another heat', () => {
  it('takes out whole what shares the pit at one heat, and wishes for one heat that each bears, or for none', () => {
    let [moves, several] = [0, 0];
    for (let seed = 1; seed <= EVENTS; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
      const decoder = new Decoder(orders, searchInput);
      const plan = decoder.decode(EMPTY);
      const { uniform } = seededRandom(seed);
      const ideals = new Ideals(new OnPaper(decoder.judge), orders);
      for (let i = 0; i < MOVES; i++) {
        const hotter = i % 2 === 0;
        const from = fromOf(plan, orders, searchInput, uniform, ideals);
        const first = orders[Math.floor(uniform() * orders.length)]!.batch.id;
        const move = reheated(from, first, hotter);
        if (!move) continue;
        moves++;
        const out = [...move.takenOut!];
        if (out.length > 1) several++;
        expect(out).toContain(first);
        const { pitId, pitC } = move.overrides[first]!;
        const runs = plan.runs.filter((run) => run.batchId === first && run.pitId === pitId);
        expect(runs.some((run) => (hotter ? run.pitC < pitC! : run.pitC !== pitC))).toBe(true);
        for (const id of out) {
          const wish = move.overrides[id] ?? {};
          const { method } = orders.find(({ batch }) => batch.id === id)!;
          if (bears(method.pitRangeC, pitC!)) expect([wish.pitId, wish.pitC]).toEqual([pitId, pitC]);
          else expect([wish.pitId, wish.pitC]).toEqual([undefined, undefined]);
        }
        // Whoever stays has its wish as it was.
        for (const { batch } of orders) if (!out.includes(batch.id)) expect(move.overrides[batch.id]).toBe(plan.scheme.overrides[batch.id]);
      }
    }
    expect(moves).toBeGreaterThan(2 * EVENTS);
    expect(several).toBeGreaterThan(EVENTS / 2);
  });
});
