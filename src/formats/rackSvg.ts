import type { Pit, Rack } from '../core/model';
import { hotSideOf } from '../core/packing';
import type { MapPiece } from '../core/planning';
import { dayAndTime } from './clock';
import { batchName, type MessageContext } from './messages/names';
import { tagOf } from './messages/rack';
import { formatMass, formatTempDifference } from './units';

/** Drawn in mm of the rack, shown at a fifth; plain ink on paper, so that it prints anywhere. */
const SCALE = 0.2;
const MARGIN_MM = 60;
const TITLE_MM = 90;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const text = (x: number, y: number, sizeMm: number, words: string, extra = ''): string =>
  `<text x="${x}" y="${y}" font-size="${sizeMm}" ${extra}>${escaped(words)}</text>`;

/** The racks of a pit at a moment as one SVG drawing, the topmost first, the door below each. */
export function rackSvg(messageContext: MessageContext, pit: Pit, pieces: readonly MapPiece[], atMs: number): string {
  const racks = [...pit.racks].sort((a, b) => b.level - a.level);
  const here = pieces.filter((piece) => piece.fromMs <= atMs && piece.toMs > atMs);
  const width = Math.max(...racks.map((rack) => rack.widthMm)) + 2 * MARGIN_MM;
  let y = TITLE_MM + 40;
  const body: string[] = [
    text(
      MARGIN_MM,
      TITLE_MM - 20,
      46,
      `${pit.name}, ${dayAndTime(atMs, messageContext.event.timeZone, messageContext.units.clock)}`,
      'font-weight="bold"',
    ),
  ];
  for (const rack of racks) {
    const depth = rack.round ? rack.widthMm : rack.depthMm;
    body.push(text(MARGIN_MM, y + 36, 34, rack.name), `<g transform="translate(${MARGIN_MM} ${y + 56})">`);
    body.push(
      ...rackShapes(messageContext, rack, depth),
      ...here.filter((piece) => piece.rackId === rack.id).flatMap((piece) => pieceShapes(messageContext, piece, depth)),
    );
    body.push('</g>');
    y += depth + 130;
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.round(width * SCALE)}" height="${Math.round(y * SCALE)}" viewBox="0 0 ${width} ${y}" font-family="sans-serif" fill="#28231d">`,
    `<rect width="${width}" height="${y}" fill="#fbf9f4"/>`,
    ...body,
    '</svg>',
    '',
  ].join('\n');
}

function rackShapes({ units }: MessageContext, rack: Rack, depth: number): string[] {
  const shapes = [
    rack.round
      ? `<circle cx="${rack.widthMm / 2}" cy="${depth / 2}" r="${rack.widthMm / 2}" fill="#f3eee4" stroke="#6b6257" stroke-width="5"/>`
      : `<rect width="${rack.widthMm}" height="${depth}" fill="#f3eee4" stroke="#6b6257" stroke-width="5"/>`,
  ];
  for (const { fromMm, toMm, offsetC } of rack.zones ?? [])
    shapes.push(
      `<rect x="${fromMm}" width="${toMm - fromMm}" height="${depth}" fill="${offsetC > 0 ? '#c24a18' : '#45606f'}" fill-opacity="0.15"/>`,
      text(
        (fromMm + toMm) / 2,
        34,
        28,
        `${offsetC > 0 ? '+' : '-'}${formatTempDifference(Math.abs(offsetC), units)}`,
        'text-anchor="middle"',
      ),
    );
  for (const part of rack.blocked ?? []) {
    const top = depth - part.yMm - part.depthMm;
    shapes.push(
      `<rect x="${part.xMm}" y="${top}" width="${part.widthMm}" height="${part.depthMm}" fill="#ddd4c5" stroke="#6b6257" stroke-width="3" stroke-dasharray="12 8"/>`,
      text(part.xMm + part.widthMm / 2, top + part.depthMm / 2, 24, part.by, 'text-anchor="middle"'),
    );
  }
  const hot = hotSideOf(rack);
  const edge = {
    left: [0, 0, 0, depth],
    right: [rack.widthMm, 0, rack.widthMm, depth],
    near: [0, depth, rack.widthMm, depth],
    far: [0, 0, rack.widthMm, 0],
  };
  if (hot) {
    const [x1, y1, x2, y2] = edge[hot];
    shapes.push(`<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="#c24a18" stroke-width="16"/>`);
  }
  return shapes;
}

function pieceShapes(messageContext: MessageContext, piece: MapPiece, depth: number): string[] {
  const { xMm, widthMm, depthMm } = piece;
  const top = depth - piece.yMm - depthMm;
  const middle = xMm + widthMm / 2;
  const thick =
    piece.thickEnd &&
    {
      left: [xMm, top, 14, depthMm],
      right: [xMm + widthMm - 14, top, 14, depthMm],
      near: [xMm, top + depthMm - 14, widthMm, 14],
      far: [xMm, top, widthMm, 14],
    }[piece.thickEnd];
  return [
    `<rect x="${xMm}" y="${top}" width="${widthMm}" height="${depthMm}" rx="18" fill="#ffffff" stroke="#28231d" stroke-width="5"/>`,
    ...(thick ? [`<rect x="${thick[0]}" y="${thick[1]}" width="${thick[2]}" height="${thick[3]}" fill="#c24a18"/>`] : []),
    text(middle, top + depthMm / 2 - 4, 44, tagOf(messageContext, piece.piece), 'text-anchor="middle" font-weight="bold"'),
    text(middle, top + depthMm / 2 + 32, 26, formatMass(piece.kg, messageContext.units), 'text-anchor="middle"'),
    `<title>${escaped(batchName(messageContext, piece.piece.batchId))}</title>`,
  ];
}
