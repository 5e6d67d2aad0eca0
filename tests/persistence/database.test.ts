import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { QueryTypes } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { listEvents, loadEvent, markEventDeleted, openDatabase, saveEvent, type Database } from '../../src/persistence';
import { batchOf, eventOf } from '../fixtures/events';

let folder: string;
let file: string;
let db: Database | undefined;

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-db-'));
  file = path.join(folder, 'deep', 'house.sqlite');
});
afterEach(async () => {
  await db?.close();
  db = undefined;
  rmSync(folder, { recursive: true, force: true });
});

const menu = [batchOf('pork-butt', 3), batchOf('brisket-whole', 2)];

describe('the database', () => {
  it('gives back an event exactly as it was saved, through any number of changes', async () => {
    db = await openDatabase(file);
    const event = eventOf(menu, { id: 'one' });
    await db.write((transaction) => saveEvent(event, 1, transaction));
    expect(await loadEvent('one')).toEqual(event);
    const smaller = { ...event, name: 'Other', revision: 2, batches: [menu[1]!] };
    await db.write((transaction) => saveEvent(smaller, 2, transaction));
    expect(await loadEvent('one')).toEqual(smaller);
  });

  it('is in WAL mode with foreign keys on', async () => {
    db = await openDatabase(file);
    const ask = (pragma: string) => db!.sequelize.query<Record<string, unknown>>(`PRAGMA ${pragma}`, { type: QueryTypes.SELECT });
    expect(await ask('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await ask('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
    await expect(db.sequelize.query(`INSERT INTO racks VALUES ('nobody', 'r', 0, 'r', 1, 1, 1, 1, 1)`)).rejects.toThrow(/FOREIGN KEY/);
  });

  it('takes a hundred writes at once, one after another', async () => {
    db = await openDatabase(file);
    await Promise.all(
      Array.from({ length: 100 }, (_, i) => db!.write((transaction) => saveEvent(eventOf(menu, { id: `event-${i}` }), i, transaction))),
    );
    expect(await listEvents()).toHaveLength(100);
  });

  it('undoes the whole of a write that fails half way', async () => {
    db = await openDatabase(file);
    const twice = eventOf([menu[0]!, menu[0]!], { id: 'torn' });
    await expect(db.write((transaction) => saveEvent(twice, 1, transaction))).rejects.toThrow();
    expect(await loadEvent('torn')).toBeUndefined();
    await db.write((transaction) => saveEvent(eventOf(menu, { id: 'next' }), 1, transaction));
    expect(await loadEvent('next')).toBeDefined();
  });

  it('brings a deleted event back whole', async () => {
    db = await openDatabase(file);
    const event = eventOf(menu, { id: 'gone' });
    await db.write((transaction) => saveEvent(event, 1, transaction));
    await db.write((transaction) => markEventDeleted('gone', 5, transaction));
    expect(await loadEvent('gone')).toBeUndefined();
    expect(await listEvents()).toEqual([]);
    await db.write((transaction) => markEventDeleted('gone', null, transaction));
    expect(await loadEvent('gone')).toEqual(event);
  });

  it('refuses a database from the future or with another history, and leaves it alone', async () => {
    db = await openDatabase(file);
    await db.sequelize.query(`INSERT INTO migrations (name, checksum) VALUES ('9999-later', 'x')`);
    await db.close();
    await expect(openDatabase(file)).rejects.toThrow(/newer Anachron/);
    db = undefined;
  });

  it('loses nothing that was confirmed when the program is killed in the middle of writes', async () => {
    const writer = spawn(process.execPath, ['--import', 'tsx', 'tests/persistence/writer.ts', file], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const confirmed: string[] = [];
    await new Promise<void>((resolve) => {
      writer.stdout.on('data', (text: Buffer) => {
        confirmed.push(
          ...text
            .toString()
            .split('\n')
            .filter((line) => line.startsWith('event-')),
        );
        if (confirmed.length >= 40) writer.kill('SIGKILL');
      });
      writer.on('exit', () => resolve());
    });
    db = await openDatabase(file);
    for (const id of confirmed) expect((await loadEvent(id))?.batches.map((batch) => batch.pieces.length)).toEqual([3, 2]);
    // At most the write that was in flight is there besides; never a torn one.
    const all = await listEvents();
    expect(all.length - confirmed.length).toBeLessThanOrEqual(3);
    for (const { id } of all) expect((await loadEvent(id))?.batches).toHaveLength(2);
    const [{ integrity_check: verdict }] = (await db.sequelize.query<{ integrity_check: string }>('PRAGMA integrity_check', {
      type: QueryTypes.SELECT,
    })) as [{ integrity_check: string }];
    expect(verdict).toBe('ok');
  });
});
