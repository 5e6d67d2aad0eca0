import type { Transaction } from 'sequelize';
import type { Observation } from '../../core/learn';
import { ObservationRow } from '../tables';

/** Everything that days measured of the kitchen's figures, in order of time. */
export async function listObservations(transaction?: Transaction): Promise<Observation[]> {
  const rows = await ObservationRow.findAll({
    order: [
      ['atMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  return rows.map(({ figure, atMs, value, readings }) => ({
    figure: figure as Observation['figure'],
    atMs: Number(atMs),
    value,
    readings,
  }));
}

/** What a day measured, in place of what it measured when it was closed before. */
export async function replaceObservations(eventId: string, observations: readonly Observation[], transaction: Transaction): Promise<void> {
  await ObservationRow.destroy({ where: { eventId }, transaction });
  await ObservationRow.bulkCreate(
    observations.map((each) => ({ ...each, id: `${eventId}/${each.figure}`, eventId, source: 'day' })),
    { transaction },
  );
}
