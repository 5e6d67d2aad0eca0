import { ALLERGENS, sidesOf, type Carried } from '../../core/model';
import { carriedIn, type Contents } from '../../core/quantities';
import { batchName, list, type MessageContext } from './names';

/** `mustard`, `pork`. */
export const carriedName = (carried: Carried): string => ALLERGENS.find((each) => each.id === carried)?.name ?? carried;

/** The name of a batch or of a side, by its id. */
export function servedName(messageContext: MessageContext, id: string): string {
  const side = messageContext.event.servings.flatMap(sidesOf).find((each) => each.id === id);
  return side?.name ?? batchName(messageContext, id);
}

/** Said wherever something of a dish is not declared. */
export const ASK_THE_KITCHEN = 'not declared: ask the kitchen';

/** `mustard and celery`, `milk; not declared: ask the kitchen`, `none of the lists, as declared`. */
export function contentsMessage(contents: Contents): string {
  const known = contents.carries.length > 0 ? [list(carriedIn(contents).map(carriedName))] : [];
  const unknown = contents.undeclared.length > 0 ? [ASK_THE_KITCHEN] : [];
  return [...known, ...unknown].join('; ') || 'none of the lists, as declared';
}
