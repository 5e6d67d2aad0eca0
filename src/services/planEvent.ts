import type { Plan } from '../core/model';
import { checkedPlan, type PlanInput } from '../core/planning';
import type { LearnedTrim } from '../core/quantities';
import { newForecastCache } from '../core/schedule';
import { planInputFor, type DocumentFacts } from '../document';
import type { Context } from './context';
import { readDocument } from './reading';

export interface Planned {
  input: PlanInput;
  plan: Plan;
  learned: LearnedTrim[];
  facts: DocumentFacts;
}

const MOST_FORECASTS_KEPT = 500;
let forecasts = newForecastCache();

/** The plan of an event, made on the server: the same one the page's worker makes. Undefined when there is no such event. */
export async function planEvent(context: Context, eventId: string): Promise<Planned | undefined> {
  const found = await readDocument(context, eventId);
  if (!found) return undefined;
  const { input, learned } = planInputFor(found.event, found.facts);
  if (forecasts.cooked.size > MOST_FORECASTS_KEPT) forecasts = newForecastCache();
  return { input, plan: checkedPlan(input, forecasts), learned, facts: found.facts };
}
