import { beforeAll, describe, expect, it } from 'vitest';
import { foldDay, readingsOf, type Deed, type DayReadings, type Entry, type KeptDay } from '../../src/core/day';
import { burnKgPerH, fuelFor } from '../../src/core/fire';
import { coldShare, heatLossShare, holdTogether, runCook, SHIPPED_PARAMETERS } from '../../src/core/forecast';
import {
  figureInUse,
  kitchenFigures,
  measureDay,
  withFigure,
  type FigureGround,
  type FigureKey,
  type Observation,
} from '../../src/core/learn';
import { FIGURE, FIGURE_KINDS, figureKey, figureName, learnFigure } from '../../src/core/learn/figure';
import { SHIPPED_LIBRARY, type Serving } from '../../src/core/model';
import { seededRandom } from '../../src/core/numerics';
import { demandOf, handMinutes } from '../../src/core/quantities';
import { slowestOfRun } from '../../src/core/planning/cookOfRun';
import { smallSupper } from '../fixtures/day';
import { keptDayOf } from '../fixtures/livedDay';

const MIN = 60_000;
const supper = (_: Serving) => 'supper' as const;
const KEYS: FigureKey[] = [
  'gauge/offset/low',
  'gauge/offset/hot',
  'zone/offset/main/0',
  'warmUp/offset',
  'drop/offset',
  'recover/offset',
  'fuel/offset',
  'trim/pork-butt',
  'yield/pork-butt',
  'portion/supper',
  'hands/wrap',
  'boxLoss/box',
];
const PRIOR: Partial<Record<FigureKey, number>> = {
  'gauge/offset/low': 0,
  'gauge/offset/hot': 0,
  'zone/offset/main/0': 8,
  'warmUp/offset': 75,
  'drop/offset': 18,
  'recover/offset': 9,
  'fuel/offset': 3,
  'trim/pork-butt': 0.06,
  'yield/pork-butt': 0.58,
  'portion/supper': 1,
  'hands/wrap': 1,
  'boxLoss/box': 0.7,
};
const seen = (figure: FigureKey, values: readonly number[]): Observation[] =>
  values.map((value, i) => ({ figure, atMs: i, value, readings: 1 }));

