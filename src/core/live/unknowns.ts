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
  softeningLog: 0.2,
  startC: 1.3,
  /** The air where the piece lies against where the pit's probe hangs. */
  zoneC: 4.5,
});

/** Sample `index` of the unknowns, `share` times as wide as a stranger's. */
export function drawUnknowns(
  setup: CookSetup,
  parameters: ParameterSet,
  seed: number,
  index: number,
  share: number,
): { setup: CookSetup; parameters: ParameterSet } {
  const random = seededRandom(seed * 104_729 + index + 1);
  const off = (sd: number) => share * sd * random.normal();
  const times = (sdLog: number) => Math.exp(off(sdLog));
  const { global } = parameters;
  return {
    parameters: {
      ...parameters,
      global: {
        ...global,
        filmWPerM2K: global.filmWPerM2K * times(UNKNOWN.filmLog),
        radiationFactor: global.radiationFactor * times(UNKNOWN.radiationLog),
        wetShare: global.wetShare * times(UNKNOWN.moistureLog),
        dryingShare: global.dryingShare * times(UNKNOWN.dryingLog),
        crustResistance: global.crustResistance * times(UNKNOWN.crustLog),
      },
    },
    setup: {
      ...setup,
      softeningH: setup.softeningH * times(UNKNOWN.softeningLog),
      zoneOffsetC: setup.zoneOffsetC + off(UNKNOWN.zoneC),
      body: {
        ...setup.body,
        halfThicknessM: setup.body.halfThicknessM * times(UNKNOWN.thicknessLog),
        conductivityWPerMK: setup.body.conductivityWPerMK * times(UNKNOWN.conductivityLog),
        startC: setup.body.startC + off(UNKNOWN.startC),
      },
    },
  };
}
