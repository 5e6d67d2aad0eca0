import { describe, expect, it } from 'vitest';
import { cooksOfKitchen } from '../../src/devices/simulated/kitchen';
import { predictLogged, SHIPPED_PARAMETERS } from '../../src/core/forecast';
import {
  calibrate,
  comesUpFor,
  learnedPaces,
  loggedCurve,
  modelledCurve,
  servingsKept,
  stallMin,
  type ClosedCook,
  type NextTime,
} from '../../src/core/learn';
import { batchOf, eventOf } from '../fixtures/events';
import { seededRandom } from '../../src/core/numerics';

describe('what forecasts were worth', () => {
  const random = seededRandom(3);
  /** A kitchen that is so much slower than the model. */
  const slower = (count: number, log: number, sd = 0.1) =>
    Array.from({ length: count }, (_, i) => {
      const off = log + sd * random.normal();
      return {
        id: `c${i}`,
        cutId: 'pork-butt',
        pitId: i % 2 ? 'a' : 'b',
        methodId: 'low-foil',
        observedH: 10 * Math.exp(off),
        massKg: 3.5,
        log: off,
      };
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

describe('three ways of telling', () => {
  it('are held against each other on the same cooks: those with enough of their cut before them', () => {
    const cooks = cooksOfKitchen(5, 60).map((cook) => ({
      id: cook.id,
      cutId: cook.cutId,
      pitId: cook.pitId,
      methodId: cook.methodId,
      observedH: cook.observedH!,
      massKg: cook.massKg,
      log: Math.log(cook.observedH! / predictLogged(cook, SHIPPED_PARAMETERS)!.hours.p50),
    }));
    const { foretold } = calibrate(cooks);
    expect(foretold.map(({ by }) => by)).toEqual(['owner', 'shipped', 'pound']);
    const [owner, shipped, pound] = foretold;
    expect(new Set(foretold.map((each) => each.cooks)).size).toBe(1);
    expect(owner!.cooks).toBeLessThanOrEqual(60 - 3 * 5);
    expect(owner!.logRmse).toBeLessThan(shipped!.logRmse);
    expect(owner!.logRmse).toBeLessThan(pound!.logRmse);
    expect(owner!.width!).toBeLessThan(shipped!.width!);
    expect(pound!.inside).toBeUndefined();
    expect(calibrate(cooks.slice(0, 4)).foretold).toEqual([]);
  });

  it('go by hours a pound of the cut’s own cooks: where all weigh alike it tells what the middle of them took', () => {
    const hours = [8, 12, 10, 10, 14];
    const cooks = hours.map((observedH, i) => ({ id: `c${i}`, cutId: 'pork-butt', observedH, massKg: 2, log: 0 }));
    const pound = calibrate(cooks).foretold.find(({ by }) => by === 'pound')!;
    // The fourth is told 10 by 8, 12, 10; the fifth 10 by those and 10.
    expect(pound.cooks).toBe(2);
    expect(pound.logRmse).toBeCloseTo(Math.log(1.4) / Math.SQRT2, 9);
  });
});

describe('servings', () => {
  const MIN = 60_000;
  const cook = (piece: string, servingId: string, carvedLateMin: number, pulledLateMin: number): ClosedCook =>
    ({
      id: piece,
      source: 'day',
      eventId: 'e',
      eventName: 'Supper at the slip',
      pieceKey: piece,
      times: {
        plannedOnMs: 0,
        plannedPullMs: 100 * MIN,
        pulledMs: (100 + pulledLateMin) * MIN,
        plannedCarveMs: 200 * MIN,
        carvedMs: (200 + carvedLateMin) * MIN,
        serving: { id: servingId, name: servingId },
        onMs: 0,
        toldMin: { p10: 1, p50: 2, p90: 3 },
      },
    }) as unknown as ClosedCook;

  it('are as late as the batch that began to be carved last; what is carved of it afterwards is for guests who come later', () => {
    const kept = servingsKept([
      cook('butt/1', 'supper', 4, 12),
      cook('butt/2', 'supper', 40, 20),
      cook('birds/1', 'supper', -3, -5),
      cook('birds/2', 'lunch', 0, 0),
      { ...cook('typed', 'supper', 90, 90), eventId: undefined },
    ]);
    expect(kept).toHaveLength(2);
    expect(kept.find(({ servingName }) => servingName === 'supper')).toMatchObject({ carvedLateMin: 4, pulledLateMin: 12, pieces: 3 });
    expect(kept.find(({ servingName }) => servingName === 'lunch')).toMatchObject({ carvedLateMin: 0, pieces: 1 });
    expect(servingsKept([])).toEqual([]);
  });
});

describe('a logger’s file', () => {
  const readings = (fromMs: number, temps: readonly number[]) => temps.map((tempC, i) => ({ atMs: fromMs + i * 600_000, tempC }));

  it('is a curve from going on until it was pulled, thinned, whatever came before and after', () => {
    const onMs = 5_000_000;
    const curve = loggedCurve(readings(onMs - 1_200_000, [20, 19, 4, 9, 20, 40, 60, 70, 70]).reverse(), { onMs, observedH: 0.7 })!;
    expect(curve).toEqual({ minutes: [0, 10, 20, 30, 40], coreC: [4, 9, 20, 40, 60] });
    const long = loggedCurve(
      readings(
        0,
        Array.from({ length: 5000 }, (_, i) => 5 + i / 60),
      ),
      {},
    )!;
    expect(long.minutes.length).toBeLessThanOrEqual(241);
    expect(long.minutes.at(-1)).toBe(49_990);
  });

  it('begins with cold meat where nobody knows when it went on, and is none where it reads nothing in those hours', () => {
    expect(loggedCurve(readings(0, [80, 60, 8, 30, 60]), {})!.minutes).toEqual([0, 10, 20]);
    expect(loggedCurve(readings(0, [4, 30, 60]), { onMs: 90_000_000, observedH: 5 })).toBeUndefined();
    expect(loggedCurve([], {})).toBeUndefined();
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
