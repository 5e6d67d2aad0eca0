import { crossingBetween } from '../numerics';
import { advanceBody, advanceConversion, coreC, createBody, forkBody, softeningRatePerS, type Body } from '../thermal';
import { emptyBoundary, pitBoundary, restBoundary, wetShareLeft } from './boundary';
import type { ParameterSet } from './parameters';
import { openingShareLeft, pitClimate, setPointC } from './pit';
import type { CookSetup } from './setup';

export interface Trace {
  /** Minutes between samples; sample i is at i * stepMin from going on. */
  stepMin: number;
  coreC: Float64Array;
  surfaceC: Float64Array;
  pitC: Float64Array;
}

export interface Cook {
  /** `never`: not done within the longest cook allowed. */
  status: 'done' | 'never';
  /** Minutes from going on; undefined when it was never wrapped. */
  wrapAtMin?: number;
  doneAtMin: number;
  doneCoreC: number;
  /** Highest core after pulling, for a cook judged by its peak. */
  peakCoreC?: number;
  evaporatedKg: number;
  trace: Trace;
  /** The body as it is pulled, ready to rest and hold. */
  body: Body;
}

export interface CookOptions {
  stepMin?: number;
  cells?: number;
  longestMin?: number;
}

const DEFAULTS = Object.freeze({ stepMin: 1, cells: 20, longestMin: 40 * 60 });

/** Highest core a piece reaches if it were pulled now and left on the board. */
function peakAfterPull(body: Body, global: ParameterSet['global'], roomC: number): number {
  const resting = forkBody(body);
  const boundary = emptyBoundary();
  let peakC = coreC(resting);
  for (let minute = 0; minute < 120; minute++) {
    restBoundary(boundary, roomC, false, wetShareLeft(global, resting));
    advanceBody(resting, boundary, 60);
    if (coreC(resting) < peakC) break;
    peakC = coreC(resting);
  }
  return peakC;
}

/** Cores further than this below the target cannot reach it by carry-over alone. */
const CARRY_OVER_REACH_C = 14;

/**
 * Runs one cook from going on to being pulled (equations in docs/model.md): pit programme with the
 * opening at loading and at the wrap, drying surface, wrap, and the finish by tenderness (coldest
 * cell), by the probe, or by the peak after carry-over.
 */
export function runCook(setup: CookSetup, parameters: ParameterSet, options: CookOptions = {}): Cook {
  const { stepMin, cells, longestMin } = { ...DEFAULTS, ...options };
  const { global } = parameters;
  let climate = pitClimate(setup.pitKind);
  const body = createBody(setup.body, setup.altitudeM, cells);
  const boundary = emptyBoundary();
  const longest = Math.ceil(longestMin / stepMin);
  const core = new Float64Array(longest + 1);
  const surface = new Float64Array(longest + 1);
  const pit = new Float64Array(longest + 1);
  core[0] = setup.body.startC;
  surface[0] = setup.body.startC;
  pit[0] = setPointC(setup.pit, 0) - setup.pit.openingDropC;

  const dtS = stepMin * 60;
  let wrap: CookSetup['wrap'] = 'none';
  let wrapAtMin: number | undefined;
  let openedAtMin = 0;
  let converted = 0;
  let lastPeakC = setup.body.startC;
  let lastPeakMin = 0;
  let count = 1;

  const finish = (status: Cook['status'], doneAtMin: number, doneCoreC: number, peakCoreC?: number): Cook => ({
    status,
    wrapAtMin,
    doneAtMin,
    doneCoreC,
    peakCoreC,
    evaporatedKg: body.evaporatedKg,
    trace: { stepMin, coreC: core.slice(0, count), surfaceC: surface.slice(0, count), pitC: pit.slice(0, count) },
    body,
  });

  for (let step = 1; step <= longest; step++) {
    const minute = step * stepMin;
    const beforeC = coreC(body);
    const convertedBefore = converted;
    const sinceOpenMin = minute - openedAtMin;
    const lostC =
      sinceOpenMin < 6 * setup.pit.recoverMin ? setup.pit.openingDropC * openingShareLeft(sinceOpenMin, setup.pit.recoverMin) : 0;
    const airC = setPointC(setup.pit, minute) - lostC;
    pitBoundary(boundary, global, climate, wrap, airC, wetShareLeft(global, body));
    advanceBody(body, boundary, dtS);
    const nowC = coreC(body);
    core[step] = nowC;
    surface[step] = body.surfaceC;
    pit[step] = airC;
    count = step + 1;

    const { done } = setup;
    if (done.by === 'tender') {
      converted = advanceConversion(converted, softeningRatePerS((beforeC + nowC) / 2, setup.softeningH, global.activationJPerMol), dtS);
      if (converted >= done.convertedShare) {
        const doneAtMin = crossingBetween(minute - stepMin, convertedBefore, minute, converted, done.convertedShare);
        return finish('done', doneAtMin, nowC);
      }
    } else if (done.by === 'probe') {
      if (nowC >= done.coreC) return finish('done', crossingBetween(minute - stepMin, beforeC, minute, nowC, done.coreC), done.coreC);
    } else if (nowC >= done.coreC - CARRY_OVER_REACH_C) {
      const peakC = peakAfterPull(body, global, setup.roomC);
      if (peakC >= done.coreC) {
        const share = lastPeakMin === 0 ? 1 : (done.coreC - lastPeakC) / (peakC - lastPeakC);
        return finish('done', minute - stepMin * (1 - share), beforeC + share * (nowC - beforeC), peakC);
      }
      lastPeakC = peakC;
      lastPeakMin = minute;
    }

    if (wrapAtMin === undefined && setup.wrap !== 'none' && wrapIsDue(setup, minute, nowC)) {
      wrap = setup.wrap;
      wrapAtMin = minute;
      openedAtMin = minute;
      if (setup.finishKind) climate = pitClimate(setup.finishKind);
    }
    if (wrap !== 'none' && setup.unwrapAfterMin !== undefined && minute >= setup.unwrapAfterMin) {
      wrap = 'none';
      openedAtMin = minute;
    }
  }
  return finish('never', longestMin, coreC(body));
}

function wrapIsDue(setup: CookSetup, minute: number, nowC: number): boolean {
  const { coreC: atCoreC, afterMin } = setup.wrapWhen;
  return (atCoreC !== undefined && nowC >= atCoreC) || (afterMin !== undefined && minute >= afterMin);
}
