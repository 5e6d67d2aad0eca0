import type { DayWeather, Pit } from '../model';
import { runCook } from './cook';
import type { ParameterSet } from './parameters';
import type { PitProgramme } from './pit';
import type { CookSetup } from './setup';
import { coldShare, heatLossShare } from './weather';

/**
 * How far and how long a lifted lid lets a pit drop. What the owner says of a pit is of its usual heat on a mild day:
 * the drop grows with how much hotter the pit is than the air, the way back with what the fire has to make up for, wind
 * counted. Cold meat going on adds to it: a full pit drops twice as far and comes back half as fast.
 */
export function openingsOf(
  pit: Pick<Pit, 'openingDropC' | 'recoverMin'> & { racks: readonly { maxKg: number }[] },
  pitC: number,
  weather: DayWeather,
  loadKg: number,
): Pick<PitProgramme, 'openingDropC' | 'recoverMin' | 'loading'> {
  const openingDropC = pit.openingDropC * coldShare(pitC, weather);
  const recoverMin = pit.recoverMin * heatLossShare(pitC, weather);
  const fullShare = fullShareOf(pit, loadKg);
  return { openingDropC, recoverMin, loading: { dropC: openingDropC * (1 + fullShare), recoverMin: recoverMin * (1 + fullShare) } };
}

/** Loads are told apart in so many steps up to full: a batch in parts asks for no forecast of its own each time. */
const LOAD_STEPS = 5;

/** How full of cold meat a pit is, 0 to 1, by what its racks bear. */
export function fullShareOf(pit: { racks: readonly { maxKg: number }[] }, loadKg: number): number {
  const bearsKg = pit.racks.reduce((sum, rack) => sum + rack.maxKg, 0);
  return bearsKg > 0 ? Math.round(LOAD_STEPS * Math.min(1, loadKg / bearsKg)) / LOAD_STEPS : 0;
}

const QUICK = Object.freeze({ stepMin: 4, cells: 10 });

/** The same cook with its pieces turned so many times, evenly spread over the time they are bare. */
export function withTurns(setup: CookSetup, parameters: ParameterSet, turns = 0): CookSetup {
  if (turns === 0) return setup;
  const { wrapAtMin, doneAtMin } = runCook(setup, parameters, QUICK);
  const bareMin = wrapAtMin ?? doneAtMin;
  return { ...setup, turnsAtMin: Array.from({ length: turns }, (_, i) => Math.round((bareMin * (i + 1)) / (turns + 1))) };
}
