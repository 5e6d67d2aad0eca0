import type { Migration } from './migration';

/**
 * Buying, prep and safety: what an event, a serving and a batch carry beyond their columns (JSON, read and
 * written whole), the weights of each piece, and recipes in the library.
 */
export const kitchen: Migration = {
  name: '0003-kitchen',
  statements: [
    `ALTER TABLE events ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE servings ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE batches ADD COLUMN extras TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE pieces ADD COLUMN bought_kg REAL CHECK (bought_kg > 0)`,
    `ALTER TABLE pieces ADD COLUMN trimmed_kg REAL CHECK (trimmed_kg > 0)`,
    `ALTER TABLE pieces ADD COLUMN thickness_mm REAL CHECK (thickness_mm > 0)`,
    `ALTER TABLE pieces ADD COLUMN grade TEXT`,
    `CREATE TABLE library_entries_next (
      kind TEXT NOT NULL CHECK (kind IN ('cut', 'method', 'recipe')), id TEXT NOT NULL, body TEXT NOT NULL, updated_at_ms INTEGER NOT NULL,
      PRIMARY KEY (kind, id)
    )`,
    `INSERT INTO library_entries_next SELECT kind, id, body, updated_at_ms FROM library_entries`,
    `DROP TABLE library_entries`,
    `ALTER TABLE library_entries_next RENAME TO library_entries`,
  ],
};
