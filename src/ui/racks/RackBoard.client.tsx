'use client';
import type { BackOn, Rack } from '../../core/model';
import type { MapPiece } from '../../core/planning';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { tagOf } from '../../formats/messages/rack';
import { formatMass } from '../../formats/units';
import { BackPans } from './BackPans';
import { depthOf, RackFloor } from './RackFloor';

interface RackBoardProps {
  messageContext: MessageContext;
  rack: Rack;
  pieces: readonly MapPiece[];
  /** What is back on its pit at that moment. */
  backOn?: readonly BackOn[];
  pxPerMm: number;
  atMs: number;
  selectedKey?: string;
  draggedKey?: string;
  faulty: ReadonlySet<string>;
  /** Pieces of other hours, shown faint when the whole cook is. */
  isHere(piece: MapPiece): boolean;
  onGrab(piece: MapPiece, event: React.PointerEvent<SVGGElement>): void;
  onKey(piece: MapPiece, event: React.KeyboardEvent<SVGGElement>): void;
  onSelect(piece: MapPiece): void;
}

/** One rack with what lies on it, each piece by its tag, name and weight, its thick end marked. */
export function RackBoard({ messageContext, rack, pieces, backOn = [], pxPerMm, ...rest }: RackBoardProps) {
  // Always in one order and by the same key, whenever it goes on: a piece that is nudged keeps the focus while all is planned anew.
  const sorted = [...pieces].sort((a, b) => (a.key < b.key ? -1 : Number(a.key > b.key)) || a.fromMs - b.fromMs);
  const stayOf = (at: number) => at - sorted.findIndex((each) => each.key === sorted[at]!.key);
  return (
    <RackFloor rack={rack} units={messageContext.units} pxPerMm={pxPerMm} label={`${rack.name}, ${pieces.length} pieces`}>
      {sorted.map((piece, i) => (
        <PieceShape
          key={`${piece.key} ${stayOf(i)}`}
          messageContext={messageContext}
          rack={rack}
          piece={piece}
          pxPerMm={pxPerMm}
          {...rest}
        />
      ))}
      <BackPans backOn={backOn} rack={rack} pxPerMm={pxPerMm} />
    </RackFloor>
  );
}

function PieceShape({
  messageContext,
  rack,
  piece,
  pxPerMm,
  atMs,
  selectedKey,
  draggedKey,
  faulty,
  isHere,
  onGrab,
  onKey,
  onSelect,
}: Omit<RackBoardProps, 'pieces' | 'backOn'> & { piece: MapPiece }) {
  const { units } = messageContext;
  const x = piece.xMm;
  const y = depthOf(rack) - piece.yMm - piece.depthMm;
  const here = isHere(piece);
  const wrapped = piece.wrappedFromMs !== undefined && atMs >= piece.wrappedFromMs;
  const bad = faulty.has(piece.key);
  const px = (count: number) => count / pxPerMm;
  const tag = tagOf(messageContext, piece.piece);
  const name = batchName(messageContext, piece.piece.batchId);
  const words = `${tag}, ${name.toLowerCase()}, ${formatMass(piece.kg, units)}, on ${rack.name}, ${piece.turned ? 'turned' : 'straight'}${bad ? ', breaks a rule' : ''}`;
  const wide = piece.widthMm * pxPerMm;
  const tall = piece.depthMm * pxPerMm;
  const selected = piece.key === selectedKey;
  const thick =
    piece.thickEnd &&
    {
      left: { x: 0, y: 0, width: px(5), height: piece.depthMm },
      right: { x: piece.widthMm - px(5), y: 0, width: px(5), height: piece.depthMm },
      near: { x: 0, y: piece.depthMm - px(5), width: piece.widthMm, height: px(5) },
      far: { x: 0, y: 0, width: piece.widthMm, height: px(5) },
    }[piece.thickEnd];
  const lines = [
    { text: tag, size: 15, bold: true, needsWide: 20, needsTall: 20 },
    { text: name, size: 11, bold: false, needsWide: name.length * 5.6 + 8, needsTall: 48 },
    { text: formatMass(piece.kg, units), size: 11, bold: false, needsWide: 44, needsTall: name.length * 5.6 + 8 > wide ? 36 : 62 },
  ].filter((line) => wide >= line.needsWide && tall >= line.needsTall);
  const step = 14;
  return (
    // What is written on a piece stands beside the button, which says the same and more.
    <g transform={`translate(${x} ${y})`} opacity={here ? 1 : 0.32}>
      <g
        role="button"
        tabIndex={here ? 0 : -1}
        aria-label={words}
        aria-pressed={selected}
        className="cursor-grab outline-none focus-visible:[&>rect:first-of-type]:stroke-[var(--ember)]"
        onPointerDown={(event) => here && onGrab(piece, event)}
        onFocus={() => here && onSelect(piece)}
        onKeyDown={(event) => onKey(piece, event)}
      >
        <rect
          width={piece.widthMm}
          height={piece.depthMm}
          rx={Math.min(piece.widthMm, piece.depthMm) * 0.16}
          fill={wrapped ? 'url(#phase-wrapped)' : 'url(#phase-bare)'}
          stroke={bad ? 'var(--bad)' : selected ? 'var(--ember)' : 'var(--ink)'}
          strokeWidth={px(bad || selected ? 3 : 1)}
          strokeDasharray={bad ? `${px(7)} ${px(4)}` : undefined}
        />
        {thick && <rect {...thick} fill="var(--ember)" opacity={0.9} />}
      </g>
      {lines.length > 0 && (
        <g transform={`translate(${piece.widthMm / 2} ${piece.depthMm / 2})`} textAnchor="middle" pointerEvents="none" aria-hidden>
          <rect
            x={px(-Math.min(wide - 8, Math.max(...lines.map((line) => line.text.length * line.size * 0.56 + 10))) / 2)}
            y={px(-(lines.length * step) / 2 - 3)}
            width={px(Math.min(wide - 8, Math.max(...lines.map((line) => line.text.length * line.size * 0.56 + 10))))}
            height={px(lines.length * step + 7)}
            rx={px(4)}
            fill="var(--chip)"
          />
          {lines.map((line, i) => (
            <text
              key={i}
              y={px((i - (lines.length - 1) / 2) * step + 4.5)}
              fontSize={px(line.size)}
              fontWeight={line.bold ? 700 : 500}
              className="figures"
              fill="var(--on-chip)"
            >
              {line.text}
            </text>
          ))}
        </g>
      )}
      {piece.byHand && (
        <circle
          cx={piece.widthMm - px(9)}
          cy={px(9)}
          r={px(4)}
          fill="var(--on-chip)"
          stroke="var(--ink)"
          strokeWidth={px(1.2)}
          pointerEvents="none"
        />
      )}
      {piece.key === draggedKey && (
        <rect width={piece.widthMm} height={piece.depthMm} fill="none" stroke="var(--ember)" strokeWidth={px(2)} pointerEvents="none" />
      )}
    </g>
  );
}
