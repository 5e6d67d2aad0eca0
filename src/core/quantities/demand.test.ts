import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchOf, eventOf } from '../../../tests/fixtures/events';
import { cutIn, findCut, pieceSize, SHIPPED_LIBRARY, type Batch, type CookEvent, type Serving } from '../model';
import { compareCuts, costOf, demandOf, learnTrim, portionG, portionsOf, splitPlate, supplyOf, withLearnedTrim, workingKg } from './index';
import { choosePieces } from './demand';

const LB = 0.45359237;
const supper = (): 'supper' => 'supper';
const needs = (event: CookEvent, meal: (serving: Serving) => 'lunch' | 'supper' = supper) => demandOf(event, SHIPPED_LIBRARY, meal);
const only = (batch: Batch, extra: Partial<Serving> = {}) => {
  const event = eventOf([batch]);
  return needs({ ...event, servings: [{ ...event.servings[0]!, buffet: false, ...extra }] }).get(batch.id)!;
};

describe('appetites', () => {
  it('count hearty eaters a fifth more, children half, a buffet a tenth, then the margin', () => {
    expect(portionsOf({ adults: 100, children: 0, heartyShare: 0 }, false)).toBe(100);
    expect(portionsOf({ adults: 100, children: 20, heartyShare: 0.5 }, true)).toBeCloseTo((100 * 1.1 + 10) * 1.1, 9);
    expect(portionsOf({ adults: 100, children: 0, heartyShare: 0 }, false, 0.05)).toBeCloseTo(105, 9);
  });

  it('are served more of a single meat, and more at supper', () => {
    expect(portionG(1, 'supper')).toBe(197.5);
    expect(portionG(1, 'lunch')).toBe(155);
    expect(portionG(2, 'lunch')).toBeLessThan(portionG(1, 'lunch'));
    expect(portionG(5, 'supper')).toBe(portionG(4, 'supper'));
  });
});

describe('a shared plate', () => {
  it('gives each its share and splits the rest evenly', () => {
    expect(splitPlate([undefined, undefined, undefined])).toEqual([1 / 3, 1 / 3, 1 / 3]);
    const [half, ...rest] = splitPlate([0.5, undefined, undefined]);
    expect([half, ...rest]).toEqual([0.5, 0.25, 0.25]);
    expect(splitPlate([0.7, 0.3, undefined])[2]).toBeCloseTo(0, 9);
  });

  it('weighs a meat by its share: half of a plate of two is what an even share is', () => {
    const two = (share?: number) => needs(eventOf([batchOf('pork-butt', 1, { share }), batchOf('brisket-whole', 1)])).get('pork-butt')!;
    expect(two(0.5).cookedKg).toBeCloseTo(two().cookedKg, 9);
    expect(two(0.75).cookedKg).toBeCloseTo(1.5 * two().cookedKg, 9);
  });
});

