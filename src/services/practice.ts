import {
  deedOf,
  DRILL_SETS,
  marked,
  QUESTIONS,
  rehearsalOf,
  scenarioIn,
  type DrillMark,
  type PracticeLine,
  type PracticeRun,
  type Scenario,
} from '../core/practice';
import { seedOfName } from '../core/numerics';
import { MS_PER_MIN } from '../core/units';
import { failure, success, type Outcome } from '../core/outcome';
import { messageContextOf, pieceTag } from '../formats/messages/names';
import { DEFAULT_UNITS } from '../formats/units';
import type { BeginPracticeInput, DrillAnswerInput, KeepPracticeInput } from '../inputs/practice';
import {
  listDrillMarks,
  listPracticeRuns,
  loadDrillMark,
  loadPracticeRun,
  markPracticeDeleted,
  saveDrillMark,
  savePracticeRun,
} from '../persistence';
import type { Context } from './context';
import { listEquipment, listEvents } from './reading';
import { planEvent } from './planEvent';

/** What the page of practice opens with. */
export interface PracticeHouse {
  runs: PracticeLine[];
  /** By trainee. */
  marks: Record<string, DrillMark[]>;
  /** Names of the crew, to choose from. */
  crew: string[];
  /** Events whose plan can be rehearsed. */
  events: { id: string; name: string }[];
}

const lineOf = ({ rehearsal, save, ...run }: PracticeRun): PracticeLine => ({
  ...run,
  eventName: rehearsal?.eventName,
  deeds: save.deeds.length,
});

export async function readPractice(context: Context): Promise<PracticeHouse> {
  const [runs, marks, { crew }, events] = await Promise.all([
    listPracticeRuns(),
    listDrillMarks(),
    listEquipment(context),
    listEvents(context),
  ]);
  return {
    runs: runs.map(lineOf),
    marks: Object.fromEntries(marks),
    crew: crew.map(({ name }) => name),
    events: events.map(({ id, name }) => ({ id, name })),
  };
}

export const readPracticeRun = (id: string): Promise<PracticeRun | undefined> => loadPracticeRun(id);

/** Begins a day: the seed is drawn here, so that nobody practises the same twice without knowing. */
export async function beginPractice(context: Context, input: BeginPracticeInput): Promise<Outcome<{ id: string }>> {
  const { trainee, scenarioId, eventId, from } = input;
  const id = context.newId();
  let scenario: Scenario | undefined;
  let rehearsal: PracticeRun['rehearsal'];
  if (eventId !== undefined) {
    const planned = await planEvent(context, eventId);
    if (!planned) return failure({ code: 'eventGone' });
    const names = messageContextOf(planned.input, DEFAULT_UNITS);
    scenario = rehearsalOf(planned.input, planned.plan, (batchId, nth) => pieceTag(names, batchId, nth), from);
    if (!scenario) return failure({ code: 'nothingToRehearse' });
    rehearsal = { eventId, eventName: planned.input.event.name, scenario };
  } else scenario = scenarioIn(scenarioId ?? '');
  if (!scenario) return failure({ code: 'scenarioGone' });
  const nowMs = context.nowMs();
  const run: PracticeRun = {
    id,
    trainee: trainee.trim(),
    scenarioId: scenario.id,
    rehearsal,
    save: { seed: seedOfName(id), nowMs: scenario.serveAtMs - scenario.takeOverMin * MS_PER_MIN, deeds: [] },
    startedAtMs: nowMs,
    changedAtMs: nowMs,
  };
  await context.db.write((transaction) => savePracticeRun(run, transaction));
  return success({ id });
}

/** Keeps how far a day has come. What is older than what is kept, of a page that was left open, changes nothing. */
export function keepPractice(context: Context, { id, nowMs, deeds, result }: KeepPracticeInput): Promise<Outcome<{ id: string }>> {
  const done = deeds.flatMap(({ atMs, deed }) => {
    const whole = deedOf({ ...deed });
    return whole ? [{ atMs, deed: whole }] : [];
  });
  if (done.length < deeds.length) return Promise.resolve(failure({ code: 'notAnObject' }));
  return context.db.write(async (transaction) => {
    const run = await loadPracticeRun(id, transaction);
    if (!run) return failure({ code: 'practiceGone' });
    if (run.result || nowMs < run.save.nowMs) return success({ id });
    const save = { ...run.save, nowMs, deeds: done };
    await savePracticeRun(
      { ...run, save, result: result && { ...result, skills: { ...result.skills } }, changedAtMs: context.nowMs() },
      transaction,
    );
    return success({ id });
  });
}

export async function takePracticeOut(context: Context, id: string, back = false): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => markPracticeDeleted(id, back ? null : context.nowMs(), transaction));
  return found ? success({ id }) : failure({ code: 'practiceGone' });
}
export const bringPracticeBack = (context: Context, id: string): Promise<Outcome<{ id: string }>> => takePracticeOut(context, id, true);

const QUESTION_IDS = new Set(DRILL_SETS.flatMap((set) => Array.from({ length: QUESTIONS }, (_, n) => `${set}-${n}`)));

/** Keeps an answer; tells when the question comes back. */
export async function keepMark(context: Context, { trainee, questionId, right }: DrillAnswerInput): Promise<Outcome<DrillMark>> {
  if (!QUESTION_IDS.has(questionId)) return failure({ code: 'scenarioGone' });
  const nowMs = context.nowMs();
  return context.db.write(async (transaction) => {
    const who = trainee.trim();
    const mark = marked(await loadDrillMark(who, questionId, transaction), questionId, right, nowMs);
    await saveDrillMark(who, mark, nowMs, transaction);
    return success(mark);
  });
}
