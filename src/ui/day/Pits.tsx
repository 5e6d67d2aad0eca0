import { Flame } from 'lucide-react';
import type { PieceView } from '../../core/day';
import { clockTime } from '../../formats/clock';
import { gearName, type MessageContext } from '../../formats/messages/names';
import { formatTemp, formatSetPoint } from '../../formats/units';
import type { DayGround, DayScreen } from './dayScreen';
import { PieceBar } from './PieceBar';

interface PitsProps {
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  onPiece(key: string): void;
  onPit(pitId: string): void;
}

/** Where a piece is: a pit, a hold, the board, the cold. */
const placeOf = (piece: PieceView): string =>
  piece.carvedAtMs !== undefined
    ? 'carved'
    : piece.heldAtMs !== undefined
      ? `held/${piece.gearId ?? ''}`
      : piece.pulledAtMs !== undefined
        ? 'resting'
        : piece.onAtMs !== undefined
          ? `pit/${piece.pits.at(-1)?.pitId ?? ''}`
          : 'cold';

/** Each pit with what is in it; then what rests, is held, is still cold. */
export function Pits({ day, ground, context, nowMs, onPiece, onPit }: PitsProps) {
  const { units, event } = context;
  const lit = day.pits.filter((pit) => pit.litAtMs !== undefined || day.pieces.some((piece) => placeOf(piece) === `pit/${pit.pitId}`));
  const bars = (pieces: PieceView[]) =>
    pieces.map((piece) => (
      <PieceBar key={piece.key} piece={piece} ground={ground} context={context} nowMs={nowMs} onOpen={() => onPiece(piece.key)} />
    ));
  const others = ['resting', ...new Set(day.pieces.map(placeOf).filter((place) => place.startsWith('held/'))), 'cold', 'carved'];
  const nameOf = (place: string) =>
    place === 'resting'
      ? 'Off the pit'
      : place === 'cold'
        ? 'Not on yet'
        : place === 'carved'
          ? 'Carved'
          : `Held in ${gearName(context, place.slice(5)).toLowerCase()}`;
  return (
    <section aria-label="Pits">
      {lit.map((pit) => {
        const own = ground.pits.find((each) => each.id === pit.pitId);
        const pieces = day.pieces.filter((piece) => placeOf(piece) === `pit/${pit.pitId}`);
        return (
          <div key={pit.pitId} className="border-b border-line pb-2">
            <button
              type="button"
              onClick={() => onPit(pit.pitId)}
              className="flex min-h-12 w-full items-baseline justify-between gap-2 px-4 pt-2 text-left"
            >
              <span className="flex items-center gap-1.5 font-title text-[1.1rem] font-bold">
                <Flame size={17} className={pit.outAtMs === undefined ? 'text-ember' : 'text-soft'} aria-hidden />
                {own?.name ?? 'Pit'}
                {pit.outAtMs !== undefined && <span className="text-[0.86rem] font-normal text-soft">out</span>}
              </span>
              <span>
                <span className="figures text-[1.35rem] font-bold">{pit.last ? formatTemp(pit.last.tempC, units) : 'not read'}</span>{' '}
                {pit.setC !== undefined && <span className="text-[0.9rem] text-soft">set {formatSetPoint(pit.setC, units)}</span>}
              </span>
            </button>
            {pit.last && nowMs - pit.last.atMs > 15 * 60_000 && (
              <p className="px-4 text-[0.88rem] text-warn">last read {clockTime(pit.last.atMs, event.timeZone, units.clock)}</p>
            )}
            {bars(pieces)}
            {pieces.length === 0 && <p className="px-4 text-[0.9rem] text-soft">Empty.</p>}
          </div>
        );
      })}
      {others.map((place) => {
        const pieces = day.pieces.filter((piece) => placeOf(piece) === place);
        if (pieces.length === 0) return null;
        return (
          <div key={place} className="border-b border-line pb-2">
            <h2 className="px-4 pt-2 text-[1.02rem]">{nameOf(place)}</h2>
            {bars(pieces)}
          </div>
        );
      })}
    </section>
  );
}
