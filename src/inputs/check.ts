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

function flatten(error: ValidationError, prefix: string): Problem[] {
  const path = prefix === '' ? error.property : `${prefix}.${error.property}`;
  const own = Object.entries(error.constraints ?? {}).map(([code, message]) => ({ code, path, message }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, path))];
}
