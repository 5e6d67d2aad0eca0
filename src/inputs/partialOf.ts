import type { ClassConstructor } from 'class-transformer';
import { getMetadataStorage } from 'class-validator';
import { Maybe } from './parts';

/** A class like `base` of which every field may be left out; what is there is checked as `base` checks it. */
export function partialOf<T extends object>(base: ClassConstructor<T>): ClassConstructor<Partial<T>> {
  abstract class Whole extends (base as ClassConstructor<object>) {}
  const Partially = class extends Whole {};
  const fields = new Set(
    getMetadataStorage()
      .getTargetValidationMetadatas(base, '', true, false)
      .map((each) => each.propertyName),
  );
  for (const field of fields) Maybe()(Partially.prototype, field);
  return Partially as ClassConstructor<Partial<T>>;
}
