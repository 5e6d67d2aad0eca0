import type { Body } from '../thermal';
import type { CookSetup } from './setup';

/** Scale of the bark integral: set at 4.5 to 5.5 h for a bare butt or brisket at 121 C, at 3 to 3.5 h at 149 C. */
const BARK_PER_H = 3.7;
/** The rub is dry all over when this share of the mass has evaporated; what still sweats from below it is another matter. */
const DRY_RUB_SHARE = 0.18;

/** How damp the outermost rub still is, 1 to 0. */
export const dampShare = (evaporatedShare: number): number => 1 - Math.min(1, (Math.max(0, evaporatedShare) / DRY_RUB_SHARE) ** 2);

/** dB/dt = K (1 - damp) 2^((Ts - 75) / 10), per hour: a dry, hot surface browns. */
export function barkRatePerH(damp: number, surfaceC: number): number {
  return BARK_PER_H * (1 - damp) * Math.exp(((surfaceC - 75) / 10) * Math.LN2);
}

/** What a cook has taken of smoke. */
export interface SmokeTaken {
  /** Hours of full smoke on a wet, cool surface. */
  uptakeH: number;
  /** Depth of the ring when it stopped, mm. */
  ringMm: number;
  ringStopped: boolean;
  /** Hours of dark smoke taken; past `DARK_SMOKE_MOST_H` the crust turns bitter. */
  darkH: number;
}

export const DARK_SMOKE_MOST_H = 1;

export const startSmoke = (): SmokeTaken => ({ uptakeH: 0, ringMm: 0, ringStopped: false, darkH: 0 });

/** Flavour lands while the surface is damp and below this. */
const FLAVOUR_BELOW_C = 85;
/** The ring stops where the pigment sets. */
const RING_SETS_C = 65;
/** How fast the ring's gases spread through meat, m2/s. */
const RING_DIFFUSION_M2_PER_S = 3e-10;

/** Adds one step of smoke. The ring grows as the square root of time until tissue at its depth passes 65 C. */
export function takeSmoke(smoke: SmokeTaken, body: Body, setup: CookSetup, damp: number, minute: number, stepMin: number): void {
  if (setup.smoke.output <= 0) return;
  if (body.surfaceC < FLAVOUR_BELOW_C) {
    const takenH = (setup.smoke.output * damp * stepMin) / 60;
    smoke.uptakeH += takenH;
    smoke.darkH += takenH * setup.smoke.darkShare;
  }
  if (smoke.ringStopped) return;
  const depthM = Math.sqrt(2 * RING_DIFFUSION_M2_PER_S * minute * 60);
  const cells = body.cellsC.length;
  const fromMiddle = Math.max(0, 1 - depthM / body.spec.halfThicknessM);
  const cell = Math.min(cells - 1, Math.floor(fromMiddle * cells));
  smoke.ringMm = depthM * 1000;
  if (body.cellsC[cell]! >= RING_SETS_C) smoke.ringStopped = true;
}
