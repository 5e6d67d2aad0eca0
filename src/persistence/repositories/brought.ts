import { Op, type Transaction } from 'sequelize';
import { EventRow, GearRow, LibraryEntryRow } from '../tables';

/** Those of the rows that no event brought, or one that is not deleted. */
export async function presentRows<T extends { broughtBy: string | null }>(rows: T[], transaction?: Transaction): Promise<T[]> {
  const by = [...new Set(rows.flatMap((row) => row.broughtBy ?? []))];
  if (by.length === 0) return rows;
  const living = await EventRow.findAll({ where: { id: by, deletedAtMs: null }, attributes: ['id'], transaction });
  return rows.filter((row) => row.broughtBy === null || living.some(({ id }) => id === row.broughtBy));
}

/** What an event brought and another that is not deleted has come to use is that one's from here on. */
export async function handOverBrought(eventId: string, transaction: Transaction): Promise<void> {
  const brought: (GearRow | LibraryEntryRow)[] = [
    ...(await GearRow.findAll({ where: { broughtBy: eventId }, transaction })),
    ...(await LibraryEntryRow.findAll({ where: { broughtBy: eventId }, transaction })),
  ];
  for (const row of brought) {
    const heir = await EventRow.findOne({
      where: { id: { [Op.ne]: eventId }, deletedAtMs: null, body: { [Op.like]: `%${JSON.stringify(row.id)}%` } },
      transaction,
    });
    if (!heir) continue;
    row.broughtBy = heir.id;
    await row.save({ transaction });
  }
}
