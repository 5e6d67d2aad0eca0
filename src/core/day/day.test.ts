import { describe, expect, it } from 'vitest';
import { smallSupper } from '../../../tests/fixtures/day';
import { keptDayOf, liveDay } from '../../../tests/fixtures/livedDay';
import { handsMinOf } from '../model';
import { chanceBy } from './odds';
import { emptyDay } from './keptDay';
import {
  alarmsNow,
  DayForecaster,
  dayView,
  foldDay,
  jointChance,
  judgeLine,
  leversNow,
  lowestCounts,
  oddsNow,
  readingsOf,
  retime,
  type Deed,
  type Entry,
} from './index';

const kept = keptDayOf(smallSupper());
const { plan } = kept;
const MIN = 60_000;
const run = plan.runs.find((each) => each.batchId.startsWith('butt'))!;
const birds = plan.runs.find((each) => each.batchId.startsWith('bird'))!;
const KEYS = run.pieceIds.map((id) => `${run.batchId}/${id}`);
let made = 0;
const said = (atMs: number, deed: Deed): Entry => ({ id: `t${++made}`, atMs, by: 'Ada', source: 'crew', deed });
const task = (kind: string, of = run.id) =>
  plan.tasks.find((each) => each.kind === kind && (each.runId === of || each.runId === undefined))!;
const began = said(plan.firings[0]!.lightAtMs - 30 * MIN, { kind: 'day', did: 'started' });
const on = said(run.onAtMs, { kind: 'piece', pieces: KEYS, step: 'on' });

describe('tasks of a day', () => {
  it('stand as planned while nothing happened', () => {
    const now = began.atMs + MIN;
    const tasks = retime(kept, foldDay(kept, [began]), undefined, now);
    for (const each of tasks.filter((one) => !['check', 'pull', 'vent', 'rest', 'hold'].includes(one.kind)))
      expect([each.id, each.dueMs]).toEqual([each.id, each.plannedMs]);
  });

  it('move with what they hang on: a late load moves the wrap, a late reload the next ones', () => {
    const late = 40 * MIN;
    const state = foldDay(kept, [began, said(run.onAtMs + late, { kind: 'piece', pieces: KEYS, step: 'on' })]);
    const wrap = retime(kept, state, undefined, run.onAtMs + late).find((each) => each.id === task('wrap').id)!;
    expect(wrap.dueMs).toBe(wrap.plannedMs + late);
    const reloads = plan.tasks.filter((each) => each.kind === 'reload').sort((a, b) => a.atMs - b.atMs);
    const fuelled = foldDay(kept, [began, said(reloads[0]!.atMs + 12 * MIN, { kind: 'task', taskId: reloads[0]!.id, did: 'done' })]);
    const next = retime(kept, fuelled, undefined, reloads[0]!.atMs + 13 * MIN).find((each) => each.id === reloads[1]!.id)!;
    expect(next.dueMs).toBe(reloads[1]!.atMs + 12 * MIN);
  });

  it('wait, are due, are late, are put off, are left out with a reason, are done', () => {
    const load = task('load');
    const at = (minutes: number, ...more: Entry[]) =>
      retime(kept, foldDay(kept, [began, ...more]), undefined, load.atMs + minutes * MIN).find((each) => each.id === load.id)!;
    expect(at(-60).status).toBe('waiting');
    expect(at(-5).status).toBe('due');
    expect(at(30).status).toBe('late');
    expect(at(5, said(load.atMs, { kind: 'task', taskId: load.id, did: 'notYet', minutes: 20 }))).toMatchObject({
      status: 'waiting',
      dueMs: load.atMs + 20 * MIN,
    });
    expect(at(30, said(load.atMs, { kind: 'task', taskId: load.id, did: 'skipped', reason: 'no time' }))).toMatchObject({
      status: 'skipped',
      reason: 'no time',
    });
    expect(at(30, said(load.atMs, { kind: 'task', taskId: load.id, did: 'done' })).status).toBe('done');
    expect(
      at(
        30,
        said(load.atMs, { kind: 'task', taskId: load.id, did: 'skipped' }),
        said(load.atMs + MIN, { kind: 'task', taskId: load.id, did: 'again' }),
      ).status,
    ).toBe('late');
  });

  it('that have moved onto each other are given to whoever is free, or say that nobody is', () => {
    const tasks = retime(kept, foldDay(kept, [began]), undefined, began.atMs);
    const busy = new Map<string, { fromMs: number; toMs: number; id: string }[]>();
    for (const each of tasks) {
      if (each.kind === 'serve' || each.clash) continue;
      const minutes = handsMinOf(each);
      for (const who of each.who ?? []) {
        const own = busy.get(who) ?? [];
        const toMs = each.dueMs + minutes * MIN;
        expect(own.filter((other) => other.fromMs < toMs && other.toMs > each.dueMs).map((other) => [other.id, each.id])).toEqual([]);
        busy.set(who, [...own, { fromMs: each.dueMs, toMs, id: each.id }]);
      }
    }
  });
});

