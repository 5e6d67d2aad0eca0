/** What comes out of a fire, as it can be seen. */
export interface Smoke {
  /** How thick it is, 0 (only heat shimmers) to 1 (nothing can be seen through it). */
  thickness: number;
  /** Share of it that was not burned: white and wet, bitter on meat. */
  dirtyShare: number;
  /** Share of it that is soot: grease that burns. */
  sootShare: number;
}

export const NO_SMOKE: Smoke = Object.freeze({ thickness: 0, dirtyShare: 0, sootShare: 0 });

/** The words a cook has for it. */
export const SMOKE_WORDS = ['none', 'blue', 'grey', 'white', 'black'] as const;
export type SmokeWord = (typeof SMOKE_WORDS)[number];

export function smokeWord({ thickness, dirtyShare, sootShare }: Smoke): SmokeWord {
  if (thickness < 0.05) return 'none';
  if (sootShare > 0.4) return 'black';
  if (dirtyShare < 0.3) return 'blue';
  return thickness > 0.45 && dirtyShare > 0.5 ? 'white' : 'grey';
}
