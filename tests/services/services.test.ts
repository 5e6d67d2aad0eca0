import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { libraryWith, type CookEvent } from '../../src/core/model';
import { diffOf } from '../../src/core/edits';
import type { Cut, Method, Pit } from '../../src/core/model';
import { briefOf as plainBrief } from '../../src/document';
import type { BriefInput } from '../../src/inputs';
import { eventFileOf, writeEventFile, writeEventFileV1 } from '../../src/formats/open';
import { supperFile } from '../fixtures/supper';
import { loadEvent, loadOwnLibrary } from '../../src/persistence';
import * as services from '../../src/services';
import type { Context } from '../../src/services';
import { codes, must, openContext } from '../fixtures/context';
import { editAs } from '../fixtures/edits';
import { wholeEvent, withOwnIds } from '../fixtures/wholeEvents';
import { OFFSET } from '../fixtures/events';

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
const PIT: Pit = {
  id: 'pit',
  name: 'Offset',
  kind: 'offset',
  smoke: true,
  rangeC: [105, 165],
  warmUpMin: 60,
  openingDropC: 18,
  recoverMin: 9,
  racks: [{ id: 'r', name: 'main', widthMm: 1200, depthMm: 500, clearanceMm: 250, maxKg: 60, level: 1 }],
};

function briefOf(event: CookEvent, change: Partial<BriefInput['servings'][number]> = {}, top: Partial<BriefInput> = {}): BriefInput {
  const whole = plainBrief(event);
  const [serving] = whole.servings;
  const pork = {
    id: 'b',
    servingId: serving!.id,
    cutId: 'pork-butt',
    methodId: 'low-paper',
    label: '',
    sizedBy: 'hand' as const,
    pieces: [{ id: 'p', kg: 3.6 }],
  };
  return { ...whole, servings: [{ ...serving!, batches: [pork], ...change }], ...top };
}
const saveBrief = (event: CookEvent, brief: BriefInput) => editAs(context, event.id, 'saveBrief', brief);
/** As the page sends it: what leads from the event it saw to the one it made of it. */
const saveChanged = (event: CookEvent, change: Partial<CookEvent>) =>
  services.saveEdits(context, { eventId: event.id, revision: event.revision, changes: diffOf(event, { ...event, ...change }) });

