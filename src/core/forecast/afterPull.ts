import type { PitClimate } from '../model';
import { advanceBody, coreC, forkBody, type Body } from '../thermal';
import { drynessOf, emptyBoundary, pitBoundary, restBoundary, wetShareAt } from './boundary';
import type { ModelParameters } from './parameters';
import type { CookSetup } from './setup';

/** A core at rest is followed no longer than this. */
const PEAK_WITHIN_MIN = 240;

/** Highest core a piece reaches if it were pulled now: finished hot where the method says so, then left on the board. */
export function peakAfterPull(body: Body, setup: CookSetup, global: ModelParameters, climate: PitClimate): number {
  const resting = forkBody(body);
  const boundary = emptyBoundary();
  let peakC = coreC(resting);
  finishHot(resting, setup, global, climate);
  const wetShare = bareWetShare(setup, global, resting);
  for (let minute = 0; minute < PEAK_WITHIN_MIN; minute++) {
    restBoundary(boundary, global, 'board', setup.roomC, 'none', wetShare, resting.surfaceC);
    advanceBody(resting, boundary, 60);
    if (coreC(resting) < peakC) break;
    peakC = coreC(resting);
  }
  return peakC;
}

/** How much of a bare surface evaporates now. */
export const bareWetShare = (setup: CookSetup, global: ModelParameters, body: Body): number =>
  setup.surfaceWetFactor * wetShareAt(global, drynessOf(global, body));

/** Sears or glazes a body for the method's minutes: a change of boundary, nothing else. */
function finishHot(body: Body, setup: CookSetup, global: ModelParameters, climate: PitClimate): void {
  if (!setup.hotFinish) return;
  const boundary = emptyBoundary();
  for (let second = 0; second < setup.hotFinish.minutes * 60; second += 15) {
    const dryness = drynessOf(global, body);
    pitBoundary(boundary, global, climate, 'none', setup.hotFinish.pitC, dryness, setup.surfaceWetFactor * wetShareAt(global, dryness));
    advanceBody(body, boundary, 15);
  }
}