describe('a figure learned', () => {
  it('is named for every kind, and nothing else is', () => {
    expect(new Set(KEYS.map((key) => figureName(key)!.kind))).toEqual(new Set(FIGURE_KINDS));
    for (const wrong of ['', 'gauge', 'gauge/', 'colour/offset', 'constructor/x']) expect(figureName(wrong)).toBeUndefined();
  });

  it('keeps to what it is of, whatever stands in an id, and bears what cannot be read', () => {
    for (const id of ['a/b', 'fair/offset-1', 'a%2Fb', 'é'])
      expect(figureName(figureKey('zone', id, 'r/1', 2))).toEqual({ kind: 'zone', of: id, part: 'r/1', band: 2 });
    expect(figureName('gauge/%E0%A4%A/low')).toMatchObject({ of: '%E0%A4%A', part: 'low' });
  });

  it('is the number in use where nothing was measured, as wide as strangers differ', () => {
    for (const key of KEYS) {
      const learned = learnFigure(key, PRIOR[key]!, []);
      expect(learned.value).toBeCloseTo(PRIOR[key]!, 9);
      expect(learned.low).toBeLessThan(learned.value);
      expect(learned.high).toBeGreaterThan(learned.value);
    }
  });

  it('lies between the number in use and what was measured, nearer to that with each day, and narrower', () => {
    for (const key of KEYS) {
      const prior = PRIOR[key]!;
      const { scale, daySd } = FIGURE[figureName(key)!.kind];
      const truth = scale === 'ratio' ? prior * Math.exp(daySd) : prior + daySd;
      const after = [1, 3, 10, 30].map((days) => learnFigure(key, prior, seen(key, Array<number>(days).fill(truth))));
      for (const [i, each] of after.entries()) {
        expect(each.value, key).toBeGreaterThan(i === 0 ? prior : after[i - 1]!.value);
        expect(each.value, key).toBeLessThan(truth + 1e-9);
        if (i > 0) expect(each.high - each.low).toBeLessThan(after[i - 1]!.high - after[i - 1]!.low);
      }
      expect(Math.abs(after.at(-1)!.value - truth)).toBeLessThan(0.15 * Math.abs(truth - prior) + 1e-9);
    }
  });

  it('is moved little by one wild reading', () => {
    for (const key of KEYS) {
      const prior = PRIOR[key]!;
      const { to } = FIGURE[figureName(key)!.kind];
      const sane = learnFigure(key, prior, seen(key, Array<number>(8).fill(prior)));
      const wild = learnFigure(key, prior, seen(key, [...Array<number>(8).fill(prior), to]));
      expect(Math.abs(wild.value - sane.value), key).toBeLessThan(0.5 * (sane.high - sane.low));
      expect(wild.counted).toBeLessThan(8.8);
    }
  });

  it('has the truth inside of its range 8 times in 10, for kitchens drawn and hidden', () => {
    const random = seededRandom(3);
    for (const days of [1, 3, 10]) {
      let inside = 0;
      const kitchens = 600;
      for (let i = 0; i < kitchens; i++) {
        const { priorSd, daySd } = FIGURE.gauge;
        const truth = priorSd * random.normal();
        const found = learnFigure(
          'gauge/x/low',
          0,
          seen(
            'gauge/x/low',
            Array.from({ length: days }, () => truth + daySd * random.normal()),
          ),
        );
        if (truth >= found.low && truth <= found.high) inside++;
      }
      expect(inside / kitchens).toBeGreaterThan(0.72);
      expect(inside / kitchens).toBeLessThan(0.9);
    }
  });
});

