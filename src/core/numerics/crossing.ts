/** Where a straight line between two samples crosses `level`; `t` and the answer share a unit. */
export function crossingBetween(t0: number, y0: number, t1: number, y1: number, level: number): number {
  if (y1 === y0) return t1;
  return t0 + ((level - y0) / (y1 - y0)) * (t1 - t0);
}
