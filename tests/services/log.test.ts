import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { cookIn, hiddenKitchen } from '../../src/devices/simulated/kitchen';
import { seededRandom } from '../../src/core/numerics';
import { NO_WORDS } from '../../src/core/learn';
import { predictLogged, SHIPPED_PARAMETERS, type LoggedCook } from '../../src/core/forecast';
import { cooksCsv } from '../../src/formats/cooksCsv';
import { closeCooks } from '../../src/services/log/closeCooks';
import {
  attachCurve,
  bringCookBack,
  cookCurves,
  exportCooks,
  houseParameters,
  importCooks,
  keepReadings,
  planEvent,
  putKitchenBack,
  readLearning,
  readLog,
  recordEntries,
  saveCookWords,
  takeCookOut,
  takeKitchen,
  typeCook,
  type Context,
} from '../../src/services';
import type { StoredCook } from '../../src/persistence';
import { readDocument } from '../../src/services/reading';
import { aBegunDay, aSupper, codes, must, openContext } from '../fixtures/context';

const NOW = Date.parse('2027-06-19T20:00:00-03:00');
const HOUR = 3_600_000;
const EARLY = Date.parse('2027-06-18T13:00:00-03:00');
let nowMs: number;
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
beforeEach(async () => {
  house = await openContext(EARLY);
  nowMs = EARLY;
  context = { ...house.context, nowMs: () => nowMs };
});
afterEach(() => house.close());

/** Butts that took so much longer than the model, as shipped, says. */
function butts(count: number, slower = 1): LoggedCook[] {
  const kitchen = hiddenKitchen(9);
  const luck = seededRandom(10);
  return Array.from({ length: count }, (_, i) => {
    const asked = {
      id: `b${i}`,
      cutId: 'pork-butt',
      methodId: 'low-foil',
      massKg: 3.5,
      pit: { id: 'offset', kind: 'offset' as const },
      pitC: 121,
      airC: 14,
      altitudeM: 20,
    };
    const cook = cookIn(kitchen, asked, luck)!;
    const { hours } = predictLogged(cook, SHIPPED_PARAMETERS)!;
    return { ...cook, observedH: Number((hours.p50 * slower * Math.exp(0.05 * luck.normal())).toFixed(2)) };
  });
}
const fileOf = (cooks: LoggedCook[]) => cooksCsv(cooks.map((cook) => ({ cook, words: NO_WORDS })));

/** A day that is over, with one butt that went on, was wrapped and pulled. */
async function aDayThatIsOver(): Promise<string> {
  const eventId = await aBegunDay(context);
  const { input } = (await planEvent(context, eventId))!;
  nowMs = NOW;
  const batch = input.event.batches.find((each) => each.cutId === 'pork-butt')!;
  const pieces = [`${batch.id}/${batch.pieces[0]!.id}`];
  const did = (id: string, hoursAgo: number, deed: object) => ({ id, atMs: NOW - hoursAgo * HOUR, by: 'Ada', deed: deed as never });
  must(
    await recordEntries(context, {
      eventId,
      entries: [
        did('on', 13, { kind: 'piece', pieces, step: 'on', pitId: input.pits[0]!.id }),
        did('wrap', 7, { kind: 'piece', pieces, step: 'wrapped', wrap: 'foil' }),
        did('pull', 2.5, { kind: 'piece', pieces, step: 'pulled', coreC: 95 }),
        did('end', 0, { kind: 'day', did: 'ended' }),
      ],
    }),
  );
  return eventId;
}

