import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { GearRow, LibraryEntryRow } from '../../src/persistence/tables';
import * as services from '../../src/services';
import type { Context } from '../../src/services';
import { must, openContext } from '../fixtures/context';

const NOW_MS = Date.parse('2027-05-01T12:00:00Z');
let context: Context;
let close: () => Promise<void>;

beforeEach(async () => {
  ({ context, close } = await openContext(NOW_MS));
});
afterEach(() => close());

const BOX = { id: 'box', name: 'Blue box', litres: 70, lossWPerK: 0.6 };

describe('what another hand has stored', () => {
  it('is told where it cannot be used, and can be put away or entered anew', async () => {
    must(await services.saveBox(context, BOX));
    await context.db.write((transaction) =>
      GearRow.create({ kind: 'pit', id: 'broken', body: '{"name":"Old offset","racks":', createdAtMs: 1 }, { transaction }),
    );
    await context.db.write((transaction) =>
      LibraryEntryRow.create({ kind: 'cut', id: 'pork-butt', body: '{"name":"Our butt","noun":7}', updatedAtMs: 1 }, { transaction }),
    );
    expect((await services.listEquipment(context)).pits).toEqual([]);
    expect(await services.storedUnusable()).toEqual({
      gear: [{ kind: 'pit', id: 'broken', name: '' }],
      library: [{ kind: 'cut', id: 'pork-butt', name: 'Our butt' }],
    });
    // The library goes on with the entry that is shipped.
    expect((await services.readLibrary(context)).library.cuts.some(({ id }) => id === 'pork-butt')).toBe(true);
    must(await services.putGearAway(context, { kind: 'pit', id: 'broken' }));
    must(await services.restoreEntry(context, 'cut', 'pork-butt'));
    expect(await services.storedUnusable()).toEqual({ gear: [], library: [] });
  });

  it('stands under the id of its row, whatever its document says', async () => {
    await context.db.write((transaction) =>
      GearRow.create({ kind: 'box', id: 'row', body: JSON.stringify({ ...BOX, id: 'other' }), createdAtMs: 1 }, { transaction }),
    );
    expect((await services.listEquipment(context)).boxes.map(({ id }) => id)).toEqual(['row']);
  });
});

describe('pages', () => {
  const NEW = {
    name: 'Supper',
    place: 'Gannet Point',
    timeZone: 'America/Halifax',
    date: '2027-06-19',
    time: '18:00',
    adults: 40,
    children: 4,
  };

  it('read a document again only when anything was written, by whichever connection', async () => {
    const event = must(await services.createEvent(context, NEW));
    const read = async () => (await services.readDocument(context, event.id))!;
    const first = await read();
    expect((await read()).event).toBe(first.event);
    must(await services.saveBox(context, BOX));
    expect((await read()).facts.equipment.boxes.map(({ id }) => id)).toEqual(['box']);
    must(await services.deleteEvent(context, event.id));
    expect(await services.readDocument(context, event.id)).toBeUndefined();
    must(await services.restoreEvent(context, event.id));
    expect((await read()).event).toEqual(first.event);
  });

  it('have one plan of an event made at a time, and stand with the last one meanwhile', async () => {
    const event = must(await services.createEvent(context, NEW));
    const begun: (() => void)[] = [];
    const slow: Context = {
      ...context,
      planner: {
        ...context.planner,
        plan: (input) => new Promise((resolve) => begun.push(() => void context.planner.plan(input).then(resolve))),
      },
    };
    const [none, alsoNone] = await Promise.all([services.planAtHand(slow, event.id), services.planAtHand(slow, event.id)]);
    expect([none!.plan, alsoNone!.plan, begun.length]).toEqual([undefined, undefined, 1]);
    begun[0]!();
    await expect.poll(async () => (await services.planAtHand(slow, event.id))!.plan).toBeDefined();
    expect(begun.length).toBe(1);
    must(await services.editEvent(context, event.id, (found) => ({ ok: true, value: { ...found, name: 'Lunch' } }), undefined));
    const [one, other] = await Promise.all([services.planAtHand(slow, event.id), services.planAtHand(slow, event.id)]);
    expect([one!.event.name, one!.plan, begun.length]).toEqual(['Lunch', other!.plan, 2]);
    expect(one!.plan).toBeDefined();
  });

  it('try again where a plan could not be made', async () => {
    const event = must(await services.createEvent(context, NEW));
    const down: Context = { ...context, planner: { ...context.planner, plan: () => Promise.reject(new Error('too long')) } };
    expect((await services.planAtHand(down, event.id))!.plan).toBeUndefined();
    expect((await services.planAtHand(context, event.id))!.plan).toBeDefined();
  });
});
