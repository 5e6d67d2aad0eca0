import type { Library, PitKind } from '../../core/model';
import { cutIn } from '../../core/model';
import type { PieceView, PitView } from '../../core/practice';
import { SMOKE_WORD } from '../../formats/messages/practice';
import { formatTemp, tempIn } from '../../formats/units';
import { useUnits } from '../kit/UnitsProvider';
import { MeatDrawing, shapeOf } from './MeatDrawing';
import { SmokeDrawing } from './SmokeDrawing';

interface Point {
  x: number;
  y: number;
}
/** A kind of pit, cut open: field of 560 by 376, ground at 314. */
interface Sketch {
  body: string;
  lid?: string;
  grate: { y: number; from: number; to: number };
  bed?: Point & { width: number };
  stack: Point;
  bottom?: Point;
  top?: Point;
  gauge: Point;
}

const ROUND: Sketch = {
  body: 'M140,172 A140,118 0 0 0 420,172 Z',
  lid: 'M140,168 A140,112 0 0 1 420,168 Z',
  grate: { y: 182, from: 158, to: 402 },
  bed: { x: 280, y: 258, width: 150 },
  stack: { x: 320, y: 62 },
  bottom: { x: 280, y: 298 },
  top: { x: 320, y: 70 },
  gauge: { x: 216, y: 92 },
};
const UPRIGHT: Sketch = {
  body: 'M180,118 H380 V300 Q380,312 368,312 H192 Q180,312 180,300 Z',
  lid: 'M174,112 Q178,62 280,60 Q382,62 386,112 Z',
  grate: { y: 152, from: 188, to: 372 },
  bed: { x: 280, y: 288, width: 150 },
  stack: { x: 322, y: 56 },
  bottom: { x: 196, y: 300 },
  top: { x: 322, y: 62 },
  gauge: { x: 226, y: 78 },
};
const OFFSET: Sketch = {
  body: 'M180,150 V196 Q180,232 220,232 H470 Q506,232 506,196 V150 Z M64,168 H180 V280 H64 Z',
  lid: 'M180,146 Q180,104 220,104 H470 Q506,104 506,146 Z',
  grate: { y: 178, from: 196, to: 494 },
  bed: { x: 122, y: 268, width: 92 },
  stack: { x: 482, y: 34 },
  bottom: { x: 64, y: 252 },
  top: { x: 482, y: 40 },
  gauge: { x: 345, y: 92 },
};
const BOX: Sketch = {
  body: 'M150,70 H410 V306 H150 Z',
  grate: { y: 150, from: 162, to: 398 },
  stack: { x: 372, y: 48 },
  gauge: { x: 280, y: 92 },
};
const TRENCH: Sketch = {
  body: 'M90,232 H470 V312 H90 Z',
  grate: { y: 196, from: 104, to: 456 },
  bed: { x: 280, y: 296, width: 320 },
  stack: { x: 280, y: 140 },
  gauge: { x: 130, y: 262 },
};
const SKETCHES: Record<PitKind, Sketch> = {
  kettle: ROUND,
  ceramic: {
    ...ROUND,
    body: 'M150,172 Q160,306 280,308 Q400,306 410,172 Z',
    lid: 'M150,168 Q164,62 280,58 Q396,62 410,168 Z',
    bed: { x: 280, y: 276, width: 120 },
    bottom: { x: 280, y: 306 },
    stack: { x: 280, y: 52 },
    top: { x: 280, y: 58 },
  },
  drum: UPRIGHT,
  bullet: { ...UPRIGHT, body: 'M186,118 H374 V296 Q374,312 350,312 H210 Q186,312 186,296 Z' },
  offset: OFFSET,
  'reverse-flow': { ...OFFSET, stack: { x: 206, y: 34 }, top: { x: 206, y: 40 } },
  'open-pit': TRENCH,
  pellet: BOX,
  cabinet: BOX,
  gas: BOX,
  oven: BOX,
};

/** Pieces in a row hardly get wider than this. */
const MOST_PX = 120;

interface PitDrawingProps {
  pit: PitView;
  pieces: readonly PieceView[];
  library: Pick<Library, 'cuts' | 'methods'> & Partial<Library>;
  windMPerS: number;
  selectedKey?: string;
  onSelect?(key: string): void;
}

