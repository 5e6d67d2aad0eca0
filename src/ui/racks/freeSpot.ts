import type { Rack } from '../../core/model';
import { AIR_GAP_MM, arrange, floorOf } from '../../core/packing';
import type { MapPiece } from '../../core/planning';

/** A free spot for a piece among others, or the near left corner where there is none. */
export function freeSpot(rack: Rack, piece: MapPiece, others: readonly MapPiece[]): { xMm: number; yMm: number; turned: boolean } {
  const ground = { floor: floorOf(rack), gapMm: AIR_GAP_MM, taken: others, blocked: rack.blocked ?? [], bands: rack.zones };
  const [lengthMm, widthMm] = piece.turned ? [piece.depthMm, piece.widthMm] : [piece.widthMm, piece.depthMm];
  const [spot] = arrange(ground, [{ id: piece.key, lengthMm, widthMm }], { exactNodes: 0, skylines: 0 }).placed;
  return spot ? { xMm: spot.xMm, yMm: spot.yMm, turned: spot.turned } : { xMm: 0, yMm: 0, turned: piece.turned };
}