describe('from guests to pieces', () => {
  it('follows the brisket of the lighthouse supper by hand', () => {
    // 96 adults and 18 children at a buffet of four meats: (96 + 9) * 1.1 = 115.5 portions of 67.5 g.
    const batches = ['brisket-whole', 'pork-butt', 'spare-ribs-squared', 'chicken-half', 'pan-dish'].map((cutId) => batchOf(cutId, 1));
    const event = eventOf(batches);
    const need = needs({ ...event, servings: [{ ...event.servings[0]!, guests: { adults: 96, children: 18, heartyShare: 0 } }] }).get(
      'brisket-whole',
    )!;
    expect(need.portions).toBeCloseTo(115.5, 9);
    expect(need.cookedKg).toBeCloseTo(7.796, 3);
    expect(need.trimmedKg).toBeCloseTo(7.796 / 0.6, 2);
    expect(need.boughtKg).toBeCloseTo(7.796 / 0.6 / 0.78, 2);
    // 36.7 lb, sold in 14 to 18: two of 18 are 2 % short, so three of 14; two where the owner lets it be short.
    expect(need.boughtKg / LB).toBeCloseTo(36.7, 1);
    expect([need.pieces, need.pieceBoughtKg / LB]).toEqual([3, expect.closeTo(14, 9)]);
    const guests = { adults: 96, children: 18, heartyShare: 0 };
    const mayBe = needs({ ...event, kitchen: { mayBeShortShare: 0.03 }, servings: [{ ...event.servings[0]!, guests }] }).get(
      'brisket-whole',
    )!;
    expect([mayBe.pieces, mayBe.pieceBoughtKg / LB]).toEqual([2, expect.closeTo(18, 9)]);
    expect(mayBe.pieceKg).toBeCloseTo(18 * LB * 0.78, 2);
  });

  it('portions ribs by the bone and dishes by the spoon', () => {
    const event = eventOf([batchOf('spare-ribs-squared', 1), batchOf('pork-butt', 1), batchOf('pan-dish', 1)]);
    const all = needs({ ...event, servings: [{ ...event.servings[0]!, buffet: false }] });
    expect(all.get('spare-ribs-squared')!.dishes[0]!.bonesPerPortion).toBe(3.5);
    // 60 x 3.5 = 210 bones of 12 a rack.
    expect(all.get('spare-ribs-squared')!.pieces).toBe(18);
    expect(all.get('pan-dish')!.trimmedKg).toBeCloseTo(9, 9);
    expect(all.get('pan-dish')!.pieces).toBe(2);
  });

  it('gives the helping of the meal, and the owner’s own before it', () => {
    const grams = (batch: Partial<Batch>, serving: Partial<Serving> = {}) => {
      const event = eventOf([batchOf('pork-butt', 1, batch)]);
      return needs({ ...event, servings: [{ ...event.servings[0]!, ...serving }] }).get('pork-butt')!.dishes[0]!;
    };
    expect(grams({}).gramsPerPortion).toBe(197.5);
    expect(grams({}, { meal: 'lunch' }).gramsPerPortion).toBe(155);
    expect(grams({}, { meal: 'tasting' }).gramsPerPortion).toBe(70);
    const own = grams({ portionG: 250 });
    expect(own).toMatchObject({ gramsPerPortion: 250, byOwner: true, usual: { gramsPerPortion: 197.5 } });
    expect(own.cookedKg).toBeCloseTo((66 * 250) / 1000, 9);
    const ribs = (portionBones?: number) =>
      needs(eventOf([batchOf('spare-ribs-squared', 1, { portionBones })])).get('spare-ribs-squared')!.dishes[0]!;
    expect(ribs(3).bonesPerPortion).toBe(3);
    expect(ribs(3).gramsPerPortion).toBeCloseTo(ribs().gramsPerPortion / 2, 9);
  });

  it('gives less meat the more stands beside it, a fifth less at most; bread and pickles do not count', () => {
    const side = (kind: 'side' | 'bread', gPerHead: number) => ({ id: kind, kind, name: kind, gPerHead, chilled: true });
    const grams = (sides: Serving['sides'], pans = 0) => {
      const dishes = Array.from({ length: pans }, (_, i) => ({ ...batchOf('pan-dish', 1), id: `pan${i}` }));
      const event = eventOf([batchOf('pork-butt', 1), ...dishes]);
      return needs({ ...event, servings: [{ ...event.servings[0]!, sides }] }).get('pork-butt')!.dishes[0]!.gramsPerPortion;
    };
    expect(grams([side('side', 250), side('bread', 400)])).toBe(197.5);
    // 120 + 2 pans of 150 g: 170 g over the usual 250.
    expect(grams([side('side', 120)], 2)).toBeCloseTo(197.5 * (1 - 1.7 * 0.04), 9);
    expect(grams([side('side', 2000)])).toBeCloseTo(197.5 * 0.8, 9);
  });

  it('asks for nothing when nobody comes', () => {
    expect(only(batchOf('pork-butt', 1), { guests: { adults: 0, children: 0, heartyShare: 0 } }).pieces).toBe(0);
  });

  it('takes a second dish at another serving on top, as needed', () => {
    const event = eventOf([batchOf('pork-butt', 1, { second: { name: 'Rolls', servingId: 'lunch' } })]);
    const [serving] = event.servings;
    const servings = [serving!, { ...serving!, id: 'lunch', buffet: false, guests: { adults: 20, children: 0, heartyShare: 0 } }];
    const both = needs({ ...event, servings }, ({ id }) => (id === 'lunch' ? 'lunch' : 'supper')).get('pork-butt')!;
    // 60 x 1.1 x 197.5 g and 20 x 155 g.
    expect(both.cookedKg).toBeCloseTo((66 * 197.5 + 20 * 155) / 1000, 9);
    expect(both.portions).toBeCloseTo(86, 9);
  });

  it('lets the dish that asks most of its part decide', () => {
    const second = { name: 'Point cubes', servingId: 'supper', partShare: 0.4 };
    const need = only(batchOf('brisket-whole', 1, { second }));
    // Two dishes of one plate: 60 x 122.5 g each; the point is 0.4 of the meat.
    expect(need.dishes.map((dish) => dish.cookedKg)).toEqual([7.35, 7.35]);
    expect(need.decidingDish).toBe(1);
    expect(need.cookedKg).toBeCloseTo(7.35 / 0.4, 9);
  });
});

