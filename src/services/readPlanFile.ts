import type { NamedPlan } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { planInputFor } from '../document';
import type { PlanFileInput } from '../inputs';
import type { Context } from './context';
import { readDocument } from './reading';
import { unreadable } from './unreadable';

/** A plan file made into a plan of an event under a name, to be compared and adopted. Nothing is saved yet. */
export async function readPlanFile(context: Context, { eventId, text }: PlanFileInput): Promise<Outcome<NamedPlan>> {
  const document = await readDocument(context, eventId);
  if (!document) return failure({ code: 'eventGone' });
  const { input } = planInputFor(document.event, document.facts);
  const reading = await context.planner.readPlan(text, input, context.newId()).catch(() => undefined);
  if (!reading) return failure({ code: 'tooBusy' });
  return reading.ok ? success(reading.value) : unreadable(reading.problems);
}
