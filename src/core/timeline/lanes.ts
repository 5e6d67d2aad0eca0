/** Heights in the drawing. */
export const LANE_PX = 23;
export const BAR_PX = 18;
export const GAP_PX = 7;

/** Puts spans into as few lanes as possible, in order of their start. */
export function lanesOf(spans: { x0: number; x1: number }[]): number[] {
  const ends: number[] = [];
  return spans.map((span) => {
    const free = ends.findIndex((end) => end <= span.x0 + 0.5);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = span.x1;
    return lane;
  });
}

/** Names of short bars stand left of them; bars of one lane leave room for that. */
const NAME_PX = 118;
export const named = ({ x0, x1 }: { x0: number; x1: number }) => ({ x0: x1 - x0 > NAME_PX ? x0 : x0 - NAME_PX, x1 });
