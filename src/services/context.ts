import type { Database } from '../persistence';

/** What every use case is given: the database, the time, and new identifiers. */
export interface Context {
  db: Database;
  nowMs(): number;
  newId(): string;
}
