import { cutIn, isPoultry, pieceSize, type ManualPlacement, type Plan, type Rack, type RackSide, type Run } from '../model';
import { hotSideOf, thickEndOf, zoneOffsetC, type Occupancy } from '../packing';
import type { PlanInput } from './planInput';

/** A piece on a rack of the map, with all that is shown of it. */
export interface MapPiece extends Occupancy {
  key: string;
  run: Run;
  pitId: string;
  turned: boolean;
  /** Which way its thick end points; none where both ends are alike. */
  thickEnd?: RackSide;
  offsetC: number;
  wrappedFromMs?: number;
  medianMs: number;
  /** Given by hand rather than by the plan. */
  byHand: boolean;
}

export const keyOf = (batchId: string, pieceId: string) => `${batchId}/${pieceId}`;

/** Every piece that lies in a pit at any time, once for each stay. */
export function mapPieces({ event, library }: Pick<PlanInput, 'event' | 'library'>, plan: Plan, pitId: string): MapPiece[] {
  return plan.runs.flatMap((run) => {
    const batch = event.batches.find((each) => each.id === run.batchId);
    const cut = batch && cutIn(library, batch.cutId);
    if (!batch || !cut) return [];
    return run.legs
      .filter((leg) => leg.pitId === pitId)
      .flatMap((leg) =>
        leg.places.flatMap((place): MapPiece[] => {
          const piece = batch.pieces.find((each) => each.id === place.pieceId);
          if (!piece) return [];
          return [
            {
              ...place,
              thickEnd: cut.thinEnd && place.thickEnd,
              key: keyOf(batch.id, piece.id),
              piece: { batchId: batch.id, pieceId: piece.id },
              run,
              pitId,
              rackId: leg.rackId,
              kg: piece.kg,
              thicknessMm: pieceSize(cut, piece.kg, piece.thicknessMm).thicknessMm,
              poultry: isPoultry(cut),
              fromMs: leg.fromMs,
              toMs: leg.toMs,
              wrappedFromMs: run.wrapAtMs,
              medianMs: run.pulls.find((pull) => pull.pieceId === piece.id)?.medianMs ?? run.pullMedianMs,
              byHand: (event.manualPlacements ?? []).some(
                (manualPlacements) =>
                  manualPlacements.batchId === batch.id && manualPlacements.pieceId === piece.id && manualPlacements.pitId === pitId,
              ),
            },
          ];
        }),
      );
  });
}

/** A piece as it would lie elsewhere on its rack, or on another. */
export function movedPiece(piece: MapPiece, rack: Rack, at: { xMm: number; yMm: number; turned: boolean }): MapPiece {
  const swap = at.turned !== piece.turned;
  const [widthMm, depthMm] = swap ? [piece.depthMm, piece.widthMm] : [piece.widthMm, piece.depthMm];
  return {
    ...piece,
    rackId: rack.id,
    ...at,
    widthMm,
    depthMm,
    thickEnd: piece.thickEnd && thickEndOf({ widthMm, depthMm }, hotSideOf(rack)),
    offsetC: zoneOffsetC(rack.zones ?? [], { xMm: at.xMm, widthMm }),
  };
}

const placementsFrom = ({ piece, pitId, rackId, xMm, yMm, turned }: MapPiece): ManualPlacement => ({
  ...piece,
  pitId,
  rackId,
  xMm,
  yMm,
  turned,
});

/**
 * The places by hand after a piece was moved: what it shares a rack and an hour with, there and where
 * it came from, is pinned where it lies, so that nothing else jumps. In another pit's place, the piece
 * leaves this one's.
 */
export function placementsAfter(
  manualPlacements: readonly ManualPlacement[],
  all: readonly MapPiece[],
  from: MapPiece,
  to: MapPiece,
): ManualPlacement[] {
  const near = all.filter(
    (other) =>
      other.key !== from.key &&
      (other.rackId === from.rackId || other.rackId === to.rackId) &&
      other.fromMs < to.toMs &&
      other.toMs > to.fromMs,
  );
  const pinned = [placementsFrom(to), ...near.map(placementsFrom)];
  // A piece may have a place in each of two pits: only those it leaves or gets anew are replaced.
  const placeOf = (batchId: string, pieceId: string, pitId: string) => `${keyOf(batchId, pieceId)} in ${pitId}`;
  const replaced = new Set([
    placeOf(from.piece.batchId, from.piece.pieceId, from.pitId),
    ...pinned.map((each) => placeOf(each.batchId, each.pieceId, each.pitId)),
  ]);
  return [...pinned, ...manualPlacements.filter((each) => !replaced.has(placeOf(each.batchId, each.pieceId, each.pitId)))];
}
