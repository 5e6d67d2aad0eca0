import { type Run, type Task } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { hasTaken, isDoneTo } from './advance';
import type { DayForecast } from './forecaster';
import { piecesOfTask, STEP_OF_TASK, type KeptDay } from './keptDay';
import type { DayTask, TaskStatus } from './dayTask';
import { takenOver, tasksOfDay, type RevisedTask } from './revisedTasks';
import { staffedAnew } from './staffedAnew';
import type { DayState, PieceState } from './state';

/** A task is due so long before its minute, and late so long after. */
const DUE_BEFORE_MIN = 10;
const LATE_AFTER_MIN: Partial<Record<Task['kind'], number>> = { check: 15, pull: 15, wrap: 15, vent: 15, rest: 20, hold: 20, prepare: 30 };
const USUALLY_LATE_MIN = 10;
/** Felt like that, it is looked at again after so many minutes. */
const LOOK_AGAIN_MIN = { tight: 40, 'some give': 25, almost: 12, tender: 0 } as const;
/** Between pulling and the next step. */
const HANDS_MIN = 2;

/** What stands on the run sheet now: done tasks move those that hang on them, forecasts move what the meat decides. */
export function retime(kept: KeptDay, state: DayState, forecast: DayForecast | undefined, nowMs: number): DayTask[] {
  const { plan } = kept;
  const shifts = shiftsOf(kept, state);
  const all = tasksOfDay(kept, state);
  const tasks = all.flatMap((task): DayTask[] => {
    if (!task.added && isTakenOver(kept, state, all, task)) return [];
    const dueMs = task.added ? task.atMs : dueOf(kept, state, forecast, shifts, task);
    if (dueMs === undefined) return [];
    return [{ ...task, plannedMs: task.atMs, ...standing(kept, state, task, dueMs, nowMs) }];
  });
  return staffedAnew(
    plan,
    tasks.sort((a, b) => a.dueMs - b.dueMs || (a.id < b.id ? -1 : 1)),
  );
}

/** Whether all that is left of a planned task is a revision's to do. */
function isTakenOver(kept: KeptDay, state: DayState, all: readonly RevisedTask[], task: Task): boolean {
  const step = STEP_OF_TASK[task.kind];
  if (step !== 'wrapped' && step !== 'moved') return false;
  const over = takenOver(all, state, task.kind);
  const left = piecesOfTask(kept, task).filter((key) => state.pieces[key] && !hasTaken(state.pieces[key], step));
  return left.length > 0 && left.every((key) => over.has(key));
}

function standing(
  kept: KeptDay,
  state: DayState,
  task: RevisedTask,
  dueMs: number,
  nowMs: number,
): Pick<DayTask, 'dueMs' | 'status' | 'begunAtMs' | 'begunBy' | 'doneAtMs' | 'doneBy' | 'reason' | 'entryId'> {
  const mark = state.tasks[task.id];
  const step = STEP_OF_TASK[task.kind];
  const keys = step ? piecesOfTask(kept, task).filter((key) => key in state.pieces) : [];
  const pieces = keys.map((key) => state.pieces[key]!);
  if (mark?.did === 'done') return { dueMs: mark.atMs, status: 'done', doneAtMs: mark.atMs, doneBy: mark.by, entryId: mark.entryId };
  if (mark?.did === 'skipped')
    return { dueMs, status: 'skipped', doneAtMs: mark.atMs, doneBy: mark.by, reason: mark.reason, entryId: mark.entryId };
  if (step && pieces.length > 0 && pieces.every((piece) => isDoneTo(task, piece, step))) {
    const atMs = Math.max(...pieces.map((piece) => stepAt(piece, step) ?? piece.stepAtMs ?? dueMs));
    return { dueMs: atMs, status: 'done', doneAtMs: atMs };
  }
  // A check is over once all it is about is pulled.
  if (task.kind === 'check' || task.kind === 'probe' || task.kind === 'spray' || task.kind === 'turn') {
    const own = piecesOfTask(kept, task)
      .map((key) => state.pieces[key])
      .filter((piece) => piece !== undefined);
    if (own.length > 0 && own.every((piece) => piece.pulledAtMs !== undefined))
      return { dueMs, status: 'done', doneAtMs: Math.max(...own.map((piece) => piece.pulledAtMs!)) };
  }
  // Whoever said "not yet" said when to be asked again.
  const due = mark?.did === 'notYet' ? addMinutes(mark.atMs, mark.minutes ?? 10) : dueMs;
  const lateAfter = LATE_AFTER_MIN[task.kind] ?? USUALLY_LATE_MIN;
  const running = state.phase === 'running' || state.phase === 'kept';
  const status: TaskStatus =
    nowMs > addMinutes(due, lateAfter) && running ? 'late' : nowMs >= addMinutes(due, -DUE_BEFORE_MIN) ? 'due' : 'waiting';
  const begun = state.begun[task.id];
  return { dueMs: due, status, reason: mark?.reason, ...(begun && { begunAtMs: begun.atMs, begunBy: begun.by }) };
}

