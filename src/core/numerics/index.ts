export { crossingBetween } from './crossing';
export { normalQuantile } from './normal';
export { levenbergMarquardt } from './leastSquares';
