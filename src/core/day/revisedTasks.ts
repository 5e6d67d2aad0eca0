import type { Task } from '../model';
import type { PieceKey, PlanChange } from './entry';
import { keysOf, type KeptDay } from './keptDay';
import type { DayState, Revision } from './state';

/** A task of the run sheet, or one that a revision brought. */
export interface RevisedTask extends Task {
  /** What of a revision it carries out; its words and its place are the change's. */
  change?: PlanChange;
  /** The plan had no such task. */
  added?: true;
}

const STEP_OF: Partial<Record<PlanChange['what'], 'wrap' | 'move' | 'pull'>> = { wrapNow: 'wrap', finishIn: 'move', pullFor: 'pull' };
const MINUTES = { wrap: 3, move: 2, pull: 2 } as const;
const LIGHT_MIN = 5;

/** The run sheet as revisions have made it: what hands must do for them is a task of its own, about just their pieces. */
export function tasksOfDay(kept: KeptDay, state: DayState): RevisedTask[] {
  if (state.revisions.length === 0) return kept.plan.tasks;
  return [
    ...kept.plan.tasks.map((task) => heldElsewhere(kept, state, task)),
    ...state.revisions.flatMap((revision) => addedBy(kept, state, revision)),
  ];
}

/** A hold in other gear than was planned. */
function heldElsewhere(kept: KeptDay, { revisions }: DayState, task: Task): RevisedTask {
  const run = task.kind === 'hold' && task.gearId === undefined ? kept.plan.runs.find((each) => each.id === task.runId) : undefined;
  if (!run) return task;
  const keys = new Set(keysOf(run));
  const change = revisions
    .flatMap((each) => each.changes)
    .findLast((each) => each.what === 'holdIn' && each.pieces.some((key) => keys.has(key)));
  return change ? { ...task, change } : task;
}

function addedBy(kept: KeptDay, state: DayState, { entryId, atMs, changes }: Revision): RevisedTask[] {
  return changes.flatMap((change, i): RevisedTask[] => {
    const kind = STEP_OF[change.what];
    if (kind === undefined || !('pieces' in change)) return [];
    const heats = change.what === 'finishIn' ? heating(kept, state, change, `${entryId}/${i}`, atMs) : [];
    const runs = kept.plan.runs.filter((run) => keysOf(run).some((key) => change.pieces.includes(key)));
    const own = runs.map((run, n): RevisedTask => {
      const pieceIds = run.pieceIds.filter((id) => change.pieces.includes(`${run.batchId}/${id}`));
      const who = run.work.find((work) => work.kind === 'check' || work.kind === 'pull')?.who ?? [];
      return {
        id: `${entryId}/${i}/${n}`,
        kind,
        atMs,
        minutes: MINUTES[kind] * pieceIds.length,
        placeId: run.placeId,
        runId: run.id,
        pieceIds,
        pitId: change.what === 'finishIn' ? change.pitId : state.pieces[change.pieces[0]!]?.pits.at(-1)?.pitId,
        ...(who.length > 0 && { who }),
        change,
        added: true,
      };
    });
    return [...heats, ...own];
  });
}

/** A place that is cold when meat is to go there is heated first. */
function heating(
  kept: KeptDay,
  state: DayState,
  { pitId, pitC }: Extract<PlanChange, { what: 'finishIn' }>,
  id: string,
  atMs: number,
): RevisedTask[] {
  const pit = state.pits[pitId];
  const litBefore = pit?.litAtMs !== undefined && pit.outAtMs === undefined && pit.litAtMs < atMs;
  if (!pit || litBefore) return [];
  const placeId = kept.plan.runs[0]?.placeId;
  return [
    { id: `${id}/light`, kind: 'light', atMs, minutes: LIGHT_MIN, pitId, pitC, ...(placeId !== undefined && { placeId }), added: true },
  ];
}

/** Pieces that a revision has a task of this kind for which nobody has done yet. */
export function takenOver(tasks: readonly RevisedTask[], state: DayState, kind: Task['kind']): ReadonlySet<PieceKey> {
  const open = tasks.filter(
    (task) => task.added && task.kind === kind && state.tasks[task.id]?.did !== 'done' && state.tasks[task.id]?.did !== 'skipped',
  );
  return new Set(open.flatMap(({ change }) => (change && 'pieces' in change ? change.pieces : [])));
}
