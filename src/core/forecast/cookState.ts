import { BARK_AT, FIRM_MIN, type PitClimate } from '../model';
import { crossingBetween } from '../numerics';
import { advanceBody, advanceConversion, coreC, createBody, forkBody, meanC, setHeatShare, softeningRatePerS, type Body } from '../thermal';
import { peakAfterPull } from './afterPull';
import { barkRatePerH, dampShare, startSmoke, takeSmoke, type SmokeTaken } from './bark';
import { drippedShare, drynessOf, emptyBoundary, heatShareLeft, pitBoundary, wetShareAt } from './boundary';
import type { ModelParameters } from './parameters';
import { openingShareLeft, pitClimate, setPointC } from './pit';
import type { CookSetup } from './setup';

/** A spray keeps the surface wet for about this long. */
const SPRAY_WET_MIN = 8;

/** A cook under way: everything that changes while it cooks. */
export interface CookState {
  setup: CookSetup;
  global: ModelParameters;
  body: Body;
  thin?: Body;
  boundary: ReturnType<typeof emptyBoundary>;
  climate: PitClimate;
  stepMin: number;
  /** Time the model lives through in a step, s: the clock's over the pace. */
  stepS: number;
  minute: number;
  wrap: CookSetup['wrap'];
  wrapAtMin?: number;
  unwrapped: boolean;
  unwrapAtMin?: number;
  openedAtMin: number;
  sprayedAtMin: number;
  /** How many of its turns it has had. */
  turned: number;
  /** Core before this step and after it, and the hottest it has been. */
  beforeC: number;
  nowC: number;
  hottestCoreC: number;
  thinHottestC: number;
  /** Air at the piece. */
  airC: number;
  /** The pit as it was measured at a minute, in place of what the programme says; openings are in it. */
  measuredC?: (minute: number) => number | undefined;
  /** Hands wrap it: it waits for `wrapNow`, whatever the rule says. What is opened again by the clock still is. */
  byHand: boolean;
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
export interface Finish {
  doneAtMin: number;
  doneCoreC: number;
  peakCoreC?: number;
}

/** A cook that has just gone on. */
export function startCook(
  setup: CookSetup,
  global: ModelParameters,
  { stepMin, cells, bothEnds }: { stepMin: number; cells: number; bothEnds: boolean },
): CookState {
  const { startC } = setup.body;
  return {
    setup,
    global,
    body: createBody(setup.body, setup.altitudeM, cells),
    thin: bothEnds && setup.thinEnd ? createBody(setup.thinEnd, setup.altitudeM, cells) : undefined,
    boundary: emptyBoundary(),
    climate: pitClimate(setup.pitKind, setup.climate),
    stepMin,
    stepS: (stepMin * 60) / setup.pace,
    minute: 0,
    wrap: 'none',
    unwrapped: false,
    openedAtMin: 0,
    sprayedAtMin: -Infinity,
    turned: 0,
    beforeC: startC,
    nowC: startC,
    hottestCoreC: startC,
    thinHottestC: startC,
    airC: setPointC(setup.pit, 0) - loadingOf(setup.pit).dropC,
    byHand: false,
    converted: 0,
    convertedBefore: 0,
    thinConverted: 0,
    bark: 0,
    smoke: startSmoke(),
    lastPeakC: startC,
    lastPeakMin: 0,
  };
}

/** What going on costs the pit: as said, or as any opening does. */
const loadingOf = (pit: CookSetup['pit']): { dropC: number; recoverMin: number } =>
  pit.loading ?? { dropC: pit.openingDropC, recoverMin: pit.recoverMin };

/** The lid is lifted for a spray or a turn on its rhythm; what any opening still costs is taken off the pit's air. */
function applyOpening(cook: CookState): void {
  const { setup, minute } = cook;
  const { spray, pit } = setup;
  if (spray && cook.wrap === 'none' && minute >= spray.fromMin && minute - cook.sprayedAtMin >= spray.everyMin) {
    cook.sprayedAtMin = minute;
    cook.openedAtMin = minute;
  }
  const turnAtMin = setup.turnsAtMin?.[cook.turned];
  if (turnAtMin !== undefined && minute >= turnAtMin) {
    cook.turned++;
    cook.openedAtMin = minute;
  }
  const measuredC = cook.measuredC?.(minute);
  if (measuredC !== undefined) {
    cook.airC = measuredC + setup.zoneOffsetC;
    return;
  }
  const sinceMin = minute - cook.openedAtMin;
  const { dropC, recoverMin } = cook.openedAtMin === 0 ? loadingOf(pit) : { dropC: pit.openingDropC, recoverMin: pit.recoverMin };
  const lostC = sinceMin < 6 * recoverMin ? dropC * openingShareLeft(sinceMin, recoverMin) : 0;
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
  advanceBody(body, boundary, cook.stepS);
  cook.nowC = coreC(body);
}

/** Bark and smoke, while it is bare. */
function stepSurface(cook: CookState): void {
  if (cook.wrap !== 'none') return;
  const damp = dampShare(cook.body.evaporatedKg / cook.setup.body.massKg);
  cook.bark += (barkRatePerH(damp, cook.body.surfaceC) * cook.stepS) / 3600;
  if (cook.barkSetAtMin === undefined && cook.bark >= BARK_AT.usual) cook.barkSetAtMin = cook.minute;
  takeSmoke(cook.smoke, cook.body, cook.setup, damp, cook.minute, cook.stepMin);
}

/** The thin end lives through the same pit; it only suffers. */
function stepThinEnd(cook: CookState): void {
  const { thin, setup, global, boundary, stepS } = cook;
  if (!thin) return;
  const beforeC = coreC(thin);
  if (beforeC > cook.thinHottestC) cook.thinHottestC = beforeC;
  const dryness = drynessOf(global, thin);
  pitBoundary(boundary, global, cook.climate, cook.wrap, cook.airC, dryness, setup.surfaceWetFactor * wetShareAt(global, dryness));
  setHeatShare(thin, heatShareLeft(global, thin.evaporatedKg / thin.spec.massKg + drippedShare(global, cook.thinHottestC)));
  advanceBody(thin, boundary, stepS);
  const rate = softeningRatePerS((beforeC + coreC(thin)) / 2, setup.softeningH, global.activationJPerMol);
  cook.thinConverted = advanceConversion(cook.thinConverted, rate, stepS);
  if (cook.thinDoneAtMin === undefined && setup.done.by === 'tender' && cook.thinConverted >= setup.done.convertedShare)
    cook.thinDoneAtMin = cook.minute;
}

function stepTenderness(cook: CookState): void {
  const { setup, global, beforeC, nowC, stepS } = cook;
  const rate = softeningRatePerS((beforeC + nowC) / 2, setup.softeningH, global.activationJPerMol);
  cook.converted = advanceConversion(cook.converted, rate, stepS);
}

/** By tenderness (coldest cell), by the probe, or by the peak it would reach after carry-over. */
function judgeDone(cook: CookState): Finish | undefined {
  const { setup, minute, stepMin, beforeC, nowC } = cook;
  const { done } = setup;
  const from = minute - stepMin;
  if (done.by === 'tender') {
    if (cook.converted < done.convertedShare) return undefined;
    if (setup.unwrapAfterMin !== undefined && cook.wrapAtMin !== undefined) {
      // Tender in its foil already: it is opened now, glazed and firmed up all the same.
      if (!cook.unwrapped) openAgain(cook);
      const firmAtMin = cook.unwrapAtMin! + FIRM_MIN;
      if (minute < firmAtMin) return undefined;
      if (from < firmAtMin && cook.convertedBefore >= done.convertedShare) return { doneAtMin: firmAtMin, doneCoreC: nowC };
    }
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
  if (!cook.byHand && wantsWrap(cook)) wrapNow(cook, setup.wrap);
  if (!cook.byHand && setup.rescue && cook.wrap !== setup.rescue.wrap && minute >= setup.rescue.afterMin) {
    cook.wrap = setup.rescue.wrap;
    cook.wrapAtMin ??= minute;
    cook.openedAtMin = minute;
  }
  if (cook.wrap !== 'none' && !cook.unwrapped && setup.unwrapAfterMin !== undefined && minute >= setup.unwrapAfterMin) openAgain(cook);
}

/** The wrap comes off for good. */
export function openAgain(cook: CookState): void {
  cook.wrap = 'none';
  cook.unwrapped = true;
  cook.unwrapAtMin = cook.minute;
  cook.openedAtMin = cook.minute;
}

/** Wraps it where it stands. */
export function wrapNow(cook: CookState, wrap: CookSetup['wrap']): void {
  cook.wrap = wrap;
  cook.wrapAtMin ??= cook.minute;
  cook.openedAtMin = cook.minute;
  if (cook.setup.finishKind) cook.climate = pitClimate(cook.setup.finishKind);
}

/** A copy that can be run ahead without touching the original. */
export const forkCook = (cook: CookState): CookState => ({
  ...cook,
  body: forkBody(cook.body),
  thin: cook.thin && forkBody(cook.thin),
  boundary: { ...cook.boundary },
  smoke: { ...cook.smoke },
});

/** One step of a cook, phase by phase; how it ended, once it has. */
export function stepCook(cook: CookState, minute: number): Finish | undefined {
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

/** Whether its rule says to wrap it, and nobody has yet. */
export const wantsWrap = (cook: CookState): boolean =>
  cook.wrapAtMin === undefined && cook.setup.wrap !== 'none' && wrapIsDue(cook.setup, cook.minute, cook.nowC, cook.bark);

/** By core, by the clock, by the bark: the first to happen, or all of them. */
function wrapIsDue({ wrapWhen }: CookSetup, minute: number, nowC: number, bark: number): boolean {
  const { coreC: atCoreC, afterMin, bark: atBark, colour = 'usual', all } = wrapWhen;
  const isDark = bark >= BARK_AT[colour];
  if (all) return (atCoreC === undefined || nowC >= atCoreC) && (afterMin === undefined || minute >= afterMin) && (!atBark || isDark);
  return (atCoreC !== undefined && nowC >= atCoreC) || (afterMin !== undefined && minute >= afterMin) || (atBark === true && isDark);
}
