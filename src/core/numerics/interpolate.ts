/** Where a straight line between two samples crosses `level`; `t` and the answer share a unit. */
export function crossingBetween(t0: number, y0: number, t1: number, y1: number, level: number): number {
  if (y1 === y0) return t1;
  return t0 + ((level - y0) / (y1 - y0)) * (t1 - t0);
}

/** Linear interpolation of samples `ys` at ascending `xs`, held flat beyond both ends. */
export function interpolate(xs: ArrayLike<number>, ys: ArrayLike<number>, x: number): number {
  const n = xs.length;
  if (n === 0) return Number.NaN;
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[n - 1]!) return ys[n - 1]!;
  let low = 0;
  let high = n - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (xs[middle]! <= x) low = middle;
    else high = middle;
  }
  const share = (x - xs[low]!) / (xs[high]! - xs[low]!);
  return ys[low]! + share * (ys[high]! - ys[low]!);
}
