export { applyChanges, diffOf, reversed, sameValue } from './diff';
export type { Change } from './diff';
export { newProblems } from './eventProblems';
export { isInEventDays, limitProblems } from './limitProblems';
