export interface FinishByOffset {
  key: string;
  /** Minutes on the pit to the median finish at each offset, in order of offset. */
  points: { offsetC: number; medianMin: number }[];
}

/** The finish at any offset, in a straight line between those worked out. */
export function medianMinAt({ points }: FinishByOffset, offsetC: number): number {
  const after = points.findIndex((point) => point.offsetC >= offsetC);
  if (after <= 0) return (after === 0 ? points[0] : points.at(-1))!.medianMin;
  const [a, b] = [points[after - 1]!, points[after]!];
  return a.medianMin + ((b.medianMin - a.medianMin) * (offsetC - a.offsetC)) / (b.offsetC - a.offsetC);
}
