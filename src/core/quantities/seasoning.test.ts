import { describe, expect, it } from 'vitest';
import { batchOf, eventOf } from '../../../tests/fixtures/events';
import { CUTS, findCut, METHODS, recipeIn, RECIPES, recipesWith, SHIPPED_LIBRARY, typicalTrimmedKg, type Prep } from '../model';
import {
  batchContents,
  carriedIn,
  BRINE,
  brineFor,
  brineHours,
  coldThawMin,
  iceFor,
  needConflicts,
  saltG,
  scaleRecipe,
  seasoningOf,
  sideContents,
  waterThawMin,
} from './index';
import { rubG, saltShareOf, surfaceCm2 } from './seasoning';

const recipe = (id: string) => recipeIn(SHIPPED_LIBRARY, id)!;
const prep = (change: Partial<Prep>) => ({ prep: change });

describe('the rub', () => {
  it('covers a brisket at 0.07 g/cm2, the underside half by the light school', () => {
    // A brisket of its reference shape: 42 x 25 x 7.5 cm, fill 0.72, 1.05 kg a litre.
    const brisket = findCut('brisket-whole')!;
    const piece = { id: 'x', kg: 42 * 25 * 7.5 * 0.72 * 1.05e-3 };
    const rounding = 0.72 ** (2 / 3);
    const all = 2 * (42 * 25 + 42 * 7.5 + 25 * 7.5) * rounding;
    expect(surfaceCm2(brisket, piece).allCm2).toBeCloseTo(all, 6);
    expect(rubG(brisket, piece, { undersideLight: false })).toBeCloseTo(0.07 * all, 6);
    expect(rubG(brisket, piece, { undersideLight: true })).toBeCloseTo(0.07 * (all - 42 * 25 * rounding * 0.5), 6);
  });

  it('is 20 to 25 g for a squared rack by a light hand, 60 to 80 g by a heavy one; herbs on birds are few', () => {
    const rack = findCut('spare-ribs-squared')!;
    const grams = (rubWeight?: Prep['rubWeight']) =>
      rubG(rack, { id: 'x', kg: typicalTrimmedKg(rack) }, { undersideLight: false, rubWeight });
    expect(grams('light')).toBeGreaterThan(19);
    expect(grams('light')).toBeLessThan(26);
    expect(grams('heavy')).toBeGreaterThan(60);
    expect(grams('heavy')).toBeLessThan(80);
    expect(grams()).toBe(grams('usual'));
    // Twenty kilograms of halves: a jar of rub, not three.
    const halves = batchOf('chicken-half', 20);
    const { uses } = seasoningOf(halves, findCut('chicken-half')!, undefined, SHIPPED_LIBRARY, 0);
    const rub = uses.find((use) => use.kind === 'rub')!;
    expect(rub.kg / halves.pieces.reduce((sum, piece) => sum + piece.kg, 0)).toBeLessThan(0.02);
  });

  it('is half as much again for a second layer, and a little more to top up', () => {
    const kg = (change: Partial<Prep>) => {
      const batch = batchOf('brisket-whole', 2, prep({ recipes: { rub: 'rub-pepper' }, ...change }));
      return seasoningOf(batch, findCut('brisket-whole')!, undefined, SHIPPED_LIBRARY, 0).uses.find((use) => use.kind === 'rub')!.kg;
    };
    expect(kg({ layerMin: 30 }) / kg({})).toBeCloseTo(1.5, 9);
    expect(kg({ layerMin: 30, topUp: true }) / kg({})).toBeCloseTo(1.65, 9);
  });

  it('says of a bird that is neither brined nor salted that it has no salt', () => {
    const says = (change: Partial<Prep>) =>
      seasoningOf(batchOf('chicken-half', 2, prep(change)), findCut('chicken-half')!, undefined, SHIPPED_LIBRARY, 0).unsalted;
    expect(says({ salt: 'none', recipes: { rub: 'rub-thyme' } })).toBe(saltShareOf(recipe('rub-thyme')) === 0);
    expect(says({ salt: 'none', recipes: {} })).toBe(true);
    expect(says({ salt: 'night', recipes: {} })).toBe(false);
    expect(says({ salt: 'none', brine: 'timed', recipes: { brine: 'brine-tide' } })).toBe(false);
  });

  it('knows how much of a recipe is salt, and scales it', () => {
    expect(saltShareOf(recipe('rub-lantern'))).toBe(0.5);
    expect(scaleRecipe(recipe('rub-lantern'), 0.3)).toEqual([
      { name: 'coarse salt', store: 'dry', kg: 0.15 },
      { name: 'black pepper, coarse', store: 'dry', kg: 0.15 },
    ]);
    for (const each of RECIPES) expect(scaleRecipe(each, 2).reduce((sum, part) => sum + part.kg, 0)).toBeCloseTo(2, 9);
  });
});

