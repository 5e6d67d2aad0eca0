import type { Batch, CookEvent, Equipment, Library } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';

/** What an edit may look at beside the event. */
export interface EditFacts {
  library: Library;
  equipment: Equipment;
  nowMs: number;
  newId(): string;
}

/** One thing an owner does to an event: the event after it, or problems at the fields of what was typed. */
export type Edit<Input> = (event: CookEvent, input: Input, facts: EditFacts) => Outcome<CookEvent>;

/** Changes one batch of an event. Problem code: `batchGone`. */
export function withBatch(event: CookEvent, batchId: string, change: (batch: Batch) => Outcome<Batch>): Outcome<CookEvent> {
  const batch = event.batches.find((each) => each.id === batchId);
  if (!batch) return failure({ code: 'batchGone' });
  const changed = change(batch);
  if (!changed.ok) return changed;
  return success({ ...event, batches: event.batches.map((each) => (each === batch ? changed.value : each)) });
}
