/** Thawing: 24 h per 1.8 to 2.3 kg at or below 5 C; or 30 min per 0.45 kg under running water at or below 21 C (USDA FSIS). */
export const THAW = Object.freeze({
  coldKgPerDay: [1.8, 2.3] as const,
  waterMinPerKg: 30 / 0.45359237,
  /** At most this long above 5 C (Food Code 2022 3-501.13). */
  waterMostMin: 240,
  /** Thawed meat keeps this long in the cold before it cooks. */
  keepsMin: 48 * 60,
});

/** Minutes to thaw a piece in the cold: the usual (slow) figure and the least that is known to do. */
export const coldThawMin = (kg: number): { usualMin: number; leastMin: number } => ({
  usualMin: (kg / THAW.coldKgPerDay[0]) * 1440,
  leastMin: (kg / THAW.coldKgPerDay[1]) * 1440,
});

/** Minutes under running water, and whether the rule allows it for a piece this heavy. */
export const waterThawMin = (kg: number): { minutes: number; allowed: boolean } => {
  const minutes = kg * THAW.waterMinPerKg;
  return { minutes, allowed: minutes <= THAW.waterMostMin };
};
