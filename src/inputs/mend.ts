import type { ClassConstructor } from 'class-transformer';
import { check } from './check';

type Plain = Record<string, unknown>;
const MOST_ROUNDS = 400;

/**
 * A stored value as its class allows it. What is wrong in it is taken out, from the innermost field outward, so
 * that as much as can be stays; a field that cannot be missing gets its `usual` value. Undefined where that is not enough.
 */
export function mended<T extends object>(
  type: ClassConstructor<T>,
  stored: unknown,
  usual: Partial<Record<keyof T, unknown>> = {},
): T | undefined {
  const value: Plain =
    typeof stored === 'object' && stored !== null && !Array.isArray(stored) ? (JSON.parse(JSON.stringify(stored)) as Plain) : {};
  const tried = new Map<string, number>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const outcome = check(type, value);
    if (outcome.ok) return value as T;
    const [problem] = outcome.problems;
    const path = problem?.path?.split('.') ?? [];
    if (path.length === 0) return undefined;
    const times = tried.get(path.join('.')) ?? 0;
    tried.set(path.join('.'), times + 1);
    const at = path.slice(0, Math.max(1, path.length - times));
    if (times > path.length) return undefined;
    takeOut(value, at);
    const [field] = at;
    if (at.length === 1 && field! in usual && !(field! in value)) value[field!] = structuredClone(usual[field as keyof T]);
  }
  return undefined;
}

function takeOut(value: Plain, path: string[]): void {
  let holder: unknown = value;
  for (const key of path.slice(0, -1)) holder = (holder as Plain | undefined)?.[key];
  const last = path.at(-1)!;
  if (Array.isArray(holder)) holder.splice(Number(last), 1);
  else if (typeof holder === 'object' && holder !== null) delete (holder as Plain)[last];
}