describe('odds of a serving', () => {
  it('are those of normals with something in common', () => {
    expect(jointChance([])).toBe(1);
    expect(jointChance([1, 1])).toBe(1);
    expect(jointChance([0.8, 0])).toBe(0);
    expect(jointChance([0.8])).toBeCloseTo(0.8, 2);
    expect(jointChance([0.8, 0.8], 0)).toBeCloseTo(0.64, 2);
    const some = jointChance([0.8, 0.8], 0.5);
    expect(some).toBeGreaterThan(0.64);
    expect(some).toBeLessThan(0.8);
    expect(jointChance([0.8, 0.8], 0.99)).toBeGreaterThan(0.77);
  });

  it('are near the plan’s before anything is on, and certain once all is pulled in time', () => {
    const forecaster = new DayForecaster(kept);
    const nothing = { pieces: {}, pits: {} };
    const before = oddsNow(kept, emptyDay(kept), forecaster.at(emptyDay(kept), nothing, began.atMs));
    expect(Math.abs(before[0]!.onTimeShare - plan.odds[0]!.onTimeShare)).toBeLessThan(0.12);
    const all = [...KEYS, ...birds.pieceIds.map((id) => `${birds.batchId}/${id}`)];
    const pulledMs = run.carveAtMs - 150 * MIN;
    const done = foldDay(kept, [
      began,
      on,
      said(birds.onAtMs, { kind: 'piece', pieces: all.slice(2), step: 'on' }),
      said(pulledMs, { kind: 'piece', pieces: all, step: 'pulled' }),
    ]);
    expect(oddsNow(kept, done, forecaster.at(done, nothing, pulledMs))[0]!.onTimeShare).toBe(1);
  });

  it('run along the quantiles of a forecast', () => {
    const doneAtMs = Array.from({ length: 13 }, (_, i) => 1000 * (i + 1));
    const forecast = { key: 'a', done: { p10Ms: 3000, p50Ms: 7000, p90Ms: 11_000 }, doneAtMs, ignored: [] };
    expect(chanceBy(forecast, 7000)).toBeCloseTo(0.5, 6);
    expect(chanceBy(forecast, 6500)).toBeCloseTo(0.45, 6);
    expect(chanceBy(forecast, 99_999)).toBe(1);
    expect(chanceBy(forecast, -99_999)).toBe(0);
  });
});

