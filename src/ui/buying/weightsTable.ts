import type { Piece } from '../../core/model';
import { readFigure } from '../../formats/figures';
import type { PieceWeightsInput } from '../../inputs';

/** The columns that are typed, in their order. */
export const WEIGHT_COLUMNS = ['boughtKg', 'trimmedKg', 'thicknessMm'] as const;
export type WeightColumn = (typeof WEIGHT_COLUMNS)[number];

export const rowsOf = (pieces: readonly Piece[]): PieceWeightsInput[] =>
  pieces.map(({ id, boughtKg, trimmedKg, thicknessMm, grade }) => ({ id, boughtKg, trimmedKg, thicknessMm, grade }));

/**
 * Fills a pasted column (or block, when cells are parted by tabs) into the table from one cell down and to
 * the right, in the units of its columns or the one typed with a figure. Blank cells leave what is there; what is no
 * figure comes back as `unread`.
 */
export function pasteInto(
  rows: readonly PieceWeightsInput[],
  fromRow: number,
  fromColumn: WeightColumn,
  text: string,
  kept: Record<WeightColumn, (shown: number) => number>,
  units: Record<WeightColumn, string>,
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
      const figure = readFigure(cell, units[column]);
      if (!Number.isFinite(figure)) unread.push(cell.trim());
      else {
        row[column] = kept[column](figure);
        filled++;
      }
    });
  });
  return { rows: next, filled, unread, tooMany: Math.max(0, fromRow + lines.length - rows.length) };
}
