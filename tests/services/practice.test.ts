import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { EQUIPMENT_SETS, READY_MENUS } from '../../src/core/model';
import { resumed, scenarioIn } from '../../src/core/practice';
import { check } from '../../src/inputs';
import { PRACTICE_PAPERS } from '../../src/inputs/practice';
import * as services from '../../src/services';
import { codes, must, openContext } from '../fixtures/context';

const NOW_MS = Date.parse('2027-05-01T12:00:00Z');
const MINUTE = 60_000;
let context: services.Context;
let close: () => Promise<void>;

beforeEach(async () => ({ context, close } = await openContext(NOW_MS)));
afterEach(() => close());

const begin = (extra: object) =>
  services.beginPractice(context, must(check(PRACTICE_PAPERS.begin, { what: 'begin', trainee: ' Mira ', ...extra })));
const keep = (paper: object) => services.keepPractice(context, must(check(PRACTICE_PAPERS.keep, { what: 'keep', ...paper })));

describe('days in practice', () => {
  it('are begun, kept in the middle, taken up again as they were, and over once', async () => {
    const { id } = must(await begin({ scenarioId: 'two-hours-of-ribs' }));
    const fresh = (await services.readPracticeRun(id))!;
    expect(fresh).toMatchObject({ trainee: 'Mira', scenarioId: 'two-hours-of-ribs', save: { deeds: [] } });
    const startMs = fresh.save.nowMs;
    const deeds = [{ atMs: startMs, deed: { kind: 'chimney', pitId: 'pit' } }];
    must(await keep({ id, nowMs: startMs + 20 * MINUTE, deeds }));
    const kept = (await services.readPracticeRun(id))!;
    const day = resumed(scenarioIn(kept.scenarioId)!, kept.save);
    expect(day.nowMs).toBe(startMs + 20 * MINUTE);
    expect(day.news.some(({ kind }) => kind === 'chimneyReady')).toBe(true);

    // A page that was left open is behind: it takes nothing back.
    must(await keep({ id, nowMs: startMs + 5 * MINUTE, deeds: [] }));
    expect((await services.readPracticeRun(id))!.save.deeds).toHaveLength(1);

    const result = { value: 71.5, onTime: true, skills: { fire: 40, timing: 100 } };
    must(await keep({ id, nowMs: startMs + 125 * MINUTE, deeds, result }));
    must(await keep({ id, nowMs: startMs + 130 * MINUTE, deeds: [] }));
    expect((await services.readPracticeRun(id))!).toMatchObject({ result, save: { deeds: [{}] } });
    const { runs } = await services.readPractice(context);
    expect(runs).toEqual([expect.objectContaining({ id, deeds: 1, result })]);
    expect(runs[0]).not.toHaveProperty('save');
  });

  it('have a seed each, and are taken out and brought back', async () => {
    const [one, two] = [must(await begin({ scenarioId: 'squall' })), must(await begin({ scenarioId: 'squall' }))];
    const seeds = await Promise.all([one, two].map(async ({ id }) => (await services.readPracticeRun(id))!.save.seed));
    expect(seeds[0]).not.toBe(seeds[1]);
    must(await services.takePracticeOut(context, one.id));
    expect((await services.readPractice(context)).runs.map(({ id }) => id)).toEqual([two.id]);
    expect(codes(await keep({ id: one.id, nowMs: NOW_MS, deeds: [] }))).toEqual(['practiceGone']);
    must(await services.bringPracticeBack(context, one.id));
    expect((await services.readPractice(context)).runs).toHaveLength(2);
  });

  it('refuse what is not offered', async () => {
    expect(codes(await begin({ scenarioId: 'nothing-like-it' }))).toEqual(['scenarioGone']);
    expect(codes(await begin({ eventId: 'nobody' }))).toEqual(['eventGone']);
    const { id } = must(await begin({ scenarioId: 'squall' }));
    const half = [{ atMs: NOW_MS, deed: { kind: 'vents', pitId: 'pit' } }];
    expect(codes(await keep({ id, nowMs: NOW_MS, deeds: half }))).toEqual(['notAnObject']);
    const bad = (paper: object) => check(PRACTICE_PAPERS.keep, { what: 'keep', id: 'x', nowMs: NOW_MS, deeds: [], ...paper }).ok;
    expect(bad({ deeds: [{ atMs: NOW_MS, deed: { kind: 'explode' } }] })).toBe(false);
    expect(bad({ deeds: [{ atMs: NOW_MS, deed: { kind: 'vents', pitId: 'pit', bottom: 7, top: 1 } }] })).toBe(false);
    expect(bad({ deeds: 'many' })).toBe(false);
    expect(bad({ result: { value: 400, onTime: true, skills: {} } })).toBe(false);
    expect(check(PRACTICE_PAPERS.begin, { what: 'begin', trainee: '', scenarioId: 'squall' }).ok).toBe(false);
  });

  it('rehearse an event’s own plan on its own pits, its pieces by the tags of every other screen', async () => {
    must(await services.addSet(context, EQUIPMENT_SETS[0]!.id));
    const event = must(
      await services.createEvent(context, {
        name: 'First supper',
        place: 'A garden',
        timeZone: 'America/Halifax',
        date: '2027-05-15',
        time: '18:00',
        adults: 24,
        children: 0,
        menuId: READY_MENUS[0]!.id,
      }),
    );
    const { plan } = (await services.planEvent(context, event.id))!;
    const { id } = must(await begin({ eventId: event.id, from: 'fire' }));
    const { rehearsal, save } = (await services.readPracticeRun(id))!;
    const { scenario } = rehearsal!;
    expect(rehearsal!.eventName).toBe('First supper');
    expect(scenario.serveAtMs).toBe(event.servings[0]!.atMs);
    expect(scenario.pieces.length).toBeGreaterThan(0);
    expect(scenario.pieces.length).toBeLessThanOrEqual(10);
    for (const piece of scenario.pieces) {
      const run = plan.runs.find(
        ({ pieceIds, batchId }) => piece.key.startsWith(batchId) && pieceIds.includes(piece.key.slice(batchId.length + 1)),
      )!;
      expect(piece.pitId).toBe(run.pitId);
      expect(Math.abs(scenario.serveAtMs - piece.onBeforeMin! * MINUTE - run.onAtMs)).toBeLessThan(MINUTE);
      expect(piece.tag).toMatch(/^[A-Z]{1,2}\d+$/);
    }
    expect(new Set(scenario.pieces.map(({ tag }) => tag)).size).toBe(scenario.pieces.length);
    expect(save.nowMs).toBe(scenario.serveAtMs - scenario.takeOverMin * MINUTE);
    // Played on by nobody, it goes on to its end without a fault.
    const day = resumed(scenario, save);
    day.advanceTo(scenario.serveAtMs);
    expect(day.nowMs).toBe(scenario.serveAtMs);

    const short = must(await begin({ eventId: event.id, from: 'lastHours' }));
    expect((await services.readPracticeRun(short.id))!.rehearsal!.scenario.takeOverMin).toBeLessThanOrEqual(180);
  });

  it('have nothing to rehearse where an event has no plan', async () => {
    const event = must(
      await services.createEvent(context, {
        name: 'Nothing yet',
        place: 'A garden',
        timeZone: 'America/Halifax',
        date: '2027-05-15',
        time: '18:00',
        adults: 24,
        children: 0,
      }),
    );
    expect(codes(await begin({ eventId: event.id }))).toEqual(['nothingToRehearse']);
  });
});

describe('marks of a drill', () => {
  const answer = (questionId: string, right: boolean, trainee = 'Mira') =>
    services.keepMark(context, must(check(PRACTICE_PAPERS.answer, { what: 'answer', trainee, questionId, right })));

  it('are kept for each trainee, and a missed question comes back sooner than a known one', async () => {
    const known = must(await answer('smoke-1', true));
    const missed = must(await answer('smoke-2', false));
    must(await answer('smoke-1', false, 'Odd'));
    expect(missed.dueAtMs).toBeLessThan(known.dueAtMs);
    must(await answer('smoke-2', true));
    const { marks } = await services.readPractice(context);
    expect(marks.Mira).toHaveLength(2);
    expect(marks.Mira!.find(({ questionId }) => questionId === 'smoke-2')).toMatchObject({ right: 1, wrong: 1, box: 1 });
    expect(marks.Odd).toHaveLength(1);
  });

  it('are of questions that there are', async () => {
    expect(codes(await answer('smoke-99', true))).toEqual(['scenarioGone']);
  });
});
