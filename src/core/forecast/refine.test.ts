import { describe, expect, it } from 'vitest';
import { findCut } from '../model';
import { seededRandom } from '../numerics';
import { runCook } from './cook';
import { cookSetup, refineForecast, SHIPPED_PARAMETERS, steadyPit, type Reading } from './index';

const PIT_C = 121;
const OPTIONS = { seed: 11, pitSeed: 12, samples: 300, stepMin: 3, cells: 10, pitC: PIT_C };
const foreseen = cookSetup(
  findCut('pork-butt')!,
  { massKg: 3.6, startC: 4 },
  { wrap: 'foil', wrapWhen: { coreC: 72 } },
  SHIPPED_PARAMETERS,
  { pit: steadyPit(PIT_C) },
);

/**
 * A cook in life: not one of the filter's own samples, but another piece with properties of its own
 * on a finer grid, read every ten minutes by a probe with lag and noise.
 */
function cookInLife(seed: number) {
  const random = seededRandom(seed);
  const log = (sd: number) => Math.exp(sd * random.normal());
  const pace = log(0.14);
  const setup = {
    ...foreseen,
    body: {
      ...foreseen.body,
      halfThicknessM: foreseen.body.halfThicknessM * log(0.06),
      conductivityWPerMK: (foreseen.body.conductivityWPerMK / pace) * log(0.04),
      startC: 4 + 2 * random.uniform(),
    },
    softeningH: foreseen.softeningH * pace * log(0.1),
    zoneOffsetC: 3 * random.normal(),
  };
  const global = {
    ...SHIPPED_PARAMETERS.global,
    radiationFactor: SHIPPED_PARAMETERS.global.radiationFactor / pace,
    filmWPerM2K: (SHIPPED_PARAMETERS.global.filmWPerM2K / pace) * log(0.05),
    wetShare: SHIPPED_PARAMETERS.global.wetShare * log(0.12),
  };
  const cook = runCook(setup, { ...SHIPPED_PARAMETERS, global }, { cells: 30, stepMin: 0.5 });
  const readings: Reading[] = [];
  for (let minute = 20; minute < cook.doneAtMin; minute += 10)
    readings.push({ atMin: minute, coreC: cook.trace.coreC[(minute - 2) * 2]! + 0.8 * random.normal() });
  return { cook, readings };
}

const error = (predictedMin: number, actualMin: number) => Math.abs(Math.log(predictedMin / actualMin));
const SEEDS = Array.from({ length: 14 }, (_, i) => 100 + i);

describe('re-forecasting from readings', () => {
  it('halves the error after two hours and is within 10 % at the wrap', () => {
    let before = 0;
    let afterTwoHours = 0;
    let atWrap = 0;
    for (const seed of SEEDS) {
      const { cook, readings } = cookInLife(seed);
      const errorWith = (untilMin: number) =>
        error(
          refineForecast(
            foreseen,
            SHIPPED_PARAMETERS,
            readings.filter((reading) => reading.atMin <= untilMin),
            OPTIONS,
          ).done.p50,
          cook.doneAtMin,
        ) / SEEDS.length;
      before += errorWith(0);
      afterTwoHours += errorWith(120);
      atWrap += errorWith(cook.wrapAtMin!);
    }
    expect(afterTwoHours).toBeLessThan(before / 2);
    expect(atWrap).toBeLessThan(0.1);
  });

  it('narrows its range as readings come in and never puts the finish behind the last reading', () => {
    const { cook, readings } = cookInLife(7);
    const widths = [60, 240, 480].map((untilMin) => {
      const { done } = refineForecast(
        foreseen,
        SHIPPED_PARAMETERS,
        readings.filter((reading) => reading.atMin <= untilMin),
        OPTIONS,
      );
      expect(done.p10).toBeGreaterThan(Math.min(untilMin, cook.doneAtMin) - 15);
      return done.p90 - done.p10;
    });
    expect(widths[1]!).toBeLessThan(widths[0]!);
    expect(widths[2]!).toBeLessThan(widths[1]!);
  });

  it('recognises a probe that jumps, hangs in the air or sits on a bone, and goes on without it', () => {
    const { readings } = cookInLife(7);
    const good = readings.filter((reading) => reading.atMin <= 240);
    const clean = refineForecast(foreseen, SHIPPED_PARAMETERS, good, OPTIONS);
    expect(clean.ignored).toEqual([]);
    const occupancies: [Reading, string][] = [
      [{ atMin: 125, coreC: 116 }, 'readsAir'],
      [{ atMin: 245, coreC: 20 }, 'jump'],
    ];
    for (const [reading, fault] of occupancies) {
      const told = refineForecast(foreseen, SHIPPED_PARAMETERS, [...good, reading], OPTIONS);
      expect(told.ignored).toEqual([{ reading, fault }]);
      expect(told.done.p50).toBeCloseTo(clean.done.p50, 6);
    }
    const bone = refineForecast(foreseen, SHIPPED_PARAMETERS, [{ atMin: 60, coreC: 62 }], OPTIONS);
    expect(bone.ignored[0]!.fault).toBe('readsBone');
  });
});
