import sqlite3 from 'sqlite3';

/** A connection of its own beside the ones that read and write rows: it looks at the file, never into it. */
export interface BareConnection {
  ask<Row extends object>(sql: string): Promise<Row[]>;
  close(): Promise<void>;
}

/** Opens the file, made when missing; what is asked of it waits so long for whoever holds it. */
export async function bareConnection(file: string, waitForLockMs: number): Promise<BareConnection> {
  const db = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opening: sqlite3.Database = new sqlite3.Database(file, (error) => (error ? reject(error) : resolve(opening)));
  });
  db.configure('busyTimeout', waitForLockMs);
  return {
    ask: (sql) => new Promise((resolve, reject) => db.all(sql, (error, rows) => (error ? reject(error) : resolve(rows as never)))),
    close: () => new Promise((resolve) => db.close(() => resolve())),
  };
}
