import { ALLERGENS, sidesOf, type Carried } from '../../core/model';
import { batchName, type MessageContext } from './names';

/** `mustard`, `pork`. */
export const carriedName = (carried: Carried): string => ALLERGENS.find((each) => each.id === carried)?.name ?? carried;

/** The name of a batch or of a side, by its id. */
export function servedName(messageContext: MessageContext, id: string): string {
  const side = messageContext.event.servings.flatMap(sidesOf).find((each) => each.id === id);
  return side?.name ?? batchName(messageContext, id);
}
