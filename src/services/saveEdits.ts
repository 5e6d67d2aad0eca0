import { applyChanges } from '../core/edits';
import type { CookEvent } from '../core/model';
import { failure, type Outcome } from '../core/outcome';
import type { SaveEditsInput } from '../inputs';
import { changeEvent } from './changeEvent';
import type { Context } from './context';

/** What was changed on the page. Refused with `changedElsewhere` when it was made from another revision: nothing is overwritten unseen. */
export const saveEdits = (context: Context, { eventId, revision, changes }: SaveEditsInput): Promise<Outcome<CookEvent>> =>
  changeEvent(context, eventId, (event) => {
    if (event.revision !== revision) return failure({ code: 'changedElsewhere' });
    const changed = applyChanges(event, changes);
    return changed.ok ? changed : failure({ code: 'changedElsewhere' });
  });
