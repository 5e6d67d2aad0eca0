import type { Transaction } from 'sequelize';
import type { Observation } from '../../core/learn';
import { ObservationRow } from '../tables';

/** A measurement as it is kept: by a day of an event, or typed in. */
export interface StoredObservation extends Observation {
  id: string;
  eventId?: string;
}

/** Everything that was measured of the kitchen's figures, in order of time. */
export async function listObservations(transaction?: Transaction): Promise<StoredObservation[]> {
  const rows = await ObservationRow.findAll({
    order: [
      ['atMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  return rows.map(({ id, eventId, figure, atMs, value, readings }) => ({
    id,
    ...(eventId !== null && { eventId }),
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

export async function addObservation(observation: StoredObservation, transaction: Transaction): Promise<void> {
  await ObservationRow.upsert({ ...observation, eventId: null, source: 'typed' }, { transaction });
}

/** Takes one away that was typed in. What a day measured is that day's. */
export async function removeObservation(id: string, transaction: Transaction): Promise<boolean> {
  return (await ObservationRow.destroy({ where: { id, source: 'typed' }, transaction })) > 0;
}
