export { schedule } from './search';
export type { Schedule } from './search';
export type { BatchOrder } from './placeBatch';
export { DANGER_ZONE_MAX_MIN, MIN_PIT_C } from './placeBatch';
export { AIR_GAP_MM, claimedMm2, footprintOf, rackAreaMm2 } from './rackLedger';
export type { BatchForecast, ForecastCache } from './batchForecast';
export { forecastBatch } from './batchForecast';
