import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { EventRow, initTables, openDatabase, type Database } from '../persistence';
import type { Context } from '../services';
import { dayHouse } from './dayHouse';
import { planningPool } from './planningPool';
import { steadyClock } from './steadyClock';
import { yardDoor } from './yard';

/** The database file: ANACHRON_DB, or the owner's own under data/local. */
export const databaseFile = (): string => process.env.ANACHRON_DB ?? path.join(process.cwd(), 'data', 'local', 'anachron.sqlite');

// The bundler loads this module once for every entry; the connection is kept for all of them.
const shared = globalThis as typeof globalThis & { anachronDatabase?: Promise<Database> };

async function database(): Promise<Database> {
  shared.anachronDatabase ??= openDatabase(databaseFile());
  const db = await shared.anachronDatabase;
  if (EventRow.sequelize !== db.sequelize) initTables(db.sequelize);
  return db;
}

/** The composition root: the one place that reads a clock and opens a database. */
export async function context(): Promise<Context> {
  const opened: Context = { db: await database(), planner: planningPool, nowMs: () => steadyClock().nowMs(), newId: () => randomUUID() };
  opened.days = dayHouse(opened);
  opened.yard = yardDoor();
  return opened;
}
