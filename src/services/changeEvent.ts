import type { Batch, CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { loadEvent, saveEvent } from '../persistence';
import type { Context } from './context';

type Change = (event: CookEvent) => Outcome<CookEvent>;

/** Loads, changes and saves one event in one transaction; its revision goes up by one. */
export async function changeEvent(context: Context, eventId: string, change: Change): Promise<Outcome<CookEvent>> {
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const kept = await loadEvent(eventId, transaction);
    if (!kept) return failure({ code: 'eventGone' });
    const changed = change(kept);
    if (!changed.ok) return changed;
    const event = { ...changed.value, revision: kept.revision + 1 };
    await saveEvent(event, context.nowMs(), transaction);
    return success(event);
  });
}

/** Like `changeEvent`, refused when the event is not the one the change was made from. */
export const changeSeen = (context: Context, seen: { eventId: string; revision: number }, change: Change) =>
  changeEvent(context, seen.eventId, (event) => (event.revision === seen.revision ? change(event) : failure({ code: 'changedElsewhere' })));

/** Changes one batch of an event. */
export const withBatch =
  (batchId: string, change: (batch: Batch, event: CookEvent) => Outcome<Batch>): Change =>
  (event) => {
    const batch = event.batches.find((each) => each.id === batchId);
    if (!batch) return failure({ code: 'batchGone' });
    const changed = change(batch, event);
    if (!changed.ok) return changed;
    return success({ ...event, batches: event.batches.map((each) => (each === batch ? changed.value : each)) });
  };
