import { predictiveLaw, type CookSetup, type ParameterSet, type Quantiles } from '../forecast';
import { conditionOn, normalQuantile, type Condition } from '../numerics';
import { inBins, PROBE_WAYS, readingCovariance, sift, type CoreReading, type ProbeState, type Sifted } from './probe';
import { coreAhead, type Ahead, type LiveDeed } from './lookAhead';
import type { PitReading } from './pitAir';
import { LiveSamples, type LiveOptions } from './samples';

/** How it felt under the probe: what share of the way to tender that stands for. */
export interface FeltAt {
  atMin: number;
  /** Of the collagen that must let go. */
  share: number;
}

/** What a cook under way has told so far. Minutes count from going on. */
export interface LiveReadings {
  nowMin: number;
  core: readonly CoreReading[];
  /** In order of time: the pit it was in, whichever that was. */
  pit: readonly PitReading[];
  deeds?: readonly LiveDeed[];
  felt?: readonly FeltAt[];
  /** What the pit was and will be set to; as planned when left out. */
  setPoints?: CookSetup['pit']['steps'];
  /** Readings of a probe in a piece beside it, for one that has none. */
  beside?: { of: LiveForecast; core: readonly CoreReading[] };
}

/** A quantity that is a moment: chance that it is past, and when, minutes from going on. */
export interface Reforecast {
  done: Quantiles;
  /** Minutes by which it is done with each of DONE_SHARES. */
  doneAt: number[];
  /** When its wrap comes, if it has not. */
  wrap?: Quantiles;
  /** Core from now on, every 30 min. */
  band: { fromMin: number; everyMin: number; p10C: number[]; p50C: number[]; p90C: number[] };
  /** Where its core is now, as believed. */
  coreNowC: Quantiles;
  /** What the probe most likely is, and how likely. */
  probe: { state: ProbeState; share: number };
  ignored: Sifted['ignored'];
}

/** Shares at which `doneAt` tells the finish. */
export const DONE_SHARES = [0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 0.98] as const;

/** A probe is said to lie from this chance on: a look costs less than to trust a wrong one. */
const SUSPECT_FROM = 0.27;
/** A hand tells tenderness to about this, as a share of what must let go. */
const FELT_SHARE = 0.12;
/** How wrong the model may be about when heat reaches the middle: so much of r0 squared over the diffusivity. */
const LAG_SHARE = 0.1;
/** The core ahead is told every so many minutes, at most so far. */
const BAND_EVERY_MIN = 30;
const BAND_POINTS = 40;

interface Way extends Condition {
  state: ProbeState;
  logWeight: number;
}

/**
 * Forecasts a cook under way anew: possible truths run through the pit as measured; what they would have read is
 * compared with what was, for each way a probe may lie; ln(finish) follows as a conditional normal (docs/model.md).
 */
export class LiveForecast {
  private readonly samples: LiveSamples;
  /** From the samples' own spread to the law's. */
  private readonly widen: number;
  private readonly seed: number;
  private readonly doneShare?: number;
  private readonly planned: CookSetup['pit']['steps'];
  private readonly lagSdMin: number;
  private livedMin = 0;

