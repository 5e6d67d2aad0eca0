import type { Equipment } from '../core/model';
import * as persistence from '../persistence';
import type { Context } from './context';

/** All events that are not deleted, soonest first. The house is asked for so that the database is open. */
export const listEvents = (_house: Context): Promise<persistence.EventSummary[]> => persistence.listEvents();

export const listEquipment = async (_house: Context): Promise<Equipment> => ({
  pits: await persistence.listPits(),
  boxes: await persistence.listBoxes(),
  warmers: await persistence.listGear('warmer'),
  probes: await persistence.listGear('probe'),
  crew: await persistence.listGear('crew'),
});
