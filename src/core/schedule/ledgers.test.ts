import { describe, expect, it } from 'vitest';
import { BOX, OFFSET } from '../../../tests/fixtures/events';
import { findCut } from '../model';
import { firingsOf } from './firings';
import { HeatLedger } from './heatLedger';
import { itinerary } from '../travel';
import { CrewLedger } from './crewLedger';
import { holdingGear, HoldLedger } from './holdLedger';
import { claimedMm2 } from '../packing';
import { fitsAlone, footprintOf, RackLedger, rackMm2, type Footprint } from './rackLedger';

const HOUR = 3_600_000;
const MIN = 60_000;
const HERE = itinerary({ homeId: 'base', roads: [], servings: [], gear: [], pits: [], earliestMs: -Infinity });
const [low, high] = OFFSET.racks as [(typeof OFFSET.racks)[number], (typeof OFFSET.racks)[number]];
const brisket = findCut('brisket-whole')!;
const chicken = findCut('chicken-half')!;
const pieces = (cut: typeof brisket, count: number, kg: number): Footprint[] =>
  Array.from({ length: count }, (_, i) => footprintOf(cut, 'batch', { id: `${cut.id}-${i}`, kg }));
const use = (rackId: string, fromH: number, toH: number, areaMm2: number, extra = {}) => ({
  pitId: 'offset',
  rackId,
  batchId: 'other',
  pieceIds: ['there'],
  places: [
    {
      pieceId: 'there',
      xMm: 0,
      yMm: 0,
      widthMm: low.widthMm,
      depthMm: areaMm2 / low.widthMm,
      turned: false,
      thickEnd: 'left' as const,
      offsetC: 0,
    },
  ],
  fromMs: fromH * HOUR,
  toMs: toH * HOUR,
  areaMm2,
  kg: 5,
  poultry: false,
  ...extra,
});

describe('racks over time', () => {
  it('take as much as their area lets them and say what is short and when', () => {
    const ledger = new RackLedger();
    const many = pieces(brisket, 12, 5.66);
    const { taken, places, refusal } = ledger.fill(OFFSET, low, brisket, many, 0, 10 * HOUR);
    // 1500 x 600 takes two rows of 3 of 427 x 255 (with their gaps 452 x 280), and turned ones where the rows end.
    expect(taken.length).toBe(6);
    expect(places).toHaveLength(6);
    expect(refusal).toMatchObject({ code: 'areaShort', fromMs: 0, toMs: 10 * HOUR });
    if (refusal?.code === 'areaShort') expect(refusal.shortMm2).toBeCloseTo(12 * claimedMm2(many[0]!) - rackMm2(low), 3);
  });

  it('are free again at the very moment the last piece leaves', () => {
    const ledger = new RackLedger();
    ledger.add(use('low', 0, 4, rackMm2(low)));
    expect(ledger.fill(OFFSET, low, brisket, pieces(brisket, 1, 5), 4 * HOUR, 8 * HOUR).taken).toHaveLength(1);
    const blocked = ledger.fill(OFFSET, low, brisket, pieces(brisket, 1, 5), 4 * HOUR - 1, 8 * HOUR);
    expect(blocked.taken).toEqual([]);
    expect(blocked.refusal).toMatchObject({ code: 'areaShort', toMs: 4 * HOUR });
  });

  it('know their fullest moment, also when uses only touch', () => {
    const ledger = new RackLedger();
    ledger.add(use('low', 0, 4, 100));
    ledger.add(use('low', 2, 6, 50));
    ledger.add(use('low', 6, 8, 120));
    expect(ledger.peak('offset', 'low', 0, 10 * HOUR, (each) => each.areaMm2)).toEqual({ amount: 150, fromMs: 2 * HOUR, toMs: 4 * HOUR });
    expect(ledger.peak('offset', 'low', 5 * HOUR, 10 * HOUR, (each) => each.areaMm2)).toEqual({
      amount: 120,
      fromMs: 6 * HOUR,
      toMs: 8 * HOUR,
    });
    expect(ledger.peak('offset', 'high', 0, 10 * HOUR, (each) => each.areaMm2).amount).toBe(0);
  });

  it('never let poultry lie above other food, whichever came first', () => {
    const first = new RackLedger();
    first.add(use('low', 0, 4, 100));
    expect(first.fill(OFFSET, high, chicken, pieces(chicken, 1, 1), 2 * HOUR, 5 * HOUR).refusal).toMatchObject({ code: 'poultryAbove' });
    expect(first.fill(OFFSET, low, chicken, pieces(chicken, 1, 1), 2 * HOUR, 5 * HOUR).taken).toHaveLength(1);
    expect(first.fill(OFFSET, high, chicken, pieces(chicken, 1, 1), 4 * HOUR, 5 * HOUR).taken).toHaveLength(1);
    const second = new RackLedger();
    second.add(use('high', 0, 4, 100, { poultry: true }));
    expect(second.fill(OFFSET, low, brisket, pieces(brisket, 1, 5), 1 * HOUR, 5 * HOUR).refusal).toMatchObject({ code: 'poultryAbove' });
  });

  it('keep their load', () => {
    const ledger = new RackLedger();
    const { taken, refusal } = ledger.fill(OFFSET, { ...low, maxKg: 12 }, brisket, pieces(brisket, 3, 5), 0, HOUR);
    expect(taken).toHaveLength(2);
    expect(refusal).toMatchObject({ code: 'loadShort', shortKg: 3 });
  });

  it('take a piece turned, but not one that is too long or too thick', () => {
    const [piece] = pieces(brisket, 1, 5.66);
    expect(fitsAlone({ ...low, widthMm: 260, depthMm: 450 }, piece!)).toBe(true);
    expect(fitsAlone({ ...low, widthMm: 300, depthMm: 300 }, piece!)).toBe(false);
    expect(fitsAlone({ ...low, clearanceMm: 60 }, piece!)).toBe(false);
  });

  it('forget what is rolled back', () => {
    const ledger = new RackLedger();
    const mark = ledger.snapshot();
    ledger.add(use('low', 0, 4, rackMm2(low)));
    ledger.rollBack(mark);
    expect(ledger.all()).toEqual([]);
  });
});