describe('whole pieces', () => {
  it('are chosen from the weights the shop sells, nearest the need', () => {
    expect(choosePieces(31.5, [7, 10])).toEqual({ pieces: 4, eachKg: 7.875 });
    expect(choosePieces(10, [3, 5])).toEqual({ pieces: 3, eachKg: 10 / 3 });
    // Nothing between two at the heaviest, 2 % short, and three at the lightest, far over: rounded up, or not where it may be short.
    expect(choosePieces(36.7, [14, 18])).toEqual({ pieces: 3, eachKg: 14 });
    expect(choosePieces(36.7, [14, 18], 0.06)).toEqual({ pieces: 2, eachKg: 18 });
    // 7 % short is too short: one more at the lightest.
    expect(choosePieces(19.4, [14, 18], 0.06)).toEqual({ pieces: 2, eachKg: 14 });
    expect(choosePieces(0, [14, 18]).pieces).toBe(0);
    expect(choosePieces(1, [3, 5])).toEqual({ pieces: 1, eachKg: 3 });
  });

  it('never leave the table shorter than it may be, nor over by a piece that could be left out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        fc.double({ min: 0.2, max: 9, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.constantFrom(0, 0.06),
        (kg, low, spread, shortShare) => {
          const { pieces, eachKg } = choosePieces(kg, [low, low * spread], shortShare);
          expect(pieces * eachKg).toBeGreaterThanOrEqual(kg * (1 - shortShare) - 1e-6);
          expect(eachKg).toBeGreaterThanOrEqual(low - 1e-9);
          expect(eachKg).toBeLessThanOrEqual(low * spread + 1e-9);
          if (pieces > 1) expect((pieces - 1) * low).toBeLessThan(kg);
        },
      ),
    );
  });
});

