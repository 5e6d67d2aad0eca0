export type { CoreReading, ProbeState } from './probe';
export { LiveForecast } from './reforecast';
export type { LiveReadings, Reforecast } from './reforecast';
export type { LiveOptions, PitReading } from './samples';
