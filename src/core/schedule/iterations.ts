/** So much work in all, shared out among batches: a move in a plan of many batches takes longer. */
const WORK = 48_000;
const MOST_ITERATIONS = 1200;
const FEWEST_ITERATIONS = 900;

export const usualIterations = (batches: number): number =>
  Math.max(FEWEST_ITERATIONS, Math.min(MOST_ITERATIONS, Math.round(WORK / Math.max(1, batches))));
