import {
  HANDS_MIN,
  handsMinOf,
  PREP_KINDS,
  TENDING_KINDS,
  type Plan,
  type PlanProblem,
  type Preparation,
  type Shift,
  type Task,
} from '../model';
import { CrewLedger } from '../schedule';
import { addMinutes, MS_PER_MIN } from '../units';
import type { WaitingTask } from './waitingWork';

const MOVES_MIN: Partial<Record<Task['kind'], [earlier: number, later: number]>> = {
  closeAir: [5, 5],
  setPoint: [10, 0],
  unwrap: [5, 10],
  probe: [0, 20],
  vent: [0, 5],
  rest: [0, 10],
  hold: [0, 10],
};
const USUALLY_MOVES: [number, number] = [10, 10];
const KITCHEN_WORK: ReadonlySet<Preparation['code']> = new Set(['mix', 'side', 'knives', 'labels']);
/** Work is put into gaps on such steps of the clock. */
const STEP_MIN = 5;

/** Prep that harms nothing when it is done a little sooner than counted back. */
const MAY_COME_SOONER: ReadonlySet<Task['kind']> = new Set(['trim', 'inject', 'salt', 'rub', 'fill']);
const PREP_SOONER_MIN = 30;

const isPrep = (kind: Task['kind']) => (PREP_KINDS as readonly string[]).includes(kind);

/** Names of those who do all that the search left open, and what nobody is there for. Without a crew nobody is named. */
export function staffed(
  tasks: readonly Task[],
  waiting: readonly WaitingTask[],
  plan: Pick<Plan, 'runs' | 'firings' | 'trips' | 'travelWork' | 'stays'>,
  { quiet, shifts, earliestMs }: { quiet: readonly Shift[]; shifts: readonly Shift[]; earliestMs: number },
): { tasks: Task[]; problems: PlanProblem[] } {
  const isQuiet = (fromMs: number, toMs: number) => quiet.some((each) => each.fromMs < toMs && each.toMs > fromMs);
  const isOpen = (fromMs: number, toMs: number) => shifts.some((each) => each.fromMs <= fromMs && each.toMs >= toMs);
  /** Moments for it, the best first: in the kitchen's hours what is kitchen work, then while nobody sleeps, then at all; the latest first. */
  const wished = ({ what, minutes }: Task, fromMs: number, latestMs: number) => {
    const slots = slotsOf(fromMs, latestMs, earliestMs);
    const rank = (atMs: number) => {
      const toMs = addMinutes(atMs, minutes);
      return isQuiet(atMs, toMs) ? 2 : what && KITCHEN_WORK.has(what.code) && shifts.length > 0 && !isOpen(atMs, toMs) ? 1 : 0;
    };
    return slots.sort((a, b) => rank(a) - rank(b) || b - a);
  };
  if (!plan.stays) {
    const placed = waiting.map(({ earliestMs: fromMs, ...task }) => ({
      ...task,
      atMs: wished(task, fromMs, task.latestMs)[0] ?? task.atMs,
    }));
    return { tasks: [...tasks, ...placed], problems: [] };
  }
  const { stays } = plan;
  const ledger = new CrewLedger(byPerson(stays));
  const take = (who: readonly string[], atMs: number, minutes: number) => ledger.retake(who, atMs, minutes);
  for (const run of plan.runs) for (const { who, atMs, minutes } of run.work) take(who, atMs, minutes);
  for (const { who, lightAtMs } of plan.firings) take(who, lightAtMs, 15);
  for (const { who, atMs, minutes } of plan.travelWork) take(who, atMs, minutes);
  const problems: PlanProblem[] = [];
  const dutyFromMs = Math.min(...stays.map((stay) => stay.fromMs));
  /** Whoever did the last such thing there goes on with it. */
  const last = new Map<string, string>();

  const give = (task: Task, [earlier, later]: readonly [number, number]): Task | undefined => {
    const minutes = handsMinOf(task);
    const key = task.pitId ?? task.runId ?? 'prep';
    for (const offset of offsets(earlier, later)) {
      const atMs = addMinutes(task.atMs, offset);
      const free = ledger.freeAt(atMs, minutes, task.placeId!);
      const person = free.find((each) => each === last.get(key)) ?? free[0];
      if (person === undefined) continue;
      take([person], atMs, minutes);
      last.set(key, person);
      return { ...task, atMs, who: [person] };
    }
    return undefined;
  };
  const wants = (task: Task) => !task.who && task.placeId !== undefined;
  // What cannot wait comes first; then what is made ready before, a little sooner where hands are wanted elsewhere.
  const kept = tasks.map((task): Task => {
    const { kind, placeId } = task;
    if (!wants(task)) return task;
    if (kind === 'serve') {
      const untilMs = addMinutes(task.atMs, STEP_MIN);
      const there = stays.filter((stay) => stay.placeId === placeId && stay.fromMs <= task.atMs && stay.toMs >= untilMs);
      return there.length > 0 ? { ...task, who: [...new Set(there.map((stay) => stay.memberId))] } : task;
    }
    if (!TENDING_KINDS.includes(kind) && !(HANDS_MIN[kind] !== undefined)) return task;
    const found = give(task, MOVES_MIN[kind] ?? USUALLY_MOVES);
    if (found) return found;
    // Whoever pulls sees to it himself.
    if (HANDS_MIN[kind] !== undefined) {
      const who = plan.runs.find((run) => run.id === task.runId)?.work.find((work) => work.kind === 'pull')?.who ?? [];
      return who.length > 0 ? { ...task, who } : task;
    }
    if (task.atMs >= dutyFromMs) unstaffedIn(problems, task);
    return task;
  });
  const readyMs = new Map<string, number>();
  const named = kept.map((task): Task => {
    if (!wants(task) || !isPrep(task.kind)) return task;
    const afterMs = readyMs.get(task.batchId!) ?? -Infinity;
    const soonerMin = MAY_COME_SOONER.has(task.kind) ? Math.max(0, Math.min(PREP_SOONER_MIN, (task.atMs - afterMs) / MS_PER_MIN)) : 0;
    // Before the crew comes on duty the kitchen does it, by whoever is there.
    const done = give(task, [soonerMin, 0]) ?? task;
    readyMs.set(task.batchId!, addMinutes(done.atMs, done.minutes));
    return done;
  });
  const placed = [...waiting]
    .sort((a, b) => a.latestMs - b.latestMs)
    .map(({ earliestMs: fromMs, ...task }): Task => {
      const slots = wished(task, fromMs, task.latestMs);
      const free = (atMs: number) => ledger.freeAt(atMs, task.minutes, task.placeId!)[0];
      const atMs = slots.find((each) => free(each) !== undefined);
      const person = atMs === undefined ? undefined : free(atMs);
      if (atMs === undefined || person === undefined) return { ...task, atMs: slots[0] ?? task.atMs };
      take([person], atMs, task.minutes);
      return { ...task, atMs, who: [person] };
    });
  return { tasks: [...named, ...placed], problems };
}

