import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bareConnection } from '../../src/persistence/bareConnection';
import { DayHouse } from '../../src/runtime/dayHouse';
import { SteadyClock } from '../../src/runtime/steadyClock';
import type { DayRoom, RoomView } from '../../src/runtime/dayRoom';
import { makeCopy, putCopyBack, recordEntries, type Context } from '../../src/services';
import { aBegunDay, must, openContext } from '../fixtures/context';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
let days: DayHouse;
let nowMs: number;
beforeEach(async () => {
  house = await openContext(NOW);
  nowMs = NOW;
  context = { ...house.context, nowMs: () => nowMs };
  days = new DayHouse(context);
  context.days = days;
});
afterEach(() => house.close());

const fileOf = async () => ((await context.db.sequelize.query('PRAGMA database_list'))[0] as [{ file: string }])[0].file;
const seen = (room: DayRoom) => JSON.parse(room.current().json) as RoomView;
const note = (id: string) => ({ id, atMs: nowMs, by: 'Ada', deed: { kind: 'note' as const, text: 'gulls' } });

describe('the room of a day', () => {
  it('tells news under a version, with the time of sending, and nothing where only time went by', async () => {
    const eventId = await aBegunDay(context);
    const room = (await days.room(eventId))!;
    const first = room.current();
    let told = 0;
    const quit = room.watchers.watch({ news: () => told++, gone: () => {} });
    nowMs += 7000;
    expect(seen(room).nowMs).toBe(nowMs);
    expect(room.current().version).toBe(first.version);
    must(await recordEntries(context, { eventId, entries: [note('a')] }));
    await days.room(eventId);
    expect(told).toBe(1);
    expect(room.current().version).toBeGreaterThan(first.version);
    expect(seen(room).journal.at(-1)!.id).toBe('a');
    quit();
    must(await recordEntries(context, { eventId, entries: [note('b')] }));
    expect(told).toBe(1);
  });

  it('says on every screen that nothing can be written, and that it can again, though nobody does anything', async () => {
    const room = (await days.room(await aBegunDay(context)))!;
    expect(room.view().fault).toBeUndefined();
    const other = await bareConnection(await fileOf(), 1000);
    await other.ask('BEGIN EXCLUSIVE');
    await expect(recordEntries(context, { eventId: 'nobody', entries: [] })).resolves.toBeDefined();
    await expect(context.db.write((transaction) => context.db.sequelize.query('DELETE FROM settings', { transaction }))).rejects.toThrow();
    expect(room.view().fault).toBe('databaseBusy');
    await other.ask('ROLLBACK');
    await other.close();
    nowMs += 60_000;
    await days.tickAll();
    expect(room.view().fault).toBeUndefined();
  }, 40_000);

  it('goes on by its own time when the house’s clock is set, tells every screen, and knows it after a start', async () => {
    const eventId = await aBegunDay(context);
    const machine = { wallMs: NOW, upMs: 9000 };
    const clockOf = () => new SteadyClock({ wallMs: () => machine.wallMs, upMs: () => machine.upMs, tickMs: () => machine.upMs });
    const started = async () => {
      const clock = clockOf();
      const own: Context = { ...context, nowMs: () => clock.nowMs() };
      const opened = new DayHouse(own, clock);
      own.days = opened;
      await opened.start();
      return { own, opened, room: (await opened.room(eventId))! };
    };
    const { own, opened, room } = await started();
    expect(room.view()).not.toHaveProperty('clockSet');
    machine.wallMs -= 3 * 3_600_000;
    await opened.tickAll();
    expect(room.view().clockSet).toEqual({ sinceMs: NOW, byMs: -3 * 3_600_000 });
    machine.wallMs += 60_000;
    machine.upMs += 60_000;
    must(await recordEntries(own, { eventId, entries: [{ id: 'late', atMs: own.nowMs(), by: 'Ada', deed: { kind: 'note', text: 'x' } }] }));
    expect(room.view().journal.at(-1)).toMatchObject({ id: 'late', atMs: NOW + 60_000 });
    const again = await started();
    expect(again.room.view()).toMatchObject({ nowMs: NOW + 60_000, clockSet: { byMs: -3 * 3_600_000 } });
    await again.opened.takeMachineTime();
    const anew = (await again.opened.room(eventId))!;
    expect(anew).not.toBe(again.room);
    expect(seen(anew)).not.toHaveProperty('clockSet');
    expect(again.own.nowMs()).toBe(machine.wallMs);
    // What is said from now on is told, though it was later before.
    const { version } = anew.current();
    must(
      await recordEntries(again.own, {
        eventId,
        entries: [{ id: 'then', atMs: machine.wallMs, by: 'Ada', deed: { kind: 'note', text: 'x' } }],
      }),
    );
    expect(anew.current().version).toBeGreaterThan(version);
  });

  it('is left when a copy was put back: who watches is let go, and comes into one that knows the copy', async () => {
    const eventId = await aBegunDay(context);
    const file = await fileOf();
    const { name } = must(await makeCopy(context, file));
    must(await recordEntries(context, { eventId, entries: [note('after')] }));
    const before = (await days.room(eventId))!;
    const { version } = before.current();
    let gone = 0;
    before.watchers.watch({ news: () => {}, gone: () => gone++ });
    nowMs += 1000;
    must(await putCopyBack(context, file, name));
    const after = (await days.room(eventId))!;
    expect(gone).toBe(1);
    expect(after).not.toBe(before);
    expect(seen(after).journal.map((each) => each.id)).not.toContain('after');
    // To a screen that saw the one before it is news.
    expect(after.current().version).toBeGreaterThan(version);
  });
});
