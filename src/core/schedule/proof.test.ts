import { describe, expect, it } from 'vitest';
import { batchOf, BOX, BULLET, eventOf, inputOf, OFFSET, OVEN, servedAway, SUPPER_MS } from '../../../tests/fixtures/events';
import { SHIPPED_PARAMETERS } from '../forecast';
import type { Batch, CookEvent, Pit } from '../model';
import { batchOrders, searchInputOf, type PlanInput } from '../planning';
import { newForecastCache } from './batchForecast';
import { lowerBound } from './bounds';
import { provedConflict } from './proof';
import { scheduleBy, search } from './search';

const MIN = 60_000;
const cache = newForecastCache();
const provedOf = (input: PlanInput) => {
  const [order] = batchOrders(input);
  return provedConflict(order!, searchInputOf(input, cache, SHIPPED_PARAMETERS));
};
const butt = (extra: Partial<Batch> = {}) => batchOf('pork-butt', 2, { methodId: 'low-paper', ...extra });
const inputWith = (
  batch: Batch,
  pits: Pit[] = [OFFSET, OVEN],
  extra: Partial<CookEvent> = {},
  more: Partial<PlanInput> = {},
): PlanInput => ({
  ...inputOf(eventOf([batch], extra), pits, [BOX]),
  ...more,
});

describe('what cannot be, even alone in an empty kitchen', () => {
  it('is nothing where a batch can be cooked', () => {
    expect(provedOf(inputWith(butt()))).toBeUndefined();
  });

  it('is a batch that no pit suits: no smoke, or racks that are too small', () => {
    expect(provedOf(inputWith(butt(), [OVEN]))).toEqual(['pork-butt']);
    const long = batchOf('brisket-whole', 1, { methodId: 'low-paper' });
    long.pieces = [{ id: 'long', kg: 6, lengthMm: 900, widthMm: 300 }];
    expect(provedOf(inputWith(long, [BULLET]))).toEqual(['brisket-whole', 'bullet']);
  });

  it('is a piece that no rack carries, with the racks', () => {
    const weak = { ...OFFSET, racks: OFFSET.racks.map((rack) => ({ ...rack, maxKg: 1 })) };
    expect(provedOf(inputWith(butt(), [weak]))).toEqual(['pork-butt', 'low', 'high']);
  });

  it('is a cook that cannot be done by its serving any more', () => {
    const late = inputWith(butt(), undefined, {}, { earliestMs: SUPPER_MS - 120 * MIN });
    expect(provedOf(late)).toEqual(['pork-butt', 'supper', 'workFrom']);
  });

  it('is nobody to do it, or nobody for the whole drive', () => {
    expect(provedOf(inputWith(butt(), undefined, { duty: [] }, { countCrew: true }))).toEqual(['pork-butt', 'crew']);
    const { servings, places, roads } = servedAway(eventOf([butt()]), 60, 10);
    const crew = [{ id: 'ada', name: 'Ada', drives: true }];
    const leavesMs = SUPPER_MS - (30 + 10 + 10 + 60) * MIN;
    const duty = (toMs: number) => [{ memberId: 'ada', fromMs: SUPPER_MS - 3 * 86_400_000, toMs }];
    expect(provedOf(inputWith(butt(), undefined, { servings, places, roads, duty: duty(leavesMs + 30 * MIN) }, { crew }))).toEqual([
      'supper',
      'crew',
    ]);
    expect(provedOf(inputWith(butt(), undefined, { servings, places, roads, duty: duty(SUPPER_MS + 60 * MIN) }, { crew }))).toBeUndefined();
  });
});

describe('the bound of a plan', () => {
  const events: [string, Batch[]][] = [
    ['one long cook', [butt()]],
    ['a short one beside it', [butt(), batchOf('chicken-half', 6)]],
    [
      'many that share a pit',
      [butt(), batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('spare-ribs', 8), batchOf('chicken-half', 8)],
    ],
  ];

  it.each(events)('is below every plan of %s, level by level', (_, batches) => {
    const input = inputWith(batches[0]!);
    input.event = eventOf(batches);
    const orders = batchOrders(input);
    const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
    const bound = lowerBound(orders, searchInput);
    expect(bound.every((value) => value >= 0)).toBe(true);
    const ids = orders.map((order) => order.batch.id);
    for (const order of [ids, [...ids].reverse()])
      for (const earlierMin of [undefined, 0, 60, 240]) {
        const overrides = Object.fromEntries(ids.map((id) => [id, { ...(earlierMin !== undefined && { earlierMin }) }]));
        const { objective } = scheduleBy(orders, searchInput, { order, overrides, seed: 1, iterations: 0 });
        if (objective[0] > 0) continue;
        for (let level = 0; level < 5; level++) expect(objective[level]).toBeGreaterThanOrEqual(bound[level]! - 1e-9);
      }
  });

  it('ends a search that has reached it, and never gets worse on the way', () => {
    const input = inputWith(butt());
    const searching = search(batchOrders(input), searchInputOf(input, cache, SHIPPED_PARAMETERS), { seed: 3, iterations: 60 });
    let before: readonly number[] | undefined;
    let step = searching.next();
    while (!step.done) {
      const { objective } = step.value.best;
      if (before) expect(worse(objective, before)).toBe(false);
      before = objective;
      step = searching.next();
    }
    expect(worse(step.value.objective, before!)).toBe(false);
  });
});

/** Whether a is worse than b, the first level that differs deciding. */
function worse(a: readonly number[], b: readonly number[]): boolean {
  const level = a.findIndex((value, i) => Math.abs(value - b[i]!) > 1e-9);
  return level >= 0 && a[level]! > b[level]!;
}
