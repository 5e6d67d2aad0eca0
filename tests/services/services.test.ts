import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { CookEvent } from '../../src/core/model';
import { faceOf, type PlanFace } from '../../src/core/planning';
import type { BriefInput, CutInput, MethodInput, PitInput, PlanFaceInput } from '../../src/inputs';
import { openEventOf, writeOpenEvent } from '../../src/formats/open';
import { supperFile } from '../fixtures/supper';
import { loadEvent } from '../../src/persistence';
import * as services from '../../src/services';
import type { Context } from '../../src/services';
import { codes, must, openContext } from '../fixtures/context';

const NOW_MS = Date.parse('2027-05-01T12:00:00Z');
let context: Context;
let close: () => Promise<void>;

beforeEach(async () => {
  ({ context, close } = await openContext(NOW_MS));
});
afterEach(() => close());

const NEW = {
  name: ' Supper ',
  place: 'Gannet Point',
  timeZone: 'America/Halifax',
  date: '2027-06-19',
  time: '18:00',
  adults: 40,
  children: 4,
};
const PIT: PitInput = {
  id: 'pit',
  name: 'Offset',
  kind: 'offset',
  smoke: true,
  rangeLowC: 105,
  rangeHighC: 165,
  warmUpMin: 60,
  openingDropC: 18,
  recoverMin: 9,
  racks: [{ id: 'r', name: 'main', widthMm: 1200, depthMm: 500, clearanceMm: 250, maxKg: 60, level: 1 }],
};

function briefOf(event: CookEvent, change: Partial<BriefInput['servings'][number]> = {}, top: Partial<BriefInput> = {}): BriefInput {
  const [serving] = event.servings;
  return {
    eventId: event.id,
    revision: event.revision,
    name: event.name,
    place: event.place,
    timeZone: event.timeZone,
    altitudeM: 0,
    confidence: 0.9,
    servings: [
      {
        id: serving!.id,
        name: 'Supper',
        date: '2027-06-19',
        time: '18:00',
        serveForMin: 45,
        carveLeadMin: 30,
        adults: 40,
        children: 4,
        heartyShare: 0,
        buffet: true,
        marginShare: 0,
        highlySusceptible: false,
        sides: [],
        needs: [],
        batches: [{ id: 'b', cutId: 'pork-butt', methodId: 'low-paper', label: '', sizedBy: 'hand', pieces: [{ id: 'p', kg: 3.6 }] }],
        ...change,
      },
    ],
    ...top,
  };
}

