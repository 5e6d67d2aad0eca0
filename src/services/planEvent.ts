import type { Plan } from '../core/model';
import type { PlanInput } from '../core/planning';
import type { LearnedTrim } from '../core/quantities';
import { planInputFor, type DocumentFacts } from '../document';
import type { Context } from './context';
import { readDocument } from './reading';

export interface Planned {
  input: PlanInput;
  plan: Plan;
  learned: LearnedTrim[];
  facts: DocumentFacts;
}

/** The plan of an event, made on the server: the same one the page's worker makes. Undefined when there is no such event. */
export async function planEvent(context: Context, eventId: string): Promise<Planned | undefined> {
  const found = await readDocument(context, eventId);
  if (!found) return undefined;
  const { input, learned } = planInputFor(found.event, found.facts);
  return { input, plan: await context.planner.plan(input), learned, facts: found.facts };
}
