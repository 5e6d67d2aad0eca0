/** What the weather does to a pit that stands in it. */
export interface Weather {
  airC: number;
  windMPerS: number;
  /** A small fan under a controller steadies the fire. */
  blower: boolean;
}

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
