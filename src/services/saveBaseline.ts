import type { CookEvent } from '../core/model';
import { baselineOf } from '../core/planning';
import { failure, success, type Outcome } from '../core/outcome';
import { changeEvent } from './changeEvent';
import type { Context } from './context';
import { planEvent } from './planEvent';

/** Keeps the plan as it stands now: from here on the event shows what has changed since. */
export async function saveBaseline(context: Context, input: { eventId: string }): Promise<Outcome<CookEvent>> {
  const planned = await planEvent(context, input.eventId);
  if (!planned) return failure({ code: 'eventGone' });
  if (planned.plan.runs.length === 0) return failure({ code: 'nothingPlanned' });
  const kept = baselineOf(planned.input, planned.plan, context.nowMs());
  return changeEvent(context, input.eventId, (event) =>
    event.revision === kept.revision ? success({ ...event, baseline: kept }) : failure({ code: 'changedElsewhere' }),
  );
}
