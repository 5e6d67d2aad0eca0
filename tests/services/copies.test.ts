import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { QueryTypes, type Sequelize } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bareConnection } from '../../src/persistence/bareConnection';
import { openDatabase, type Database } from '../../src/persistence';
import {
  copiesFolder,
  copiesToDrop,
  joinCrew,
  keepDailyCopy,
  keepReadings,
  listCopies,
  listCrewIn,
  listEvents,
  makeCopy,
  openYard,
  previewCopy,
  putCopyBack,
  putOut,
  readYard,
  recordEntries,
  renameEvent,
  type Context,
} from '../../src/services';
import { aBegunDay, codes, must } from '../fixtures/context';
import { ownPlanner } from '../fixtures/planner';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
const DAY_MS = 86_400_000;
let folder: string;
let file: string;
let db: Database;
let context: Context;
let nowMs: number;
beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-copies-'));
  file = path.join(folder, 'house.sqlite');
  db = await openDatabase(file);
  let next = 0;
  nowMs = NOW;
  context = { db, planner: ownPlanner, nowMs: () => nowMs, newId: () => `id-${++next}` };
});
afterEach(async () => {
  await db.close();
  rmSync(folder, { recursive: true, force: true });
});

/** A house with an event, its day under way, and readings. */
async function lived(): Promise<string> {
  const eventId = await aBegunDay(context);
  must(await recordEntries(context, { eventId, entries: [{ id: 'a', atMs: NOW, by: 'Ada', deed: { kind: 'note', text: 'it’s windy' } }] }));
  await keepReadings(
    context,
    [0, 1, 2].map((i) => ({ deviceId: 'hub', channel: '1', atMs: NOW - i * 60_000, tempC: 60 + i })),
  );
  return eventId;
}

/** Every row of every table. */
async function everything(sequelize: Sequelize): Promise<Record<string, object[]>> {
  const tables = await sequelize.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name",
    { type: QueryTypes.SELECT },
  );
  return Object.fromEntries(
    await Promise.all(tables.map(async ({ name }) => [name, await sequelize.query(`SELECT * FROM ${name}`, { type: QueryTypes.SELECT })])),
  ) as Record<string, object[]>;
}

