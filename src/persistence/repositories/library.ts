import { Op, type Transaction } from 'sequelize';
import type { Cut, Library, Method, Recipe } from '../../core/model';
import { BatchRow, EventRow, LibraryEntryRow, ServingRow } from '../tables';

export type LibraryKind = 'cut' | 'method' | 'recipe';

/** The owner's own entries, without the shipped ones. */
export async function loadOwnLibrary(transaction?: Transaction): Promise<Library> {
  const rows = await LibraryEntryRow.findAll({
    order: [
      ['updatedAtMs', 'ASC'],
      ['id', 'ASC'],
    ],
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

/** Names of the events that use a cut, a method or a recipe. */
export async function eventsUsing(kind: LibraryKind, id: string, transaction?: Transaction): Promise<string[]> {
  const named = { [Op.like]: `%${JSON.stringify(id)}%` };
  const where = { cut: { cutId: id }, method: { methodId: id }, recipe: { extras: named } }[kind];
  const batches = await BatchRow.findAll({ where, transaction });
  const servings = kind === 'recipe' ? await ServingRow.findAll({ where: { extras: named }, transaction }) : [];
  const events = await EventRow.findAll({
    where: { id: [...new Set([...batches, ...servings].map((row) => row.eventId))], deletedAtMs: null },
    transaction,
  });
  return events.map((event) => event.name);
}
