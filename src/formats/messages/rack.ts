import type { PieceRef, RackFault } from '../../core/model';
import { batchName, pieceTag, type MessageContext } from './names';
import { formatLength, formatMass } from '../units';

/** `B1`: a piece as its tag says. */
export function tagOf(messageContext: MessageContext, { batchId, pieceId }: PieceRef): string {
  const pieces = messageContext.event.batches.find((batch) => batch.id === batchId)?.pieces ?? [];
  return pieceTag(
    messageContext,
    batchId,
    Math.max(
      0,
      pieces.findIndex((piece) => piece.id === pieceId),
    ),
  );
}

/** `B1 (Briskets)`. */
const pieceName = (messageContext: MessageContext, piece: PieceRef): string =>
  `${tagOf(messageContext, piece)} (${batchName(messageContext, piece.batchId).toLowerCase()})`;

/** `main rack, left`: a band of a rack that runs hotter or cooler, by where it lies. */
export function bandName({ pits }: Pick<MessageContext, 'pits'>, pitId: string, rackId: string, band: number): string {
  const rack = pits.find((pit) => pit.id === pitId)?.racks.find((each) => each.id === rackId);
  const zone = rack?.zones?.[band];
  if (!rack || !zone) return 'a part that is no more';
  const middle = (zone.fromMm + zone.toMm) / 2 / rack.widthMm;
  return `${rack.name}, ${middle < 0.4 ? 'left' : middle > 0.6 ? 'right' : 'middle'}`;
}

/** What is wrong on a rack, in a sentence without its end. */
export function faultMessage(messageContext: MessageContext, fault: RackFault): string {
  const { units } = messageContext;
  switch (fault.code) {
    case 'tooNear':
      return fault.apartMm < 0
        ? `${pieceName(messageContext, fault.piece)} and ${pieceName(messageContext, fault.other)} lie on each other`
        : `${pieceName(messageContext, fault.piece)} is ${formatLength(Math.round(fault.apartMm), units)} from ${pieceName(messageContext, fault.other)}: the air gap is ${formatLength(fault.gapMm, units)}`;
    case 'offRack':
      return `${pieceName(messageContext, fault.piece)} hangs over the edge of the rack`;
    case 'onBlocked':
      return `${pieceName(messageContext, fault.piece)} lies on a part that is blocked`;
    case 'tooTall':
      return `${pieceName(messageContext, fault.piece)} is ${formatLength(Math.round(fault.thicknessMm), units)} thick under ${formatLength(fault.clearanceMm, units)} of headroom`;
    case 'overloaded':
      return `${formatMass(fault.kg, units)} lie on a rack that carries ${formatMass(fault.maxKg, units)}`;
    case 'poultryAbove':
      return `${pieceName(messageContext, fault.piece)} is raw poultry above ${pieceName(messageContext, fault.other)}`;
  }
}
