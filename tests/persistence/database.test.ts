import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  eventsHolding,
  listEvents,
  listWeighedPieces,
  loadEvent,
  loadOwnLibrary,
  markEventDeleted,
  openDatabase,
  removeLibraryEntry,
  saveEvent,
  saveLibraryEntry,
  type Database,
} from '../../src/persistence';
import { MIGRATIONS } from '../../src/persistence/migrations';
import { METHODS } from '../../src/core/model';
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

/** The first migration as it shipped: it never changes again. */
const FIRST_CHECKSUM = '0280ac0e5ad328466c0a94f145e4856ff74b948009f8c8794d0c58ffbcab8107';
/** The second, likewise. */
const SECOND_CHECKSUM = '8b7417c8a8d74c07dce726c6c2d8d3eaa966088b79b78ede1bc2037f9070e567';
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

  it('takes the change of two programs that read before they write, one after the other', async () => {
    db = await openDatabase(file);
    const other = await openDatabase(file);
    const add = (into: Database, name: string) =>
      into.write(async (transaction) => {
        const ask = (sql: string) => into.sequelize.query(sql, { transaction });
        await into.sequelize.query('SELECT count(*) FROM events', { type: QueryTypes.SELECT, transaction });
        await new Promise((resolve) => setTimeout(resolve, 60));
        await ask(`CREATE TABLE ${name} (id TEXT)`);
      });
    await Promise.all([...'abcd'].map((name, at) => add(at % 2 ? db! : other, name)));
    const [tables] = await db.sequelize.query('SELECT name FROM sqlite_master WHERE length(name) = 1 ORDER BY name');
    expect(tables).toEqual([...'abcd'].map((name) => ({ name })));
    await other.close();
  });

  it('is in WAL mode with foreign keys on', async () => {
    db = await openDatabase(file);
    const ask = (pragma: string) => db!.sequelize.query<Record<string, unknown>>(`PRAGMA ${pragma}`, { type: QueryTypes.SELECT });
    expect(await ask('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await ask('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
    await expect(db.sequelize.query(`INSERT INTO weighed_pieces VALUES ('nobody', 0, 'c', 1, 1)`)).rejects.toThrow(/FOREIGN KEY/);
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
    const torn = db.write(async (transaction) => {
      await saveEvent(eventOf(menu, { id: 'torn' }), 1, transaction);
      throw new Error('half way');
    });
    await expect(torn).rejects.toThrow('half way');
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

  it('brings a database of the first version to the newest, with everything in it', async () => {
    const [first, ...later] = MIGRATIONS;
    mkdirSync(path.dirname(file), { recursive: true });
    const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    await old.query(
      'CREATE TABLE migrations (name TEXT PRIMARY KEY, checksum TEXT NOT NULL, ran_at TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP)',
    );
    for (const statement of first!.statements) await old.query(statement);
    await old.query('INSERT INTO migrations (name, checksum) VALUES (?, ?)', { replacements: [first!.name, FIRST_CHECKSUM] });
    await old.query(`INSERT INTO events VALUES ('e', 'Old supper', '', 'America/Halifax', 0, 0.9, 3, 1, 1, NULL)`);
    await old.close();
    db = await openDatabase(file);
    expect((await loadEvent('e'))?.name).toBe('Old supper');
    const ran = await db.sequelize.query<{ name: string }>('SELECT name FROM migrations ORDER BY name', { type: QueryTypes.SELECT });
    expect(ran.map((row) => row.name)).toEqual([first!.name, ...later.map((migration) => migration.name)]);
  });

  it('brings a database of the second version along with the owner’s library', async () => {
    mkdirSync(path.dirname(file), { recursive: true });
    const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    await old.query(
      'CREATE TABLE migrations (name TEXT PRIMARY KEY, checksum TEXT NOT NULL, ran_at TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP)',
    );
    for (const [i, migration] of MIGRATIONS.slice(0, 2).entries()) {
      for (const statement of migration.statements) await old.query(statement);
      await old.query('INSERT INTO migrations (name, checksum) VALUES (?, ?)', {
        replacements: [migration.name, [FIRST_CHECKSUM, SECOND_CHECKSUM][i]],
      });
    }
    const method = JSON.stringify({ ...METHODS[0]!, name: 'Mine' });
    await old.query(`INSERT INTO library_entries VALUES ('method', 'low-bare', ?, 1)`, { replacements: [method] });
    await old.query(`INSERT INTO events VALUES ('e', 'Old supper', '', 'America/Halifax', 0, 0.9, 3, 1, 1, NULL)`);
    await old.query(`INSERT INTO servings VALUES ('e', 's', 0, 'Supper', 5, 45, 30, 10, 0, 0, 1)`);
    await old.query(`INSERT INTO batches VALUES ('e', 'b', 's', 0, 'pork-butt', 'low-bare', '', 'hand')`);
    await old.query(`INSERT INTO pieces VALUES ('e', 'b', 'p', 0, 3.5)`);
    await old.close();
    db = await openDatabase(file);
    expect((await loadOwnLibrary()).methods[0]!.name).toBe('Mine');
    expect((await loadEvent('e'))!.batches[0]!.pieces).toEqual([{ id: 'p', kg: 3.5 }]);
    expect(await listWeighedPieces()).toEqual([]);
  });

  it('turns a drive into a road to a place, and leaves what cannot be read as it is', async () => {
    db = await openDatabase(file);
    await db.sequelize.query(`DELETE FROM migrations WHERE name = '0007-places'`);
    const kept = eventOf([], { id: 'e', place: 'Sorrel Down' });
    const [supper] = kept.servings;
    const before = {
      ...kept,
      venue: { driveMin: 40, setUpMin: 20, power: '', rules: '', quietFrom: '22:30', quietTo: '04:30' },
      servings: [supper, { ...supper, id: 'lunch', name: 'Lunch', travelMin: 15 }, { ...supper, id: 'late', travelMin: 0 }],
    };
    await db.write((transaction) => saveEvent(kept, 1, transaction));
    const put = (id: string, body: string) => db!.sequelize.query('UPDATE events SET body = ? WHERE id = ?', { replacements: [body, id] });
    await put('e', JSON.stringify(before));
    await db.write((transaction) => saveEvent({ ...kept, id: 'broken' }, 1, transaction));
    await put('broken', '{');
    await db.close();
    db = await openDatabase(file);
    const after = (await loadEvent('e'))!;
    expect(after.places).toEqual([
      { id: 'base', name: 'Base' },
      { id: 'venue', name: 'Sorrel Down' },
      { id: 'to/lunch', name: 'Lunch' },
    ]);
    expect(after.roads).toEqual([
      { fromId: 'base', toId: 'venue', minutes: 40 },
      { fromId: 'base', toId: 'to/lunch', minutes: 15 },
    ]);
    expect(after.servings.map((serving) => serving.placeId)).toEqual(['venue', 'to/lunch', undefined]);
    expect(after.venue).not.toHaveProperty('driveMin');
  });

  it('gives back everything buying, prep and safety keep', async () => {
    db = await openDatabase(file);
    const batch = batchOf('pork-butt', 1, {
      share: 0.4,
      second: { name: 'Rolls', servingId: 'supper', partShare: 0.3 },
      buying: { source: 'Harbour Meats', pricePerKg: 5 },
      prep: { salt: 'night', done: ['trim'] },
      received: { packWhole: true, colourGood: true, fatEven: true, note: '', coreC: 3 },
      leftover: { kg: 1, portionThicknessMm: 30, way: 'ice' },
      pieces: [{ id: 'p', kg: 3.4, boughtKg: 4, trimmedKg: 3.4, thicknessMm: 120, grade: 'prime' }],
    });
    const event = eventOf([batch], {
      id: 'full',
      kitchen: { fridgeLitres: 200 },
      currency: 'EUR',
      loosened: [{ rule: 'hotHold', limit: 57, reason: 'The department asks 57' }],
      ticked: ['Kit/drip pans'],
    });
    await db.write((transaction) => saveEvent(event, 1, transaction));
    expect(await loadEvent('full')).toEqual(event);
    expect(await listWeighedPieces()).toEqual([{ eventId: 'full', cutId: 'pork-butt', boughtKg: 4, trimmedKg: 3.4 }]);
  });

  it('keeps the owner’s cuts and methods, and gives them up', async () => {
    db = await openDatabase(file);
    const method = { ...METHODS[0]!, name: 'Mine' };
    await db.write((transaction) => saveLibraryEntry('method', method, 1, transaction));
    expect(JSON.parse(JSON.stringify((await loadOwnLibrary()).methods))).toEqual(JSON.parse(JSON.stringify([method])));
    await db.write((transaction) => saveEvent(eventOf([batchOf('pork-butt', 1, { methodId: method.id })], { id: 'user' }), 1, transaction));
    expect(await eventsHolding(method.id)).toEqual(['Gannet Point supper']);
    expect(await db.write((transaction) => removeLibraryEntry('method', method.id, transaction))).toBe(true);
    expect((await loadOwnLibrary()).methods).toEqual([]);
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