describe('events', () => {
  it('are made with one serving at their clock time and all the equipment that is owned', async () => {
    must(await services.keepPit(context, PIT));
    const event = must(await services.createEvent(context, NEW));
    expect(event).toMatchObject({ name: 'Supper', revision: 1, pitIds: ['pit'], batches: [] });
    expect(event.servings[0]).toMatchObject({ name: 'Supper', atMs: Date.parse('2027-06-19T18:00:00-03:00') });
    expect(await loadEvent(event.id)).toEqual(event);
    expect(must(await services.createEvent(context, { ...NEW, time: '12:30' })).servings[0]!.name).toBe('Lunch');
  });

  it('refuse a serving that has passed or that the clocks skip', async () => {
    expect(codes(await services.createEvent(context, { ...NEW, date: '2027-04-30' }))).toEqual(['servingInPast@date']);
    expect(codes(await services.createEvent(context, { ...NEW, date: '2028-03-12', time: '02:30' }))).toEqual(['clockSkipsIt@time']);
  });

  it('are duplicated whole, renamed, deleted and brought back', async () => {
    const event = must(await services.createEvent(context, NEW));
    const filled = must(await services.saveBrief(context, briefOf(event)));
    const copy = must(await services.duplicateEvent(context, event.id));
    expect(copy).toEqual({ ...filled, id: copy.id, name: 'Supper, copy', revision: 1 });
    expect(must(await services.renameEvent(context, { eventId: copy.id, name: 'Tea' })).name).toBe('Tea');
    must(await services.deleteEvent(context, copy.id));
    expect((await services.listEvents(context)).map((each) => each.id)).toEqual([event.id]);
    expect(codes(await services.deleteEvent(context, copy.id))).toEqual(['eventGone']);
    must(await services.restoreEvent(context, copy.id));
    expect(await services.listEvents(context)).toHaveLength(2);
    expect(codes(await services.duplicateEvent(context, 'nobody'))).toEqual(['eventGone']);
  });

  it('take a new face from the plan screen, and refuse one seen on an old event, in the past, or with unknown methods', async () => {
    const event = must(await services.saveBrief(context, briefOf(must(await services.createEvent(context, NEW)))));
    const face = faceOf(event);
    const [serving] = face.servings;
    const [batch] = face.batches;
    const save = (change: Partial<PlanFace>, revision = event.revision) =>
      services.savePlanFace(context, { eventId: event.id, revision, face: { ...face, ...change } as PlanFaceInput['face'] });
    const choices = { [batch!.id]: { pitId: 'pit', earlierMin: 30, unknown: 1 } };
    const moved = must(
      await save({
        confidence: 0.8,
        servings: [{ ...serving!, atMs: serving!.atMs - 3_600_000 }],
        pins: [{ batchId: batch!.id, pitId: 'pit', onAtMs: serving!.atMs - 9e7 }],
        scheme: { order: [batch!.id], overrides: choices as never, seed: 3, iterations: 5 },
        pitIds: ['nobody'],
      }),
    );
    expect(moved).toMatchObject({ confidence: 0.8, revision: event.revision + 1, pitIds: [] });
    expect(moved.servings[0]!.atMs).toBe(event.servings[0]!.atMs - 3_600_000);
    const kept = (await loadEvent(event.id))!;
    expect(kept.scheme).toEqual({ order: [batch!.id], overrides: { [batch!.id]: { pitId: 'pit', earlierMin: 30 } }, seed: 3, iterations: 5 });
    expect(kept.pins).toHaveLength(1);
    expect(codes(await save({}))).toEqual(['changedElsewhere']);
    expect(codes(await save({ servings: [{ ...serving!, atMs: NOW_MS - 1 }] }, kept.revision))).toEqual(['servingInPast']);
    expect(codes(await save({ batches: [{ ...batch!, methodId: 'nobody' }] }, kept.revision))).toEqual(['methodGone']);
  });

  it('come from a file with all they need, or not at all', async () => {
    const text = writeOpenEvent(supperFile());
    const taken = must(await services.importEvent(context, { text }));
    expect(taken).toMatchObject({ name: 'Gannet Point supper', altitudeM: 20 });
    const { pits, boxes, warmers, crew } = await services.listEquipment(context);
    expect(pits.map((pit) => [pit.name, pit.hired])).toEqual([
      ['Trailer pit', true],
      ['Cabinet', true],
    ]);
    expect([boxes.length, warmers.length, crew.length]).toEqual([1, 1, 2]);
    const kept = (await loadEvent(taken.id))!;
    expect(kept.batches[0]!.pieces[0]).toMatchObject({ lengthMm: 420, widthMm: 250, thicknessMm: 72, startC: 4 });
    const { plan } = (await services.planEvent(context, taken.id))!;
    expect(plan.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
    const refused = await services.importEvent(context, { text: text.replace('"kg": 6.1', '"kg": -6.1') });
    expect(refused.ok ? '' : refused.problems[0]!.message).toContain('$.batches[0].pieces[0].kg');
    expect(await services.listEvents(context)).toHaveLength(1);

    // Out and in again: the pits that the house already has are used, not had twice.
    const { input } = (await services.planEvent(context, taken.id))!;
    const again = must(await services.importEvent(context, { text: writeOpenEvent(openEventOf(input)) }));
    expect(again.pitIds).toEqual(taken.pitIds);
    expect((await services.listEquipment(context)).pits).toHaveLength(2);
  });

  it('are listed soonest first, with guests and cuts', async () => {
    const late = must(await services.createEvent(context, { ...NEW, date: '2027-08-01' }));
    const soon = must(await services.createEvent(context, NEW));
    must(await services.saveBrief(context, briefOf(soon)));
    const list = await services.listEvents(context);
    expect(list.map((each) => each.id)).toEqual([soon.id, late.id]);
    expect(list[0]).toMatchObject({ guests: 44, cuts: 1, firstServingMs: soon.servings[0]!.atMs });
  });
});

describe('the brief', () => {
  it('is saved whole and goes up by one revision', async () => {
    const event = must(await services.createEvent(context, NEW));
    const saved = must(await services.saveBrief(context, briefOf(event, { name: ' Feast ' }, { altitudeM: 120 })));
    expect(saved.revision).toBe(2);
    expect(saved.servings[0]!.name).toBe('Feast');
    expect(await loadEvent(event.id)).toEqual(saved);
  });

  it('says each fault at its field and changes nothing', async () => {
    const event = must(await services.createEvent(context, NEW));
    const faults = async (brief: BriefInput) => codes(await services.saveBrief(context, brief));
    expect(await faults(briefOf(event, { date: '2020-01-01' }))).toEqual(['servingInPast@servings.0.date']);
    expect(await faults(briefOf(event, { date: '2028-03-12', time: '02:15' }))).toEqual(['clockSkipsIt@servings.0.time']);
    expect(await faults(briefOf(event, { date: '2027-02-31' }))).toEqual(['noSuchDate@servings.0.date']);
    expect(await faults(briefOf(event, { adults: 0, children: 0 }))).toEqual(['noGuests@servings.0.adults']);
    const [batch] = briefOf(event).servings[0]!.batches;
    expect(await faults(briefOf(event, { batches: [batch!, batch!] }))).toEqual([
      'idUsedTwice@servings.0.batches.1.cutId',
      'idUsedTwice@servings.0.batches.1.pieces.0.kg',
    ]);
    expect(await faults(briefOf(event, { batches: [{ ...batch!, cutId: 'griffin', methodId: 'magic' }] }))).toEqual([
      'cutGone@servings.0.batches.0.cutId',
      'methodGone@servings.0.batches.0.methodId',
    ]);
    expect(await loadEvent(event.id)).toEqual(event);
  });

  it('does not overwrite what another window saved first', async () => {
    const event = must(await services.createEvent(context, NEW));
    must(await services.saveBrief(context, briefOf(event)));
    expect(codes(await services.saveBrief(context, briefOf(event, { name: 'Mine' })))).toEqual(['changedElsewhere']);
    expect(codes(await services.saveBrief(context, briefOf({ ...event, id: 'nobody' })))).toEqual(['eventGone']);
  });

  it('lets only one of two that save at once win', async () => {
    const event = must(await services.createEvent(context, NEW));
    const both = await Promise.all([
      services.saveBrief(context, briefOf(event, { name: 'One' })),
      services.saveBrief(context, briefOf(event, { name: 'Two' })),
    ]);
    expect(both.map((each) => each.ok)).toEqual([true, false]);
    expect((await loadEvent(event.id))!.servings[0]!.name).toBe('One');
  });
});

describe('equipment', () => {
  it('is kept, changed, put away and brought back', async () => {
    must(await services.keepPit(context, PIT));
    must(
      await services.keepPit(context, {
        ...PIT,
        name: ' Big offset ',
        racks: [...PIT.racks, { ...PIT.racks[0]!, id: 'r2', name: 'upper', level: 2 }],
      }),
    );
    must(await services.keepBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.6 }));
    const { pits, boxes } = await services.listEquipment(context);
    expect(pits).toHaveLength(1);
    expect(pits[0]).toMatchObject({ name: 'Big offset', rangeC: [105, 165] });
    expect(pits[0]!.racks.map((rack) => rack.name)).toEqual(['main', 'upper']);
    expect(boxes[0]!.litres).toBe(70);
    must(await services.putPitAway(context, 'pit'));
    must(await services.putBoxAway(context, 'box'));
    expect(await services.listEquipment(context)).toEqual({ pits: [], boxes: [], warmers: [], probes: [], crew: [] });
    must(await services.bringPitBack(context, 'pit'));
    must(await services.bringBoxBack(context, 'box'));
    expect((await services.listEquipment(context)).pits).toEqual(pits);
    expect(codes(await services.putPitAway(context, 'nothing'))).toEqual(['equipmentGone']);
  });

  it('refuses two racks of one name', async () => {
    expect(
      codes(await services.keepPit(context, { ...PIT, racks: [PIT.racks[0]!, { ...PIT.racks[0]!, id: 'r2', name: ' Main ' }] })),
    ).toEqual(['rackNameTwice@racks.1.name']);
  });

  it('keeps all that a pit is: zones, blocked parts, a round grate, fuel, gauge, blower', async () => {
    const full: PitInput = {
      ...PIT,
      gaugeOffsetC: -6,
      airflow: 1.2,
      humidity: 0.9,
      fuel: { kind: 'charcoal', kgPerH: 0.5, reloadMin: 300, ashMin: 300 },
      blower: true,
      travels: true,
      hired: true,
      racks: [
        {
          ...PIT.racks[0]!,
          hotSide: 'left',
          zones: [{ fromMm: 0, toMm: 300, offsetC: 12 }],
          blocked: [{ xMm: 0, yMm: 0, widthMm: 150, depthMm: 300, by: 'water pan' }],
        },
        { ...PIT.racks[0]!, id: 'r2', name: 'grate', round: true, widthMm: 440, depthMm: 300, level: 2 },
      ],
    };
    must(await services.keepPit(context, full));
    const { pits } = await services.listEquipment(context);
    const { rangeLowC, rangeHighC, ...rest } = full;
    expect(pits).toEqual([{ ...rest, rangeC: [rangeLowC, rangeHighC], racks: [full.racks[0], { ...full.racks[1]!, depthMm: 440 }] }]);
    const beyond = { ...full, racks: [{ ...full.racks[0]!, zones: [{ fromMm: 0, toMm: 1300, offsetC: 5 }] }] };
    expect(codes(await services.keepPit(context, beyond))).toEqual(['beyondRack@racks.0.zones.0.toMm']);
    const over = {
      ...full,
      racks: [{ ...full.racks[0]!, blocked: [{ xMm: 0, yMm: 400, widthMm: 100, depthMm: 200, by: 'mop pot' as const }] }],
    };
    expect(codes(await services.keepPit(context, over))).toEqual(['beyondRack@racks.0.blocked.0.depthMm']);
  });

  it('has warmers, thermometers and crew, and comes in ready-made sets', async () => {
    must(await services.addSet(context, 'kitchen'));
    must(await services.addSet(context, 'garden'));
    must(await services.keepProbe(context, { id: 'pen', name: ' Pen ', channels: 4, iceC: 0.2, boilC: 99.8, altitudeM: 20, out: false }));
    must(await services.keepCrew(context, { id: 'ada', name: 'Ada' }));
    const all = await services.listEquipment(context);
    expect(all.pits.map((pit) => pit.kind).sort()).toEqual(['bullet', 'cabinet', 'kettle', 'oven']);
    expect(new Set(all.pits.flatMap((pit) => [pit.id, ...pit.racks.map((rack) => rack.id)])).size).toBe(
      all.pits.reduce((sum, pit) => sum + 1 + pit.racks.length, 0),
    );
    expect(all.warmers[0]).toMatchObject({ name: 'Warmer', slots: 8, setC: 63 });
    expect(all.probes[0]).toMatchObject({ name: 'Pen', channels: 4 });
    must(await services.putGearAway(context, { kind: 'probe', id: 'pen' }));
    expect((await services.listEquipment(context)).probes).toEqual([]);
    must(await services.bringGearBack(context, { kind: 'probe', id: 'pen' }));
    expect((await services.listEquipment(context)).probes).toHaveLength(1);
    expect(codes(await services.putGearAway(context, { kind: 'crew', id: 'nobody' }))).toEqual(['equipmentGone']);
    expect(codes(await services.addSet(context, 'none'))).toEqual(['equipmentGone']);
  });

  it('is copied from another event as far as it is still owned', async () => {
    must(await services.addSet(context, 'kitchen'));
    const one = must(await services.createEvent(context, NEW));
    must(await services.keepPit(context, PIT));
    const two = must(await services.createEvent(context, NEW));
    expect(two.pitIds).toHaveLength(3);
    const copied = must(await services.copyEquipment(context, { eventId: two.id, fromEventId: one.id }));
    expect(copied.pitIds).toEqual(one.pitIds);
    expect(copied.warmerIds).toEqual(one.warmerIds);
    must(await services.putPitAway(context, one.pitIds[0]!));
    expect(must(await services.copyEquipment(context, { eventId: two.id, fromEventId: one.id })).pitIds).toHaveLength(1);
    expect(codes(await services.copyEquipment(context, { eventId: two.id, fromEventId: 'none' }))).toEqual(['eventGone']);
  });

  it('has a day: the drive, the sleep, the weather and who is on duty, by the clock of the place', async () => {
    const event = must(await services.createEvent(context, NEW));
    const shift = { memberId: 'ada', fromDate: '2027-06-19', fromTime: '04:30', toDate: '2027-06-19', toTime: '21:00' };
    const day = {
      eventId: event.id,
      revision: event.revision,
      driveMin: 40,
      setUpMin: 30,
      power: '2 x 16 A',
      rules: 'No open fire after ten.',
      quietFrom: '22:30',
      quietTo: '04:30',
      airC: 12,
      windMPerS: 6,
      duty: [shift],
    };
    const saved = must(await services.saveDay(context, day));
    expect(saved.duty).toEqual([
      { memberId: 'ada', fromMs: Date.parse('2027-06-19T04:30:00-03:00'), toMs: Date.parse('2027-06-19T21:00:00-03:00') },
    ]);
    expect(saved.venue).toMatchObject({ driveMin: 40, quietTo: '04:30' });
    expect(await loadEvent(event.id)).toEqual(saved);
    const again = { ...day, revision: saved.revision };
    expect(codes(await services.saveDay(context, { ...again, duty: [{ ...shift, toTime: '04:00' }] }))).toEqual([
      'dutyReversed@duty.0.toTime',
    ]);
    expect(
      codes(
        await services.saveDay(context, {
          ...again,
          duty: [{ ...shift, fromDate: '2028-03-12', fromTime: '02:30', toDate: '2028-03-12' }],
        }),
      ),
    ).toEqual(['clockSkipsIt@duty.0.fromTime']);
    expect(codes(await services.saveDay(context, day))).toEqual(['changedElsewhere']);
  });

  it('is chosen by an event only while it is owned', async () => {
    must(await services.keepPit(context, PIT));
    const event = must(await services.createEvent(context, NEW));
    expect(must(await services.chooseEquipment(context, { eventId: event.id, pitIds: [], boxIds: [] })).pitIds).toEqual([]);
    expect(must(await services.chooseEquipment(context, { eventId: event.id, pitIds: ['pit', 'pit'], boxIds: [] })).pitIds).toEqual([
      'pit',
    ]);
    expect(codes(await services.chooseEquipment(context, { eventId: event.id, pitIds: ['lost'], boxIds: [] }))).toEqual(['equipmentGone']);
  });
});

