import type { Cut } from '../../core/model';
import { newId } from '../kit/newId';

/** An entry as a form holds it: without what is undefined. */
export const plain = <T extends object>(entry: T): T => JSON.parse(JSON.stringify(entry)) as T;

/** A copy under a new name and identity, to be the owner's own. A cut's copy cooks, and is as safe, as what it was copied from. */
export function copyOf<T extends { id: string; name: string }>(entry: T): T {
  const cut = entry as Partial<Cut>;
  return {
    ...entry,
    ...(cut.safetyClass && { modelCutId: cut.modelCutId ?? entry.id }),
    id: newId(),
    name: `${entry.name}, mine`,
  };
}
