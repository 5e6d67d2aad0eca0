import type { Migration } from './migration';

/** The owner's cuts and methods: edited versions of shipped ones (same id) and new ones. */
export const library: Migration = {
  name: '0002-library',
  statements: [
    `CREATE TABLE library_entries (
      kind TEXT NOT NULL CHECK (kind IN ('cut', 'method')), id TEXT NOT NULL, body TEXT NOT NULL, updated_at_ms INTEGER NOT NULL, PRIMARY KEY (kind, id)
    )`,
  ],
};
