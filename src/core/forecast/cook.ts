import { crossingBetween } from '../numerics';
import { advanceBody, advanceConversion, coreC, createBody, meanC, setHeatShare, softeningRatePerS, type Body } from '../thermal';
import { bareWetShare, peakAfterPull } from './afterPull';
import { drippedShare, drynessOf, emptyBoundary, heatShareLeft, pitBoundary, wetShareAt } from './boundary';
import { BARK_SET, barkRatePerH, dampShare, startSmoke, takeSmoke, type SmokeTaken } from './bark';
import type { ModelParameters, ParameterSet } from './parameters';
import type { PitClimate, Wrap } from '../model';
import { openingShareLeft, pitClimate, setPointC } from './pit';
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
  /** The body as it is pulled, ready to rest and hold; what it is wrapped in, and how wet its bare surface is. */
  body: Body;
  wrap: Wrap;
  wetShare: number;
}

export interface CookOptions {
  stepMin?: number;
  cells?: number;
  longestMin?: number;
  /** Follow the thin end of a tapered piece as well. */
  bothEnds?: boolean;
}

const DEFAULTS = Object.freeze({ stepMin: 1, cells: 20, longestMin: 40 * 60, bothEnds: false });

/** A spray keeps the surface wet for about this long. */
const SPRAY_WET_MIN = 8;

let scratchRows: [Float64Array, Float64Array, Float64Array, Float64Array] | undefined;

/** Rows to write a cook into before it is known how long it gets; the next cook writes over them. */
function scratch(length: number): [Float64Array, Float64Array, Float64Array, Float64Array] {
  if (!scratchRows || scratchRows[0].length < length)
    scratchRows = [new Float64Array(length), new Float64Array(length), new Float64Array(length), new Float64Array(length)];
  return scratchRows;
}

/** A cook under way: everything that changes while it cooks. */
interface CookState {
  setup: CookSetup;
  global: ModelParameters;
  body: Body;
  thin?: Body;
  boundary: ReturnType<typeof emptyBoundary>;
  climate: PitClimate;
  stepMin: number;
  minute: number;
  wrap: CookSetup['wrap'];
  wrapAtMin?: number;
  unwrapped: boolean;
  openedAtMin: number;
  sprayedAtMin: number;
  /** Core before this step and after it, and the hottest it has been. */
  beforeC: number;
  nowC: number;
  hottestCoreC: number;
  thinHottestC: number;
  /** Air at the piece. */
  airC: number;
  converted: number;
  convertedBefore: number;
  thinConverted: number;
  thinDoneAtMin?: number;
  bark: number;
  barkSetAtMin?: number;
  smoke: SmokeTaken;
  lastPeakC: number;
  lastPeakMin: number;
}

/** How it ended: when, at which core, and its peak for a cook judged by that. */
interface Finish {
  doneAtMin: number;
  doneCoreC: number;
  peakCoreC?: number;
}

function startCook(setup: CookSetup, global: ModelParameters, { stepMin, cells, bothEnds }: Required<CookOptions>): CookState {
  const { startC } = setup.body;
  return {
    setup,
    global,
    body: createBody(setup.body, setup.altitudeM, cells),
    thin: bothEnds && setup.thinEnd ? createBody(setup.thinEnd, setup.altitudeM, cells) : undefined,
    boundary: emptyBoundary(),
    climate: pitClimate(setup.pitKind, setup.climate),
    stepMin,
    minute: 0,
    wrap: 'none',
    unwrapped: false,
    openedAtMin: 0,
    sprayedAtMin: -Infinity,
    beforeC: startC,
    nowC: startC,
    hottestCoreC: startC,
    thinHottestC: startC,
    airC: setPointC(setup.pit, 0) - setup.pit.openingDropC,
    converted: 0,
    convertedBefore: 0,
    thinConverted: 0,
    bark: 0,
    smoke: startSmoke(),
    lastPeakC: startC,
    lastPeakMin: 0,
  };
}

/** The lid is lifted for a spray on its rhythm; what any opening still costs is taken off the pit's air. */
function applyOpening(cook: CookState): void {
  const { setup, minute } = cook;
  const { spray, pit } = setup;
  if (spray && cook.wrap === 'none' && minute >= spray.fromMin && minute - cook.sprayedAtMin >= spray.everyMin) {
    cook.sprayedAtMin = minute;
    cook.openedAtMin = minute;
  }
  const sinceMin = minute - cook.openedAtMin;
  const lostC = sinceMin < 6 * pit.recoverMin ? pit.openingDropC * openingShareLeft(sinceMin, pit.recoverMin) : 0;
  cook.airC = setPointC(pit, minute) + setup.zoneOffsetC - lostC;
}

