/**
 * Water and moist air at smoking temperatures.
 */

/** Saturation pressure over water, Pa, for a temperature in C (Buck 1996; within 0.2 % up to 100 C). */
export function saturationPressurePa(tempC: number): number {
  return 611.21 * Math.exp(((18.678 - tempC / 234.5) * tempC) / (257.14 + tempC));
}

/** Relative slope d(ln psat)/dT of Buck's curve, 1/K. Multiply by psat for the slope itself. */
export function saturationLogSlopePerK(tempC: number): number {
  const shifted = 257.14 + tempC;
  return ((18.678 - tempC / 117.25) * shifted - (18.678 - tempC / 234.5) * tempC) / (shifted * shifted);
}

/** Pressure of the standard atmosphere at an altitude, Pa (ICAO, troposphere). */
export function airPressurePa(altitudeM: number): number {
  return 101_325 * Math.pow(1 - 2.25577e-5 * altitudeM, 5.25588);
}

/** The temperature at which water boils under `pressurePa`, C (Newton on Buck's curve). */
export function boilingPointC(pressurePa: number): number {
  let tempC = 100;
  for (let i = 0; i < 8; i++) {
    tempC -= Math.log(saturationPressurePa(tempC) / pressurePa) / saturationLogSlopePerK(tempC);
  }
  return tempC;
}

/** Latent heat of vaporisation, J/kg (linear fit to the steam tables, within 0.5 % from 0 to 110 C). */
export const latentHeatJPerKg = (tempC: number): number => 2.501e6 - 2361 * tempC;

const GAS_WATER_J_PER_KG_K = 461.5;
const GAS_AIR_J_PER_KG_K = 287.05;
const AIR_HEAT_J_PER_KG_K = 1007;
/** Lewis number of water vapour in air near 80 C, to the power 2/3. */
const LEWIS_TO_TWO_THIRDS = 0.911;

/**
 * Mass transfer per film coefficient, kg/(m2 s Pa) for 1 W/(m2 K): the Lewis relation
 * hm = h / (rho cp Le^(2/3) Rv T). rho Tfilm is P / Rair, so the film temperature cancels.
 */
export function vapourTransferPerFilm(pressurePa: number): number {
  return GAS_AIR_J_PER_KG_K / (pressurePa * AIR_HEAT_J_PER_KG_K * LEWIS_TO_TWO_THIRDS * GAS_WATER_J_PER_KG_K);
}

/**
 * Stefan's correction for vapour that blows air off the surface: P / (log mean of the dry-air
 * pressure across the film). 1 for thin vapour; capped near boiling, where the film has no air left.
 */
export function stefanFactor(pressurePa: number, surfaceVapourPa: number, airVapourPa: number): number {
  const dryAtSurfacePa = Math.max(pressurePa - surfaceVapourPa, 0.03 * pressurePa);
  const dryInAirPa = pressurePa - airVapourPa;
  const ratio = dryInAirPa / dryAtSurfacePa;
  if (Math.abs(ratio - 1) < 1e-6) return pressurePa / dryInAirPa;
  return (pressurePa * Math.log(ratio)) / (dryInAirPa - dryAtSurfacePa);
}
