import { crossingBetween } from '../numerics';
import { advanceBody, advanceConversion, coreC, createBody, forkBody, softeningRatePerS, type Body } from '../thermal';
import { drippedShare, emptyBoundary, pitBoundary, restBoundary, wetShareLeft } from './boundary';
import { BARK_SET, barkRatePerH, startSmoke, takeSmoke, type SmokeTaken } from './bark';
import type { ModelParameters, ParameterSet } from './parameters';
import { openingShareLeft, pitClimate, setPointC, type PitClimate } from './pit';
import type { CookSetup } from './setup';

export interface Trace {
  /** Minutes between samples; sample i is at i * stepMin from going on. */
  stepMin: number;
  coreC: Float64Array;
  surfaceC: Float64Array;
  pitC: Float64Array;
  /** Core of the thin end of a tapered piece. */
  thinCoreC?: Float64Array;
}

/** What the thin end of a tapered piece has been through when the thick end is done. */
export interface ThinEnd {
  coreC: number;
  /** When it was tender itself, minutes from going on; undefined while it is not (or is a roast). */
  doneAtMin?: number;
  convertedShare: number;
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
  /** When the bark was set (bark 1), minutes from going on; undefined when it never was. */
  barkSetAtMin?: number;
  /** Bark when pulled: 1 is set, less is pale or soft, much more is hard. */
  bark: number;
  smoke: SmokeTaken;
  convertedShare: number;
  evaporatedShare: number;
  drippedShare: number;
  thinEnd?: ThinEnd;
  trace: Trace;
  /** The body as it is pulled, ready to rest and hold. */
  body: Body;
}

export interface CookOptions {
  stepMin?: number;
  cells?: number;
  longestMin?: number;
  /** Follow the thin end of a tapered piece as well. */
  bothEnds?: boolean;
}

const DEFAULTS = Object.freeze({ stepMin: 1, cells: 20, longestMin: 40 * 60, bothEnds: false });

/** Cores further than this below the target cannot reach it by carry-over alone. */
const CARRY_OVER_REACH_C = 14;
/** A spray keeps the surface wet for about this long. */
const SPRAY_WET_MIN = 8;

/** Highest core a piece reaches if it were pulled now: finished hot where the method says so, then left on the board. */
function peakAfterPull(body: Body, setup: CookSetup, global: ModelParameters, climate: PitClimate): number {
  const resting = forkBody(body);
  const boundary = emptyBoundary();
  let peakC = coreC(resting);
  finishHot(resting, setup, global, climate);
  for (let minute = 0; minute < 120; minute++) {
    restBoundary(boundary, setup.roomC, false, setup.surfaceWetFactor * wetShareLeft(global, resting, drippedShare(global, peakC)));
    advanceBody(resting, boundary, 60);
    if (coreC(resting) < peakC) break;
    peakC = coreC(resting);
  }
  return peakC;
}

let scratchRows: [Float64Array, Float64Array, Float64Array, Float64Array] | undefined;

/** Rows to write a cook into before it is known how long it gets; the next cook writes over them. */
function scratch(length: number): [Float64Array, Float64Array, Float64Array, Float64Array] {
  if (!scratchRows || scratchRows[0].length < length)
    scratchRows = [new Float64Array(length), new Float64Array(length), new Float64Array(length), new Float64Array(length)];
  return scratchRows;
}

/** Sears or glazes a body for the method's minutes: a change of boundary, nothing else. */
export function finishHot(body: Body, setup: CookSetup, global: ModelParameters, climate: PitClimate): void {
  if (!setup.hotFinish) return;
  const boundary = emptyBoundary();
  for (let second = 0; second < setup.hotFinish.minutes * 60; second += 15) {
    pitBoundary(
      boundary,
      global,
      climate,
      'none',
      setup.hotFinish.pitC,
      setup.surfaceWetFactor * wetShareLeft(global, body, drippedShare(global, coreC(body))),
    );
    advanceBody(body, boundary, 15);
  }
}

