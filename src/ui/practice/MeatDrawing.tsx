import type { Cut } from '../../core/model';
import type { Seen } from '../../core/practice';

export type MeatShape = 'rack' | 'bird' | 'long' | 'lump';

export const shapeOf = (cut: Pick<Cut, 'bones' | 'species' | 'lengthMm' | 'widthMm' | 'thicknessMm'> | undefined): MeatShape =>
  !cut
    ? 'lump'
    : cut.bones !== undefined
      ? 'rack'
      : cut.species === 'chicken' || cut.species === 'turkey'
        ? 'bird'
        : cut.lengthMm > 1.7 * cut.widthMm || cut.thicknessMm < 0.4 * cut.lengthMm
          ? 'long'
          : 'lump';

const OUTLINES: Record<MeatShape, string> = {
  rack: 'M4,20 Q6,10 20,10 L86,8 Q98,9 96,20 L94,38 Q92,46 80,45 L16,48 Q4,47 4,36 Z',
  bird: 'M6,34 Q4,16 24,12 Q40,4 58,12 Q72,18 84,16 L96,12 L93,22 L98,26 L86,30 Q78,46 50,48 Q14,50 6,34 Z',
  long: 'M3,30 Q2,14 24,10 Q52,4 78,16 Q96,24 97,32 Q96,40 76,42 Q40,50 16,46 Q4,42 3,30 Z',
  lump: 'M12,30 Q8,12 30,8 Q54,2 74,10 Q92,18 90,32 Q88,48 60,50 Q22,52 12,30 Z',
};

/** From raw over amber and mahogany to black. */
const STOPS: [at: number, rgb: [number, number, number]][] = [
  [0, [190, 104, 96]],
  [0.4, [190, 122, 62]],
  [0.9, [124, 62, 32]],
  [1.4, [72, 40, 28]],
  [2, [30, 22, 19]],
];

function colourAt(share: number): string {
  const upper = Math.max(1, STOPS.findIndex(([at]) => at >= share) === -1 ? STOPS.length - 1 : STOPS.findIndex(([at]) => at >= share));
  const [[from, low], [to, high]] = [STOPS[upper - 1]!, STOPS[upper]!];
  const way = Math.min(1, Math.max(0, (share - from) / (to - from)));
  return `rgb(${low.map((each, i) => Math.round(each + way * (high[i]! - each))).join(' ')})`;
}

/** A place in a scatter that is the same each time. */
const scatter = (i: number): [x: number, y: number] => [14 + ((i * 53) % 73), 14 + ((i * 17) % 29)];
const MOST_GRAINS = 34;

interface MeatDrawingProps {
  shape: MeatShape;
  /** As it was when it was looked at; an outline where nobody has. */
  seen?: Seen;
  wrap: 'none' | 'paper' | 'foil' | 'pan';
}

/** A piece in a field of 100 by 54, made from its state: colour and grain follow bark, shine follows moisture, smuts follow dirty smoke. */
export function MeatDrawing({ shape, seen, wrap }: MeatDrawingProps) {
  const outline = OUTLINES[shape];
  if (wrap !== 'none') {
    const foil = wrap !== 'paper';
    return (
      <g>
        <path d={outline} fill={foil ? 'var(--foil)' : 'var(--wrap)'} stroke="var(--wrap-fold)" strokeWidth="1.4" />
        <g stroke={foil ? 'var(--scene-line)' : 'var(--wrap-fold)'} strokeWidth="1.2" fill="none">
          {foil ? <path d="M20,16 L34,40 M44,10 L40,46 M64,12 L74,42 M28,30 L70,24" /> : <path d="M10,40 L90,14 M18,46 L94,24" />}
        </g>
      </g>
    );
  }
  if (!seen) return <path d={outline} fill="none" stroke="var(--scene-line)" strokeWidth="1.6" strokeDasharray="4 3" />;
  const grains = Math.round(MOST_GRAINS * Math.min(1, seen.barkShare));
  return (
    <g>
      <path d={outline} fill={colourAt(seen.colourShare)} stroke="rgb(30 20 14 / 0.7)" strokeWidth="1.4" />
      {shape === 'rack' && (
        <g stroke="rgb(240 220 190 / 0.5)" strokeWidth="2.2" strokeLinecap="round">
          {Array.from({ length: 9 }, (_, i) => (
            <path key={i} d={`M${14 + i * 9},15 l-2,27`} />
          ))}
        </g>
      )}
      {seen.fat === 'white' && (
        <path d="M16,16 Q46,8 82,18" fill="none" stroke="rgb(244 228 206 / 0.75)" strokeWidth="4" strokeLinecap="round" />
      )}
      {seen.fat === 'clear' && seen.damp < 0.6 && (
        <path d="M18,17 Q46,10 80,19" fill="none" stroke="rgb(214 160 84 / 0.5)" strokeWidth="3" strokeLinecap="round" />
      )}
      {Array.from({ length: grains }, (_, i) => {
        const [x, y] = scatter(i);
        return <circle key={i} cx={x} cy={y} r={1.1 + (i % 3) * 0.5} fill="rgb(22 14 10 / 0.55)" />;
      })}
      {seen.barkShare > 2.3 && (
        <path d="M24,20 l10,8 l-4,8 M60,16 l6,10 l-6,12 M78,24 l-6,8" stroke="rgb(0 0 0 / 0.6)" strokeWidth="1.3" fill="none" />
      )}
      {Array.from({ length: Math.min(8, Math.round(seen.bitter * 8)) }, (_, i) => {
        const [x, y] = scatter(i * 3 + 2);
        return <circle key={`smut-${i}`} cx={x} cy={y} r="2.6" fill="rgb(8 8 8 / 0.5)" />;
      })}
      {seen.damp > 0.25 &&
        [0, 1, 2, 3].map((i) => (
          <ellipse
            key={`wet-${i}`}
            cx={26 + i * 17}
            cy={18 + (i % 2) * 9}
            rx="7"
            ry="2"
            fill="rgb(255 236 208)"
            opacity={seen.damp * 0.5}
          />
        ))}
    </g>
  );
}
