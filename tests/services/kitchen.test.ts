import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_KITCHEN, RECIPES, type CookEvent } from '../../src/core/model';
import { briefOf } from '../../src/document';
import type { BriefInput, BuyingInput, KitchenInput, PrepInput } from '../../src/inputs';
import { loadEvent } from '../../src/persistence';
import * as services from '../../src/services';
import type { Context } from '../../src/services';
import { codes, must, openContext } from '../fixtures/context';
import { editAs } from '../fixtures/edits';

const NOW_MS = Date.parse('2027-05-01T12:00:00Z');
let context: Context;
let close: () => Promise<void>;
let event: CookEvent;

const edit = (form: Parameters<typeof editAs>[2], typed: object) => editAs(context, event.id, form, typed);
const piece = (i = 0) => event.batches[0]!.pieces[i]!;

beforeEach(async () => {
  ({ context, close } = await openContext(NOW_MS));
  must(
    await services.savePit(context, {
      id: 'pit',
      name: 'Offset',
      kind: 'offset',
      smoke: true,
      rangeC: [105, 165],
      warmUpMin: 60,
      openingDropC: 18,
      recoverMin: 9,
      racks: [{ id: 'r', name: 'main', widthMm: 1200, depthMm: 500, clearanceMm: 250, maxKg: 60, level: 1 }],
    }),
  );
  must(await services.saveBox(context, { id: 'box', name: 'Box', litres: 110, lossWPerK: 0.7 }));
  const made = must(
    await services.createEvent(context, {
      name: 'Supper',
      place: '',
      timeZone: 'America/Halifax',
      date: '2027-06-19',
      time: '18:00',
      adults: 40,
      children: 0,
    }),
  );
  event = made;
  event = must(await edit('saveBrief', brief(made)));
});
afterEach(() => close());

function brief(of: CookEvent, change: object = {}): BriefInput {
  const whole = briefOf(of);
  const batches = [
    {
      id: 'pork',
      servingId: of.servings[0]!.id,
      cutId: 'pork-butt',
      methodId: 'low-paper',
      label: '',
      sizedBy: 'guests' as const,
      pieces: [
        { id: 'p1', kg: 3.6 },
        { id: 'p2', kg: 3.6 },
      ],
    },
  ];
  return { ...whole, servings: [{ ...whole.servings[0]!, batches, ...change }] };
}
const buying = (change: Partial<BuyingInput> = {}): BuyingInput => ({
  batchId: 'pork',
  source: ' Harbour Meats ',
  grade: 'choice',
  pricePerKg: 6,
  shopKg: [3, 4.5],
  usableTrimShare: 0.5,
  usableTrimPerKg: 4,
  wood: 'apple',
  ...change,
});
const prep = (change: Partial<PrepInput> = {}): PrepInput => ({
  batchId: 'pork',
  thaw: 'fresh',
  salt: 'on',
  brine: 'none',
  temperMin: 0,
  undersideLight: false,
  recipes: { rub: 'rub-harbour' },
  ...change,
});
const kitchen = (change: Partial<KitchenInput> = {}): KitchenInput => ({
  ...DEFAULT_KITCHEN,
  currency: 'EUR',
  fridgeLitres: 300,
  tubLitres: 60,
  prepCrew: 2,
  carvers: 2,
  fromHour: 8,
  toHour: 20,
  ...change,
});

