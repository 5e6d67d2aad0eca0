import { choleskyFactor, choleskySolve } from './cholesky';

export interface LeastSquaresOptions {
  rounds: number;
}

/**
 * Levenberg-Marquardt with a forward-difference Jacobian: minimises the sum of squared residuals
 * from `start`, for at most `rounds` accepted or refused steps. Deterministic.
 */
export function levenbergMarquardt(residuals: (x: ArrayLike<number>) => number[], start: number[], options: LeastSquaresOptions): number[] {
  let x = [...start];
  let r = residuals(x);
  let cost = sumOfSquares(r);
  let damping = 1e-2;
  let jacobian = differentiate(residuals, x, r);
  for (let round = 0; round < options.rounds; round++) {
    const step = solveDamped(jacobian, r, damping);
    const candidate = x.map((value, i) => value - step[i]!);
    const next = residuals(candidate);
    const nextCost = sumOfSquares(next);
    if (nextCost < cost) {
      const gained = (cost - nextCost) / cost;
      x = candidate;
      r = next;
      cost = nextCost;
      damping = Math.max(damping / 5, 1e-9);
      if (gained < 1e-6) break;
      jacobian = differentiate(residuals, x, r);
    } else {
      damping *= 4;
      if (damping > 1e8) break;
    }
  }
  return x;
}

const sumOfSquares = (values: number[]) => values.reduce((sum, value) => sum + value * value, 0);

/** Wide enough to step over the jumps of a wrap that moves by a whole time step. */
const DIFFERENCE = 1.5e-2;

function differentiate(residuals: (x: ArrayLike<number>) => number[], x: number[], at: number[]): number[][] {
  return x.map((value, i) => {
    const moved = [...x];
    moved[i] = value + DIFFERENCE;
    return residuals(moved).map((residual, row) => (residual - at[row]!) / DIFFERENCE);
  });
}

/** Solves (J'J + damping diag(J'J)) step = J'r; `columns[i]` is column i of J. */
function solveDamped(columns: number[][], r: number[], damping: number): Float64Array {
  const dot = (a: number[], b: number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0);
  const normal = (i: number, j: number) => {
    const sum = dot(columns[i]!, columns[j]!);
    return i === j ? sum * (1 + damping) + 1e-12 : sum;
  };
  const y = columns.map((column) => dot(column, r));
  return choleskySolve(choleskyFactor(normal, columns.length), y);
}
