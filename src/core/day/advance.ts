import type { Deed, Entry, PieceKey, PieceStep } from './entry';
import { piecesOfTask, STEP_OF_TASK, wrapFor, type KeptDay } from './keptDay';
import { pitAfter, pitRead } from './pitDeeds';
import { changed, replacedBy } from './revise';
import { tasksOfDay, type RevisedTask } from './revisedTasks';
import { setPointAt, withPiece, withPit, type DayState, type PieceState, type TaskMark } from './state';

/** What an entry asks of the house beside the new state. Services carry it out. */
export type Effect =
  /** Forecasts rest on this: they are made anew. */
  | { kind: 'reforecast' }
  /** An entry came late and changed what had been concluded. */
  | { kind: 'changedConclusion'; entryId: string; what: Conclusion[] }
  /** It is about something this day does not have; it is kept, and counts for nothing. */
  | { kind: 'ignored'; entryId: string; why: 'noSuchPiece' | 'noSuchPit' | 'noSuchTask' | 'noSuchEntry' | 'notYours' };

/** Something the day's screens said, which a late entry has changed. */
export type Conclusion =
  | { about: 'piece'; key: PieceKey; was?: PieceStep; is?: PieceStep; wasAtMs?: number; isAtMs?: number }
  | { about: 'task'; taskId: string; was: string; is: string }
  | { about: 'phase'; was: DayState['phase']; is: DayState['phase'] };

const RESTS_ON: ReadonlySet<Deed['kind']> = new Set([
  'piece',
  'checked',
  'reading',
  'pitReading',
  'task',
  'pit',
  'channel',
  'revision',
  'day',
]);

/**
 * The day after one more entry, which must not lie before those already in it (`foldDay` sorts). Undo is resolved by
 * the fold: what was taken back never gets here. The state that comes in is left as it is.
 */
export function advanceCook(kept: KeptDay, state: DayState, entry: Entry): { state: DayState; effects: Effect[] } {
  const { deed, id, atMs, by } = entry;
  const effects: Effect[] = RESTS_ON.has(deed.kind) ? [{ kind: 'reforecast' }] : [];
  const ignored = (why: Extract<Effect, { kind: 'ignored' }>['why']) => ({
    state,
    effects: [{ kind: 'ignored' as const, entryId: id, why }],
  });

  switch (deed.kind) {
    case 'day':
      return { state: phased(state, deed, atMs), effects };
    case 'piece': {
      const known = deed.pieces.filter((key) => key in state.pieces);
      if (known.length === 0) return ignored('noSuchPiece');
      return { state: known.reduce((day, key) => stepped(kept, day, key, deed, entry), state), effects };
    }
    case 'checked': {
      if (!(deed.piece in state.pieces)) return ignored('noSuchPiece');
      const { feel, coreC } = deed;
      const checked = withPiece(state, deed.piece, (piece) => ({ ...piece, checks: [...piece.checks, { atMs, feel, coreC }] }));
      return { state: coreC === undefined ? checked : withReading(checked, deed.piece, { atMs, coreC, spot: 'thickest', by }), effects };
    }
    case 'reading':
      if (!(deed.piece in state.pieces)) return ignored('noSuchPiece');
      return { state: withReading(state, deed.piece, { atMs, coreC: deed.coreC, spot: deed.spot, by }), effects };
    case 'pitReading':
      if (!(deed.pitId in state.pits)) return ignored('noSuchPit');
      return { state: withPit(state, deed.pitId, (pit) => pitRead(kept, pit, deed, { atMs, by })), effects };
    case 'task': {
      const task = tasksOfDay(kept, state).find((each) => each.id === deed.taskId);
      if (!task) return ignored('noSuchTask');
      return { state: marked(kept, state, task, deed, entry), effects };
    }
    case 'pit':
      if (!(deed.pitId in state.pits)) return ignored('noSuchPit');
      return { state: withPit(state, deed.pitId, (pit) => pitAfter(pit, deed, atMs)), effects };
    case 'channel': {
      const { deviceId, channel, piece, pitId, spot } = deed;
      const channels = [...state.channels, { deviceId, channel, fromMs: atMs, piece, pitId, spot }];
      return { state: { ...state, channels }, effects };
    }
    case 'revision': {
      const { lever, changes, reason } = deed;
      const from = changes.map((change) => replacedBy(kept, state, change, atMs));
      const revised = { ...state, revisions: [...state.revisions, { entryId: id, atMs, by, lever, reason, changes, from }] };
      return { state: changes.reduce((day, change) => changed(kept, day, change, atMs), revised), effects };
    }
    case 'alarm':
      return { state: alarmed(state, deed, atMs, by), effects };
    case 'safety': {
      const { kind: _, ...line } = deed;
      const safety = state.safety.map((each) => (each.entryId === line.corrects ? { ...each, correctedBy: id } : each));
      return { state: { ...state, safety: [...safety, { entryId: id, atMs, by, ...line }] }, effects };
    }
    case 'weighed': {
      const { of, id, kg } = deed;
      const isKnown = of === 'fuel' ? id in state.pits : kept.input.event.batches.some((batch) => batch.id === id);
      if (!isKnown) return ignored(of === 'fuel' ? 'noSuchPit' : 'noSuchPiece');
      return { state: { ...state, weighed: { ...state.weighed, [of]: { ...state.weighed[of], [id]: kg } } }, effects };
    }
    case 'fire': {
      const { pitId, recipe } = deed;
      if (!(pitId in state.pits)) return ignored('noSuchPit');
      return { state: { ...state, fires: { ...state.fires, [pitId]: recipe } }, effects };
    }
    case 'note': {
      const { text, piece, pitId } = deed;
      return { state: { ...state, notes: [...state.notes, { atMs, by, text, piece, pitId }] }, effects };
    }
    case 'undo':
      return { state, effects: [] };
  }
}

