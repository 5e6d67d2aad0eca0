import { createHash } from 'node:crypto';
import { QueryTypes, type Sequelize } from 'sequelize';
import { Umzug } from 'umzug';
import { MIGRATIONS } from './migrations';
import { OpenRefused } from './openFault';
import type { Migration } from './migrations/migration';

const checksum = ({ statements, rewrite }: Migration): string =>
  createHash('sha256')
    .update([...statements, ...(rewrite ? [rewrite.version, ...rewrite.after] : [])].join('\n;\n'))
    .digest('hex');

/** A database that this program must not touch, with what to do about it. */
class MigrationRefused extends OpenRefused {}

/**
 * Brings a database to the newest shape. Each migration runs in one transaction together with its
 * record, so a crash leaves it either wholly done or not begun. A migration that has changed since
 * it ran, or one this program does not know, is refused. `upTo` are the first so many of all, for a house of an older shape.
 */
export async function migrate(sequelize: Sequelize, upTo: readonly Migration[] = MIGRATIONS): Promise<void> {
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS migrations (name TEXT PRIMARY KEY, checksum TEXT NOT NULL, ran_at TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP)',
  );
  const ran = await sequelize.query<{ name: string; checksum: string }>('SELECT name, checksum FROM migrations ORDER BY name', {
    type: QueryTypes.SELECT,
  });
  const known = new Map(MIGRATIONS.map((migration) => [migration.name, checksum(migration)]));
  for (const row of ran) {
    const expected = known.get(row.name);
    if (!expected)
      throw new MigrationRefused(
        `This database was made by a newer Anachron (it has ${row.name}). Nothing was changed. Update the program, or set ANACHRON_DB to another file.`,
      );
    if (expected !== row.checksum)
      throw new MigrationRefused(
        `Migration ${row.name} is not the one this database was made with. Nothing was changed. Restore the program's original files.`,
      );
  }
  const umzug = new Umzug({
    migrations: upTo.map((migration) => ({
      name: migration.name,
      up: async () =>
        sequelize.transaction(async (transaction) => {
          const { statements, rewrite } = migration;
          for (const statement of statements) await sequelize.query(statement, { transaction });
          await rewrite?.run(sequelize, transaction);
          for (const statement of rewrite?.after ?? []) await sequelize.query(statement, { transaction });
          await sequelize.query('INSERT INTO migrations (name, checksum) VALUES (?, ?)', {
            transaction,
            replacements: [migration.name, checksum(migration)],
          });
        }),
    })),
    storage: { executed: async () => ran.map((row) => row.name), logMigration: async () => {}, unlogMigration: async () => {} },
    logger: undefined,
  });
  await umzug.up();
}
