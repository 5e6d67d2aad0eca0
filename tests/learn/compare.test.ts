import { describe, expect, it } from 'vitest';
import { cooksOfKitchen } from '../../src/devices/simulated/kitchen';
import { calibrate, comesUpFor, learnedPaces, modelledCurve, stallMin, type NextTime } from '../../src/core/learn';
import { batchOf, eventOf } from '../fixtures/events';
import { seededRandom } from '../../src/core/numerics';

describe('what forecasts were worth', () => {
  const random = seededRandom(3);
  /** A kitchen that is so much slower than the model. */
  const slower = (count: number, log: number, sd = 0.1) =>
    Array.from({ length: count }, (_, i) => {
      const off = log + sd * random.normal();
      return { id: `c${i}`, cutId: 'pork-butt', pitId: i % 2 ? 'a' : 'b', methodId: 'low-foil', observedH: 10 * Math.exp(off), log: off };
    });

  it('is told of each cook by those before it alone: the first by the shipped model, later ones nearer', () => {
    const { points, logRmse, shippedLogRmse, byCut } = calibrate(slower(40, 0.25));
    expect(points[0]!.toldH.p50).toBeCloseTo(10, 6);
    expect(points.at(-1)!.toldH.p50 / 10).toBeGreaterThan(1.2);
    expect(logRmse!).toBeLessThan(0.6 * shippedLogRmse!);
    expect(Math.abs(byCut['pork-butt']!.meanLog)).toBeLessThan(0.08);
    // What came after changes nothing that was told before.
    const cooks = slower(12, 0.1);
    expect(calibrate(cooks.slice(0, 6)).points).toEqual(calibrate(cooks).points.slice(0, 6));
  });

  it('is not told while there are too few, and its share has the range that chance gives it', () => {
    expect(calibrate(slower(4, 0)).inside).toBeUndefined();
    const { inside, points } = calibrate(slower(60, 0));
    expect(inside!.share).toBe(points.filter((point) => point.inside).length / points.length);
    expect(inside!.low).toBeLessThan(inside!.share);
    expect(inside!.high).toBeGreaterThan(inside!.low + 0.05);
    expect(calibrate([]).points).toEqual([]);
  });

  it('stays quick over thousands of cooks, and names every number with its count and range', () => {
    const cooks = slower(3000, 0.1);
    expect(calibrate(cooks).points).toHaveLength(3000);
    const { cuts, pits, methods } = learnedPaces(cooks);
    expect(cuts).toHaveLength(1);
    expect(cuts[0]!.cooks).toBe(3000);
    for (const { pace, low, high } of [...cuts, ...pits, ...methods]) expect(low < pace && pace < high).toBe(true);
    expect(pits.map(({ cooks: count }) => count)).toEqual([1500, 1500]);
  });
});

describe('curves of cooks', () => {
  it('rise as the model has them, stretched to the hours they took, and tell the stall', () => {
    for (const cook of cooksOfKitchen(11, 6)) {
      const curve = modelledCurve(cook)!;
      expect(curve.modelled).toBe(true);
      expect(curve.pulledMin! / 60).toBeCloseTo(cook.observedH!, 6);
      expect(curve.minutes.at(-1)!).toBeLessThanOrEqual(curve.pulledMin! + 6);
      for (const [i, minute] of curve.minutes.entries()) if (i > 0) expect(minute).toBeGreaterThan(curve.minutes[i - 1]!);
      const stall = stallMin(curve);
      if (cook.cutId === 'pork-butt') expect(stall!).toBeGreaterThan(60);
    }
    expect(modelledCurve({ ...cooksOfKitchen(11, 1)[0]!, cutId: 'kelp' })).toBeUndefined();
    expect(stallMin({ minutes: [0, 60], coreC: [4, 50] })).toBeUndefined();
    expect(stallMin({ minutes: [0, 100, 200], coreC: [50, 70, 90] })).toBeCloseTo(80, 9);
  });
});

describe('what comes up again', () => {
  const wish = (cookId: string, more: Partial<NextTime>): NextTime => ({ cookId, cutId: 'pork-butt', text: `wish ${cookId}`, ...more });
  const event = eventOf([batchOf('pork-butt', 2)], { pitIds: ['offset'] });
  const { methodId } = event.batches[0]!;

  it('is of the same cut in the same way first, of the pit last, of nothing else never; the newest before the older, each once', () => {
    const wished = [
      wish('pit', { cutId: 'chicken-half', pitId: 'offset' }),
      wish('cut', { methodId: 'another', onMs: 5 }),
      wish('other', { cutId: 'chicken-half', pitId: 'oven', methodId: 'poultry-hot' }),
      wish('older', { methodId, onMs: 1 }),
      wish('both', { methodId, onMs: 2 }),
      wish('again', { methodId, onMs: 0, text: 'Wish both' }),
    ];
    expect(comesUpFor(event, wished).map(({ cookId }) => cookId)).toEqual(['both', 'older', 'cut', 'pit']);
    expect(comesUpFor({ batches: [], pitIds: [] }, wished)).toEqual([]);
  });
});
