import type { Migration } from './migration';

/**
 * What was measured beside the hours, each a number of one figure (docs/learning.md) with where it came from; what was written down
 * after a day, as it was written; and trials, with their tasters.
 */
export const figures: Migration = {
  name: '0011-figures',
  statements: [
    `CREATE TABLE observations (
      id TEXT NOT NULL PRIMARY KEY,
      event_id TEXT,
      figure TEXT NOT NULL,
      at_ms INTEGER NOT NULL,
      value REAL NOT NULL,
      readings INTEGER NOT NULL,
      source TEXT NOT NULL
    )`,
    `CREATE INDEX observations_by_event ON observations (event_id)`,
    `CREATE TABLE trials (
      id TEXT NOT NULL PRIMARY KEY,
      body TEXT NOT NULL,
      updated_at_ms INTEGER NOT NULL,
      deleted_at_ms INTEGER
    )`,
    `CREATE TABLE tastings (
      id TEXT NOT NULL PRIMARY KEY,
      trial_id TEXT NOT NULL REFERENCES trials (id),
      body TEXT NOT NULL,
      updated_at_ms INTEGER NOT NULL
    )`,
    `CREATE INDEX tastings_by_trial ON tastings (trial_id)`,
  ],
};
