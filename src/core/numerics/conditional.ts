import { choleskyFactor, choleskySolve, forwardSolve } from './cholesky';
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
const BISECTIONS = 40;

/**
 * What quantities z are, given readings y = Y + noise, from joint samples (z_i, Y_i). The readings are taken in two parts
 * (a tempered likelihood): samples are weighed by L^a, a as large as leaves enough of them; each of these, near enough to
 * the readings for straight lines, is then moved by what of the readings it misses (an ensemble smoother, Evensen 2009):
 * z_i + C_zY (C_YY + R')^-1 (y + e_i - Y_i), R' = R / (1 - a), e_i drawn from R'.
 * `simulated[i]` are the readings sample i would have given; `noise(j, k)` is R. Same `seed`, same samples.
 */
export function conditionOn(
  simulated: readonly ArrayLike<number>[],
  read: readonly number[],
  noise: (j: number, k: number) => number,
  seed: number,
): Condition {
  const count = simulated.length;
  const even = new Float64Array(count).fill(1 / count);
  if (read.length === 0) return { weights: even, logEvidence: 0, of: (z) => Float64Array.from(z) };
  const lower = choleskyFactor(noise, read.length);
  const misses = Float64Array.from(simulated, (sample) => {
    const scaled = forwardSolve(
      lower,
      read.map((value, j) => value - sample[j]!),
    );
    return scaled.reduce((sum, value) => sum + value * value, 0);
  });
  const { weights, part } = tempered(misses);
  const { columns, covariance } = momentsOf(simulated, read.length, weights);
  const gainLower = choleskyFactor((j, k) => covariance(columns[j]!, columns[k]!) + noise(j, k) / (1 - part), read.length);
  const random = seededRandom(seed);
  const grown = 1 / Math.sqrt(1 - part);
  const size = read.length;
  /** What each sample misses of the readings, its luck counted in; one row after another. */
  const missed = new Float64Array(count * size);
  const luck = new Float64Array(size);
  for (let i = 0; i < count; i++) {
    for (let j = 0; j < size; j++) luck[j] = grown * random.normal();
    const own = simulated[i]!;
    for (let j = 0; j < size; j++) {
      const row = lower[j]!;
      let error = 0;
      for (let k = 0; k <= j; k++) error += row[k]! * luck[k]!;
      missed[i * size + j] = read[j]! + error - own[j]!;
    }
  }
  return {
    weights,
    logEvidence: evidenceOf(simulated, read, noise, even),
    of(z) {
      const zMean = weights.reduce((sum, weight, i) => sum + weight * z[i]!, 0);
      const zOff = Float64Array.from(z, (value) => value - zMean);
      const gain = choleskySolve(
        gainLower,
        columns.map((column) => covariance(column, zOff)),
      );
      return Float64Array.from(z, (value, i) => {
        let moved = value;
        for (let j = 0; j < size; j++) moved += gain[j]! * missed[i * size + j]!;
        return moved;
      });
    },
  };
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
const MOST_PART = 0.95;

/** Means and covariances of weighed samples of what would have been read. */
function momentsOf(simulated: readonly ArrayLike<number>[], size: number, weights: Float64Array) {
  const means = Array.from({ length: size }, (_, j) => weights.reduce((sum, weight, i) => sum + weight * simulated[i]![j]!, 0));
  const columns = means.map((middle, j) => Float64Array.from(simulated, (sample) => sample[j]! - middle));
  // Of weighed samples, those that count.
  const unbiased = 1 / (1 - weights.reduce((sum, weight) => sum + weight * weight, 0));
  const covariance = (a: Float64Array, b: Float64Array) => {
    let sum = 0;
    for (let i = 0; i < weights.length; i++) sum += weights[i]! * a[i]! * b[i]!;
    return sum * unbiased;
  };
  return { means, columns, covariance };
}

/** ln of the normal density of what was read. */
function evidenceOf(
  simulated: readonly ArrayLike<number>[],
  read: readonly number[],
  noise: (j: number, k: number) => number,
  weights: Float64Array,
): number {
  const { means, columns, covariance } = momentsOf(simulated, read.length, weights);
  const lower = choleskyFactor((j, k) => covariance(columns[j]!, columns[k]!) + noise(j, k), read.length);
  const scaled = forwardSolve(
    lower,
    read.map((value, j) => value - means[j]!),
  );
  const logDeterminant = lower.reduce((sum, row, j) => sum + 2 * Math.log(row[j]!), 0);
  return -0.5 * (scaled.reduce((sum, value) => sum + value * value, 0) + logDeterminant + read.length * Math.log(2 * Math.PI));
}
