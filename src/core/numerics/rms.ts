/** Root mean square; NaN of nothing. */
export const rms = (values: readonly number[]): number => Math.sqrt(values.reduce((sum, each) => sum + each ** 2, 0) / values.length);
