import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { seededRandom } from '../../src/core/numerics';
import { AIR_GAP_MM } from '../../src/core/packing';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import type { Decoded, Step } from '../../src/core/schedule/decoded';
import { Decoder } from '../../src/core/schedule/decoder';
import { CHANGE_OVER_MIN } from '../../src/core/schedule/heatLedger';
import { pushed } from '../../src/core/schedule/pushed';
import { planInputOf } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 40);
const cache = newForecastCache();

const at = (clock: string): number => Date.parse(`2026-08-15T${clock}:00Z`);

interface On {
  pitC: number;
  from: string;
  to: string;
  xMm?: number;
}

/** A plan of batches on one rack of one pit. */
function onOnePit(batches: Record<string, On>): Decoded {
  const steps = Object.entries(batches).map(([id, { pitC, from, to, xMm = 0 }]) => {
    const use = { pitId: 'offset', fromMs: at(from), toMs: at(to) };
    const place = { pieceId: '1', xMm, yMm: 0, widthMm: 300, depthMm: 200, turned: false };
    return {
      key: id,
      id,
      placed: { claims: [{ heat: [{ ...use, pitC }], racks: [{ ...use, rackId: 'top', places: [place] }], holds: [] }] },
    };
  });
  return { steps: steps as unknown as Step[] } as Decoded;
}
const BUTTS: On = { pitC: 120, from: '04:00', to: '12:00' };
const all = (plan: Decoded) => new Set(plan.steps.map(({ id }) => id));
const pushedTo = (plan: Decoded, byMin: Record<string, number>, movable = all(plan), airGapMm = 25) => {
  const then = pushed(plan, new Map(Object.entries(byMin)), { movable, airGapMm });
  return then && Object.fromEntries(then);
};

describe('what stands in the way of another moment', () => {
  const ribs: On = { pitC: 150, from: '12:25', to: '15:00', xMm: 600 };
  const plan = onOnePit({ butts: BUTTS, ribs });

  it('gives way earlier by what is lacking for the change of heat', () => {
    expect(pushedTo(plan, { ribs: 5 })).toEqual({ ribs: 5 });
    expect(pushedTo(plan, { ribs: 12 })).toEqual({ ribs: 12, butts: 7 });
  });

  it('gives way later to what goes on later', () => {
    expect(pushedTo(plan, { butts: -5 })).toEqual({ butts: -5 });
    expect(pushedTo(plan, { butts: -30 })).toEqual({ butts: -30, ribs: -25 });
  });

  it('gives way for the place it lies on, though the heat is the same, and not for a place beside it', () => {
    const wings = (xMm: number): On => ({ pitC: 120, from: '12:00', to: '14:00', xMm });
    expect(pushedTo(onOnePit({ butts: BUTTS, wings: wings(0) }), { wings: 10 })).toEqual({ wings: 10, butts: 10 });
    expect(pushedTo(onOnePit({ butts: BUTTS, wings: wings(600) }), { wings: 10 })).toEqual({ wings: 10 });
  });

  it('gives way as far beside it as the kitchen keeps pieces apart', () => {
    const beside = onOnePit({ butts: BUTTS, wings: { pitC: 120, from: '12:00', to: '14:00', xMm: 330 } });
    expect(pushedTo(beside, { wings: 10 }, all(beside), 25)).toEqual({ wings: 10 });
    expect(pushedTo(beside, { wings: 10 }, all(beside), 40)).toEqual({ wings: 10, butts: 10 });
  });

  it('pushes on what stands in its own way', () => {
    const chain = onOnePit({ butts: BUTTS, ribs, wings: { pitC: 180, from: '15:22', to: '16:00', xMm: 1200 } });
    expect(pushedTo(chain, { wings: 10 })).toEqual({ wings: 10, ribs: 8, butts: 3 });
  });

  it('stays where it is, and so does all, where it may not be moved or was to go the other way', () => {
    expect(pushedTo(plan, { ribs: 12 }, new Set(['ribs']))).toBeUndefined();
    expect(pushedTo(plan, { ribs: 12, butts: -1 })).toBeUndefined();
  });
});

describe('a batch of a random event at another moment', () => {
  /** Minutes between every two batches that want a pit at another heat, the change included, once they are so much earlier. */
  const gaps = (plan: Decoded, byMin: ReadonlyMap<string, number>) =>
    plan.steps.flatMap((before) =>
      plan.steps.flatMap((after) =>
        before.placed.claims
          .flatMap(({ heat }) => heat)
          .flatMap((first) =>
            after.placed.claims
              .flatMap(({ heat }) => heat)
              .flatMap((then) =>
                before.id !== after.id && first.pitId === then.pitId && first.pitC !== then.pitC && then.fromMs >= first.toMs
                  ? [(then.fromMs - first.toMs) / 60_000 - CHANGE_OVER_MIN - (byMin.get(after.id) ?? 0) + (byMin.get(before.id) ?? 0)]
                  : [],
              ),
          ),
      ),
    );

  it('leaves each pit the time it needs between two heats, whatever gives way', () => {
    let pushes = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const input = planInputOf(randomOpenEvent(seed));
      const orders = batchOrders(input);
      const decoder = new Decoder(orders, searchInputOf(input, cache, SHIPPED_PARAMETERS));
      const plan = decoder.decode({ order: [], overrides: {}, seed: 1, iterations: 0 });
      const { uniform } = seededRandom(seed);
      const movable = new Set(orders.map(({ batch }) => batch.id));
      for (const order of orders) {
        const byMin = new Map([[order.batch.id, Math.round(240 * uniform() - 120)]]);
        const then = pushed(plan, byMin, { movable, airGapMm: AIR_GAP_MM });
        if (!then) continue;
        if (then.size > 1) pushes++;
        expect(then.get(order.batch.id)).toBe(byMin.get(order.batch.id));
        for (const gapMin of gaps(plan, then)) expect(gapMin, `event ${seed}, ${order.batch.id}`).toBeGreaterThanOrEqual(0);
      }
    }
    expect(pushes).toBeGreaterThan(EVENTS / 10);
  });
});
