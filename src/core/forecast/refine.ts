import { quantileSorted, seededRandom } from '../numerics';
import { runSamples, type EnsembleOptions, type Quantiles, type SampleOutcome } from './ensemble';
import type { ParameterSet } from './parameters';
import type { CookSetup } from './setup';
import { BAND_STEP_MIN } from './ensemble';

/** What a probe said of one piece. */
export interface Reading {
  atMin: number;
  coreC: number;
}

export type ProbeFault = 'jump' | 'readsAir' | 'readsBone';

export interface RefinedForecast {
  done: Quantiles;
  /** Readings left out, and why. */
  ignored: { reading: Reading; fault: ProbeFault }[];
  /** Share of the samples that still count: near 0 means the cook is like nothing foreseen. */
  effectiveShare: number;
}

export interface RefineOptions extends EnsembleOptions {
  /** Pit temperature while the readings were taken, to tell a probe that hangs in the air. */
  pitC: number;
}

/** Probe noise and what the model does not know, together, C. */
const READING_SD_C = 2.5;
/** Readings a few minutes apart say nearly the same: together they weigh no more than one in this many minutes. */
const INDEPENDENT_EVERY_MIN = 20;
/** A core cannot move faster than this. */
const FASTEST_C_PER_MIN = 1.6;
/** A core this near the pit's air, this early, is not a core. */
const AIR_WITHIN_C = 12;
/** Early readings this far above every sample are on a bone or near the surface. */
const BONE_ABOVE_C = 9;
/** However well the readings fit, the finish keeps this log-sd of its remaining time. */
const REMAINING_LOG_SD = 0.05;

/**
 * Re-forecasts a cook from readings: the samples of its ensemble are weighed by how well each agrees
 * with what the probe said (a particle filter over the same parameters), and the remaining time keeps
 * a little spread of its own. Probes lie: readings that jump, hang in the air or sit on a bone are
 * recognised, left out and named.
 */
export function refineForecast(setup: CookSetup, parameters: ParameterSet, readings: Reading[], options: RefineOptions): RefinedForecast {
  const samples = runSamples(setup, parameters, options, 0, options.samples);
  const { usable, ignored } = sift(readings, samples, options.pitC);
  const weights = weigh(samples, usable);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const squares = weights.reduce((sum, weight) => sum + weight * weight, 0);
  const nowMin = usable.at(-1)?.atMin ?? 0;
  return {
    done: weightedFinish(samples, weights, total, nowMin, options.seed),
    ignored,
    effectiveShare: (total * total) / squares / samples.length,
  };
}

const coreAt = (sample: SampleOutcome, minute: number): number => {
  const at = Math.min(minute / BAND_STEP_MIN, sample.coreC.length - 1);
  const low = Math.floor(at);
  const high = Math.min(low + 1, sample.coreC.length - 1);
  return sample.coreC[low]! + (at - low) * (sample.coreC[high]! - sample.coreC[low]!);
};

/** Leaves out what cannot be a core. Works in order of time and trusts what came before. */
function sift(readings: Reading[], samples: SampleOutcome[], pitC: number): { usable: Reading[]; ignored: RefinedForecast['ignored'] } {
  const usable: Reading[] = [];
  const ignored: RefinedForecast['ignored'] = [];
  for (const reading of [...readings].sort((a, b) => a.atMin - b.atMin)) {
    const foreseen = Float64Array.from(samples, (sample) => coreAt(sample, reading.atMin)).sort();
    const before = usable.at(-1);
    const gapMin = before ? reading.atMin - before.atMin : 0;
    if (reading.coreC > pitC - AIR_WITHIN_C && quantileSorted(foreseen, 0.99) < pitC - 2 * AIR_WITHIN_C)
      ignored.push({ reading, fault: 'readsAir' });
    else if (before && Math.abs(reading.coreC - before.coreC) > FASTEST_C_PER_MIN * gapMin + 3 * READING_SD_C)
      ignored.push({ reading, fault: 'jump' });
    else if (reading.coreC > quantileSorted(foreseen, 0.99) + BONE_ABOVE_C) ignored.push({ reading, fault: 'readsBone' });
    else usable.push(reading);
  }
  return { usable, ignored };
}

/** Gaussian likelihood of each sample, with readings close together sharing one weight. */
function weigh(samples: SampleOutcome[], readings: Reading[]): number[] {
  const spanMin = readings.length > 1 ? readings.at(-1)!.atMin - readings[0]!.atMin : 0;
  const independent = Math.min(readings.length, 1 + spanMin / INDEPENDENT_EVERY_MIN);
  const temper = readings.length > 0 ? independent / readings.length : 0;
  const logs = samples.map(
    (sample) =>
      (-temper / 2) * readings.reduce((sum, reading) => sum + ((coreAt(sample, reading.atMin) - reading.coreC) / READING_SD_C) ** 2, 0),
  );
  const best = Math.max(...logs);
  return logs.map((log) => Math.exp(log - best));
}

const DRAWS = 400;

function weightedFinish(samples: SampleOutcome[], weights: number[], total: number, nowMin: number, seed: number): Quantiles {
  const random = seededRandom(seed * 31 + 7);
  const cumulative: number[] = [];
  weights.reduce((sum, weight) => {
    cumulative.push(sum + weight);
    return sum + weight;
  }, 0);
  let next = 0;
  // Systematic resampling: evenly spaced draws over the weights.
  const finishes = Float64Array.from({ length: DRAWS }, (_, i) => {
    const at = ((i + 0.5) / DRAWS) * total;
    while (next < samples.length - 1 && cumulative[next]! < at) next++;
    const remainingMin = Math.max(1, samples[next]!.doneAtMin - nowMin);
    return nowMin + remainingMin * Math.exp(REMAINING_LOG_SD * random.normal());
  }).sort();
  return { p10: quantileSorted(finishes, 0.1), p50: quantileSorted(finishes, 0.5), p90: quantileSorted(finishes, 0.9) };
}
