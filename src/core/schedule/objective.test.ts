import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, OFFSET } from '../../../tests/fixtures/events';
import type { Firing, Objective, Run } from '../model';
import { batchOrders } from '../planning';
import { expectedMissMin, idealShiftMin, leastMissMin } from './holdQuality';
import { boundOf, departuresH, qualityOf, isBetter, objectiveOf, wakingsOf, type Judged } from './objective';

const MIN = 60_000;
const HOUR = 60 * MIN;
const [order] = batchOrders(inputOf(eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' })])));
const { method, cut } = order!;
const [idealLow, idealHigh] = method.holdIdealMin;
const offMin = method.ventMin + method.restMin;
/** A run that is held so many minutes after an early, a middling and a late finish. */
const held = (early: number, middling: number, late: number): Run =>
  ({
    id: 'r',
    batchId: 'brisket-whole',
    pieceIds: ['a', 'b'],
    pitId: 'offset',
    pitC: method.pitC,
    carveAtMs: 0,
    pullEarlyMs: -(offMin + early) * MIN,
    pullMedianMs: -(offMin + middling) * MIN,
    pullLateMs: -(offMin + late) * MIN,
    work: [],
  }) as unknown as Run;

describe('the worth of a hold', () => {
  it('is nothing missed inside the ideal band', () => {
    expect(expectedMissMin(order!, held(idealHigh, idealLow + 20, idealLow))).toBe(0);
  });

  it('is a quarter of what the early, half of what the middling and a quarter of what the late finish misses', () => {
    expect(expectedMissMin(order!, held(idealHigh + 40, idealLow, idealLow))).toBeCloseTo(10, 9);
    expect(expectedMissMin(order!, held(idealLow, idealLow - 40, idealLow))).toBeCloseTo(20, 9);
    expect(expectedMissMin(order!, held(idealLow, idealLow, idealLow - 40))).toBeCloseTo(10, 9);
  });

  it('falls five times as fast past what the meat bears', () => {
    const ceiling = idealHigh + 60;
    const at = (over: number) => expectedMissMin(order!, held(ceiling + over, idealLow, idealLow), ceiling);
    expect(at(0)).toBeCloseTo(15, 9);
    expect(at(20) - at(0)).toBeCloseTo(25, 9);
    // What the cut bears counts even where no gear says less.
    const bears = Math.max(idealHigh, cut.holdMaxMin);
    const past = (over: number) => expectedMissMin(order!, held(bears + over, idealLow, idealLow));
    expect(past(20) - past(0)).toBeCloseTo(25, 9);
  });

  it('is best some while before the latest start, never later than allowed', () => {
    const timing = { pullEarlyMin: 500, pullMedianMin: 600, pullLateMin: 700 };
    const best = idealShiftMin(order!, timing, 600);
    const miss = (shift: number) => expectedMissMin(order!, held(200 + shift, 100 + shift, shift));
    for (const shift of [0, 15, 30, 60, 90, 120, 240]) expect(miss(best)).toBeLessThanOrEqual(miss(shift) + 1e-9);
    expect(idealShiftMin(order!, timing, 0)).toBe(0);
    expect(idealShiftMin(order!, timing, 30)).toBeLessThanOrEqual(30);
  });

  it('has a least that no start is below and that grows with the spread', () => {
    let before = 0;
    for (const spread of [0, 60, 120, 240, 480, 720]) {
      const least = leastMissMin(order!, spread);
      expect(least).toBeGreaterThanOrEqual(before - 1e-6);
      before = least;
      for (let shift = 0; shift <= 600; shift += 20)
        expect(expectedMissMin(order!, held(spread + shift, spread / 2 + shift, shift))).toBeGreaterThanOrEqual(least - 1e-3);
    }
  });
});

describe('what a plan is judged by', () => {
  const quiet = [{ fromMs: 0, toMs: 6 * HOUR }];
  const firing: Firing = {
    pitId: 'offset',
    placeId: 'base',
    lightAtMs: 10 * HOUR,
    readyAtMs: 11 * HOUR,
    offAtMs: 20 * HOUR,
    setPoints: [{ atMs: 11 * HOUR, pitC: 121 }],
    who: [],
  };
  const judged = ({ runs = [held(idealLow, idealLow, idealLow)], ...change }: Partial<Judged> = {}): Objective =>
    objectiveOf(
      {
        runs,
        firings: [firing],
        trips: [],
        broken: 0,
        odds: [],
        qualityH: qualityOf(runs, (run) => departuresH(order!, run)),
        ...change,
      },
      { orders: new Map([['brisket-whole', order!]]), pits: [OFFSET], confidence: 0.9, quiet },
    );

  it('wakes somebody once for tasks within half an hour of one another', () => {
    expect(
      wakingsOf(
        [1, 1.2, 1.4, 3, 5.9].map((hour) => hour * HOUR),
        quiet,
      ),
    ).toBe(3);
    // A chain of tasks half an hour apart keeps one awake.
    expect(
      wakingsOf(
        [1, 1.5, 2, 2.5].map((hour) => hour * HOUR),
        quiet,
      ),
    ).toBe(1);
    expect(
      wakingsOf(
        [6, 7, 23].map((hour) => hour * HOUR),
        quiet,
      ),
    ).toBe(0);
    expect(wakingsOf([], quiet)).toBe(0);
  });

  it('counts degrees off the method’s heat as six minutes of each piece', () => {
    const run = held(idealLow, idealLow, idealLow);
    expect(departuresH(order!, run)).toBe(0);
    expect(departuresH(order!, { ...run, pitC: method.pitC + 5 })).toBeCloseTo((6 * 5 * 2) / 60, 9);
  });

  it('compares level by level, a higher one first', () => {
    const base: Objective = [0, 1, 2, 3, 4];
    expect(isBetter([0, 0.9, 9, 9, 9], base)).toBe(true);
    expect(isBetter([1, 0, 0, 0, 0], base)).toBe(false);
    expect(isBetter([0, 1, 2, 3, 3.9], base)).toBe(true);
    expect(isBetter(base, base)).toBe(false);
  });

  it('asks for risk only below the wished confidence: minutes late, at least a tenth, and one for each point of odds', () => {
    const riskAt = (onTimeShare: number, expectedLateMin: number) =>
      judged({ odds: [{ servingId: 'supper', onTimeShare, expectedLateMin }] })[1];
    expect(riskAt(0.95, 3)).toBe(0);
    expect(riskAt(0.5, 3)).toBe(43);
    expect(riskAt(0.89, 0)).toBe(1.1);
  });

  it('calls a plan less risky that is late as long on average and less often', () => {
    const riskAt = (onTimeShare: number) => judged({ odds: [{ servingId: 'supper', onTimeShare, expectedLateMin: 12 }] })[1];
    expect(riskAt(0.88)).toBeLessThan(riskAt(0.8));
  });

  it('takes a batch in two runs for half a piece-hour more', () => {
    const run = held(idealLow, idealLow, idealLow);
    expect(judged({ runs: [run, { ...run, id: 'r.2' }] })[2] - judged()[2]).toBe(0.5);
  });

  it('counts openings a tenth each, those of a pit within ten minutes once, and lighting as none', () => {
    const work = (minutes: number[]) =>
      minutes.map((minute) => ({
        kind: 'load',
        atMs: 12 * HOUR + minute * MIN,
        minutes: 3,
        placeId: 'base',
        pitId: 'offset',
        pieceIds: [],
        who: [],
      }));
    const people = (minutes: number[]) => judged({ runs: [{ ...held(idealLow, idealLow, idealLow), work: work(minutes) } as Run] })[3];
    expect(people([])).toBe(0);
    expect(people([0, 10])).toBe(0.1);
    expect(people([0, 11])).toBe(0.2);
    // Lit in the quiet hours somebody is up for it.
    expect(judged({ firings: [{ ...firing, lightAtMs: 2 * HOUR }] })[3]).toBe(1);
  });

  it('costs the hours a fire burns, and its fuel a little', () => {
    const longer = judged({ firings: [{ ...firing, offAtMs: 25 * HOUR }] })[4];
    expect(longer).toBeGreaterThan(judged()[4] + 5);
    expect(judged({ firings: [] })[4]).toBe(0);
    expect(judged({ firings: [{ ...firing, setPoints: [{ atMs: 0, pitC: 150 }] }] })[4]).toBeGreaterThan(judged()[4]);
  });

  it('has a bound whose quality is rounded down, never up', () => {
    expect(boundOf(1.2, 9.27)).toEqual([0, 0, 0.5, 0.1, 9.2]);
    expect(boundOf(0.1, 0)).toEqual([0, 0, 0, 0.1, 0]);
  });
});
