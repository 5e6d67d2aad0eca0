import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { changeEvent } from './changeEvent';
import type { Context } from './context';
import { planEvent } from './planEvent';

/** Searches for a good plan of an event on the server and keeps what it follows from, as the plan screen's Re-plan does. */
export async function settlePlan(
  context: Context,
  { eventId, iterations }: { eventId: string; iterations: number },
): Promise<Outcome<CookEvent>> {
  const planned = await planEvent(context, eventId);
  if (!planned) return failure({ code: 'eventGone' });
  const scheme = await context.planner.search(planned.input, iterations);
  return changeEvent(context, eventId, (event) => success({ ...event, scheme }));
}
