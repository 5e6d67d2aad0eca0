import type { Pit, Rack } from '../../core/model';
import { claimedMm2, floorMm2, floorOf } from '../../core/packing';
import type { MapPiece } from '../../core/planning';
import { MS_PER_MIN } from '../../core/units';
import { depthOf, RIM_MM } from './RackFloor';

export const isAt = (piece: MapPiece, atMs: number): boolean => piece.fromMs <= atMs && piece.toMs > atMs;

/** From when to when anything lies in the pit. */
export function spanOf(pieces: readonly Pick<MapPiece, 'fromMs' | 'toMs'>[]): { fromMs: number; toMs: number } {
  if (pieces.length === 0) return { fromMs: 0, toMs: 2 * MS_PER_MIN };
  return { fromMs: Math.min(...pieces.map((piece) => piece.fromMs)), toMs: Math.max(...pieces.map((piece) => piece.toMs)) };
}

/** The first moment at which most lies in the pit. */
export function fullestMs(pieces: readonly MapPiece[]): number {
  let best = pieces[0]?.fromMs ?? 0;
  let most = 0;
  for (const { fromMs } of [...pieces].sort((a, b) => a.fromMs - b.fromMs)) {
    const count = pieces.filter((piece) => isAt(piece, fromMs)).length;
    if (count > most) {
      most = count;
      best = fromMs;
    }
  }
  return best;
}

/** How full a rack is, gaps counted. */
export const fullShare = (rack: Rack, pieces: readonly MapPiece[]): number =>
  pieces.reduce((sum, piece) => sum + claimedMm2({ lengthMm: piece.widthMm, widthMm: piece.depthMm }), 0) /
  floorMm2(floorOf(rack), rack.blocked);

const LARGEST_PX_PER_MM = 0.56;
const TALLEST_PX = 500;
const BETWEEN_PX = 24;

/** The scale at which all racks of a pit can be seen together: as many abreast as makes them largest. */
export function scaleFor({ racks }: Pit, widthPx: number): number {
  const widestMm = Math.max(...racks.map((rack) => rack.widthMm)) + 2 * RIM_MM;
  const depthsMm = [...racks].sort((a, b) => b.level - a.level).map((rack) => depthOf(rack) + 2 * RIM_MM);
  const scales = racks.map((_, i) => {
    const abreast = i + 1;
    const rowsMm = depthsMm.reduce(
      (sum, depthMm, k) => (k % abreast === 0 ? sum + Math.max(depthMm, ...depthsMm.slice(k, k + abreast)) : sum),
      0,
    );
    return Math.min((widthPx - BETWEEN_PX * abreast) / (widestMm * abreast), TALLEST_PX / rowsMm);
  });
  // On a phone the width alone decides: there one scrolls.
  const narrow = (widthPx - BETWEEN_PX) / widestMm;
  return Math.min(LARGEST_PX_PER_MM, widthPx < 600 ? narrow : Math.max(...scales));
}
