export { conditionOn } from './conditional';
export type { Condition } from './conditional';
export { crossingBetween } from './crossing';
export { normalCumulative, normalQuantile } from './normal';
export { levenbergMarquardt } from './leastSquares';
export { quantile, quantileSorted } from './quantile';
export { seededRandom, seedOfName } from './random';
export type { Random } from './random';
export { studentCumulative, studentQuantile } from './studentT';
