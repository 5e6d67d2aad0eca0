export type { CoreReading } from './probe';
export { LiveForecast } from './reforecast';
export type { PitReading } from './samples';
