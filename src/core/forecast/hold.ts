import { advanceBody, advanceConversion, coreC, forkBody, softeningRatePerS } from '../thermal';
import type { Wrap } from '../model';
import { emptyBoundary, openedWetShare, restBoundary } from './boundary';
import type { Cook } from './cook';
import type { ParameterSet } from './parameters';

/** Where meat waits between the pit and the knife. */
export type HoldingPlace = { kind: 'tent' } | { kind: 'box'; lossWPerK: number } | { kind: 'warmer'; airC: number };

/** What waits: vent and rest, then a holding place. */
export interface HoldPlan {
  ventMin: number;
  restMin: number;
  /** Roasts and birds rest bare on the board, which their carry-over is reckoned by; the rest under a tent. */
  restBare: boolean;
  place: HoldingPlace;
  roomC: number;
  longestMin: number;
}

/** What waits, as it comes off the pit, and how many there are like it. */
export interface Waiting {
  cook: Pick<Cook, 'body' | 'convertedShare' | 'wrap' | 'wetShare'>;
  pieces: number;
  softeningH: number;
}

/** One piece's way through the hold; index = minutes since pulling. */
export interface HoldCurve {
  coreC: Float64Array;
  surfaceC: Float64Array;
  convertedShare: Float64Array;
}

/** Heat capacity of a box's air and inner wall, J/K. */
const BOX_NODE_J_PER_K = 4000;
/** The box is warmed with hot water before the meat goes in. */
export const BOX_START_C = 60;
/** Past this conversion tender meat turns to mush. */
export const MUSH_SHARE = 0.985;

/**
 * Vents, rests and holds everything that shares one holding place, pulled together. Venting opens the wrap: a
 * surface that is wet and near boiling loses its first heat fast. A box's air is one node heated by every piece in
 * it and losing UA (Tbox - Troom): the fuller, the slower it cools. Collagen goes on turning while the meat is warm.
 */
export function holdTogether(waiting: Waiting[], parameters: ParameterSet, plan: HoldPlan): HoldCurve[] {
  const { global } = parameters;
  const boundary = emptyBoundary();
  const bodies = waiting.map((each) => forkBody(each.cook.body));
  const curves = waiting.map((each, i): HoldCurve => {
    const curve = {
      coreC: new Float64Array(plan.longestMin + 1),
      surfaceC: new Float64Array(plan.longestMin + 1),
      convertedShare: new Float64Array(plan.longestMin + 1),
    };
    curve.coreC[0] = coreC(bodies[i]!);
    curve.surfaceC[0] = bodies[i]!.surfaceC;
    curve.convertedShare[0] = each.cook.convertedShare;
    return curve;
  });
  let boxC = BOX_START_C;
  for (let minute = 1; minute <= plan.longestMin; minute++) {
    const venting = minute <= plan.ventMin;
    const resting = minute <= plan.ventMin + plan.restMin;
    const bare = venting || (plan.restBare && resting);
    let [filmsWPerK, drivenW] = [0, 0];
    waiting.forEach(({ cook, pieces, softeningH }, i) => {
      const body = bodies[i]!;
      const wrap: Wrap = bare ? 'none' : cook.wrap;
      const wet = bare ? openedWetShare(global, cook.wrap, cook.wetShare) : cook.wetShare;
      if (resting || plan.place.kind === 'tent')
        restBoundary(boundary, global, bare ? 'board' : 'tent', plan.roomC, wrap, wet, body.surfaceC);
      else {
        const airC = plan.place.kind === 'box' ? boxC : plan.place.airC;
        restBoundary(boundary, global, 'enclosed', airC, wrap, wet, body.surfaceC);
        const filmWPerK = pieces * body.areaM2 * boundary.filmWPerM2K;
        filmsWPerK += filmWPerK;
        drivenW += filmWPerK * body.surfaceC;
      }
      const beforeC = coreC(body);
      advanceBody(body, boundary, 60);
      const curve = curves[i]!;
      curve.coreC[minute] = coreC(body);
      curve.surfaceC[minute] = body.surfaceC;
      curve.convertedShare[minute] = advanceConversion(
        curve.convertedShare[minute - 1]!,
        softeningRatePerS((beforeC + coreC(body)) / 2, softeningH, global.activationJPerMol),
        60,
      );
    });
    if (!resting && plan.place.kind === 'box') boxC = boxAfterMinute(boxC, filmsWPerK, drivenW, plan.place.lossWPerK, plan.roomC);
  }
  return curves;
}

/** A box's air a minute on: heated through `filmsWPerK` by what lies in it (`drivenW` = sum of film times surface), losing to the room. */
export function boxAfterMinute(boxC: number, filmsWPerK: number, drivenW: number, lossWPerK: number, roomC: number): number {
  const wholeWPerK = filmsWPerK + lossWPerK;
  const settleC = (drivenW + lossWPerK * roomC) / wholeWPerK;
  return settleC + (boxC - settleC) * Math.exp((-wholeWPerK * 60) / BOX_NODE_J_PER_K);
}

/** Minutes from pulling until the core first falls below `floorC`; undefined when it never does in the time looked at. */
export function minutesAbove(cores: ArrayLike<number>, floorC: number): number | undefined {
  // Carry-over may lift a core that is pulled below the floor, so the search starts at the peak.
  let peak = 0;
  for (let i = 1; i < cores.length; i++) if (cores[i]! > cores[peak]!) peak = i;
  for (let i = peak; i < cores.length; i++) if (cores[i]! < floorC) return i;
  return undefined;
}

/** Minutes from pulling until the meat has been kept warm too long; undefined when it never is. */
export function minutesToMush(curve: HoldCurve): number | undefined {
  const at = curve.convertedShare.findIndex((share) => share >= MUSH_SHARE);
  return at < 0 ? undefined : at;
}
