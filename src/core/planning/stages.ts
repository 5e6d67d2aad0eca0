import { cutIn, type Plan } from '../model';
import { undeclaredDishes } from '../quantities';
import { SAFETY_RULES } from '../safety';
import { changesSince } from './changes';
import type { PlanInput } from './planInput';

export type StageState = 'settled' | 'decide' | 'open' | 'stale' | 'running';
export const STAGES = ['brief', 'buying', 'prep', 'pits', 'plan', 'racks', 'run-sheet', 'service', 'safety', 'day'] as const;
export type Stage = (typeof STAGES)[number];

const PREP_CODES = ['prepTooLate', 'waterThawTooLong', 'fridgeFull', 'tubFull', 'tooSalty'];
const SAFETY_CODES = ['dangerZone', 'coreTooLow', 'rareForSusceptible', 'poultryAbove', 'waterThawTooLong'];

/** How far each stage of an event is, as its tabs show. */
export function stageStates(
  input: Pick<PlanInput, 'event' | 'library'>,
  plan: Plan,
  day?: { endedAtMs?: number },
): Record<Stage, StageState> {
  const { event, library } = input;
  const menuSet = event.servings.every((serving) => event.batches.some((batch) => batch.servingId === serving.id));
  const broken = plan.problems.some((problem) => problem.severity === 'broken');
  const meats = event.batches.filter((batch) => cutIn(library, batch.cutId)?.species !== 'dish');
  const weighed = meats.every((batch) => batch.pieces.every((piece) => piece.trimmedKg !== undefined));
  const anyWeighed = meats.some((batch) => batch.pieces.some((piece) => piece.boughtKg !== undefined));
  const none = event.batches.length === 0;
  const chosen = event.batches.some((batch) => batch.prep !== undefined);
  const allDone = plan.prep.length > 0 && plan.prep.every((step) => step.done);
  const prepTrouble = plan.problems.some((problem) => PREP_CODES.includes(problem.code));
  const planned: StageState = plan.runs.length === 0 ? 'open' : broken ? 'decide' : 'settled';
  const stale = event.baseline !== undefined && changesSince(event.baseline, input, plan).length > 0;
  const undeclared = event.servings.some((serving) => !serving.cardsSignedBy && undeclaredDishes(event, serving, library).length > 0);
  const safe = plan.problems.some((problem) => SAFETY_CODES.includes(problem.code)) ? 'decide' : planned;
  const warm = event.batches.some((batch) => (batch.received?.coreC ?? 0) > SAFETY_RULES.coldHold.limit);
  return {
    brief: none ? 'open' : menuSet ? 'settled' : 'decide',
    buying: none ? 'open' : warm ? 'decide' : weighed && meats.length > 0 ? 'settled' : anyWeighed ? 'decide' : 'open',
    prep: none ? 'open' : prepTrouble ? 'decide' : allDone || chosen ? 'settled' : 'open',
    pits: event.pitIds.length > 0 ? 'settled' : 'decide',
    plan: broken ? 'decide' : stale ? 'stale' : planned,
    racks: plan.problems.some((problem) => problem.code === 'placedWrong') ? 'decide' : planned,
    'run-sheet': stale ? 'stale' : planned,
    service: undeclared ? 'decide' : planned === 'open' ? 'open' : 'settled',
    safety: warm ? 'decide' : safe,
    day: !day ? 'open' : day.endedAtMs === undefined ? 'running' : 'settled',
  };
}