describe('salt', () => {
  it('is 9 g a kilogram, 6 on ribs', () => {
    expect(saltG(findCut('brisket-whole')!, 5)).toBe(45);
    expect(saltG(findCut('spare-ribs')!, 5)).toBe(30);
  });

  it('is counted together with the rub’s, so that twice is seen', () => {
    const salted = batchOf('brisket-whole', 1, prep({ salt: 'night', recipes: { rub: 'rub-lantern' } }));
    const { drySaltKg, surfaceSaltShare, saltedTwice, uses } = seasoningOf(
      salted,
      findCut('brisket-whole')!,
      METHODS[1],
      SHIPPED_LIBRARY,
      0,
    );
    const [kg] = salted.pieces.map((piece) => piece.kg);
    expect(saltedTwice).toBe(true);
    expect(drySaltKg).toBeCloseTo(kg! * 0.009, 9);
    expect(surfaceSaltShare).toBeCloseTo((kg! * 0.009 + uses.find((use) => use.kind === 'rub')!.kg * 0.5) / kg!, 9);
  });
});

describe('a wet brine', () => {
  it('is 1.1 litres a kilogram at 55 g a litre, in a tub that takes the meat too', () => {
    const batch = batchOf('chicken-half', 10);
    const kg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
    const brine = brineFor(batch, findCut('chicken-half')!, recipe('brine-tide'), 'timed');
    expect(brine.litres).toBeCloseTo(1.1 * kg, 9);
    expect(brine.saltKg).toBeCloseTo(0.055 * 1.1 * kg, 9);
    expect(brine.tubLitres).toBeCloseTo((1.1 * kg + kg / 1.05) * 1.15, 9);
    expect(brine.mixKg).toBeCloseTo(1.1 * kg * (1 + 0.055 + 0.021), 9);
  });

  it('to balance is 1.2 % of meat and water, for a day', () => {
    const batch = batchOf('turkey-whole', 1);
    const [piece] = batch.pieces;
    const brine = brineFor(batch, findCut('turkey-whole')!, recipe('brine-tide'), 'balance');
    expect(brine.saltKg).toBeCloseTo(0.012 * (piece!.kg + 1.1 * piece!.kg), 9);
    expect(brine.hours).toBe(24);
  });

  it('takes longer the thicker the flesh, between 4 and 12 h', () => {
    expect(brineHours(findCut('chicken-half')!, 50)).toBe(4);
    expect(brineHours(findCut('turkey-breast-boneless')!, 65)).toBeCloseTo(4 * (0.95 * 1.3) ** 2, 9);
    expect(brineHours(findCut('turkey-whole')!, 140)).toBe(12);
    expect(brineHours(findCut('chicken-thigh')!, 26)).toBe(4);
  });

  it('is cold enough once the ice has melted: the heat given and taken balances', () => {
    const ice = iceFor(20);
    const mixedC = BRINE.hotShare * BRINE.hotC + (1 - BRINE.hotShare) * BRINE.tapC;
    const given = (20 - ice) * 4.19 * (mixedC - 4);
    const taken = ice * (334 + 4.19 * 4);
    expect(given).toBeCloseTo(taken, 6);
    expect(ice).toBeGreaterThan(4);
    expect(ice).toBeLessThan(8);
  });
});

describe('thawing', () => {
  it('takes 24 h for each 1.8 to 2.3 kg in the cold', () => {
    expect(coldThawMin(1.8).usualMin).toBe(1440);
    expect(coldThawMin(4.6).leastMin).toBeCloseTo(2880, 9);
  });

  it('takes half an hour a pound under water, and at most 4 h', () => {
    expect(waterThawMin(2 * 0.45359237).minutes).toBeCloseTo(60, 9);
    expect(waterThawMin(3.6).allowed).toBe(true);
    expect(waterThawMin(4).allowed).toBe(false);
  });
});

