import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { LayInput } from '../doors';
import { changeSeen } from './changeEvent';
import type { House } from './house';
import { listEquipment } from './reading';

/** Every place given by hand. Places of pieces, pits or racks that are gone fall away. */
export async function layPieces(house: House, input: LayInput): Promise<Outcome<CookEvent>> {
  const { pits } = await listEquipment(house);
  return changeSeen(house, input, (event) => {
    const laid = input.laid
      .filter(
        ({ batchId, pieceId, pitId, rackId }) =>
          event.batches.some((batch) => batch.id === batchId && batch.pieces.some((piece) => piece.id === pieceId)) &&
          pits.some((pit) => pit.id === pitId && pit.racks.some((rack) => rack.id === rackId)),
      )
      .map((each) => ({ ...each }));
    const keys = laid.map(({ batchId, pieceId, pitId }) => `${batchId}/${pieceId}/${pitId}`);
    if (new Set(keys).size !== keys.length) return failure({ code: 'laidTwice' });
    return success({ ...event, laid: laid.length > 0 ? laid : undefined });
  });
}
