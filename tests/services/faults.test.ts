import { spawn } from 'node:child_process';
import { closeSync, openSync, renameSync, statSync, writeSync } from 'node:fs';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bareConnection } from '../../src/persistence/bareConnection';
import { holdForServing, loadEntries, WriteFault, type Database } from '../../src/persistence';
import { withFaults } from '../../src/runtime/faults';
import { copiesFolder, createEvent, listEvents, makeCopy, recordEntries, type Context } from '../../src/services';
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
const fileOf = async () => ((await context.db.sequelize.query('PRAGMA database_list'))[0] as [{ file: string }])[0].file;
const note = (id: string, text: string) => ({ id, atMs: NOW, by: 'Ada', deed: { kind: 'note' as const, text } });

describe('what cannot be written', () => {
  it('because the disk is full is told, nothing of it is kept, and it counts once when it is sent again', async () => {
    const eventId = await aBegunDay(context);
    must(await recordEntries(context, { eventId, entries: [note('before', 'x')] }));
    const full = { ...context, db: onFullDisk(context.db) };
    const entries = Array.from({ length: 40 }, (_, i) => note(`n${i}`, 'a long note, '.repeat(40)));
    await expect(recordEntries(full, { eventId, entries })).rejects.toThrow(WriteFault);
    expect(codes(await withFaults(full, (c) => recordEntries(c, { eventId, entries })))).toEqual(['diskFull']);
    expect((await loadEntries(eventId)).map((each) => each.id)).toEqual([`${eventId}-started`, 'before']);
    expect(context.db.fault()).toBe('diskFull');
    must(await recordEntries(context, { eventId, entries }));
    must(await recordEntries(context, { eventId, entries }));
    expect(await loadEntries(eventId)).toHaveLength(42);
    expect(context.db.fault()).toBeUndefined();
  });

  it('because another program holds the file is told, and is written once that lets go', async () => {
    const file = await fileOf();
    const other = await bareConnection(file, 1000);
    await other.ask('BEGIN EXCLUSIVE');
    const event = { name: 'Waiting', place: '', timeZone: 'UTC', date: '2027-07-15', time: '18:00', adults: 10, children: 0 };
    expect(codes(await withFaults(context, (c) => createEvent(c, event)))).toEqual(['databaseBusy']);
    await other.ask('ROLLBACK');
    await other.close();
    expect(await listEvents(context)).toHaveLength(0);
    must(await createEvent(context, event));
    expect(await listEvents(context)).toHaveLength(1);
  }, 40_000);

  it('because its file was moved away is told before anything is confirmed; a copy can still be made, and it counts when it is back', async () => {
    const eventId = await aBegunDay(context);
    const file = await fileOf();
    for (const end of ['', '-wal', '-shm']) renameSync(file + end, `${file}.away${end}`);
    const entries = [note('a', 'x')];
    expect(codes(await withFaults(context, (c) => recordEntries(c, { eventId, entries })))).toEqual(['databaseGone']);
    const copy = must(await makeCopy(context, file));
    expect(copy).toMatchObject({ days: 1, entries: 1 });
    expect(statSync(path.join(copiesFolder(file), copy.name)).size).toBe(copy.bytes);
    for (const end of ['', '-wal', '-shm']) renameSync(`${file}.away${end}`, file + end);
    must(await recordEntries(context, { eventId, entries }));
    expect(await loadEntries(eventId)).toHaveLength(2);
  });

  it('because the file is damaged is told, and its last copy is whole', async () => {
    const eventId = await aBegunDay(context);
    const file = await fileOf();
    const copy = must(await makeCopy(context, file));
    await context.db.sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
    await context.db.sequelize.query('PRAGMA cache_size = 1');
    const disk = openSync(file, 'r+');
    for (let at = 4096; at < statSync(file).size; at += 4096) writeSync(disk, Buffer.alloc(4096, 0x5a), 0, 4096, at);
    closeSync(disk);
    expect(codes(await withFaults(context, (c) => recordEntries(c, { eventId, entries: [note('a', 'x')] })))).toEqual(['databaseDamaged']);
    expect(context.db.fault()).toBe('databaseDamaged');
    // It stays so, though a write may find a page that is whole.
    await context.db.write(async () => {}).catch(() => {});
    expect(context.db.fault()).toBe('databaseDamaged');
    expect(copy).toMatchObject({ days: 1, entries: 1 });
  });

  it('is not written by a second program: it is told where the first one is, until that ends, however it ends', async () => {
    const file = await fileOf();
    const script = `import('./src/persistence/index.ts').then(async ({ holdForServing }) => { globalThis.held = await holdForServing(${JSON.stringify(file)}, 'http://127.0.0.1:3999'); console.log('held'); setInterval(() => {}, 1000); })`;
    const first = spawn(process.execPath, ['--import', 'tsx', '-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
    await new Promise((resolve) => first.stdout.once('data', resolve));
    await expect(holdForServing(file, 'http://127.0.0.1:4000')).rejects.toThrow(
      'is served already, at http://127.0.0.1:3999. Nothing was changed.',
    );
    first.kill('SIGKILL');
    await new Promise((resolve) => first.once('exit', resolve));
    await (await holdForServing(file, 'http://127.0.0.1:4000')).letGo();
    await (await holdForServing(file, 'http://127.0.0.1:4000')).letGo();
  });

  it('for a reason nobody foresaw is not dressed up', async () => {
    await expect(withFaults(context, () => Promise.reject(new Error('a slip')))).rejects.toThrow('a slip');
  });
});
