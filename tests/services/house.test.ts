import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase, type Database } from '../../src/persistence';
import {
  bringCopy,
  copiesFolder,
  keepReadings,
  listEvents,
  previewCopy,
  putCopyBack,
  recordEntries,
  saveCut,
  saveDaySettings,
  savePit,
  writeHouse,
  type Context,
} from '../../src/services';
import { readEventFile } from '../../src/formats/open';
import { CUTS } from '../../src/core/model';
import { OFFSET } from '../fixtures/events';
import { aBegunDay, codes, must } from '../fixtures/context';
import { ownPlanner } from '../fixtures/planner';
import { chance } from '../hostile/spoil';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
interface House {
  file: string;
  db: Database;
  context: Context;
  close(): Promise<void>;
}
async function aHouse(): Promise<House> {
  const folder = mkdtempSync(path.join(tmpdir(), 'anachron-house-'));
  const file = path.join(folder, 'house.sqlite');
  const db = await openDatabase(file);
  let next = 0;
  const context: Context = { db, planner: ownPlanner, nowMs: () => NOW + next, newId: () => `id-${++next}` };
  const close = async () => {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  };
  return { file, db, context, close };
}
async function* inPieces(bytes: Uint8Array, size = 1000): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}
const archiveOf = async ({ context, file }: House): Promise<Uint8Array> => {
  const chunks: Uint8Array[] = [];
  for await (const chunk of writeHouse(context, file)) chunks.push(chunk);
  return Buffer.concat(chunks);
};

let archive: Uint8Array;
let eventName: string;
beforeAll(async () => {
  const house = await aHouse();
  const eventId = await aBegunDay(house.context);
  must(await savePit(house.context, { ...OFFSET, name: 'Grün, “der Große”' }));
  must(await saveCut(house.context, { ...CUTS[0]!, id: 'my-cut', name: 'My own cut' }));
  must(await saveDaySettings(house.context, { brokerUrl: '', topic: 'anachron', escalateMin: 7, hotHoldEveryMin: 120 }));
  const entries = Array.from({ length: 40 }, (_, i) => ({
    id: `n${i}`,
    atMs: NOW,
    by: 'Ada',
    deed: { kind: 'note' as const, text: `gull ${i}\n“quoted” \\ 🔥` },
  }));
  must(await recordEntries(house.context, { eventId, entries }));
  await keepReadings(
    house.context,
    Array.from({ length: 9000 }, (_, i) => ({ deviceId: 'hub', channel: String(i % 3), atMs: NOW - i * 1000, tempC: 20 + (i % 700) / 10 })),
  );
  archive = await archiveOf(house);
  eventName = (await listEvents(house.context))[0]!.name;
  await house.close();
});
let house: House;
beforeEach(async () => {
  house = await aHouse();
});
afterEach(() => house.close());
afterAll(() => {
  archive = new Uint8Array();
});
const bring = (bytes: Uint8Array, size?: number) => bringCopy(house.context, house.file, inPieces(bytes, size));
const filesOf = (bytes: Uint8Array) => Object.fromEntries(Object.entries(unzipSync(bytes)).map(([name, file]) => [name, strFromU8(file)]));
const archiveWith = (change: (files: Record<string, string>) => void) => {
  const files = filesOf(archive);
  change(files);
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]): [string, Zippable[string]] => [name, strToU8(text)])));
};
/** Without its sum, as somebody who changed a file by hand takes it out. */
const unsummed = (files: Record<string, string>, table: string, rows: number) => {
  files['end.json'] = JSON.stringify({ ...(JSON.parse(files['end.json']!) as object), [table]: { rows } });
};

