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
