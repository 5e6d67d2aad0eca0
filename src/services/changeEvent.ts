import { newProblems } from '../core/edits';
import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { libraryFor, type DocumentFacts, type Edit } from '../document';
import { check, EventRecord } from '../inputs';
import { saveEvent } from '../persistence';
import type { Context } from './context';
import { documentFacts } from './reading';
import { storedEvent } from './stored';

type Change = (event: CookEvent, facts: DocumentFacts) => Outcome<CookEvent>;

/**
 * Loads, changes, checks and saves one event in one transaction; its revision goes up by one. What a change
 * makes of the document is checked as a whole, whoever made it: shape by its record, sense by its rules.
 */
export async function changeEvent(context: Context, eventId: string, change: Change): Promise<Outcome<CookEvent>> {
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const stored = await storedEvent(eventId, transaction);
    if (!stored) return failure({ code: 'eventGone' });
    const facts = await documentFacts(context, eventId);
    const changed = change(stored, facts);
    if (!changed.ok) return changed;
    const event = JSON.parse(JSON.stringify({ ...changed.value, id: stored.id, revision: stored.revision + 1 })) as CookEvent;
    const shape = check(EventRecord, event);
    if (!shape.ok) return shape;
    const { library } = libraryFor(event, facts);
    const problems = newProblems(event, stored, stored, { library, equipment: facts.equipment, nowMs: facts.nowMs });
    if (problems.length > 0) return failure(...problems);
    await saveEvent(event, context.nowMs(), transaction);
    return success(event);
  });
}

/** Does to a stored event what its owner does on the page: the same edits, for commands, the demo and tests. */
export const editEvent = <Input>(context: Context, eventId: string, edit: Edit<Input>, input: Input): Promise<Outcome<CookEvent>> =>
  changeEvent(context, eventId, (event, facts) =>
    edit(event, input, { ...facts, library: libraryFor(event, facts).library, newId: context.newId }),
  );
