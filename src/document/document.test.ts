import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../tests/fixtures/events';
import { wholeEvent } from '../../tests/fixtures/wholeEvents';
import { diffOf, applyChanges, reversed } from '../core/edits';
import { DEFAULT_KITCHEN, SHIPPED_LIBRARY, type CookEvent } from '../core/model';
import type { Outcome } from '../core/outcome';
import { localDate, localTime } from '../formats/clock';
import type { EditFacts } from './edit';
import * as edits from './index';
import { planInputFor } from './planInputFor';

const HOUR = 3_600_000;
const event = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 3), batchOf('spare-ribs', 4)], {
  pitIds: ['offset', 'oven'],
  boxIds: ['box'],
});
let ids = 0;
const facts: EditFacts = {
  library: SHIPPED_LIBRARY,
  equipment: { pits: [OFFSET, OVEN], boxes: [BOX], warmers: [], probes: [], crew: [] },
  nowMs: SUPPER_MS - 48 * HOUR,
  newId: () => `new-${++ids}`,
};
const must = (outcome: Outcome<CookEvent>): CookEvent => {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
};
const refused = (outcome: Outcome<CookEvent>): string[] =>
  outcome.ok ? [] : outcome.problems.map(({ code, path }) => (path ? `${code} at ${path}` : code));
const batch = (of: CookEvent, id: string) => of.batches.find((each) => each.id === id)!;

describe('the brief of an event', () => {
  it('changes nothing when it is saved as it stands, whatever the event holds', () => {
    fc.assert(
      fc.property(wholeEvent, ({ event: whole, library, equipment }) => {
        const same = edits.saveBrief(whole, edits.briefOf(whole), { ...facts, library, equipment, nowMs: 0 });
        // Chance draws servings that nobody comes to, and shares over the whole: those the brief refuses as ever.
        fc.pre(same.ok);
        expect(JSON.parse(JSON.stringify(must(same)))).toEqual(JSON.parse(JSON.stringify(whole)));
      }),
      { numRuns: 60, seed: 11, maxSkipsPerRun: 20 },
    );
  });

  it('moves a serving to the clock time that was typed, in the zone that was typed', () => {
    const brief = edits.briefOf(event);
    const later = must(edits.saveBrief(event, { ...brief, servings: [{ ...brief.servings[0]!, time: '19:30' }] }, facts));
    expect(later.servings[0]!.atMs - SUPPER_MS).toBe(1.5 * HOUR);
    const elsewhere = must(edits.saveBrief(event, { ...brief, timeZone: 'America/Vancouver' }, facts));
    expect(elsewhere.servings[0]!.atMs - SUPPER_MS).toBe(4 * HOUR);
    expect(localTime(elsewhere.servings[0]!.atMs, 'America/Vancouver')).toBe('18:00');
  });

  it('refuses what cannot be, each at its field', () => {
    const brief = edits.briefOf(event);
    const [serving] = brief.servings;
    const withServing = (change: object) => edits.saveBrief(event, { ...brief, servings: [{ ...serving!, ...change }] }, facts);
    expect(refused(withServing({ date: '2027-06-01' }))).toEqual(['servingInPast at servings.0.date']);
    expect(refused(withServing({ date: '2027-02-30' }))).toEqual(['noSuchDate at servings.0.date']);
    expect(refused(withServing({ date: '2028-03-12', time: '02:30' }))).toEqual(['clockSkipsIt at servings.0.time']);
    expect(refused(withServing({ guests: { adults: 0, children: 0, heartyShare: 0 } }))).toEqual(['noGuests at servings.0.guests.adults']);
    const shares = serving!.batches.map((each) => ({ ...each, share: 0.5 }));
    expect(refused(withServing({ batches: shares }))).toEqual(['sharesOverWhole at servings.0.batches.0.share']);
  });

  it('lets go of what was bought and readied for another cut under the same line', () => {
    const bought = must(
      edits.saveReceipt(event, { batchId: 'pork-butt', packWhole: true, colourGood: true, fatEven: true, note: 'x' }, facts),
    );
    const brief = edits.briefOf(bought);
    const swap = (cutId: string) =>
      must(
        edits.saveBrief(
          bought,
          {
            ...brief,
            servings: brief.servings.map((serving) => ({
              ...serving,
              batches: serving.batches.map((each) => (each.id === 'pork-butt' ? { ...each, cutId } : each)),
            })),
          },
          facts,
        ),
      );
    expect(batch(swap('pork-butt'), 'pork-butt').received).toMatchObject({ packWhole: true });
    expect(batch(swap('lamb-shoulder'), 'pork-butt').received).toBeUndefined();
  });

  it('knows where on its form something of the event stands', () => {
    const two = eventOf([batchOf('brisket-whole', 1, { servingId: 'lunch' }), batchOf('pork-butt', 1), batchOf('spare-ribs', 1)]);
    two.servings.unshift({ ...two.servings[0]!, id: 'lunch', name: 'Lunch' });
    expect(edits.briefPath(two, 'batches.2.cutId')).toBe('servings.1.batches.1.cutId');
    expect(edits.briefPath(two, 'batches.0.pieces.0.kg')).toBe('servings.0.batches.0.pieces.0.kg');
    expect(edits.briefPath(two, 'servings.1.atMs')).toBe('servings.1.date');
    expect(edits.briefPath(two, 'batches.9.cutId')).toBe('batches.9.cutId');
  });
});

