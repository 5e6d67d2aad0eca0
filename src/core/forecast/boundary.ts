import type { Wrap } from '../model';
import type { Body, Boundary } from '../thermal';
import type { ModelParameters } from './parameters';
import type { PitClimate } from './pit';

/** The share of the surface that still evaporates: phi0 (1 - (Mevap / (w mass))^p), at least phiMin. */
export function wetShareLeft(global: ModelParameters, body: Body): number {
  const dried = body.evaporatedKg / (global.dryingShare * body.spec.massKg);
  if (dried <= 0) return global.wetShare;
  return global.wetShare * Math.max(global.driedShare / global.wetShare, 1 - Math.pow(dried, global.dryingPower));
}

/** Fills `into` with what a piece meets in a pit, wrapped as it is. No allocation. */
export function pitBoundary(
  into: Boundary,
  global: ModelParameters,
  climate: PitClimate,
  wrap: Wrap,
  airC: number,
  wetShare: number,
): void {
  into.airC = airC;
  into.filmWPerM2K = global.filmWPerM2K * climate.film;
  into.radiationFactor = global.radiationFactor * climate.radiation;
  into.airVapourPa = global.pitVapourPa * climate.vapour;
  into.wetShare = wetShare;
  into.condensingShare = wrap === 'none' ? 1 : 0;
  into.drySkin = (wrap === 'none' || wrap === 'paper') && wetShare < 0.5 * global.wetShare;
  if (wrap === 'paper') into.wetShare *= global.paperWetFactor;
  if (wrap === 'foil') {
    into.wetShare *= global.foilWetFactor;
    into.radiationFactor *= global.foilRadiationFactor;
  }
  if (wrap === 'pan') {
    into.wetShare = 0;
    into.radiationFactor *= global.panRadiationFactor;
    into.filmWPerM2K *= global.panFilmFactor;
  }
}

/** Film and radiation together off the pit: bare on a board, or under a tent, towel or wrap. */
const BOARD_FILM_W_PER_M2K = 8;
const COVERED_FILM_W_PER_M2K = 4;
const ROOM_VAPOUR_PA = 1200;

/** Fills `into` with what a piece meets at rest in still air. */
export function restBoundary(into: Boundary, airC: number, covered: boolean, wetShare: number): void {
  into.airC = airC;
  into.filmWPerM2K = covered ? COVERED_FILM_W_PER_M2K : BOARD_FILM_W_PER_M2K;
  into.radiationFactor = 0;
  into.airVapourPa = ROOM_VAPOUR_PA;
  into.wetShare = covered ? 0 : wetShare;
  into.condensingShare = 0;
  into.drySkin = !covered;
}

export const emptyBoundary = (): Boundary => ({
  airC: 0,
  filmWPerM2K: 0,
  radiationFactor: 0,
  wetShare: 0,
  airVapourPa: 0,
  condensingShare: 0,
  drySkin: false,
});
