import { copyFileSync, existsSync, rmSync, statSync } from 'node:fs';
import { QueryTypes, Sequelize, type Transaction } from 'sequelize';
import { bareConnection } from './bareConnection';
import type { Database } from './database';
import { migrate } from './migrate';
import { openFault, OpenRefused } from './openFault';

const WAIT_MS = 10_000;
const ROWS_A_TIME = 200;

/** What a copy of a database holds. */
export interface CopyContents {
  bytes: number;
  events: string[];
  days: number;
  entries: number;
}

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

/** A consistent copy of a database while it runs: all that was confirmed is in it. It is looked through before it counts. */
export async function copyDatabase(db: Database, target: string): Promise<CopyContents> {
  try {
    await db.copyInto(target);
  } catch (error) {
    // A copy that was cut short, by a full disk say, is none.
    if (existsSync(target)) rmSync(target);
    throw openFault(error, target);
  }
  return readCopy(target);
}

/** Looks a copy through, from its first page to its last; one that is damaged or another program's is refused in one line. */
export async function readCopy(file: string): Promise<CopyContents> {
  if (!existsSync(file) || !statSync(file).isFile()) throw new OpenRefused(`${file} is not there.`);
  const bare = await bareConnection(file, WAIT_MS);
  try {
    const [check] = await bare.ask<{ integrity_check: string }>('PRAGMA integrity_check');
    if (check?.integrity_check !== 'ok') throw new OpenRefused(`${file} is damaged: ${check?.integrity_check ?? 'it cannot be read'}.`);
    const tables = new Set(
      (await bare.ask<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")).map(({ name }) => name),
    );
    if (!tables.has('migrations') || !tables.has('events')) throw new OpenRefused(`${file} is no copy of this program’s data.`);
    const count = async (table: string) =>
      tables.has(table) ? ((await bare.ask<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table}`))[0]?.n ?? 0) : 0;
    return {
      bytes: statSync(file).size,
      events: (await bare.ask<{ name: string }>('SELECT name FROM events WHERE deleted_at_ms IS NULL ORDER BY created_at_ms')).map(
        ({ name }) => name,
      ),
      days: await count('cook_days'),
      entries: await count('day_entries'),
    };
  } catch (error) {
    throw openFault(error, file);
  } finally {
    await bare.close();
  }
}

/** What is of this machine and this moment, not of the data: a copy brings back nobody who was put out. */
export const STAYS_AS_IT_IS: readonly string[] = ['migrations', 'crew_sessions', 'device_tokens'];

/**
 * Puts a copy in place of all that is there, in one transaction: all of it or nothing. The copy may be of any older
 * version of the program: a second copy of it is brought to the newest shape first. `stays` are settings that stay as they are.
 */
export async function restoreCopy(db: Database, file: string, stays: readonly string[]): Promise<void> {
  const working = `${file}.restoring`;
  copyFileSync(file, working);
  try {
    await bringUpToDate(working);
    const source = await bareConnection(working, WAIT_MS);
    try {
      await db.write(async (transaction) => {
        const tables = await tablesOf(db.sequelize, transaction);
        await db.sequelize.query('PRAGMA defer_foreign_keys = ON', { transaction });
        for (const table of tables) {
          const kept = table === 'settings' ? ` WHERE key NOT IN (${stays.map(quoted).join(',') || "''"})` : '';
          await db.sequelize.query(`DELETE FROM ${table}${kept}`, { transaction });
          for (let from = 0; ; from += ROWS_A_TIME) {
            const rows = await source.ask<Record<string, unknown>>(`SELECT * FROM ${table}${kept} LIMIT ${ROWS_A_TIME} OFFSET ${from}`);
            if (rows.length === 0) break;
            await insert(db.sequelize, table, rows, transaction);
          }
        }
      });
    } finally {
      await source.close();
    }
  } catch (error) {
    throw openFault(error, file);
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${working}${end}`, { force: true });
  }
}

async function bringUpToDate(file: string): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  try {
    await migrate(sequelize);
  } finally {
    await sequelize.close();
  }
}

const tablesOf = async (sequelize: Sequelize, transaction: Transaction): Promise<string[]> =>
  (
    await sequelize.query<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'", {
      type: QueryTypes.SELECT,
      transaction,
    })
  )
    .map(({ name }) => name)
    .filter((name) => !STAYS_AS_IT_IS.includes(name));

async function insert(
  sequelize: Sequelize,
  table: string,
  rows: readonly Record<string, unknown>[],
  transaction: Transaction,
): Promise<void> {
  const columns = Object.keys(rows[0]!);
  const one = `(${columns.map(() => '?').join(',')})`;
  await sequelize.query(`INSERT INTO ${table} (${columns.join(',')}) VALUES ${rows.map(() => one).join(',')}`, {
    replacements: rows.flatMap((row) => columns.map((column) => row[column])),
    transaction,
  });
}