describe('weights and buying', () => {
  const [first, second] = batch(event, 'brisket-whole').pieces;
  const weigh = (pieces: object[]) => edits.saveWeights(event, { batchId: 'brisket-whole', pieces } as never, facts);

  it('cooks by the trimmed weight, else by the bought weight less the usual trim, and leaves other pieces alone', () => {
    const after = batch(must(weigh([{ id: first!.id, boughtKg: 7, trimmedKg: 5.2 }])), 'brisket-whole');
    expect(after).toMatchObject({ sizedBy: 'hand', pieces: [{ kg: 5.2, boughtKg: 7 }, { kg: second!.kg }] });
    const untrimmed = batch(must(weigh([{ id: first!.id, boughtKg: 7 }])), 'brisket-whole');
    const { trimShare } = SHIPPED_LIBRARY.cuts.find((cut) => cut.id === 'brisket-whole')!;
    expect(untrimmed.pieces[0]!.kg).toBeCloseTo(7 * (1 - trimShare), 2);
  });

  it('refuses a weight that was mistyped, and more trimmed than bought, at the cell', () => {
    expect(refused(weigh([{ id: first!.id, boughtKg: 70 }]))).toEqual(['pieceTooHeavy at pieces.0.boughtKg']);
    expect(refused(weigh([{ id: first!.id, boughtKg: 5, trimmedKg: 6 }]))).toEqual(['trimmedOverBought at pieces.0.trimmedKg']);
    expect(refused(edits.saveWeights(event, { batchId: 'gone', pieces: [] }, facts))).toEqual(['batchGone']);
  });

  it('ticks a line once, however often it is ticked', () => {
    const ticked = must(
      edits.tickItem(must(edits.tickItem(event, { itemId: 'a', ticked: true }, facts)), { itemId: 'a', ticked: true }, facts),
    );
    expect(ticked.ticked).toEqual(['a']);
    expect(must(edits.tickItem(ticked, { itemId: 'a', ticked: false }, facts)).ticked).toEqual([]);
  });
});