/** Heat goes in, water goes out: the wet surface is what stalls it, and what is lost need not be heated. */
function stepBody(cook: CookState): void {
  const { setup, global, body, boundary } = cook;
  const dryness = drynessOf(global, body);
  const sprayed = cook.minute - cook.sprayedAtMin < SPRAY_WET_MIN;
  const wet = setup.surfaceWetFactor * (sprayed ? global.wetShare : wetShareAt(global, dryness));
  pitBoundary(boundary, global, cook.climate, cook.wrap, cook.airC, dryness, wet);
  setHeatShare(body, heatShareLeft(global, body.evaporatedKg / setup.body.massKg + drippedShare(global, cook.hottestCoreC)));
  advanceBody(body, boundary, cook.stepMin * 60);
  cook.nowC = coreC(body);
}

/** Bark and smoke, while it is bare. */
function stepSurface(cook: CookState): void {
  if (cook.wrap !== 'none') return;
  const damp = dampShare(cook.body.evaporatedKg / cook.setup.body.massKg);
  cook.bark += (barkRatePerH(damp, cook.body.surfaceC) * cook.stepMin * 60) / 3600;
  if (cook.barkSetAtMin === undefined && cook.bark >= BARK_SET) cook.barkSetAtMin = cook.minute;
  takeSmoke(cook.smoke, cook.body, cook.setup, damp, cook.minute, cook.stepMin);
}

/** The thin end lives through the same pit; it only suffers. */
function stepThinEnd(cook: CookState): void {
  const { thin, setup, global, boundary, stepMin } = cook;
  if (!thin) return;
  const beforeC = coreC(thin);
  if (beforeC > cook.thinHottestC) cook.thinHottestC = beforeC;
  const dryness = drynessOf(global, thin);
  pitBoundary(boundary, global, cook.climate, cook.wrap, cook.airC, dryness, setup.surfaceWetFactor * wetShareAt(global, dryness));
  setHeatShare(thin, heatShareLeft(global, thin.evaporatedKg / thin.spec.massKg + drippedShare(global, cook.thinHottestC)));
  advanceBody(thin, boundary, stepMin * 60);
  const rate = softeningRatePerS((beforeC + coreC(thin)) / 2, setup.softeningH, global.activationJPerMol);
  cook.thinConverted = advanceConversion(cook.thinConverted, rate, stepMin * 60);
  if (cook.thinDoneAtMin === undefined && setup.done.by === 'tender' && cook.thinConverted >= setup.done.convertedShare)
    cook.thinDoneAtMin = cook.minute;
}

function stepTenderness(cook: CookState): void {
  const { setup, global, beforeC, nowC, stepMin } = cook;
  const rate = softeningRatePerS((beforeC + nowC) / 2, setup.softeningH, global.activationJPerMol);
  cook.converted = advanceConversion(cook.converted, rate, stepMin * 60);
}

/** By tenderness (coldest cell), by the probe, or by the peak it would reach after carry-over. */
function judgeDone(cook: CookState): Finish | undefined {
  const { setup, minute, stepMin, beforeC, nowC } = cook;
  const { done } = setup;
  const from = minute - stepMin;
  if (done.by === 'tender') {
    if (cook.converted < done.convertedShare) return undefined;
    return { doneAtMin: crossingBetween(from, cook.convertedBefore, minute, cook.converted, done.convertedShare), doneCoreC: nowC };
  }
  if (done.by === 'probe')
    return nowC < done.coreC ? undefined : { doneAtMin: crossingBetween(from, beforeC, minute, nowC, done.coreC), doneCoreC: done.coreC };
  // Left to itself the core gets no hotter than the piece is on the whole; a hot finish brings more heat.
  if (!setup.hotFinish && meanC(cook.body) < done.coreC) return undefined;
  const peakC = peakAfterPull(cook.body, setup, cook.global, cook.climate);
  const { lastPeakC, lastPeakMin } = cook;
  cook.lastPeakC = peakC;
  cook.lastPeakMin = minute;
  if (peakC < done.coreC) return undefined;
  const share = lastPeakMin === 0 ? 1 : (done.coreC - lastPeakC) / (peakC - lastPeakC);
  return { doneAtMin: minute - stepMin * (1 - share), doneCoreC: beforeC + share * (nowC - beforeC), peakCoreC: peakC };
}

