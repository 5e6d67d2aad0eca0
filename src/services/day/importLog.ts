import { failure, success, type Outcome } from '../../core/outcome';
import { guessColumns, readLog, type LogColumns } from '../../devices/logger/log';
import { loadDay, loadSetting, saveSetting } from '../../persistence';
import type { Context } from '../context';
import { keepReadings } from './readings';

/** The columns of a logger's file and what they seem to be, from its first lines. */
export function guessLog(text: string): Outcome<{ columns: string[]; guess: LogColumns }> {
  const found = guessColumns(text);
  return found ? success(found) : failure({ code: 'logUnreadable', path: 'text', data: { line: 1, reason: 'it has no columns' } });
}

const KEY = 'loggerColumns';
const LONGEST_TEXT = 20_000_000;

export interface ImportLog {
  eventId: string;
  deviceId: string;
  text: string;
  columns: LogColumns;
}

export interface ImportedLog {
  readings: number;
  channels: string[];
  fromMs?: number;
  toMs?: number;
  refused: { line: number; reason: string }[];
}

/** Takes in a logger's file. Its columns are remembered by the logger's name; lines that cannot be used are named, the others count. */
export async function importLog(context: Context, { eventId, deviceId, text, columns }: ImportLog): Promise<Outcome<ImportedLog>> {
  if (text.length > LONGEST_TEXT) return failure({ code: 'logTooLong', path: 'text' });
  const day = await loadDay(eventId);
  if (!day) return failure({ code: 'dayNotBegun' });
  const nowMs = (await context.days?.nowMs(eventId)) ?? context.nowMs();
  const { readings, refused } = readLog(text, columns, deviceId, day.kept.input.event.timeZone, nowMs);
  if (readings.length === 0)
    return failure({
      code: 'logUnreadable',
      path: 'text',
      data: { line: refused[0]?.line ?? 1, reason: refused[0]?.reason ?? 'it holds no readings' },
    });
  await keepReadings(context, readings);
  const known = (await loadSetting(KEY)) as Record<string, LogColumns> | undefined;
  await context.db.write((transaction) => saveSetting(KEY, { ...known, [deviceId]: { ...columns } }, transaction));
  const times = readings.map((each) => each.atMs);
  return success({
    readings: readings.length,
    channels: [...new Set(readings.map((each) => each.channel))],
    fromMs: times.reduce((low, atMs) => Math.min(low, atMs), Infinity),
    toMs: times.reduce((high, atMs) => Math.max(high, atMs), -Infinity),
    refused,
  });
}

/** The columns of loggers whose files were taken in before. */
export const rememberedColumns = async (_context: Context): Promise<Record<string, LogColumns>> =>
  ((await loadSetting(KEY)) as Record<string, LogColumns> | undefined) ?? {};
