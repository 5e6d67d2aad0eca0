import { createHash } from 'node:crypto';
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
export async function planEvent(context: Context, eventId: string, signal?: AbortSignal): Promise<Planned | undefined> {
  const found = await readDocument(context, eventId);
  if (!found) return undefined;
  const { input, learned } = planInputFor(found.event, found.facts);
  return { input, plan: await context.planner.plan(input, signal), learned, facts: found.facts };
}

/** The last plan of an event that was made for a page, or is being made. */
interface LastPlan {
  key: string;
  madeAtMs: number;
  plan?: Plan;
  making?: Promise<Plan | undefined>;
}
const lastPlans = new Map<string, LastPlan>();
const MOST_KEPT = 40;
/** A page waits this long for a plan before it is shown without. */
const PATIENCE_MS = 250;
/** The page plans again by its own clock; until then a plan of some minutes ago will do. */
const FRESH_MS = 600_000;

/**
 * An event with the plan there is of it at once: the one for what it is now, or the last one, or none while the
 * first is being made. No page waits for a plan: the page's own worker makes the newest.
 */
export async function planAtHand(context: Context, eventId: string): Promise<(Omit<Planned, 'plan'> & { plan?: Plan }) | undefined> {
  const found = await readDocument(context, eventId);
  if (!found) return undefined;
  const { input, learned } = planInputFor(found.event, found.facts);
  const { nowMs, ...facts } = found.facts;
  const key = createHash('sha1')
    .update(JSON.stringify([found.event, facts]))
    .digest('base64');
  const last = lastPlans.get(eventId);
  const fresh = last?.key === key && nowMs - last.madeAtMs < FRESH_MS;
  const making = fresh ? (last.making ?? last.plan) : makePlan(context, eventId, { key, madeAtMs: nowMs, plan: last?.plan }, input);
  const plan = await Promise.race([making, new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), PATIENCE_MS))]);
  return { input, plan: plan ?? lastPlans.get(eventId)?.plan, learned, facts: found.facts };
}

function makePlan(context: Context, eventId: string, entry: LastPlan, input: PlanInput): Promise<Plan | undefined> {
  entry.making = context.planner.plan(input).then(
    (plan) => {
      entry.plan = plan;
      entry.making = undefined;
      return plan;
    },
    // What could not be planned in time is tried again by the next page that asks.
    () => {
      if (lastPlans.get(eventId) === entry) lastPlans.delete(eventId);
      return undefined;
    },
  );
  lastPlans.delete(eventId);
  if (lastPlans.size >= MOST_KEPT) lastPlans.delete(lastPlans.keys().next().value!);
  lastPlans.set(eventId, entry);
  return entry.making;
}
