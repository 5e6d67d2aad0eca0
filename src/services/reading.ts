import type { Equipment } from '../core/model';
import * as persistence from '../persistence';
import type { House } from './house';

/** All events that are not deleted, soonest first. The house is asked for so that the database is open. */
export const listEvents = (_house: House): Promise<persistence.EventSummary[]> => persistence.listEvents();

export const listEquipment = async (_house: House): Promise<Equipment> => ({
  pits: await persistence.listPits(),
  boxes: await persistence.listBoxes(),
  warmers: await persistence.listGear('warmer'),
  probes: await persistence.listGear('probe'),
  crew: await persistence.listGear('crew'),
});
