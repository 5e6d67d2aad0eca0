import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import { migrate } from './migrate';
import { initTables } from './tables';
import { WriteQueue } from './writeQueue';

/** An open, migrated database. Writes go through `write`, one transaction at a time. */
export interface Database {
  sequelize: Sequelize;
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Opens the file (made when missing, with its folder), turns on WAL and foreign keys, migrates. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA foreign_keys = ON');
  await migrate(sequelize);
  initTables(sequelize);
  const queue = new WriteQueue();
  return {
    sequelize,
    write: (work) => queue.run(() => sequelize.transaction(work)),
    close: () => sequelize.close(),
  };
}
