import type { NamedPlan } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { PlanFileInput } from '../inputs';
import { namedPlanFrom, readOpenPlan } from '../formats/open';
import type { Context } from './context';
import { planEvent } from './planEvent';
import { unreadable } from './unreadable';

/** A plan file made into a plan of an event under a name, to be compared and adopted. Nothing is saved yet. */
export async function readPlanFile(context: Context, { eventId, text }: PlanFileInput): Promise<Outcome<NamedPlan>> {
  const planned = await planEvent(context, eventId);
  if (!planned) return failure({ code: 'eventGone' });
  const reading = readOpenPlan(text);
  if (!reading.ok) return unreadable(reading.problems);
  const named = namedPlanFrom(reading.value, planned.input, context.newId());
  return named.ok ? success(named.value) : unreadable(named.problems);
}
