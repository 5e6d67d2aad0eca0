/** How much longer or shorter than the model says, in words. */
export const againstModel = (ratio: number): string => {
  const share = Math.round((ratio - 1) * 100);
  return share === 0 ? 'as forecast' : `${Math.abs(share)} % ${share > 0 ? 'longer' : 'shorter'}`;
};