describe('the log', () => {
  it('takes a day in when it is ended, once, and keeps what was said of its cooks when it is ended again', async () => {
    const eventId = await aDayThatIsOver();
    const [stored, ...others] = await readLog(context);
    expect(others).toEqual([]);
    expect(stored!.cook).toMatchObject({
      eventId,
      source: 'day',
      cook: { cutId: 'pork-butt', wrap: 'foil', wrapWhen: { afterMin: 360 }, observedH: 10.5 },
    });
    expect(stored!.log).toBeDefined();
    const { id } = stored!.cook;
    must(await saveCookWords(context, { id, verdict: { bark: 'hard' }, notes: ' gusty ', nextTime: 'Pull sooner' }));
    expect(await closeCooks(context, eventId)).toBe(1);
    // What was taken out stays out, however often the day is ended.
    must(await takeCookOut(context, { id }));
    await closeCooks(context, eventId);
    expect(await readLog(context)).toEqual([]);
    must(await bringCookBack(context, { id }));
    expect((await readLog(context)).map(({ cook }) => cook.words)).toEqual([
      { verdict: { bark: 'hard' }, notes: 'gusty', nextTime: 'Pull sooner' },
    ]);
  });

  it('takes in a day that an older program ended', async () => {
    const eventId = await aDayThatIsOver();
    await context.db.sequelize.query('DELETE FROM cooks');
    expect((await readLog(context)).map(({ cook }) => cook.eventId)).toEqual([eventId]);
  });

  it('puts together what two people say of a cook, and asks where they say it of the same', async () => {
    must(await importCooks(context, { text: fileOf(butts(1)) }));
    const { cook } = (await readLog(context))[0]!;
    const seen = JSON.stringify({ id: cook.id, ...NO_WORDS });
    const words = (notes: string, nextTime: string) => ({ id: cook.id, verdict: {}, notes, nextTime });
    must(await saveCookWords(context, words('gusty', ''), { seen }));
    expect(must(await saveCookWords(context, words('', 'later'), { seen }))).toMatchObject({ together: true });
    expect((await readLog(context))[0]!.cook.words).toMatchObject({ notes: 'gusty', nextTime: 'later' });
    expect(codes(await saveCookWords(context, words('calm', ''), { seen }))).toEqual(['entryChangedElsewhere']);
  });

  it('goes out as a file and comes in again without doubling anything, lived days neither; what is wrong is told by line', async () => {
    await aDayThatIsOver();
    must(await importCooks(context, { text: fileOf(butts(4)) }));
    const before = await readLog(context);
    expect(must(await importCooks(context, { text: await exportCooks(context) }))).toMatchObject({ kept: 5, known: 5, refused: [] });
    expect(await readLog(context)).toEqual(before);
    const spoilt = fileOf(butts(3)).replace('pork-butt', 'kelp').replace(',3.5,', ',-1,');
    expect(must(await importCooks(context, { text: spoilt })).refused.map(({ line }) => line)).toEqual([2]);
    expect(codes(await importCooks(context, { text: 'hello' }))).toEqual(['noCooks']);
  });

  it('takes a line of an old notebook, and says at its field what cannot be', async () => {
    const line = {
      cutId: 'pork-butt',
      massKg: 3.6,
      pitC: 121,
      wrap: 'foil' as const,
      hours: 10.5,
      finalC: 96,
      date: '2019-07-04',
      nextTime: ' sooner ',
    };
    const { id } = must(await typeCook(context, line, 'America/Halifax'));
    const [stored] = await readLog(context);
    expect(stored!.cook).toMatchObject({
      id,
      source: 'typed',
      cook: { wrapWhen: { coreC: 71 }, observedH: 10.5 },
      words: { nextTime: 'sooner' },
    });
    expect(stored!.log).toBeDefined();
    expect(codes(await typeCook(context, { ...line, cutId: 'kelp' }, 'UTC'))).toEqual(['cutGone@cutId']);
    expect(codes(await typeCook(context, { ...line, date: '2031-02-30' }, 'UTC'))).toEqual(['noSuchDate@date']);
    expect(codes(await typeCook(context, { ...line, date: '2031-02-03' }, 'UTC'))).toEqual(['cookToCome@date']);
    expect(codes(await typeCook(context, { ...line, cutId: 'rib-roast', finalC: undefined }, 'UTC'))).toEqual(['coreNeeded@finalC']);
    expect(await readLog(context)).toHaveLength(1);
  });

  it('gives the curves of a few: as they were read, else as the model has them for the hours they took', async () => {
    const eventId = await aDayThatIsOver();
    const [{ cook }] = (await readLog(context)) as [StoredCook];
    const [modelled] = await cookCurves(context, [cook.id]);
    expect(modelled).toMatchObject({ id: cook.id, modelled: true });
    expect(modelled!.pulledMin).toBeCloseTo(630, 6);
    const probe = { kind: 'channel', deviceId: 'hub', channel: '1', piece: cook.pieceKey, spot: 'thickest' };
    must(await recordEntries(context, { eventId, entries: [{ id: 'probe', atMs: NOW - 14 * HOUR, by: 'Ada', deed: probe as never }] }));
    await keepReadings(
      context,
      Array.from({ length: 300 }, (_, i) => ({ deviceId: 'hub', channel: '1', atMs: NOW - 13 * HOUR + i * 2 * 60_000, tempC: 4 + i / 4 })),
    );
    const [read] = await cookCurves(context, [cook.id, 'nobody']);
    expect(read).toMatchObject({ modelled: false, wrappedMin: 360, pulledMin: 630 });
    expect(read!.coreC.at(-1)! - read!.coreC[0]!).toBeGreaterThan(60);
    expect(await cookCurves(context, ['nobody', '__proto__'])).toEqual([]);
  });

  it('takes a logger’s file to a cook, keeps it when the day is ended again, and takes it off', async () => {
    const eventId = await aDayThatIsOver();
    const [{ cook }] = (await readLog(context)) as [StoredCook];
    const clock = (ms: number) => new Date(ms).toISOString();
    const lines = Array.from({ length: 40 }, (_, i) => `${clock(cook.onMs! - HOUR + i * 20 * 60_000)},${40 + 4 * i},250`);
    const columns = { time: 'Time', temps: ['Core'], unit: 'F' as const };
    const text = ['Time,Core,Pit', ...lines].join('\n');
    const attach = (input: object) => attachCurve(context, { id: cook.id, text, columns, ...input }, 'America/Halifax');
    expect(must(await attach({})).points).toBe(32);
    const [curve] = await cookCurves(context, [cook.id]);
    expect(curve).toMatchObject({ modelled: false, pulledMin: 630 });
    expect(curve!.minutes[0]).toBe(0);
    expect(curve!.coreC[0]).toBeCloseTo(((40 + 12 - 32) * 5) / 9, 1);
    must(await recordEntries(context, { eventId, entries: [{ id: 'end-2', atMs: NOW, by: 'Ada', deed: { kind: 'day', did: 'ended' } }] }));
    expect((await cookCurves(context, [cook.id]))[0]!.minutes).toHaveLength(32);
    expect(codes(await attach({ columns: { ...columns, temps: ['Kelp'] } }))).toEqual(['logUnreadable@text']);
    expect(codes(await attach({ text: `Time,Core\n${clock(cook.onMs! - 900 * HOUR)},250` }))).toEqual(['curveElsewhere@text']);
    expect((await cookCurves(context, [cook.id]))[0]!.minutes).toHaveLength(32);
    must(await attach({ columns: undefined }));
    expect((await cookCurves(context, [cook.id]))[0]!.modelled).toBe(true);
    expect(codes(await attach({ id: 'nobody' }))).toEqual(['cookGone']);
  });

  it('knows that it teaches something else when one cook stands in another’s place, and holds cooks anew that an older model was told of', async () => {
    must(await importCooks(context, { text: fileOf(butts(6)) }));
    must(await takeKitchen(context));
    expect((await readLearning(context)).isNew).toBe(false);
    const [first] = await readLog(context);
    must(await takeCookOut(context, { id: first!.cook.id }));
    must(await importCooks(context, { text: fileOf([{ ...butts(1, 1.5)[0]!, id: 'other' }]) }));
    expect(await readLog(context)).toHaveLength(6);
    expect((await readLearning(context)).isNew).toBe(true);
    const logs = async () => (await readLog(context)).map(({ cook, log }) => [cook.id, log]);
    const before = await logs();
    await house.context.db.sequelize.query('UPDATE cooks SET log_of = 0, log = 9');
    expect(await logs()).toEqual(before);
  });

  it('forgets a cook that is taken out, and knows it again', async () => {
    must(await importCooks(context, { text: fileOf(butts(2)) }));
    const { id } = (await readLog(context))[0]!.cook;
    must(await takeCookOut(context, { id }));
    expect(await readLog(context)).toHaveLength(1);
    expect((await readLearning(context)).calibration.points).toHaveLength(1);
    must(await bringCookBack(context, { id }));
    expect(await readLog(context)).toHaveLength(2);
    expect(codes(await takeCookOut(context, { id: 'nobody' }))).toEqual(['cookGone']);
  });

  it('brings a wish up again where the cut, the method or the pit is planned again', async () => {
    must(await importCooks(context, { text: fileOf(butts(1)) }));
    must(await saveCookWords(context, { id: (await readLog(context))[0]!.cook.id, verdict: {}, notes: '', nextTime: 'Spray twice' }));
    const { facts } = (await readDocument(context, await aSupper(context)))!;
    expect(facts.nextTime).toEqual([{ cookId: 'file/b0', cutId: 'pork-butt', methodId: 'low-foil', pitId: 'offset', text: 'Spray twice' }]);
  });
});