describe('what is on hand', () => {
  const batch = batchOf('pork-butt', 4);
  const need = only(batch);

  it('is over or short of the need, and by how much at the lightest and heaviest the shop sells', () => {
    const supply = supplyOf(need, batch);
    const usualKg = batch.pieces[0]!.kg;
    expect(supply.overShare).toBeCloseTo((4 * usualKg) / need.trimmedKg - 1, 9);
    // 7 to 10 lb bought, 6 % trimmed away.
    expect(supply.overRange[0]).toBeCloseTo((4 * 7 * LB * 0.94) / need.trimmedKg - 1, 9);
    expect(supply.overRange[1]).toBeCloseTo((4 * 10 * LB * 0.94) / need.trimmedKg - 1, 9);
    expect(supply.weighed).toBe(0);
  });

  it('follows the scale', () => {
    const weighed = { ...batch, pieces: batch.pieces.map((piece) => ({ ...piece, kg: 3.5, boughtKg: 4, trimmedKg: 3.5 })) };
    expect(supplyOf(need, weighed)).toMatchObject({ boughtKg: 16, trimmedKg: 14, weighed: 4 });
    expect(supplyOf(need, weighed).overRange[0]).toBeCloseTo(supplyOf(need, weighed).overRange[1], 9);
  });

  it('costs its price less the worth of kept trim, by the portion', () => {
    const bought = { ...batch, buying: { pricePerKg: 5, usableTrimShare: 0.5, usableTrimPerKg: 4 } };
    const weighed = { ...bought, pieces: bought.pieces.map((piece) => ({ ...piece, kg: 3.5, boughtKg: 4, trimmedKg: 3.5 })) };
    const cost = costOf(need, supplyOf(need, weighed), cutIn(SHIPPED_LIBRARY, 'pork-butt')!, weighed)!;
    // 16 kg at 5 = 80; 2 kg of trim, half kept, worth 4.
    expect(cost).toMatchObject({ paid: 80, usableTrimKg: 1, usableTrimWorth: 4, net: 76 });
    expect(cost.perPortion).toBeCloseTo(76 / 60, 9);
  });

  it('compares cuts by cost and by rack for the same plate', () => {
    const rows = compareCuts(need, [findCut('pork-butt')!, findCut('pork-collar')!], pieceSize);
    const butt = rows.find((row) => row.cutId === 'pork-butt')!;
    // A middle butt is 3.856 kg; 0.94 x 0.58 of it is eaten, 197.5 g a head.
    const perPiece = (((8.5 * LB * 0.94 * 0.58) as number) * 1000) / 197.5;
    expect(butt.boughtKgPerPortion).toBeCloseTo((8.5 * LB) / perPiece, 9);
    expect(butt.costPerPortion).toBeCloseTo((8.5 * LB * 5.5) / perPiece, 9);
    const size = pieceSize(findCut('pork-butt')!, 8.5 * LB * 0.94);
    expect(butt.rackMm2PerPortion).toBeCloseTo(((size.lengthMm + 25) * (size.widthMm + 25)) / perPiece, 6);
    expect(rows[0]!.costPerPortion!).toBeLessThanOrEqual(rows[1]!.costPerPortion!);
  });
});

describe('trim loss', () => {
  const brisket = findCut('brisket-whole')!;
  it('is learned from the scale, drawn to the usual while pieces are few', () => {
    // Two pieces of 7 kg that lost 1.4 each: 0.20, between that and 0.22 at 2 : 3.
    const learned = learnTrim(brisket, [{ boughtKg: 7, trimmedKg: 5.6 }, { boughtKg: 7, trimmedKg: 5.6 }, { boughtKg: 7 }])!;
    expect(learned.pieces).toBe(2);
    expect(learned.measuredShare).toBeCloseTo(0.2, 9);
    expect(learned.learnedShare).toBeCloseTo((2 * 0.2 + 3 * 0.22) / 5, 9);
    expect(learnTrim(brisket, [{ boughtKg: 7 }])).toBeUndefined();
  });

  it('changes the cut it was learned for and no other', () => {
    const { library } = withLearnedTrim(SHIPPED_LIBRARY, [{ cutId: 'brisket-whole', boughtKg: 7, trimmedKg: 4.9 }]);
    expect(cutIn(library, 'brisket-whole')!.trimShare).toBeCloseTo((0.3 + 0.66) / 4, 9);
    expect(cutIn(library, 'pork-butt')).toEqual(findCut('pork-butt'));
  });

  it('gives the weight that cooks: the trimmed, else the bought less trim, else the usual', () => {
    expect(workingKg({ boughtKg: 7, trimmedKg: 5.5 }, 0.22, 5.66)).toBe(5.5);
    expect(workingKg({ boughtKg: 7 }, 0.22, 5.66)).toBeCloseTo(5.46, 9);
    expect(workingKg({}, 0.22, 5.66)).toBe(5.66);
  });
});

describe('a second dish', () => {
  it('has the helping its owner gives it', () => {
    const second = { name: 'Rolls', servingId: 'supper', portionG: 80 };
    const [main, rolls] = only(batchOf('pork-butt', 1, { second })).dishes;
    expect(rolls).toMatchObject({ gramsPerPortion: 80, byOwner: true });
    expect(main!.byOwner).toBe(false);
  });
});