describe('the forecasts of a day', () => {
  const lived = liveDay(kept, { seed: 3, untilMs: run.onAtMs + 4.5 * 3_600_000, forecastEveryMin: 600 });
  const { state } = lived.journal;
  const nowMs = run.onAtMs + 4.5 * 3_600_000;
  const readings = readingsOf(state, lived.book.over(nowMs), lowestCounts(kept));

  it('replayed from the journal are the same to the digit, asked once or on the way', () => {
    const once = new DayForecaster(kept).at(state, readings, nowMs);
    const live = new DayForecaster(kept);
    for (const backMin of [120, 60, 30]) {
      const then = nowMs - backMin * MIN;
      const past = foldDay(
        kept,
        lived.journal.entries.filter((entry) => entry.atMs <= then),
      );
      live.at(past, readingsOf(past, lived.book.over(then), lowestCounts(kept)), then);
    }
    expect(live.at(state, readings, nowMs)).toEqual(once);
  });

  it('have a core, a band, a probe’s word for what is probed, and are judged by their neighbour where nothing is', () => {
    const { pieces } = new DayForecaster(kept).at(state, readings, nowMs);
    const [probed, bare] = [pieces[KEYS[0]!]!, pieces[KEYS[1]!]!];
    expect(probed.coreNowC!.p50).toBeGreaterThan(55);
    expect(probed.coreNowC!.p50).toBeLessThan(85);
    expect(probed.band!.p50C.length).toBeGreaterThan(3);
    expect(probed.done.p10Ms).toBeLessThan(probed.done.p50Ms);
    expect(probed.byNeighbour).toBeUndefined();
    expect(bare.byNeighbour).toBe(KEYS[0]);
  });

  it('try levers on the meat as it is: hotter is sooner, later is surer, doing nothing is listed', () => {
    const cold = foldDay(kept, [...lived.journal.entries, said(nowMs - MIN, { kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 106 })]);
    const forecaster = new DayForecaster(kept);
    const forecast = forecaster.at(cold, readings, nowMs);
    const levers = leversNow({ kept, state: cold, readings, forecaster, forecast, nowMs });
    const raise = levers.find((lever) => lever.code === 'raisePit')!;
    expect(raise.gainMin).toBeGreaterThan(5);
    expect(raise.onTimeShare).toBeGreaterThan(oddsNow(kept, cold, forecast)[0]!.onTimeShare);
    expect(levers.at(-1)!.code).toBe('nothing');
    // Trying changed nothing.
    expect(forecaster.at(cold, readings, nowMs)).toEqual(forecast);
    const taken = foldDay(kept, [
      ...lived.journal.entries,
      said(nowMs, { kind: 'revision', lever: raise.id, changes: raise.changes, reason: 'too slow' }),
    ]);
    expect(taken.pits.offset!.setPoints.at(-1)!.pitC).toBe(raise.pitC);
  });

  it('run early are slowed, held, vented, pulled in parts; never below a hard value while meat is bare', () => {
    const late = foldDay(kept, [
      ...lived.journal.entries,
      said(nowMs, {
        kind: 'revision',
        lever: 'x',
        changes: [{ what: 'servingAt', servingId: run.servingId, atMs: kept.input.event.servings[0]!.atMs + 9 * 3_600_000 }],
        reason: 'the boats are late',
      }),
    ]);
    expect(late.revisions[0]!.from).toEqual([kept.input.event.servings[0]!.atMs]);
    const forecaster = new DayForecaster(kept);
    const levers = leversNow({ kept, state: late, readings, forecaster, forecast: forecaster.at(late, readings, nowMs), nowMs });
    const codes = levers.map((lever) => lever.code);
    expect(codes).toContain('lowerPit');
    expect(codes).toContain('ventLonger');
    expect(codes.at(-1)).toBe('nothing');
    expect(codes).not.toContain('holdCooler');
    const withWarmer = {
      ...kept,
      input: { ...kept.input, warmers: [{ id: 'warmer', name: 'Warmer', kind: 'warmer' as const, slots: 8, setC: 74 }] },
      plan: { ...kept.plan, runs: kept.plan.runs.map((each) => ({ ...each, hold: { ...each.hold, gearId: 'warmer' } })) },
    };
    const trying = { kept: withWarmer, state: late, readings, forecaster, forecast: forecaster.at(late, readings, nowMs), nowMs };
    const cooler = leversNow(trying).find((lever) => lever.code === 'holdCooler')!;
    expect(cooler.changes).toEqual([{ what: 'warmerAt', gearId: 'warmer', setC: 64 }]);
    const turned = foldDay(withWarmer, [
      ...lived.journal.entries,
      said(nowMs, { kind: 'revision', lever: cooler.id, changes: cooler.changes, reason: 'early' }),
    ]);
    expect(turned.revisions.at(-1)!.from).toEqual([74]);
    expect(leversNow({ ...trying, state: turned }).map((lever) => lever.code)).not.toContain('holdCooler');
    for (const lever of levers)
      for (const change of lever.changes) if (change.what === 'setPoint') expect(change.pitC).toBeGreaterThanOrEqual(107);
  });

  it('that hands must carry out are tasks of their own, about just their pieces; the plan’s own waits for the rest', () => {
    const wrapOne = said(nowMs, { kind: 'revision', lever: 'x', changes: [{ what: 'wrapNow', pieces: [KEYS[0]!] }], reason: 'one lags' });
    const before = foldDay(kept, [
      ...lived.journal.entries.filter(({ deed }) => !(deed.kind === 'task' && deed.taskId === task('wrap').id)),
      wrapOne,
    ]);
    const wraps = (of: typeof state) => retime(kept, of, undefined, nowMs).filter((each) => each.kind === 'wrap');
    expect(wraps(before).map((each) => [each.added ?? false, each.pieceIds?.length ?? 2, each.status])).toContainEqual([true, 1, 'due']);
    const own = wraps(before).find((each) => each.added)!;
    const after = foldDay(kept, [
      ...lived.journal.entries.filter(({ deed }) => !(deed.kind === 'task' && deed.taskId === task('wrap').id)),
      wrapOne,
      said(nowMs + MIN, { kind: 'task', taskId: own.id, did: 'done' }),
    ]);
    expect(KEYS.map((key) => after.pieces[key]!.wrappedAtMs)).toEqual([nowMs + MIN, undefined]);
    const both = foldDay(kept, [
      began,
      on,
      said(nowMs, { kind: 'revision', lever: 'x', changes: [{ what: 'wrapNow', pieces: KEYS }], reason: 'all lag' }),
    ]);
    expect(wraps(both).map((each) => each.added)).toEqual([true]);
    const hold = foldDay(kept, [
      began,
      on,
      said(nowMs, { kind: 'revision', lever: 'x', changes: [{ what: 'holdIn', pieces: KEYS, gearId: 'other' }], reason: 'early' }),
    ]);
    const held = retime(kept, hold, undefined, nowMs).find((each) => each.kind === 'hold' && each.runId === run.id)!;
    expect(
      foldDay(kept, [
        began,
        on,
        said(nowMs - 1, { kind: 'revision', lever: 'x', changes: [{ what: 'holdIn', pieces: KEYS, gearId: 'other' }], reason: 'early' }),
        said(nowMs, { kind: 'piece', pieces: KEYS, step: 'pulled' }),
        said(nowMs + MIN, { kind: 'task', taskId: held.id, did: 'done' }),
      ]).pieces[KEYS[0]!]!.gearId,
    ).toBe('other');
  });

  it('that change places go on where the other lay', () => {
    const hotAndCold = structuredClone(kept);
    const places = hotAndCold.plan.runs.find((each) => each.id === run.id)!.legs.flatMap((leg) => leg.places);
    for (const place of places) place.offsetC = place.pieceId === run.pieceIds[0] ? 8 : -8;
    const swapped = foldDay(hotAndCold, [
      ...lived.journal.entries,
      said(nowMs - 30 * MIN, {
        kind: 'revision',
        lever: 'x',
        changes: [{ what: 'swap', pieces: [KEYS[0]!, KEYS[1]!] }],
        reason: 'one lags',
      }),
    ]);
    expect(KEYS.map((key) => swapped.pieces[key]!.shifts[0]!.hotterByC)).toEqual([-16, 16]);
    const done = (of: typeof state) => {
      const { pieces } = new DayForecaster(hotAndCold).at(of, readings, nowMs);
      return KEYS.map((key) => pieces[key]!.done.p50Ms);
    };
    const [before, after] = [done(state), done(swapped)];
    expect(after[0]!).toBeGreaterThan(before[0]!);
    expect(after[1]!).toBeLessThan(before[1]!);
  });

  it('are a screen’s whole content, small enough to be sent to fifty', () => {
    const view = dayView(kept, lived.journal, readings, new DayForecaster(kept).at(state, readings, nowMs), [], nowMs);
    expect(view.pieces.find((piece) => piece.key === KEYS[0])!.last!.tempC).toBeGreaterThan(40);
    expect(view.tasks.length).toBe(plan.tasks.length);
    expect(JSON.stringify(view).length).toBeLessThan(90_000);
  });
});

