import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  bringTrialBack,
  blindPapers,
  keepPaper,
  planEvent,
  planTrial,
  putFigureBack,
  putFiresBack,
  readFigures,
  readMadeFires,
  readTrial,
  readTrials,
  recordEntries,
  takeFigure,
  takeFire,
  takeMeasureOut,
  takePaperOut,
  takeTrialOut,
  writeMeasure,
  type Context,
} from '../../src/services';
import { readDocument } from '../../src/services/reading';
import { storedEquipment, storedLibrary } from '../../src/services/stored';
import { aBegunDay, codes, must, openContext } from '../fixtures/context';

const EARLY = Date.parse('2027-06-18T13:00:00-03:00');
const NOW = Date.parse('2027-06-19T20:00:00-03:00');
const HOUR = 3_600_000;
const ZONE = 'America/Halifax';
let nowMs: number;
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
beforeEach(async () => {
  house = await openContext(EARLY);
  nowMs = EARLY;
  context = { ...house.context, nowMs: () => nowMs };
});
afterEach(() => house.close());

const figureOf = async (figure: string) => (await readFigures(context)).find((each) => each.figure === figure);

describe('figures of the kitchen', () => {
  async function aWeighedDay(): Promise<{ eventId: string; pitId: string; batchId: string; cutId: string }> {
    const eventId = await aBegunDay(context);
    const { input } = (await planEvent(context, eventId))!;
    nowMs = NOW;
    const batch = input.event.batches.find((each) => each.cutId === 'pork-butt')!;
    const pitId = input.pits[0]!.id;
    const pieces = batch.pieces.map(({ id }) => `${batch.id}/${id}`);
    const did = (id: string, hoursAgo: number, deed: object) => ({ id, atMs: NOW - hoursAgo * HOUR, by: 'Ada', deed: deed as never });
    must(
      await recordEntries(context, {
        eventId,
        entries: [
          did('lit', 15, { kind: 'pit', pitId, did: 'lit' }),
          did('set', 15, { kind: 'pit', pitId, did: 'setPoint', pitC: 121 }),
          did('gauge', 10, { kind: 'pitReading', pitId, pitC: 115, at: 'gauge' }),
          did('grate', 9.95, { kind: 'pitReading', pitId, pitC: 127 }),
          did('on', 13, { kind: 'piece', pieces, step: 'on', pitId }),
          did('pull', 2.5, { kind: 'piece', pieces, step: 'pulled', coreC: 95 }),
          did('out', 1, { kind: 'pit', pitId, did: 'out' }),
          did('end', 0, { kind: 'day', did: 'ended' }),
        ],
      }),
    );
    return { eventId, pitId, batchId: batch.id, cutId: batch.cutId };
  }

  it('come of a day when it ends; what is weighed or taken back afterwards counts too, and no day counts twice', async () => {
    const { eventId, pitId, batchId, cutId } = await aWeighedDay();
    expect(await figureOf(`gauge/${pitId}/low`)).toMatchObject({ count: 1, inUse: 0, differs: true });
    expect(await figureOf(`fuel/${pitId}`)).toBeUndefined();
    const later = { id: 'fuel', atMs: NOW, by: 'Ada', deed: { kind: 'weighed', of: 'fuel', id: pitId, kg: 70 } as never };
    const ready = { id: 'ready', atMs: NOW, by: 'Ada', deed: { kind: 'weighed', of: 'ready', id: batchId, kg: 4 } as never };
    must(await recordEntries(context, { eventId, entries: [later, ready] }));
    expect(await figureOf(`fuel/${pitId}`)).toMatchObject({ count: 1 });
    expect(await figureOf(`yield/${cutId}`)).toMatchObject({ count: 1 });
    const weighedAgain = { ...later, id: 'fuel-2', deed: { kind: 'weighed', of: 'fuel', id: pitId, kg: 60 } as never };
    must(await recordEntries(context, { eventId, entries: [weighedAgain] }));
    const heavier = (await figureOf(`fuel/${pitId}`))!.measures[0]!.value;
    must(
      await recordEntries(context, { eventId, entries: [{ ...later, id: 'undo', deed: { kind: 'undo', entryId: 'fuel-2' } as never }] }),
    );
    const [measure] = (await figureOf(`fuel/${pitId}`))!.measures;
    expect(measure!.value).toBeGreaterThan(heavier);
    expect(measure).toMatchObject({ source: 'day', eventId });
  });

  it('tell how a fire was made on a day; the pit takes it for its heat, and its fires come back as they were', async () => {
    const { eventId, pitId } = await aWeighedDay();
    expect(await readMadeFires(context)).toEqual([]);
    const recipe = { pitC: 121, litKg: 1.2, wood: 'alder', inEighths: 2, waterHot: false };
    const fire = { id: 'fire', atMs: NOW, by: 'Ada', deed: { kind: 'fire', pitId, recipe } as never };
    must(await recordEntries(context, { eventId, entries: [fire] }));
    const [made, ...others] = await readMadeFires(context);
    expect(others).toEqual([]);
    expect(made).toMatchObject({ id: `${eventId}/${pitId}`, pitId, recipe });
    const pitNow = async () => (await storedEquipment()).pits.find(({ id }) => id === pitId)!;
    const before = await pitNow();
    const taken = must(await takeFire(context, { id: made!.id }));
    expect((await pitNow()).fires).toContainEqual(recipe);
    must(await putFiresBack(context, taken));
    expect(JSON.stringify((await pitNow()).fires ?? [])).toBe(JSON.stringify(before.fires ?? []));
    expect(codes(await takeFire(context, { id: 'nobody/pit' }))).toEqual(['fireGone']);
    // Written down anew it is told once.
    must(
      await recordEntries(context, {
        eventId,
        entries: [{ ...fire, id: 'fire-2', deed: { ...(fire.deed as object), recipe: { pitC: 121, wood: 'oak' } } as never }],
      }),
    );
    expect((await readMadeFires(context)).map((each) => each.recipe.wood)).toEqual(['oak']);
  });

  it('change no plan until they are taken, stand in the gear then, and come back as they were, to the digit', async () => {
    const { eventId, pitId } = await aWeighedDay();
    const pitNow = async () => (await storedEquipment()).pits.find(({ id }) => id === pitId)!;
    const before = await pitNow();
    const factsBefore = JSON.stringify((await readDocument(context, eventId))!.facts.equipment);
    const figure = `gauge/${pitId}/low`;
    const { value } = (await figureOf(figure))!;
    expect(value).toBeGreaterThan(3);
    must(await takeFigure(context, { figure }));
    expect((await pitNow()).gaugeOffsetC).toBe(value);
    expect(JSON.stringify((await readDocument(context, eventId))!.facts.equipment)).not.toBe(factsBefore);
    expect(await figureOf(figure)).toMatchObject({ inUse: value, value, differs: false, taken: { before: 0, count: 1 } });
    // More of the same: the log says more, drawn towards what stood there before anything was taken.
    must(await writeMeasure(context, { figure, value: 18, date: '2027-06-19' }, ZONE));
    const more = (await figureOf(figure))!;
    expect(more.value).toBeGreaterThan(value);
    expect(more).toMatchObject({ prior: 0, differs: true });
    must(await takeFigure(context, { figure }));
    must(await putFigureBack(context, { figure }));
    expect(await pitNow()).toStrictEqual(before);
    expect((await figureOf(figure))!.taken).toBeUndefined();
    expect(codes(await putFigureBack(context, { figure }))).toEqual(['figureGone']);
  });

  it('of guests and hands are the house’s habits, of a cut the owner’s own cut', async () => {
    const eventId = await aBegunDay(context);
    for (const figure of ['portion/supper', 'hands/wrap', 'yield/pork-butt'])
      for (let i = 0; i < 4; i++) must(await writeMeasure(context, { figure, value: figure.startsWith('yield') ? 0.5 : 1.4 }, ZONE));
    for (const figure of ['portion/supper', 'hands/wrap', 'yield/pork-butt']) must(await takeFigure(context, { figure }));
    const { habits, cuts } = await storedLibrary();
    expect(habits!.eats!.supper).toBeGreaterThan(1.1);
    expect(habits!.handPace!.wrap).toBeGreaterThan(1.1);
    expect(cuts.find(({ id }) => id === 'pork-butt')!.yieldShare).toBeLessThan(0.56);
    expect((await planEvent(context, eventId))!.input.library.habits).toEqual(habits);
    for (const figure of ['portion/supper', 'hands/wrap', 'yield/pork-butt']) must(await putFigureBack(context, { figure }));
    expect((await storedLibrary()).habits).toStrictEqual({ eats: {}, handPace: {} });
  });

  it('are written down with a number that can be, of a thing that is there, on a day that was', async () => {
    expect(codes(await writeMeasure(context, { figure: 'gauge/nobody/low', value: 4 }, ZONE))).toEqual(['figureGone']);
    expect(codes(await writeMeasure(context, { figure: 'kelp/x', value: 4 }, ZONE))).toEqual(['figureGone']);
    expect(codes(await writeMeasure(context, { figure: 'portion/supper', value: 9 }, ZONE))).toEqual(['figureBeyond@value']);
    expect(codes(await writeMeasure(context, { figure: 'portion/supper', value: 1.2, date: '2027-07-01' }, ZONE))).toEqual([
      'cookToCome@date',
    ]);
    expect(codes(await writeMeasure(context, { figure: 'portion/supper', value: 1.2, date: '2027-02-30' }, ZONE))).toEqual([
      'noSuchDate@date',
    ]);
    const { id } = must(await writeMeasure(context, { figure: 'portion/supper', value: 1.2 }, ZONE));
    expect((await figureOf('portion/supper'))!.measures).toMatchObject([{ id, source: 'typed' }]);
    must(await takeMeasureOut(context, { id }));
    expect(await figureOf('portion/supper')).toBeUndefined();
    expect(codes(await takeMeasureOut(context, { id }))).toEqual(['measureGone']);
  });
});

