import { predictiveLaw, type CookSetup, type ParameterSet, type Quantiles } from '../forecast';
import { conditionalOn, normalQuantile } from '../numerics';
import { inBins, PROBE_WAYS, readingCovariance, sift, type CoreReading, type ProbeState, type Sifted } from './probe';
import { LiveSamples, type LiveOptions, type PitReading } from './samples';

/** What a cook under way has told so far. Minutes count from going on. */
export interface LiveReadings {
  nowMin: number;
  core: readonly CoreReading[];
  pit: readonly PitReading[];
  /** When it was wrapped; undefined while it is bare. */
  wrappedAtMin?: number;
}

export interface Reforecast {
  done: Quantiles;
  /** What the probe most likely is, and how likely. */
  probe: { state: ProbeState; share: number };
  ignored: Sifted['ignored'];
}

/** A probe is said to lie from this chance on: a look costs less than to trust a wrong one. */
const SUSPECT_FROM = 0.25;

/**
 * Forecasts a cook under way anew: possible truths run through the pit as measured; what they would have read is
 * compared with what was, for each way a probe may lie; ln(finish) follows as a conditional normal (docs/model.md).
 */
export class LiveForecast {
  private readonly samples: LiveSamples;
  /** From the samples' own spread to the law's. */
  private readonly widen: number;
  private wrapped = false;
  private livedMin = 0;
  private readonly seed: number;

  constructor(setup: CookSetup, parameters: ParameterSet, options: LiveOptions) {
    this.seed = options.seed;
    const law = predictiveLaw(parameters.record);
    const stranger = predictiveLaw();
    const sdLog = Math.log(law.factor(setup.modelCutId, 0.9)) / normalQuantile(0.9);
    const share = Math.log(law.factor(setup.modelCutId, 0.9)) / Math.log(stranger.factor(setup.modelCutId, 0.9));
    this.samples = new LiveSamples(setup, parameters, { share, ...options });
    this.widen = sdLog / sdOf(this.samples.finishes().logs);
  }

  /** The forecast at a moment; moments must come in order of time. */
  at({ nowMin, core, pit, wrappedAtMin }: LiveReadings): Reforecast {
    if (wrappedAtMin !== undefined && !this.wrapped && wrappedAtMin <= nowMin) {
      this.samples.advance(wrappedAtMin, pit);
      this.samples.wrap();
      this.wrapped = true;
    }
    this.samples.advance(nowMin, pit);
    this.livedMin = nowMin;
    const { usable, ignored } = sift(
      core.filter((each) => each.atMin <= nowMin),
      (minute) => this.samples.hottestCoreC(minute),
      (minute) => this.samples.airC(minute),
    );
    const bins = inBins(usable);
    const { logs, middleLog } = this.samples.finishes();
    const fitted = about(middleLog, logs, this.widen);
    const minutes = bins.map((bin) => bin.atMin);
    const read = bins.map((bin) => bin.coreC);
    const ways = PROBE_WAYS.map(({ state, depth, prior }) => {
      const noise = (j: number, k: number) => readingCovariance(state, bins[j]!, bins[k]!);
      const found = conditionalOn(fitted, this.samples.wouldRead(minutes, depth), read, noise, this.seed);
      return { state, ...found, logWeight: Math.log(prior) + found.logEvidence };
    });
    const most = Math.max(...ways.map((way) => way.logWeight));
    const total = ways.reduce((sum, way) => sum + Math.exp(way.logWeight - most), 0);
    const weighed = ways.map((way) => ({ ...way, share: Math.exp(way.logWeight - most) / total }));
    const shareOf = (state: ProbeState) => weighed.reduce((sum, way) => sum + (way.state === state ? way.share : 0), 0);
    const wrong = shareOf('offset') > shareOf('shallow') ? 'offset' : 'shallow';
    const state: ProbeState = 1 - shareOf('good') > SUSPECT_FROM ? wrong : 'good';
    const probe = { state, share: shareOf(state) };
    const at = this.finishQuantiles(weighed);
    return { done: { p10: at(0.1), p50: at(0.5), p90: at(0.9) }, probe, ignored };
  }

  /** Quantiles of finishes that are not past yet, over all ways in which the probe may read. */
  private finishQuantiles(ways: readonly { values: Float64Array; weights: Float64Array; share: number }[]): (share: number) => number {
    const now = Math.log(Math.max(1, this.livedMin));
    const finishes = ways
      .flatMap(({ values, weights, share }) => Array.from(values, (log, i) => ({ log, weight: share * weights[i]! })))
      .filter(({ log }) => log > now)
      .sort((a, b) => a.log - b.log);
    const total = finishes.reduce((sum, { weight }) => sum + weight, 0);
    return (share) => {
      let below = 0;
      const found = finishes.find(({ weight }) => (below += weight) >= share * total);
      return Math.exp(found?.log ?? now);
    };
  }
}

const meanOf = (values: Float64Array): number => values.reduce((sum, value) => sum + value, 0) / values.length;

function sdOf(values: Float64Array): number {
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
}

/** Samples' ln(finish) with their middle where the plan has it, and so much wider. */
function about(middleLog: number, logs: Float64Array, widen: number): Float64Array {
  const mean = meanOf(logs);
  return logs.map((log) => middleLog + widen * (log - mean));
}
