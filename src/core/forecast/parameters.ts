import stored from './parameters.json' with { type: 'json' };
import type { Species } from '../model';
import type { OwnerRecord } from './law';
import type { LearnedEffect } from './ownerEffects';

/**
 * The cook model's parameters: one set for every cut, and per cut two small corrections shrunk
 * toward 1. Kept in `parameters.json`, written by the fit, read here. Bounds and sources:
 * docs/model.md.
 */
export interface ModelParameters {
  conductivityWPerMK: number;
  heatCapacityJPerKgK: number;
  densityKgPerM3: number;
  /** Film coefficient in a quiet pit, W/(m2 K). */
  filmWPerM2K: number;
  /** Emissivity times view factor of a bare surface. */
  radiationFactor: number;
  /** Share of a fresh surface that evaporates freely (phi0) and the least a dried one keeps. */
  wetShare: number;
  driedShare: number;
  /** A bird's skin lets less through: its wet share against bare muscle. */
  skinWetFactor: number;
  /** The surface is dry when this share of the mass has evaporated (w), by a curve of power p. */
  dryingShare: number;
  dryingPower: number;
  /** Resistance of a dry crust against that of the air over it. */
  crustResistance: number;
  /** Heat capacity lost with a share of the mass, as a multiple of that share. */
  lostHeatRatio: number;
  pitVapourPa: number;
  /** Fat and juice that run out of a fully cooked piece, as a share of its mass. */
  dripShare: number;
  /** Softening time of pork at 90 C, hours; beef and lamb as multiples of it. */
  softeningH: number;
  beefSoftening: number;
  lambSoftening: number;
  activationJPerMol: number;
  paperWetFactor: number;
  foilWetFactor: number;
  foilRadiationFactor: number;
  panRadiationFactor: number;
  /** What still escapes round a pan's cover, against a bare surface. */
  panWetFactor: number;
  /** A pan's wetted walls against a bare surface's film. */
  panFilmFactor: number;
  /** At rest: the film of still air, and the share of film and radiation a tent lets through. */
  boardFilmWPerM2K: number;
  tentShare: number;
  /** Inside a box or warmer, film and radiation together. */
  boxFilmWPerM2K: number;
  /** Air gaps under paper and foil. */
  paperGapM2KPerW: number;
  foilGapM2KPerW: number;
  /** A bare surface at rest sweats: its wet share against what it had in the pit. */
  restWetFactor: number;
  /** What still evaporates through paper on a board, as a share of a wet surface. */
  paperRestWetShare: number;
  /** What a tent leaves of evaporation. */
  tentWetFactor: number;
  /** Loss of a usual insulated box of 60 to 80 litres. */
  boxLossWPerK: number;
}

export interface CutCorrection {
  thicknessScale: number;
  collagenScale: number;
}

export interface ParameterSet {
  version: number;
  global: ModelParameters;
  cuts: Record<string, CutCorrection>;
  /** What the owner's finished cooks say of this set; a new owner has none. */
  record?: OwnerRecord;
  /** What they say of a pit or a method beyond the cuts, by its id. */
  pits?: Readonly<Record<string, LearnedEffect>>;
  methods?: Readonly<Record<string, LearnedEffect>>;
  /** How well the set met the log it was fitted to, and cuts it had not seen. */
  fit?: {
    cooks: number;
    logRmse: number;
    milestoneLogRmse?: number;
    globalLogRmse: number;
    unseenCutLogRmse: number;
    unseenCutMilestoneLogRmse?: number;
    worstFinalC: number;
  };
}

const NO_CORRECTION: CutCorrection = Object.freeze({ thicknessScale: 1, collagenScale: 1 });

export const SHIPPED_PARAMETERS: ParameterSet = Object.freeze(stored as ParameterSet);

/** A set as it is before any of an owner's cooks. */
export const unlearned = (parameters: ParameterSet): ParameterSet => ({
  ...parameters,
  record: undefined,
  pits: undefined,
  methods: undefined,
});

export const correctionFor = (parameters: ParameterSet, cutId: string): CutCorrection => parameters.cuts[cutId] ?? NO_CORRECTION;

/** Softening time at 90 C for a species, hours. Birds and dishes are never judged by it. */
export function softeningHours(global: ModelParameters, species: Species): number {
  if (species === 'beef') return global.softeningH * global.beefSoftening;
  if (species === 'lamb') return global.softeningH * global.lambSoftening;
  return global.softeningH;
}

/** Sets that were seen, by all they say: a set comes anew with every message to a worker. */
const numbers = new Map<string, number>();
const seen = new WeakMap<ParameterSet, number>();
const MOST_SETS = 50;
let lastNumber = 0;

/** A number for a set of parameters, the same for the same set: what was worked out by one is not another's. */
export function knownAs(parameters: ParameterSet): number {
  const known = seen.get(parameters);
  if (known !== undefined) return known;
  const text = JSON.stringify(parameters);
  if (numbers.size > MOST_SETS) numbers.clear();
  const number = numbers.get(text) ?? ++lastNumber;
  numbers.set(text, number);
  seen.set(parameters, number);
  return number;
}
