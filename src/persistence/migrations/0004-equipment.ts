import type { Migration } from './migration';

/**
 * Equipment in full: what a pit, a rack and a box carry beyond their columns (JSON, read and written
 * whole), and the rest of the gear: warmers, probes and crew.
 */
export const equipment: Migration = {
  name: '0004-equipment',
  statements: [
    `ALTER TABLE pits ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE racks ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE boxes ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `CREATE TABLE gear (
      kind TEXT NOT NULL CHECK (kind IN ('warmer', 'probe', 'crew')), id TEXT NOT NULL, body TEXT NOT NULL,
      created_at_ms INTEGER NOT NULL, deleted_at_ms INTEGER,
      PRIMARY KEY (kind, id)
    )`,
  ],
};
