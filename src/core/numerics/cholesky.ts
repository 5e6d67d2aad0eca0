/** Lower factor L of a symmetric positive definite matrix A = L L', by rows. */
export function choleskyFactor(matrix: (row: number, column: number) => number, size: number): number[][] {
  const lower: number[][] = [];
  for (let i = 0; i < size; i++) {
    lower.push([]);
    for (let j = 0; j <= i; j++) {
      let sum = matrix(i, j);
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
      lower[i]!.push(i === j ? Math.sqrt(Math.max(sum, 1e-300)) : sum / lower[j]![j]!);
    }
  }
  return lower;
}

/** Solves L y = b. */
export function forwardSolve(lower: readonly number[][], b: readonly number[]): number[] {
  const y = [...b];
  for (let i = 0; i < y.length; i++) {
    for (let k = 0; k < i; k++) y[i]! -= lower[i]![k]! * y[k]!;
    y[i]! /= lower[i]![i]!;
  }
  return y;
}

/** Solves L L' x = b. */
export function choleskySolve(lower: readonly number[][], b: readonly number[]): number[] {
  const x = forwardSolve(lower, b);
  for (let i = x.length - 1; i >= 0; i--) {
    for (let k = i + 1; k < x.length; k++) x[i]! -= lower[k]![i]! * x[k]!;
    x[i]! /= lower[i]![i]!;
  }
  return x;
}