describe('planning an event', () => {
  it('uses only what the event chose, and the minute it is', async () => {
    must(await services.keepPit(context, PIT));
    must(await services.keepBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.6 }));
    const event = must(await services.createEvent(context, NEW));
    must(await services.saveBrief(context, briefOf(event)));
    const planned = (await services.planEvent(context, event.id))!;
    expect(planned.input.earliestMs).toBe(NOW_MS);
    expect(planned.plan.runs).toHaveLength(1);
    expect(planned.plan.revision).toBe(2);
    must(await services.chooseEquipment(context, { eventId: event.id, pitIds: [], boxIds: [] }));
    const without = (await services.planEvent(context, event.id))!;
    expect(without.plan.problems[0]).toMatchObject({ code: 'noSuitablePit', need: 'smoke' });
    expect(await services.planEvent(context, 'nobody')).toBeUndefined();
  });
});

const METHOD: MethodInput = {
  id: 'low-paper',
  name: 'Paper, mine',
  line: 'As we do it.',
  practice: '',
  purpose: 'tender',
  pitC: 125,
  pitLowC: 115,
  pitHighC: 135,
  wrap: 'paper',
  wrapCoreC: 70,
  wrapBark: false,
  wrapAll: false,
  needsSmoke: true,
  finishOffSmoke: true,
  ventMin: 10,
  restMin: 45,
  holdIdealLowMin: 60,
  holdIdealHighMin: 240,
  holdMaxMin: 600,
};
const CUT: CutInput = {
  id: 'own-cut',
  name: 'Island shoulder',
  nounOne: 'shoulder',
  nounMany: 'shoulders',
  species: 'lamb',
  safetyClass: 'whole',
  carved: 'pull',
  lengthMm: 240,
  widthMm: 170,
  thicknessMm: 90,
  fillShare: 0.75,
  heatDepthShare: 1,
  boughtLowKg: 2,
  boughtHighKg: 3,
  trimShare: 0.1,
  yieldShare: 0.55,
  doneBy: 'tender',
  convertedShare: 0.78,
  pulledLowC: 91,
  pulledHighC: 95,
  carveMin: 5,
  holdMaxMin: 480,
  signs: 'The blade slides out.',
  probe: 'Thickest part.',
};