describe('alarms', () => {
  const raisedOn = (options: Omit<Parameters<typeof liveDay>[1], 'seed'>) => liveDay(kept, { seed: 5, ...options }).raised;
  const untilMs = run.onAtMs + 5 * 3_600_000;
  const PROMPTS = new Set(['coreWrap', 'coreCheck', 'corePull', 'hotHoldCheck', 'holdFloor']);

  it('are at most one on a quiet stretch, beside what the meat asks for', () => {
    expect(raisedOn({ untilMs }).filter(({ alarm }) => !PROMPTS.has(alarm.code)).length).toBeLessThanOrEqual(1);
  });

  it('ring for a probe that slips out, fat that burns, a fire that fails, a channel that falls silent; once for each', () => {
    const at = (minutes: number) => run.onAtMs + minutes * MIN;
    const raised = raisedOn({
      untilMs,
      faults: [
        { kind: 'probe', channel: 'c0', fault: 'slipsOut', fromMs: at(60), toMs: at(100) },
        { kind: 'flare', pitId: 'offset', fromMs: at(130), toMs: at(150) },
        { kind: 'fireFails', pitId: 'offset', fromMs: at(190), toMs: at(225) },
        { kind: 'probe', channel: 'c0', fault: 'dropsOut', fromMs: at(250), toMs: at(300) },
      ],
    });
    const codes = raised.map(({ alarm }) => alarm.code);
    expect(codes).toContain('probeLies');
    expect(codes.some((code) => code === 'pitFast' || code === 'pitHigh')).toBe(true);
    expect(codes.some((code) => code === 'pitFalling' || code === 'pitLow')).toBe(true);
    expect(codes).toContain('probeLost');
    expect(raised.find(({ alarm }) => alarm.code === 'probeLost')!.alarm).toMatchObject({ channel: 'c0' });
    expect(raised.every(({ alarm }) => alarm.who !== undefined)).toBe(true);
  });
});