describe('events', () => {
  it('are made with one serving at their clock time and all the equipment that is owned', async () => {
    must(await services.savePit(context, PIT));
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
    const filled = must(await saveBrief(event, briefOf(event)));
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

  it('take changes from the page, and refuse those seen on an old event, in the past, or with what nobody has', async () => {
    const made = must(await services.createEvent(context, NEW));
    const event = must(await saveBrief(made, briefOf(made)));
    const [serving] = event.servings;
    const [batch] = event.batches;
    const scheme = { order: ['b'], overrides: { b: { pitId: 'pit', earlierMin: 30 } }, seed: 3, iterations: 5 };
    const pins = [{ batchId: 'b', pitId: 'pit', onAtMs: serving!.atMs - 9e7 }];
    const moved = must(
      await saveChanged(event, { confidence: 0.8, servings: [{ ...serving!, atMs: serving!.atMs - 3_600_000 }], pins, scheme }),
    );
    expect(moved).toMatchObject({ confidence: 0.8, revision: event.revision + 1, pins, scheme });
    expect(await loadEvent(event.id)).toEqual(moved);
    expect(codes(await saveChanged(event, { name: 'Mine' }))).toEqual(['changedElsewhere']);
    expect(codes(await saveChanged(moved, { servings: [{ ...serving!, atMs: NOW_MS - 1 }] }))).toEqual(['servingInPast@servings.0.atMs']);
    expect(codes(await saveChanged(moved, { batches: [{ ...batch!, methodId: 'nobody' }] }))).toEqual(['methodGone@batches.0.methodId']);
    expect(codes(await saveChanged(moved, { pitIds: ['nobody'] }))).toEqual(['equipmentGone@pitIds']);
    const spoilt = { ...scheme, overrides: { b: { pitId: 'pit', unknown: 1 } } };
    expect(codes(await saveChanged(moved, { scheme: spoilt as never }))).toEqual(['partsById@scheme.overrides']);
    expect(await loadEvent(event.id)).toEqual(moved);
  });

  it('come from a file with all they need, or not at all', async () => {
    const text = writeEventFileV1(supperFile());
    const taken = must(await services.importEvent(context, { text }));
    expect(taken).toMatchObject({ name: 'Gannet Point supper', altitudeM: 20 });
    const { pits, boxes, warmers, crew } = await services.listEquipment(context);
    expect(pits.map((pit) => pit.name)).toEqual(['Trailer pit', 'Cabinet']);
    expect([boxes.length, warmers.length, crew.length]).toEqual([1, 1, 2]);
    const kept = (await loadEvent(taken.id))!;
    expect(kept.batches[0]!.pieces[0]).toMatchObject({ lengthMm: 420, widthMm: 250, thicknessMm: 72 });
    const { plan } = (await services.planEvent(context, taken.id))!;
    expect(plan.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
    const refused = await services.importEvent(context, { text: text.replace('"kg": 6.1', '"kg": -6.1') });
    expect(refused.ok ? '' : refused.problems[0]!.message).toContain('$.batches[0].pieces[0].kg');
    // What the schema lets through and no form would is refused as well, with nothing kept of it.
    const odd = await services.importEvent(context, { text: text.replace('"kg": 6.1', '"kg": 400') });
    expect(odd.ok ? '' : odd.problems[0]!.message).toContain('$.batches[0].pieces[0].kg');
    expect(await services.listEvents(context)).toHaveLength(1);
    expect((await services.listEquipment(context)).pits).toHaveLength(2);
  });

  /** All that the house has beside its events. */
  const houseNow = async () => ({ equipment: await services.listEquipment(context), own: await loadOwnLibrary() });
  const fileOf = async (eventId: string) => {
    const { equipment, own } = await houseNow();
    return writeEventFile(eventFileOf((await loadEvent(eventId))!, { equipment, library: libraryWith(own) }, NOW_MS));
  };

  it('go out and come in the same, double nothing, and take away with them what they brought', async () => {
    let brought = 0;
    for (const whole of fc.sample(wholeEvent, { numRuns: 12, seed: 7 }).map(withOwnIds)) {
      const text = writeEventFile(eventFileOf(whole.event, whole, NOW_MS));
      const before = await houseNow();
      const first = must(await services.importEvent(context, { text }));
      expect(await fileOf(first.id)).toBe(text);
      const with1 = await houseNow();
      brought += with1.equipment.pits.length - before.equipment.pits.length;
      // The same file again: the house has it all.
      const second = must(await services.importEvent(context, { text }));
      expect(second).toEqual({ ...first, id: second.id });
      expect(await houseNow()).toEqual(with1);
      expect(await fileOf(second.id)).toBe(text);
      // What the second still uses stays when the first goes; with the last of them all of it goes, and comes back with it.
      must(await services.deleteEvent(context, first.id));
      expect(await fileOf(second.id)).toBe(text);
      must(await services.deleteEvent(context, second.id));
      expect(await houseNow()).toEqual(before);
      must(await services.restoreEvent(context, second.id));
      expect(await fileOf(second.id)).toBe(text);
      must(await services.deleteEvent(context, second.id));
    }
    expect(brought).toBeGreaterThan(0);
  });

  it('come in beside what the house calls by the same id: each keeps its own', async () => {
    const text = writeEventFileV1(supperFile());
    must(await services.importEvent(context, { text }));
    const wider = supperFile();
    wider.pits[0]!.racks[0] = { ...wider.pits[0]!.racks[0]!, maxKg: 55 };
    wider.batches[0]!.method = { ...wider.batches[0]!.method, pitC: 118 };
    const taken = must(await services.importEvent(context, { text: writeEventFileV1(wider) }));
    const { pits } = await services.listEquipment(context);
    expect(pits).toHaveLength(3);
    expect(pits.find((pit) => pit.id === taken.pitIds[0])!.racks[0]!.maxKg).toBe(55);
    const { input } = (await services.planEvent(context, taken.id))!;
    expect(input.library.methods.find((method) => method.id === taken.batches[0]!.methodId)!.pitC).toBe(118);
  });

  it('are listed soonest first, with guests and cuts', async () => {
    const late = must(await services.createEvent(context, { ...NEW, date: '2027-08-01' }));
    const soon = must(await services.createEvent(context, NEW));
    must(await saveBrief(soon, briefOf(soon)));
    const list = await services.listEvents(context);
    expect(list.map((each) => each.id)).toEqual([soon.id, late.id]);
    expect(list[0]).toMatchObject({ guests: 44, cuts: 1, firstServingMs: soon.servings[0]!.atMs });
  });
});

describe('the brief', () => {
  it('is saved whole and goes up by one revision', async () => {
    const event = must(await services.createEvent(context, NEW));
    const saved = must(await saveBrief(event, briefOf(event, { name: ' Feast ' }, { altitudeM: 120 })));
    expect(saved.revision).toBe(2);
    expect(saved.servings[0]!.name).toBe('Feast');
    expect(await loadEvent(event.id)).toEqual(saved);
  });

  it('says each fault at its field and changes nothing', async () => {
    const event = must(await services.createEvent(context, NEW));
    const faults = async (brief: BriefInput) => codes(await saveBrief(event, brief));
    expect(await faults(briefOf(event, { date: '2020-01-01' }))).toEqual(['servingInPast@servings.0.date']);
    expect(await faults(briefOf(event, { date: '2028-03-12', time: '02:15' }))).toEqual(['clockSkipsIt@servings.0.time']);
    expect(await faults(briefOf(event, { date: '2027-02-31' }))).toEqual(['noSuchDate@servings.0.date']);
    expect(await faults(briefOf(event, { guests: { adults: 0, children: 0, heartyShare: 0 } }))).toEqual([
      'noGuests@servings.0.guests.adults',
    ]);
    const [batch] = briefOf(event).servings[0]!.batches;
    expect(await faults(briefOf(event, { batches: [batch!, batch!] }))).toEqual([
      'idUsedTwice@batches.1.cutId',
      'idUsedTwice@batches.1.pieces.0.kg',
    ]);
    expect(await faults(briefOf(event, { batches: [{ ...batch!, cutId: 'griffin', methodId: 'magic' }] }))).toEqual([
      'cutGone@batches.0.cutId',
      'methodGone@batches.0.methodId',
    ]);
    expect(await loadEvent(event.id)).toEqual(event);
  });

  it('does not overwrite what another window saved first', async () => {
    const event = must(await services.createEvent(context, NEW));
    must(await saveBrief(event, briefOf(event)));
    expect(codes(await saveChanged(event, { name: 'Mine' }))).toEqual(['changedElsewhere']);
    expect(codes(await saveChanged({ ...event, id: 'nobody' }, { name: 'Mine' }))).toEqual(['eventGone']);
  });

  it('lets only one of two that save at once win', async () => {
    const event = must(await services.createEvent(context, NEW));
    const both = await Promise.all([saveChanged(event, { name: 'One' }), saveChanged(event, { name: 'Two' })]);
    expect(both.map((each) => each.ok)).toEqual([true, false]);
    expect((await loadEvent(event.id))!.name).toBe('One');
  });
});

describe('equipment', () => {
  it('is kept, changed, put away and brought back', async () => {
    must(await services.savePit(context, PIT));
    must(
      await services.savePit(context, {
        ...PIT,
        name: ' Big offset ',
        racks: [...PIT.racks, { ...PIT.racks[0]!, id: 'r2', name: 'upper', level: 2 }],
      }),
    );
    must(await services.saveBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.3 }));
    const { pits, boxes } = await services.listEquipment(context);
    expect(pits).toHaveLength(1);
    expect(pits[0]).toMatchObject({ name: 'Big offset', rangeC: [105, 165] });
    expect(pits[0]!.racks.map((rack) => rack.name)).toEqual(['main', 'upper']);
    expect(boxes[0]!.litres).toBe(70);
    must(await services.putGearAway(context, { kind: 'pit', id: 'pit' }));
    must(await services.putGearAway(context, { kind: 'box', id: 'box' }));
    expect(await services.listEquipment(context)).toEqual({ pits: [], boxes: [], warmers: [], probes: [], crew: [] });
    must(await services.bringGearBack(context, { kind: 'pit', id: 'pit' }));
    must(await services.bringGearBack(context, { kind: 'box', id: 'box' }));
    expect((await services.listEquipment(context)).pits).toEqual(pits);
    expect(codes(await services.putGearAway(context, { kind: 'pit', id: 'nothing' }))).toEqual(['equipmentGone']);
  });

  it('is not overwritten unseen: what two windows changed is put together, or asked about where both changed the same', async () => {
    const pit = { ...OFFSET, id: 'guarded' };
    must(await services.savePit(context, pit));
    const seen = JSON.stringify((await services.listEquipment(context)).pits.find((each) => each.id === 'guarded'));
    must(await services.savePit(context, { ...pit, warmUpMin: 45 }, { seen }));
    // What differs is put together.
    expect(must(await services.savePit(context, { ...pit, name: 'Mine' }, { seen }))).toEqual({ id: 'guarded', together: true });
    const kept = async () => (await services.listEquipment(context)).pits.find((each) => each.id === 'guarded')!;
    expect(await kept()).toMatchObject({ name: 'Mine', warmUpMin: 45 });
    // What both changed is asked about, with both values; the rest stays with it, whoever is right.
    const both = { ...pit, warmUpMin: 50, openingDropC: 33 };
    const refused = await services.savePit(context, both, { seen });
    expect(codes(refused)).toEqual(['entryChangedElsewhere']);
    expect(refused.ok ? {} : refused.problems[0]!.data).toMatchObject({ path: '["warmUpMin"]', to: '50', theirs: '45', gone: false });
    expect(await kept()).toMatchObject({ name: 'Mine', warmUpMin: 45, openingDropC: OFFSET.openingDropC });
    must(await services.savePit(context, both, { seen, settle: 'theirs' }));
    expect(await kept()).toMatchObject({ name: 'Mine', warmUpMin: 45, openingDropC: 33 });
    must(await services.savePit(context, both, { seen, settle: 'mine' }));
    expect(await kept()).toMatchObject({ name: 'Mine', warmUpMin: 50, openingDropC: 33 });
    // Right each, wrong together: two racks of one name.
    const now = JSON.stringify(await kept());
    const renamed = async (nth: number, name: string) => ({
      ...(JSON.parse(now) as typeof pit),
      racks: pit.racks.map((rack, i) => (i === nth ? { ...rack, name } : rack)),
    });
    must(await services.savePit(context, await renamed(0, 'Lower'), { seen: now }));
    expect(codes(await services.savePit(context, await renamed(1, 'lower'), { seen: now }))).toEqual(['rackNameTwice@racks.1.name']);
    // What is sent as seen and is nothing at all leaves what was typed.
    must(await services.savePit(context, { ...pit, name: 'Mine' }, { seen: 'nonsense', settle: 7 }));
    const { library } = await services.readLibrary(context);
    const method = library.methods[0]!;
    must(await services.saveMethod(context, { ...method, name: 'Ours' }, { seen: JSON.stringify(method) }));
    expect(codes(await services.saveMethod(context, { ...method, name: 'Theirs' }, { seen: JSON.stringify(method) }))).toEqual([
      'entryChangedElsewhere',
    ]);
    must(await services.restoreEntry(context, 'method', method.id));
    must(await services.putGearAway(context, { kind: 'pit', id: 'guarded' }));
  });

  it('refuses two racks of one name', async () => {
    expect(
      codes(await services.savePit(context, { ...PIT, racks: [PIT.racks[0]!, { ...PIT.racks[0]!, id: 'r2', name: ' Main ' }] })),
    ).toEqual(['rackNameTwice@racks.1.name']);
  });

  it('keeps all that a pit is: zones, blocked parts, a round grate, fuel, gauge, blower', async () => {
    const full: Pit = {
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
    must(await services.savePit(context, full));
    const { pits } = await services.listEquipment(context);
    expect(pits).toEqual([{ ...full, racks: [full.racks[0], { ...full.racks[1]!, depthMm: 440 }] }]);
    const beyond = { ...full, racks: [{ ...full.racks[0]!, zones: [{ fromMm: 0, toMm: 1300, offsetC: 5 }] }] };
    expect(codes(await services.savePit(context, beyond))).toEqual(['beyondRack@racks.0.zones.0.toMm']);
    const over = {
      ...full,
      racks: [{ ...full.racks[0]!, blocked: [{ xMm: 0, yMm: 400, widthMm: 100, depthMm: 200, by: 'mop pot' as const }] }],
    };
    expect(codes(await services.savePit(context, over))).toEqual(['beyondRack@racks.0.blocked.0.depthMm']);
  });

  it('has warmers, thermometers and crew, and comes in ready-made sets', async () => {
    must(await services.addSet(context, 'kitchen'));
    must(await services.addSet(context, 'garden'));
    must(await services.saveProbe(context, { id: 'pen', name: ' Pen ', channels: 4, iceC: 0.2, boilC: 99.8, altitudeM: 20, out: false }));
    must(await services.saveCrew(context, { id: 'ada', name: 'Ada' }));
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

  it('of every event is there to be chosen likewise elsewhere', async () => {
    must(await services.addSet(context, 'kitchen'));
    const one = must(await services.createEvent(context, NEW));
    must(await services.savePit(context, PIT));
    const two = must(await services.createEvent(context, { ...NEW, date: '2027-06-20' }));
    const [first] = await services.listChosenEquipment(context);
    expect(first).toEqual({
      id: one.id,
      name: 'Supper',
      chosen: { pitIds: one.pitIds, boxIds: [], warmerIds: one.warmerIds, probeIds: [] },
    });
    must(await services.putGearAway(context, { kind: 'pit', id: one.pitIds[0]! }));
    // What is no longer owned falls away.
    const copied = must(await editAs(context, two.id, 'chooseEquipment', first!.chosen));
    expect(copied.pitIds).toEqual(one.pitIds.slice(1));
    expect(copied.warmerIds).toEqual(one.warmerIds);
  });

  it('has a day: the drive, the sleep, the weather and who is on duty, by the clock of the place', async () => {
    const event = must(await services.createEvent(context, NEW));
    const shift = { memberId: 'ada', fromDate: '2027-06-19', fromTime: '04:30', toDate: '2027-06-19', toTime: '21:00' };
    const day = {
      venue: {
        setUpMin: 30,
        power: '2 x 16 A',
        rules: 'No open fire after ten.',
        quietFrom: '22:30',
        quietTo: '04:30',
      },
      places: [
        { id: 'base', name: 'Yard' },
        { id: 'green', name: 'Green' },
      ],
      roads: [{ fromId: 'base', toId: 'green', minutes: 40 }],
      servedAt: [],
      standing: [],
      weather: { airC: 12, windMPerS: 6 },
      duty: [shift],
    };
    const saved = must(await editAs(context, event.id, 'saveDay', day));
    expect(saved.duty).toEqual([
      { memberId: 'ada', fromMs: Date.parse('2027-06-19T04:30:00-03:00'), toMs: Date.parse('2027-06-19T21:00:00-03:00') },
    ]);
    expect(saved.venue).toMatchObject({ setUpMin: 30, quietTo: '04:30' });
    expect(saved.roads).toEqual([{ fromId: 'base', toId: 'green', minutes: 40 }]);
    expect(await loadEvent(event.id)).toEqual(saved);
    expect(codes(await editAs(context, event.id, 'saveDay', { ...day, duty: [{ ...shift, toTime: '04:00' }] }))).toEqual([
      'dutyReversed@duty.0.toTime',
    ]);
    expect(
      codes(
        await editAs(context, event.id, 'saveDay', {
          ...day,
          duty: [{ ...shift, fromDate: '2028-03-12', fromTime: '02:30', toDate: '2028-03-12' }],
        }),
      ),
    ).toEqual(['clockSkipsIt@duty.0.fromTime']);
  });

  it('is chosen by an event only while it is owned, each once and in the order it was made', async () => {
    must(await services.savePit(context, PIT));
    must(await services.savePit(context, { ...PIT, id: 'a-second', name: 'Second' }));
    const event = must(await services.createEvent(context, NEW));
    const choose = (pitIds: string[]) => editAs(context, event.id, 'chooseEquipment', { pitIds, boxIds: [], warmerIds: [], probeIds: [] });
    expect(must(await choose([])).pitIds).toEqual([]);
    expect(must(await choose(['a-second', 'pit', 'lost'])).pitIds).toEqual(['pit', 'a-second']);
    expect(codes(await choose(['pit', 'pit']))).toEqual(['ids@pitIds']);
  });
});

describe('planning an event', () => {
  it('uses only what the event chose, and the minute it is', async () => {
    must(await services.savePit(context, PIT));
    must(await services.saveBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.3 }));
    const event = must(await services.createEvent(context, NEW));
    must(await saveBrief(event, briefOf(event)));
    const planned = (await services.planEvent(context, event.id))!;
    expect(planned.input.earliestMs).toBe(NOW_MS);
    expect(planned.plan.runs).toHaveLength(1);
    expect(planned.plan.revision).toBe(2);
    must(await editAs(context, event.id, 'chooseEquipment', { pitIds: [], boxIds: [], warmerIds: [], probeIds: [] }));
    const without = (await services.planEvent(context, event.id))!;
    expect(without.plan.problems[0]).toMatchObject({ code: 'noSuitablePit', need: 'smoke' });
    expect(await services.planEvent(context, 'nobody')).toBeUndefined();
  });
});

const METHOD: Method = {
  id: 'low-paper',
  name: 'Paper, mine',
  line: 'As we do it.',
  practice: '',
  purpose: 'tender',
  pitC: 125,
  pitRangeC: [115, 135],
  wrap: 'paper',
  wrapWhen: { coreC: 70, bark: false, all: false },
  needsSmoke: true,
  finishOffSmoke: true,
  ventMin: 10,
  restMin: 45,
  holdIdealMin: [60, 240],
  holdMaxMin: 600,
};
const CUT: Cut = {
  id: 'own-cut',
  name: 'Island shoulder',
  noun: ['shoulder', 'shoulders'],
  species: 'lamb',
  safetyClass: 'whole',
  carved: 'pull',
  lengthMm: 240,
  widthMm: 170,
  thicknessMm: 90,
  fillShare: 0.75,
  heatDepthShare: 1,
  typicalBoughtKg: [2, 3],
  trimShare: 0.1,
  yieldShare: 0.55,
  done: { by: 'tender', convertedShare: 0.78 },
  pulledAtC: [91, 95],
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
    must(await services.savePit(context, PIT));
    must(await services.saveBox(context, { id: 'box', name: 'Box', litres: 70, lossWPerK: 0.3 }));
    const event = must(await services.createEvent(context, NEW));
    must(await saveBrief(event, briefOf(event)));
    expect((await services.planEvent(context, event.id))!.plan.runs[0]).toMatchObject({ pitC: 125, restMin: 45 });
    must(await services.restoreEntry(context, 'method', 'low-paper'));
    expect((await services.planEvent(context, event.id))!.plan.runs[0]).toMatchObject({ restMin: 60 });
    expect(codes(await services.restoreEntry(context, 'method', 'low-paper'))).toEqual(['nothingToRestore']);
  });

  it('keeps a cut of one’s own while an event uses it', async () => {
    must(await services.saveCut(context, CUT));
    const event = must(await services.createEvent(context, NEW));
    const [batch] = briefOf(event).servings[0]!.batches;
    must(await saveBrief(event, briefOf(event, { batches: [{ ...batch!, cutId: 'own-cut' }] })));
    expect(codes(await services.restoreEntry(context, 'cut', 'own-cut'))).toEqual(['libraryInUse']);
    must(await services.deleteEvent(context, event.id));
    must(await services.restoreEntry(context, 'cut', 'own-cut'));
    expect((await services.readLibrary(context)).own.cuts).toEqual([]);
  });

  it('refuses a heat outside its band and a wrap without a moment', async () => {
    expect(codes(await services.saveMethod(context, { ...METHOD, pitC: 160 }))).toEqual(['heatOutsideBand@pitC']);
    expect(codes(await services.saveMethod(context, { ...METHOD, wrapWhen: {} }))).toEqual(['wrapWithoutWhen@wrap']);
    must(await services.saveMethod(context, { ...METHOD, wrap: 'none', unwrapAfterMin: 200 }));
    expect((await services.readLibrary(context)).library.methods.find((method) => method.id === 'low-paper')).toMatchObject({
      wrap: 'none',
      wrapWhen: {},
    });
  });
});
