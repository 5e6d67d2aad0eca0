import type { DocumentFacts } from '../document';
import type { CookEvent, Equipment } from '../core/model';
import type { EventSummary } from '../persistence';
import * as persistence from '../persistence';
import { isZone } from '../formats/clock';
import type { Context } from './context';
import { storedEquipment, storedEvent, storedLibrary } from './stored';

/** All events that are not deleted, soonest first. The context is asked for so that the database is open. */
export async function listEvents(_context: Context): Promise<EventSummary[]> {
  const events = await persistence.listEvents();
  return events.map((event) => (isZone(event.timeZone) ? event : { ...event, timeZone: 'UTC' }));
}
export const listEquipment = (_context: Context): Promise<Equipment> => storedEquipment();

/** Which equipment each event uses, to be chosen likewise elsewhere. */
export async function listChosenEquipment(context: Context) {
  const events = await Promise.all((await listEvents(context)).map(({ id }) => storedEvent(id)));
  return events.flatMap((event) =>
    event
      ? [
          {
            id: event.id,
            name: event.name,
            chosen: { pitIds: event.pitIds, boxIds: event.boxIds, warmerIds: event.warmerIds ?? [], probeIds: event.probeIds ?? [] },
          },
        ]
      : [],
  );
}

/** All that an event's plan rests on beside the event itself. */
export async function documentFacts(context: Context, eventId: string): Promise<DocumentFacts> {
  const weighed = await persistence.listWeighedPieces();
  return {
    equipment: await storedEquipment(),
    ownLibrary: await storedLibrary(),
    weighedElsewhere: weighed
      .filter((piece) => piece.eventId !== eventId)
      .map(({ cutId, boughtKg, trimmedKg }) => ({ cutId, boughtKg, trimmedKg })),
    nowMs: context.nowMs(),
  };
}

/** An event as it is kept, with all that its plan rests on. */
export async function readDocument(context: Context, eventId: string): Promise<{ event: CookEvent; facts: DocumentFacts } | undefined> {
  const event = await storedEvent(eventId);
  return event && { event, facts: await documentFacts(context, eventId) };
}
