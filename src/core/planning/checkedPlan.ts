import { checkPlan } from '../check';
import type { Broken, ExchangeEvent, Plan } from '../model';
import type { ForecastCache } from '../schedule';
import { buildPlan } from './buildPlan';
import { exchangeEventOf, exchangePlanOf } from './exchange';
import { parametersOf, type PlanInput } from './planInput';

/** What is told first: a late or over-held serving says more than two pieces that touch. */
const TOLD_FIRST: Broken['rule'][] = [9, 11, 12, 8, 6, 7, 14, 5, 3, 4, 10, 13, 1, 2];

/** The rules a plan breaks, as the checker finds them; what says most comes first. */
export function rulesBroken(
  input: PlanInput,
  plan: Plan,
  { physics = true, event = exchangeEventOf(input) }: { physics?: boolean; event?: ExchangeEvent } = {},
): Broken[] {
  // Hands are checked only where they are counted; pieces without a place are told by the plan itself.
  const counted = input.countCrew || Boolean(input.event.duty?.length);
  return checkPlan(event, exchangePlanOf(input, plan), { physics, parameters: parametersOf(input) })
    .filter(({ rule, code }) => code !== 'pieceMissing' && (counted || rule !== 13))
    .sort((a, b) => TOLD_FIRST.indexOf(a.rule) - TOLD_FIRST.indexOf(b.rule));
}

/**
 * The plan of an event. Where the owner has pinned runs, which no search would have put there, every rule
 * is checked and what breaks stands among its problems: on each screen, on paper and in the plan's file.
 */
export function checkedPlan(input: PlanInput, cache: ForecastCache): Plan {
  const plan = buildPlan(input, cache);
  if (!input.event.pins?.length) return plan;
  const broken = rulesBroken(input, plan).map((each) => ({ code: 'ruleBroken' as const, severity: 'broken' as const, broken: each }));
  return { ...plan, problems: [...broken, ...plan.problems] };
}
