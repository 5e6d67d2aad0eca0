import { readFileSync } from 'node:fs';
import addFormats from 'ajv-formats';
import Ajv2020 from 'ajv/dist/2020';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Deed, MinuteReading } from '../../src/core/day';
import { check, EntriesInput, SentReadings } from '../../src/inputs';
import { loadDay, loadEntries, loadMinutes, purgeReadings, RAW_FOR_MS } from '../../src/persistence';
import { receiveReadings } from '../../src/runtime/readingsDoor';
import {
  endToken,
  importEvent,
  importLog,
  keepReadings,
  makeToken,
  recordEntries,
  rememberedColumns,
  startDay,
  type Context,
  type DaysUnderWay,
} from '../../src/services';
import { aBegunDay, aSupper, codes, must, openContext } from '../fixtures/context';
import { smallSupperFile } from '../fixtures/day';
import { writeEventFile } from '../../src/formats/open';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
beforeEach(async () => {
  house = await openContext(NOW);
  context = house.context;
});
afterEach(() => house.close());

const event = () => aSupper(context);
const begun = () => aBegunDay(context);
const said = (id: string, deed: Deed, atMs = NOW) => ({ id, atMs, by: 'Ada', deed });
const LIT: Deed = { kind: 'pit', pitId: 'offset', did: 'lit', pitC: 121 };

describe('a day', () => {
  it('starts once, from a plan that holds, and keeps it', async () => {
    const eventId = await event();
    must(await startDay(context, { eventId, by: 'Ada' }));
    expect(codes(await startDay(context, { eventId, by: 'Bo' }))).toEqual(['dayBegun']);
    const day = (await loadDay(eventId))!;
    expect(day.kept.plan.runs.length).toBeGreaterThan(0);
    expect((await loadEntries(eventId)).map((entry) => entry.deed)).toEqual([{ kind: 'day', did: 'started' }]);
    expect(codes(await startDay(context, { eventId: 'nobody', by: 'Ada' }))).toEqual(['eventGone']);
    expect(codes(await recordEntries(context, { eventId: 'nobody', entries: [] }))).toEqual(['dayNotBegun']);
  });

  it('is not started days ahead', async () => {
    const early = { ...context, nowMs: () => NOW - 3 * 86_400_000 };
    const eventId = must(await importEvent(early, { text: writeEventFile(smallSupperFile()) })).id;
    expect(codes(await startDay(early, { eventId, by: 'Ada' }))).toEqual(['dayTooEarly']);
  });

  it('counts an entry once by its id, and refuses an instant that cannot be', async () => {
    const eventId = await begun();
    const entries = [said('a', LIT), said('a', LIT), said('b', { kind: 'note', text: 'wind from the north' })];
    must(await recordEntries(context, { eventId, entries }));
    must(await recordEntries(context, { eventId, entries }));
    expect((await loadEntries(eventId)).map((entry) => entry.id)).toEqual([`${eventId}-started`, 'a', 'b']);
    expect(codes(await recordEntries(context, { eventId, entries: [said('c', LIT, NOW + 3_600_000)] }))).toEqual([
      'inFuture@entries.0.atMs',
    ]);
    expect(codes(await recordEntries(context, { eventId, entries: [said('d', LIT, NOW - 30 * 86_400_000)] }))).toEqual([
      'beforeDay@entries.0.atMs',
    ]);
    expect(await loadEntries(eventId)).toHaveLength(3);
  });

  it('takes off its instants what a sender’s clock is off', async () => {
    const eventId = await begun();
    const slowMs = NOW - 40 * 60_000;
    must(await recordEntries(context, { eventId, nowMs: slowMs, entries: [said('a', LIT, slowMs - 60_000)] }));
    const kept = (await loadEntries(eventId)).find((entry) => entry.id === 'a')!;
    expect(kept.atMs).toBe(NOW - 60_000);
    // A phone that runs an hour ahead says nothing of the future.
    must(await recordEntries(context, { eventId, nowMs: NOW + 3_600_000, entries: [said('b', LIT, NOW + 3_500_000)] }));
    expect((await loadEntries(eventId)).find((entry) => entry.id === 'b')!.atMs).toBe(NOW - 100_000);
  });

  it('takes nothing in that no deed is', () => {
    const refused = (deed: unknown) => codes(check(EntriesInput, { eventId: 'e', entries: [{ id: 'x', atMs: NOW, by: 'Ada', deed }] }));
    expect(refused({ kind: 'reading', piece: 'a/b', spot: 'thickest', coreC: 900 })).toEqual(['max@entries.0.deed.coreC']);
    expect(refused({ kind: 'reading', piece: 'nobody', spot: 'thickest', coreC: 60 })).toEqual(['matches@entries.0.deed.piece']);
    expect(refused({ kind: 'alarm', causeId: 'a', did: 'raised' })).toEqual(['isIn@entries.0.deed.did']);
    expect(refused({ kind: 'spell' })).toEqual(['isIn@entries.0.deed.kind']);
    expect(refused({ kind: 'revision', lever: 'x', reason: 'y', changes: [] })).toEqual(['arrayMinSize@entries.0.deed.changes']);
    expect(refused(LIT)).toEqual([]);
  });
});

