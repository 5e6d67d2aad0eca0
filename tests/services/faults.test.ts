import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bareConnection } from '../../src/persistence/bareConnection';
import { loadEntries, WriteFault, type Database } from '../../src/persistence';
import { faultsAsOutcome } from '../../src/runtime/faults';
import { createEvent, listEvents, recordEntries, type Context } from '../../src/services';
import { aBegunDay, codes, must, openContext } from '../fixtures/context';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
beforeEach(async () => {
  house = await openContext(NOW);
  context = house.context;
});
afterEach(() => house.close());

/** The same database on a disk that has no room left: SQLite itself says so. */
const onFullDisk = (db: Database): Database => ({
  ...db,
  write: (work) =>
    db.write(async (transaction) => {
      const [[pages]] = (await db.sequelize.query('PRAGMA page_count', { transaction })) as [{ page_count: number }[], unknown];
      await db.sequelize.query(`PRAGMA max_page_count = ${pages!.page_count}`, { transaction });
      return work(transaction);
    }),
});
const note = (id: string, text: string) => ({ id, atMs: NOW, by: 'Ada', deed: { kind: 'note' as const, text } });

describe('what cannot be written', () => {
  it('because the disk is full is told, nothing of it is kept, and it counts once when it is sent again', async () => {
    const eventId = await aBegunDay(context);
    must(await recordEntries(context, { eventId, entries: [note('before', 'x')] }));
    const full = { ...context, db: onFullDisk(context.db) };
    const entries = Array.from({ length: 40 }, (_, i) => note(`n${i}`, 'a long note, '.repeat(40)));
    await expect(recordEntries(full, { eventId, entries })).rejects.toThrow(WriteFault);
    expect(codes(await faultsAsOutcome(recordEntries(full, { eventId, entries })))).toEqual(['diskFull']);
    expect((await loadEntries(eventId)).map((each) => each.id)).toEqual([`${eventId}-started`, 'before']);
    expect(context.db.fault()).toBe('diskFull');
    must(await recordEntries(context, { eventId, entries }));
    must(await recordEntries(context, { eventId, entries }));
    expect(await loadEntries(eventId)).toHaveLength(42);
    expect(context.db.fault()).toBeUndefined();
  });

  it('because another program holds the file is told, and is written once that lets go', async () => {
    const [{ file }] = (await context.db.sequelize.query('PRAGMA database_list'))[0] as [{ file: string }];
    const other = await bareConnection(file, 1000);
    await other.ask('BEGIN EXCLUSIVE');
    const event = { name: 'Waiting', place: '', timeZone: 'UTC', date: '2027-07-15', time: '18:00', adults: 10, children: 0 };
    expect(codes(await faultsAsOutcome(createEvent(context, event)))).toEqual(['databaseBusy']);
    await other.ask('ROLLBACK');
    await other.close();
    expect(await listEvents(context)).toHaveLength(0);
    must(await createEvent(context, event));
    expect(await listEvents(context)).toHaveLength(1);
  }, 40_000);

  it('for a reason nobody foresaw is not dressed up', async () => {
    await expect(faultsAsOutcome(Promise.reject(new Error('a slip')))).rejects.toThrow('a slip');
  });
});
