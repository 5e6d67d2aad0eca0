import { cutIn, PREP_KINDS, type CookEvent, type Library, type Plan, type Task } from '../model';
import { MS_PER_MIN, addMinutes } from '../units';

/** Tasks on one pit no further apart than this share one lifting of its lid. */
const ONE_OPENING_MIN = 10;

/** Every action of the day with its time, in order. Minutes by kind are those of docs/formats. */
export function tasksOf({ event, library }: { event: CookEvent; library: Library }, plan: Pick<Plan, 'runs' | 'firings' | 'prep'>): Task[] {
  const tasks: Task[] = plan.prep
    .filter((step) => !step.done)
    .map(({ id, kind, atMs, minutes, batchId }) => ({ id, kind, atMs, minutes, batchId }));
  plan.firings.forEach((firing) => {
    const nth = plan.firings.filter((other) => other.pitId === firing.pitId && other.lightAtMs < firing.lightAtMs).length;
    const id = `${firing.pitId}/fire${nth + 1}`;
    tasks.push({
      id: `${id}/light`,
      kind: 'light',
      atMs: firing.lightAtMs,
      minutes: 15,
      pitId: firing.pitId,
      pitC: firing.setPoints[0]!.pitC,
    });
    firing.setPoints.slice(1).forEach((setPoint, i) =>
      tasks.push({
        id: `${id}/set${i + 2}`,
        kind: 'setPoint',
        atMs: setPoint.atMs,
        minutes: 2,
        pitId: firing.pitId,
        pitC: setPoint.pitC,
      }),
    );
  });
  for (const run of plan.runs) {
    const pieces = run.pieceIds.length;
    const finishPitId = run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId ?? run.pitId;
    const add = (kind: Task['kind'], atMs: number, minutes: number, pitId?: string) =>
      tasks.push({ id: `${run.id}/${kind}`, kind, atMs, minutes, runId: run.id, pitId });
    add('load', run.onAtMs, 2 + pieces, run.pitId);
    if (run.wrapAtMs !== undefined) add('wrap', run.wrapAtMs, 2 + 3 * pieces, run.pitId);
    if (run.unwrapAtMs !== undefined) add('unwrap', run.unwrapAtMs, 2 + pieces, run.pitId);
    if (run.moveAtMs !== undefined) add('move', run.moveAtMs, 2 + 2 * pieces, run.pitId);
    add('check', run.pullEarlyMs, 3, finishPitId);
    add('pull', run.pullMedianMs, 2 + pieces, finishPitId);
    if (run.ventMin > 0) add('vent', addMinutes(run.pullMedianMs, 2), run.ventMin);
    add('rest', addMinutes(run.pullMedianMs, Math.max(run.ventMin, 2)), run.restMin);
    if (run.hold.gearId !== 'board') {
      const heldAtMs = addMinutes(run.pullMedianMs, run.ventMin + run.restMin);
      if (heldAtMs < run.carveAtMs) add('hold', heldAtMs, (run.carveAtMs - heldAtMs) / MS_PER_MIN);
    }
    const batch = event.batches.find((each) => each.id === run.batchId);
    const carveMin = batch ? (cutIn(library, batch.cutId)?.carveMin ?? 0) : 0;
    if (carveMin > 0) add('carve', run.carveAtMs, Math.ceil(carveMin * pieces));
  }
  for (const serving of event.servings) {
    if (plan.runs.some((run) => event.batches.some((batch) => batch.id === run.batchId && batch.servingId === serving.id))) {
      tasks.push({ id: `${serving.id}/serve`, kind: 'serve', atMs: serving.atMs, minutes: serving.serveForMin, servingId: serving.id });
    }
  }
  tasks.sort((a, b) => a.atMs - b.atMs || ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || (a.id < b.id ? -1 : 1));
  groupOpenings(tasks);
  return tasks;
}

/** At the same minute: make room before filling it. */
const ORDER: Task['kind'][] = [
  ...PREP_KINDS,
  'light',
  'setPoint',
  'pull',
  'wrap',
  'unwrap',
  'move',
  'check',
  'load',
  'vent',
  'rest',
  'hold',
  'carve',
  'serve',
];
const OPENS_THE_LID = new Set<Task['kind']>(['load', 'wrap', 'unwrap', 'move', 'check', 'pull']);

function groupOpenings(tasks: Task[]): void {
  const open = new Map<string, { opening: string; startedMs: number }>();
  for (const task of tasks) {
    if (!task.pitId || !OPENS_THE_LID.has(task.kind)) continue;
    const last = open.get(task.pitId);
    if (last && task.atMs - last.startedMs <= ONE_OPENING_MIN * MS_PER_MIN) task.opening = last.opening;
    else {
      task.opening = `${task.pitId}@${task.atMs}`;
      open.set(task.pitId, { opening: task.opening, startedMs: task.atMs });
    }
  }
}
