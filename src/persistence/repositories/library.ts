import { literal, type Transaction } from 'sequelize';
import type { Cut, Library, Method, Recipe } from '../../core/model';
import { LibraryEntryRow } from '../tables';

export type LibraryKind = 'cut' | 'method' | 'recipe';

/** The owner's own entries, without the shipped ones, in the order they were made. */
export async function loadOwnLibrary(transaction?: Transaction): Promise<Library> {
  const rows = await LibraryEntryRow.findAll({
    order: literal('rowid'),
    transaction,
  });
  const bodies = <T>(kind: LibraryKind): T[] => rows.filter((row) => row.kind === kind).map((row) => JSON.parse(row.body) as T);
  return { cuts: bodies<Cut>('cut'), methods: bodies<Method>('method'), recipes: bodies<Recipe>('recipe') };
}

export async function saveLibraryEntry(
  kind: LibraryKind,
  entry: Cut | Method | Recipe,
  nowMs: number,
  transaction: Transaction,
): Promise<void> {
  await LibraryEntryRow.upsert({ kind, id: entry.id, body: JSON.stringify(entry), updatedAtMs: nowMs }, { transaction });
}

/** Takes the owner's version away. Tells whether there was one. */
export async function removeLibraryEntry(kind: LibraryKind, id: string, transaction: Transaction): Promise<boolean> {
  return (await LibraryEntryRow.destroy({ where: { kind, id }, transaction })) > 0;
}