const minutesOf = (deviceId: string): Promise<MinuteReading[]> =>
  loadMinutes(context.db.sequelize, [deviceId], NOW - 86_400_000, NOW + 86_400_000);
const reading = (atMs: number, tempC: number, channel = '1') => ({ deviceId: 'hub', channel, atMs, tempC });

describe('readings', () => {
  it('become minutes: mean, least, most, count; the same one twice counts once', async () => {
    const three = [reading(NOW, 60), reading(NOW + 10_000, 61), reading(NOW + 20_000, 65)];
    await keepReadings(context, three);
    await keepReadings(context, three.slice(1));
    expect(await minutesOf('hub')).toEqual([{ deviceId: 'hub', channel: '1', atMs: NOW, meanC: 62, minC: 60, maxC: 65, count: 3 }]);
  });

  it('are told to days under way as they are kept, however often they are sent', async () => {
    const told: MinuteReading[][] = [];
    const days = { readingsKept: (minutes: readonly MinuteReading[]) => void told.push([...minutes]) } as unknown as DaysUnderWay;
    const listened = { ...context, days };
    const sent = [0, 20, 40].map((s) => reading(NOW - 60_000 * 30 + 1000 * s, 61.123456 + s / 70));
    await keepReadings(listened, sent);
    await keepReadings(listened, sent);
    expect(told[1]).toEqual(told[0]);
    expect(told[0]).toEqual((await minutesOf('hub')).filter((each) => each.atMs === told[0]![0]!.atMs));
  });

  it('keep their minutes when the raw ones are let go of', async () => {
    await keepReadings(context, [reading(NOW, 60), reading(NOW + 10_000, 62)]);
    await context.db.write((transaction) => purgeReadings(context.db.sequelize, NOW + RAW_FOR_MS + 60_000, transaction));
    expect(await minutesOf('hub')).toMatchObject([{ meanC: 61, count: 2 }]);
    await keepReadings(context, [reading(NOW + 30_000, 70)]);
    expect(await minutesOf('hub')).toMatchObject([{ meanC: 64, count: 3, maxC: 70 }]);
  });

  it('come by a token that is shown once, and no longer once it has ended', async () => {
    const { id, token } = must(await makeToken(context, { name: 'Kettle' }));
    const send = (readings: unknown, by = token) => receiveReadings(context, by, { readings });
    expect(
      must(
        await send([
          { channel: '1', f: 250 },
          { channel: '2', c: 60, at: '2027-06-19T06:59:00Z' },
        ]),
      ),
    ).toEqual({ kept: 2 });
    expect(await minutesOf('Kettle')).toMatchObject([
      { channel: '2', meanC: 60 },
      { channel: '1', meanC: expect.closeTo(121.11, 2) as number },
    ]);
    expect(codes(await send([{ channel: '1', c: 60 }], 'anr_foreign-token-0000000000'))).toEqual(['tokenUnknown']);
    must(await endToken(context, { id }));
    expect(codes(await send([{ channel: '1', c: 60 }]))).toEqual(['tokenUnknown']);
  });

  it('that cannot be are refused by their place, and none of them is kept', async () => {
    const { token } = must(await makeToken(context, { name: 'Kettle' }));
    const refused = async (...readings: unknown[]) => codes(await receiveReadings(context, token, { readings }));
    expect(await refused({ channel: '1', c: 60 }, { channel: '1', c: 900 })).toEqual(['max@readings.1.c']);
    expect(await refused({ channel: '', c: 60 })).toEqual(['minLength@readings.0.channel']);
    expect(await refused({ channel: '1' })).toEqual(['noTemperature@readings.0']);
    expect(await refused({ channel: '1', c: 60, at: '2027-06-19T09:00:00Z' })).toEqual(['inFuture@readings.0.at']);
    expect(await refused(...Array.from({ length: 2001 }, () => ({ channel: '1', c: 60 })))).toEqual(['arrayMaxSize@readings']);
    expect(codes(await receiveReadings(context, token, 'hot'))).toEqual(['notAnObject']);
    expect(await minutesOf('Kettle')).toEqual([]);
    for (let i = 0; i < 3; i++)
      must(await receiveReadings(context, token, { readings: Array.from({ length: 1999 }, () => ({ channel: '1', c: 60 })) }));
    expect(await refused({ channel: '1', c: 60 }, { channel: '1', c: 60 }, { channel: '1', c: 60 }, { channel: '1', c: 60 })).toEqual([
      'tooManyReadings',
    ]);
  });

  it('are what their published schema says, the example among them', async () => {
    const read = (name: string) => JSON.parse(readFileSync(`docs/formats/readings.${name}.json`, 'utf8')) as object;
    const ajv = new Ajv2020({ allowUnionTypes: true });
    addFormats(ajv);
    const holds = ajv.compile(read('schema'));
    const example = read('example') as { readings: object[] };
    expect(holds(example)).toBe(true);
    expect(check(SentReadings, example).ok).toBe(true);
    for (const wrong of [
      {},
      { channel: '1' },
      { channel: '', c: 1 },
      { channel: '1', c: 900 },
      { channel: '1', c: 1, at: 'now' },
      { channel: '1', c: 1, more: 1 },
    ]) {
      expect(holds({ readings: [wrong] }), JSON.stringify(wrong)).toBe(false);
      const { token } = must(await makeToken(context, { name: 'Kettle' }));
      expect((await receiveReadings(context, token, { readings: [wrong] })).ok, JSON.stringify(wrong)).toBe(false);
    }
  });

  it('come from a logger’s file, whose columns are remembered', async () => {
    const eventId = await begun();
    const columns = { time: 'Time', temps: ['A'], unit: 'F' as const };
    const text = 'Time,A\n2027-06-19 03:00,250\n2027-06-19 03:01,broken\n2027-06-19 03:02,252\n';
    const taken = must(await importLog(context, { eventId, deviceId: 'Box', text, columns }));
    expect(taken).toMatchObject({ readings: 2, channels: ['A'], refused: [{ line: 3 }] });
    expect(await rememberedColumns(context)).toEqual({ Box: columns });
    expect(codes(await importLog(context, { eventId, deviceId: 'Box', text: 'no\ntable', columns }))).toEqual(['logUnreadable@text']);
  });

  it('of sixteen channels every two seconds for a day are all there as minutes, and stay small', async () => {
    // A tenth of a day in earnest; the whole of it is measured in the bench.
    const hours = 2.4;
    let sent = 0;
    for (let second = 0; second < hours * 3600; second += 60) {
      const batch = Array.from({ length: 30 * 16 }, (_, i) => ({
        deviceId: 'hub',
        channel: String(i % 16),
        atMs: NOW + (second + 2 * Math.floor(i / 16)) * 1000,
        tempC: 20 + (i % 16),
      }));
      sent += batch.length;
      await keepReadings(context, batch);
    }
    const minutes = await loadMinutes(context.db.sequelize, ['hub'], NOW, NOW + hours * 3_600_000);
    expect(minutes.reduce((sum, each) => sum + each.count, 0)).toBe(sent);
    expect(minutes).toHaveLength(16 * hours * 60);
  });
});