/**
 * Runs one cook from going on to being pulled (equations in docs/model.md): pit programme with its
 * openings (loading, wrap, unwrap, sprays), drying surface, wrap by core, clock or bark, rescue
 * wrap, and the finish by tenderness (coldest cell), by the probe, or by the peak after carry-over.
 * The thick end decides; the thin end only suffers.
 */
export function runCook(setup: CookSetup, parameters: ParameterSet, options: CookOptions = {}): Cook {
  const { stepMin, cells, longestMin, bothEnds } = { ...DEFAULTS, ...options };
  const { global } = parameters;
  let climate = pitClimate(setup.pitKind, setup.climate);
  const body = createBody(setup.body, setup.altitudeM, cells);
  const thin = bothEnds && setup.thinEnd ? createBody(setup.thinEnd, setup.altitudeM, cells) : undefined;
  const boundary = emptyBoundary();
  const longest = Math.ceil(longestMin / stepMin);
  const [core, surface, pit, spare] = scratch(longest + 1);
  const thinCore = thin ? spare : undefined;
  core[0] = setup.body.startC;
  surface[0] = setup.body.startC;
  pit[0] = setPointC(setup.pit, 0) - setup.pit.openingDropC;
  if (thinCore) thinCore[0] = setup.body.startC;

  const dtS = stepMin * 60;
  const smoke = startSmoke();
  let wrap: CookSetup['wrap'] = 'none';
  let wrapAtMin: number | undefined;
  let unwrapped = false;
  let openedAtMin = 0;
  let sprayedAtMin = -Infinity;
  let converted = 0;
  let thinConverted = 0;
  let thinDoneAtMin: number | undefined;
  let bark = 0;
  let barkSetAtMin: number | undefined;
  let lastPeakC = setup.body.startC;
  let lastPeakMin = 0;
  let hottestCoreC = setup.body.startC;
  let thinHottestC = setup.body.startC;
  let count = 1;

  const finish = (status: Cook['status'], doneAtMin: number, doneCoreC: number, peakCoreC?: number): Cook => ({
    status,
    wrapAtMin,
    doneAtMin,
    doneCoreC,
    peakCoreC,
    barkSetAtMin,
    bark,
    smoke,
    convertedShare: converted,
    evaporatedShare: body.evaporatedKg / setup.body.massKg,
    drippedShare: drippedShare(global, Math.max(hottestCoreC, coreC(body))),
    thinEnd: thin && { coreC: coreC(thin), doneAtMin: thinDoneAtMin, convertedShare: thinConverted },
    trace: {
      stepMin,
      coreC: core.slice(0, count),
      surfaceC: surface.slice(0, count),
      pitC: pit.slice(0, count),
      thinCoreC: thinCore?.slice(0, count),
    },
    body,
  });

  for (let step = 1; step <= longest; step++) {
    const minute = step * stepMin;
    const beforeC = coreC(body);
    const convertedBefore = converted;
    if (beforeC > hottestCoreC) hottestCoreC = beforeC;

    const { spray } = setup;
    if (spray && wrap === 'none' && minute >= spray.fromMin && minute - sprayedAtMin >= spray.everyMin) {
      sprayedAtMin = minute;
      openedAtMin = minute;
    }
    const sinceOpenMin = minute - openedAtMin;
    const lostC =
      sinceOpenMin < 6 * setup.pit.recoverMin ? setup.pit.openingDropC * openingShareLeft(sinceOpenMin, setup.pit.recoverMin) : 0;
    const airC = setPointC(setup.pit, minute) + setup.zoneOffsetC - lostC;
    const left = wetShareLeft(global, body, drippedShare(global, hottestCoreC));
    const wet = setup.surfaceWetFactor * (minute - sprayedAtMin < SPRAY_WET_MIN ? global.wetShare : left);
    pitBoundary(boundary, global, climate, wrap, airC, wet);
    advanceBody(body, boundary, dtS);
    const nowC = coreC(body);
    core[step] = nowC;
    surface[step] = body.surfaceC;
    pit[step] = airC;
    count = step + 1;

    if (wrap === 'none') {
      bark += (barkRatePerH(left / global.wetShare, body.surfaceC) * dtS) / 3600;
      if (barkSetAtMin === undefined && bark >= BARK_SET) barkSetAtMin = minute;
      takeSmoke(smoke, body, setup, left / global.wetShare, minute, stepMin);
    }
    if (thin) {
      const thinBeforeC = coreC(thin);
      if (thinBeforeC > thinHottestC) thinHottestC = thinBeforeC;
      pitBoundary(
        boundary,
        global,
        climate,
        wrap,
        airC,
        setup.surfaceWetFactor * wetShareLeft(global, thin, drippedShare(global, thinHottestC)),
      );
      advanceBody(thin, boundary, dtS);
      thinCore![step] = coreC(thin);
      thinConverted = advanceConversion(
        thinConverted,
        softeningRatePerS((thinBeforeC + coreC(thin)) / 2, setup.softeningH, global.activationJPerMol),
        dtS,
      );
      if (thinDoneAtMin === undefined && setup.done.by === 'tender' && thinConverted >= setup.done.convertedShare) thinDoneAtMin = minute;
    }

    const { done } = setup;
    converted = advanceConversion(converted, softeningRatePerS((beforeC + nowC) / 2, setup.softeningH, global.activationJPerMol), dtS);
    if (done.by === 'tender') {
      if (converted >= done.convertedShare)
        return finish('done', crossingBetween(minute - stepMin, convertedBefore, minute, converted, done.convertedShare), nowC);
    } else if (done.by === 'probe') {
      if (nowC >= done.coreC) return finish('done', crossingBetween(minute - stepMin, beforeC, minute, nowC, done.coreC), done.coreC);
    } else if (nowC >= done.coreC - CARRY_OVER_REACH_C) {
      const peakC = peakAfterPull(body, setup, global, climate);
      if (peakC >= done.coreC) {
        const share = lastPeakMin === 0 ? 1 : (done.coreC - lastPeakC) / (peakC - lastPeakC);
        return finish('done', minute - stepMin * (1 - share), beforeC + share * (nowC - beforeC), peakC);
      }
      lastPeakC = peakC;
      lastPeakMin = minute;
    }

    if (wrapAtMin === undefined && setup.wrap !== 'none' && wrapIsDue(setup, minute, nowC, bark)) {
      wrap = setup.wrap;
      wrapAtMin = minute;
      openedAtMin = minute;
      if (setup.finishKind) climate = pitClimate(setup.finishKind);
    }
    if (setup.rescue && wrap !== setup.rescue.wrap && minute >= setup.rescue.afterMin) {
      wrap = setup.rescue.wrap;
      wrapAtMin ??= minute;
      openedAtMin = minute;
    }
    if (wrap !== 'none' && !unwrapped && setup.unwrapAfterMin !== undefined && minute >= setup.unwrapAfterMin) {
      wrap = 'none';
      unwrapped = true;
      openedAtMin = minute;
    }
  }
  return finish('never', longestMin, coreC(body));
}

/** By core, by the clock, by the bark: the first to happen, or all of them. */
function wrapIsDue({ wrapWhen }: CookSetup, minute: number, nowC: number, bark: number): boolean {
  const { coreC: atCoreC, afterMin, bark: atBark, all } = wrapWhen;
  if (all)
    return (atCoreC === undefined || nowC >= atCoreC) && (afterMin === undefined || minute >= afterMin) && (!atBark || bark >= BARK_SET);
  return (
    (atCoreC !== undefined && nowC >= atCoreC) || (afterMin !== undefined && minute >= afterMin) || (atBark === true && bark >= BARK_SET)
  );
}
