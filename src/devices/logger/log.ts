import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { celsiusFromFahrenheit } from '../../core/units';
import type { HubReading } from '../ports';

/** How the columns of a logger's file are meant. */
export interface LogColumns {
  time: string;
  /** Left out where each channel has a column of its own: then the columns' names are the channels. */
  channel?: string;
  temps: readonly string[];
  unit: 'C' | 'F';
}

export interface ReadLog {
  readings: HubReading[];
  refused: { line: number; reason: string }[];
}

const HOTTEST_C = 600;
const COLDEST_C = -60;
const MOST_REFUSED = 200;

/** The header of a logger's file, and a guess at what its columns are. Undefined where it is no table. */
export function guessColumns(text: string): { columns: string[]; guess: LogColumns } | undefined {
  const [header] = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: 1 }).data;
  const columns = (header ?? []).map((column) => column.trim()).filter((column) => column !== '');
  if (columns.length < 2) return undefined;
  const find = (...words: string[]) => columns.find((column) => words.some((word) => column.toLowerCase().includes(word)));
  const time = find('time', 'date', 'stamp') ?? columns[0]!;
  const channel = columns.find((column) => column !== time && /^(channel|probe|sensor|kanal)s?$/i.test(column));
  const numeric = columns.filter((column) => column !== time && column !== channel && !/unit|batt|signal|note/i.test(column));
  const temps = channel ? [find('temp', 'value', 'reading') ?? numeric[0] ?? columns.at(-1)!] : numeric;
  const unit = columns.some((column) => /(°|\(|_|\b)f\)?$/i.test(column)) ? 'F' : 'C';
  return { columns, guess: { time, ...(channel && { channel }), temps, unit } };
}

/** Reads a logger's file by its columns. Times without a zone are clock times of `zone`. Lines that cannot be used are named and left out. */
export function readLog(text: string, columns: LogColumns, deviceId: string, zone: string, nowMs: number): ReadLog {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const header = (parsed.data[0] ?? []).map((column) => column.trim());
  const at = (name: string) => header.indexOf(name);
  const missing = [columns.time, ...(columns.channel ? [columns.channel] : []), ...columns.temps].filter((name) => at(name) < 0);
  if (missing.length > 0) return { readings: [], refused: [{ line: 1, reason: `there is no column "${missing[0]}"` }] };
  const readings: HubReading[] = [];
  const refused: ReadLog['refused'] = [];
  const refuse = (line: number, reason: string) => {
    if (refused.length < MOST_REFUSED) refused.push({ line, reason });
  };
  parsed.data.slice(1).forEach((row, i) => {
    const line = i + 2;
    if (row.every((cell) => cell.trim() === '')) return;
    const atMs = instantOf(row[at(columns.time)]?.trim() ?? '', zone);
    if (atMs === undefined) return refuse(line, `"${row[at(columns.time)] ?? ''}" is no time`);
    if (atMs > nowMs + 5 * 60_000) return refuse(line, 'this time is still to come');
    for (const name of columns.temps) {
      const cell = row[at(name)]?.trim().replace(',', '.') ?? '';
      // An empty cell is a channel that was silent.
      if (cell === '' || /^(-+|nan|n\/a|err.*)$/i.test(cell)) continue;
      const value = Number(cell.replace(/\s*°?[cf]$/i, ''));
      if (!Number.isFinite(value)) {
        refuse(line, `"${cell}" is no temperature`);
        continue;
      }
      const tempC = columns.unit === 'F' ? celsiusFromFahrenheit(value) : value;
      if (tempC < COLDEST_C || tempC > HOTTEST_C) {
        refuse(line, `${value} ${columns.unit} is no temperature of meat or fire`);
        continue;
      }
      const channel = columns.channel ? (row[at(columns.channel)]?.trim() ?? '') : name;
      if (channel === '' || channel.length > 40) {
        refuse(line, 'the channel has no name, or too long a one');
        continue;
      }
      readings.push({ deviceId, channel, atMs, tempC });
    }
  });
  return { readings, refused };
}

const FORMATS = [
  'yyyy-MM-dd HH:mm:ss',
  'yyyy-MM-dd HH:mm',
  'yyyy/MM/dd HH:mm:ss',
  'yyyy/MM/dd HH:mm',
  'dd.MM.yyyy HH:mm:ss',
  'dd.MM.yyyy HH:mm',
  'M/d/yyyy H:mm:ss',
  'M/d/yyyy H:mm',
  'M/d/yyyy h:mm:ss a',
  'M/d/yyyy h:mm a',
];

function instantOf(text: string, zone: string): number | undefined {
  if (/^\d{10}$/.test(text)) return Number(text) * 1000;
  if (/^\d{13}$/.test(text)) return Number(text);
  const iso = DateTime.fromISO(text.replace(' ', 'T'), { zone });
  if (iso.isValid) return iso.toMillis();
  for (const format of FORMATS) {
    const read = DateTime.fromFormat(text, format, { zone });
    if (read.isValid) return read.toMillis();
  }
  return undefined;
}
