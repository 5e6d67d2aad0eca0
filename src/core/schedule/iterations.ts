/** So much work in all, shared out among batches: a plan of few batches is searched longer than one of many. */
const PLACEMENTS = 10_000;
const MOST_ITERATIONS = 1200;
const FEWEST_ITERATIONS = 200;

export const usualIterations = (batches: number): number =>
  Math.max(FEWEST_ITERATIONS, Math.min(MOST_ITERATIONS, Math.round(PLACEMENTS / Math.max(1, batches))));