  constructor(setup: CookSetup, parameters: ParameterSet, options: LiveOptions) {
    this.seed = options.seed;
    this.doneShare = setup.done.by === 'tender' ? setup.done.convertedShare : undefined;
    this.planned = setup.pit.steps.map((step) => ({ ...step }));
    const { halfThicknessM, densityKgPerM3, heatCapacityJPerKgK, conductivityWPerMK } = setup.body;
    const throughMin = (halfThicknessM ** 2 * densityKgPerM3 * heatCapacityJPerKgK) / (60 * conductivityWPerMK);
    this.lagSdMin = LAG_SHARE * throughMin;
    // What a fit makes thinner than it is stands for all that it misses; heat still has the way it has. Half of that is
    // believed: shapes are not that simple.
    const scale = parameters.cuts[setup.modelCutId]?.thicknessScale ?? 1;
    const laterMin = (throughMin * Math.max(0, 1 / scale ** 2 - 1)) / (4 * (setup.body.geometryExponent + 1));
    const law = predictiveLaw(parameters.record);
    const stranger = predictiveLaw();
    const sdLog = Math.log(law.factor(setup.modelCutId, 0.9)) / normalQuantile(0.9);
    const share = Math.log(law.factor(setup.modelCutId, 0.9)) / Math.log(stranger.factor(setup.modelCutId, 0.9));
    const own = { ...setup, pit: { ...setup.pit, steps: [...this.planned] } };
    this.samples = new LiveSamples(own, parameters, { share, ...options }, laterMin);
    this.samples.advance(0, [], [], this.planned);
    this.widen = sdLog / sdOf(logsOf(this.samples.ahead().samples));
  }

  /** The forecast at a moment. Moments in order of time are cheap; any other begins anew and comes to the same. */
  at(known: LiveReadings): Reforecast {
    const { nowMin, core, deeds = [], felt = [], beside } = known;
    this.livesTo(known);
    const ahead = this.samples.ahead();
    const { usable, ignored } = this.sifted(core, nowMin);
    const bins = inBins(usable);
    const neighbour = usable.length === 0 && beside ? inBins(beside.of.sifted(beside.core, nowMin).usable) : [];
    const checks = this.doneShare === undefined ? [] : felt.filter((each) => each.atMin <= nowMin);

    const read = [...bins, ...neighbour].map((bin) => bin.coreC);
    const minutes = bins.map((bin) => bin.atMin);
    const besideRead =
      neighbour.length > 0
        ? beside!.of.samples.wouldRead(
            neighbour.map((bin) => bin.atMin),
            0,
          )
        : undefined;
    const shares = checks.map((each) => each.share);
    const softened = this.samples.convertedAt(checks.map((each) => each.atMin));
    const heads = [...bins, ...neighbour].map((bin) => ({ ...bin, riseCPerMin: this.samples.riseCPerMin(bin.atMin) }));
    const tell = (state: ProbeState) => (j: number, k: number) => {
      if (j < heads.length && k < heads.length) return readingCovariance(state, heads[j]!, heads[k]!, this.lagSdMin);
      return j === k ? FELT_SHARE ** 2 : 0;
    };
    const ways = PROBE_WAYS.map(({ state, depth, prior }): Way => {
      const own = this.samples.wouldRead(minutes, depth);
      const simulated = own.map((row, i) => [
        ...row,
        ...(besideRead?.[i] ?? []),
        ...Array.from(softened[i]!, (share) => share / this.doneShare!),
      ]);
      const found = conditionOn(simulated, [...read, ...shares], tell(state), this.seed);
      return { state, ...found, logWeight: Math.log(prior) + found.logEvidence };
    });
    const most = Math.max(...ways.map((way) => way.logWeight));
    const total = ways.reduce((sum, way) => sum + Math.exp(way.logWeight - most), 0);
    const weighed = ways.map((way) => ({ ...way, share: Math.exp(way.logWeight - most) / total }));
    const shareOf = (state: ProbeState) => weighed.reduce((sum, way) => sum + (way.state === state ? way.share : 0), 0);
    const wrong = shareOf('offset') > shareOf('shallow') ? 'offset' : 'shallow';
    const state: ProbeState = 1 - shareOf('good') > SUSPECT_FROM ? wrong : 'good';

    const fitted = about(Math.log(ahead.middle.doneAtMin), logsOf(ahead.samples), this.widen);
    const doneAt = quantilesOf(weighed, fitted, Math.log(Math.max(1, this.livedMin)));
    const likeliest = weighed.reduce((best, way) => (way.share > best.share ? way : best));
    const wrapped = deeds.some((deed) => deed.kind === 'wrapped' && deed.atMin <= nowMin);
    const at = (share: number) => Math.exp(doneAt(share));
    return {
      done: { p10: at(0.1), p50: at(0.5), p90: at(0.9) },
      doneAt: DONE_SHARES.map(at),
      wrap: wrapped ? undefined : this.wrapOf(likeliest, ahead.samples, nowMin),
      band: this.bandOf(likeliest, ahead.samples),
      coreNowC: coreNow(likeliest, this.samples.wouldRead([nowMin], 0)),
      probe: { state, share: shareOf(state) },
      ignored,
    };
  }

