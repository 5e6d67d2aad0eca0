import 'reflect-metadata';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import { STRICT } from './parts';
import { failure, success, type Outcome, type Problem } from '../core/outcome';

/**
 * Reads a plain value as one of the door's classes. Unknown fields are refused; every problem
 * carries the path of its field and a sentence that says what to do.
 */
export function check<T extends object>(type: ClassConstructor<T>, plain: unknown): Outcome<T> {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain))
    return failure({ code: 'notAnObject', message: 'Nothing usable was sent.' });
  const value = plainToInstance(type, plain);
  const errors = validateSync(value, STRICT);
  return errors.length === 0 ? success(value) : failure(...errors.flatMap((error) => flatten(error, '')));
}

/** What the library would say in words of its own. */
const OWN_WORDS: Record<string, string> = {
  whitelistValidation: 'There is no such field here. Load the page again.',
  unknownValue: 'Nothing usable was sent. Load the page again.',
  nestedValidation: 'This part of what was sent cannot be read. Load the page again.',
  isArray: 'This must be a list.',
  arrayMaxSize: 'There are more here than there are to choose from.',
};

function flatten(error: ValidationError, prefix: string): Problem[] {
  const path = prefix === '' ? error.property : `${prefix}.${error.property}`;
  const own = Object.entries(error.constraints ?? {}).map(([code, message]) => ({ code, path, message: OWN_WORDS[code] ?? message }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, path))];
}
