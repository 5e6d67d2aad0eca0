import type { Migration } from './migration';

/**
 * The log of cooks: each a document, and beside it what lists and learning ask for. `log` is the natural log of observed over
 * forecast time, by the physics of `log_of`; null where one of them is not known.
 */
export const cooks: Migration = {
  name: '0010-cooks',
  statements: [
    `CREATE TABLE cooks (
      id TEXT NOT NULL PRIMARY KEY,
      event_id TEXT,
      on_ms INTEGER,
      cut_id TEXT NOT NULL,
      method_id TEXT,
      pit_id TEXT,
      log REAL,
      log_of INTEGER,
      body TEXT NOT NULL,
      updated_at_ms INTEGER NOT NULL,
      deleted_at_ms INTEGER
    )`,
    `CREATE INDEX cooks_by_time ON cooks (on_ms)`,
  ],
};
