export { applyChanges, diffOf, reversed, sameValue } from './diff';
export type { Change } from './diff';
export { eventProblems, newProblems } from './eventProblems';
export { isInEventDays, limitProblems } from './limitProblems';
