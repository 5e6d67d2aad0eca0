import type { CookSetup, ParameterSet } from '../forecast';
import { seededRandom } from '../numerics';

/**
 * What is not known of one piece in one pit, as log-sds (and C) for a stranger's kitchen: each on its own, because each
 * shows in another part of the curve. Film and radiation set the early climb, moisture the stall, thickness and
 * conductivity the lag, softening only the very end. Together they spread a finish as the predictive law does.
 */
const UNKNOWN = Object.freeze({
  filmLog: 0.32,
  radiationLog: 0.26,
  moistureLog: 0.26,
  dryingLog: 0.2,
  crustLog: 0.4,
  thicknessLog: 0.09,
  conductivityLog: 0.07,
  softeningLog: 0.28,
  /** How tight it is wrapped: the air left under paper or foil, and what escapes. */
  wrapLog: 0.5,
  startC: 1.3,
  /** The air where the piece lies against where the pit's probe hangs. */
  zoneC: 4.5,
});

/**
 * How much of each (in variance) all pieces of one pit and day have in common: air and fire are theirs together, so that
 * a probe in one piece tells something of those beside it. What grew on the animal is its own.
 */
const IN_COMMON: Readonly<Record<keyof typeof UNKNOWN, number>> = Object.freeze({
  filmLog: 0.7,
  radiationLog: 0.7,
  moistureLog: 0.5,
  dryingLog: 0.5,
  crustLog: 0.5,
  thicknessLog: 0,
  conductivityLog: 0.2,
  softeningLog: 0.3,
  wrapLog: 0.5,
  startC: 0.5,
  zoneC: 0.5,
});

/** Sample `index` of the unknowns, `share` times as wide as a stranger's; pieces with the same `pitSeed` are on one pit. */
export function drawUnknowns(
  setup: CookSetup,
  parameters: ParameterSet,
  { seed, pitSeed, index, share }: { seed: number; pitSeed: number; index: number; share: number },
): { setup: CookSetup; parameters: ParameterSet } {
  const own = seededRandom(seed * 104_729 + index + 1);
  const shared = seededRandom(pitSeed * 15_485_863 + index + 1);
  const off = (what: keyof typeof UNKNOWN) =>
    share * UNKNOWN[what] * (Math.sqrt(IN_COMMON[what]) * shared.normal() + Math.sqrt(1 - IN_COMMON[what]) * own.normal());
  const times = (what: keyof typeof UNKNOWN) => Math.exp(off(what));
  const { global } = parameters;
  const wrapped = times('wrapLog');
  return {
    parameters: {
      ...parameters,
      global: {
        ...global,
        filmWPerM2K: global.filmWPerM2K * times('filmLog'),
        radiationFactor: global.radiationFactor * times('radiationLog'),
        wetShare: global.wetShare * times('moistureLog'),
        dryingShare: global.dryingShare * times('dryingLog'),
        crustResistance: global.crustResistance * times('crustLog'),
        paperGapM2KPerW: global.paperGapM2KPerW * wrapped,
        foilGapM2KPerW: global.foilGapM2KPerW * wrapped,
        paperWetFactor: Math.min(1, global.paperWetFactor * wrapped),
        foilWetFactor: global.foilWetFactor * wrapped,
      },
    },
    setup: {
      ...setup,
      softeningH: setup.softeningH * times('softeningLog'),
      zoneOffsetC: setup.zoneOffsetC + off('zoneC'),
      body: {
        ...setup.body,
        halfThicknessM: setup.body.halfThicknessM * times('thicknessLog'),
        conductivityWPerMK: setup.body.conductivityWPerMK * times('conductivityLog'),
        startC: setup.body.startC + off('startC'),
      },
    },
  };
}
