import { isPoultry, type Cut } from './cut';
import { METHODS, type Method } from './method';

/** Which family of methods a cut is cooked by. */
export function purposeOf(cut: Cut): Method['purpose'] {
  if (cut.species === 'dish') return 'dish';
  if (isPoultry(cut)) return 'poultry';
  if (cut.done.by === 'core') return 'roast';
  return cut.bones !== undefined ? 'ribs' : 'tender';
}

export const methodsFor = (cut: Cut): Method[] => METHODS.filter((method) => method.purpose === purposeOf(cut));
