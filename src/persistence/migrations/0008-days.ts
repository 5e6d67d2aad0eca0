import type { Migration } from './migration';

/**
 * Cook days: what each started from, its journal, and readings by channel. A reading belongs to the channel of a device;
 * which piece the channel sat in is the journal's. Temperatures are whole hundredths of a degree C: a day of sixteen
 * channels must stay small.
 */
export const days: Migration = {
  name: '0008-days',
  statements: [
    `CREATE TABLE cook_days (
      event_id TEXT NOT NULL PRIMARY KEY REFERENCES events(id),
      kept TEXT NOT NULL,
      clock TEXT NOT NULL,
      planned_from_ms INTEGER NOT NULL,
      started_at_ms INTEGER NOT NULL,
      ended_at_ms INTEGER
    )`,
    `CREATE TABLE day_entries (
      seq INTEGER PRIMARY KEY AUTOINCREMENT,
      event_id TEXT NOT NULL REFERENCES cook_days(event_id),
      entry_id TEXT NOT NULL,
      at_ms INTEGER NOT NULL,
      received_at_ms INTEGER NOT NULL,
      body TEXT NOT NULL,
      UNIQUE (event_id, entry_id)
    )`,
    `CREATE TABLE channels (
      id INTEGER PRIMARY KEY,
      device_id TEXT NOT NULL,
      channel TEXT NOT NULL,
      UNIQUE (device_id, channel)
    )`,
    `CREATE TABLE readings (
      channel_id INTEGER NOT NULL REFERENCES channels(id),
      at_ms INTEGER NOT NULL,
      temp_cc INTEGER NOT NULL,
      PRIMARY KEY (channel_id, at_ms)
    ) WITHOUT ROWID`,
    `CREATE TABLE reading_minutes (
      channel_id INTEGER NOT NULL REFERENCES channels(id),
      minute INTEGER NOT NULL,
      mean_cc INTEGER NOT NULL,
      min_cc INTEGER NOT NULL,
      max_cc INTEGER NOT NULL,
      count INTEGER NOT NULL,
      PRIMARY KEY (channel_id, minute)
    ) WITHOUT ROWID`,
    `CREATE TABLE device_tokens (
      id TEXT NOT NULL PRIMARY KEY,
      name TEXT NOT NULL,
      hash TEXT NOT NULL UNIQUE,
      created_at_ms INTEGER NOT NULL,
      used_at_ms INTEGER,
      revoked_at_ms INTEGER
    )`,
    `CREATE TABLE settings (
      key TEXT NOT NULL PRIMARY KEY,
      value TEXT NOT NULL
    )`,
  ],
};
