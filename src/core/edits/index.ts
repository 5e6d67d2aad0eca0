export { applyChanges, diffOf, reversed, sameValue } from './diff';
export type { Change } from './diff';
export { insisted, mergeChanges } from './merge';
export type { Conflict } from './merge';
export { newProblems } from './eventProblems';
export { isInEventDays, limitProblems } from './limitProblems';
