import type { Random } from '../numerics';

const isStream = (value: object): value is Random => 'fork' in value && typeof value.fork === 'function' && 'uniform' in value;

/**
 * Another of what stands here, that goes its own way from now on: numbers, lists, maps, bodies and streams of chance. What
 * appears twice is one thing in the copy, too; what is frozen is shared.
 */
export function copyOf<T>(value: T, seen = new Map<object, unknown>()): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  const known = seen.get(value);
  if (known) return known as T;
  const keep = (made: unknown): T => {
    seen.set(value, made);
    return made as T;
  };
  if (isStream(value)) return keep(value.fork());
  if (value instanceof Float64Array) return keep(value.slice());
  if (value instanceof Map) {
    const made = new Map<unknown, unknown>();
    keep(made);
    for (const [key, each] of value) made.set(key, copyOf(each, seen));
    return made as T;
  }
  const made = (Array.isArray(value) ? [] : Object.create(Object.getPrototypeOf(value) as object | null)) as Record<string, unknown>;
  keep(made);
  for (const key of Object.keys(value)) made[key] = copyOf((value as Record<string, unknown>)[key], seen);
  return made as T;
}
