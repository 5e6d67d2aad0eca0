import type { Wrap } from '../model';
import type { Body, Boundary } from '../thermal';
import type { ModelParameters } from './parameters';
import type { PitClimate } from '../model';

/** Juice and fat run out between these core temperatures. */
const DRIP_FROM_C = 50;
const DRIP_TO_C = 96;

/** Share of the mass that has run out of a piece whose core has been at `peakCoreC`: a smooth step. */
export function drippedShare(global: ModelParameters, peakCoreC: number): number {
  const x = (peakCoreC - DRIP_FROM_C) / (DRIP_TO_C - DRIP_FROM_C);
  if (x <= 0) return 0;
  return x >= 1 ? global.dripShare : global.dripShare * x * x * (3 - 2 * x);
}

/**
 * The share of the surface that still evaporates: phi0 (1 - (lost / w)^p), at least phiMin, where
 * `lost` is the share of the mass that has evaporated or run out: juice that drips no longer wets.
 */
export function wetShareLeft(global: ModelParameters, body: Body, dripped: number): number {
  const dried = (body.evaporatedKg / body.spec.massKg + dripped) / global.dryingShare;
  if (dried <= 0) return global.wetShare;
  return Math.max(global.driedShare, global.wetShare * (1 - Math.pow(dried, global.dryingPower)));
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
    into.wetShare *= global.panWetFactor;
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