describe('an alarm for a probe that lies', () => {
  it('rings on while the next forecast is late: nothing has said that the probe is right again', () => {
    const at = (minutes: number) => run.onAtMs + minutes * MIN;
    const faults = [{ kind: 'probe' as const, channel: 'c0', fault: 'slipsOut' as const, fromMs: at(60), toMs: at(200) }];
    const { journal, book, forecasts } = liveDay(kept, { seed: 5, untilMs: at(85), faults });
    const forecast = forecasts.at(-1)!;
    const { state } = journal;
    const ringsAt = (nowMs: number) => {
      const readings = readingsOf(state, book.over(nowMs), lowestCounts(kept));
      const facts = {
        kept,
        state,
        readings,
        minutes: book.over(nowMs),
        forecast,
        tasks: retime(kept, state, forecast, nowMs),
        odds: [],
        nowMs,
      };
      return alarmsNow(facts).some(({ code }) => code === 'probeLies');
    };
    expect(ringsAt(forecast.atMs)).toBe(true);
    expect(ringsAt(forecast.atMs + 25 * MIN)).toBe(true);
  });
});

describe('the safety log', () => {
  it('judges a value by its rule, the stricter one', () => {
    const bird = `${birds.batchId}/${birds.pieceIds[0]}`;
    expect(judgeLine(kept, { line: 'poultryPeak', piece: bird, tempC: 73.9 }).verdict).toBe('fails');
    expect(judgeLine(kept, { line: 'poultryPeak', piece: bird, tempC: 74 })).toMatchObject({ verdict: 'good', limitC: 74 });
    expect(judgeLine(kept, { line: 'hotHold', batchId: run.batchId, tempC: 59 })).toMatchObject({ verdict: 'fails', limitC: 60 });
    expect(judgeLine(kept, { line: 'cooling21', batchId: run.batchId, tempC: 22 }).verdict).toBe('fails');
    expect(judgeLine(kept, { line: 'receiving', batchId: run.batchId, tempC: 5 }).verdict).toBe('good');
    expect(judgeLine(kept, { line: 'sanitiser' }).verdict).toBe('noted');
  });

  it('asks for two-stage cooling from its start, and a corrected line no longer counts', () => {
    const startMs = run.carveAtMs + 60 * MIN;
    const begun = said(startMs, { kind: 'safety', line: 'coolingStart', batchId: run.batchId, tempC: 60 });
    const read = said(startMs + 110 * MIN, { kind: 'safety', line: 'cooling21', batchId: run.batchId, tempC: 20 });
    const due = (...entries: Entry[]) =>
      dayView(
        kept,
        { entries, state: foldDay(kept, entries) },
        { pieces: {}, pits: {} },
        undefined,
        [],
        startMs + 3 * 3_600_000,
      ).safetyDue.filter((each) => each.line.startsWith('cooling'));
    expect(due(began, begun)).toMatchObject([{ line: 'cooling21', dueMs: startMs + 120 * MIN }]);
    expect(due(began, begun, read)).toMatchObject([{ line: 'cooling5', dueMs: startMs + 360 * MIN }]);
    expect(
      due(began, begun, read, said(startMs + 115 * MIN, { kind: 'safety', line: 'sanitiser', corrects: read.id, note: 'other tray' })),
    ).toMatchObject([{ line: 'cooling21' }]);
  });
});