describe('kitchen, prep and service', () => {
  const kitchen = {
    ...DEFAULT_KITCHEN,
    currency: 'CAD' as const,
    fridgeLitres: 600,
    tubLitres: 80,
    prepCrew: 2,
    carvers: 1,
    fromHour: 7,
    toHour: 21,
  };

  it('keeps a delivery as an instant, and refuses one after the serving or in an hour that is not', () => {
    const day = localDate(SUPPER_MS - 24 * HOUR, event.timeZone);
    const saved = must(edits.saveKitchen(event, { ...kitchen, deliverDate: day, deliverTime: '08:15' }, facts));
    expect(localTime(saved.kitchen!.deliverAtMs!, event.timeZone)).toBe('08:15');
    expect(refused(edits.saveKitchen(event, { ...kitchen, deliverDate: '2027-06-20' }, facts))).toEqual([
      'deliveryAfterServing at deliverDate',
    ]);
    expect(refused(edits.saveKitchen(event, { ...kitchen, deliverDate: '2027-03-14', deliverTime: '02:30' }, facts))).toEqual([
      'clockSkipsIt at deliverTime',
    ]);
    expect(refused(edits.saveKitchen(event, { ...kitchen, toHour: 7 }, facts))).toEqual(['hoursReversed at toHour']);
  });

  it('marks a step as done and takes that back; steps done stay done when prep is chosen anew', () => {
    const done = must(edits.markStep(event, { batchId: 'pork-butt', kind: 'trim', done: true }, facts));
    expect(batch(done, 'pork-butt').prep!.done).toEqual(['trim']);
    const { done: _, ...choices } = batch(done, 'pork-butt').prep!;
    const chosen = must(edits.savePrep(done, { batchId: 'pork-butt', ...choices, temperedMin: 30 } as never, facts));
    expect(batch(chosen, 'pork-butt').prep).toMatchObject({ done: ['trim'], temperedMin: 30 });
    expect(refused(edits.savePrep(done, { batchId: 'pork-butt', ...choices, recipes: { rub: 'nowhere' } } as never, facts))).toEqual([
      'recipeGone at recipes.rub',
    ]);
    const undone = must(edits.markStep(done, { batchId: 'pork-butt', kind: 'trim', done: false }, facts));
    expect(batch(undone, 'pork-butt').prep!.done).toEqual([]);
  });

  it('notes no more left than was cooked, and nothing left takes the note away', () => {
    const left = (kg: number) =>
      edits.saveLeftover(event, { batchId: 'spare-ribs', kg, portionThicknessMm: 50, way: 'ice' } as never, facts);
    expect(batch(must(left(1)), 'spare-ribs').leftover).toMatchObject({ kg: 1 });
    expect(batch(must(left(0)), 'spare-ribs').leftover).toBeUndefined();
    expect(refused(left(999))).toEqual(['moreLeftThanCooked at kg']);
  });

  it('loosens a value with a reason, never past the published figure, and puts it back', () => {
    const loosen = (limit: number) => edits.loosenRule(event, { rule: 'hotHold', limit, reason: ' our permit ' }, facts);
    const loosened = must(loosen(57.2));
    expect(loosened.loosened).toEqual([{ rule: 'hotHold', limit: 57.2, reason: 'our permit' }]);
    expect(refused(loosen(40))).toEqual(['pastPublished at limit']);
    expect(refused(loosen(60))).toEqual(['notLoosened at limit']);
    expect(must(edits.tightenRule(loosened, { rule: 'hotHold' }, facts)).loosened).toEqual([]);
  });
});

