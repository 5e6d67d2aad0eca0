import { methodIn, type Plan, type Run, type Task } from '../model';
import type { PlanInput } from '../planning';
import { pieceKey, type PieceKey } from './entry';
import type { DayState, PieceState } from './state';

/** What a day started from: the plan as it was kept, and all it rests on. It never changes. */
export interface KeptDay {
  id: string;
  input: PlanInput;
  plan: Plan;
  /** Chance of the day's forecasts: same seed, same journal, same digits. */
  seed: number;
  /** Hot food is looked at this often; as usual when left out. */
  hotHoldEveryMin?: number;
}

export const runOf = ({ plan }: KeptDay, key: PieceKey): Run | undefined =>
  plan.runs.find((run) => run.pieceIds.some((id) => pieceKey(run.batchId, id) === key));

export const keysOf = (run: Run): PieceKey[] => run.pieceIds.map((id) => pieceKey(run.batchId, id));

/** The steps of a piece's life that a task of the plan brings about. */
export const STEP_OF_TASK: Partial<Record<Task['kind'], PieceState['step']>> = Object.freeze({
  load: 'on',
  wrap: 'wrapped',
  unwrap: 'unwrapped',
  move: 'moved',
  pull: 'pulled',
  vent: 'vented',
  rest: 'resting',
  hold: 'held',
  carve: 'carved',
});

/** How much hotter than its pit's set point a piece was laid by the plan, C. */
export const laidOffsetC = (kept: KeptDay, key: PieceKey): number => {
  const run = runOf(kept, key);
  return run?.legs.flatMap((leg) => leg.places).find((place) => pieceKey(run.batchId, place.pieceId) === key)?.offsetC ?? 0;
};

/** The pieces a task is about; none where it is about no meat. */
export function piecesOfTask(kept: KeptDay, task: Task): PieceKey[] {
  const run = task.runId === undefined ? undefined : kept.plan.runs.find((each) => each.id === task.runId);
  if (!run) return [];
  return task.pieceIds ? task.pieceIds.map((id) => pieceKey(run.batchId, id)) : keysOf(run);
}

/** What it is wrapped in when it is wrapped: its method's, or foil, which is quickest. */
export function wrapFor(kept: KeptDay, key: PieceKey): 'paper' | 'foil' | 'pan' {
  const batchId = runOf(kept, key)?.batchId;
  const batch = kept.input.event.batches.find((each) => each.id === batchId);
  const wrap = batch && methodIn(kept.input.library, batch.methodId)?.wrap;
  return wrap === undefined || wrap === 'none' ? 'foil' : wrap;
}

/** A day nothing has happened on yet. */
export function emptyDay(kept: KeptDay): DayState {
  const { plan } = kept;
  const pieces: DayState['pieces'] = {};
  for (const run of plan.runs)
    for (const pieceId of run.pieceIds) {
      const key = pieceKey(run.batchId, pieceId);
      pieces[key] = { key, batchId: run.batchId, pieceId, runId: run.id, pits: [], shifts: [], checks: [], readings: [] };
    }
  const pitIds = [...new Set([...plan.firings.map((firing) => firing.pitId), ...kept.input.pits.map((pit) => pit.id)])];
  return {
    phase: 'kept',
    pauses: [],
    pieces,
    pits: Object.fromEntries(
      pitIds.map((pitId) => [pitId, { pitId, setPoints: [], fuelledAtMs: [], openedAtMs: [], readings: [], gauges: [], bands: [] }]),
    ),
    tasks: {},
    begun: {},
    channels: plan.probes.map((probe) => ({
      deviceId: probe.probeId,
      channel: String(probe.channel),
      fromMs: probe.fromMs,
      piece: pieceKey(plan.runs.find((run) => run.id === probe.runId)!.batchId, probe.pieceId),
      spot: 'thickest' as const,
    })),
    revisions: [],
    alarms: {},
    safety: [],
    weighed: { fuel: {}, ready: {}, left: {} },
    fires: {},
    notes: [],
  };
}
