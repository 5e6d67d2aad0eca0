/** Heights in the drawing. */
export const LANE_PX = 17;
export const BAR_PX = 14;
export const GAP_PX = 5;

/** Bars of a lane do not touch. */
const APART_PX = 2;

/** Puts spans into as few lanes as possible, in order of their start. */
export function lanesOf(spans: { x0: number; x1: number }[]): number[] {
  const ends: number[] = [];
  return spans.map((span) => {
    const free = ends.findIndex((end) => end + APART_PX <= span.x0 + 0.5);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = span.x1;
    return lane;
  });
}
