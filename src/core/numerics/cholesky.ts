/** A lower factor L of a symmetric positive definite matrix A = L L', row after row; what is above its diagonal is not used. */
export interface LowerFactor {
  size: number;
  rows: Float64Array;
}

/** Factor of `matrix(row, column)`; only column <= row is asked for. */
export function choleskyFactor(matrix: (row: number, column: number) => number, size: number): LowerFactor {
  const rows = new Float64Array(size * size);
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix(i, j);
      for (let k = 0; k < j; k++) sum -= rows[i * size + k]! * rows[j * size + k]!;
      rows[i * size + j] = i === j ? Math.sqrt(Math.max(sum, 1e-300)) : sum / rows[j * size + j]!;
    }
  return { size, rows };
}

/** Solves L y = b in place, b standing at `from` in `values`. */
export function forwardSolve({ size, rows }: LowerFactor, values: Float64Array, from = 0): void {
  for (let i = 0; i < size; i++) {
    let sum = values[from + i]!;
    for (let k = 0; k < i; k++) sum -= rows[i * size + k]! * values[from + k]!;
    values[from + i] = sum / rows[i * size + i]!;
  }
}

/** Solves L L' x = b. */
export function choleskySolve(lower: LowerFactor, b: ArrayLike<number>): Float64Array {
  const { size, rows } = lower;
  const x = Float64Array.from(b);
  forwardSolve(lower, x);
  for (let i = size - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let k = i + 1; k < size; k++) sum -= rows[k * size + i]! * x[k]!;
    x[i] = sum / rows[i * size + i]!;
  }
  return x;
}