describe('a trial', () => {
  const asked = async () => {
    const eventId = await aBegunDay(context);
    const { input } = (await planEvent(context, eventId))!;
    const batch = input.event.batches.find((each) => each.pieces.length > 1)!;
    return {
      name: ' Two rubs ',
      kind: 'rubs' as const,
      first: 'Salt',
      second: 'Pepper',
      eventId,
      batchId: batch.id,
      tasters: 6,
      traits: ['taste' as const, 'bark' as const],
    };
  };

  it('is drawn over the pieces of a batch, and comes up with its event alone', async () => {
    const input = await asked();
    expect(codes(await planTrial(context, { ...input, batchId: 'nobody' }))).toEqual(['batchGone@batchId']);
    expect(codes(await planTrial(context, { ...input, second: ' salt' }))).toEqual(['waysAlike@second']);
    const { id } = must(await planTrial(context, input));
    const { trial } = (await readTrial(context, id))!;
    expect(trial).toMatchObject({ name: 'Two rubs', arms: ['Salt', 'Pepper'], traits: ['bark', 'taste'] });
    const pieces = (await readDocument(context, input.eventId))!.event.batches.find((each) => each.id === input.batchId)!.pieces;
    expect(trial.pieces.map(({ pieceId }) => pieceId).sort()).toEqual(pieces.map((piece) => piece.id).sort());
    const firsts = trial.pieces.filter(({ arm }) => arm === 0).length;
    expect(Math.abs(firsts - (trial.pieces.length - firsts))).toBeLessThanOrEqual(1);
    expect((await readDocument(context, input.eventId))!.facts.trials).toHaveLength(1);
  });

  it('tells its tasters codes and an order, and takes their scores for the way that came first', async () => {
    const { id } = must(await planTrial(context, await asked()));
    const { trial } = (await readTrial(context, id))!;
    const papers = (await blindPapers(context, id))!;
    expect(JSON.stringify(papers)).not.toMatch(/salt|pepper|rub/i);
    // Everybody likes the second way, whichever they were given first, and scores it 6 over 3.
    for (const [i, order] of papers.orders.entries()) {
      const second = order.indexOf(trial.codes[1]) as 0 | 1;
      const scores = [{ taste: 3 }, { taste: 3 }];
      scores[second] = { taste: 6 };
      must(await keepPaper(context, id, { paper: i + 1, taster: 'Ann', first: scores[0], second: scores[1], prefers: second, note: '' }));
    }
    const { result } = (await readTrial(context, id))!;
    expect(result).toMatchObject({ papers: 6, wins: [0, 6], winner: 1, sureness: 'sure' });
    expect(result.traits).toMatchObject([{ trait: 'taste', differs: 3, means: [3, 6] }]);
    // A paper that is given again stands for the one before; one that was never drawn is refused.
    must(await keepPaper(context, id, { paper: 1, taster: 'Ann', note: '' }));
    expect((await readTrial(context, id))!.result).toMatchObject({ papers: 6, told: 5 });
    expect(codes(await keepPaper(context, id, { paper: 7, taster: 'Ann', note: '' }))).toEqual(['noSuchPaper@paper']);
    expect(codes(await keepPaper(context, 'nobody', { paper: 1, taster: 'Ann', note: '' }))).toEqual(['trialGone']);
    must(await takePaperOut(context, { id, paper: 1 }));
    expect((await readTrial(context, id))!.result.papers).toBe(5);
    expect((await blindPapers(context, id))!.given).toEqual([2, 3, 4, 5, 6]);
  });

  it('is taken away and comes back with its papers', async () => {
    const { id } = must(await planTrial(context, await asked()));
    must(await keepPaper(context, id, { paper: 2, taster: 'Ann', prefers: 0, note: 'sweet' }));
    must(await takeTrialOut(context, { id }));
    expect(await readTrials(context)).toEqual([]);
    expect(await blindPapers(context, id)).toBeUndefined();
    must(await bringTrialBack(context, { id }));
    expect((await readTrials(context))[0]!.tastings).toMatchObject([{ paper: 2, taster: 'Ann', note: 'sweet' }]);
    expect(codes(await takeTrialOut(context, { id: 'nobody' }))).toEqual(['trialGone']);
  });
});
