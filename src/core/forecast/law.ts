import { studentCumulative, studentQuantile } from '../numerics';

/**
 * How the time of a cook in life differs from the forecast, the one law of forecast, reserve, odds, fit and predict:
 *
 *     ln(observed / forecast) = owner + cut + owner x cut + cook        (natural-log sds below)
 *
 * An owner's gauge, fire and idea of tender are the same in all their cooks; what the model misses of a cut is the same
 * in all cooks of it. What a stranger brings is unknown, so a new owner's range is wide; their finished cooks narrow
 * it. The sds themselves are known as well as `freedom` cooks would tell them, which makes every quantile Student's t.
 */
export const LAW = Object.freeze({
  ownerLogSd: 0.1,
  cutLogSd: 0.12,
  ownerCutLogSd: 0.06,
  cookLogSd: 0.11,
  /** Of the cook's part: what all on one pit share that day, and of that, what all pits share with the weather. */
  dayLogSd: 0.08,
  weatherLogSd: 0.04,
  freedom: 8,
});

/** A pit that strays by 1 C on the whole moves a finish by so much (ln), near the usual heats. */
const LOG_PER_C = 0.011;

/** What an owner's finished cooks of one cut say of the forecast: natural logs of observed over forecast time. */
export interface CutRecord {
  cooks: number;
  meanLog: number;
  /** Sum of squares about that mean. */
  squaresLog: number;
}
/** By cut. Nothing is known of a new owner. */
export type OwnerRecord = Readonly<Record<string, CutRecord>>;

/** What is known of one cut in these hands, given the owner's part `owner`: ofOwner x owner + meanLog, give or take sdLog. */
export interface CutPart {
  ofOwner: number;
  meanLog: number;
  sdLog: number;
}

export interface PredictiveLaw {
  /** Degrees of freedom, and the factor on every sd below that the owner's cooks have taught. */
  freedom: number;
  scale: number;
  owner: { meanLog: number; sdLog: number };
  cut(cutId: string): CutPart;
  /** The sds of a cook's own luck: the day of all pits, of its pit, and its own. */
  cook: { weatherLogSd: number; pitLogSd: number; ownLogSd: number };
  /** How much slower (above 1) this owner's cooks of a cut are than the model: the forecast's median goes at this pace. */
  pace(cutId: string): number;
  /** Time at a quantile over the median's. */
  factor(cutId: string, quantile: number): number;
  /** Chance that a cook with this median is done within `availableMin`. */
  chanceWithin(cutId: string, medianMin: number, availableMin: number): number;
}

const MOST_QUANTILES = 100;

/**
 * The law after an owner's finished cooks (conjugate: owner and cut effects normal, their common scale inverse gamma).
 * With w = B / (B + e2 / n) of a cut's B = cut^2 + (owner x cut)^2 and e2 = cook^2, the owner's part has precision
 * 1 / owner^2 + sum 1 / (B + e2 / n). `wanderC`: how far the day's weather lets pits stray beyond the usual.
 */
export function predictiveLaw(record: OwnerRecord = {}, wanderC = 0): PredictiveLaw {
  const cutVariance = LAW.cutLogSd ** 2 + LAW.ownerCutLogSd ** 2;
  const cookVariance = LAW.cookLogSd ** 2;
  const known = Object.values(record).filter(({ cooks }) => cooks > 0);
  const varianceOf = ({ cooks }: CutRecord) => cutVariance + cookVariance / cooks;

  const precision = known.reduce((sum, cut) => sum + 1 / varianceOf(cut), 1 / LAW.ownerLogSd ** 2);
  const ownerMean = known.reduce((sum, cut) => sum + cut.meanLog / varianceOf(cut), 0) / precision;
  // The scale is learned from how cooks of one cut differ among themselves: a fit may have taken their means away.
  const contrasts = known.reduce((sum, cut) => sum + Math.max(0, cut.cooks - 1), 0);
  const surprise = known.reduce((sum, cut) => sum + cut.squaresLog / cookVariance, 0);
  const freedom = LAW.freedom + contrasts;
  const scale = Math.sqrt((LAW.freedom + surprise) / freedom);
  const owner = { meanLog: ownerMean, sdLog: Math.sqrt(1 / precision) };

  const pitVariance = LAW.dayLogSd ** 2 - LAW.weatherLogSd ** 2;
  const wander = LOG_PER_C * wanderC;
  const cook = {
    weatherLogSd: Math.hypot(LAW.weatherLogSd, wander),
    pitLogSd: Math.sqrt(pitVariance),
    ownLogSd: Math.sqrt(cookVariance - LAW.dayLogSd ** 2),
  };

  const cut = (cutId: string): CutPart => {
    const of = record[cutId];
    const weight = of && of.cooks > 0 ? cutVariance / varianceOf(of) : 0;
    return { ofOwner: 1 - weight, meanLog: weight * (of?.meanLog ?? 0), sdLog: Math.sqrt(cutVariance * (1 - weight)) };
  };
  const sdLogOf = (cutId: string) => {
    const { ofOwner, sdLog } = cut(cutId);
    return scale * Math.hypot(ofOwner * owner.sdLog, sdLog, cook.weatherLogSd, cook.pitLogSd, cook.ownLogSd);
  };
  // The same few quantiles are asked for of thousands of cooks.
  const asked = new Map<number, number>();
  const tAt = (quantile: number): number => {
    const known = asked.get(quantile);
    if (known !== undefined) return known;
    if (asked.size >= MOST_QUANTILES) asked.clear();
    const t = studentQuantile(quantile, freedom);
    asked.set(quantile, t);
    return t;
  };
  return {
    freedom,
    scale,
    owner,
    cut,
    cook,
    pace(cutId) {
      const { ofOwner, meanLog } = cut(cutId);
      return Math.exp(ofOwner * owner.meanLog + meanLog);
    },
    factor: (cutId, quantile) => Math.exp(sdLogOf(cutId) * tAt(quantile)),
    chanceWithin: (cutId, medianMin, availableMin) =>
      availableMin <= 0 ? 0 : studentCumulative(Math.log(availableMin / medianMin) / sdLogOf(cutId), freedom),
  };
}

/** What cooks (natural logs of observed over forecast time) add to a record; nothing is kept of a single one. */
export function recordOf(cooks: readonly { cutId: string; log: number }[]): OwnerRecord {
  const record: Record<string, CutRecord> = {};
  for (const { cutId, log } of cooks) {
    const before = record[cutId] ?? { cooks: 0, meanLog: 0, squaresLog: 0 };
    const n = before.cooks + 1;
    const meanLog = before.meanLog + (log - before.meanLog) / n;
    // Welford's update of the sum of squares.
    record[cutId] = { cooks: n, meanLog, squaresLog: before.squaresLog + (log - before.meanLog) * (log - meanLog) };
  }
  return record;
}
