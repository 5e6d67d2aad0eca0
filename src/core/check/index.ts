import type { ParameterSet } from '../forecast';
import type { Broken, ExchangeEvent, ExchangePlan } from '../model';
import { factsOf } from './facts';
import { heatRules, once } from './heat';
import { peopleRules } from './people';
import { placeRules } from './places';
import { physicsRules } from './physics';
import { timeRules } from './times';
import { whereaboutsRules } from './whereabouts';

/**
 * Every rule of docs/formats/rules.md that a plan breaks, worked out from the two alone. It shares
 * no code with the search. `physics: false` leaves out what needs a cook to be run again (hot holding and
 * the danger zone), for a plan that is being dragged. `parameters` are those the plan was made by; as shipped when left out.
 */
export function checkPlan(
  event: ExchangeEvent,
  plan: ExchangePlan,
  { physics = true, parameters }: { physics?: boolean; parameters?: ParameterSet } = {},
): Broken[] {
  const facts = factsOf(event, plan);
  return once([
    ...timeRules(facts),
    ...placeRules(facts),
    ...heatRules(facts),
    ...peopleRules(facts),
    ...(event.version === 2 ? whereaboutsRules(facts) : []),
    ...(physics ? physicsRules(facts, parameters) : []),
  ]).sort((a, b) => a.rule - b.rule);
}
