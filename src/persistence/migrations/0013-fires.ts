import type { Migration } from './migration';

/** How a pit's fire was made on a day that is over, and how it held. */
export const fires: Migration = {
  name: '0013-fires',
  statements: [
    `CREATE TABLE made_fires (
      id TEXT NOT NULL PRIMARY KEY,
      event_id TEXT NOT NULL,
      body TEXT NOT NULL
    )`,
    `CREATE INDEX made_fires_by_event ON made_fires (event_id)`,
  ],
};
