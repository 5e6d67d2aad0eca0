/**
 * Named conversions. Inside the product everything is SI with degrees Celsius, kilograms,
 * millimetres and minutes; these functions are used only where a figure is read or shown.
 */
export const celsiusFromFahrenheit = (tempF: number): number => ((tempF - 32) * 5) / 9;
export const fahrenheitFromCelsius = (tempC: number): number => (tempC * 9) / 5 + 32;
/** A difference or an offset, not a reading: 10 C is 18 F. */
export const fahrenheitDifference = (differenceC: number): number => (differenceC * 9) / 5;

/** The international avoirdupois pound, exact. */
export const KG_PER_LB = 0.45359237;
export const kgFromLb = (lb: number): number => lb * KG_PER_LB;
export const lbFromKg = (kg: number): number => kg / KG_PER_LB;

/** The inch, exact. */
export const MM_PER_IN = 25.4;
export const mmFromIn = (inches: number): number => inches * MM_PER_IN;
export const inFromMm = (mm: number): number => mm / MM_PER_IN;

export const M_PER_FT = 0.3048;
export const mphFromMPerS = (mPerS: number): number => (mPerS * 3600) / 1609.344;
export const mFromFt = (ft: number): number => ft * M_PER_FT;
export const ftFromM = (m: number): number => m / M_PER_FT;

export const MS_PER_MIN = 60_000;
export const addMinutes = (atMs: number, minutes: number): number => atMs + minutes * MS_PER_MIN;
