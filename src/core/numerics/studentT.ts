import { normalQuantile } from './normal';

/** ln Gamma(x) for x > 0 by Stirling's series after a shift to x >= 7 (error below 1e-12). */
function logGamma(x: number): number {
  let shift = 0;
  while (x < 7) shift -= Math.log(x++);
  const inverse = 1 / (x * x);
  const series = (1 / 12 - inverse * (1 / 360 - inverse * (1 / 1260 - inverse / 1680))) / x;
  return shift + (x - 0.5) * Math.log(x) - x + 0.5 * Math.log(2 * Math.PI) + series;
}

const MOST_TERMS = 300;
const CLOSE = 1e-14;

/** Regularised incomplete beta function I_x(a, b) by its continued fraction (DLMF 8.17.22, modified Lentz). */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  // The fraction converges fast on this side of its mean only.
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  for (let m = 1; m < MOST_TERMS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d);
    c = 1 + even / c;
    fraction *= c * d;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + odd * d);
    c = 1 + odd / c;
    fraction *= c * d;
    if (Math.abs(c * d - 1) < CLOSE) break;
  }
  return front * fraction;
}

/** Distribution function of Student's t with `freedom` degrees. */
export function studentCumulative(t: number, freedom: number): number {
  const tail = incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
  return t >= 0 ? 1 - tail : tail;
}

/** Density of Student's t, for Newton's step. */
const studentDensity = (t: number, freedom: number): number =>
  Math.exp(
    logGamma((freedom + 1) / 2) -
      logGamma(freedom / 2) -
      0.5 * Math.log(freedom * Math.PI) -
      ((freedom + 1) / 2) * Math.log1p((t * t) / freedom),
  );

const NEWTON_STEPS = 30;

/** Quantile of Student's t with `freedom` degrees (3 or more), 0 < p < 1: Newton's method from the normal quantile. */
export function studentQuantile(p: number, freedom: number): number {
  if (p < 0.5) return -studentQuantile(1 - p, freedom);
  let t = normalQuantile(p);
  // The distribution function is concave above its middle: from below, Newton's steps never overshoot.
  for (let i = 0; i < NEWTON_STEPS; i++) {
    const step = (p - studentCumulative(t, freedom)) / studentDensity(t, freedom);
    t += step;
    if (Math.abs(step) < 1e-12 * (1 + t)) break;
  }
  return t;
}
