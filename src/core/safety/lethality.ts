import { isPoultry, type Cut } from '../model';

/** A published time and temperature for a safe cook, extended by its z-value. */
export interface LethalityTable {
  referenceC: number;
  zC: number;
  /** Minutes at the reference temperature. */
  minutes: number;
  source: string;
}

const WHOLE_MUSCLE: LethalityTable = {
  referenceC: 62.8,
  zC: 5.5,
  minutes: 4,
  source: 'FSIS Appendix A (2021), beef, pork and lamb; Food Code 2022 3-401.11(B)',
};
/** The 12 % fat row: the stricter of the two birds. */
const POULTRY: LethalityTable = { referenceC: 62.8, zC: 5.5, minutes: 13, source: 'FSIS Appendix A (2021), chicken and turkey, 12 % fat' };

export const lethalityTable = (cut: Pick<Cut, 'safetyClass'>): LethalityTable => (isPoultry(cut) ? POULTRY : WHOLE_MUSCLE);

/** Share of the required lethality a curve delivers: integral 10^((T - Tr) / z) dt / minutes. 1 is enough. */
export function lethalityShare(coreC: ArrayLike<number>, stepMin: number, table: LethalityTable): number {
  let minutes = 0;
  for (let i = 0; i < coreC.length; i++) minutes += Math.pow(10, (Math.min(coreC[i]!, 80) - table.referenceC) / table.zC) * stepMin;
  return minutes / table.minutes;
}

export const DANGER_ZONE_C: readonly [low: number, high: number] = [5, 57];

/** Minutes a curve spends in the danger zone, 5 to 57 C (Food Code 2022 3-501.16). */
export function dangerMinutes(tempC: ArrayLike<number>, stepMin: number): number {
  let minutes = 0;
  for (let i = 0; i < tempC.length; i++) if (tempC[i]! > DANGER_ZONE_C[0] && tempC[i]! < DANGER_ZONE_C[1]) minutes += stepMin;
  return minutes;
}
