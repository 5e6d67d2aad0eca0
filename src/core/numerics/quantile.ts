/** Quantile of samples already in ascending order, by linear interpolation between order statistics (type 7). */
export function quantileSorted(sorted: ArrayLike<number>, share: number): number {
  const n = sorted.length;
  if (n === 0) return Number.NaN;
  const at = Math.min(n - 1, Math.max(0, share * (n - 1)));
  const low = Math.floor(at);
  const high = Math.min(low + 1, n - 1);
  return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!);
}

/** Quantile of samples in any order. */
export const quantile = (samples: ArrayLike<number>, share: number): number => quantileSorted(Float64Array.from(samples).sort(), share);
