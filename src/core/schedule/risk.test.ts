import { describe, expect, it } from 'vitest';
import type { Run } from '../model';
import { predictiveLaw } from '../forecast';
import { Days, type DaysOf } from './risk';

const MIN = 60_000;
const run = (batchId: string, pitId: string, medianMin: number, extra: Partial<Run> = {}): Run =>
  ({
    batchId,
    pitId,
    onAtMs: 0,
    pulls: [{ pieceId: `${batchId}-1`, medianMs: medianMin * MIN, earlyMs: 0, lateMs: 0 }],
    ...extra,
  }) as Run;

const law = predictiveLaw();
const of: DaysOf = { law, modelCutOf: (batchId) => batchId };
/** Nine such cooks in ten are done by then. */
const late = law.factor('a', 0.9);

describe('the days a plan is tried on', () => {
  const days = new Days(of);

  it('give one run the odds of its own spread', () => {
    const odds = (share: number) => days.oddsOf('s', [run('a', 'p', 600)], () => 600 * share * MIN).onTimeShare;
    expect(odds(late)).toBeGreaterThan(0.86);
    expect(odds(late)).toBeLessThan(0.94);
    expect(odds(1)).toBeGreaterThan(0.44);
    expect(odds(1)).toBeLessThan(0.56);
    expect(days.oddsOf('s', [run('a', 'p', 600)], () => 600 * 9 * MIN)).toEqual({ servingId: 's', onTimeShare: 1, expectedLateMin: 0 });
  });

  it('make several runs together less sure than the least sure of them, and more so in different pits', () => {
    const many = Days.fresh(of);
    const meats = ['a', 'b', 'c', 'd', 'e'];
    const deadline = () => 600 * late * MIN;
    const apart = many.oddsOf(
      's',
      meats.map((id) => run(id, id, 600)),
      deadline,
    ).onTimeShare;
    const together = many.oddsOf(
      's',
      meats.map((id) => run(id, 'p', 600)),
      deadline,
    ).onTimeShare;
    const oneCut = Days.fresh({ law, modelCutOf: () => 'brisket' }).oddsOf(
      's',
      meats.map((id) => run(id, 'p', 600)),
      deadline,
    ).onTimeShare;
    // Five independent ones would all be in time on 0.59 of the days; the owner, a shared pit and one cut bind them together.
    expect(together).toBeGreaterThan(apart - 0.02);
    expect(together).toBeGreaterThan(0.62);
    expect(oneCut).toBeGreaterThan(together);
    expect(oneCut).toBeLessThan(0.9);
  });

  it('are late by more minutes the less time there is, and the same days every time', () => {
    const minutes = [1.3, 1.1, 0.9].map((share) => days.oddsOf('s', [run('a', 'p', 600)], () => 600 * share * MIN).expectedLateMin);
    expect([...minutes].sort((a, b) => a - b)).toEqual(minutes);
    expect(new Days(of).oddsOf('s', [run('a', 'p', 600)], () => 660 * MIN)).toEqual(
      days.oddsOf('s', [run('a', 'p', 600)], () => 660 * MIN),
    );
    expect(days.lateShare(run('a', 'p', 600), 660 * MIN)).toBeCloseTo(
      1 - days.oddsOf('s', [run('a', 'p', 600)], () => 660 * MIN).onTimeShare,
      9,
    );
  });
});

describe('fresh days', () => {
  const fresh = Days.fresh(of);

  it('are other days, and know the odds to half a point or so', () => {
    const odds = (days: Days) => days.oddsOf('s', [run('a', 'p', 600)], () => 600 * late * MIN).onTimeShare;
    expect(odds(fresh)).not.toBe(odds(new Days(of)));
    expect(Math.abs(odds(fresh) - 0.9)).toBeLessThan(0.015);
    expect(Math.abs(odds(new Days(of, 100_000, 'others')) - odds(fresh))).toBeLessThan(0.015);
  });
});
