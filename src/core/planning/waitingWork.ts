import { cutIn, homeIdOf, prepOf, recipeIn, servingPlaceId, type Plan, type Preparation, type RecipeKind, type Task } from '../model';
import { portionsOf } from '../quantities';
import { addMinutes, MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';

/** Work that may be done in a gap: when at the earliest and by when at the latest it is begun. */
export interface WaitingTask extends Task {
  kind: 'prepare';
  what: Preparation;
  earliestMs: number;
  latestMs: number;
}

const DAY_MIN = 24 * 60;
/** Minutes of hands to mix a recipe of each kind. Starting values; what is mixed in a step of its own is not here. */
const MIX_MIN: Partial<Record<RecipeKind, number>> = {
  rub: 10,
  injection: 10,
  spray: 5,
  mop: 10,
  wrap: 5,
  braise: 15,
  glaze: 15,
  dressing: 10,
  sauce: 25,
};
/** The task before which it must be ready. */
const USED_AT: Partial<Record<RecipeKind, readonly Task['kind'][]>> = {
  rub: ['rub'],
  injection: ['inject'],
  spray: ['spray'],
  mop: ['spray', 'turn'],
  wrap: ['wrap'],
  braise: ['wrap'],
  glaze: ['unwrap', 'check'],
  dressing: ['carve'],
  sauce: ['carve'],
};
const SIDE_BEGIN_MIN = 15;
const SIDE_PER_PORTION_MIN = 0.2;
/** Cubes are taken off and covered. */
const OFF_MIN = 5;
/** They may go back on so much sooner where hands are wanted elsewhere. */
const CUBES_AHEAD_MIN = 10;

/** All that is best done while the meat cooks or before: sauces, sides, wrapping table, hot boxes, knives, labels, wood. */
export function waitingWork(
  { event, library }: Pick<PlanInput, 'event' | 'library'>,
  plan: Pick<Plan, 'runs' | 'firings' | 'trips' | 'backOn'>,
  tasks: readonly Task[],
): WaitingTask[] {
  const work: WaitingTask[] = [];
  const homeId = homeIdOf(event);
  const add = (
    id: string,
    what: Preparation,
    minutes: number,
    byMs: number,
    placeId: string,
    aheadMin = DAY_MIN,
    extra: Pick<Task, 'runId' | 'pitId' | 'servingId'> = {},
  ) => {
    const latestMs = addMinutes(byMs, -minutes);
    work.push({
      id,
      kind: 'prepare',
      what,
      atMs: latestMs,
      minutes,
      placeId,
      earliestMs: addMinutes(latestMs, -aheadMin),
      latestMs,
      ...extra,
    });
  };
  const batchOf = (task: Task) => task.batchId ?? plan.runs.find((run) => run.id === task.runId)?.batchId;
  const leavesMs = (servingId: string) => {
    const out = plan.trips.filter((trip) => trip.servingId === servingId && trip.purpose !== 'back').map((trip) => trip.leaveMs);
    return out.length > 0 ? addMinutes(Math.max(...out), -10) : undefined;
  };

  const mixed = new Map<string, { minutes: number; byMs: number }>();
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    if (!cut) continue;
    for (const [kind, recipeId] of Object.entries(prepOf(cut, batch).recipes) as [RecipeKind, string][]) {
      const minutes = MIX_MIN[kind];
      if (!minutes || !recipeIn(library, recipeId)) continue;
      const uses = tasks.filter((task) => USED_AT[kind]!.includes(task.kind) && batchOf(task) === batch.id).map((task) => task.atMs);
      if (uses.length === 0) continue;
      const rides = kind === 'dressing' || kind === 'sauce' ? leavesMs(batch.servingId) : undefined;
      const byMs = Math.min(...uses, rides ?? Infinity);
      const known = mixed.get(recipeId);
      mixed.set(recipeId, { minutes, byMs: Math.min(byMs, known?.byMs ?? Infinity) });
    }
  }
  for (const [recipeId, { minutes, byMs }] of mixed)
    add(`mix/${recipeId}`, { code: 'mix', recipeId }, minutes, addMinutes(byMs, -5), homeId);

  for (const serving of event.servings) {
    const own = plan.runs.filter((run) => run.servingId === serving.id);
    if (own.length === 0) continue;
    const carveMs = Math.min(...own.map((run) => run.carveAtMs));
    const byMs = leavesMs(serving.id) ?? addMinutes(carveMs, -15);
    const portions = portionsOf(serving.guests, serving.buffet, serving.marginShare);
    for (const side of serving.sides ?? [])
      if (side.recipeId && recipeIn(library, side.recipeId) && !mixed.has(side.recipeId))
        add(
          `${serving.id}/side/${side.id}`,
          { code: 'side', sideId: side.id },
          Math.ceil(SIDE_BEGIN_MIN + SIDE_PER_PORTION_MIN * portions),
          byMs,
          homeId,
          DAY_MIN,
          { servingId: serving.id },
        );
    add(
      `${serving.id}/knives`,
      { code: 'knives' },
      15,
      byMs,
      leavesMs(serving.id) === undefined ? servingPlaceId(event, serving) : homeId,
      4 * 60,
      { servingId: serving.id },
    );
    add(
      `${serving.id}/labels`,
      { code: 'labels' },
      10,
      byMs,
      leavesMs(serving.id) === undefined ? servingPlaceId(event, serving) : homeId,
      DAY_MIN,
      { servingId: serving.id },
    );
  }

  const wraps = plan.runs.filter((run) => run.wrapAtMs !== undefined).sort((a, b) => a.wrapAtMs! - b.wrapAtMs!);
  let laidMs = -Infinity;
  for (const run of wraps) {
    // One table serves all that is wrapped within some hours.
    if (run.wrapAtMs! < addMinutes(laidMs, 4 * 60)) continue;
    laidMs = run.wrapAtMs!;
    add(`${run.id}/wrapStation`, { code: 'wrapStation' }, 10, addMinutes(run.wrapAtMs!, -5), run.placeId, 3 * 60, {
      runId: run.id,
      pitId: run.pitId,
    });
  }
  const gearIds = [...new Set(plan.runs.flatMap((run) => [run.hold.gearId, ...(run.hold.first ? [run.hold.first.gearId] : [])]))].filter(
    (gearId) => gearId !== 'board',
  );
  for (const gearId of gearIds) {
    const [first] = plan.runs
      .filter((run) => run.hold.gearId === gearId || run.hold.first?.gearId === gearId)
      .sort((a, b) => a.pullEarlyMs - b.pullEarlyMs);
    add(`${gearId}/warm`, { code: 'warmGear', gearId }, 10, addMinutes(first!.pullEarlyMs, -15), first!.placeId, 90);
  }
  for (const { batchId, pitId, placeId, servingId, fromMs, toMs, cubeMin, kg, legs } of plan.backOn ?? []) {
    const pans = legs.reduce((sum, leg) => sum + leg.pieceIds.length, 0);
    const back: Preparation = { code: 'cubeBackOn', batchId, rackId: legs[0]!.rackId, pans, kg, forMin: (toMs - fromMs) / MS_PER_MIN };
    add(`${batchId}/cubes`, back, cubeMin, fromMs, placeId, CUBES_AHEAD_MIN, { pitId, servingId });
    add(`${batchId}/cubesOff`, { code: 'cubesOff', batchId }, OFF_MIN, addMinutes(toMs, OFF_MIN), placeId, OFF_MIN, { pitId, servingId });
  }
  for (const firing of plan.firings) {
    const nth = plan.firings.filter((other) => other.pitId === firing.pitId && other.lightAtMs < firing.lightAtMs).length;
    add(`${firing.pitId}/fire${nth + 1}/fuel`, { code: 'fuel' }, 15, firing.lightAtMs, firing.placeId, 12 * 60, { pitId: firing.pitId });
  }
  return work;
}
