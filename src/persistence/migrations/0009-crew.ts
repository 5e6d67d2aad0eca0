import type { Migration } from './migration';

/** Who has joined from the yard. Of a session's token only a hash is kept. */
export const crew: Migration = {
  name: '0009-crew',
  statements: [
    `CREATE TABLE crew_sessions (
      id TEXT NOT NULL PRIMARY KEY,
      hash TEXT NOT NULL UNIQUE,
      name TEXT NOT NULL,
      role TEXT NOT NULL,
      joined_at_ms INTEGER NOT NULL,
      seen_at_ms INTEGER NOT NULL,
      ended_at_ms INTEGER
    )`,
  ],
};
