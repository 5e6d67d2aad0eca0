import type { CookEvent } from '../core/model';
import { keepPlan } from '../core/planning';
import { failure, success, type Outcome } from '../core/outcome';
import { changeEvent } from './changeEvent';
import type { House } from './house';
import { planEvent } from './planEvent';

/** Keeps the plan as it stands now: from here on the event shows what has changed since. */
export async function keepThePlan(house: House, input: { eventId: string }): Promise<Outcome<CookEvent>> {
  const planned = await planEvent(house, input.eventId);
  if (!planned) return failure({ code: 'eventGone' });
  if (planned.plan.runs.length === 0) return failure({ code: 'nothingPlanned' });
  const kept = keepPlan(planned.input, planned.plan, house.nowMs());
  return changeEvent(house, input.eventId, (event) =>
    event.revision === kept.revision ? success({ ...event, keptPlan: kept }) : failure({ code: 'changedElsewhere' }),
  );
}
