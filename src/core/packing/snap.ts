import type { Rack, Rect } from '../model';
import { AIR_GAP_MM, floorOf } from './floor';

/** How near an edge must come to a wall or a neighbour's gap to jump there. */
const SNAP_MM = 18;

/**
 * A dragged piece pulled onto the nearest lines worth lying at: a wall, a blocked part's edge, just
 * the air gap from a neighbour, or flush with one. Each direction for itself, in whole mm.
 */
export function snapPlace(rack: Rack, place: Rect, others: readonly Rect[], gapMm: number = AIR_GAP_MM): Rect {
  const floor = floorOf(rack);
  const walls = rack.round ? { x: [], y: [] } : { x: [0, floor.widthMm - place.widthMm], y: [0, floor.depthMm - place.depthMm] };
  const x: number[] = [...walls.x];
  const y: number[] = [...walls.y];
  for (const part of rack.blocked ?? []) {
    x.push(part.xMm + part.widthMm, part.xMm - place.widthMm);
    y.push(part.yMm + part.depthMm, part.yMm - place.depthMm);
  }
  for (const other of others) {
    x.push(other.xMm + other.widthMm + gapMm, other.xMm - gapMm - place.widthMm, other.xMm);
    y.push(other.yMm + other.depthMm + gapMm, other.yMm - gapMm - place.depthMm, other.yMm);
  }
  const nearest = (at: number, lines: readonly number[]) => {
    let best = Math.round(at);
    let bestMm = SNAP_MM;
    for (const line of lines) {
      const off = Math.abs(line - at);
      if (off < bestMm) {
        bestMm = off;
        best = line;
      }
    }
    return Math.round(best);
  };
  return { ...place, xMm: nearest(place.xMm, x), yMm: nearest(place.yMm, y) };
}
