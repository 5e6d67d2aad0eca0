import type { Rect } from '../model';
import { isOnFloor, type Floor } from './floor';

/**
 * Free space on a rack as all its maximal free rectangles, kept in "grown" coordinates: every piece,
 * and the floor, is grown by the gap to the right and away from the door, so that pieces that just
 * keep the gap just touch.
 */
interface Space {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export interface Spaces {
  floor: Floor;
  gapMm: number;
  free: Space[];
}

const EPS_MM = 1e-6;

export const openFloor = (floor: Floor, gapMm: number): Spaces => ({
  floor,
  gapMm,
  free: [{ x0: 0, y0: 0, x1: floor.widthMm + gapMm, y1: floor.depthMm + gapMm }],
});

/** Takes a piece's place away from the free space: nothing may come nearer than the gap. */
export const takePiece = (spaces: Spaces, { xMm, yMm, widthMm, depthMm }: Rect): Spaces =>
  without(spaces, xMm, yMm, xMm + widthMm + spaces.gapMm, yMm + depthMm + spaces.gapMm);

/** Takes a blocked part away: pieces may touch it. Its near edges count from where a grown piece would end. */
export const takeBlocked = (spaces: Spaces, { xMm, yMm, widthMm, depthMm }: Rect): Spaces =>
  without(spaces, xMm + spaces.gapMm, yMm + spaces.gapMm, xMm + widthMm, yMm + depthMm);

function without(spaces: Spaces, x0: number, y0: number, x1: number, y1: number): Spaces {
  const kept: Space[] = [];
  const cut: Space[] = [];
  for (const space of spaces.free) {
    if (x0 >= space.x1 - EPS_MM || x1 <= space.x0 + EPS_MM || y0 >= space.y1 - EPS_MM || y1 <= space.y0 + EPS_MM) {
      kept.push(space);
      continue;
    }
    if (x0 > space.x0 + EPS_MM) cut.push({ ...space, x1: Math.min(space.x1, x0) });
    if (x1 < space.x1 - EPS_MM) cut.push({ ...space, x0: Math.max(space.x0, x1) });
    if (y0 > space.y0 + EPS_MM) cut.push({ ...space, y1: Math.min(space.y1, y0) });
    if (y1 < space.y1 - EPS_MM) cut.push({ ...space, y0: Math.max(space.y0, y1) });
  }
  // What is cut may lie inside another; what was kept never lies inside what was cut from its peers.
  const free = kept;
  for (let i = 0; i < cut.length; i++) {
    const space = cut[i]!;
    const inside =
      kept.some((other) => contains(other, space)) ||
      cut.some((other, j) => j !== i && contains(other, space) && (j < i || !contains(space, other)));
    if (!inside) free.push(space);
  }
  return { ...spaces, free };
}

const contains = (outer: Space, inner: Space): boolean =>
  outer.x0 <= inner.x0 + EPS_MM && outer.y0 <= inner.y0 + EPS_MM && outer.x1 >= inner.x1 - EPS_MM && outer.y1 >= inner.y1 - EPS_MM;

/** A spot for a piece of this size, with how snugly it sits: less is snugger, short side before long. */
export interface Spot extends Rect {
  turned: boolean;
  shortLeftMm: number;
  longLeftMm: number;
}

/** Every corner spot of every free rectangle for a piece lying straight or turned. */
export function spotsFor(spaces: Spaces, lengthMm: number, widthMm: number): Spot[] {
  const spots: Spot[] = [];
  const lay = (wMm: number, dMm: number, turned: boolean) => {
    const w = wMm + spaces.gapMm;
    const d = dMm + spaces.gapMm;
    for (const space of spaces.free) {
      const overX = space.x1 - space.x0 - w;
      const overY = space.y1 - space.y0 - d;
      if (overX < -EPS_MM || overY < -EPS_MM) continue;
      const shortLeftMm = Math.max(0, Math.min(overX, overY));
      const longLeftMm = Math.max(overX, overY);
      const put = (xMm: number, yMm: number) => spots.push({ xMm, yMm, widthMm: wMm, depthMm: dMm, turned, shortLeftMm, longLeftMm });
      const x1 = space.x1 - w;
      const y1 = space.y1 - d;
      if (spaces.floor.round) roundCorners(spaces.floor, space.x0, Math.max(space.x0, x1), space.y0, Math.max(space.y0, y1), wMm, dMm, put);
      else {
        put(space.x0, space.y0);
        if (overX > EPS_MM) put(x1, space.y0);
        if (overY > EPS_MM) put(space.x0, y1);
        if (overX > EPS_MM && overY > EPS_MM) put(x1, y1);
      }
    }
  };
  lay(lengthMm, widthMm, false);
  if (Math.abs(lengthMm - widthMm) > EPS_MM) lay(widthMm, lengthMm, true);
  return spots;
}

/**
 * On a circle the near left corner of a piece may lie anywhere in a convex region; its extremes
 * within the free rectangle stand in for corners: pushed all the way one way first, then the other.
 */
function roundCorners(
  floor: Floor,
  x0: number,
  x1: number,
  y0: number,
  y1: number,
  widthMm: number,
  depthMm: number,
  put: (xMm: number, yMm: number) => void,
): void {
  const radius = floor.widthMm / 2;
  const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
  const midX = clamp(radius - widthMm / 2, x0, x1);
  const midY = clamp(radius - depthMm / 2, y0, y1);
  if (!isOnFloor(floor, { xMm: midX, yMm: midY, widthMm, depthMm })) return;
  /** How far the middle may stray in one direction when it strays this far in the other. */
  const strayMm = (half: number, otherStray: number, otherHalf: number) =>
    Math.sqrt(Math.max(0, radius ** 2 - (Math.abs(otherStray) + otherHalf) ** 2)) - half;
  const spanX = (yMm: number): [number, number] => {
    const stray = strayMm(widthMm / 2, yMm + depthMm / 2 - radius, depthMm / 2);
    return [clamp(radius - stray - widthMm / 2, x0, x1), clamp(radius + stray - widthMm / 2, x0, x1)];
  };
  const spanY = (xMm: number): [number, number] => {
    const stray = strayMm(depthMm / 2, xMm + widthMm / 2 - radius, widthMm / 2);
    return [clamp(radius - stray - depthMm / 2, y0, y1), clamp(radius + stray - depthMm / 2, y0, y1)];
  };
  const seen = new Set<string>();
  const offer = (xMm: number, yMm: number) => {
    // Whole millimetres where they still lie on the grate: the plan is written in them.
    const x = Math.ceil(xMm - EPS_MM);
    const y = Math.ceil(yMm - EPS_MM);
    const whole = x <= x1 + EPS_MM && y <= y1 + EPS_MM && isOnFloor(floor, { xMm: x, yMm: y, widthMm, depthMm });
    const [putX, putY] = whole ? [x, y] : [Math.floor(xMm + EPS_MM), Math.floor(yMm + EPS_MM)];
    if (putX < x0 - EPS_MM || putY < y0 - EPS_MM || !isOnFloor(floor, { xMm: putX, yMm: putY, widthMm, depthMm })) return;
    const key = `${putX}/${putY}`;
    if (seen.has(key)) return;
    seen.add(key);
    put(putX, putY);
  };
  for (const xMm of spanX(midY)) for (const yMm of spanY(xMm)) offer(xMm, yMm);
  for (const yMm of spanY(midX)) for (const xMm of spanX(yMm)) offer(xMm, yMm);
  offer(midX, midY);
}

/** The largest free rectangle that comes nearest to taking a piece, and how much it lacks, mm: 0 when it would do. */
export function lacksMm(spaces: Spaces, lengthMm: number, widthMm: number): number {
  let least = Infinity;
  for (const { x0, y0, x1, y1 } of spaces.free) {
    const width = x1 - x0 - spaces.gapMm;
    const depth = y1 - y0 - spaces.gapMm;
    least = Math.min(
      least,
      Math.max(0, lengthMm - width) + Math.max(0, widthMm - depth),
      Math.max(0, widthMm - width) + Math.max(0, lengthMm - depth),
    );
  }
  return least;
}