function stepAt(piece: PieceState, step: NonNullable<PieceState['step']>): number | undefined {
  switch (step) {
    case 'on':
      return piece.onAtMs;
    case 'wrapped':
      return piece.wrappedAtMs ?? piece.pulledAtMs;
    case 'unwrapped':
      return piece.unwrappedAtMs ?? piece.pulledAtMs;
    case 'moved':
      return piece.pits[1]?.fromMs ?? piece.pulledAtMs;
    case 'pulled':
      return piece.pulledAtMs;
    case 'vented':
      return piece.ventedAtMs ?? piece.restingAtMs ?? piece.heldAtMs;
    case 'resting':
      return piece.restingAtMs ?? piece.heldAtMs;
    case 'held':
      return piece.heldAtMs ?? piece.carvedAtMs;
    case 'carved':
      return piece.carvedAtMs;
  }
}

/** By how much what hangs on a done task has moved, ms. */
interface Shifts {
  /** Of a run: it went on later or earlier than planned. */
  run: (runId: string) => number;
  /** Of a fire's chain: reloads, and what follows lighting. */
  fire: (task: Task) => number;
  /** Of a serving that was put back. */
  serving: (servingId: string | undefined) => number;
  /** Of what has not begun while the day stood still. */
  pauses: (atMs: number) => number;
}

/** The carving of a run, with its serving put back or itself later. */
export function carveAtMs(state: DayState, kept: KeptDay, run: Run): number {
  const serving = shiftsOf(kept, state).serving(run.servingId);
  const later = state.revisions
    .flatMap((revision) => revision.changes)
    .reduce((sum, change) => (change.what === 'carveLater' && change.batchId === run.batchId ? sum + change.minutes : sum), 0);
  return addMinutes(run.carveAtMs + serving, later);
}

function shiftsOf(kept: KeptDay, state: DayState): Shifts {
  const { plan, input } = kept;
  const changes = state.revisions.flatMap((revision) => revision.changes);
  return {
    run(runId) {
      const run = plan.runs.find((each) => each.id === runId);
      if (!run) return 0;
      const on = run.pieceIds.map((id) => state.pieces[`${run.batchId}/${id}`]?.onAtMs).filter((each) => each !== undefined);
      return on.length > 0 ? Math.max(...on) - run.onAtMs : 0;
    },
    fire(task) {
      const fireId = task.id.split('/').slice(0, 2).join('/');
      const light = state.tasks[`${fireId}/light`];
      const planned = plan.tasks.find((each) => each.id === `${fireId}/light`);
      const lit = light?.did === 'done' && planned && task.kind !== 'light' ? light.atMs - planned.atMs : 0;
      if (task.kind !== 'reload' && task.kind !== 'wood' && task.kind !== 'water' && task.kind !== 'ash')
        return task.kind === 'closeAir' ? lit : 0;
      // A reload that came late or early moves those after it.
      const before = plan.tasks
        .filter(
          (each) => each.kind === task.kind && each.pitId === task.pitId && each.atMs < task.atMs && state.tasks[each.id]?.did === 'done',
        )
        .sort((a, b) => a.atMs - b.atMs)
        .at(-1);
      return before ? state.tasks[before.id]!.atMs - before.atMs : lit;
    },
    serving(servingId) {
      const serving = input.event.servings.find((each) => each.id === servingId);
      const to = changes.findLast((change) => change.what === 'servingAt' && change.servingId === servingId);
      return serving && to?.what === 'servingAt' ? to.atMs - serving.atMs : 0;
    },
    pauses(atMs) {
      return state.pauses.reduce((sum, { fromMs, toMs }) => (toMs !== undefined && atMs >= fromMs ? sum + (toMs - fromMs) : sum), 0);
    },
  };
}

