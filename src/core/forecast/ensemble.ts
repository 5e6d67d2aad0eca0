import { quantileSorted, seededRandom } from '../numerics';
import { advanceBody, coreC, forkBody } from '../thermal';
import { emptyBoundary, restBoundary } from './boundary';
import { runCook, type Cook } from './cook';
import type { ModelParameters, ParameterSet } from './parameters';
import type { CookSetup } from './setup';
import { findStall, type Stall } from './stall';

/**
 * How like cooks differ, as standard deviations (docs/model.md). `pit` is shared by everything on
 * one pit that day; the rest is each piece's own. The paces are log-sds of all rates at once and
 * are chosen so that times spread by the parameter set's `timeLogSd`, of which 0.08 is shared.
 */
const SPREAD = Object.freeze({
  pit: { biasC: 2.5, paceLog: 0.075 },
  piece: { thicknessLog: 0.03, wetShareLog: 0.08, vapourLog: 0.1, softeningLog: 0.08, startC: 1.2, paceLog: 0.137 },
});

export interface EnsembleOptions {
  /** Same seed, same forecast, to the digit. */
  seed: number;
  /** Pieces on one pit share this seed's draws. */
  pitSeed: number;
  samples: number;
  /** Extra wander of the pit beside its bias (wind, cold), C. */
  wanderC?: number;
  /** Coarser steps and cells for a quick look at the spread. */
  stepMin?: number;
  cells?: number;
}

/**
 * The grid where many cooks are run: coarser in time for a long one, whose finish it moves by 0.2 %; what is done in
 * an hour or two keeps its minute, or it would come out up to 2 % late.
 */
export const manyCooksGrid = ({ done }: CookSetup): { stepMin: number; cells: number } => ({
  stepMin: done.by === 'tender' ? 2 : 1,
  cells: 14,
});

/** What one sample says; times in minutes from going on. */
export interface SampleOutcome {
  doneAtMin: number;
  wrapAtMin?: number;
  stallMin: number;
  barkSetAtMin?: number;
  sliceableAtMin?: number;
  doneCoreC: number;
  lossShare: number;
  /** Core every `BAND_STEP_MIN` minutes. */
  coreC: Float32Array;
}

export const BAND_STEP_MIN = 6;
/** Slicing begins when the core has fallen to this. */
export const SLICE_BELOW_C = 66;
const SLICE_WITHIN_MIN = 360;

/** The setup and parameters of sample `index`: every perturbation, none of the chance left. */
function perturbed(setup: CookSetup, parameters: ParameterSet, index: number, options: EnsembleOptions): [CookSetup, ParameterSet] {
  const pit = seededRandom(options.pitSeed * 7919 + index);
  const own = seededRandom(options.seed * 104_729 + index + 1);
  const log = (sd: number, normal: number) => Math.exp(sd * normal);
  const biasC = Math.hypot(SPREAD.pit.biasC, options.wanderC ?? 0) * pit.normal();
  const pace = log(SPREAD.pit.paceLog, pit.normal()) * log(SPREAD.piece.paceLog, own.normal());
  const thickness = log(SPREAD.piece.thicknessLog, own.normal());
  const global = {
    ...parameters.global,
    filmWPerM2K: parameters.global.filmWPerM2K / pace,
    radiationFactor: parameters.global.radiationFactor / pace,
    wetShare: parameters.global.wetShare * log(SPREAD.piece.wetShareLog, own.normal()),
    pitVapourPa: parameters.global.pitVapourPa * log(SPREAD.piece.vapourLog, own.normal()),
  };
  const softeningH = setup.softeningH * pace * log(SPREAD.piece.softeningLog, own.normal());
  const warmerC = SPREAD.piece.startC * own.normal();
  const body = {
    ...setup.body,
    halfThicknessM: setup.body.halfThicknessM * thickness,
    conductivityWPerMK: setup.body.conductivityWPerMK / pace,
    startC: setup.body.startC + warmerC,
  };
  return [
    { ...setup, body, softeningH, zoneOffsetC: setup.zoneOffsetC + biasC },
    { ...parameters, global },
  ];
}

/** Runs samples `from` up to `to` (not included). Each depends on its index alone, so chunks may run anywhere in any order. */
export function runSamples(
  setup: CookSetup,
  parameters: ParameterSet,
  options: EnsembleOptions,
  from: number,
  to: number,
): SampleOutcome[] {
  const outcomes: SampleOutcome[] = [];
  for (let index = from; index < to; index++) {
    const [own, ownParameters] = perturbed(setup, parameters, index, options);
    outcomes.push(
      outcomeOf(
        runCook(own, ownParameters, {
          ...manyCooksGrid(own),
          ...(options.stepMin && { stepMin: options.stepMin }),
          ...(options.cells && { cells: options.cells }),
        }),
        own.roomC,
        ownParameters.global,
      ),
    );
  }
  return outcomes;
}

