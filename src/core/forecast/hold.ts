import { advanceBody, coreC, forkBody, type Body } from '../thermal';
import { emptyBoundary, restBoundary, wetShareLeft, drippedShare } from './boundary';
import type { ParameterSet } from './parameters';

/** What waits between the pit and the knife. */
export interface HoldPlan {
  ventMin: number;
  restMin: number;
  /** Roasts and birds rest bare on the board, which their carry-over is reckoned by; the rest under a tent. */
  restBare: boolean;
  /** Insulated box after the rest; without one the piece stays under its tent. */
  box?: { lossWPerK: number };
  /** Like pieces that share the box. */
  pieces: number;
  roomC: number;
  longestMin: number;
}

/** Heat capacity of a box's air and inner wall, J/K. */
const BOX_NODE_J_PER_K = 4000;
/** The box is warmed with hot water before the meat goes in. */
const BOX_START_C = 60;
const BOX_FILM_W_PER_M2K = 4;

/**
 * The core of a piece each minute from being pulled: vented bare, rested under a tent, then in a
 * box whose air is one node heated by every piece in it and losing UA (Tbox - Troom).
 *
 * @returns core temperatures, C; index = minutes since pulling.
 */
export function coolFromPull(pulled: Body, parameters: ParameterSet, plan: HoldPlan): Float64Array {
  const body = forkBody(pulled);
  const boundary = emptyBoundary();
  const cores = new Float64Array(plan.longestMin + 1);
  cores[0] = coreC(body);
  let boxC = BOX_START_C;
  for (let minute = 1; minute <= plan.longestMin; minute++) {
    const bare = minute <= plan.ventMin || (plan.restBare && minute <= plan.ventMin + plan.restMin);
    if (bare) restBoundary(boundary, plan.roomC, false, wetShareLeft(parameters.global, body, drippedShare(parameters.global, coreC(body))));
    else if (minute <= plan.ventMin + plan.restMin || !plan.box) restBoundary(boundary, plan.roomC, true, 0);
    else {
      const gainWPerK = plan.pieces * body.areaM2 * BOX_FILM_W_PER_M2K;
      const totalWPerK = gainWPerK + plan.box.lossWPerK;
      const settleC = (gainWPerK * body.surfaceC + plan.box.lossWPerK * plan.roomC) / totalWPerK;
      boxC = settleC + (boxC - settleC) * Math.exp((-totalWPerK * 60) / BOX_NODE_J_PER_K);
      restBoundary(boundary, boxC, true, 0);
    }
    advanceBody(body, boundary, 60);
    cores[minute] = coreC(body);
  }
  return cores;
}

/** Minutes from pulling until the core first falls below `floorC`; undefined when it never does in the time looked at. */
export function minutesAbove(cores: Float64Array, floorC: number): number | undefined {
  // Carry-over may lift a core that is pulled below the floor, so the search starts at the peak.
  let peak = 0;
  for (let i = 1; i < cores.length; i++) if (cores[i]! > cores[peak]!) peak = i;
  for (let i = peak; i < cores.length; i++) if (cores[i]! < floorC) return i;
  return undefined;
}
