import type { CookEvent, Plan, PlanProblem } from '../model';
import type { PlanInput } from './planInput';

/** Whether a problem is about a serving: its own, one of its batches', or one that names neither and so is about all. */
export function concernsServing(problem: PlanProblem, event: Pick<CookEvent, 'batches'>, servingId: string): boolean {
  const { batchIds, servingIds } = namedIn(problem);
  if (batchIds.length === 0 && servingIds.length === 0) return true;
  const own = event.batches.filter((batch) => batch.servingId === servingId).map((batch) => batch.id);
  return servingIds.includes(servingId) || batchIds.some((id) => own.includes(id));
}

function namedIn(problem: PlanProblem): { batchIds: string[]; servingIds: string[] } {
  const some = (...ids: (string | undefined)[]) => ids.filter((id) => id !== undefined);
  switch (problem.code) {
    case 'ruleBroken':
      return { batchIds: some(problem.broken.batch), servingIds: some(problem.broken.serving) };
    case 'placedWrong': {
      const { fault } = problem;
      return {
        batchIds: some('piece' in fault ? fault.piece.batchId : undefined, 'other' in fault ? fault.other.batchId : undefined),
        servingIds: [],
      };
    }
    default:
      return {
        batchIds: 'batchId' in problem ? some(problem.batchId) : 'batchIds' in problem ? problem.batchIds : [],
        servingIds: 'servingId' in problem ? [problem.servingId] : [],
      };
  }
}

/** The batches that keep a plan from being whole, or sure; the worst first. */
export function troubledBatches(plan: Pick<Plan, 'problems' | 'runs' | 'odds' | 'confidence'>, input: Pick<PlanInput, 'event'>): string[] {
  const broken = plan.problems.flatMap((problem) =>
    problem.severity === 'broken' && 'batchId' in problem && problem.batchId ? [problem.batchId] : [],
  );
  if (broken.length > 0) return [...new Set(broken)];
  const unsure = new Set(plan.odds.filter((each) => each.onTimeShare < plan.confidence).map((each) => each.servingId));
  return [...plan.runs]
    .filter((run) => unsure.has(input.event.batches.find((batch) => batch.id === run.batchId)?.servingId ?? ''))
    .sort((a, b) => a.onTimeShare - b.onTimeShare)
    .map((run) => run.batchId)
    .filter((id, i, all) => all.indexOf(id) === i);
}
