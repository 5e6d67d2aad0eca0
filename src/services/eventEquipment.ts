import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { ChooseEquipmentInput, CopyEquipmentInput } from '../inputs';
import { loadEvent } from '../persistence';
import { changeEvent } from './changeEvent';
import type { Context } from './context';
import { listEquipment } from './reading';

/** Chooses which of the owned or hired equipment an event uses. */
export async function chooseEquipment(context: Context, input: ChooseEquipmentInput): Promise<Outcome<CookEvent>> {
  const { pitIds, boxIds, warmerIds, probeIds } = input;
  const owned = await listEquipment(context);
  const has = (list: readonly { id: string }[], ids: readonly string[] = []) => ids.every((id) => list.some((each) => each.id === id));
  if (!has(owned.pits, pitIds) || !has(owned.boxes, boxIds) || !has(owned.warmers, warmerIds) || !has(owned.probes, probeIds))
    return failure({ code: 'equipmentGone' });
  const sorted = (ids: string[]) => [...new Set(ids)].sort();
  return changeEvent(context, input.eventId, (event) =>
    success({
      ...event,
      pitIds: sorted(pitIds),
      boxIds: sorted(boxIds),
      warmerIds: sorted(warmerIds ?? event.warmerIds ?? []),
      probeIds: sorted(probeIds ?? event.probeIds ?? []),
    }),
  );
}

/** Uses the pits and gear of another event, as far as they are still owned. */
export async function copyEquipment(context: Context, { eventId, fromEventId }: CopyEquipmentInput): Promise<Outcome<CookEvent>> {
  const from = await loadEvent(fromEventId);
  if (!from) return failure({ code: 'eventGone' });
  const owned = await listEquipment(context);
  const still = (list: readonly { id: string }[], ids: readonly string[] = []) => ids.filter((id) => list.some((each) => each.id === id));
  return changeEvent(context, eventId, (event) =>
    success({
      ...event,
      pitIds: still(owned.pits, from.pitIds),
      boxIds: still(owned.boxes, from.boxIds),
      warmerIds: still(owned.warmers, from.warmerIds),
      probeIds: still(owned.probes, from.probeIds),
    }),
  );
}
