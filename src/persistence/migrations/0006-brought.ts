import type { Migration } from './migration';

/** Equipment and library entries that came with an event's file go when it goes, and come back with it. */
export const brought: Migration = {
  name: '0006-brought',
  statements: [
    `ALTER TABLE gear ADD COLUMN brought_by TEXT REFERENCES events(id)`,
    `ALTER TABLE library_entries ADD COLUMN brought_by TEXT REFERENCES events(id)`,
  ],
};
