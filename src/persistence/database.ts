import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { migrate, MigrationRefused } from './migrate';
import { openFault, OpenRefused } from './openFault';
import { initTables } from './tables';
import { WriteQueue } from './writeQueue';

/** An open, migrated database. Writes go through `write`, one transaction at a time. */
export interface Database {
  sequelize: Sequelize;
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

const WAIT_FOR_LOCK_MS = 10_000;

/**
 * Opens the file (made when missing, with its folder), turns on WAL and foreign keys, migrates. What cannot be opened
 * is told in one line (`OpenRefused`, `MigrationRefused`), and a database of another program is left as it was.
 */
export async function openDatabase(file: string): Promise<Database> {
  const sequelize = await opened(file).catch((error: unknown) => {
    throw error instanceof MigrationRefused ? error : openFault(error, file);
  });
  const queue = new WriteQueue();
  return {
    sequelize,
    write: (work) => queue.run(() => sequelize.transaction(work)),
    close: () => sequelize.close(),
  };
}

async function opened(file: string): Promise<Sequelize> {
  mkdirSync(dirname(file), { recursive: true });
  await probe(file);
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  try {
    await sequelize.query('PRAGMA foreign_keys = ON');
    await migrate(sequelize);
    initTables(sequelize);
    return sequelize;
  } catch (error) {
    await sequelize.close().catch(() => {});
    throw error;
  }
}

/** Looks at the file before anything is written to it, and waits for whoever holds it. */
async function probe(file: string): Promise<void> {
  const db = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opening: sqlite3.Database = new sqlite3.Database(file, (error) => (error ? reject(error) : resolve(opening)));
  });
  const ask = (sql: string) =>
    new Promise<{ name: string }[]>((resolve, reject) =>
      db.all<{ name: string }>(sql, (error, rows) => (error ? reject(error) : resolve(rows))),
    );
  try {
    db.configure('busyTimeout', WAIT_FOR_LOCK_MS);
    const tables = await ask("SELECT name FROM sqlite_master WHERE type = 'table'");
    if (tables.length > 0 && !tables.some(({ name }) => name === 'migrations'))
      throw new OpenRefused(`${file} is a database of another program. It was left as it was. Set ANACHRON_DB to another file.`);
    await ask('PRAGMA journal_mode = WAL');
    await ask('BEGIN IMMEDIATE');
    await ask('ROLLBACK');
  } finally {
    await new Promise<void>((resolve) => db.close(() => resolve()));
  }
}
