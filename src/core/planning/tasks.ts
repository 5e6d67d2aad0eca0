import { fireWishes, relightAtMs, tendFire } from '../fire';
import {
  ONE_OPENING_MIN,
  homeIdOf,
  methodIn,
  PREP_KINDS,
  servingPlaceId,
  type CookEvent,
  type Library,
  type Method,
  type Pit,
  type Plan,
  type Run,
  type Task,
} from '../model';
import { MS_PER_MIN, addMinutes } from '../units';

/** What has waited in a warmer is boxed so long before the van leaves. */
const BOXED_BEFORE_MIN = 15;

/** Every action of the day with its time. Minutes by kind are those of docs/formats. */
export function tasksOf(
  { event, library, pits }: { event: CookEvent; library: Library; pits: readonly Pit[] },
  plan: Pick<Plan, 'runs' | 'firings' | 'prep' | 'probes' | 'trips' | 'travelWork'>,
): Task[] {
  const tasks: Task[] = plan.prep
    .filter((step) => !step.done)
    .map(({ id, kind, atMs, minutes, latestMs, batchId }) => ({ id, kind, atMs, minutes, latestMs, placeId: homeIdOf(event), batchId }));
  plan.firings.forEach((firing) => {
    const nth = plan.firings.filter((other) => other.pitId === firing.pitId && other.lightAtMs < firing.lightAtMs).length;
    const id = `${firing.pitId}/fire${nth + 1}`;
    tasks.push({
      id: `${id}/light`,
      kind: 'light',
      atMs: firing.lightAtMs,
      minutes: 15,
      placeId: firing.placeId,
      pitId: firing.pitId,
      pitC: firing.setPoints[0]!.pitC,
      ...(firing.who.length > 0 && { who: firing.who }),
    });
    firing.setPoints.slice(1).forEach((setPoint, i) =>
      tasks.push({
        id: `${id}/set${i + 2}`,
        kind: 'setPoint',
        atMs: setPoint.atMs,
        minutes: 2,
        placeId: firing.placeId,
        pitId: firing.pitId,
        pitC: setPoint.pitC,
      }),
    );
    const pit = pits.find((each) => each.id === firing.pitId);
    if (pit) tasks.push(...tendFire(pit, firing, plan.runs, id, fireWishes({ event, library }), event.weather));
  });
  for (const probe of plan.probes) {
    const run = plan.runs.find((each) => each.id === probe.runId)!;
    tasks.push({
      id: `${run.id}/probe`,
      kind: 'probe',
      atMs: probe.fromMs,
      minutes: 2,
      placeId: run.placeId,
      runId: run.id,
      pitId: probe.fromMs < (run.moveAtMs ?? Infinity) ? run.pitId : finishOf(run),
      probe,
    });
  }
  for (const run of plan.runs) {
    const pieces = run.pieceIds.length;
    const add = (kind: Task['kind'], atMs: number, minutes: number, pitId?: string) =>
      tasks.push({ id: `${run.id}/${kind}`, kind, atMs, minutes, placeId: run.placeId, runId: run.id, pitId });
    for (const work of run.work) {
      const { kind, atMs, minutes, placeId, pitId, who } = work;
      if (kind !== 'carve')
        tasks.push({ id: `${run.id}/${kind}`, kind, atMs, minutes, placeId, runId: run.id, pitId, ...(who.length > 0 && { who }) });
    }
    tasks.push(...carveTasks(run));
    if (run.unwrapAtMs !== undefined) add('unwrap', run.unwrapAtMs, 2 + pieces, run.pitId);
    if (run.ventMin > 0) add('vent', addMinutes(run.pullMedianMs, 2), run.ventMin);
    const { first } = run.hold;
    if (run.hold.gearId === 'board') add('rest', addMinutes(run.pullMedianMs, Math.max(run.ventMin, 2)), run.restMin);
    else {
      const heldAtMs = addMinutes(run.pullMedianMs, Math.max(run.ventMin, 2));
      const untilMs = first ? addMinutes(first.untilMs, -BOXED_BEFORE_MIN) : run.carveAtMs;
      if (heldAtMs < untilMs) add('hold', heldAtMs, (untilMs - heldAtMs) / MS_PER_MIN);
      if (first) {
        const atMs = Math.max(heldAtMs, untilMs);
        const minutes = (run.carveAtMs - atMs) / MS_PER_MIN;
        tasks.push({ id: `${run.id}/hold2`, kind: 'hold', atMs, minutes, placeId: run.placeId, runId: run.id, gearId: run.hold.gearId });
      }
    }
    const batch = event.batches.find((each) => each.id === run.batchId);
    const method = batch && methodIn(library, batch.methodId);
    if (method) tasks.push(...rhythmTasks(run, method, pieces));
  }
  tasks.push(...travelTasks(plan));
  for (const serving of event.servings) {
    if (plan.runs.some((run) => event.batches.some((batch) => batch.id === run.batchId && batch.servingId === serving.id))) {
      tasks.push({
        id: `${serving.id}/serve`,
        kind: 'serve',
        atMs: serving.atMs,
        minutes: serving.serveForMin,
        placeId: servingPlaceId(event, serving),
        servingId: serving.id,
      });
    }
  }
  return tasks;
}

