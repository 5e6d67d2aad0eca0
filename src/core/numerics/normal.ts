/**
 * Quantile of the standard normal distribution for 0 < p < 1 (Acklam's rational approximation,
 * relative error below 1.2e-9).
 */
export function normalQuantile(p: number): number {
  const a = [-3.969683028665376e1, 2.209460984245205e2, -2.759285104469687e2, 1.38357751867269e2, -3.066479806614716e1, 2.506628277459239];
  const b = [-5.447609879822406e1, 1.615858368580409e2, -1.556989798598866e2, 6.680131188771972e1, -1.328068155288572e1];
  const c = [-7.784894002430293e-3, -3.223964580411365e-1, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783];
  const d = [7.784695709041462e-3, 3.224671290700398e-1, 2.445134137142996, 3.754408661907416];
  const horner = (coefficients: number[], x: number) => coefficients.reduce((sum, each) => sum * x + each, 0);
  const tail = (q: number) => horner(c, q) / (horner(d, q) * q + 1);
  if (p < 0.02425) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 1 - 0.02425) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  const r = q * q;
  return (horner(a, r) * q) / (horner(b, r) * r + 1);
}

/** Distribution function of the standard normal (Abramowitz & Stegun 26.2.17, absolute error below 7.5e-8). */
export function normalCumulative(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * series;
  return x >= 0 ? 1 - tail : tail;
}
