const GAS_J_PER_MOL_K = 8.314;
const REFERENCE_K = 90 + 273.15;

/**
 * How fast collagen turns, per second, at `tempC`: first-order with an Arrhenius rate and time
 * constant `softeningH` hours at 90 C.
 */
export function softeningRatePerS(tempC: number, softeningH: number, activationJPerMol: number): number {
  const inverse = 1 / (tempC + 273.15) - 1 / REFERENCE_K;
  return Math.exp((-activationJPerMol / GAS_J_PER_MOL_K) * inverse) / (softeningH * 3600);
}

/** Converted share after `dtS` more seconds at a steady rate, exact for first order. */
export const advanceConversion = (converted: number, ratePerS: number, dtS: number): number =>
  1 - (1 - converted) * Math.exp(-ratePerS * dtS);
