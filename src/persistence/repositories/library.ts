import type { Transaction } from 'sequelize';
import type { Cut, Library, Method } from '../../core/model';
import { BatchRow, EventRow, LibraryEntryRow } from '../tables';

export type LibraryKind = 'cut' | 'method';

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
  return { cuts: bodies<Cut>('cut'), methods: bodies<Method>('method') };
}

export async function saveLibraryEntry(kind: LibraryKind, entry: Cut | Method, nowMs: number, transaction: Transaction): Promise<void> {
  await LibraryEntryRow.upsert({ kind, id: entry.id, body: JSON.stringify(entry), updatedAtMs: nowMs }, { transaction });
}

/** Takes the owner's version away. Tells whether there was one. */
export async function removeLibraryEntry(kind: LibraryKind, id: string, transaction: Transaction): Promise<boolean> {
  return (await LibraryEntryRow.destroy({ where: { kind, id }, transaction })) > 0;
}

/** Names of the events that use a cut or a method. */
export async function eventsUsing(kind: LibraryKind, id: string, transaction?: Transaction): Promise<string[]> {
  const batches = await BatchRow.findAll({ where: kind === 'cut' ? { cutId: id } : { methodId: id }, transaction });
  const events = await EventRow.findAll({
    where: { id: [...new Set(batches.map((batch) => batch.eventId))], deletedAtMs: null },
    transaction,
  });
  return events.map((event) => event.name);
}