function outcomeOf(cook: Cook, roomC: number, global: ModelParameters): SampleOutcome {
  const stall = findStall(cook.trace);
  const every = Math.max(1, Math.round(BAND_STEP_MIN / cook.trace.stepMin));
  const after = minutesToSlicing(cook, roomC, global);
  return {
    doneAtMin: cook.status === 'done' ? cook.doneAtMin : Infinity,
    wrapAtMin: cook.wrapAtMin,
    stallMin: stall ? stall.toMin - stall.fromMin : 0,
    barkSetAtMin: cook.barkSetAtMin,
    sliceableAtMin: after === undefined ? undefined : cook.doneAtMin + after,
    doneCoreC: cook.doneCoreC,
    lossShare: cook.evaporatedShare + cook.drippedShare,
    coreC: Float32Array.from({ length: Math.ceil(cook.trace.coreC.length / every) }, (_, i) => cook.trace.coreC[i * every]!),
  };
}

/** Minutes under a tent until the core has fallen to the slicing band; 0 for a roast that never rose above it. */
function minutesToSlicing(cook: Cook, roomC: number, global: ModelParameters): number | undefined {
  if (cook.status === 'never') return undefined;
  const body = forkBody(cook.body);
  const boundary = emptyBoundary();
  if (coreC(body) <= SLICE_BELOW_C) return 0;
  for (let minute = 3; minute <= SLICE_WITHIN_MIN; minute += 3) {
    restBoundary(boundary, global, 'tent', roomC, cook.wrap, cook.wetShare, body.surfaceC);
    advanceBody(body, boundary, 180);
    if (coreC(body) <= SLICE_BELOW_C) return minute;
  }
  return undefined;
}

export interface Quantiles {
  p10: number;
  p50: number;
  p90: number;
}

/** A forecast with honest ranges. Times in minutes from going on; a missing quantile never happens in most samples. */
export interface CookForecast {
  /** The cook with nothing perturbed. */
  median: Cook;
  stall?: Stall;
  done: Quantiles;
  wrap?: Quantiles;
  stallLength: Quantiles;
  barkSet?: Quantiles;
  sliceable?: Quantiles;
  doneCore: Quantiles;
  loss: Quantiles;
  band: { stepMin: number; p10C: number[]; p90C: number[] };
  /** Every sample's time to done, ascending; Infinity for one that never is. */
  doneSortedMin: number[];
}

const quantilesOf = (sorted: ArrayLike<number>): Quantiles => ({
  p10: quantileSorted(sorted, 0.1),
  p50: quantileSorted(sorted, 0.5),
  p90: quantileSorted(sorted, 0.9),
});

function mostly(values: (number | undefined)[]): Quantiles | undefined {
  const known = values.filter((value): value is number => value !== undefined).sort((a, b) => a - b);
  return known.length * 2 > values.length ? quantilesOf(known) : undefined;
}

/** Puts samples together with the unperturbed cook. */
export function summarise(median: Cook, samples: SampleOutcome[]): CookForecast {
  const doneSortedMin = samples.map((sample) => sample.doneAtMin).sort((a, b) => a - b);
  const sorted = (pick: (sample: SampleOutcome) => number) => Float64Array.from(samples, pick).sort();
  const done = quantilesOf(doneSortedMin);
  const lastMin = Number.isFinite(done.p90) ? done.p90 : median.doneAtMin;
  const p10C: number[] = [];
  const p90C: number[] = [];
  for (let step = 0; step * BAND_STEP_MIN <= lastMin; step++) {
    const cores = Float64Array.from(samples, (sample) => sample.coreC[Math.min(step, sample.coreC.length - 1)]!).sort();
    p10C.push(quantileSorted(cores, 0.1));
    p90C.push(quantileSorted(cores, 0.9));
  }
  return {
    median,
    stall: findStall(median.trace),
    done,
    wrap: mostly(samples.map((sample) => sample.wrapAtMin)),
    stallLength: quantilesOf(sorted((sample) => sample.stallMin)),
    barkSet: mostly(samples.map((sample) => sample.barkSetAtMin)),
    sliceable: mostly(samples.map((sample) => sample.sliceableAtMin)),
    doneCore: quantilesOf(sorted((sample) => sample.doneCoreC)),
    loss: quantilesOf(sorted((sample) => sample.lossShare)),
    band: { stepMin: BAND_STEP_MIN, p10C, p90C },
    doneSortedMin,
  };
}

/** The forecast of one piece: the unperturbed cook and a seeded ensemble around it. */
export function forecastCook(setup: CookSetup, parameters: ParameterSet, options: EnsembleOptions): CookForecast {
  const median = runCook(setup, parameters, { bothEnds: true });
  return summarise(median, runSamples(setup, parameters, options, 0, options.samples));
}