describe('a house as open files', () => {
  it('goes out and comes in equal, to the last byte, in pieces of any size', async () => {
    const copy = must(await bring(archive, 77));
    expect(copy).toMatchObject({ events: [eventName], days: 1, entries: 41 });
    must(await putCopyBack(house.context, house.file, copy.name));
    expect(Buffer.compare(await archiveOf(house), archive)).toBe(0);
  });

  it('is text that says what it is: a line a row, documents as they are, each event a file of its own', () => {
    const files = filesOf(archive);
    expect(JSON.parse(files['house.json']!)).toMatchObject({ format: 'anachron-house', version: 1 });
    const entries = files['tables/day_entries.jsonl']!.trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { body: { id: string } });
    expect(entries.map(({ body }) => body.id)).toContain('n39');
    expect(files['tables/readings.jsonl']!.split('\n')).toHaveLength(9001);
    expect(Object.keys(files).filter((name) => /hash|session|token/.test(name))).toEqual([]);
    const [event] = Object.keys(files).filter((name) => name.startsWith('events/'));
    expect(readEventFile(files[event!]!, NOW).ok).toBe(true);
  });

  it('that was changed by hand comes in when it fits, without its sum', async () => {
    const changed = archiveWith((files) => {
      files['tables/events.jsonl'] = files['tables/events.jsonl']!.replaceAll(JSON.stringify(eventName), '"By hand"');
      unsummed(files, 'events', 1);
    });
    expect(must(await bring(changed)).events).toEqual(['By hand']);
  });

  const lines = (files: Record<string, string>, table: string) => files[`tables/${table}.jsonl`]!.trim().split('\n');
  it.each<[string, (files: Record<string, string>) => void, RegExp]>([
    [
      'a sum that is not right',
      (files) => (files['tables/events.jsonl'] = files['tables/events.jsonl']!.replace('UTC', 'utc').replace('"name"', '"name" ')),
      /events\.jsonl is not as it was written/,
    ],
    ['no end', (files) => delete files['end.json'], /cut short/],
    ['no beginning', (files) => delete files['house.json'], /does not begin with house.json/],
    ['another format', (files) => (files['house.json'] = '{"format":"songs"}'), /does not begin with house.json/],
    ['a later version', (files) => (files['house.json'] = '{"format":"anachron-house","version":9}'), /version 9/],
    ['a later shape', (files) => (files['house.json'] = '{"format":"anachron-house","version":1,"shape":"0999-moon"}'), /does not know/],
    ['a table that is none', (files) => (files['tables/migrations.jsonl'] = '{"name":"x"}\n'), /no place for migrations/],
    ['a session', (files) => (files['tables/crew_sessions.jsonl'] = '{"id":"x"}\n'), /no place for crew_sessions/],
    ['a file that is none', (files) => (files['../../etc/passwd'] = 'x'), /no place for/],
    [
      'a field that is none',
      (files) => (files['tables/settings.jsonl'] = '{"key":"a","value":1,"DROP":2}\n'),
      /settings, line 1: nothing here is called DROP/,
    ],
    [
      'a text for a number',
      (files) => (files['tables/events.jsonl'] = lines(files, 'events')[0]!.replace(/"guests":\d+/, '"guests":"many"') + '\n'),
      /events, line 1: guests is not a number/,
    ],
    ['half a line', (files) => (files['tables/events.jsonl'] = '{"id":'), /events\.jsonl, line 1 cannot be read/],
    ['a list for a row', (files) => (files['tables/events.jsonl'] = '[1]\n'), /line 1 is no row/],
    ['a row twice', (files) => (files['tables/events.jsonl'] += `${lines(files, 'events')[0]}\n`), /do not fit together/],
    [
      'a day of no event',
      (files) => {
        files['tables/events.jsonl'] = '';
        unsummed(files, 'events', 0);
      },
      /belongs to what is not there/,
    ],
  ])('with %s is refused in one line, and nothing is left of it', async (_, change, said) => {
    const refused = await bring(archiveWith(change));
    expect(codes(refused)).toEqual(['copyRefused']);
    expect(refused.ok ? '' : refused.problems[0]!.message).toMatch(said);
    expect(readdirSync(copiesFolder(house.file))).toEqual([]);
    expect(await listEvents(house.context)).toEqual([]);
  });

  it('never half comes in, wherever it is spoilt or cut', async () => {
    const luck = chance(5);
    for (let i = 0; i < 60; i++) {
      const spoilt = Buffer.from(archive);
      const at = luck.whole(0, spoilt.length - 1);
      if (i % 2 === 0) spoilt[at] = spoilt[at]! ^ (1 << luck.whole(0, 7));
      const done = await bring(i % 2 === 0 ? spoilt : spoilt.subarray(0, at), 5000);
      if (!done.ok) expect(codes(done)).toEqual(['copyRefused']);
      // What a flipped bit spoilt was no data: names of event files, times, sizes.
      else expect(must(await previewCopy(house.context, house.file, done.value.name))).toMatchObject({ entries: 41 });
      if (i % 2 === 1) expect(done.ok).toBe(false);
    }
    expect(readdirSync(copiesFolder(house.file)).every((name) => /^brought-.*\.sqlite$/.test(name))).toBe(true);
  });

  it('or a copy of another machine stands among the copies; what is neither is refused', async () => {
    const brought = must(await bring(archive));
    expect(existsSync(path.join(copiesFolder(house.file), brought.name))).toBe(true);
    for (const bytes of [strToU8('hello'), new Uint8Array(), strToU8('SQLite format 3\0 and then nothing'), strToU8('PK and then nothing')])
      expect(codes(await bring(bytes))).toEqual(['copyRefused']);
  });
});
