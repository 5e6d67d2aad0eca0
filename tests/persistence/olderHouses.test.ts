import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { check, EventRecord } from '../../src/inputs';
import { MIGRATIONS } from '../../src/persistence/migrations';
import { loadEvent, openDatabase } from '../../src/persistence';
import { copiesFolder, listEquipment, listEvents, planEvent, previewCopy, putCopyBack, restoreFile } from '../../src/services';
import { must } from '../fixtures/context';
import { ownPlanner } from '../fixtures/planner';

/** A house as each older version of the program left it, filled with the demo of its day. */
const HOUSES = 'tests/fixtures/olderHouses';
const houses = readdirSync(HOUSES).sort();

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-older-'));
  file = path.join(folder, 'house.sqlite');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const unpacked = (house: string) => gunzipSync(readFileSync(path.join(HOUSES, house)));

describe('the house of an older version', () => {
  it('is there for every version but the newest', () => {
    expect(houses.map((name) => name.slice(0, 4))).toEqual(MIGRATIONS.slice(0, -1).map(({ name }) => name.slice(0, 4)));
  });

  it.each(houses)('%s opens as a copy that is put back, and as a file of its own', async (house) => {
    const db = await openDatabase(file);
    const context = { db, planner: ownPlanner, nowMs: () => Date.parse('2026-12-01T12:00:00Z'), newId: () => 'x' };
    mkdirSync(copiesFolder(file));
    const name = 'copy-2026-11-26T000000.sqlite';
    writeFileSync(path.join(copiesFolder(file), name), unpacked(house));
    expect(must(await previewCopy(context, file, name)).events).toContain('Gannet Point, 150 years');
    must(await putCopyBack(context, file, name));
    const events = await listEvents(context);
    for (const { id } of events) {
      expect(check(EventRecord, await loadEvent(id)).ok).toBe(true);
      expect((await planEvent(context, id))!.plan.runs.length).toBeGreaterThan(0);
    }
    expect((await listEquipment(context)).pits.length).toBeGreaterThan(0);
    await db.close();
    // Put in the place of a file that nothing can be done with.
    writeFileSync(file, 'what a failing disk left of it');
    const { events: back, aside } = await restoreFile(file, name, 0);
    expect(back).toEqual(events.map((event) => event.name));
    expect(readFileSync(aside!, 'utf8')).toBe('what a failing disk left of it');
  });
});
