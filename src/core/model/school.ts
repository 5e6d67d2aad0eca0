import type { Method } from './method';

/** The schools that methods for tender cuts fall into, the gentlest first. */
export const SCHOOLS = ['bare', 'wrapped', 'byBark', 'steps', 'middle', 'hot', 'pan'] as const;
export type School = (typeof SCHOOLS)[number];

const MIDDLE_FROM_C = 128;
const HOT_FROM_C = 143;

/** The school a method belongs to: what it does says so, an owner's own method like a shipped one. */
export function schoolOf({ pitC, steps, wrap, wrapWhen }: Method): School {
  if (wrap === 'pan') return 'pan';
  if (steps?.length) return 'steps';
  if (pitC >= HOT_FROM_C) return 'hot';
  if (pitC >= MIDDLE_FROM_C) return 'middle';
  if (wrap === 'none') return 'bare';
  return wrapWhen.bark ? 'byBark' : 'wrapped';
}

/** The plainest of some methods, which the others are held against: the first that is never wrapped while it cooks. */
export const plainestOf = (methods: readonly Method[]): Method | undefined => methods.find((method) => method.wrap === 'none');