describe('weights from the scale', () => {
  it('become what cooks: trimmed, else bought less trim; and the guests no longer change the pieces', async () => {
    const pieces = [
      { id: 'p1', boughtKg: 4, trimmedKg: 3.7, thicknessMm: 125 },
      { id: 'p2', boughtKg: 4 },
    ];
    event = must(await edit('saveWeights', { batchId: 'pork', pieces }));
    expect(event.batches[0]).toMatchObject({ sizedBy: 'hand' });
    expect(piece(0)).toMatchObject({ kg: 3.7, boughtKg: 4, trimmedKg: 3.7, thicknessMm: 125 });
    expect(piece(1).kg).toBeCloseTo(4 * 0.94, 6);
    expect(JSON.parse(JSON.stringify(await loadEvent(event.id)))).toEqual(JSON.parse(JSON.stringify(event)));
  });

  it('are refused at their field when they cannot be, with nothing changed', async () => {
    const outcome = await edit('saveWeights', {
      batchId: 'pork',
      pieces: [
        { id: 'p1', boughtKg: 4, trimmedKg: 4.2 },
        { id: 'p2', boughtKg: 50 },
      ],
    });
    expect(codes(outcome)).toEqual(['trimmedOverBought@pieces.0.trimmedKg', 'pieceTooHeavy@pieces.1.boughtKg']);
    expect((await loadEvent(event.id))!.revision).toBe(event.revision);
    expect(codes(await edit('saveWeights', { batchId: 'nobody', pieces: [] }))).toEqual(['batchGone']);
  });

  it('stay with the pieces when the brief is saved again, unless the brief changes them', async () => {
    event = must(await edit('saveWeights', { batchId: 'pork', pieces: [{ id: 'p1', boughtKg: 4, trimmedKg: 3.7 }] }));
    event = must(await edit('saveBrief', briefOf(event)));
    expect(piece(0)).toMatchObject({ kg: 3.7, boughtKg: 4, trimmedKg: 3.7 });
    const typed = briefOf(event);
    typed.servings[0]!.batches[0]!.pieces = [{ ...piece(0), kg: 3.2 }];
    event = must(await edit('saveBrief', typed));
    expect(piece(0)).toMatchObject({ kg: 3.2, boughtKg: 4, trimmedKg: 3.2 });
  });

  it('teach the trim of the cut to every event', async () => {
    must(
      await edit('saveWeights', {
        batchId: 'pork',
        pieces: [
          { id: 'p1', boughtKg: 4, trimmedKg: 3.4 },
          { id: 'p2', boughtKg: 4, trimmedKg: 3.4 },
        ],
      }),
    );
    const { learned, input } = (await services.planEvent(context, event.id))!;
    expect(learned).toMatchObject([{ cutId: 'pork-butt', pieces: 2, usualShare: 0.06 }]);
    expect(learned[0]!.measuredShare).toBeCloseTo(0.15, 9);
    expect(input.library.cuts.find((cut) => cut.id === 'pork-butt')!.trimShare).toBeCloseTo((2 * 0.15 + 3 * 0.06) / 5, 9);
    must(await services.deleteEvent(context, event.id));
    const other = must(
      await services.createEvent(context, {
        name: 'Next',
        place: '',
        timeZone: 'America/Halifax',
        date: '2027-07-01',
        time: '18:00',
        adults: 10,
        children: 0,
      }),
    );
    expect((await services.planEvent(context, other.id))!.learned).toEqual([]);
  });
});

describe('buying', () => {
  it('sizes the pieces that follow the guests to the weights the shop sells', async () => {
    event = must(await edit('saveBuying', buying({ shopKg: [2, 2.4] })));
    // 44 portions of 197.5 g, yield 0.58, trim 0.06: 15.9 kg, seven of 2.28.
    expect(event.batches[0]!.pieces).toHaveLength(7);
    expect(event.batches[0]!.buying).toMatchObject({ source: 'Harbour Meats', shopKg: [2, 2.4] });
    expect(codes(await edit('saveBuying', buying({ shopKg: [5, 4.5] })))).toEqual(['range@shopKg']);
  });

  it('notes what came, and ticks off the list', async () => {
    event = must(
      await edit('saveReceipt', {
        batchId: 'pork',
        coreC: 3,
        packWhole: true,
        colourGood: true,
        fatEven: false,
        note: ' fine ',
      }),
    );
    expect(event.batches[0]!.received).toEqual({ coreC: 3, packWhole: true, colourGood: true, fatEven: false, note: 'fine' });
    const ticked = async (itemId: string, on: boolean) => must(await edit('tickItem', { itemId, ticked: on })).ticked;
    expect(await ticked('Dry store/coarse salt', true)).toEqual(['Dry store/coarse salt']);
    expect(await ticked('Kit/drip pans', true)).toHaveLength(2);
    expect(await ticked('Dry store/coarse salt', false)).toEqual(['Kit/drip pans']);
  });
});