describe('heat over time', () => {
  const heat = (fromH: number, toH: number, pitC: number) => ({ pitId: 'offset', pitC, fromMs: fromH * HOUR, toMs: toH * HOUR });

  it('is one set point at a time, with room for the change-over', () => {
    const ledger = new HeatLedger();
    ledger.add(heat(0, 4, 121));
    expect(ledger.conflict(heat(2, 6, 121))).toBeUndefined();
    expect(ledger.conflict(heat(2, 6, 135))).toMatchObject({ pitC: 121 });
    expect(ledger.conflict({ ...heat(4, 6, 135), fromMs: 4 * HOUR + 19 * MIN })).toBeDefined();
    expect(ledger.conflict({ ...heat(4, 6, 135), fromMs: 4 * HOUR + 20 * MIN })).toBeUndefined();
    expect(ledger.conflict({ ...heat(2, 6, 135), pitId: 'other' })).toBeUndefined();
  });

  it('becomes fires: lit in time, kept over short gaps, lit again after long ones', () => {
    const ledger = new HeatLedger();
    ledger.add(heat(5, 9, 135));
    ledger.add(heat(0, 4, 121));
    ledger.add(heat(20, 22, 121));
    const firings = firingsOf([OFFSET], ledger, new CrewLedger(undefined), HERE, -HOUR * 9).firings;
    expect(firings).toHaveLength(2);
    expect(firings[0]).toEqual({
      pitId: 'offset',
      placeId: 'base',
      lightAtMs: -60 * MIN,
      readyAtMs: 0,
      offAtMs: 9 * HOUR,
      who: [],
      setPoints: [
        { atMs: 0, pitC: 121 },
        { atMs: 5 * HOUR - 20 * MIN, pitC: 135 },
      ],
    });
    expect(firings[1]!.lightAtMs).toBe(19 * HOUR);
  });
});

