import { describe, expect, it } from 'vitest';
import { findCut } from '../model';
import { quantile, seededRandom } from '../numerics';
import { cookSetup, forecastCook, runSamples, SHIPPED_PARAMETERS, steadyPit } from './index';
import { runCook } from './cook';

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
    const options = { seed: 5, pitSeed: 9, samples: 12 };
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

  it('spreads like cooks in life: a log-sd of about 0.17, some 0.08 of it shared on one pit', () => {
    const spreads: number[] = [];
    const shared: number[] = [];
    for (const [cutId, massKg, pitC] of CASES) {
      const times = (seed: number) =>
        runSamples(setup(cutId, massKg, pitC), SHIPPED_PARAMETERS, { seed, pitSeed: 3, samples: 300, stepMin: 2, cells: 12 }, 0, 300).map(
          (sample) => sample.doneAtMin,
        );
      const [a, b] = [times(1), times(2)];
      spreads.push(logSd(a!));
      const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
      const [la, lb] = [a!.map(Math.log), b!.map(Math.log)];
      shared.push(mean(la.map((log, i) => (log - mean(la)) * (lb[i]! - mean(lb)))));
    }
    const typical = spreads.reduce((sum, sd) => sum + sd, 0) / spreads.length;
    expect(typical).toBeGreaterThan(0.15);
    expect(typical).toBeLessThan(0.19);
    const sharedSd = Math.sqrt(shared.reduce((sum, covariance) => sum + covariance, 0) / shared.length);
    expect(sharedSd).toBeGreaterThan(0.05);
    expect(sharedSd).toBeLessThan(0.11);
  });

  it('holds 0.75 to 0.90 of cooks with a log-sd of 0.17 between its 10 and 90 %', () => {
    const random = seededRandom(2027);
    let inside = 0;
    let all = 0;
    for (const [cutId, massKg, pitC] of CASES) {
      const { done } = forecastCook(setup(cutId, massKg, pitC), SHIPPED_PARAMETERS, { seed: 1, pitSeed: 1, samples: 200 });
      const centreMin = runCook(setup(cutId, massKg, pitC), SHIPPED_PARAMETERS).doneAtMin;
      for (let i = 0; i < 400; i++) {
        const observedMin = centreMin * Math.exp(0.17 * random.normal());
        if (observedMin >= done.p10 && observedMin <= done.p90) inside++;
        all++;
      }
    }
    expect(inside / all).toBeGreaterThan(0.75);
    expect(inside / all).toBeLessThan(0.9);
  });

  it('puts quantiles in order and the median within its band', () => {
    const forecast = forecastCook(setup('pork-butt', 3.6, 121), SHIPPED_PARAMETERS, { seed: 1, pitSeed: 1, samples: 60 });
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
