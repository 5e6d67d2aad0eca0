import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { EQUIPMENT_SETS, READY_MENUS } from '../../src/core/model';
import * as services from '../../src/services';
import { codes, must, openContext } from '../fixtures/context';

const NOW_MS = Date.parse('2027-05-01T12:00:00Z');
let context: services.Context;
let close: () => Promise<void>;

beforeEach(async () => ({ context, close } = await openContext(NOW_MS)));
afterEach(() => close());

const supper = (menuId?: string, adults = 24) => ({
  name: 'First supper',
  place: 'A garden',
  timeZone: 'America/Halifax',
  date: '2027-05-15',
  time: '18:00',
  adults,
  children: 0,
  menuId,
});

describe('a new owner’s first minutes', () => {
  it('lead to a plan in two presses: a set of pits, and an event with a menu', async () => {
    must(await services.addSet(context, EQUIPMENT_SETS[0]!.id));
    const event = must(await services.createEvent(context, supper(READY_MENUS[0]!.id)));
    const { plan } = (await services.planEvent(context, event.id))!;
    expect(plan.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
    expect(plan.runs.length).toBeGreaterThan(0);
    expect(plan.tasks.some((task) => task.kind === 'light')).toBe(true);
    expect(event.servings[0]!.sides!.length).toBeGreaterThan(0);
  });

  it('say what is missing where there is no pit, and plan once there is one', async () => {
    const event = must(await services.createEvent(context, supper(READY_MENUS[0]!.id)));
    const before = (await services.planEvent(context, event.id))!.plan;
    expect(before.runs).toEqual([]);
    expect(before.problems.length).toBeGreaterThan(0);
  });

  it('size every ready-made menu by its guests', async () => {
    for (const { id, batches } of READY_MENUS) {
      const few = must(await services.createEvent(context, supper(id, 12)));
      const many = must(await services.createEvent(context, supper(id, 120)));
      const pieces = (event: typeof few) => event.batches.reduce((sum, batch) => sum + batch.pieces.length, 0);
      expect(few.batches).toHaveLength(batches.length);
      expect(pieces(many)).toBeGreaterThan(3 * pieces(few));
    }
  });

  it('leave the menu open where none is chosen, and refuse a day that is past', async () => {
    expect(must(await services.createEvent(context, supper())).batches).toEqual([]);
    expect(must(await services.createEvent(context, supper('nowhere'))).batches).toEqual([]);
    expect(codes(await services.createEvent(context, { ...supper(), date: '2020-01-01' }))).toEqual(['servingInPast@date']);
  });
});
