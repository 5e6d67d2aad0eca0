import { rmSync } from 'node:fs';
import { QueryTypes, Sequelize } from 'sequelize';
import { bareConnection, type BareConnection } from './bareConnection';
import { STAYS_AS_IT_IS } from './copies';
import { migrate } from './migrate';
import { MIGRATIONS } from './migrations';
import { openFault, OpenRefused } from './openFault';

/** Everything of an owner as plain rows, table by table, in an order that does not depend on anything else; and back. */

export type PlainRow = Record<string, unknown>;
export interface TablePart {
  table: string;
  rows: PlainRow[];
}
/** The newest shape of tables, by the name of its migration. */
export const NEWEST_SHAPE = MIGRATIONS.at(-1)!.name;

const WAIT_MS = 10_000;
const ROWS_A_TIME = 5000;
/** SQLite takes so many values in one statement. */
const MOST_VALUES = 30_000;
/** Columns that hold documents. */
const DOCUMENTS: ReadonlySet<string> = new Set(['body', 'kept', 'clock', 'value']);
/** Settings of this machine and this moment. */
const OWN_SETTINGS: ReadonlySet<unknown> = new Set(['yard', 'clock', 'writable']);

interface Column {
  name: string;
  type: string;
  pk: number;
}
const camel = (name: string): string => name.replaceAll(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
const columnsOf = (table: string): string => `SELECT name, type, pk FROM pragma_table_info('${table}')`;
const TABLES = "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name";

/** All rows of the owner’s tables at one moment, while others go on writing. A document that cannot be read goes out as its text. */
export async function* readHouse(file: string): AsyncGenerator<TablePart> {
  const bare = await bareConnection(file, WAIT_MS);
  try {
    await bare.ask('BEGIN');
    const tables = await bare.ask<{ name: string }>(TABLES);
    for (const { name: table } of tables.filter(({ name }) => !STAYS_AS_IT_IS.includes(name))) yield* rowsOf(bare, table);
  } catch (error) {
    throw openFault(error, file);
  } finally {
    await bare.close();
  }
}

async function* rowsOf(bare: BareConnection, table: string): AsyncGenerator<TablePart> {
  const columns = await bare.ask<Column>(columnsOf(table));
  const key = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk);
  for (let from = 0; ; from += ROWS_A_TIME) {
    const rows = await bare.ask<PlainRow>(
      `SELECT * FROM ${table} ORDER BY ${key.map(({ name }) => name).join(', ')} LIMIT ${ROWS_A_TIME} OFFSET ${from}`,
    );
    const own = table === 'settings' ? rows.filter((row) => !OWN_SETTINGS.has(row.key)) : rows;
    yield { table, rows: own.map(plain) };
    if (rows.length < ROWS_A_TIME) return;
  }
}

const plain = (row: PlainRow): PlainRow =>
  Object.fromEntries(Object.entries(row).map(([name, value]) => (DOCUMENTS.has(name) ? documentOf(name, value) : [camel(name), value])));

function documentOf(name: string, value: unknown): [string, unknown] {
  try {
    return [name, JSON.parse(String(value))];
  } catch {
    return [`${name}Text`, value];
  }
}

/** Makes a database of such rows, which may be of any older shape, brings it to the newest, and refuses in one line what is none. */
export async function buildHouse(target: string, shape: string, parts: AsyncIterable<TablePart>): Promise<void> {
  const upTo = MIGRATIONS.findIndex(({ name }) => name === shape);
  if (upTo < 0) throw new OpenRefused(`These files have the shape ${shape}, which this program does not know. Update the program.`);
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: target, logging: false, pool: { max: 1, min: 1 } });
  try {
    await migrate(sequelize, MIGRATIONS.slice(0, upTo + 1));
    await sequelize.query('PRAGMA foreign_keys = OFF');
    const tables = (await sequelize.query<{ name: string }>(TABLES, { type: QueryTypes.SELECT })).map(({ name }) => name);
    for await (const { table, rows } of parts) {
      if (!tables.includes(table) || STAYS_AS_IT_IS.includes(table)) throw new OpenRefused(`There is no place for ${table}.`);
      const columns = await sequelize.query<Column>(columnsOf(table), { type: QueryTypes.SELECT });
      const values = rows.map((row, i) => valuesOf(row, columns, `${table}, line ${i + 1}`));
      const atOnce = Math.max(1, Math.floor(MOST_VALUES / columns.length));
      for (let from = 0; from < values.length; from += atOnce) {
        const some = values.slice(from, from + atOnce);
        const one = `(${columns.map(() => '?').join(',')})`;
        await sequelize.query(
          `INSERT INTO ${table} (${columns.map(({ name }) => name).join(',')}) VALUES ${some.map(() => one).join(',')}`,
          { replacements: some.flat() },
        );
      }
    }
    const loose = await sequelize.query<{ table: string }>('PRAGMA foreign_key_check', { type: QueryTypes.SELECT });
    if (loose[0]) throw new OpenRefused(`Something in ${loose[0].table} belongs to what is not there.`);
    await migrate(sequelize);
  } catch (error) {
    await sequelize.close();
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${target}${end}`, { force: true });
    if (/SQLITE_CONSTRAINT/.test(String((error as { original?: { code?: string } }).original?.code)))
      throw new OpenRefused(`These files do not fit together: ${(error as Error).message}.`);
    throw openFault(error, target);
  }
  await sequelize.close();
}

/** The values of a row in the order of its table's columns. */
function valuesOf(row: PlainRow, columns: readonly Column[], where: string): unknown[] {
  const left = new Set(Object.keys(row));
  const values = columns.map(({ name, type }) => {
    const [key, asText] = [camel(name), `${name}Text`];
    left.delete(key);
    left.delete(asText);
    if (DOCUMENTS.has(name)) return row[key] === undefined && typeof row[asText] === 'string' ? row[asText] : JSON.stringify(row[key]);
    const value = row[key] ?? null;
    const fits = value === null || (type === 'TEXT' ? typeof value === 'string' : typeof value === 'number' && Number.isFinite(value));
    if (!fits) throw new OpenRefused(`${where}: ${key} is not ${type === 'TEXT' ? 'a text' : 'a number'}.`);
    return value;
  });
  const [strange] = left;
  if (strange !== undefined) throw new OpenRefused(`${where}: nothing here is called ${strange.slice(0, 40)}.`);
  return values.map((value) => value ?? null);
}
