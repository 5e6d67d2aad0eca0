export { crossingBetween, interpolate } from './interpolate';
export { normalQuantile } from './normal';
export { levenbergMarquardt } from './leastSquares';
