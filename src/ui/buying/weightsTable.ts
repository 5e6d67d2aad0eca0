import type { Piece } from '../../core/model';
import type { PieceWeightsInput } from '../../inputs';

/** The columns that are typed, in their order. */
export const WEIGHT_COLUMNS = ['boughtKg', 'trimmedKg', 'thicknessMm'] as const;
export type WeightColumn = (typeof WEIGHT_COLUMNS)[number];

export const rowsOf = (pieces: readonly Piece[]): PieceWeightsInput[] =>
  pieces.map(({ id, boughtKg, trimmedKg, thicknessMm, grade }) => ({ id, boughtKg, trimmedKg, thicknessMm, grade }));

/** `1,250.5`, `7,3` and `16.4 lb` as numbers; NaN for anything else. */
export function readFigure(text: string): number {
  const bare = text.trim().replace(/\s*[a-z"]+$/i, '');
  if (bare === '') return Number.NaN;
  // A comma is a decimal sign when it is the only sign and not three digits from the end.
  const decimal = /^-?\d+,\d{1,2}$/.test(bare) ? bare.replace(',', '.') : bare.replaceAll(',', '');
  return Number(decimal);
}

/**
 * Fills a pasted column (or block, when cells are parted by tabs) into the table from one cell down and to
 * the right. Blank cells leave what is there; what is no number comes back as `unread`, with its line.
 */
export function pasteInto(
  rows: readonly PieceWeightsInput[],
  fromRow: number,
  fromColumn: WeightColumn,
  text: string,
  kept: Record<WeightColumn, (shown: number) => number>,
): { rows: PieceWeightsInput[]; filled: number; unread: string[]; tooMany: number } {
  const lines = text.replace(/\r?\n$/, '').split(/\r?\n/);
  const next = rows.map((row) => ({ ...row }));
  const unread: string[] = [];
  let filled = 0;
  lines.forEach((line, down) => {
    const row = next[fromRow + down];
    if (!row) return;
    line.split('\t').forEach((cell, right) => {
      const column = WEIGHT_COLUMNS[WEIGHT_COLUMNS.indexOf(fromColumn) + right];
      if (!column || cell.trim() === '') return;
      const figure = readFigure(cell);
      if (!Number.isFinite(figure)) unread.push(cell.trim());
      else {
        row[column] = kept[column](figure);
        filled++;
      }
    });
  });
  return { rows: next, filled, unread, tooMany: Math.max(0, fromRow + lines.length - rows.length) };
}