describe('prep and kitchen', () => {
  it('keeps every choice and what is done, and moves the plan', async () => {
    event = must(await edit('savePrep', prep({ salt: 'night', temperMin: 30, recipes: { rub: 'rub-pepper' } })));
    event = must(await edit('markStep', { batchId: 'pork', kind: 'salt', done: true }));
    event = must(await edit('savePrep', prep({ salt: 'night', temperMin: 45, recipes: { rub: 'rub-pepper' } })));
    expect(event.batches[0]!.prep).toMatchObject({ salt: 'night', temperMin: 45, done: ['salt'] });
    const { plan } = (await services.planEvent(context, event.id))!;
    expect(plan.prep.map((step) => [step.kind, step.done])).toEqual([
      ['trim', false],
      ['salt', true],
      ['rub', false],
      ['temper', false],
    ]);
    expect(plan.tasks.some((task) => task.kind === 'salt')).toBe(false);
    event = must(await edit('markStep', { batchId: 'pork', kind: 'salt', done: false }));
    expect(event.batches[0]!.prep!.done).toEqual([]);
  });

  it('refuses a recipe that is not there, or of another kind', async () => {
    expect(codes(await edit('savePrep', prep({ recipes: { rub: 'brine-tide', glaze: 'nothing' } })))).toEqual([
      'recipeGone@recipes.rub',
      'recipeGone@recipes.glaze',
    ]);
    expect(codes(await edit('savePrep', prep({ brine: 'timed' })))).toEqual(['brineWithoutRecipe@recipes.brine']);
  });

  it('knows when the meat comes, by the clock of the place', async () => {
    event = must(await edit('saveKitchen', kitchen({ deliverDate: '2027-06-17', deliverTime: '09:30' })));
    expect(event.kitchen!.deliverAtMs).toBe(Date.parse('2027-06-17T09:30:00-03:00'));
    expect(event.currency).toBe('EUR');
    expect(codes(await edit('saveKitchen', kitchen({ deliverDate: '2027-06-20' })))).toEqual(['deliveryAfterServing@deliverDate']);
    expect(codes(await edit('saveKitchen', kitchen({ fromHour: 20, toHour: 8 })))).toEqual(['hoursReversed@toHour']);
    expect(codes(await edit('saveKitchen', kitchen({ deliverDate: '2027-02-31' })))).toEqual(['noSuchDate@deliverDate']);
  });

  it('weighs what is left, and takes the note away when nothing is', async () => {
    const leftover = (kg: number) => edit('saveLeftover', { batchId: 'pork', kg, portionThicknessMm: 40, way: 'ice' });
    expect(codes(await leftover(90))).toEqual(['moreLeftThanCooked@kg']);
    event = must(await leftover(1.2));
    expect(event.batches[0]!.leftover).toEqual({ kg: 1.2, portionThicknessMm: 40, way: 'ice' });
    event = must(await leftover(0));
    expect(event.batches[0]!.leftover).toBeUndefined();
  });
});

describe('safety', () => {
  it('loosens one value for one event with a reason, and not past the published figure', async () => {
    const loosen = (limit: number) => edit('loosenRule', { rule: 'hotHold', limit, reason: ' The department asks 57 ' });
    expect(codes(await loosen(50))).toEqual(['pastPublished@limit']);
    expect(codes(await loosen(60))).toEqual(['notLoosened@limit']);
    event = must(await loosen(57));
    expect(event.loosened).toEqual([{ rule: 'hotHold', limit: 57, reason: 'The department asks 57' }]);
    event = must(await edit('tightenRule', { rule: 'hotHold' }));
    expect(event.loosened).toEqual([]);
  });
});