function phased(state: DayState, { did, reason }: Extract<Deed, { kind: 'day' }>, atMs: number): DayState {
  const closed = state.pauses.map((pause) => (pause.toMs === undefined ? { ...pause, toMs: atMs } : pause));
  switch (did) {
    case 'started':
      return state.startedAtMs === undefined ? { ...state, phase: 'running', startedAtMs: atMs } : state;
    case 'paused':
      return state.phase === 'running' ? { ...state, phase: 'paused', pauses: [...state.pauses, { fromMs: atMs, reason }] } : state;
    case 'resumed':
      return { ...state, phase: 'running', pauses: closed, endedAtMs: undefined };
    case 'ended':
      return { ...state, phase: 'ended', endedAtMs: atMs, pauses: closed };
  }
}

const withReading = (state: DayState, key: PieceKey, reading: PieceState['readings'][number]): DayState =>
  withPiece(state, key, (piece) => ({ ...piece, readings: [...piece.readings, reading] }));

/** One piece one step on in its life. */
function stepped(
  kept: KeptDay,
  state: DayState,
  key: PieceKey,
  deed: Extract<Deed, { kind: 'piece' }>,
  { atMs, by }: Pick<Entry, 'atMs' | 'by'>,
): DayState {
  const { step, coreC } = deed;
  const run = kept.plan.runs.find((each) => each.id === state.pieces[key]!.runId)!;
  const after = withPiece(state, key, (piece) => {
    const next: PieceState = { ...piece, step, stepAtMs: atMs };
    switch (step) {
      case 'on':
        return { ...next, onAtMs: atMs, pits: [...piece.pits, { fromMs: atMs, pitId: deed.pitId ?? run.pitId }] };
      case 'wrapped':
        return { ...next, wrappedAtMs: atMs, wrap: deed.wrap, unwrappedAtMs: undefined };
      case 'unwrapped':
        return { ...next, unwrappedAtMs: atMs };
      case 'moved': {
        const pitId = deed.pitId ?? run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId ?? run.pitId;
        return { ...next, pits: [...piece.pits, { fromMs: atMs, pitId }] };
      }
      case 'pulled':
        return { ...next, pulledAtMs: atMs, pulledCoreC: coreC };
      case 'vented':
        return { ...next, ventedAtMs: atMs };
      case 'resting':
        return { ...next, restingAtMs: atMs };
      case 'held':
        return { ...next, heldAtMs: atMs, gearId: deed.gearId ?? run.hold.gearId };
      case 'carved':
        return { ...next, carvedAtMs: atMs };
    }
  });
  const read = coreC === undefined ? after : withReading(after, key, { atMs, coreC, spot: 'thickest', by });
  const pitId = read.pieces[key]!.pits.at(-1)?.pitId;
  const opens = step === 'on' || step === 'wrapped' || step === 'unwrapped' || step === 'moved' || step === 'pulled';
  return opens && pitId !== undefined && pitId in read.pits ? opened(read, pitId, atMs) : read;
}

/** Several pieces handled at once lift the lid once. */
const ONE_OPENING_MS = 5 * 60_000;
const opened = (state: DayState, pitId: string, atMs: number): DayState =>
  withPit(state, pitId, (pit) =>
    atMs - (pit.openedAtMs.at(-1) ?? -Infinity) < ONE_OPENING_MS ? pit : { ...pit, openedAtMs: [...pit.openedAtMs, atMs] },
  );