describe('what food carries', () => {
  it('comes from the meat and from every recipe in use, and from no other', () => {
    const ribs = batchOf('spare-ribs', 1, {
      methodId: 'ribs-bare',
      ...prep({ recipes: { rub: 'rub-harbour', binder: 'binder-oil', wrap: 'wrap-honey', brine: 'brine-tide' } }),
    });
    expect(carriedIn(batchContents(ribs, SHIPPED_LIBRARY))).toEqual(['celery', 'mustard', 'pork']);
    // In foil the wrap's butter reaches it.
    const wrapped = { ...ribs, methodId: 'ribs-middle' };
    expect(batchContents(wrapped, SHIPPED_LIBRARY).carries.find((each) => each.carried === 'milk')!.from).toEqual(['Butter and honey']);
    const thigh = batchOf('chicken-thigh', 1);
    expect(batchContents(thigh, SHIPPED_LIBRARY)).toEqual({ carries: [], undeclared: [] });
  });

  it('is held against the guests who do not eat it', () => {
    const event = eventOf([batchOf('spare-ribs', 1), batchOf('chicken-half', 2)]);
    const side = {
      id: 's',
      kind: 'sauce' as const,
      name: 'Sauce',
      gPerHead: 40,
      chilled: false,
      recipeId: 'sauce-buoy',
      carries: ['soy' as const],
    };
    const [serving] = event.servings;
    const asked = { ...event, servings: [{ ...serving!, sides: [side], needs: [{ carried: 'mustard' as const, guests: 2 }] }] };
    const [conflict] = needConflicts(asked, SHIPPED_LIBRARY);
    expect(conflict).toMatchObject({ carried: 'mustard', guests: 2, free: 1 });
    expect(conflict!.dishes.map((dish) => dish.id)).toEqual(['spare-ribs', 's']);
    expect(carriedIn(sideContents(side, SHIPPED_LIBRARY))).toEqual(['egg', 'soy', 'mustard', 'sulphites']);
  });

  it('is never taken for free of anything while it is not declared', () => {
    const beans = batchOf('pan-dish', 1, { id: 'pan', label: 'Mac and cheese' });
    expect(batchContents(beans, SHIPPED_LIBRARY)).toEqual({ carries: [], undeclared: ['Mac and cheese'] });
    const own = { ...recipe('rub-lantern'), id: 'own', name: 'House rub', declared: false };
    const library = { ...SHIPPED_LIBRARY, recipes: [...SHIPPED_LIBRARY.recipes, own] };
    const ribs = batchOf('spare-ribs', 1, prep({ recipes: { rub: 'own' } }));
    const rolls = { id: 'rolls', kind: 'bread' as const, name: 'Rolls', gPerHead: 60, chilled: false };
    const event = eventOf([beans, ribs, batchOf('chicken-half', 1)]);
    const [serving] = event.servings;
    const needs = [
      { carried: 'milk' as const, guests: 1 },
      { carried: 'pork' as const, guests: 2 },
    ];
    const asked = { ...event, servings: [{ ...serving!, sides: [rolls], needs }] };
    const [milk, pork] = needConflicts(asked, library);
    expect(milk).toMatchObject({ dishes: [], free: 1 });
    expect(milk!.undeclared).toEqual([
      { id: 'pan', names: ['Mac and cheese'] },
      { id: 'spare-ribs', names: ['House rub'] },
      { id: 'rolls', names: ['Rolls'] },
    ]);
    // What is known to carry it is told as carrying it, declared or not.
    expect(pork).toMatchObject({ dishes: [{ id: 'spare-ribs' }], free: 1 });
    // Declared to carry nothing is another thing than not declared.
    const declared = {
      ...asked,
      batches: [{ ...beans, carries: [] }],
      servings: [{ ...serving!, sides: [{ ...rolls, carries: [] }], needs }],
    };
    expect(needConflicts(declared, library)[0]).toMatchObject({ dishes: [], undeclared: [], free: 2 });
  });

  it('stays with the owner’s own recipes', () => {
    const own = { ...recipe('rub-lantern'), name: 'Mine' };
    const added = { ...own, id: 'own' };
    const all = recipesWith([added, own]);
    expect(all.find((each) => each.id === 'rub-lantern')!.name).toBe('Mine');
    expect(all.at(-1)).toBe(added);
  });
});

it('gives every cut its trimming minutes', () => {
  expect(CUTS.filter((cut) => cut.trimMin === undefined)).toEqual([]);
  expect(findCut('brisket-flat')!.trimMin).toBe(15);
  expect(findCut('pork-butt')!.trimMin).toBe(5);
  expect(findCut('spare-ribs')!.trimMin).toBe(4);
  expect(findCut('beef-cheek')!.trimMin).toBe(6);
  expect(findCut('chicken-half')!.trimMin).toBe(3);
});

describe('a mop', () => {
  it('is made for the times it lies open, and none for a pit that stays shut', () => {
    const kg = (methodId: string) =>
      seasoningOf(
        batchOf('pork-butt', 3, prep({ recipes: { mop: RECIPES.find((each) => each.kind === 'mop')!.id } })),
        findCut('pork-butt')!,
        METHODS.find((method) => method.id === methodId),
        SHIPPED_LIBRARY,
        0,
      ).uses.find((use) => use.kind === 'mop')?.kg;
    expect(kg('sprayed')).toBeCloseTo(3 * 4 * 0.04, 9);
    expect(kg('over-coals')).toBeCloseTo(3 * 5 * 0.04, 9);
    expect(kg('low-paper')).toBeUndefined();
  });
});
