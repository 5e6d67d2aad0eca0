import { crossingBetween } from '../numerics';
import { advanceBody, coreC, forkBody } from '../thermal';
import { emptyBoundary, openedWetShare, restBoundary } from './boundary';
import type { Cook } from './cook';
import { boxAfterMinute, BOX_START_C } from './hold';
import type { ModelParameters } from './parameters';

/** How one piece rests: on a board, under a tent, opened to vent, in a warm box of its own, in a warmer. */
export type RestHow = { kind: 'board' | 'tent' | 'vent' | 'box' } | { kind: 'warmer'; airC: number };

/** One piece's way down: cores by the minute from pulling, with the highest and when. */
export interface Rest {
  coreC: Float64Array;
  peakC: number;
  peakMin: number;
  /** Minutes until the core has fallen to what was asked; undefined when it does not in the time looked at. */
  reachedMin?: number;
}

/** Rests a piece that was just pulled until its core has fallen to `toC`, or for so long. */
export function restOf(cook: Cook, how: RestHow, roomC: number, toC: number, longestMin: number, global: ModelParameters): Rest {
  const body = forkBody(cook.body);
  const boundary = emptyBoundary();
  const cores = new Float64Array(longestMin + 1);
  cores[0] = coreC(body);
  let [peakC, peakMin, boxC] = [cores[0], 0, BOX_START_C];
  const wrap = how.kind === 'vent' ? 'none' : cook.wrap;
  const wetShare = how.kind === 'vent' ? openedWetShare(global, cook.wrap, cook.wetShare) : cook.wetShare;
  const place = how.kind === 'tent' ? 'tent' : how.kind === 'box' || how.kind === 'warmer' ? 'enclosed' : 'board';
  for (let minute = 1; minute <= longestMin; minute++) {
    const airC = how.kind === 'box' ? boxC : how.kind === 'warmer' ? how.airC : roomC;
    restBoundary(boundary, global, place, airC, wrap, wetShare, body.surfaceC);
    if (how.kind === 'box') {
      const filmWPerK = body.areaM2 * boundary.filmWPerM2K;
      boxC = boxAfterMinute(boxC, filmWPerK, filmWPerK * body.surfaceC, global.boxLossWPerK, roomC);
    }
    advanceBody(body, boundary, 60);
    cores[minute] = coreC(body);
    if (cores[minute]! > peakC) [peakC, peakMin] = [cores[minute]!, minute];
    if (cores[minute]! > toC) continue;
    const reachedMin = crossingBetween(minute - 1, cores[minute - 1]!, minute, cores[minute]!, toC);
    return { coreC: cores.subarray(0, minute + 1), peakC, peakMin, reachedMin };
  }
  return { coreC: cores, peakC, peakMin };
}
