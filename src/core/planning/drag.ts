import type { Leg, Pit, Plan, Run } from '../model';
import { addMinutes } from '../units';

/** A run taken to another moment or pit, everything else where it was: what the checker is asked while it is dragged. */
export function draggedPlan(plan: Plan, runId: string, byMin: number, pit?: Pit): Plan {
  return { ...plan, runs: plan.runs.map((run) => (run.id === runId ? draggedRun(run, byMin, pit) : run)) };
}

function draggedRun(run: Run, byMin: number, pit?: Pit): Run {
  const at = (ms: number) => addMinutes(ms, byMin);
  const maybe = (ms: number | undefined) => (ms === undefined ? undefined : at(ms));
  const moves = pit !== undefined && pit.id !== run.pitId;
  const there = (leg: Leg): Leg => {
    const here = { ...leg, fromMs: at(leg.fromMs), toMs: at(leg.toMs) };
    if (!moves || leg.pitId !== run.pitId) return here;
    const rack = pit.racks.find((each) => each.id === leg.rackId) ?? pit.racks[0]!;
    return { ...here, pitId: pit.id, rackId: rack.id };
  };
  return {
    ...run,
    pitId: moves ? pit.id : run.pitId,
    onAtMs: at(run.onAtMs),
    wrapAtMs: maybe(run.wrapAtMs),
    unwrapAtMs: maybe(run.unwrapAtMs),
    moveAtMs: maybe(run.moveAtMs),
    finishAtMs: maybe(run.finishAtMs),
    smokeUntilMs: maybe(run.smokeUntilMs),
    pullEarlyMs: at(run.pullEarlyMs),
    pullMedianMs: at(run.pullMedianMs),
    pullLateMs: at(run.pullLateMs),
    pulls: run.pulls.map((pull) => ({ ...pull, medianMs: at(pull.medianMs), earlyMs: at(pull.earlyMs), lateMs: at(pull.lateMs) })),
    legs: run.legs.map(there),
    hold: { ...run.hold, fromEarlyMs: at(run.hold.fromEarlyMs), fromLateMs: at(run.hold.fromLateMs) },
    work: run.work.map((work) =>
      work.kind === 'carve' ? work : { ...work, atMs: at(work.atMs), ...(moves && work.pitId === run.pitId && { pitId: pit.id }) },
    ),
  };
}
