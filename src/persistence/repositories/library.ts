import { literal, type Transaction } from 'sequelize';
import type { Cut, Library, Method, Recipe } from '../../core/model';
import { LibraryEntryRow } from '../tables';
import { presentRows } from './brought';
import { bodyOf } from './body';

export type LibraryKind = 'cut' | 'method' | 'recipe';

/** The owner's own entries, without the shipped ones, in the order they were made. */
export async function loadOwnLibrary(transaction?: Transaction): Promise<Library> {
  const rows = await LibraryEntryRow.findAll({
    order: literal('rowid'),
    transaction,
  });
  const present = await presentRows(rows, transaction);
  const bodies = <T>(kind: LibraryKind): T[] => present.filter((row) => row.kind === kind).map((row) => bodyOf(row) as T);
  return { cuts: bodies<Cut>('cut'), methods: bodies<Method>('method'), recipes: bodies<Recipe>('recipe') };
}

export async function saveLibraryEntry(
  kind: LibraryKind,
  entry: Cut | Method | Recipe,
  nowMs: number,
  transaction: Transaction,
  broughtBy?: string,
): Promise<void> {
  const fields = { body: JSON.stringify(entry), updatedAtMs: nowMs, ...(broughtBy !== undefined && { broughtBy }) };
  const stored = await LibraryEntryRow.findOne({ where: { kind, id: entry.id }, transaction });
  if (stored) await stored.update(fields, { transaction });
  else await LibraryEntryRow.create({ kind, id: entry.id, ...fields }, { transaction });
}

/** Takes the owner's version away. Tells whether there was one. */
export async function removeLibraryEntry(kind: LibraryKind, id: string, transaction: Transaction): Promise<boolean> {
  return (await LibraryEntryRow.destroy({ where: { kind, id }, transaction })) > 0;
}

/** An entry of this kind and id, though the event that brought it is deleted. */
export async function findLibraryEntry(kind: LibraryKind, id: string, transaction: Transaction): Promise<object | null> {
  const row = await LibraryEntryRow.findOne({ where: { kind, id }, transaction });
  return row && bodyOf(row);
}