  /** Lets the possible truths live on, without a forecast. */
  private livesTo({ nowMin, pit, deeds = [], setPoints }: LiveReadings): void {
    this.samples.advance(nowMin, pit, deeds, setPoints ?? this.planned);
    this.livedMin = nowMin;
  }

  private sifted(core: readonly CoreReading[], nowMin: number): Sifted {
    return sift(
      core.filter((each) => each.atMin <= nowMin),
      (minute) => this.samples.hottestCoreC(minute),
      (minute) => this.samples.airC(minute),
    );
  }

  private wrapOf(way: Condition, ahead: readonly Ahead[], nowMin: number): Quantiles | undefined {
    const wraps = ahead.filter((each) => each.wrapAtMin !== undefined).length;
    if (wraps < ahead.length / 2) return undefined;
    // A sample that is done before its wrap would be wrapped no sooner than it is done.
    const logs = way.of(ahead.map((each) => Math.log(each.wrapAtMin ?? each.doneAtMin)));
    const at = weighedQuantile(logs, way.weights);
    const after = (share: number) => Math.max(nowMin, Math.exp(at(share)));
    return { p10: after(0.1), p50: after(0.5), p90: after(0.9) };
  }

  private bandOf(way: Condition, ahead: readonly Ahead[]): Reforecast['band'] {
    const band: Reforecast['band'] = { fromMin: this.livedMin, everyMin: BAND_EVERY_MIN, p10C: [], p50C: [], p90C: [] };
    for (let i = 1; i <= BAND_POINTS; i++) {
      const minute = this.livedMin + i * BAND_EVERY_MIN;
      if (ahead.filter((each) => each.doneAtMin > minute).length < ahead.length / 4) break;
      // What is done stays where it was done.
      const at = weighedQuantile(way.of(ahead.map((each) => coreAhead(each, minute))), way.weights);
      band.p10C.push(at(0.1));
      band.p50C.push(at(0.5));
      band.p90C.push(at(0.9));
    }
    return band;
  }
}

function coreNow(way: Condition, cores: readonly Float64Array[]): Quantiles {
  const at = weighedQuantile(way.of(cores.map((row) => row[0]!)), way.weights);
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}

const logsOf = (ahead: readonly Ahead[]): Float64Array => Float64Array.from(ahead, (each) => Math.log(each.doneAtMin));

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

function weighedQuantile(values: Float64Array, weights: Float64Array): (share: number) => number {
  const order = Uint16Array.from(values.keys()).sort((a, b) => values[a]! - values[b]!);
  return (share) => {
    let below = 0;
    const found = order.find((i) => (below += weights[i]!) >= share) ?? order.at(-1)!;
    return values[found]!;
  };
}

/** Quantiles of finishes that are not past yet (ln), over all ways in which the probe may read. */
function quantilesOf(ways: readonly (Way & { share: number })[], fitted: Float64Array, nowLog: number): (share: number) => number {
  const finishes = ways
    .flatMap(({ of, weights, share }) => Array.from(of(fitted), (log, i) => ({ log, weight: share * weights[i]! })))
    .filter(({ log }) => log > nowLog)
    .sort((a, b) => a.log - b.log);
  const total = finishes.reduce((sum, { weight }) => sum + weight, 0);
  return (share) => {
    let below = 0;
    const found = finishes.find(({ weight }) => (below += weight) >= share * total);
    return found?.log ?? nowLog;
  };
}
