import type { Transaction } from 'sequelize';
import type { MadeFire } from '../../core/learn';
import { MadeFireRow } from '../tables';
import { bodyOf } from './body';

/** A row whose document cannot be read says nothing of any fire. */
const isFire = (read: object): read is MadeFire => typeof (read as Partial<MadeFire>).recipe?.pitC === 'number';

/** How fires were made on the days that are over, the newest first. */
export async function listMadeFires(): Promise<MadeFire[]> {
  const rows = await MadeFireRow.findAll();
  return rows
    .map(bodyOf)
    .filter(isFire)
    .sort((a, b) => b.litAtMs - a.litAtMs || (a.id < b.id ? -1 : 1));
}

/** A day's fires, in place of what was told of them when it was closed before. */
export async function replaceMadeFires(eventId: string, fires: readonly MadeFire[], transaction: Transaction): Promise<void> {
  await MadeFireRow.destroy({ where: { eventId }, transaction });
  await MadeFireRow.bulkCreate(
    fires.map((fire) => ({ id: fire.id, eventId, body: JSON.stringify(fire) })),
    { transaction },
  );
}
