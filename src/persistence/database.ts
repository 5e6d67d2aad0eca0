import { mkdirSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import type { WriteFaultCode } from '../core/outcome';
import { bareConnection, type BareConnection } from './bareConnection';
import { migrate } from './migrate';
import { openFault, OpenRefused } from './openFault';
import { initTables } from './tables';
import { WriteFault, writeFault } from './writeFault';
import { WriteQueue } from './writeQueue';

/** An open, migrated database. Writes go through `write`, one transaction at a time. */
export interface Database {
  sequelize: Sequelize;
  /** Rejects with a `WriteFault` where disk or file do not take it: nothing of it is kept then. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** An error as what it says of disk or file, remembered; the error itself where it says nothing. */
  noticed(error: unknown): unknown;
  /** Why the last write was not taken; undefined once one is again. A damaged file stays so. */
  fault(): WriteFaultCode | undefined;
  /** A consistent copy of all that was confirmed, while it is used; also of a file that is no longer where it was. */
  copyInto(target: string): Promise<void>;
  /** Another number whenever anything was written since, by this program or any other. */
  version(): Promise<number>;
  close(): Promise<void>;
}

const WAIT_FOR_LOCK_MS = 10_000;
/** Whoever taps is told sooner that nothing is kept just now. */
const WAIT_TO_WRITE_MS = 5000;

/**
 * Opens the file (made when missing, with its folder), turns on WAL and foreign keys, migrates. What cannot be opened
 * is told in one line (`OpenRefused`), and a database of another program is left as it was.
 */
export async function openDatabase(file: string): Promise<Database> {
  try {
    mkdirSync(dirname(file), { recursive: true });
    const watch = await watched(file);
    const sequelize = await migrated(file).catch(async (error: unknown) => {
      await watch.close();
      throw error;
    });
    const queue = new WriteQueue();
    let fault: WriteFaultCode | undefined;
    let isDamaged = false;
    const noticed = (error: unknown): unknown => {
      const told = writeFault(error);
      if (!WriteFault.is(told)) return told;
      fault = told.code;
      isDamaged ||= told.isForGood;
      return told;
    };
    const opened = inodeOf(file);
    const isGone = () => inodeOf(file) !== opened;
    return {
      sequelize,
      write: (work) =>
        queue.run(async () => {
          try {
            // What is written to a file that nobody finds any more would be confirmed and lost.
            if (isGone()) throw new WriteFault('databaseGone', file);
            const done = await sequelize.transaction(work);
            if (!isDamaged) fault = undefined;
            return done;
          } catch (error) {
            throw noticed(error);
          }
        }),
      noticed,
      fault: () => fault,
      copyInto: async (target) => {
        const statement = `VACUUM INTO '${target.replaceAll("'", "''")}'`;
        if (isGone()) {
          await sequelize.query(statement);
          return;
        }
        const beside = await bareConnection(file, WAIT_FOR_LOCK_MS);
        await beside.ask(statement).finally(() => beside.close());
      },
      // It counts what other connections have written; this one never writes.
      version: async () => (await watch.ask<{ data_version: number }>('PRAGMA data_version'))[0]!.data_version,
      close: async () => {
        await watch.close();
        await sequelize.close();
      },
    };
  } catch (error) {
    throw openFault(error, file);
  }
}

/** Each transaction has a connection of its own: it too waits for whoever holds the file. */
class PatientConnection extends sqlite3.Database {
  constructor(file: string, mode: number, opened?: (error: Error | null) => void) {
    super(file, mode, opened);
    this.configure('busyTimeout', WAIT_TO_WRITE_MS);
  }
}

const inodeOf = (file: string): number | undefined => statSync(file, { throwIfNoEntry: false })?.ino;

async function migrated(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: { ...sqlite3, Database: PatientConnection },
    storage: file,
    logging: false,
    // The connection itself waits: asked again, it would wait as long again.
    retry: { max: 1 },
    // One that reads first and writes later is refused at once, however patient, where another program wrote between.
    transactionType: Transaction.TYPES.IMMEDIATE,
  });
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
async function watched(file: string): Promise<BareConnection> {
  const bare = await bareConnection(file, WAIT_FOR_LOCK_MS);
  try {
    const tables = await bare.ask<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'");
    if (tables.length > 0 && !tables.some(({ name }) => name === 'migrations'))
      throw new OpenRefused(`${file} is a database of another program. It was left as it was. Set ANACHRON_DB to another file.`);
    await bare.ask('PRAGMA journal_mode = WAL');
    await bare.ask('BEGIN IMMEDIATE');
    await bare.ask('ROLLBACK');
    return bare;
  } catch (error) {
    await bare.close();
    throw error;
  }
}
