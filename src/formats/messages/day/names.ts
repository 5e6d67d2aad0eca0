import type { PieceKey } from '../../../core/day';
import { batchName, pieceTag, type MessageContext } from '../names';

/** `B1`, as the piece's tag has it. */
export function tagOfPiece(messageContext: MessageContext, key: PieceKey): string {
  const batch = messageContext.event.batches.find((each) => key.startsWith(`${each.id}/`));
  const nth = batch?.pieces.findIndex((piece) => `${batch.id}/${piece.id}` === key) ?? -1;
  return batch && nth >= 0 ? pieceTag(messageContext, batch.id, nth) : key;
}

/** `B1 (Briskets)`. */
export function pieceInFull(messageContext: MessageContext, key: PieceKey): string {
  const batch = messageContext.event.batches.find((each) => key.startsWith(`${each.id}/`));
  const tag = tagOfPiece(messageContext, key);
  return batch ? `${tag} (${batchName(messageContext, batch.id).toLowerCase()})` : tag;
}
