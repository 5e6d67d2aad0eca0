import { choleskyFactor, choleskySolve, forwardSolve, type LowerFactor } from './cholesky';
import { seededRandom } from './random';

/** What readings say of any quantity that was sampled together with what they would have read. */
export interface Condition {
  weights: Float64Array;
  /** ln of how likely the readings were, to be compared between ways of having read them. */
  logEvidence: number;
  /** Samples of a quantity, moved by the readings. */
  of(z: ArrayLike<number>): Float64Array;
}

/** Samples that count as much as this share of all carry the first part of what was read. */
const KEPT_SHARE = 0.3;
const MOST_PART = 0.95;
/** To a thousandth of what they are asked for. */
const BISECTIONS = 16;

/**
 * What quantities z are, given readings y = Y + noise, from joint samples (z_i, Y_i). The readings are taken in two parts
 * (a tempered likelihood): samples are weighed by L^a, a as large as leaves enough of them; each of these, near enough to
 * the readings for straight lines, is then moved by what of the readings it misses (an ensemble smoother, Evensen 2009):
 * z_i + C_zY (C_YY + R')^-1 (y + e_i - Y_i), R' = R / (1 - a), e_i drawn from R'.
 * `simulated[i]` are the readings sample i would have given; `noise(j, k)` is R, asked for k <= j. Same `seed`, same samples.
 */
export function conditionOn(
  simulated: readonly ArrayLike<number>[],
  read: ArrayLike<number>,
  noise: (j: number, k: number) => number,
  seed: number,
): Condition {
  const count = simulated.length;
  const size = read.length;
  const even = new Float64Array(count).fill(1 / count);
  if (size === 0) return { weights: even, logEvidence: 0, of: (z) => Float64Array.from(z) };
  const errors = new Float64Array(size * size);
  for (let j = 0; j < size; j++) for (let k = 0; k <= j; k++) errors[j * size + k] = noise(j, k);
  const lower = choleskyFactor((j, k) => errors[j * size + k]!, size);
  /** What each sample misses of the readings, one row after another. */
  const missed = new Float64Array(count * size);
  simulated.forEach((own, i) => {
    for (let j = 0; j < size; j++) missed[i * size + j] = read[j]! - own[j]!;
  });
  const { weights, part } = tempered(squaresOf(lower, missed, count));
  const { off, covariance } = momentsOf(missed, size, weights);
  const gainLower = choleskyFactor((j, k) => covariance[j * size + k]! + errors[j * size + k]! / (1 - part), size);
  const logEvidence = evidenceOf(missed, errors, size, even);
  const scale = unbiased(weights);
  addLuck(missed, lower, 1 / Math.sqrt(1 - part), seed);
  return {
    weights,
    logEvidence,
    of(z) {
      let mean = 0;
      for (let i = 0; i < count; i++) mean += weights[i]! * z[i]!;
      const withRead = new Float64Array(size);
      for (let j = 0; j < size; j++) {
        let sum = 0;
        for (let i = 0; i < count; i++) sum += weights[i]! * off[j * count + i]! * (z[i]! - mean);
        // What would have read more misses less.
        withRead[j] = -scale * sum;
      }
      const gain = choleskySolve(gainLower, withRead);
      const moved = Float64Array.from(z);
      for (let i = 0; i < count; i++) for (let j = 0; j < size; j++) moved[i]! += gain[j]! * missed[i * size + j]!;
      return moved;
    },
  };
}

/** Of each sample: what it misses, squared, in units of the readings' errors. */
function squaresOf(lower: LowerFactor, missed: Float64Array, count: number): Float64Array {
  const scaled = Float64Array.from(missed);
  const { size } = lower;
  return Float64Array.from({ length: count }, (_, i) => {
    forwardSolve(lower, scaled, i * size);
    let sum = 0;
    for (let j = 0; j < size; j++) sum += scaled[i * size + j]! ** 2;
    return sum;
  });
}

/** Weights L^part, with the largest part (below 1) that keeps enough samples. */
function tempered(misses: Float64Array): { weights: Float64Array; part: number } {
  const least = misses.reduce((best, miss) => Math.min(best, miss), Infinity);
  const weightsAt = (part: number) => {
    const raw = misses.map((miss) => Math.exp((-part / 2) * (miss - least)));
    const total = raw.reduce((sum, weight) => sum + weight, 0);
    return raw.map((weight) => weight / total);
  };
  const kept = (weights: Float64Array) => 1 / weights.reduce((sum, weight) => sum + weight * weight, 0) / weights.length;
  let low = 0;
  let high = MOST_PART;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2;
    if (kept(weightsAt(middle)) > KEPT_SHARE) low = middle;
    else high = middle;
  }
  return { weights: weightsAt(low), part: low };
}

/** Of weighed samples, those that count. */
const unbiased = (weights: Float64Array): number => 1 / (1 - weights.reduce((sum, weight) => sum + weight * weight, 0));

/** Weighed means of what samples miss, how far each is off them (a column after another), and the covariance, row after row. */
function momentsOf(missed: Float64Array, size: number, weights: Float64Array) {
  const count = weights.length;
  const means = new Float64Array(size);
  const off = new Float64Array(size * count);
  const weighed = new Float64Array(size * count);
  for (let j = 0; j < size; j++) {
    for (let i = 0; i < count; i++) means[j]! += weights[i]! * missed[i * size + j]!;
    for (let i = 0; i < count; i++) {
      const own = missed[i * size + j]! - means[j]!;
      off[j * count + i] = own;
      weighed[j * count + i] = weights[i]! * own;
    }
  }
  const scale = unbiased(weights);
  const covariance = new Float64Array(size * size);
  for (let j = 0; j < size; j++)
    for (let k = 0; k <= j; k++) {
      let sum = 0;
      for (let i = 0; i < count; i++) sum += weighed[j * count + i]! * off[k * count + i]!;
      covariance[j * size + k] = covariance[k * size + j] = sum * scale;
    }
  return { means, off, covariance };
}

/** Each sample's readings get an error of their own, drawn from what readings err by, `grown` times as large. */
function addLuck(missed: Float64Array, { size, rows }: LowerFactor, grown: number, seed: number): void {
  const random = seededRandom(seed);
  const luck = new Float64Array(size);
  for (let from = 0; from < missed.length; from += size) {
    for (let j = 0; j < size; j++) luck[j] = grown * random.normal();
    for (let j = 0; j < size; j++) for (let k = 0; k <= j; k++) missed[from + j]! += rows[j * size + k]! * luck[k]!;
  }
}

/** ln of the normal density of what was read. */
function evidenceOf(missed: Float64Array, errors: Float64Array, size: number, weights: Float64Array): number {
  const { means, covariance } = momentsOf(missed, size, weights);
  const lower = choleskyFactor((j, k) => covariance[j * size + k]! + errors[j * size + k]!, size);
  forwardSolve(lower, means);
  let sum = size * Math.log(2 * Math.PI);
  for (let j = 0; j < size; j++) sum += means[j]! ** 2 + 2 * Math.log(lower.rows[j * size + j]!);
  return -0.5 * sum;
}