describe('what a day measures', () => {
  let kept: KeptDay;
  let lightMs: number;
  beforeAll(() => {
    const input = smallSupper();
    const racks = input.pits[0]!.racks.map((rack) => ({ ...rack, zones: [{ fromMm: 0, toMm: 400, offsetC: 8 }] }));
    kept = keptDayOf({ ...input, pits: [{ ...input.pits[0]!, racks }] });
    lightMs = kept.plan.firings[0]!.lightAtMs;
  });
  const pit = () => kept.input.pits[0]!;
  const fold = (deeds: [atMin: number, deed: Deed][]) => {
    const entries = deeds.map(([atMin, deed], i): Entry => ({ id: `e${i}`, atMs: lightMs + atMin * MIN, by: 'Ada', source: 'crew', deed }));
    return foldDay(kept, entries);
  };
  const measured = (deeds: [number, Deed][], more: Partial<DayReadings> = {}) => {
    const state = fold([[0, { kind: 'day', did: 'started' }], ...deeds, [900, { kind: 'day', did: 'ended' }]]);
    const read = readingsOf(state, [], () => false);
    const found = measureDay({ kept, state, readings: { ...read, ...more }, mealOf: supper, nowMs: lightMs + 900 * MIN });
    return new Map(found.map((each) => [each.figure, each]));
  };
  const grate = (temps: [atMin: number, tempC: number][]): Partial<DayReadings> => ({
    pits: { [pit().id]: temps.map(([atMin, tempC]) => ({ atMs: lightMs + atMin * MIN, tempC })) },
  });

  it('is nothing where nothing was read or weighed', () => expect(measured([])).toEqual(new Map()));

  it('is a gauge against the grate, by the heat, of pairs close in time', () => {
    const gauge = (atMin: number, pitC: number): [number, Deed] => [atMin, { kind: 'pitReading', pitId: 'offset', pitC, at: 'gauge' }];
    const found = measured(
      [gauge(100, 118), gauge(130, 121), gauge(170, 125), gauge(300, 160), gauge(500, 90)],
      grate([
        [103, 126],
        [128, 130],
        [170, 132],
        [301, 171],
      ]),
    );
    expect(found.get('gauge/offset/low')).toMatchObject({ value: 8, readings: 3 });
    expect(found.get('gauge/offset/hot')).toMatchObject({ value: 11, readings: 1 });
  });

  it('takes nothing of a gauge from the gauge itself', () => {
    expect(measured([[100, { kind: 'pitReading', pitId: 'offset', pitC: 118, at: 'gauge' }]]).size).toBe(0);
  });

  it('is a band of a rack against the grate', () => {
    const found = measured([[100, { kind: 'pitReading', pitId: 'offset', pitC: 134, rackId: 'main', band: 0 }]], grate([[100, 121]]));
    expect(found.get('zone/offset/main/0')).toMatchObject({ value: 13, readings: 1 });
  });

  it('is the way up from lighting, and nothing where nobody looked', () => {
    const lit: [number, Deed][] = [
      [0, { kind: 'pit', pitId: 'offset', did: 'lit' }],
      [0, { kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 121 }],
    ];
    const climb = Array.from({ length: 12 }, (_, i): [number, number] => [i * 10, Math.min(121, 14 + i * 11.8)]);
    expect(measured(lit, grate(climb)).get('warmUp/offset')!.value).toBeCloseTo(88.1, 0);
    expect(
      measured(
        lit,
        grate([
          [20, 40],
          [110, 120],
        ]),
      ).has('warmUp/offset'),
    ).toBe(false);
  });

  it('is how far an opened pit drops and when it is back, as on a mild day; meat going on makes it another', () => {
    const opened: [number, Deed][] = [
      [0, { kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 121 }],
      [200, { kind: 'pit', pitId: 'offset', did: 'opened' }],
    ];
    const temps = Array.from({ length: 60 }, (_, i): [number, number] => {
      const minute = i - 10;
      return [190 + i, minute < 0 ? 121 : minute < 3 ? 121 - 8 * (minute + 1) : Math.min(121, 97 + 2 * (minute - 2))];
    });
    const weather = kept.input.event.weather!;
    const found = measured(opened, grate(temps));
    expect(found.get('drop/offset')!.value).toBeCloseTo(24 / coldShare(121, weather), 6);
    expect(found.get('recover/offset')!.value).toBeCloseTo(13 / heatLossShare(121, weather), 0);
    const piece = `butt/butt-1`;
    expect(
      measured([...opened, [201, { kind: 'piece', pieces: [piece], step: 'on', pitId: 'offset' }]], grate(temps)).has('drop/offset'),
    ).toBe(false);
  });

  it('is the fuel an hour of a mild day that the plan itself would have burnt', () => {
    const weather = kept.input.event.weather!;
    const firing = {
      ...kept.plan.firings[0]!,
      lightAtMs: lightMs,
      offAtMs: lightMs + 600 * MIN,
      setPoints: [{ atMs: lightMs, pitC: 121 }],
    };
    const { kg } = fuelFor(pit(), firing, weather);
    const lighting = kg - 10 * burnKgPerH(pit(), 121, weather) * 1.1;
    const burntKg = lighting + 10 * burnKgPerH(pit(), 121, weather) * 1.3;
    const found = measured([
      [0, { kind: 'pit', pitId: 'offset', did: 'lit' }],
      [0, { kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 121 }],
      [600, { kind: 'pit', pitId: 'offset', did: 'out' }],
      [800, { kind: 'weighed', of: 'fuel', id: 'offset', kg: burntKg }],
    ]);
    const ground: FigureGround = { equipment: { pits: [pit()], boxes: [] }, library: SHIPPED_LIBRARY };
    expect(found.get('fuel/offset')!.value / figureInUse('fuel/offset', ground)!).toBeCloseTo(1.3, 6);
  });

  it('is the yield of what was weighed, and what guests ate where something was left', () => {
    const pieces = ['butt/butt-1', 'butt/butt-2'];
    const cooked: [number, Deed][] = [
      [90, { kind: 'piece', pieces, step: 'on', pitId: 'offset' }],
      [700, { kind: 'piece', pieces, step: 'pulled', coreC: 95 }],
    ];
    const weighed = (of: 'ready' | 'left', id: string, kg: number): [number, Deed] => [800, { kind: 'weighed', of, id, kg }];
    const found = measured([
      ...cooked,
      weighed('ready', 'butt', 4.14),
      weighed('left', 'butt', 0.9),
      weighed('ready', 'birds', 2.4),
      weighed('left', 'birds', 0.3),
    ]);
    expect(found.get('yield/pork-butt')!.value).toBeCloseTo(4.14 / 6.9, 9);
    const demands = demandOf(kept.input.event, kept.input.library, supper);
    const reckonedKg = demands.get('butt')!.cookedKg + demands.get('birds')!.cookedKg;
    expect(found.get('portion/supper')!.value).toBeCloseTo((4.14 + 2.4 - 1.2) / reckonedKg, 9);
    // All of it eaten: nobody knows what would have been.
    expect(
      measured([
        ...cooked,
        weighed('ready', 'butt', 4.14),
        weighed('left', 'butt', 0),
        weighed('ready', 'birds', 2.4),
        weighed('left', 'birds', 0),
      ]).has('portion/supper'),
    ).toBe(false);
  });

  it('is the minutes of hands over the usual, from beginning to done', () => {
    const wrap = kept.plan.tasks.find((task) => task.kind === 'wrap')!;
    const usualMin = handMinutes('wrap', [3.6, 3.3]);
    const at = (wrap.atMs - lightMs) / MIN;
    const pieces = ['butt/butt-1', 'butt/butt-2'];
    const found = measured([
      [90, { kind: 'piece', pieces, step: 'on', pitId: 'offset' }],
      [at, { kind: 'task', taskId: wrap.id, did: 'begun' }],
      [at + 1.5 * usualMin, { kind: 'task', taskId: wrap.id, did: 'done' }],
    ]);
    expect(found.get('hands/wrap')!.value).toBeCloseTo(1.5, 6);
  });

  it('is what a box loses, as the cook model itself cools what lies in it', () => {
    const run = kept.plan.runs.find((each) => each.batchId === 'butt')!;
    const { planned } = slowestOfRun(kept.input, run)!;
    const cook = runCook(planned.setup, SHIPPED_PARAMETERS);
    for (const lossWPerK of [0.4, 0.7, 1.4]) {
      const plan = planned.holdIn({ kind: 'box', lossWPerK }, 420);
      const [held] = holdTogether([{ cook, pieces: 2, softeningH: planned.setup.softeningH }], SHIPPED_PARAMETERS, plan);
      const pulledMin = 500;
      const restedMin = plan.ventMin + plan.restMin;
      const pieces = ['butt/butt-1', 'butt/butt-2'];
      const readings = {
        pieces: { 'butt/butt-1': [...held!.coreC].map((tempC, i) => ({ atMs: lightMs + (pulledMin + i) * MIN, tempC })) },
      };
      const found = measured(
        [
          [0, { kind: 'piece', pieces, step: 'on', pitId: 'offset' }],
          [pulledMin, { kind: 'piece', pieces, step: 'pulled' }],
          [pulledMin + restedMin, { kind: 'piece', pieces, step: 'held', gearId: 'box' }],
          [pulledMin + 415, { kind: 'piece', pieces, step: 'carved' }],
        ],
        readings,
      );
      // Room as the day's air: the model's hold has it as the plan does.
      expect(found.get('boxLoss/box')!.value / lossWPerK, `${lossWPerK}`).toBeGreaterThan(0.75);
      expect(found.get('boxLoss/box')!.value / lossWPerK, `${lossWPerK}`).toBeLessThan(1.33);
    }
  });

  describe('and where it is taken', () => {
    const ground = (): FigureGround => ({
      equipment: { pits: [pit()], boxes: kept.input.boxes },
      library: SHIPPED_LIBRARY,
    });

    it('stands where plans read it, and comes back as it was', () => {
      for (const key of KEYS) {
        const before = figureInUse(key, ground())!;
        expect(before, key).toBeDefined();
        const home = withFigure(key, before + 0.11, ground())!;
        const after: FigureGround = {
          equipment: { pits: home.kind === 'pit' ? [home.pit] : [pit()], boxes: home.kind === 'box' ? [home.box] : kept.input.boxes },
          library: {
            ...SHIPPED_LIBRARY,
            ...(home.kind === 'habits' && { habits: home.habits }),
            ...(home.kind === 'cut' && { cuts: SHIPPED_LIBRARY.cuts.map((cut) => (cut.id === home.cut.id ? home.cut : cut)) }),
          },
        };
        expect(figureInUse(key, after), key).toBeCloseTo(before + 0.11, 9);
        for (const other of KEYS.filter((each) => each !== key && !(key === 'gauge/offset/low' && each === 'gauge/offset/hot')))
          expect(figureInUse(other, after), `${key} leaves ${other}`).toBe(figureInUse(other, ground()));
      }
    });

    it('is drawn towards what stood there before, not towards itself, until somebody changes it by hand', () => {
      const list = seen('warmUp/offset', [100, 100, 100]);
      const [first] = kitchenFigures(list, ground(), {});
      expect(first).toMatchObject({ inUse: 75, prior: 75, differs: true, count: 3 });
      const home = withFigure('warmUp/offset', first!.value, ground());
      const taken = { 'warmUp/offset': { before: 75, taken: first!.value, count: 3, takenAtMs: 0 } };
      const after = { ...ground(), equipment: { pits: [home?.kind === 'pit' ? home.pit : pit()], boxes: [] } };
      expect(kitchenFigures(list, after, taken)[0]).toMatchObject({ value: first!.value, prior: 75, differs: false, taken: { count: 3 } });
      const byHand = { ...ground(), equipment: { pits: [{ ...pit(), warmUpMin: 60 }], boxes: [] } };
      const [own] = kitchenFigures(list, byHand, taken);
      expect(own).toMatchObject({ prior: 60, inUse: 60 });
      expect(own!.taken).toBeUndefined();
    });

    it('says nothing of what is gone', () => {
      expect(kitchenFigures(seen('warmUp/gone', [80]), ground(), {})).toEqual([]);
      expect(withFigure('zone/offset/main/7', 3, ground())).toBeUndefined();
    });

    it('gives guests and hands what the house knows of them', () => {
      const { event } = kept.input;
      const usual = demandOf(event, SHIPPED_LIBRARY, supper).get('butt')!.cookedKg;
      expect(demandOf(event, { ...SHIPPED_LIBRARY, habits: { eats: { supper: 1.2 } } }, supper).get('butt')!.cookedKg).toBeCloseTo(
        1.2 * usual,
        9,
      );
      expect(demandOf(event, { ...SHIPPED_LIBRARY, habits: { eats: { lunch: 1.2 } } }, supper).get('butt')!.cookedKg).toBe(usual);
      const minutesOf = (pace: number) => {
        const { plan } = keptDayOf({ ...kept.input, library: { ...kept.input.library, habits: { handPace: { wrap: pace } } } });
        return plan.tasks.find((task) => task.kind === 'wrap')!.minutes;
      };
      expect(minutesOf(2)).toBe(2 * minutesOf(1));
      // Rules ask for so many minutes: quicker hands have them all the same.
      expect(minutesOf(0.5)).toBe(minutesOf(1));
    });
  });
});
