'use client';
import { RotateCw, Undo2 } from 'lucide-react';
import type { Pit } from '../../core/model';
import { medianMinAt, type FinishByOffset, type MapPiece } from '../../core/planning';
import { addMinutes } from '../../core/units';
import { clockTime } from '../../formats/clock';
import { batchName, capital, rackName, type MessageContext } from '../../formats/messages/names';
import { tagOf } from '../../formats/messages/rack';
import { formatLength, formatMass, formatMinutes, formatTempDifference } from '../../formats/units';
import { SIDE_NAMES } from '../equipment/sideNames';
import { Button } from '../kit/Button';
import { inputClass } from '../kit/Field';

/** What its place does to a piece's finish, against lying at the set point. */
export function finishMessage(messageContext: MessageContext, piece: MapPiece, finishes: FinishByOffset | undefined): string {
  const { units, event } = messageContext;
  const offset =
    Math.abs(piece.offsetC) < 0.5
      ? 'at the set point here'
      : `${formatTempDifference(Math.abs(piece.offsetC), units)} ${piece.offsetC > 0 ? 'hotter' : 'cooler'} here`;
  if (!finishes || finishes.key !== piece.key) return offset;
  const hereMin = medianMinAt(finishes, piece.offsetC);
  const evenMin = medianMinAt(finishes, 0);
  if (!Number.isFinite(hereMin)) return `${offset}: it would not be done`;
  const done = clockTime(addMinutes(piece.run.onAtMs, Math.round(hereMin)), event.timeZone, units.clock);
  const later = Math.round(hereMin - evenMin);
  const apart = Math.abs(later) < 2 ? '' : `, ${formatMinutes(Math.abs(later))} ${later > 0 ? 'later' : 'sooner'} than at the set point`;
  return `${offset}: done about ${done}${apart}`;
}

interface PiecePanelProps {
  messageContext: MessageContext;
  pits: readonly Pit[];
  piece: MapPiece;
  finishes?: FinishByOffset;
  onTurn(): void;
  onMove(pitId: string, rackId: string): void;
  onFree(): void;
}

/** The piece that is chosen: what it is, where it lies, what that does, and the means to change it without dragging. */
export function PiecePanel({ messageContext, pits, piece, finishes, onTurn, onMove, onFree }: PiecePanelProps) {
  const { units, event } = messageContext;
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const facts: [string, string][] = [
    ['Weighs', formatMass(piece.kg, units)],
    [
      'Lies',
      `${formatLength(piece.widthMm, units)} × ${formatLength(piece.depthMm, units)}, ${formatLength(Math.round(piece.thicknessMm), units)} thick`,
    ],
    ['Where', `${formatLength(piece.xMm, units)} from the left, ${formatLength(piece.yMm, units)} from the door`],
    ...(piece.thickEnd ? [['Thick end', `to the ${SIDE_NAMES[piece.thickEnd]}`] as [string, string]] : []),
    ['There', `${time(piece.fromMs)} to ${time(piece.toMs)}`],
  ];
  return (
    <>
      <h2 className="text-lg">
        {tagOf(messageContext, piece.piece)}{' '}
        <span className="font-normal text-soft">of {batchName(messageContext, piece.piece.batchId).toLowerCase()}</span>
      </h2>
      <p className="mt-1 font-semibold">{capital(finishMessage(messageContext, piece, finishes))}.</p>
      <dl className="figures mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[0.93rem]">
        {facts.map(([term, words]) => (
          <div key={term} className="contents">
            <dt className="text-soft">{term}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <div className="mt-4 space-y-2 print:hidden">
        <Button className="w-full" onClick={onTurn}>
          <RotateCw size={16} aria-hidden /> Turn it
        </Button>
        <select
          aria-label="Move to another rack"
          className={inputClass()}
          value={`${piece.pitId}|${piece.rackId}`}
          onChange={(change) => {
            const [pitId, rackId] = change.target.value.split('|') as [string, string];
            onMove(pitId, rackId);
          }}
        >
          {pits.map((pit) => (
            <optgroup key={pit.id} label={pit.name}>
              {pit.racks.map((rack) => (
                <option key={rack.id} value={`${pit.id}|${rack.id}`}>
                  {rackName(messageContext, pit.id, rack.id)}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
        {piece.byHand && (
          <Button className="w-full" onClick={onFree}>
            <Undo2 size={16} aria-hidden /> Let the plan place it
          </Button>
        )}
      </div>
    </>
  );
}