/** When it is due; undefined when there is nothing left to do it to. */
function dueOf(kept: KeptDay, state: DayState, forecast: DayForecast | undefined, shifts: Shifts, task: Task): number | undefined {
  const run = task.runId === undefined ? undefined : kept.plan.runs.find((each) => each.id === task.runId);
  if (!run) {
    if (task.kind === 'serve') return task.atMs + shifts.serving(task.servingId);
    if (task.kind === 'setPoint') return setPointDue(kept, state, forecast, shifts, task);
    if (task.pitId !== undefined) {
      const shifted = task.atMs + shifts.fire(task);
      return task.kind === 'light' && state.tasks[task.id] === undefined ? shifted + shifts.pauses(task.atMs) : shifted;
    }
    return task.atMs;
  }
  const keys = piecesOfTask(kept, task);
  const pieces = keys.map((key) => state.pieces[key]).filter((piece) => piece !== undefined);
  const on = pieces.filter((piece) => piece.pulledAtMs === undefined);
  const moved = shifts.run(run.id);
  const changes = state.revisions.flatMap((revision) => revision.changes.map((change) => ({ change, atMs: revision.atMs })));
  const of = (piece: PieceState) => forecast?.pieces[piece.key];
  switch (task.kind) {
    case 'load':
      return task.atMs + shifts.pauses(task.atMs);
    case 'spray':
    case 'turn':
      // Bare meat only: what is wrapped already is left alone.
      if (state.tasks[task.id] === undefined && pieces.every((piece) => piece.wrappedAtMs !== undefined || piece.pulledAtMs !== undefined))
        return undefined;
      return task.atMs + moved;
    case 'wrap': {
      const bare = pieces.filter((piece) => !hasTaken(piece, 'wrapped'));
      const wraps = bare.map((piece) => of(piece)?.wrap?.p50Ms).filter((each) => each !== undefined);
      return wraps.length > 0 ? Math.min(...wraps) : task.atMs + moved;
    }
    case 'move': {
      const wraps = pieces.map((piece) => piece.wrappedAtMs ?? of(piece)?.wrap?.p50Ms).filter((each) => each !== undefined);
      return wraps.length > 0 && run.moveAtMs === run.wrapAtMs ? Math.max(...wraps) : task.atMs + moved;
    }
    case 'check': {
      const next = on.map((piece) => {
        const last = piece.checks.at(-1);
        const again = last ? addMinutes(last.atMs, LOOK_AGAIN_MIN[last.feel]) : -Infinity;
        return Math.max(again, of(piece)?.done.p10Ms ?? task.atMs + moved);
      });
      return next.length > 0 ? Math.min(...next) : task.atMs + moved;
    }
    case 'pull': {
      const next = on.map((piece) =>
        piece.checks.at(-1)?.feel === 'tender' ? piece.checks.at(-1)!.atMs : (of(piece)?.done.p50Ms ?? task.atMs + moved),
      );
      return next.length > 0 ? Math.min(...next) : task.atMs + moved;
    }
    case 'vent':
    case 'rest':
    case 'hold': {
      // What is boxed for the ride keeps the van's hour.
      if (task.gearId !== undefined) return task.atMs;
      const longer = changes.reduce(
        (most, { change }) =>
          change.what === 'ventLonger' && change.pieces.some((key) => keys.includes(key)) ? Math.max(most, change.minutes) : most,
        0,
      );
      const afterMin = task.kind === 'vent' ? HANDS_MIN : Math.max(run.ventMin, longer, HANDS_MIN);
      const pulled = pieces.map((piece) => piece.pulledAtMs ?? of(piece)?.done.p50Ms ?? task.atMs - afterMin * MS_PER_MIN);
      const waiting = pieces.filter((piece) => piece.pulledAtMs !== undefined && !hasTaken(piece, STEP_OF_TASK[task.kind]!));
      return addMinutes(waiting.length > 0 ? Math.min(...waiting.map((piece) => piece.pulledAtMs!)) : Math.max(...pulled), afterMin);
    }
    case 'carve':
      return carveAtMs(state, kept, run) + (task.atMs - run.carveAtMs);
    case 'unwrap': {
      const wrapped = pieces.map((piece) => piece.wrappedAtMs).filter((each) => each !== undefined);
      return wrapped.length > 0 && run.wrapAtMs !== undefined ? task.atMs + (Math.max(...wrapped) - run.wrapAtMs) : task.atMs + moved;
    }
    default:
      return task.atMs + moved;
  }
}

/** A pit is turned to the heat of a finish when its meat is wrapped, whenever that is. */
function setPointDue(kept: KeptDay, state: DayState, forecast: DayForecast | undefined, shifts: Shifts, task: Task): number {
  const run = kept.plan.runs.find((each) => each.finishAtMs === task.atMs && each.legs.some((leg) => leg.pitId === task.pitId));
  if (!run) return task.atMs;
  const wraps = run.pieceIds.flatMap((id) => {
    const piece = state.pieces[`${run.batchId}/${id}`];
    const atMs = piece?.wrappedAtMs ?? (piece && forecast?.pieces[piece.key]?.wrap?.p50Ms);
    return atMs === undefined ? [] : [atMs];
  });
  return wraps.length > 0 && run.finishAtMs === run.wrapAtMs ? Math.max(...wraps) : task.atMs + shifts.run(run.id);
}
