export { conditionalOn } from './conditional';
export { crossingBetween } from './crossing';
export { normalQuantile } from './normal';
export { levenbergMarquardt } from './leastSquares';
export { quantile, quantileSorted } from './quantile';
export { seededRandom } from './random';
export { studentCumulative, studentQuantile } from './studentT';
