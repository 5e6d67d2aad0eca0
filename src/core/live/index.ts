export type { CoreReading, ProbeState } from './probe';
export { DONE_SHARES, LiveForecast } from './reforecast';
export type { FeltAt, LiveReadings, Reforecast } from './reforecast';
export type { LiveDeed, PitReading } from './samples';
