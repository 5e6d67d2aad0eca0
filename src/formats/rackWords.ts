import type { PieceRef, RackFault } from '../core/model';
import { batchName, pieceTag, type Speech } from './names';
import { formatLength, formatMass } from './units';

/** `B1`: a piece as its tag says. */
export function tagOf(speech: Speech, { batchId, pieceId }: PieceRef): string {
  const pieces = speech.event.batches.find((batch) => batch.id === batchId)?.pieces ?? [];
  return pieceTag(
    speech,
    batchId,
    Math.max(
      0,
      pieces.findIndex((piece) => piece.id === pieceId),
    ),
  );
}

/** `B1 (Briskets)`. */
const pieceName = (speech: Speech, piece: PieceRef): string =>
  `${tagOf(speech, piece)} (${batchName(speech, piece.batchId).toLowerCase()})`;

/** What is wrong on a rack, in a sentence without its end. */
export function faultWords(speech: Speech, fault: RackFault): string {
  const { units } = speech;
  switch (fault.code) {
    case 'tooNear':
      return fault.apartMm < 0
        ? `${pieceName(speech, fault.piece)} and ${pieceName(speech, fault.other)} lie on each other`
        : `${pieceName(speech, fault.piece)} is ${formatLength(Math.round(fault.apartMm), units)} from ${pieceName(speech, fault.other)}: the air gap is ${formatLength(fault.gapMm, units)}`;
    case 'offRack':
      return `${pieceName(speech, fault.piece)} hangs over the edge of the rack`;
    case 'onBlocked':
      return `${pieceName(speech, fault.piece)} lies on a part that is blocked`;
    case 'tooTall':
      return `${pieceName(speech, fault.piece)} is ${formatLength(Math.round(fault.thicknessMm), units)} thick under ${formatLength(fault.clearanceMm, units)} of headroom`;
    case 'overloaded':
      return `${formatMass(fault.kg, units)} lie on a rack that carries ${formatMass(fault.maxKg, units)}`;
    case 'poultryAbove':
      return `${pieceName(speech, fault.piece)} is raw poultry above ${pieceName(speech, fault.other)}`;
  }
}