/** A task is done, put off or left out; done, it does to meat and fire what it is there for. */
function marked(
  kept: KeptDay,
  state: DayState,
  task: RevisedTask,
  deed: Extract<Deed, { kind: 'task' }>,
  { id, atMs, by }: Entry,
): DayState {
  const { did, reason, minutes } = deed;
  if (did === 'begun') return { ...state, begun: { ...state.begun, [task.id]: { atMs, by } } };
  if (did === 'again') {
    const { [task.id]: _, ...tasks } = state.tasks;
    const { [task.id]: __, ...begun } = state.begun;
    return { ...state, tasks, begun };
  }
  const mark: TaskMark = { did, atMs, by, entryId: id, reason, minutes };
  const after: DayState = { ...state, tasks: { ...state.tasks, [task.id]: mark } };
  return did === 'done' ? asDone(kept, after, task, { atMs, by }) : after;
}

function asDone(kept: KeptDay, state: DayState, task: RevisedTask, entry: Pick<Entry, 'atMs' | 'by'>): DayState {
  const { atMs } = entry;
  const step = STEP_OF_TASK[task.kind];
  if (step) {
    const { change } = task;
    const keys = piecesOfTask(kept, task).filter((key) => state.pieces[key] && !isDoneTo(task, state.pieces[key], step));
    const gearId = change?.what === 'holdIn' ? change.gearId : task.kind === 'hold' ? task.gearId : undefined;
    const pitId = change?.what === 'finishIn' ? change.pitId : step === 'on' ? task.pitId : undefined;
    return keys.reduce((day, key) => {
      const wrap = step === 'wrapped' ? wrapFor(kept, key) : undefined;
      return stepped(kept, day, key, { kind: 'piece', pieces: [key], step, wrap, gearId, pitId }, entry);
    }, state);
  }
  const { pitId, pitC } = task;
  if (pitId === undefined || !(pitId in state.pits)) return state;
  switch (task.kind) {
    case 'light':
      return withPit(state, pitId, (pit) => pitAfter(pit, { kind: 'pit', pitId, did: 'lit', pitC }, atMs));
    case 'setPoint':
      return withPit(state, pitId, (pit) =>
        pitC === undefined || setPointAt(pit, atMs) === pitC ? pit : pitAfter(pit, { kind: 'pit', pitId, did: 'setPoint', pitC }, atMs),
      );
    case 'reload':
    case 'relight':
      return withPit(state, pitId, (pit) => pitAfter(pit, { kind: 'pit', pitId, did: 'fuelled' }, atMs));
    case 'spray':
    case 'turn':
    case 'check':
      return opened(state, pitId, atMs);
    default:
      return state;
  }
}

/** Whether a task has nothing left to do to a piece. */
export const isDoneTo = ({ change }: RevisedTask, piece: PieceState, step: PieceStep): boolean =>
  change?.what === 'finishIn' ? piece.pulledAtMs !== undefined || piece.pits.at(-1)?.pitId === change.pitId : hasTaken(piece, step);

/** Whether a piece is already past a step, or has taken it. */
export function hasTaken(piece: PieceState, step: PieceStep): boolean {
  switch (step) {
    case 'on':
      return piece.onAtMs !== undefined;
    case 'wrapped':
      return piece.wrappedAtMs !== undefined || piece.pulledAtMs !== undefined;
    case 'unwrapped':
      return piece.unwrappedAtMs !== undefined || piece.pulledAtMs !== undefined;
    case 'moved':
      return piece.pits.length > 1 || piece.pulledAtMs !== undefined;
    case 'pulled':
      return piece.pulledAtMs !== undefined;
    case 'vented':
      return piece.ventedAtMs !== undefined || piece.restingAtMs !== undefined || piece.heldAtMs !== undefined;
    case 'resting':
      return piece.restingAtMs !== undefined || piece.heldAtMs !== undefined;
    case 'held':
      return piece.heldAtMs !== undefined || piece.carvedAtMs !== undefined;
    case 'carved':
      return piece.carvedAtMs !== undefined;
  }
}

function alarmed(state: DayState, deed: Extract<Deed, { kind: 'alarm' }>, atMs: number, by: string): DayState {
  const { causeId, did, alarm, to } = deed;
  const before = state.alarms[causeId];
  const put = (mark: DayState['alarms'][string]): DayState => ({ ...state, alarms: { ...state.alarms, [causeId]: mark } });
  if (did === 'raised')
    // Never twice for one cause, until it was over.
    return before && before.clearedAtMs === undefined ? state : put({ causeId, raisedAtMs: atMs, alarm: alarm ?? {} });
  if (!before) return state;
  if (did === 'acknowledged')
    return put({ ...before, acknowledgedAtMs: before.acknowledgedAtMs ?? atMs, acknowledgedBy: before.acknowledgedBy ?? by });
  if (did === 'escalated') return put({ ...before, escalatedAtMs: before.escalatedAtMs ?? atMs, escalatedTo: to });
  return put({ ...before, clearedAtMs: atMs });
}
