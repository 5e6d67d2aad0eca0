interface PieceNameProps {
  name: string;
  /** Of the piece, in mm of the rack. */
  rect: { x: number; y: number; width: number; height: number };
  pxPerMm: number;
  ink: string;
}

const FONTS_PX = [11, 10, 9, 8];
/** Width of a bold letter of the label face, as a share of its height. */
const LETTER = 0.56;
const LEADING = 1.1;
const MARGIN_PX = 4;

/** A name on a piece, along its longer side, in one line or two: as large as it fits whole, or not at all. */
export function PieceName({ name, rect, pxPerMm, ink }: PieceNameProps) {
  const upright = rect.height > rect.width * 1.15;
  const [long, short] = [Math.max(rect.width, rect.height), Math.min(rect.width, rect.height)].map((mm) => mm * pxPerMm - MARGIN_PX) as [
    number,
    number,
  ];
  const [along, across] = upright ? [long, short] : [rect.width * pxPerMm - MARGIN_PX, rect.height * pxPerMm - MARGIN_PX];
  for (const font of FONTS_PX)
    for (const lines of [[name], inTwo(name)]) {
      const widest = Math.max(...lines.map((line) => line.length)) * font * LETTER;
      if (widest > along || lines.length * font * LEADING > across) continue;
      const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
      const step = (font * LEADING) / pxPerMm;
      return (
        <text
          transform={upright ? `rotate(-90 ${middle.x} ${middle.y})` : undefined}
          textAnchor="middle"
          fontSize={font / pxPerMm}
          className="font-bold"
          fill={ink}
          pointerEvents="none"
        >
          {lines.map((line, i) => (
            <tspan key={line} x={middle.x} y={middle.y + (i - (lines.length - 1) / 2) * step + (font * 0.35) / pxPerMm}>
              {line}
            </tspan>
          ))}
        </text>
      );
    }
  return null;
}

/** Split at the space nearest its middle. */
function inTwo(name: string): string[] {
  const spaces = [...name.matchAll(/ /g)].map((match) => match.index);
  if (spaces.length === 0) return [name];
  const at = spaces.reduce((best, next) => (Math.abs(next - name.length / 2) < Math.abs(best - name.length / 2) ? next : best));
  return [name.slice(0, at), name.slice(at + 1)];
}
