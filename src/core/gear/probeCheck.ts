import type { Probe } from '../model';
import { airPressurePa, boilingPointC } from '../thermal';

/** Food Code 4-203.11: a food thermometer reads true within 1 C (2 F). */
export const PROBE_TRUE_C = 1;

export interface ProbeCheck {
  /** What boiling water reads at the altitude of the check. */
  boilingC: number;
  iceErrorC?: number;
  boilErrorC?: number;
  state: 'unchecked' | 'true' | 'off';
}

/** What a thermometer's last check in ice and boiling water says of it. */
export function checkProbe({ iceC, boilC, altitudeM = 0 }: Pick<Probe, 'iceC' | 'boilC' | 'altitudeM'>): ProbeCheck {
  const boilingC = boilingPointC(airPressurePa(altitudeM));
  const iceErrorC = iceC;
  const boilErrorC = boilC === undefined ? undefined : boilC - boilingC;
  const errors = [iceErrorC, boilErrorC].filter((error) => error !== undefined);
  const state = errors.length === 0 ? 'unchecked' : errors.every((error) => Math.abs(error) <= PROBE_TRUE_C + 1e-9) ? 'true' : 'off';
  return { boilingC, iceErrorC, boilErrorC, state };
}
