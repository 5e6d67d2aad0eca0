import { ALLERGENS, sidesOf, type Carried } from '../core/model';
import { batchName, type Speech } from './names';

/** `mustard`, `pork`. */
export const carriedName = (carried: Carried): string => ALLERGENS.find((each) => each.id === carried)?.name ?? carried;

/** The name of a batch or of a side, by its id. */
export function servedName(speech: Speech, id: string): string {
  const side = speech.event.servings.flatMap(sidesOf).find((each) => each.id === id);
  return side?.name ?? batchName(speech, id);
}