describe('a copy', () => {
  it('takes the choices along, and nothing that belongs to its own day', async () => {
    event = must(await edit('savePrep', prep({ salt: 'night', recipes: { rub: 'rub-pepper' } })));
    event = must(await edit('saveKitchen', kitchen({ deliverDate: '2027-06-17' })));
    event = must(await edit('saveWeights', { batchId: 'pork', pieces: [{ id: 'p1', boughtKg: 4, trimmedKg: 3.7 }] }));
    event = must(await edit('markStep', { batchId: 'pork', kind: 'trim', done: true }));
    event = must(await edit('loosenRule', { rule: 'hotHold', limit: 57, reason: 'The department asks 57' }));
    event = must(await edit('tickItem', { itemId: 'Kit/drip pans', ticked: true }));
    event = must(await services.settlePlan(context, { eventId: event.id, iterations: 1 }));
    const copy = must(await services.duplicateEvent(context, event.id));
    expect(copy.batches[0]!.prep).toMatchObject({ salt: 'night', done: [] });
    expect(copy.kitchen).toMatchObject({ fridgeLitres: 300 });
    expect(copy.kitchen!.deliverAtMs).toBeUndefined();
    expect(copy.batches[0]!.pieces[0]).toEqual({ id: 'p1', kg: 3.7 });
    expect([copy.baseline, copy.ticked, copy.loosened]).toEqual([undefined, undefined, undefined]);
  });
});

describe('recipes', () => {
  it('are kept, refused when an ingredient stands twice, and put back', async () => {
    const [shipped] = RECIPES;
    must(await services.saveRecipe(context, { ...shipped!, name: ' Mine ', ingredients: shipped!.ingredients }));
    expect((await services.readLibrary(context)).library.recipes[0]!.name).toBe('Mine');
    const twice = { ...shipped!, ingredients: [...shipped!.ingredients, { ...shipped!.ingredients[0]!, name: 'Water ' }] };
    expect(codes(await services.saveRecipe(context, twice))).toEqual(['ingredientTwice@ingredients.4.name']);
    must(await services.restoreEntry(context, 'recipe', shipped!.id));
    expect((await services.readLibrary(context)).library.recipes[0]).toEqual(shipped);
  });

  it('of one’s own stay while an event uses them', async () => {
    must(await services.saveRecipe(context, { ...RECIPES.find((recipe) => recipe.kind === 'rub')!, id: 'own-rub', name: 'Own' }));
    event = must(await edit('savePrep', prep({ recipes: { rub: 'own-rub' } })));
    expect(codes(await services.restoreEntry(context, 'recipe', 'own-rub'))).toEqual(['libraryInUse']);
    event = must(await edit('savePrep', prep()));
    must(await services.restoreEntry(context, 'recipe', 'own-rub'));
  });
});

describe('the brief', () => {
  it('refuses shares over the whole, recipes and servings that are not there', async () => {
    const batch = brief(event).servings[0]!.batches[0]!;
    const over = brief(event, {
      batches: [
        { ...batch, share: 0.7 },
        { ...batch, id: 'b2', pieces: [{ id: 'q', kg: 3 }], share: 0.6 },
      ],
    });
    expect(codes(await edit('saveBrief', over))).toEqual(['sharesOverWhole@servings.0.batches.0.share']);
    const side = { id: 's', kind: 'sauce', name: 'S', gPerHead: 40, chilled: false, carries: [], recipeId: 'nothing' };
    expect(codes(await edit('saveBrief', brief(event, { sides: [side] })))).toEqual(['recipeGone@servings.0.sides.0.recipeId']);
    const second = { name: 'Rolls', servingId: 'nowhere' };
    expect(codes(await edit('saveBrief', brief(event, { batches: [{ ...batch, second }] })))).toEqual([
      'servingGone@batches.0.second.servingId',
    ]);
  });

  it('keeps margin, sides, needs, shares and second dishes', async () => {
    const batch = brief(event).servings[0]!.batches[0]!;
    const sides = [{ id: 's', kind: 'side' as const, name: 'Slaw', gPerHead: 100, chilled: true, carries: ['celery' as const] }];
    const needs = [{ carried: 'milk' as const, guests: 2 }];
    const second = { name: 'Rolls', servingId: event.servings[0]!.id, share: 0.3 };
    event = must(
      await edit(
        'saveBrief',
        brief(event, { marginShare: 0.05, highlySusceptible: true, sides, needs, batches: [{ ...batch, share: 0.6, second }] }),
      ),
    );
    const kept = (await loadEvent(event.id))!;
    expect(kept.servings[0]).toMatchObject({ marginShare: 0.05, highlySusceptible: true, sides, needs });
    expect(kept.batches[0]).toMatchObject({ share: 0.6, second });
  });
});
