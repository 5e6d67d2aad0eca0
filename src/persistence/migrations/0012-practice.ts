import type { Migration } from './migration';

/** Days in practice, each with all that was done in it; and how a question of a drill went, for each trainee. */
export const practice: Migration = {
  name: '0012-practice',
  statements: [
    `CREATE TABLE practice_runs (
      id TEXT NOT NULL PRIMARY KEY,
      trainee TEXT NOT NULL,
      body TEXT NOT NULL,
      updated_at_ms INTEGER NOT NULL,
      deleted_at_ms INTEGER
    )`,
    `CREATE INDEX practice_runs_by_trainee ON practice_runs (trainee)`,
    `CREATE TABLE drill_marks (
      id TEXT NOT NULL PRIMARY KEY,
      trainee TEXT NOT NULL,
      body TEXT NOT NULL,
      updated_at_ms INTEGER NOT NULL
    )`,
    `CREATE INDEX drill_marks_by_trainee ON drill_marks (trainee)`,
  ],
};
