import type { CookEvent } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { CreateEventInput, RenameEventInput } from '../doors';
import { instantOf } from '../formats/clock';
import { loadEvent, markEventDeleted, saveEvent } from '../persistence';
import { changeEvent } from './changeEvent';
import type { House } from './house';
import { listEquipment } from './reading';

/** Half an hour before serving the knives come out, unless the owner says otherwise. */
const CARVE_LEAD_MIN = 30;
const SERVE_FOR_MIN = 45;
const CONFIDENCE = 0.9;

/** Makes an event with one serving and an empty menu; all the owner's equipment is at hand. */
export async function createEvent(house: House, input: CreateEventInput): Promise<Outcome<CookEvent>> {
  const at = instantOf(input.date, input.time, input.timeZone);
  if ('problem' in at)
    return failure(at.problem === 'missing' ? { code: 'clockSkipsIt', path: 'time' } : { code: 'noSuchDate', path: 'date' });
  if (at.ms <= house.nowMs()) return failure({ code: 'servingInPast', path: 'date' });
  const { pits, boxes, warmers, probes } = await listEquipment(house);
  return house.db.write(async (transaction) => {
    const event: CookEvent = {
      id: house.newId(),
      name: input.name.trim(),
      place: input.place.trim(),
      timeZone: input.timeZone,
      altitudeM: 0,
      confidence: CONFIDENCE,
      revision: 1,
      servings: [
        {
          id: house.newId(),
          name: Number(input.time.slice(0, 2)) < 15 ? 'Lunch' : 'Supper',
          atMs: at.ms,
          serveForMin: SERVE_FOR_MIN,
          carveLeadMin: CARVE_LEAD_MIN,
          guests: { adults: input.adults, children: input.children, heartyShare: 0 },
          buffet: true,
        },
      ],
      batches: [],
      pitIds: pits.map((pit) => pit.id),
      boxIds: boxes.map((box) => box.id),
      warmerIds: warmers.map((warmer) => warmer.id),
      probeIds: probes.map((probe) => probe.id),
    };
    await saveEvent(event, house.nowMs(), transaction);
    return success(event);
  });
}

/** An event as it was planned, without what belongs to its own day: weights, receipts, what is done, ticked, kept or loosened. */
function asPlanned(event: CookEvent): CookEvent {
  const copy = structuredClone(event);
  delete copy.keptPlan;
  delete copy.ticked;
  delete copy.loosened;
  delete copy.duty;
  delete copy.laid;
  delete copy.pins;
  if (copy.kitchen) delete copy.kitchen.deliverAtMs;
  for (const batch of copy.batches) {
    delete batch.received;
    delete batch.leftover;
    if (batch.prep) batch.prep.done = [];
    batch.pieces = batch.pieces.map(({ id, kg }) => ({ id, kg }));
  }
  return copy;
}

/** Copies an event as it was planned, under a new name. */
export async function duplicateEvent(house: House, eventId: string): Promise<Outcome<CookEvent>> {
  return house.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const source = await loadEvent(eventId, transaction);
    if (!source) return failure({ code: 'eventGone' });
    const copy: CookEvent = { ...asPlanned(source), id: house.newId(), name: `${source.name}, copy`.slice(0, 80), revision: 1 };
    await saveEvent(copy, house.nowMs(), transaction);
    return success(copy);
  });
}

export const renameEvent = (house: House, input: RenameEventInput) =>
  changeEvent(house, input.eventId, (event) => success({ ...event, name: input.name.trim() }));

const markEvent = async (house: House, eventId: string, deletedAtMs: number | null): Promise<Outcome<{ eventId: string }>> => {
  const found = await house.db.write((transaction) => markEventDeleted(eventId, deletedAtMs, transaction));
  return found ? success({ eventId }) : failure({ code: 'eventGone' });
};
/** Deletes an event; `restoreEvent` brings it back whole. */
export const deleteEvent = (house: House, eventId: string) => markEvent(house, eventId, house.nowMs());
export const restoreEvent = (house: House, eventId: string) => markEvent(house, eventId, null);
