import type { DayWeather } from '../model';

/** What the weather does to a pit that stands in it. */
export interface Weather {
  airC: number;
  windMPerS: number;
  /** A small fan under a controller steadies the fire. */
  blower: boolean;
}

/** The heat and air at which owners know their pits. */
const USUAL_PIT_C = 121;
const USUAL_AIR_C = 15;
/** Wind past a breeze carries heat off: this much more for each m/s past 2. A starting value. */
const WIND_SHARE_PER_M_PER_S = 0.04;
const BREEZE_M_PER_S = 2;

/** How much hotter a pit is than the air, over what is usual. */
export const coldShare = (pitC: number, { airC }: Pick<DayWeather, 'airC'>): number =>
  Math.max(0, pitC - airC) / (USUAL_PIT_C - USUAL_AIR_C);

/** Heat that a pit loses over what it usually does: (pit - air) / (121 - 15), more in wind. */
export const heatLossShare = (pitC: number, weather: DayWeather): number =>
  coldShare(pitC, weather) * (1 + WIND_SHARE_PER_M_PER_S * Math.max(0, weather.windMPerS - BREEZE_M_PER_S));

/** A calm, mild day: the reference cooks are taken to be from such days. */
export const CALM: Weather = Object.freeze({ airC: 20, windMPerS: 1, blower: false });

/** Air this warm costs a fire no steadiness. */
const MILD_C = 15;

/**
 * How much further a pit's heat strays in this weather than on a calm day, as a standard deviation
 * in C: about half a degree for each m/s of wind past 2, a tenth for each degree below mild air; a
 * blower takes two thirds of it away. Starting values, until an owner's log says better.
 */
export function weatherWanderC({ airC, windMPerS, blower }: Weather): number {
  const straysC = 0.5 * Math.max(0, windMPerS - 2) + 0.1 * Math.max(0, MILD_C - airC);
  return blower ? straysC / 3 : straysC;
}
