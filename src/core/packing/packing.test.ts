import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OFFSET } from '../../../tests/fixtures/events';
import type { Rect } from '../model';
import { seededRandom } from '../numerics';
import { arrange, type Ground } from './arrange';
import { rackFaults, type Occupancy } from './faults';
import { apartMm, floorMm2, isOnFloor, isTooNear, type Floor } from './floor';
import type { Item } from './item';
import { searchWhole } from './searchWhole';
import { alongSkyline } from './skyline';
import { snapPlace } from './snap';
import { lacksMm, openFloor, takeBlocked } from './spaces';
import { hotSideOf, thickEndOf, zoneOffsetC } from './zones';

const ground = (widthMm: number, depthMm: number, extra: Partial<Ground> = {}): Ground => ({
  floor: { widthMm, depthMm },
  gapMm: 25,
  taken: [],
  blocked: [],
  ...extra,
});
const alike = (count: number, lengthMm: number, widthMm: number): Item[] =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i}`, lengthMm, widthMm }));

describe('pieces on a rack', () => {
  it('interlock where only a pinwheel fits: four of 210 x 170 on 405 x 405', () => {
    const { placed, left } = arrange(ground(405, 405), alike(4, 210, 170));
    expect(left).toEqual([]);
    expect(placed.filter((each) => each.turned)).toHaveLength(2);
    // A millimetre less, and not even three lie.
    expect(arrange(ground(404, 404), alike(4, 210, 170)).left).toHaveLength(2);
    expect(arrange(ground(405, 405), alike(5, 210, 170)).left).toHaveLength(1);
  });

  it('turn where that helps: rib racks of 340 x 135 stand nine across 1500, and four more lie behind', () => {
    const { placed } = arrange(ground(1500, 600), alike(20, 340, 135));
    expect(placed).toHaveLength(13);
    expect(arrange(ground(1400, 420), alike(20, 340, 135)).placed).toHaveLength(8);
  });

  it('lie on a round grate with every corner inside: two halves of chicken on 440, none of its own diameter', () => {
    const round = ground(440, 440, { floor: { widthMm: 440, depthMm: 440, round: true } });
    expect(arrange(round, alike(6, 240, 140)).placed.length).toBeGreaterThanOrEqual(2);
    // The largest square in a circle of 440 has sides of 440 / sqrt(2) = 311.1; in whole mm it lies a little off the middle.
    expect(arrange(round, alike(1, 310, 310)).placed).toHaveLength(1);
    expect(arrange(round, alike(1, 312, 312)).placed).toHaveLength(0);
  });

  it('may touch a wall and a blocked part, but nothing else nearer than the gap', () => {
    const { placed } = arrange(ground(300, 100, { blocked: [{ xMm: 100, yMm: 0, widthMm: 100, depthMm: 100 }] }), alike(3, 100, 100));
    expect(placed.map((each) => each.xMm).sort((a, b) => a - b)).toEqual([0, 200]);
    const beside = arrange(ground(225, 100, { taken: [{ xMm: 0, yMm: 0, widthMm: 100, depthMm: 100 }] }), alike(1, 100, 100));
    expect(beside.placed[0]).toMatchObject({ xMm: 125, yMm: 0 });
    expect(arrange(ground(224, 100, { taken: [{ xMm: 0, yMm: 0, widthMm: 100, depthMm: 100 }] }), alike(1, 100, 100)).placed).toEqual([]);
  });

  it('lie hot or cool as they want, when it costs no space', () => {
    const bands = [{ fromMm: 0, toMm: 400, offsetC: 12 }];
    const lay = (wants: Item['wants']) =>
      arrange(ground(1500, 600, { bands }), [{ id: 'a', lengthMm: 400, widthMm: 200, wants }]).placed[0]!;
    expect(zoneOffsetC(bands, lay('hot'))).toBe(12);
    expect(zoneOffsetC(bands, lay('cool'))).toBe(0);
  });

  it('say how much the best gap lacks', () => {
    expect(lacksMm(openFloor({ widthMm: 300, depthMm: 200 }, 25), 320, 150)).toBe(20);
    expect(lacksMm(openFloor({ widthMm: 300, depthMm: 200 }, 25), 180, 290)).toBe(0);
    const halved = takeBlocked(openFloor({ widthMm: 300, depthMm: 200 }, 25), { xMm: 100, yMm: 0, widthMm: 20, depthMm: 200 });
    expect(lacksMm(halved, 200, 190)).toBe(10);
  });

  const anyItems = fc.array(fc.record({ lengthMm: fc.integer({ min: 40, max: 420 }), widthMm: fc.integer({ min: 40, max: 250 }) }), {
    minLength: 1,
    maxLength: 16,
  });
  const anyGround = fc.record({
    round: fc.boolean(),
    widthMm: fc.integer({ min: 300, max: 1500 }),
    depthMm: fc.integer({ min: 300, max: 700 }),
    gapMm: fc.constantFrom(0, 10, 25),
    parts: fc.array(
      fc.record({
        xMm: fc.nat(500),
        yMm: fc.nat(300),
        widthMm: fc.integer({ min: 10, max: 200 }),
        depthMm: fc.integer({ min: 10, max: 200 }),
      }),
      {
        maxLength: 2,
      },
    ),
  });

  it('are never off the rack, on a blocked part or nearer than the gap, whatever comes; and the order it comes in does not matter', () => {
    fc.assert(
      fc.property(anyGround, anyItems, ({ round, widthMm, depthMm, gapMm, parts }, sizes) => {
        const floor: Floor = { widthMm, depthMm: round ? widthMm : depthMm, round };
        const items = sizes.map((size, i) => ({ id: `p${i}`, ...size }));
        const place = { floor, gapMm, taken: [], blocked: parts };
        const { placed, left } = arrange(place, items, { shuffles: 2, exactNodes: 300 });
        expect(placed.length + left.length).toBe(items.length);
        placed.forEach((a, i) => {
          expect(isOnFloor(floor, a)).toBe(true);
          for (const part of parts) expect(isTooNear(a, part, 0)).toBe(false);
          for (const b of placed.slice(i + 1)) expect(isTooNear(a, b, gapMm)).toBe(false);
          const item = items.find((each) => each.id === a.id)!;
          expect([a.widthMm, a.depthMm]).toEqual(a.turned ? [item.widthMm, item.lengthMm] : [item.lengthMm, item.widthMm]);
          expect(Number.isInteger(a.xMm) && Number.isInteger(a.yMm)).toBe(true);
        });
        const again = arrange(place, [...items].reverse(), { shuffles: 2, exactNodes: 300 });
        // Of two pieces of one size, either may lie in the one place or in the other.
        const places = (all: typeof placed) => all.map(({ id: _, ...rect }) => JSON.stringify(rect)).sort();
        expect(places(again.placed)).toEqual(places(placed));
      }),
      { numRuns: 150, seed: 5 },
    );
  });
});

describe('the exact search', () => {
  it('finds a perfect fit of nine unlike pieces, and knows when there is none', () => {
    // A squared rectangle of 33 x 32 from nine unlike squares: sides 1, 4, 7, 8, 9, 10, 14, 15, 18.
    const squares = [1, 4, 7, 8, 9, 10, 14, 15, 18].map((side) => ({ id: `s${side}`, lengthMm: side, widthMm: side }));
    const placed = searchWhole({ widthMm: 33, depthMm: 32 }, 0, squares, 20_000)!;
    expect(placed).toHaveLength(9);
    expect(placed.reduce((sum, each) => sum + each.widthMm * each.depthMm, 0)).toBe(33 * 32);
    placed.forEach((a, i) => {
      for (const b of placed.slice(i + 1)) expect(isTooNear(a, b, 0)).toBe(false);
    });
    expect(searchWhole({ widthMm: 32, depthMm: 33 }, 0, [...squares, { id: 'more', lengthMm: 1, widthMm: 1 }], 20_000)).toBeUndefined();
    expect(searchWhole({ widthMm: 100, depthMm: 60 }, 0, alike(3, 60, 34), 20_000)).toBeUndefined();
  });
});

describe('tries along a skyline', () => {
  const floor = { widthMm: 900, depthMm: 500 };
  const mixed = (seed: number) => {
    const { uniform } = seededRandom(seed);
    return Array.from({ length: 18 }, (_, i) => {
      const lengthMm = Math.round(90 + 260 * uniform());
      return { id: `p${i}`, lengthMm, widthMm: Math.round(lengthMm * (0.45 + 0.5 * uniform())) };
    });
  };
  const mm2 = (placed: readonly { widthMm: number; depthMm: number }[]) =>
    placed.reduce((sum, each) => sum + each.widthMm * each.depthMm, 0);

  it('lay every piece once or leave it, on the floor and with the gap, and more tries never lay less', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const items = mixed(seed);
      let before = 0;
      for (const tries of [1, 8, 40]) {
        const { placed, left } = alongSkyline(floor, 25, items, tries);
        expect([...placed, ...left].map((each) => each.id).sort()).toEqual(items.map((each) => each.id).sort());
        for (const [i, each] of placed.entries()) {
          expect(isOnFloor(floor, each)).toBe(true);
          for (const other of placed.slice(i + 1)) expect(isTooNear(each, other, 25)).toBe(false);
          const item = items.find(({ id }) => id === each.id)!;
          expect(each.turned ? [each.depthMm, each.widthMm] : [each.widthMm, each.depthMm]).toEqual([item.lengthMm, item.widthMm]);
        }
        expect(mm2(placed)).toBeGreaterThanOrEqual(before - 1e-6);
        before = mm2(placed);
      }
    }
  });

  it('fill a rack of mixed pieces better on the whole than the rules alone, and say the same each time', () => {
    let [rules, skylines] = [0, 0];
    for (let seed = 1; seed <= 20; seed++) {
      const ground = { floor, gapMm: 25, taken: [], blocked: [] };
      const items = mixed(seed);
      const laid = arrange(ground, items, { exactNodes: 0, skylines: 40 });
      rules += mm2(arrange(ground, items, { exactNodes: 0, skylines: 0 }).placed);
      skylines += mm2(laid.placed);
      expect(arrange(ground, items, { exactNodes: 0, skylines: 40 })).toEqual(laid);
    }
    expect(skylines).toBeGreaterThan(rules);
  });

  it('lay nothing where nothing fits', () => {
    const wide = [{ id: 'a', lengthMm: 1000, widthMm: 600 }];
    expect(alongSkyline(floor, 25, wide, 5)).toEqual({ placed: [], left: wide });
  });
});

describe('a floor', () => {
  it('knows its edge: corners inside the circle, walls without a gap', () => {
    const round: Floor = { widthMm: 100, depthMm: 100, round: true };
    expect(isOnFloor(round, { xMm: 20, yMm: 10, widthMm: 60, depthMm: 80 })).toBe(true);
    expect(isOnFloor(round, { xMm: 21, yMm: 10, widthMm: 60, depthMm: 80 })).toBe(false);
    expect(isOnFloor({ widthMm: 100, depthMm: 50 }, { xMm: 0, yMm: 0, widthMm: 100, depthMm: 50 })).toBe(true);
    expect(floorMm2({ widthMm: 975, depthMm: 475 })).toBe(500_000);
    expect(floorMm2({ widthMm: 975, depthMm: 475 }, [{ xMm: 0, yMm: 0, widthMm: 100, depthMm: 100 }])).toBe(490_000);
  });

  it('measures the way from piece to piece in the direction that parts them most', () => {
    const a: Rect = { xMm: 0, yMm: 0, widthMm: 100, depthMm: 100 };
    expect(apartMm(a, { ...a, xMm: 130, yMm: 90 })).toBe(30);
    expect(apartMm(a, { ...a, xMm: 50, yMm: 50 })).toBe(-50);
    expect(isTooNear(a, { ...a, xMm: 125 }, 25)).toBe(false);
    expect(isTooNear(a, { ...a, xMm: 124 }, 25)).toBe(true);
  });

  it('weighs its bands by how much of the piece lies in each, and finds its hot side', () => {
    const zones = [{ fromMm: 0, toMm: 400, offsetC: 12 }];
    expect(zoneOffsetC(zones, { xMm: 300, widthMm: 400 })).toBe(3);
    expect(hotSideOf({ widthMm: 1500, zones })).toBe('left');
    expect(hotSideOf({ widthMm: 1500, zones: [] })).toBeUndefined();
    expect(hotSideOf({ widthMm: 1500, zones, hotSide: 'far' })).toBe('far');
    expect(thickEndOf({ widthMm: 400, depthMm: 200 }, 'right')).toBe('right');
    expect(thickEndOf({ widthMm: 200, depthMm: 400 }, 'right')).toBe('near');
  });
});

describe('what is wrong on a rack', () => {
  const occupancies = (pieceId: string, extra: Partial<Occupancy> = {}): Occupancy => ({
    piece: { batchId: 'b', pieceId },
    rackId: 'low',
    xMm: 0,
    yMm: 0,
    widthMm: 400,
    depthMm: 200,
    kg: 6,
    thicknessMm: 70,
    poultry: false,
    fromMs: 0,
    toMs: 100,
    ...extra,
  });
  const codes = (...pieces: Occupancy[]) => rackFaults(OFFSET, pieces).map(({ fault }) => fault.code);

  it('is said by kind, with who and when', () => {
    expect(codes(occupancies('a'), occupancies('b', { xMm: 425 }))).toEqual([]);
    expect(rackFaults(OFFSET, [occupancies('a'), occupancies('b', { xMm: 410, fromMs: 40 })])).toEqual([
      {
        rackId: 'low',
        fault: {
          code: 'tooNear',
          piece: { batchId: 'b', pieceId: 'a' },
          other: { batchId: 'b', pieceId: 'b' },
          apartMm: 10,
          gapMm: 25,
          fromMs: 40,
          toMs: 100,
        },
      },
    ]);
    expect(codes(occupancies('a'), occupancies('b', { fromMs: 100, toMs: 200 }))).toEqual([]);
    expect(codes(occupancies('a', { xMm: 1200 }))).toEqual(['offRack']);
    expect(codes(occupancies('a', { thicknessMm: 300 }))).toEqual(['tooTall']);
    expect(codes(occupancies('a', { kg: 50 }), occupancies('b', { xMm: 500, kg: 40 }))).toEqual(['overloaded']);
    expect(codes(occupancies('a', { kg: 50, toMs: 50 }), occupancies('b', { xMm: 500, kg: 40, fromMs: 50 }))).toEqual([]);
    expect(codes(occupancies('bird', { rackId: 'high', poultry: true }), occupancies('a'))).toEqual(['poultryAbove']);
    expect(codes(occupancies('bird', { poultry: true }), occupancies('a', { rackId: 'high' }))).toEqual([]);
  });
});

describe('a dragged piece', () => {
  const [low] = OFFSET.racks as [(typeof OFFSET.racks)[number]];
  const place = { xMm: 0, yMm: 0, widthMm: 400, depthMm: 200 };

  it('jumps to walls, to the gap from a neighbour and flush with it, each direction for itself', () => {
    const other = { xMm: 0, yMm: 0, widthMm: 400, depthMm: 200 };
    expect(snapPlace(low, { ...place, xMm: 431, yMm: 9 }, [other])).toMatchObject({ xMm: 425, yMm: 0 });
    expect(snapPlace(low, { ...place, xMm: 1092, yMm: 390 }, [])).toMatchObject({ xMm: 1100, yMm: 400 });
    expect(snapPlace(low, { ...place, xMm: 700.4, yMm: 120 }, [other])).toMatchObject({ xMm: 700, yMm: 120 });
  });

  it('jumps beside a blocked part, which it may touch, and knows no walls on a round grate', () => {
    const blocked = { ...low, blocked: [{ xMm: 0, yMm: 0, widthMm: 150, depthMm: 300, by: 'water pan' as const }] };
    expect(snapPlace(blocked, { ...place, xMm: 160, yMm: 100 }, [])).toMatchObject({ xMm: 150 });
    expect(snapPlace({ ...low, round: true }, { ...place, xMm: 8, yMm: 8 }, [])).toMatchObject({ xMm: 8, yMm: 8 });
  });
});
