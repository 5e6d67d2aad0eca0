import type { PitClimate, Wrap } from '../model';
import type { Body, Boundary } from '../thermal';
import type { ModelParameters } from './parameters';

/** Juice and fat run out between these core temperatures. */
const DRIP_FROM_C = 50;
const DRIP_TO_C = 96;

/** Share of the mass that has run out of a piece whose core has been at `peakCoreC`: a smooth step. */
export function drippedShare(global: ModelParameters, peakCoreC: number): number {
  const x = (peakCoreC - DRIP_FROM_C) / (DRIP_TO_C - DRIP_FROM_C);
  if (x <= 0) return 0;
  return x >= 1 ? global.dripShare : global.dripShare * x * x * (3 - 2 * x);
}

/** The least heat capacity a piece can keep, as a share of its raw one. */
const LEAST_HEAT_SHARE = 0.35;

/** Heat capacity left of a piece that has lost so much of its mass: water carries more heat than the rest. */
export const heatShareLeft = (global: ModelParameters, lostShare: number): number =>
  Math.max(LEAST_HEAT_SHARE, 1 - global.lostHeatRatio * lostShare);

/**
 * How dry the outside is, 0 fresh to 1: (evaporated / w)^p, where `evaporated` is a share of the raw mass. What
 * drips comes from deeper in and keeps the surface neither wet nor dry.
 */
export function drynessOf(global: ModelParameters, body: Body): number {
  const dried = body.evaporatedKg / body.spec.massKg / global.dryingShare;
  if (dried <= 0) return 0;
  return dried >= 1 ? 1 : Math.pow(dried, global.dryingPower);
}

/** The share of the surface that still evaporates: phi0 (1 - dryness), at least phiMin. */
export const wetShareAt = (global: ModelParameters, dryness: number): number =>
  Math.max(global.driedShare, global.wetShare * (1 - dryness));

/** A surface drier than this may pass the boiling point. */
const DRY_SKIN = 0.5;

/**
 * Fills `into` with what a piece meets in a pit, wrapped as it is. No allocation. The wet front recedes as the
 * outside dries: a crust of resistance R in series with the air lets 1 / (1 + R dryness) of the heat through.
 */
export function pitBoundary(
  into: Boundary,
  global: ModelParameters,
  climate: PitClimate,
  wrap: Wrap,
  airC: number,
  dryness: number,
  wetShare: number,
): void {
  const through = 1 / (1 + global.crustResistance * dryness);
  into.airC = airC;
  into.vapourFilmWPerM2K = global.filmWPerM2K * climate.film;
  into.filmWPerM2K = into.vapourFilmWPerM2K * through;
  into.radiationFactor = global.radiationFactor * climate.radiation * through;
  into.airVapourPa = global.pitVapourPa * climate.vapour;
  into.wetShare = wetShare;
  into.condensingShare = wrap === 'none' ? 1 : 0;
  into.drySkin = (wrap === 'none' || wrap === 'paper') && dryness > DRY_SKIN;
  if (wrap === 'paper') into.wetShare *= global.paperWetFactor;
  if (wrap === 'foil') {
    into.wetShare *= global.foilWetFactor;
    into.radiationFactor *= global.foilRadiationFactor;
  }
  if (wrap === 'pan') {
    into.wetShare *= global.panWetFactor;
    into.radiationFactor *= global.panRadiationFactor;
    into.filmWPerM2K *= global.panFilmFactor;
    into.vapourFilmWPerM2K *= global.panFilmFactor;
  }
}

const ROOM_VAPOUR_PA = 1200;
/** Emissivity times view of meat or its wrap in a room. */
const ROOM_RADIATION = 0.9;
const STEFAN_BOLTZMANN = 5.670374e-8;
const KELVIN = 273.15;

/** An opened wrap lets a surface steam that is about half as wet as a fresh one: a thin end loses 5 to 8 C in 15 min. */
const OPENED_WET = 0.5;

/** How wet a piece is that is taken out of its wrap: of what it had bare, or of being steamed in it, the wetter. */
export const openedWetShare = (global: ModelParameters, wrap: Wrap, bareWetShare: number): number =>
  wrap === 'none' ? bareWetShare : Math.max(bareWetShare, OPENED_WET * global.wetShare);

/** Where meat waits: open on a board, under a tent or towel, or shut in a box or a warmer. */
export type RestPlace = 'board' | 'tent' | 'enclosed';

/**
 * Fills `into` with what a piece meets at rest: still air and radiation to the room, through the air gap of its
 * wrap, in series: U = 1 / (1 / (h + 4 eps sigma T^3) + gap). A bare surface goes on evaporating as wet as it is,
 * paper breathes, foil and a shut box do not. `surfaceC` is where the radiation is linearised.
 */
export function restBoundary(
  into: Boundary,
  global: ModelParameters,
  place: RestPlace,
  airC: number,
  wrap: Wrap,
  wetShare: number,
  surfaceC: number,
): void {
  const tented = place === 'tent' ? global.tentShare : 1;
  const middleK = (surfaceC + airC) / 2 + KELVIN;
  const film =
    place === 'enclosed'
      ? global.boxFilmWPerM2K
      : tented * (global.boardFilmWPerM2K + ROOM_RADIATION * 4 * STEFAN_BOLTZMANN * middleK * middleK * middleK);
  // Nothing goes bare into a box: it lies in foil or towels.
  const gap = wrap === 'paper' ? global.paperGapM2KPerW : wrap === 'none' && place !== 'enclosed' ? 0 : global.foilGapM2KPerW;
  const breathes = place === 'enclosed' ? 0 : place === 'tent' ? global.tentWetFactor : 1;
  into.airC = airC;
  into.filmWPerM2K = 1 / (1 / film + gap);
  into.vapourFilmWPerM2K = tented * global.boardFilmWPerM2K;
  into.radiationFactor = 0;
  into.airVapourPa = ROOM_VAPOUR_PA;
  into.wetShare = breathes * (wrap === 'none' ? global.restWetFactor * wetShare : wrap === 'paper' ? global.paperRestWetShare : 0);
  into.condensingShare = 0;
  into.drySkin = true;
}

export const emptyBoundary = (): Boundary => ({
  airC: 0,
  filmWPerM2K: 0,
  vapourFilmWPerM2K: 0,
  radiationFactor: 0,
  wetShare: 0,
  airVapourPa: 0,
  condensingShare: 0,
  drySkin: false,
});
