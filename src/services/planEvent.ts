import { createHash } from 'node:crypto';
import type { CookEvent, Plan } from '../core/model';
import type { PlanInput } from '../core/planning';
import type { LearnedTrim } from '../core/quantities';
import type { Database } from '../persistence';
import { planInputFor, type DocumentFacts } from '../document';
import type { Context } from './context';
import { readDocument, type KeptDocument } from './reading';

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

/** The last plan that was made for the pages of an event, what it was made from, and the one being made. */
interface LastPlan {
  /** Where it differs from the document's own, the plan is of an older event. */
  of?: string;
  madeAtMs: number;
  plan?: Plan;
  making?: Promise<void>;
}
const plansOf = new WeakMap<Database, Map<string, LastPlan>>();
const MOST_KEPT = 40;
/** A page waits this long for the first plan of an event before it is shown without. */
const PATIENCE_MS = 250;
/** The page plans again by its own clock; until then a plan of some minutes ago will do. */
const FRESH_MS = 600_000;

/**
 * An event with the plan there is of it at once: the last one, or none while the first is being made. No page waits
 * for a newer plan: the page's own worker makes it. However many pages ask, the pool makes one plan of an event at a
 * time, of what the event is when it begins.
 */
export async function planAtHand(context: Context, eventId: string): Promise<(KeptDocument & { plan?: Plan }) | undefined> {
  const document = await readDocument(context, eventId);
  if (!document) return undefined;
  const plans = plansOf.get(context.db) ?? new Map<string, LastPlan>();
  plansOf.set(context.db, plans);
  const last = plans.get(eventId) ?? { madeAtMs: 0 };
  // The one asked for last is forgotten last.
  plans.delete(eventId);
  if (plans.size >= MOST_KEPT) plans.delete(plans.keys().next().value!);
  plans.set(eventId, last);
  if (!last.making && !isFresh(last, document)) last.making = makePlan(context, document, last);
  if (!last.plan && last.making) await Promise.race([last.making, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
  return { ...document, plan: last.plan };
}

const isFresh = (last: LastPlan, { event, facts }: KeptDocument): boolean =>
  last.plan !== undefined && facts.nowMs - last.madeAtMs < FRESH_MS && last.of === stampOf(event, facts);

/** The same for the same event on the same facts, whenever it is read. */
const stampOf = (event: CookEvent, { nowMs: _, ...facts }: DocumentFacts): string =>
  createHash('sha1')
    .update(JSON.stringify([event, facts]))
    .digest('base64');

async function makePlan(context: Context, { event, facts }: KeptDocument, last: LastPlan): Promise<void> {
  try {
    last.plan = await context.planner.plan(planInputFor(event, facts).input);
    last.of = stampOf(event, facts);
    last.madeAtMs = facts.nowMs;
  } catch {
    // What could not be planned in time is tried again by the next page that asks.
  } finally {
    last.making = undefined;
  }
}
