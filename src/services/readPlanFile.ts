import type { NamedPlan } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { PlanFileInput } from '../doors';
import { namedPlanFrom, readOpenPlan } from '../formats/open';
import { loadEvent } from '../persistence';
import type { House } from './house';
import { listEquipment } from './reading';
import { unreadable } from './unreadable';

/** A plan file made into a plan of an event under a name, to be compared and adopted. Nothing is saved yet. */
export async function readPlanFile(house: House, { eventId, text }: PlanFileInput): Promise<Outcome<NamedPlan>> {
  const event = await loadEvent(eventId);
  if (!event) return failure({ code: 'eventGone' });
  const reading = readOpenPlan(text);
  if (!reading.ok) return unreadable(reading.problems);
  const { pits } = await listEquipment(house);
  const named = namedPlanFrom(
    reading.value,
    event,
    pits.filter((pit) => event.pitIds.includes(pit.id)),
    house.newId(),
  );
  return named.ok ? success(named.value) : unreadable(named.problems);
}
