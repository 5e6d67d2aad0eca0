import type { Broken, ExchangeTask } from '../model';
import { minutes, type Facts, type RunFacts } from './facts';

/** A task may be begun this long from its moment and still be it: tasks of a pit within it may be one opening. */
const SAME_OPENING = minutes(10);

const nameOf = (task: ExchangeTask) => `${task.kind}${task.pit ? ` ${task.pit}` : ''}`;
const spanOf = (task: ExchangeTask) => ({ from: task.atMs, to: task.atMs + minutes(task.minutes) });

/** Rules 12, 13 and 19: who does what when. */
export function peopleRules({ event, plan, runs, places }: Facts): Broken[] {
  const broken: Broken[] = [];

  for (const task of plan.tasks) {
    const { from, to } = spanOf(task);
    if (task.who.length === 0) broken.push({ rule: 13, code: 'nobodyNamed', task: nameOf(task), pit: task.pit, atMs: task.atMs });
    for (const person of task.who) {
      const windows = event.crew.filter((each) => each.id === person);
      if (!windows.some((each) => each.fromMs <= from && each.toMs >= to))
        broken.push({ rule: 13, code: 'notOnDuty', person, task: nameOf(task), atMs: task.atMs });
    }
  }
  for (const person of new Set(plan.tasks.flatMap((task) => task.who))) {
    const own = plan.tasks
      .filter((task) => task.who.includes(person))
      .map((task) => ({ task, ...spanOf(task) }))
      .sort((a, b) => a.from - b.from);
    let busyUntil = -Infinity;
    for (const { task, from, to } of own) {
      if (from < busyUntil && to > from) broken.push({ rule: 13, code: 'twoThingsAtOnce', person, task: nameOf(task), atMs: task.atMs });
      busyUntil = Math.max(busyUntil, to);
    }
  }
  broken.push(...needed(event.version, plan.tasks, runs, places, plan.pits));
  return event.version === 1 ? [...broken, ...driveRules({ event, plan, runs, places })] : broken;
}

/** Rule 12 of version 1: all are on the road together. */
function driveRules({ event, plan, runs, places }: Pick<Facts, 'event' | 'plan' | 'runs' | 'places'>): Broken[] {
  const broken: Broken[] = [];

  for (const serving of event.servings) {
    if (!serving.travelMin) continue;
    const leave = serving.atMs - minutes(serving.carveLeadMin + (serving.setUpMin ?? 0) + serving.travelMin);
    const arrive = leave + minutes(serving.travelMin);
    const own = runs.filter((run) => run.serving === serving);
    if (own.length > 0 && !plan.tasks.some((task) => task.kind === 'drive' && task.atMs === leave && task.minutes >= serving.travelMin!))
      broken.push({ rule: 13, code: 'taskMissing', task: 'drive', serving: serving.id });
    for (const run of own) {
      const stays = places.some((place) => place.of === run && !event.pits.find((pit) => pit.id === place.pit)?.travels);
      if (stays && run.late + minutes(run.method.ventMin) > leave)
        broken.push({
          rule: 12,
          code: 'notPulledBeforeDrive',
          batch: run.batch,
          serving: serving.id,
          by: (run.late + minutes(run.method.ventMin) - leave) / minutes(1),
        });
    }
    for (const task of plan.tasks) {
      const { from, to } = spanOf(task);
      if (task.kind !== 'drive' && from < arrive && to > leave)
        broken.push({ rule: 12, code: 'taskOnTheRoad', task: nameOf(task), atMs: task.atMs });
    }
    for (const place of places)
      if (event.pits.find((pit) => pit.id === place.pit)?.travels && place.from < arrive && place.to > leave)
        broken.push({ rule: 12, code: 'pitOnTheRoad', batch: place.of.batch, pit: place.pit });
  }
  return broken;
}

/** The tasks a plan must contain, each at its moment and long enough. */
function needed(
  version: 1 | 2,
  tasks: ExchangeTask[],
  runs: RunFacts[],
  places: Facts['places'],
  fires: { id: string; lightAtMs: number }[],
): Broken[] {
  const broken: Broken[] = [];
  const find = (kind: ExchangeTask['kind'], run: RunFacts) =>
    tasks.filter((task) => task.kind === kind && task.pieces?.some((piece) => run.run.pieces.includes(piece)));
  const want = (kind: ExchangeTask['kind'], run: RunFacts, at: number, least: number) => {
    const found = find(kind, run);
    const covered = run.run.pieces.every((piece) => found.some((task) => task.pieces!.includes(piece)));
    if (!covered) broken.push({ rule: 13, code: 'taskMissing', task: kind, batch: run.batch });
    else if (found.reduce((sum, task) => sum + task.minutes, 0) < least)
      broken.push({ rule: 13, code: 'taskTooShort', task: kind, batch: run.batch });
    else if (found.some((task) => Math.abs(task.atMs - at) > SAME_OPENING))
      broken.push({ rule: 13, code: 'taskAtWrongTime', task: kind, batch: run.batch, atMs: found[0]!.atMs });
  };
  for (const fire of fires)
    if (!tasks.some((task) => task.kind === 'light' && task.pit === fire.id && task.atMs === fire.lightAtMs && task.minutes >= 15))
      broken.push({ rule: 13, code: 'taskMissing', task: 'light', pit: fire.id });
  for (const run of runs) {
    // Minutes a piece: by its weight since version 2.
    const least = (oneSize: number, bySize: [number, number, number]) =>
      2 + run.kgs.reduce((sum, kg) => sum + (version === 1 ? oneSize : bySize[kg < 0.3 ? 0 : kg <= 1.5 ? 1 : 2]), 0) - 1e-6;
    want('load', run, run.on, least(1, [0.15, 0.5, 1]));
    if (run.wrap !== undefined) want('wrap', run, run.wrap, least(3, [0.3, 1.5, 3]));
    want('check', run, run.early, 3);
    want('pull', run, run.median, least(1, [0.15, 0.5, 1]));
    const moves = new Set<number>();
    for (const piece of run.run.pieces) {
      const own = places.filter((place) => place.of === run && place.piece === piece).sort((a, b) => a.from - b.from);
      own.forEach((place, i) => i > 0 && own[i - 1]!.pit !== place.pit && moves.add(place.from));
    }
    for (const at of moves) want('move', run, at, least(2, [0.15, 0.5, 1]));
    const last = run.serving.atMs + minutes(run.serving.serveForMin);
    for (const piece of run.run.pieces) {
      const own = tasks.filter((task) => task.kind === 'carve' && task.pieces?.includes(piece));
      if (own.length === 0) broken.push({ rule: 13, code: 'taskMissing', task: 'carve', batch: run.batch, piece });
      for (const task of own) {
        if (task.minutes + 1e-9 < run.cut.carveMin * task.pieces!.length)
          broken.push({ rule: 13, code: 'taskTooShort', task: 'carve', batch: run.batch, piece });
        if (task.atMs < run.carve || task.atMs > last)
          broken.push({ rule: 13, code: 'carvedTooLate', batch: run.batch, piece, atMs: task.atMs });
      }
    }
  }
  return broken;
}
