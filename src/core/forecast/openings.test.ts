import { describe, expect, it } from 'vitest';
import { OFFSET } from '../../../tests/fixtures/events';
import { findCut, methodIn, SHIPPED_LIBRARY, type ClockMethod, type DayWeather } from '../model';
import { fullShareOf, openingsOf } from './openings';
import { heatLossShare, plannedCook, runCook, SHIPPED_PARAMETERS } from './index';

const USUAL: DayWeather = { airC: 15, windMPerS: 1 };
const doneMin = (cutId: string, methodId: string, kg: number, { weather = USUAL, loadKg = kg, pit = OFFSET, turns = 0 } = {}) => {
  const method: ClockMethod = { ...methodIn(SHIPPED_LIBRARY, methodId)!, steps: undefined, turns };
  const piece = { cut: findCut(cutId)!, method, temperMin: 0, kg };
  const { setup } = plannedCook(piece, { pit, pitC: method.pitC, altitudeM: 0, weather, loadKg }, SHIPPED_PARAMETERS);
  return runCook(setup, SHIPPED_PARAMETERS).doneAtMin;
};

describe('what a pit goes through', () => {
  it('is as its owner says at its usual heat on a mild day, more in cold and wind, twice as much when full', () => {
    expect(openingsOf(OFFSET, 121, USUAL, 0)).toEqual({ openingDropC: 18, recoverMin: 9, loading: { dropC: 18, recoverMin: 9 } });
    const storm = openingsOf(OFFSET, 121, { airC: -15, windMPerS: 12 }, 0);
    expect(storm.openingDropC).toBeCloseTo((18 * 136) / 106, 9);
    expect(storm.recoverMin).toBeCloseTo(9 * (136 / 106) * 1.4, 9);
    expect(openingsOf(OFFSET, 121, USUAL, 500).loading).toEqual({ dropC: 36, recoverMin: 18 });
    expect(fullShareOf(OFFSET, 60)).toBeCloseTo(0.6, 9);
    expect(fullShareOf({ racks: [] }, 10)).toBe(0);
    expect(heatLossShare(121, USUAL)).toBe(1);
  });

  it('makes a cook longer: each opening, a full pit, a cold day, every turn; short cooks most of all', () => {
    const share = (than: object, cutId = 'chicken-half', methodId = 'poultry-middle', kg = 1) =>
      doneMin(cutId, methodId, kg, than) / doneMin(cutId, methodId, kg) - 1;
    const closed = { pit: { ...OFFSET, openingDropC: 0 } };
    const cold = { weather: { airC: -5, windMPerS: 8 } };
    expect(share(closed)).toBeLessThan(0);
    expect(share({ loadKg: 120 })).toBeGreaterThan(0.01);
    expect(share(cold)).toBeGreaterThan(0.003);
    expect(share({ turns: 2 })).toBeGreaterThan(0.01);
    expect(share({ turns: 2 })).toBeLessThan(share({ turns: 4 }));
    for (const than of [{ loadKg: 120 }, cold, { turns: 3 }])
      expect(share(than)).toBeGreaterThan(share(than, 'brisket-whole', 'low-paper', 5.9));
  });
});
