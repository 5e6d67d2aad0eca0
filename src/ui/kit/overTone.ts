/** Short by less than this is what whole pieces and scales come to: neither well nor ill. */
const SHORT_SHARE = 0.03;

/** How what there is beside what is needed reads: amber where it is short, green where some is over, plain between. */
export const overTone = (share: number): string =>
  share < -SHORT_SHARE ? 'text-warn' : Math.round(share * 100) > 0 ? 'text-safe' : 'text-soft';
