'use client';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { Pit } from '../../core/model';
import type { MapPiece } from '../../core/planning';
import { MS_PER_MIN } from '../../core/units';
import { dayAndTime } from '../../formats/clock';
import { standingWords, type MessageContext } from '../../formats/messages/names';
import { Button } from '../kit/Button';
import { Slider } from '../kit/Slider';
import { isAt, spanOf } from './shownRacks';

const STEP_MIN = 5;

interface RackToolbarProps {
  messageContext: MessageContext;
  pits: readonly Pit[];
  pitId: string;
  pieces: readonly MapPiece[];
  atMs: number;
  whole: boolean;
  onPit(pitId: string): void;
  onMoment(atMs: number): void;
  onWhole(whole: boolean): void;
}

/** Which pit, and at what moment: a scrubber with buttons to the next change, or all of the cook at once. */
export function RackToolbar({ messageContext, pits, pitId, pieces, atMs, whole, onPit, onMoment, onWhole }: RackToolbarProps) {
  const { event, units } = messageContext;
  const span = spanOf(pieces);
  const lastMs = span.toMs - MS_PER_MIN;
  const moments = [...new Set(pieces.flatMap((piece) => [piece.fromMs, piece.toMs]))].filter((ms) => ms <= lastMs).sort((a, b) => a - b);
  const count = pieces.filter((piece) => isAt(piece, atMs)).length;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-sheet px-4 py-2 print:hidden">
      <div role="tablist" aria-label="Pit" className="flex flex-wrap gap-1">
        {pits.map((each) => (
          <button
            key={each.id}
            type="button"
            role="tab"
            aria-selected={each.id === pitId}
            className={`min-h-9 border-b-[3px] px-2 font-semibold ${each.id === pitId ? 'border-ember' : 'border-transparent text-soft'}`}
            onClick={() => onPit(each.id)}
          >
            {each.name}
            {each.id === pitId &&
              standingWords(
                messageContext,
                pieces.map((piece) => piece.run),
                each.id,
              )}
          </button>
        ))}
      </div>
      <div className="flex min-w-64 grow items-end gap-2">
        <Button
          look="quiet"
          className="px-2"
          aria-label="Earlier change"
          onClick={() => onMoment([...moments].reverse().find((ms) => ms < atMs) ?? span.fromMs)}
        >
          <ChevronLeft size={17} aria-hidden />
        </Button>
        <div className="grow">
          <Slider
            label={`${count} ${count === 1 ? 'piece lies' : 'pieces lie'} here at`}
            min={span.fromMs}
            max={lastMs}
            step={STEP_MIN * MS_PER_MIN}
            value={atMs}
            shown={dayAndTime(atMs, event.timeZone, units.clock)}
            onChange={onMoment}
          />
        </div>
        <Button look="quiet" className="px-2" aria-label="Later change" onClick={() => onMoment(moments.find((ms) => ms > atMs) ?? lastMs)}>
          <ChevronRight size={17} aria-hidden />
        </Button>
      </div>
      <label className="flex items-center gap-2 text-[0.92rem]">
        <input type="checkbox" className="size-5" checked={whole} onChange={(change) => onWhole(change.target.checked)} /> all through the
        cook
      </label>
    </div>
  );
}
