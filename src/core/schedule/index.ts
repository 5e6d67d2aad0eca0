export { schedule } from './search';
export type { BatchOrder } from './order';
export { rackAreaMm2 } from './rackLedger';
export type { ForecastCache } from './batchForecast';
