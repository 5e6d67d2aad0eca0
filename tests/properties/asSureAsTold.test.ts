import { expect, it } from 'vitest';
import { fairFile } from '../fixtures/fair';
import { planInputOf } from '../../src/formats/open';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { SHIPPED_LIBRARY } from '../../src/core/model';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache, search } from '../../src/core/schedule';

it('a serving is told as sure as was asked, though another cannot be made so', () => {
  const file = fairFile();
  const [butts, ...others] = file.batches;
  const method = SHIPPED_LIBRARY.methods.find(({ id }) => id === 'low-bare')!;
  const pieces = butts!.pieces.slice(0, 3).map((piece) => ({ ...piece, kg: 2.98 }));
  const input = planInputOf({ ...file, confidence: 0.8, batches: [{ ...butts!, method, pieces }, ...others] });
  const orders = batchOrders(input);
  const searching = search(orders, searchInputOf(input, newForecastCache(), SHIPPED_PARAMETERS), { seed: 2, iterations: 300 });
  let step = searching.next();
  while (!step.done) step = searching.next();
  const { objective, odds } = step.value;
  // The other serving is late too often, and stays so.
  expect(objective[0]).toBe(0);
  expect(objective[1]).toBeGreaterThan(0);
  expect(odds.find(({ servingId }) => servingId === orders[0]!.serving.id)!.onTimeShare).toBeGreaterThanOrEqual(0.8);
});