/** The pit, cut open: coals as they glow, flames, vents as far as they are open, meat as it was last seen, smoke as it burns. */
export function PitDrawing({ pit, pieces, library, windMPerS, selectedKey, onSelect }: PitDrawingProps) {
  const units = useUnits();
  const sketch = SKETCHES[pit.kind];
  const { hand } = pit;
  const { grate, bed, stack, gauge } = sketch;
  const open = hand?.lidOpen ?? false;
  const on = pieces.filter((piece) => piece.onAtMs !== undefined && piece.pulledAtMs === undefined && piece.pitId === pit.id);
  const widthPx = Math.min(MOST_PX, (grate.to - grate.from) / Math.max(1, on.length));
  const scale = widthPx / 104;
  const lit = Math.min(14, Math.round((hand?.litKg ?? 0) * 9));
  const unlit = Math.min(14, Math.round((hand?.unlitKg ?? 0) * 7));
  // From 40 to 240 degrees Celsius over three quarters of the dial.
  const turn = Math.min(1, Math.max(0, (pit.gaugeC - 40) / 200)) * 270 - 135;
  return (
    <svg
      viewBox="0 -46 560 376"
      className="w-full"
      role="group"
      aria-label={`${pit.name}: gauge ${formatTemp(pit.gaugeC, units)}, smoke ${SMOKE_WORD[pit.smokeWord]}`}
    >
      <path d="M20,314 H540" stroke="var(--scene-line)" strokeWidth="2" />
      <path d={sketch.body} fill="var(--iron)" stroke="var(--scene-line)" strokeWidth="2" />
      {sketch === OFFSET || pit.kind === 'reverse-flow' ? (
        <rect x={stack.x - 9} y={stack.y} width="18" height="72" fill="var(--iron)" stroke="var(--scene-line)" />
      ) : null}
      {sketch.lid && (
        <path
          d={sketch.lid}
          fill="var(--iron)"
          stroke="var(--scene-line)"
          strokeWidth="2"
          style={{
            transformBox: 'fill-box',
            transformOrigin: '0% 100%',
            transform: open ? 'rotate(-32deg) translateY(-14px)' : undefined,
            transition: 'transform 0.3s',
          }}
        />
      )}
      <rect x={grate.from - 6} y={grate.y - 62} width={grate.to - grate.from + 12} height="66" rx="8" fill="var(--scene-in)" />
      <path d={`M${grate.from - 4},${grate.y} H${grate.to + 4}`} stroke="var(--scene-line)" strokeWidth="3" strokeDasharray="7 3" />
      {on.map((piece, i) => {
        const cut = cutIn(library as Library, piece.cutId);
        const x = grate.from + (grate.to - grate.from - on.length * widthPx) / 2 + i * widthPx;
        return (
          <g
            key={piece.key}
            transform={`translate(${x + 2} ${grate.y - 52 * scale})`}
            onClick={() => onSelect?.(piece.key)}
            className={onSelect ? 'cursor-pointer' : undefined}
          >
            <g transform={`scale(${scale})`}>
              {selectedKey === piece.key && (
                <rect x="-1" y="-2" width="102" height="58" rx="6" fill="none" stroke="var(--ember)" strokeWidth="2.5" />
              )}
              <MeatDrawing shape={shapeOf(cut)} seen={piece.seen?.seen} wrap={piece.wrap} />
            </g>
            <text x={widthPx / 2 - 2} y={52 * scale + 15} textAnchor="middle" fontSize="13" fontWeight="700" fill="var(--on-iron)">
              {piece.tag}
            </text>
          </g>
        );
      })}
      {bed && hand && (
        <g>
          <rect x={bed.x - bed.width / 2 - 8} y={bed.y - 34} width={bed.width + 16} height="46" rx="8" fill="var(--scene-in)" />
          {hand.flaming &&
            [0, 1, 2].map((i) => (
              <path
                key={`flame-${i}`}
                className="smoke-sway"
                d={`M${bed.x - 26 + i * 24},${bed.y - 2} q-8,-14 2,-26 q3,10 8,12 q2,8 -4,14 z`}
                fill="var(--ember)"
                opacity="0.9"
              />
            ))}
          {hand.woodKg > 0 &&
            Array.from({ length: Math.min(3, Math.ceil(hand.woodKg / 0.6)) }, (_, i) => (
              <rect
                key={`wood-${i}`}
                x={bed.x - 34 + i * 6}
                y={bed.y - 14 - i * 7}
                width="60"
                height="7"
                rx="3"
                fill="var(--wrap-fold)"
                stroke="rgb(0 0 0 / 0.5)"
              />
            ))}
          {Array.from({ length: lit + unlit }, (_, i) => {
            const row = Math.floor(i / 7);
            return (
              <circle
                key={`coal-${i}`}
                cx={bed.x - bed.width / 2 + 12 + ((i % 7) + (row % 2) * 0.5) * ((bed.width - 20) / 7)}
                cy={bed.y + 4 - row * 9}
                r="7"
                fill={i < lit ? 'var(--ember)' : '#1d1815'}
                stroke={i < lit ? 'var(--warn)' : 'rgb(120 100 80 / 0.6)'}
                strokeWidth="1.4"
              />
            );
          })}
          {hand.ashFull && <path d={`M${bed.x - bed.width / 2},${bed.y + 10} h${bed.width}`} stroke="var(--soft)" strokeWidth="7" />}
        </g>
      )}
      {hand && sketch.bottom && <Vent at={sketch.bottom} open={hand.bottom} name="air in" />}
      {hand && sketch.top && <Vent at={sketch.top} open={hand.top} name="out" />}
      {hand?.sheltered && <path d="M38,110 V306" stroke="var(--wrap-fold)" strokeWidth="7" strokeLinecap="round" />}
      <g transform={`translate(${gauge.x} ${gauge.y})`}>
        <circle r="21" fill="var(--sheet)" stroke="var(--scene-line)" strokeWidth="2" />
        <path d="M-12,12 A17,17 0 1 1 12,12" fill="none" stroke="var(--line)" strokeWidth="2.5" />
        <path d="M0,3 L0,-14" stroke="var(--ember-ink)" strokeWidth="2.6" strokeLinecap="round" transform={`rotate(${turn})`} />
        <text y="16" textAnchor="middle" fontSize="11" fontWeight="700" fill="var(--ink)">
          {Math.round(tempIn(pit.gaugeC, units))}
        </text>
      </g>
      <SmokeDrawing word={pit.smokeWord} thickness={pit.smoke.thickness} x={stack.x} y={stack.y} leansPx={-Math.min(70, windMPerS * 7)} />
    </svg>
  );
}

/** A vent as a slide: the lighter, the further open. */
function Vent({ at, open, name }: { at: Point; open: number; name: string }) {
  return (
    <g transform={`translate(${at.x} ${at.y})`} aria-hidden>
      <rect x="-20" y="-5" width="40" height="10" rx="3" fill="#15110e" stroke="var(--scene-line)" />
      <rect x="-18" y="-3" width={36 * open} height="6" rx="2" fill="var(--ember)" opacity="0.85" />
      <text x="0" y="18" textAnchor="middle" fontSize="11" fill="var(--ink)">
        {name}
      </text>
    </g>
  );
}
