import Papa from 'papaparse';
import { celsiusFromFahrenheit, kgFromLb } from '../core/units';

/** A row that could not be used: its line in the file (the header is line 1) and why, in words. */
export interface RefusedRow {
  line: number;
  reason: string;
}
export type Cells = Record<string, string>;

export interface TableRow<T> {
  line: number;
  cells: Cells;
  value: T;
}

class RowProblem extends Error {}
/** Leaves a row out, and says why. */
export const refuse = (reason: string): never => {
  throw new RowProblem(reason);
};

/** Reads a table of rows with an id each. Rows that cannot be used are reported with their line; the others go on. */
export function readRows<T extends { id: string }>(
  text: string,
  idColumn: string,
  read: (cells: Cells) => T,
): { columns: string[]; rows: TableRow<T>[]; refused: RefusedRow[] } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const [header, ...body] = parsed.data;
  const columns = (header ?? []).map((column) => column.trim().toLowerCase());
  const rows: TableRow<T>[] = [];
  const refused: RefusedRow[] = [];
  const seen = new Set<string>();
  body.forEach((values, i) => {
    const line = i + 2;
    if (values.every((value) => value.trim() === '')) return;
    const cells = Object.fromEntries(columns.map((column, at) => [column, (values[at] ?? '').trim()]));
    try {
      const value = read(cells);
      if (seen.has(value.id)) refuse(`${idColumn} "${value.id}" is used twice`);
      seen.add(value.id);
      rows.push({ line, cells, value });
    } catch (error) {
      if (!(error instanceof RowProblem)) throw error;
      refused.push({ line, reason: error.message });
    }
  });
  return { columns, rows, refused };
}

/** The columns of a file's header, to tell what kind of file it is. */
export const columnsOf = (text: string): string[] =>
  (Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: 1 }).data[0] ?? []).map((column) => column.trim().toLowerCase());

export function number(cells: Cells, column: string): number | undefined {
  const text = cells[column];
  if (!text) return undefined;
  const value = Number(text);
  return Number.isFinite(value) ? value : refuse(`${column} "${text}" is not a number`);
}

/** A temperature from `name_c` or `name_f`. */
export function tempC(cells: Cells, name: string): number | undefined {
  const fahrenheit = number(cells, `${name}_f`);
  return number(cells, `${name}_c`) ?? (fahrenheit === undefined ? undefined : celsiusFromFahrenheit(fahrenheit));
}

/** A piece's weight from `piece_kg` or `piece_lb`. */
export function massKg(cells: Cells): number {
  const lb = number(cells, 'piece_lb');
  const kg = number(cells, 'piece_kg') ?? (lb === undefined ? refuse('piece_lb or piece_kg is missing') : kgFromLb(lb));
  return kg <= 0 || kg > 100 ? refuse(`a piece of ${kg.toFixed(2)} kg cannot be cooked`) : kg;
}

/** `165F` or `74C`. */
export function suffixedTempC(text: string): number | undefined {
  const match = /^(-?\d+(?:\.\d+)?)\s*([CF])$/i.exec(text);
  if (!match) return undefined;
  return match[2]!.toUpperCase() === 'F' ? celsiusFromFahrenheit(Number(match[1])) : Number(match[1]);
}

/** `4h` or `90min`. */
export function elapsedMin(text: string): number | undefined {
  const match = /^(\d+(?:\.\d+)?)\s*(h|min)$/i.exec(text);
  if (!match) return undefined;
  return Number(match[1]) * (match[2]!.toLowerCase() === 'h' ? 60 : 1);
}