describe('holding over time', () => {
  const boxes = holdingGear([BOX, { ...BOX, id: 'small', litres: 30 }], []);
  const warmers = holdingGear([], [{ id: 'warmer', name: 'Warmer', kind: 'warmer', slots: 3, setC: 63 }]);

  it('gives the closest fit and says how many litres are short', () => {
    const ledger = new HoldLedger();
    expect(ledger.claim(boxes, 15, 0, HOUR)).toMatchObject({ use: { gearId: 'small', amount: 27 } });
    expect(ledger.claim(boxes, 15, 0, HOUR)).toMatchObject({ use: { gearId: 'box' } });
    expect(ledger.claim(boxes, 60, 0, HOUR)).toMatchObject({ gear: { id: 'box' }, short: 108 - (110 - 27) });
    expect(ledger.claim(boxes, 60, HOUR, 2 * HOUR)).toMatchObject({ use: { gearId: 'box' } });
  });

  it('gives a warmer’s slots whole, nine kilograms each, and boxes before warmers', () => {
    const ledger = new HoldLedger();
    expect(ledger.claim(warmers, 9.5, 0, HOUR)).toMatchObject({ use: { gearId: 'warmer', amount: 2 } });
    expect(ledger.claim(warmers, 18, 0, HOUR)).toMatchObject({ short: 1 });
    expect(ledger.claim(warmers, 27, HOUR, 2 * HOUR)).toMatchObject({ use: { gearId: 'warmer' } });
    expect(ledger.claim([...warmers, ...boxes], 5, 3 * HOUR, 4 * HOUR)).toMatchObject({ use: { gearId: 'small' } });
  });

  it('forgets what is rolled back', () => {
    const ledger = new HoldLedger();
    const mark = ledger.snapshot();
    ledger.claim(boxes, 60, 0, HOUR);
    ledger.rollBack(mark);
    expect(ledger.claim(boxes, 60, 0, HOUR)).toMatchObject({ use: { gearId: 'box' } });
  });
});

describe('hands over time', () => {
  const there = (fromH: number, toH: number) => ({ placeId: 'base', fromMs: fromH * HOUR, toMs: toH * HOUR });

  it('do one thing at a time, inside their window, whoever is there for less time first', () => {
    const crewLedger = new CrewLedger(
      new Map([
        ['long', [there(0, 10)]],
        ['short', [there(2, 4)]],
      ]),
    );
    expect(crewLedger.claim(2 * HOUR, 30, 'base')).toEqual(['short']);
    expect(crewLedger.claim(2 * HOUR + 10 * MIN, 30, 'base')).toEqual(['long']);
    expect(crewLedger.claim(2 * HOUR + 20 * MIN, 5, 'base')).toBeUndefined();
    expect(crewLedger.claim(4 * HOUR - 10 * MIN, 20, 'base')).toEqual(['long']);
    expect(crewLedger.claim(10 * HOUR - MIN, 2, 'base')).toBeUndefined();
    const mark = crewLedger.snapshot();
    expect(crewLedger.claim(6 * HOUR, 30, 'base')).toEqual(['long']);
    crewLedger.rollBack(mark);
    expect(crewLedger.claim(6 * HOUR, 30, 'base')).toEqual(['long']);
  });

  it('do nothing on the road, and are taken all together or not at all', () => {
    const crewLedger = new CrewLedger(new Map([['a', [there(0, 3), there(4, 10)]]]));
    expect(crewLedger.claim(3 * HOUR - 5 * MIN, 6, 'base')).toBeUndefined();
    const tasks = [
      { atMs: HOUR, minutes: 10 },
      { atMs: HOUR + 5 * MIN, minutes: 10, laterMin: 3 },
    ];
    expect(crewLedger.claimAll(tasks, 'base')).toMatchObject({ short: tasks[1] });
    expect(crewLedger.claimAll([tasks[0]!, { ...tasks[1]!, laterMin: 5 }], 'base')).toMatchObject({
      done: [{ atMs: HOUR }, { atMs: HOUR + 10 * MIN }],
    });
    expect(crewLedger.latestFree(0, 4 * HOUR - MIN, 15, 'base')).toBe(3 * HOUR - 15 * MIN);
    expect(crewLedger.latestFree(0, HOUR + 19 * MIN, 15, 'base')).toBe(HOUR - 15 * MIN);
    // Nobody works where he is not.
    expect(crewLedger.claim(6 * HOUR, 5, 'green')).toBeUndefined();
    expect(new CrewLedger(undefined).claim(0, 5, 'base')).toEqual([]);
    expect(new CrewLedger(new Map()).latestFree(0, HOUR, 15, 'base')).toBeUndefined();
  });
});
