import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { LayInput } from '../inputs';
import { changeSeen } from './changeEvent';
import type { Context } from './context';
import { listEquipment } from './reading';

/** Every place given by hand. Places of pieces, pits or racks that are gone fall away. */
export async function layPieces(context: Context, input: LayInput): Promise<Outcome<CookEvent>> {
  const { pits } = await listEquipment(context);
  return changeSeen(context, input, (event) => {
    const manualPlacements = input.manualPlacements
      .filter(
        ({ batchId, pieceId, pitId, rackId }) =>
          event.batches.some((batch) => batch.id === batchId && batch.pieces.some((piece) => piece.id === pieceId)) &&
          pits.some((pit) => pit.id === pitId && pit.racks.some((rack) => rack.id === rackId)),
      )
      .map((each) => ({ ...each }));
    const keys = manualPlacements.map(({ batchId, pieceId, pitId }) => `${batchId}/${pieceId}/${pitId}`);
    if (new Set(keys).size !== keys.length) return failure({ code: 'placedTwice' });
    return success({ ...event, manualPlacements: manualPlacements.length > 0 ? manualPlacements : undefined });
  });
}
