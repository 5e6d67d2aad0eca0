export { scheduleBy, schemeWalk, search, type Found, type Progress, type SearchOptions } from './search';
export { usualIterations } from './iterations';
export type { SearchInput } from './decoder';
export { CrewLedger } from './crewLedger';
export { holdingGear } from './holdLedger';
export type { BatchOrder } from './order';
export { forecastBatch, newForecastCache, offsetFactor, type ForecastCache, type ForecastContext } from './batchForecast';
export { provedConflict } from './proof';
export { departuresH, wakingsOf } from './objective';