describe('the day and the racks', () => {
  const duty = (fromTime: string, toTime: string) => ({
    places: [{ id: 'base', name: 'Base' }],
    roads: [],
    servedAt: [],
    standing: [],
    venue: { power: ' one line ', rules: '', setUpMin: 0, quietFrom: '22:00', quietTo: '05:00' },
    weather: { airC: 10, windMPerS: 3 },
    duty: [{ memberId: 'ann', fromDate: '2027-06-19', fromTime, toDate: '2027-06-19', toTime }],
  });

  it('keeps duty as instants and refuses a shift that ends before it begins', () => {
    const saved = must(edits.saveDay(event, duty('06:00', '20:00') as never, facts));
    expect(saved.duty).toEqual([{ memberId: 'ann', fromMs: SUPPER_MS - 12 * HOUR, toMs: SUPPER_MS + 2 * HOUR }]);
    expect(saved.venue!.power).toBe('one line');
    expect(refused(edits.saveDay(event, duty('20:00', '06:00') as never, facts))).toEqual(['dutyReversed at duty.0.toTime']);
  });

  it('keeps places, ways and what stands elsewhere; a base that is all there is says nothing', () => {
    const places = [
      { id: 'base', name: ' Yard ' },
      { id: 'green', name: 'Green' },
    ];
    const where = {
      ...duty('06:00', '20:00'),
      places,
      roads: [
        { fromId: 'base', toId: 'green', minutes: 40 },
        { fromId: 'base', toId: 'gone', minutes: 9 },
      ],
      servedAt: [{ servingId: 'supper', placeId: 'green' }],
      standing: [
        { kind: 'pit', thingId: 'offset', placeId: 'green' },
        { kind: 'crew', thingId: 'ann', placeId: 'base' },
      ],
    };
    const saved = must(edits.saveDay(event, where as never, facts));
    expect(saved.places).toEqual([{ id: 'base', name: 'Yard' }, places[1]]);
    expect(saved.roads).toEqual([{ fromId: 'base', toId: 'green', minutes: 40 }]);
    expect(saved.servings[0]!.placeId).toBe('green');
    expect(saved.standing).toEqual([where.standing[0]]);
    expect(refused(edits.saveDay(event, { ...where, places: [places[0], { id: 'x', name: 'yard' }] } as never, facts))).toEqual([
      'placeTwice at places.1.name',
    ]);
    const back = must(edits.saveDay(saved, duty('06:00', '20:00') as never, facts));
    expect([back.places, back.roads, back.standing, back.servings[0]!.placeId]).toEqual([undefined, undefined, undefined, undefined]);
  });

  it('uses only what is owned, in the order it is owned, whatever is asked for', () => {
    const chosen = must(
      edits.chooseEquipment(event, { pitIds: ['oven', 'sold', 'offset'], boxIds: [], warmerIds: [], probeIds: [] } as never, facts),
    );
    expect(chosen.pitIds).toEqual(['offset', 'oven']);
    expect(planInputFor(chosen, { ...facts, ownLibrary: { cuts: [], methods: [], recipes: [] } }).input.pits).toEqual([OFFSET, OVEN]);
  });

  it('drops places of what is gone, and refuses one piece in two places of a pit', () => {
    const place = (extra: object) => ({
      batchId: 'pork-butt',
      pieceId: 'pork-butt-1',
      pitId: 'offset',
      rackId: 'low',
      xMm: 0,
      yMm: 0,
      turned: false,
      ...extra,
    });
    const lay = (...manualPlacements: object[]) => edits.placeByHand(event, { manualPlacements } as never, facts);
    expect(must(lay(place({}), place({ rackId: 'gone' }), place({ pieceId: 'gone' }))).manualPlacements).toHaveLength(1);
    expect(must(lay()).manualPlacements).toBeUndefined();
    expect(refused(lay(place({}), place({ xMm: 400 })))).toEqual(['placedTwice']);
  });
});

describe('every edit', () => {
  it('can be taken back by the changes it made, and made again', () => {
    const made: Outcome<CookEvent>[] = [
      edits.saveBrief(event, { ...edits.briefOf(event), name: 'Other' }, facts),
      edits.markStep(event, { batchId: 'pork-butt', kind: 'trim', done: true }, facts),
      edits.loosenRule(event, { rule: 'hotHold', limit: 57.2, reason: 'permit' }, facts),
      edits.signCards(event, { servingId: 'supper', cardsSignedBy: 'A. Cook' }, facts),
      edits.chooseEquipment(event, { pitIds: ['oven'], boxIds: [], warmerIds: [], probeIds: [] } as never, facts),
    ];
    for (const outcome of made) {
      const after = must(outcome);
      const changes = diffOf(event, after);
      expect(changes.length).toBeGreaterThan(0);
      const back = applyChanges(after, reversed(changes));
      expect(back.ok && diffOf(event, back.value)).toEqual([]);
      const again = applyChanges(event, changes);
      expect(again.ok && diffOf(after, again.value)).toEqual([]);
    }
  });

  it('plans by the kitchen’s hours and the quiet of its nights', () => {
    const known = { ...facts, ownLibrary: { cuts: [], methods: [], recipes: [] } };
    const { input } = planInputFor({ ...event, kitchen: { ...inputOf(event).event.kitchen!, fromHour: 6, toHour: 22 } as never }, known);
    expect(input.shifts!.every(({ fromMs, toMs }) => toMs - fromMs === 16 * HOUR)).toBe(true);
    expect(input.earliestMs % 60_000).toBe(0);
    expect(input.quiet!.length).toBeGreaterThan(1);
  });
});
