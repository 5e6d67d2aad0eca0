import { quantileSorted, seededRandom } from '../numerics';
import { advanceBody, coreC, forkBody } from '../thermal';
import { emptyBoundary, restBoundary } from './boundary';
import { runCook, type Cook } from './cook';
import { predictiveLaw, type PredictiveLaw } from './law';
import type { ModelParameters, ParameterSet } from './parameters';
import type { CookSetup } from './setup';
import { findStall, type Stall } from './stall';

/**
 * Ways in which like cooks differ, as standard deviations (docs/model.md): what makes one early and another late. How
 * often a cook is so early or so late is not theirs to say: the predictive law does (`byTheLaw`).
 */
const WAYS = Object.freeze({
  pitC: 2.5,
  paceLog: 0.17,
  thicknessLog: 0.03,
  wetShareLog: 0.08,
  vapourLog: 0.1,
  softeningLog: 0.08,
  startC: 1.2,
});

export interface EnsembleOptions {
  /** Same seed, same forecast, to the digit. */
  seed: number;
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
  /** Core every `everyMin` minutes. */
  everyMin: number;
  coreC: Float32Array;
}

export const BAND_STEP_MIN = 6;
/** Slicing begins when the core has fallen to this. */
export const SLICE_BELOW_C = 66;
const SLICE_WITHIN_MIN = 360;

/** The setup and parameters of sample `index`: every perturbation, none of the chance left. */
function perturbed(setup: CookSetup, parameters: ParameterSet, index: number, options: EnsembleOptions): [CookSetup, ParameterSet] {
  const random = seededRandom(options.seed * 104_729 + index + 1);
  const log = (sd: number) => Math.exp(sd * random.normal());
  const biasC = Math.hypot(WAYS.pitC, options.wanderC ?? 0) * random.normal();
  const pace = setup.pace * log(WAYS.paceLog);
  const global = {
    ...parameters.global,
    wetShare: parameters.global.wetShare * log(WAYS.wetShareLog),
    pitVapourPa: parameters.global.pitVapourPa * log(WAYS.vapourLog),
  };
  const body = {
    ...setup.body,
    halfThicknessM: setup.body.halfThicknessM * log(WAYS.thicknessLog),
    startC: setup.body.startC + WAYS.startC * random.normal(),
  };
  const softeningH = setup.softeningH * log(WAYS.softeningLog);
  return [
    { ...setup, pace, body, softeningH, zoneOffsetC: setup.zoneOffsetC + biasC },
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
    everyMin: every * cook.trace.stepMin,
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
  /** Samples at their places in the law. */
  samples: SampleOutcome[];
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

/**
 * Gives each sample the time that the law gives to its rank: the samples say in which ways a cook is early or late, the
 * law how early and late they are. What is never done keeps the last ranks.
 */
function byTheLaw(setup: CookSetup, median: Cook, samples: readonly SampleOutcome[], law: PredictiveLaw): SampleOutcome[] {
  const ranked = [...samples].sort((a, b) => a.doneAtMin - b.doneAtMin || 0);
  return ranked.map((sample, rank) => {
    const doneAtMin = median.doneAtMin * law.factor(setup.modelCutId, (rank + 0.5) / ranked.length);
    const pace = Number.isFinite(sample.doneAtMin) ? doneAtMin / sample.doneAtMin : 1;
    return {
      ...sample,
      doneAtMin,
      wrapAtMin: sample.wrapAtMin && sample.wrapAtMin * pace,
      stallMin: sample.stallMin * pace,
      barkSetAtMin: sample.barkSetAtMin && sample.barkSetAtMin * pace,
      // What comes after pulling has its own pace.
      sliceableAtMin: sample.sliceableAtMin && sample.sliceableAtMin - sample.doneAtMin + doneAtMin,
      everyMin: sample.everyMin * pace,
    };
  });
}

const coreAt = ({ coreC, everyMin }: SampleOutcome, minute: number): number => {
  const at = Math.min(minute / everyMin, coreC.length - 1);
  const low = Math.floor(at);
  return coreC[low]! + (at - low) * (coreC[Math.min(low + 1, coreC.length - 1)]! - coreC[low]!);
};

/** Puts samples together with the unperturbed cook, by the law. */
export function summarise(setup: CookSetup, median: Cook, own: readonly SampleOutcome[], law: PredictiveLaw): CookForecast {
  const samples = byTheLaw(setup, median, own, law);
  const sorted = (pick: (sample: SampleOutcome) => number) => Float64Array.from(samples, pick).sort();
  const timeAt = (quantile: number) => median.doneAtMin * law.factor(setup.modelCutId, quantile);
  const done = { p10: timeAt(0.1), p50: timeAt(0.5), p90: timeAt(0.9) };
  const p10C: number[] = [];
  const p90C: number[] = [];
  for (let minute = 0; minute <= done.p90; minute += BAND_STEP_MIN) {
    const cores = Float64Array.from(samples, (sample) => coreAt(sample, minute)).sort();
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
    samples,
  };
}

/** The forecast of one piece: the unperturbed cook and a seeded ensemble around it, as wide as the law. */
export function forecastCook(setup: CookSetup, parameters: ParameterSet, options: EnsembleOptions): CookForecast {
  const median = runCook(setup, parameters, { bothEnds: true });
  const law = predictiveLaw(parameters.record, options.wanderC);
  return summarise(setup, median, runSamples(setup, parameters, options, 0, options.samples), law);
}
