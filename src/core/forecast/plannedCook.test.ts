import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { findCut, methodIn, SHIPPED_LIBRARY } from '../model';
import { batchOrders, buildPlan, cookOfRun, runCurve } from '../planning';
import { forecastBatch, newForecastCache } from '../schedule';
import { predictedYield, physicsOf, plannedCook, predictiveLaw, runCook, SHIPPED_PARAMETERS } from './index';

const order = batchOrders(inputOf(eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' })])))[0]!;
const MILD = { airC: 20, windMPerS: 1 };
const context = { parameters: SHIPPED_PARAMETERS, law: predictiveLaw(), altitudeM: 20, weather: MILD, confidence: 0.9, hotHoldC: 60 };

describe('a planned cook', () => {
  it('is cooked once: another confidence, floor or finish band asks for no cook again', () => {
    const cache = newForecastCache();
    const finish = { pit: OVEN, pitC: 135 };
    const nine = forecastBatch(cache, context, order, OFFSET, 121, finish);
    const { cooks } = cache;
    expect(cooks).toBeGreaterThan(0);
    const eight = forecastBatch(cache, { ...context, confidence: 0.8 }, order, OFFSET, 121, finish);
    const cooler = forecastBatch(cache, { ...context, hotHoldC: 57 }, order, OFFSET, 121, finish);
    expect(cache.cooks).toBe(cooks);
    expect(eight.pullLateMin).toBeLessThan(nine.pullLateMin);
    expect(eight.pullMedianMin).toBe(nine.pullMedianMin);
    const box = { kind: 'box', lossWPerK: 0.7 } as const;
    expect(cooler.keeps(box, 2).aboveMin).toBeGreaterThan(nine.keeps(box, 2).aboveMin);
    expect(cache.cooks).toBe(cooks);
    forecastBatch(cache, context, order, OFFSET, 125, finish);
    expect(cache.cooks).toBeGreaterThan(cooks);
  });

  it('keeps shorter in a box that stands out in the cold', () => {
    const box = { kind: 'box', lossWPerK: 0.7 } as const;
    const [mild, cold] = [20, -5].map(
      (airC) => forecastBatch(newForecastCache(), { ...context, weather: { ...MILD, airC } }, order, OFFSET, 121).keeps(box, 2).aboveMin,
    );
    expect(cold!).toBeLessThan(0.8 * mild!);
  });

  it('goes by all that physics knows of it: kind, smoke, air, heat, finish and height, and by nothing else', () => {
    const at = (change: object) =>
      JSON.stringify(physicsOf(order, { pit: { ...OFFSET, ...change }, pitC: 121, altitudeM: 20, weather: MILD, loadKg: 10 }));
    expect(at({ name: 'Other', id: 'other', warmUpMin: 5 })).toBe(at({}));
    for (const change of [
      { smoke: false },
      { kind: 'pellet' },
      { airflow: 1.2 },
      { humidity: 0.8 },
      { openingDropC: 5 },
      { recoverMin: 3 },
    ])
      expect(at(change)).not.toBe(at({}));
  });

  it('takes no smoke in a pit that makes none', () => {
    const cooked = (smoke: boolean) => {
      const { setup } = plannedCook(
        { ...order, kg: 5 },
        { pit: { ...OFFSET, smoke }, pitC: 121, altitudeM: 20, weather: MILD, loadKg: 10 },
        SHIPPED_PARAMETERS,
      );
      return runCook(setup, SHIPPED_PARAMETERS).smoke.ringMm;
    };
    expect(cooked(true)).toBeGreaterThan(0);
    expect(cooked(false)).toBe(0);
  });

  it('is the same cook in the search and in the curve, finish and all', () => {
    const batch = batchOf('brisket-whole', 1, { methodId: 'low-paper' });
    // At a high confidence a quick one would be done before a slow one may move, and it would stay where it is.
    const event = eventOf([batch], {
      confidence: 0.6,
      pins: [
        { batchId: 'brisket-whole', pitId: 'offset', onAtMs: SUPPER_MS - 13 * 3_600_000, pitC: 121, finish: { pitId: 'oven', pitC: 130 } },
      ],
    });
    const input = inputOf(event);
    const run = buildPlan(input).runs[0]!;
    expect(cookOfRun(input, run)).toMatchObject({ pit: { id: 'offset' }, pitC: 121, finish: { pit: { id: 'oven' }, pitC: 130 } });
    const curve = runCurve(input, run)!;
    const medianMin = (run.pullMedianMs - run.onAtMs) / 60_000;
    // The search's grid is coarser: half a percent.
    expect(Math.abs(curve.pullMin / medianMin - 1)).toBeLessThan(0.01);
  });

  it('yields by its shape: a thinner piece of one cut has another usual loss', () => {
    const cut = findCut('pork-butt')!;
    const thin = { ...cut, lengthMm: cut.lengthMm * 2, thicknessMm: cut.thicknessMm / 2 };
    expect(methodIn(SHIPPED_LIBRARY, 'low-bare')).toBeDefined();
    expect(predictedYield(thin, 3, 0.3, SHIPPED_PARAMETERS)).not.toBe(predictedYield(cut, 3, 0.3, SHIPPED_PARAMETERS));
  });
});