describe('a copy', () => {
  it('holds all that was confirmed, is looked through, and brings it all back', async () => {
    const eventId = await lived();
    const before = await everything(db.sequelize);
    const copy = must(await makeCopy(context, file));
    expect(copy).toMatchObject({ name: 'copy-2027-06-19T070000.sqlite', days: 1, entries: 2 });
    expect(copy.events).toHaveLength(1);
    must(await renameEvent(context, { eventId, name: 'Another' }));
    must(await recordEntries(context, { eventId, entries: [{ id: 'b', atMs: NOW, by: 'Ada', deed: { kind: 'note', text: 'x' } }] }));
    nowMs += 1000;
    let told = 0;
    const days = { ...context.days, allChanged: () => void told++ } as Context['days'];
    const back = must(await putCopyBack({ ...context, days }, file, copy.name));
    expect(await everything(db.sequelize)).toEqual(before);
    expect(told).toBe(1);
    // What was there is a copy, too, and comes back the same way.
    expect(must(await previewCopy(context, file, back.before)).events).toEqual(['Another']);
    nowMs += 1000;
    must(await putCopyBack(context, file, back.before));
    expect((await listEvents(context)).map((each) => each.name)).toEqual(['Another']);
    expect(readdirSync(copiesFolder(file)).every((name) => name.endsWith('.sqlite'))).toBe(true);
  });

  it('is consistent while others write', async () => {
    const eventId = await lived();
    const confirmed: string[] = [];
    let writing = true;
    const writer = (async () => {
      for (let i = 0; writing; i++) {
        must(
          await recordEntries(context, { eventId, entries: [{ id: `w${i}`, atMs: NOW, by: 'Ada', deed: { kind: 'note', text: `${i}` } }] }),
        );
        confirmed.push(`w${i}`);
      }
    })();
    while (confirmed.length < 20) await new Promise((resolve) => setTimeout(resolve, 5));
    const until = confirmed.length;
    const copy = must(await makeCopy(context, file));
    writing = false;
    await writer;
    const bare = await bareConnection(path.join(copiesFolder(file), copy.name), 1000);
    const kept = (await bare.ask<{ entry_id: string }>('SELECT entry_id FROM day_entries')).map((each) => each.entry_id);
    await bare.close();
    for (const id of confirmed.slice(0, until)) expect(kept).toContain(id);
  });

  it('puts nobody back in who was put out, and opens no yard that was closed', async () => {
    await lived();
    const { code } = must(await openYard(context, { joinsAs: 'cook' }));
    must(await joinCrew(context, { code, name: 'Bo' }));
    const copy = must(await makeCopy(context, file));
    must(await putOut(context, { id: (await listCrewIn(context))[0]!.id }));
    const now = must(await openYard(context, { joinsAs: 'helper' }));
    nowMs += 1000;
    must(await putCopyBack(context, file, copy.name));
    expect(await listCrewIn(context)).toEqual([]);
    expect(await readYard(context)).toEqual(now);
  });

  it('of an older program is brought to the newest shape', async () => {
    const eventId = await lived();
    const copy = must(await makeCopy(context, file));
    const old = await bareConnection(path.join(copiesFolder(file), copy.name), 1000);
    await old.ask('DROP TABLE crew_sessions');
    await old.ask("DELETE FROM migrations WHERE name = '0009-crew'");
    await old.close();
    must(await renameEvent(context, { eventId, name: 'Another' }));
    nowMs += 1000;
    must(await putCopyBack(context, file, copy.name));
    expect((await listEvents(context))[0]!.name).not.toBe('Another');
    expect(await listCrewIn(context)).toEqual([]);
  });

  it('that is damaged, cut short, of another program or gone is refused, and all stays as it is', async () => {
    await lived();
    const whole = must(await makeCopy(context, file));
    const present = await everything(db.sequelize);
    const spoil = async (name: string, how: (full: string) => void | Promise<void>) => {
      const full = path.join(copiesFolder(file), name);
      writeFileSync(full, readFileSync(path.join(copiesFolder(file), whole.name)));
      await how(full);
      const done = await putCopyBack(context, file, name);
      expect(codes(done)[0]).toBe('copyRefused');
    };
    await spoil('copy-2027-06-19T080000.sqlite', (full) => truncateSync(full, 40_000));
    await spoil('copy-2027-06-19T080001.sqlite', (full) => writeFileSync(full, 'no database at all, but long enough to be looked at'));
    await spoil('copy-2027-06-19T080002.sqlite', (full) => {
      const bytes = readFileSync(full);
      bytes.fill(0x5a, 5000, 30_000);
      writeFileSync(full, bytes);
    });
    await spoil('copy-2027-06-19T080003.sqlite', async (full) => {
      rmSync(full);
      const other = await bareConnection(full, 1000);
      await other.ask('CREATE TABLE songs (name TEXT)');
      await other.close();
    });
    await spoil('copy-2027-06-19T080004.sqlite', async (full) => {
      const newer = await bareConnection(full, 1000);
      await newer.ask("INSERT INTO migrations (name, checksum) VALUES ('0999-moon', 'x')");
      await newer.close();
    });
    expect(codes(await putCopyBack(context, file, 'copy-2020-01-01T000000.sqlite'))).toEqual(['copyGone']);
    expect(codes(await putCopyBack(context, file, '../house.sqlite'))).toEqual(['copyGone']);
    expect(await everything(db.sequelize)).toEqual(present);
  });

  it('that cannot be written says so, and leaves nothing half made', async () => {
    await lived();
    writeFileSync(copiesFolder(file), 'a file where the folder should be');
    expect(codes(await makeCopy(context, file))).toEqual(['copyRefused']);
    expect(existsSync(`${copiesFolder(file)}.making`)).toBe(false);
  });
});

describe('daily copies', () => {
  it('are made once a day, and kept for a week, then one a week for two months', async () => {
    must(await keepDailyCopy(context, file));
    must(await keepDailyCopy(context, file));
    expect(listCopies(copiesFolder(file)).map(({ name }) => name)).toEqual(['daily-2027-06-19T070000.sqlite']);
    const copies = Array.from({ length: 100 }, (_, i) => ({ name: `daily-${i}`, madeAtMs: NOW - i * DAY_MS, bytes: 1 }));
    const hand = { name: 'copy-x', madeAtMs: NOW - 300 * DAY_MS, bytes: 1 };
    const dropped = copiesToDrop([...copies, hand], NOW);
    const left = copies.filter(({ name }) => !dropped.includes(name)).map(({ madeAtMs }) => (NOW - madeAtMs) / DAY_MS);
    expect(left).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 14, 21, 28, 35, 42, 49, 56]);
    expect(dropped).not.toContain('copy-x');
  });
});
