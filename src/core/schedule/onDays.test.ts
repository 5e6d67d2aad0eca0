import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics';
import { OnDays, type Movable } from './onDays';
import { isLate } from './risk';

const DAYS = 200;
const CONFIDENCE = 0.85;

/** Batches that are late by some hours either way, and cost the more the further they are from an hour earlier. */
function batchesOf(seed: number, count: number): Movable[] {
  const { uniform } = seededRandom(seed);
  return Array.from({ length: count }, (_, i) => {
    const late = Float64Array.from({ length: DAYS }, () => 240 * (uniform() + uniform() + uniform() - 1.8));
    const lateDays = Int32Array.from(late.keys()).filter((day) => isLate(late[day]!));
    const weight = 0.2 + uniform();
    return {
      id: `b${i}`,
      servingId: 's',
      late,
      lateDays,
      lateMin: lateDays.reduce((sum, day) => sum + late[day]!, 0),
      heldMin: 0,
      hoursIf: (byMin) => (weight * Math.abs(byMin - 20)) / 60,
      leastMin: -30,
      mostMin: 300,
    };
  });
}

/** By the definition: days on which none is late. */
const inTime = (batches: readonly Movable[], byMin: readonly number[]): number => {
  const days = Array.from({ length: DAYS }, (_, day) => batches.every(({ late }, i) => !isLate(late[day]! - byMin[i]!)));
  return days.filter(Boolean).length / DAYS;
};
const hoursOf = (batches: readonly Movable[], byMin: readonly number[]): number =>
  batches.reduce((sum, batch, i) => sum + batch.hoursIf(byMin[i]!), 0);

describe('the batches of a serving on their days', () => {
  it('are in time on the days on which none of them is late, wherever they were moved', () => {
    const { uniform } = seededRandom(1);
    for (let seed = 1; seed <= 20; seed++) {
      const batches = batchesOf(seed, 1 + (seed % 5));
      const serving = new OnDays(batches);
      expect(serving.inTimeShare).toBe(
        inTime(
          batches,
          batches.map(() => 0),
        ),
      );
      for (let round = 0; round < 5; round++) {
        const byMin = batches.map(() => Math.round(400 * uniform() - 100));
        serving.moveAll(byMin);
        expect(serving.byMin).toEqual(byMin);
        expect(serving.inTimeShare).toBe(inTime(batches, byMin));
      }
    }
  });

  it('go on the earlier, the dearer a late day is, within what each may', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const batches = batchesOf(seed, 4);
      const [cheap, dear] = [new OnDays(batches), new OnDays(batches)];
      cheap.settle(0.01);
      dear.settle(10);
      expect(dear.inTimeShare).toBeGreaterThanOrEqual(cheap.inTimeShare);
      for (const byMin of [...cheap.byMin, ...dear.byMin]) {
        expect(byMin).toBeGreaterThanOrEqual(-30);
        expect(byMin).toBeLessThanOrEqual(300);
      }
      expect(dear.inTimeShare).toBe(inTime(batches, dear.byMin));
    }
  });

  it('give up what they are surer by than need be, and no more, for better holds', () => {
    let better = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const batches = batchesOf(seed, 4);
      const serving = new OnDays(batches);
      serving.moveAll(batches.map(() => 300));
      const before = hoursOf(batches, serving.byMin);
      if (serving.inTimeShare < CONFIDENCE) continue;
      serving.trim(CONFIDENCE);
      expect(inTime(batches, serving.byMin)).toBeGreaterThanOrEqual(CONFIDENCE);
      expect(hoursOf(batches, serving.byMin)).toBeLessThan(before);
      better++;
      // Nothing is left that one of them alone would gain by a quarter of an hour.
      serving.byMin.forEach((byMin, i) => {
        const then = serving.byMin.with(i, Math.max(-30, byMin - 15));
        const gains = hoursOf(batches, then) < hoursOf(batches, serving.byMin) - 1e-3;
        expect(gains && inTime(batches, then) >= CONFIDENCE).toBe(false);
      });
    }
    expect(better).toBeGreaterThan(15);
  });
});
