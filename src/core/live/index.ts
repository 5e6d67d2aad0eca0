export type { CoreReading, ProbeState } from './probe';
export { DONE_SHARES, LiveForecast } from './reforecast';
export type { LiveReadings, Reforecast } from './reforecast';
export { reforecastLogged } from './logged';
export type { LoggedReading, LoggedReforecast } from './logged';
export type { LiveDeed } from './lookAhead';
export type { PitReading } from './pitAir';
