import type { CookEvent, Plan } from '../model';

export type StageState = 'settled' | 'decide' | 'open';

/** How far each stage of an event is, as its tabs show. */
export function stageStates(event: CookEvent, plan: Plan): Record<'brief' | 'pits' | 'plan' | 'run-sheet', StageState> {
  const menuSet = event.servings.every((serving) => event.batches.some((batch) => batch.servingId === serving.id));
  const broken = plan.problems.some((problem) => problem.severity === 'broken');
  const brief = event.batches.length === 0 ? 'open' : menuSet ? 'settled' : 'decide';
  const pits = event.pitIds.length > 0 ? 'settled' : 'decide';
  const planned = plan.runs.length === 0 ? 'open' : broken ? 'decide' : 'settled';
  return { brief, pits, plan: broken ? 'decide' : planned, 'run-sheet': planned };
}