describe('what is learned', () => {
  it('moves no plan until it is taken, moves them then, is put back step by step, and is the same as the command’s', async () => {
    const eventId = await aSupper(context);
    const hours = async () => {
      const { plan } = (await planEvent(context, eventId))!;
      const run = plan.runs.find((each) => each.pullMedianMs - each.onAtMs > 6 * HOUR)!;
      return (run.pullMedianMs - run.onAtMs) / HOUR;
    };
    const shipped = await hours();
    must(await importCooks(context, { text: fileOf(butts(8, 1.3)) }));
    expect(await houseParameters()).toBeUndefined();
    expect(await hours()).toBe(shipped);
    must(await takeKitchen(context));
    const first = await hours();
    expect(first).toBeGreaterThan(shipped * 1.1);
    const { taken, isNew, paces } = await readLearning(context);
    expect([taken!.cooks, isNew]).toEqual([8, false]);
    expect(paces.cuts[0]).toMatchObject({ id: 'pork-butt', cooks: 8 });
    // The log grows: nothing moves before it is taken anew.
    must(await importCooks(context, { text: fileOf(butts(20, 0.8).map((cook) => ({ ...cook, id: `n${cook.id}` }))) }));
    expect(await hours()).toBe(first);
    expect((await readLearning(context)).isNew).toBe(true);
    must(await takeKitchen(context));
    expect(await hours()).toBeLessThan(first);
    must(await putKitchenBack(context));
    expect(await hours()).toBe(first);
    must(await putKitchenBack(context));
    expect(await hours()).toBe(shipped);
    // What a forecast says with it is what the model says with what the command writes.
    must(await takeKitchen(context));
    const parameters = (await houseParameters())!;
    const [cook] = butts(1);
    expect(predictLogged(cook!, JSON.parse(JSON.stringify(parameters)) as typeof parameters)).toEqual(predictLogged(cook!, parameters));
    expect(parameters.global).toEqual(SHIPPED_PARAMETERS.global);
  }, 60_000);
});
