import type { Rack, Rect } from '../model';

/**
 * A rack from above, mm. x runs to the right along the width, y away from the door, from the near
 * left corner; a round rack's from the corner of its bounding square.
 */
export interface Floor {
  widthMm: number;
  depthMm: number;
  /** A circle of this diameter inside the square. */
  round?: boolean;
}

/** Air all round a piece. */
export const AIR_GAP_MM = 25;

/** A rack as a floor in whole millimetres: what is laid is written down in them. */
export const floorOf = (rack: Pick<Rack, 'widthMm' | 'depthMm' | 'round'>): Floor => ({
  widthMm: Math.floor(rack.widthMm),
  depthMm: Math.floor(rack.round ? rack.widthMm : rack.depthMm),
  round: rack.round,
});

/** Area a piece claims: with half a gap all round, so that pieces and gaps together can fill a rack to the last mm2. */
export const claimedMm2 = (piece: { lengthMm: number; widthMm: number }): number =>
  (piece.lengthMm + AIR_GAP_MM) * (piece.widthMm + AIR_GAP_MM);

const TOUCH_MM = 1e-6;

/** Whether a rectangle lies wholly on the floor; on a round one its four corners lie inside the circle. Walls need no gap. */
export function isOnFloor(floor: Floor, { xMm, yMm, widthMm, depthMm }: Rect): boolean {
  if (xMm < -TOUCH_MM || yMm < -TOUCH_MM || xMm + widthMm > floor.widthMm + TOUCH_MM || yMm + depthMm > floor.depthMm + TOUCH_MM)
    return false;
  if (!floor.round) return true;
  const radius = floor.widthMm / 2;
  const u = Math.abs(xMm + widthMm / 2 - radius) + widthMm / 2;
  const v = Math.abs(yMm + depthMm / 2 - radius) + depthMm / 2;
  return u * u + v * v <= radius * radius + TOUCH_MM * radius;
}

/** Whether two rectangles are nearer than `gapMm` in both directions; at a gap of nothing, whether they overlap. */
export const isTooNear = (a: Rect, b: Rect, gapMm: number): boolean =>
  a.xMm < b.xMm + b.widthMm + gapMm - TOUCH_MM &&
  b.xMm < a.xMm + a.widthMm + gapMm - TOUCH_MM &&
  a.yMm < b.yMm + b.depthMm + gapMm - TOUCH_MM &&
  b.yMm < a.yMm + a.depthMm + gapMm - TOUCH_MM;

/** How far apart two rectangles are, mm: the larger of the distances in x and in y, negative when they overlap. */
export const apartMm = (a: Rect, b: Rect): number =>
  Math.max(a.xMm - b.xMm - b.widthMm, b.xMm - a.xMm - a.widthMm, a.yMm - b.yMm - b.depthMm, b.yMm - a.yMm - a.depthMm);

/** What pieces may claim of a rack at most, mm2: walls need no gap, blocked parts give none. */
export function floorMm2(floor: Floor, blocked: readonly Rect[] = []): number {
  const open = floor.round
    ? (Math.PI / 4) * (floor.widthMm + AIR_GAP_MM) ** 2
    : (floor.widthMm + AIR_GAP_MM) * (floor.depthMm + AIR_GAP_MM);
  return Math.max(1, open - blocked.reduce((sum, part) => sum + part.widthMm * part.depthMm, 0));
}
