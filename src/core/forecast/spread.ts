import { normalQuantile } from '../numerics';

/**
 * Like cooks in life differ by a log-normal factor in time (docs/model.md). These turn a median
 * into the quantiles a plan reserves by.
 */
export const timeFactor = (timeLogSd: number, quantile: number): number => Math.exp(timeLogSd * normalQuantile(quantile));

/** Chance that a cook of `medianMin` is done within `availableMin`. */
export function chanceWithin(timeLogSd: number, medianMin: number, availableMin: number): number {
  if (availableMin <= 0) return 0;
  return normalCumulative(Math.log(availableMin / medianMin) / timeLogSd);
}

/** Standard normal distribution function (Abramowitz & Stegun 26.2.17, error below 7.5e-8). */
function normalCumulative(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    Math.exp((-z * z) / 2) *
    0.3989422804014327 *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}
