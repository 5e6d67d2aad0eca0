/** Litres that a kilogram takes in the cold: meat in its pack, and everything else in tubs with air around them. */
export const COLD_LITRES_PER_KG = Object.freeze({ meat: 1.7, side: 1.4 });

/** Something that lies in the cold for a while. Half-open in time. */
export interface ColdUse {
  id: string;
  litres: number;
  fromMs: number;
  toMs: number;
}

export interface ColdMoment {
  fromMs: number;
  toMs: number;
  litres: number;
  ids: string[];
}

/** How full the cold is over time: one moment between every two changes, in order. */
export function coldMoments(uses: readonly ColdUse[]): ColdMoment[] {
  const edges = [...new Set(uses.filter((use) => use.toMs > use.fromMs).flatMap((use) => [use.fromMs, use.toMs]))].sort((a, b) => a - b);
  return edges.slice(0, -1).map((fromMs, i) => {
    const here = uses.filter((use) => use.fromMs <= fromMs && use.toMs > fromMs);
    return { fromMs, toMs: edges[i + 1]!, litres: here.reduce((sum, use) => sum + use.litres, 0), ids: here.map((use) => use.id) };
  });
}

/** The moments that ask more than there is. */
export const overFull = (moments: readonly ColdMoment[], litres: number): ColdMoment[] =>
  moments.filter((moment) => moment.litres > litres + 1e-9);
