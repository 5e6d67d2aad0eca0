import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { MinuteReading, RawReading } from '../../core/day';

const MINUTE_MS = 60_000;
/** Raw readings are kept for so long; minutes for good. */
export const RAW_FOR_MS = 3 * 3_600_000;
const ROWS_A_TIME = 400;

const inHundredths = (tempC: number): number => Math.round(tempC * 100);

/** Ids of channels, made where they are new. */
async function channelIds(sequelize: Sequelize, readings: readonly RawReading[], transaction: Transaction): Promise<Map<string, number>> {
  const names = new Map(readings.map(({ deviceId, channel }) => [`${deviceId}\n${channel}`, { deviceId, channel }]));
  const ids = new Map<string, number>();
  for (const [name, { deviceId, channel }] of names) {
    await sequelize.query('INSERT OR IGNORE INTO channels (device_id, channel) VALUES (?, ?)', {
      replacements: [deviceId, channel],
      transaction,
    });
    const [row] = await sequelize.query<{ id: number }>('SELECT id FROM channels WHERE device_id = ? AND channel = ?', {
      replacements: [deviceId, channel],
      type: QueryTypes.SELECT,
      transaction,
    });
    ids.set(name, row!.id);
  }
  return ids;
}

/**
 * Keeps readings, and the minutes they fall into. The same reading sent twice counts once while its raw value is kept;
 * into a minute whose raw values are gone it is counted in. Returns these minutes as they are kept now.
 */
export async function saveReadings(
  sequelize: Sequelize,
  readings: readonly RawReading[],
  transaction: Transaction,
): Promise<MinuteReading[]> {
  if (readings.length === 0) return [];
  const ids = await channelIds(sequelize, readings, transaction);
  const rows = readings.map(
    ({ deviceId, channel, atMs, tempC }) => [ids.get(`${deviceId}\n${channel}`)!, Math.round(atMs), inHundredths(tempC)] as const,
  );
  for (let from = 0; from < rows.length; from += ROWS_A_TIME) {
    const part = rows.slice(from, from + ROWS_A_TIME);
    await sequelize.query(
      `INSERT OR IGNORE INTO readings (channel_id, at_ms, temp_cc) VALUES ${part.map((row) => `(${row.join(',')})`).join(',')}`,
      {
        transaction,
      },
    );
  }
  const touched = new Set(rows.map(([id, atMs]) => `${id}:${Math.floor(atMs / MINUTE_MS)}`));
  const parts = [...touched];
  const kept: MinuteReading[] = [];
  for (let from = 0; from < parts.length; from += ROWS_A_TIME) {
    const pairs = parts.slice(from, from + ROWS_A_TIME).map((each) => `(${each.replace(':', ',')})`);
    // What the raw values say of the minute, unless the minute once had more of them than are still kept.
    await sequelize.query(
      `INSERT INTO reading_minutes (channel_id, minute, mean_cc, min_cc, max_cc, count)
       SELECT r.channel_id, r.at_ms / ${MINUTE_MS} AS minute, CAST(ROUND(AVG(r.temp_cc)) AS INTEGER), MIN(r.temp_cc), MAX(r.temp_cc), COUNT(*)
       FROM readings r WHERE (r.channel_id, r.at_ms / ${MINUTE_MS}) IN (VALUES ${pairs.join(',')})
       GROUP BY r.channel_id, minute
       ON CONFLICT (channel_id, minute) DO UPDATE SET
         mean_cc = CASE WHEN excluded.count >= count THEN excluded.mean_cc ELSE (mean_cc * count + excluded.mean_cc * excluded.count) / (count + excluded.count) END,
         min_cc = MIN(min_cc, excluded.min_cc), max_cc = MAX(max_cc, excluded.max_cc),
         count = CASE WHEN excluded.count >= count THEN excluded.count ELSE count + excluded.count END`,
      { transaction },
    );
    const rowsNow = await sequelize.query<MinuteRow>(`${SELECT_MINUTES} WHERE (m.channel_id, m.minute) IN (VALUES ${pairs.join(',')})`, {
      type: QueryTypes.SELECT,
      transaction,
    });
    kept.push(...rowsNow.map(minuteOf));
  }
  return kept;
}

interface MinuteRow {
  device_id: string;
  channel: string;
  minute: number;
  mean_cc: number;
  min_cc: number;
  max_cc: number;
  count: number;
}

const SELECT_MINUTES = `SELECT c.device_id, c.channel, m.minute, m.mean_cc, m.min_cc, m.max_cc, m.count
     FROM reading_minutes m JOIN channels c ON c.id = m.channel_id`;

const minuteOf = (row: MinuteRow): MinuteReading => ({
  deviceId: row.device_id,
  channel: row.channel,
  atMs: row.minute * MINUTE_MS,
  meanC: row.mean_cc / 100,
  minC: row.min_cc / 100,
  maxC: row.max_cc / 100,
  count: row.count,
});

/** Lets go of raw readings that are older than is kept. */
export async function purgeReadings(sequelize: Sequelize, nowMs: number, transaction: Transaction): Promise<void> {
  await sequelize.query('DELETE FROM readings WHERE at_ms < ?', { replacements: [nowMs - RAW_FOR_MS], transaction });
}

/** The minutes of some devices' channels within a span, in order of time. */
export async function loadMinutes(
  sequelize: Sequelize,
  deviceIds: readonly string[],
  fromMs: number,
  toMs: number,
): Promise<MinuteReading[]> {
  if (deviceIds.length === 0) return [];
  const rows = await sequelize.query<MinuteRow>(
    `${SELECT_MINUTES}
     WHERE c.device_id IN (:deviceIds) AND m.minute >= :from AND m.minute <= :to ORDER BY m.minute, c.device_id, c.channel`,
    { replacements: { deviceIds, from: Math.floor(fromMs / MINUTE_MS), to: Math.ceil(toMs / MINUTE_MS) }, type: QueryTypes.SELECT },
  );
  return rows.map(minuteOf);
}

/** Channels that sent anything since an instant: what a day may be told from. */
export async function listChannels(
  sequelize: Sequelize,
  sinceMs: number,
): Promise<{ deviceId: string; channel: string; lastMs: number }[]> {
  const rows = await sequelize.query<{ device_id: string; channel: string; last: number }>(
    `SELECT c.device_id, c.channel, MAX(m.minute) AS last FROM reading_minutes m JOIN channels c ON c.id = m.channel_id
     WHERE m.minute >= ? GROUP BY c.id ORDER BY c.device_id, c.channel`,
    { replacements: [Math.floor(sinceMs / MINUTE_MS)], type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ deviceId: row.device_id, channel: row.channel, lastMs: row.last * MINUTE_MS }));
}
