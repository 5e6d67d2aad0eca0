import { describe, expect, it } from 'vitest';
import { findCut } from '../model';
import { quantile, seededRandom } from '../numerics';
import { cookSetup, forecastCook, predictiveLaw, runSamples, SHIPPED_PARAMETERS, steadyPit } from './index';

const setup = (cutId: string, massKg: number, pitC: number) =>
  cookSetup(findCut(cutId)!, { massKg, startC: 4 }, { wrap: 'none', wrapWhen: {} }, SHIPPED_PARAMETERS, { pit: steadyPit(pitC) });
const CASES = [
  ['pork-butt', 3.6, 121],
  ['brisket-whole', 5.9, 121],
  ['spare-ribs-squared', 1.25, 121],
  ['chicken-half', 1, 135],
  ['beef-chuck-roast', 1.6, 135],
] as const;
const logSd = (times: number[]) => {
  const logs = times.map(Math.log);
  const mean = logs.reduce((sum, log) => sum + log, 0) / logs.length;
  return Math.sqrt(logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / (logs.length - 1));
};

describe('the ensemble', () => {
  it('is the same for the same seed, to the digit, in one run or in chunks', () => {
    const options = { seed: 5, samples: 12 };
    const whole = runSamples(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, options, 0, 12);
    const chunks = [
      ...runSamples(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, options, 6, 12),
      ...runSamples(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, options, 0, 6),
    ];
    expect([...chunks.slice(6), ...chunks.slice(0, 6)]).toEqual(whole);
    expect(runSamples(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, { ...options, seed: 6 }, 0, 1)[0]!.doneAtMin).not.toBe(
      whole[0]!.doneAtMin,
    );
  });

  it('is as wide as the law says, and its own ways are about as wide before that', () => {
    const law = predictiveLaw();
    const widths: number[] = [];
    for (const [cutId, massKg, pitC] of CASES) {
      const own = setup(cutId, massKg, pitC);
      const { median, done, samples } = forecastCook(own, SHIPPED_PARAMETERS, { seed: 1, samples: 200 });
      expect(done.p50).toBe(median.doneAtMin);
      expect(done.p90 / done.p50).toBeCloseTo(law.factor(own.modelCutId, 0.9), 9);
      expect(done.p50 / done.p10).toBeCloseTo(done.p90 / done.p50, 9);
      const times = samples.map((sample) => sample.doneAtMin);
      expect(quantile(times, 0.9) / done.p90).toBeCloseTo(1, 2);
      widths.push(
        logSd(
          runSamples(own, SHIPPED_PARAMETERS, { seed: 2, samples: 200, stepMin: 2, cells: 12 }, 0, 200).map((sample) => sample.doneAtMin),
        ),
      );
    }
    const typical = widths.reduce((sum, sd) => sum + sd, 0) / widths.length;
    expect(typical).toBeGreaterThan(0.17);
    expect(typical).toBeLessThan(0.25);
  });

  it('ranks a thicker or colder piece later, whatever the law says of how late', () => {
    const { samples } = forecastCook(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, { seed: 3, samples: 80 });
    const times = samples.map((sample) => sample.doneAtMin);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(samples[0]!.coreC[20]!).toBeGreaterThan(0);
    // The early ones reach 60 C sooner on the same clock.
    const at60 = samples.map(({ coreC, everyMin }) => coreC.findIndex((tempC) => tempC >= 60) * everyMin);
    expect(at60[5]!).toBeLessThan(at60[75]!);
  });

  it('puts quantiles in order and the median within its band', () => {
    const forecast = forecastCook(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, { seed: 1, samples: 60 });
    for (const each of [forecast.done, forecast.stallLength, forecast.barkSet!, forecast.sliceable!, forecast.doneCore, forecast.loss]) {
      expect(each.p10).toBeLessThanOrEqual(each.p50);
      expect(each.p50).toBeLessThanOrEqual(each.p90);
    }
    expect(forecast.sliceable!.p50).toBeGreaterThan(forecast.done.p50);
    expect(forecast.wrap).toBeUndefined();
    const at = 40;
    expect(forecast.band.p10C[at]!).toBeLessThan(forecast.median.trace.coreC[at * 5]!);
    expect(forecast.band.p90C[at]!).toBeGreaterThan(forecast.median.trace.coreC[at * 5]!);
  });
});

describe('chance', () => {
  it('is uniform and normal enough, and takes quantiles right', () => {
    const random = seededRandom(1);
    const normals = Array.from({ length: 20_000 }, () => random.normal());
    expect(quantile(normals, 0.9)).toBeCloseTo(1.2816, 1);
    expect(quantile([3, 1, 2], 0.5)).toBe(2);
    expect(quantile([0, 10], 0.25)).toBe(2.5);
  });
});