/** In the order of the day, with those that share one lifting of a lid marked as one. */
export function inOrder(tasks: readonly Task[]): Task[] {
  const sorted = tasks.map((task) => ({ ...task })).sort((a, b) => a.atMs - b.atMs || ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
  groupOpenings(sorted);
  return sorted;
}

/** What hands do for trips and places, and the drives themselves. */
function travelTasks({ trips, travelWork }: Pick<Plan, 'trips' | 'travelWork'>): Task[] {
  return [
    ...trips.map((trip): Task => ({
      id: `${trip.id}/drive`,
      kind: 'drive',
      atMs: trip.leaveMs,
      minutes: (trip.arriveMs - trip.leaveMs) / MS_PER_MIN,
      placeId: trip.fromId,
      toId: trip.toId,
      servingId: trip.servingId,
      tripId: trip.id,
      ...(trip.who.length > 0 && { who: trip.who }),
    })),
    ...travelWork.map(({ who, ...work }): Task => ({
      id: `${work.tripId ?? work.servingId}/${work.kind}`,
      ...work,
      ...(who.length > 0 && { who }),
    })),
  ];
}

const finishOf = (run: Run): string => run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId ?? run.pitId;

/** Carving as it is shared out: one task for each pair of hands and each stretch of it without a break. */
function carveTasks(run: Run): Task[] {
  const shares: { placeId: string; who: string[]; atMs: number; toMs: number; minutes: number; pieceIds: string[] }[] = [];
  for (const { kind, atMs, minutes, placeId, who, pieceIds } of [...run.work].sort((a, b) => a.atMs - b.atMs)) {
    if (kind !== 'carve') continue;
    const toMs = addMinutes(atMs, minutes);
    const share = shares.findLast((each) => each.who.join() === who.join());
    if (!share || atMs > share.toMs) shares.push({ placeId, who, atMs, toMs, minutes, pieceIds: [...pieceIds] });
    else {
      share.toMs = Math.max(share.toMs, toMs);
      share.minutes += minutes;
      share.pieceIds.push(...pieceIds);
    }
  }
  return shares.map(({ placeId, who, atMs, minutes, pieceIds }, i) => ({
    id: `${run.id}/carve${i === 0 ? '' : i + 1}`,
    kind: 'carve',
    atMs,
    minutes,
    placeId,
    runId: run.id,
    pieceIds,
    ...(who.length > 0 && { who }),
  }));
}

/** Sprays, turns and a fire brought up at the end: all of them lift the lid. */
function rhythmTasks(run: Run, method: Method, pieces: number): Task[] {
  const tasks: Task[] = [];
  const add = (kind: Task['kind'], atMs: number, minutes: number) =>
    tasks.push({
      id: `${run.id}/${kind}${tasks.length + 1}`,
      kind,
      atMs,
      minutes,
      placeId: run.placeId,
      runId: run.id,
      pitId: run.pitId,
      pitC: method.hotFinish?.pitC,
    });
  const { spray, turns, hotFinish } = method;
  const bareUntilMs = run.wrapAtMs ?? run.pullEarlyMs;
  if (spray)
    for (let atMs = addMinutes(run.onAtMs, spray.fromMin); atMs < bareUntilMs; atMs = addMinutes(atMs, spray.everyMin))
      add('spray', atMs, 2);
  if (turns) {
    const stepMin = (bareUntilMs - run.onAtMs) / MS_PER_MIN / (turns + 1);
    for (let i = 1; i <= turns; i++) add('turn', addMinutes(run.onAtMs, Math.round(stepMin * i)), 1 + pieces);
  }
  if (hotFinish) add('relight', relightAtMs(run, hotFinish.minutes), 5);
  return tasks;
}

/** At the same minute: make room before filling it. */
const ORDER: Task['kind'][] = [
  ...PREP_KINDS,
  'prepare',
  'light',
  'closeAir',
  'setPoint',
  'ash',
  'reload',
  'water',
  'wood',
  'tube',
  'relight',
  'pull',
  'wrap',
  'unwrap',
  'move',
  'spray',
  'turn',
  'check',
  'load',
  'probe',
  'vent',
  'rest',
  'hold',
  'packUp',
  'loadVan',
  'drive',
  'unload',
  'setUp',
  'carve',
  'serve',
];
const OPENS_THE_LID = new Set<Task['kind']>(['load', 'wrap', 'unwrap', 'move', 'spray', 'turn', 'probe', 'check', 'pull']);

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
