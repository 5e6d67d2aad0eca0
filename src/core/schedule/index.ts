export { schedule } from './search';
export type { BatchOrder } from './order';
export { newForecastCache, offsetFactor, type ForecastCache } from './batchForecast';