describe('the library', () => {
  it('puts an owner’s method over the shipped one, plans by it, and puts it back', async () => {
    must(await services.saveMethod(context, METHOD));
    const { library, own } = await services.readLibrary(context);
    expect(own.methods).toEqual(['low-paper']);
    expect(library.methods.find((method) => method.id === 'low-paper')).toMatchObject({
      name: 'Paper, mine',
      pitRangeC: [115, 135],
      wrapWhen: { coreC: 70 },
    });
    must(await services.keepPit(context, PIT));
    must(await services.keepBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.6 }));
    const event = must(await services.createEvent(context, NEW));
    must(await services.saveBrief(context, briefOf(event)));
    expect((await services.planEvent(context, event.id))!.plan.runs[0]).toMatchObject({ pitC: 125, restMin: 45 });
    must(await services.restoreEntry(context, 'method', 'low-paper'));
    expect((await services.planEvent(context, event.id))!.plan.runs[0]).toMatchObject({ pitC: 121, restMin: 60 });
    expect(codes(await services.restoreEntry(context, 'method', 'low-paper'))).toEqual(['nothingToRestore']);
  });

  it('keeps a cut of one’s own while an event uses it', async () => {
    must(await services.saveCut(context, CUT));
    const event = must(await services.createEvent(context, NEW));
    const [batch] = briefOf(event).servings[0]!.batches;
    must(await services.saveBrief(context, briefOf(event, { batches: [{ ...batch!, cutId: 'own-cut' }] })));
    expect(codes(await services.restoreEntry(context, 'cut', 'own-cut'))).toEqual(['libraryInUse']);
    must(await services.deleteEvent(context, event.id));
    must(await services.restoreEntry(context, 'cut', 'own-cut'));
    expect((await services.readLibrary(context)).own.cuts).toEqual([]);
  });

  it('refuses a heat outside its band and a wrap without a moment', async () => {
    expect(codes(await services.saveMethod(context, { ...METHOD, pitC: 160 }))).toEqual(['heatOutsideBand@pitC']);
    expect(codes(await services.saveMethod(context, { ...METHOD, wrapCoreC: undefined }))).toEqual(['wrapWithoutWhen@wrap']);
    must(await services.saveMethod(context, { ...METHOD, wrap: 'none', unwrapAfterMin: 200 }));
    expect((await services.readLibrary(context)).library.methods.find((method) => method.id === 'low-paper')).toMatchObject({
      wrap: 'none',
      wrapWhen: {},
    });
  });
});