const byPerson = (stays: NonNullable<Plan['stays']>) => {
  const people = new Map<string, { placeId: string; fromMs: number; toMs: number }[]>();
  for (const { memberId, ...stay } of stays) people.set(memberId, [...(people.get(memberId) ?? []), stay]);
  return people;
};

/** Moments to begin, the latest first, on the five of the clock. */
function slotsOf(fromMs: number, latestMs: number, earliestMs: number): number[] {
  const stepMs = STEP_MIN * MS_PER_MIN;
  const slots: number[] = [];
  for (let atMs = Math.floor(latestMs / stepMs) * stepMs; atMs >= Math.max(fromMs, earliestMs); atMs -= stepMs) slots.push(atMs);
  return slots;
}

/** 0, 1, -1, 2, -2 … as far as either side goes. */
function offsets(earlier: number, later: number): number[] {
  const list = [0];
  for (let step = 1; step <= Math.max(earlier, later); step++) {
    if (step <= later) list.push(step);
    if (step <= earlier) list.push(-step);
  }
  return list;
}

/** The same trouble with the same pit is told once, with how often. */
function unstaffedIn(problems: PlanProblem[], task: Task): void {
  const same = problems.findIndex((each) => each.code === 'unstaffed' && each.kind === task.kind && each.pitId === task.pitId);
  const before = problems[same];
  if (before?.code === 'unstaffed') problems[same] = { ...before, times: before.times + 1 };
  else
    problems.push({
      code: 'unstaffed',
      severity: 'warning',
      kind: task.kind,
      pitId: task.pitId,
      placeId: task.placeId!,
      atMs: task.atMs,
      times: 1,
    });
}