/** Wraps by core, clock or bark, on its own where it lags, and unwraps by the clock. Each opens the pit. */
function applyWrap(cook: CookState): void {
  const { setup, minute } = cook;
  if (cook.wrapAtMin === undefined && setup.wrap !== 'none' && wrapIsDue(setup, minute, cook.nowC, cook.bark)) {
    cook.wrap = setup.wrap;
    cook.wrapAtMin = minute;
    cook.openedAtMin = minute;
    if (setup.finishKind) cook.climate = pitClimate(setup.finishKind);
  }
  if (setup.rescue && cook.wrap !== setup.rescue.wrap && minute >= setup.rescue.afterMin) {
    cook.wrap = setup.rescue.wrap;
    cook.wrapAtMin ??= minute;
    cook.openedAtMin = minute;
  }
  if (cook.wrap !== 'none' && !cook.unwrapped && setup.unwrapAfterMin !== undefined && minute >= setup.unwrapAfterMin) {
    cook.wrap = 'none';
    cook.unwrapped = true;
    cook.openedAtMin = minute;
  }
}

/** One step of a cook, phase by phase; how it ended, once it has. */
function stepCook(cook: CookState, minute: number): Finish | undefined {
  cook.minute = minute;
  cook.beforeC = coreC(cook.body);
  cook.convertedBefore = cook.converted;
  if (cook.beforeC > cook.hottestCoreC) cook.hottestCoreC = cook.beforeC;
  applyOpening(cook);
  stepBody(cook);
  stepSurface(cook);
  stepThinEnd(cook);
  stepTenderness(cook);
  const finish = judgeDone(cook);
  if (!finish) applyWrap(cook);
  return finish;
}

/** What is told of a cook when it is over. */
function cookedBy(cook: CookState, status: Cook['status'], finish: Finish, trace: Trace): Cook {
  const { setup, global, body, thin } = cook;
  return {
    status,
    wrapAtMin: cook.wrapAtMin,
    ...finish,
    barkSetAtMin: cook.barkSetAtMin,
    bark: cook.bark,
    smoke: cook.smoke,
    convertedShare: cook.converted,
    evaporatedShare: body.evaporatedKg / setup.body.massKg,
    drippedShare: drippedShare(global, Math.max(cook.hottestCoreC, coreC(body))),
    thinEnd: thin && { coreC: coreC(thin), doneAtMin: cook.thinDoneAtMin, convertedShare: cook.thinConverted },
    trace,
    body,
    wrap: cook.wrap,
    wetShare: bareWetShare(setup, global, body),
  };
}

/**
 * Runs one cook from going on to being pulled (equations in docs/model.md): pit programme with its
 * openings (loading, wrap, unwrap, sprays), drying surface, wrap by core, clock or bark, rescue
 * wrap, and the finish by tenderness, by the probe, or by the peak after carry-over. The thick end decides.
 */
export function runCook(setup: CookSetup, parameters: ParameterSet, options: CookOptions = {}): Cook {
  const full = { ...DEFAULTS, ...options };
  const { stepMin, longestMin } = full;
  const cook = startCook(setup, parameters.global, full);
  const longest = Math.ceil(longestMin / stepMin);
  const [core, surface, pit, spare] = scratch(longest + 1);
  const thinCore = cook.thin ? spare : undefined;
  const write = (step: number) => {
    core[step] = step === 0 ? setup.body.startC : cook.nowC;
    surface[step] = step === 0 ? setup.body.startC : cook.body.surfaceC;
    pit[step] = cook.airC;
    if (thinCore) thinCore[step] = step === 0 ? setup.body.startC : coreC(cook.thin!);
  };
  const traceTo = (count: number): Trace => ({
    stepMin,
    coreC: core.slice(0, count),
    surfaceC: surface.slice(0, count),
    pitC: pit.slice(0, count),
    thinCoreC: thinCore?.slice(0, count),
  });
  write(0);
  for (let step = 1; step <= longest; step++) {
    const finish = stepCook(cook, step * stepMin);
    write(step);
    if (finish) return cookedBy(cook, 'done', finish, traceTo(step + 1));
  }
  return cookedBy(cook, 'never', { doneAtMin: longestMin, doneCoreC: coreC(cook.body) }, traceTo(longest + 1));
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
