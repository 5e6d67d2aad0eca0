import type { DocumentFacts } from '../document';
import type { CookEvent, Equipment } from '../core/model';
import type { Database, EventSummary } from '../persistence';
import * as persistence from '../persistence';
import { isZone } from '../formats/clock';
import type { Context } from './context';
import { houseParameters } from './log/kitchen';
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
  const day = await persistence.loadDayTimes(eventId);
  const parameters = await houseParameters();
  const nextTime = await persistence.listNextTime();
  const trials = (await persistence.listTrials()).filter((trial) => trial.eventId === eventId);
  return {
    equipment: await storedEquipment(),
    ownLibrary: await storedLibrary(),
    nowMs: context.nowMs(),
    ...(day && { day }),
    ...(parameters && { parameters }),
    ...(nextTime.length > 0 && { nextTime }),
    ...(trials.length > 0 && { trials }),
  };
}

/** An event as it is kept, with all that its plan rests on. */
export interface KeptDocument {
  event: CookEvent;
  facts: DocumentFacts;
}

/** Documents as they were last read, with the version of the database they were read at. */
const lastRead = new WeakMap<Database, Map<string, KeptDocument & { version: number }>>();
const MOST_KEPT = 100;

/** An event as it is kept; read again only when anything was written since. Nobody changes what is given. */
export async function readDocument(context: Context, eventId: string): Promise<KeptDocument | undefined> {
  // Asked before reading: what is written meanwhile makes the next reader read again.
  const version = await context.db.version();
  const known = lastRead.get(context.db) ?? new Map<string, KeptDocument & { version: number }>();
  lastRead.set(context.db, known);
  const last = known.get(eventId);
  if (last?.version === version) return { event: last.event, facts: { ...last.facts, nowMs: context.nowMs() } };
  known.delete(eventId);
  const event = await storedEvent(eventId);
  if (!event) return undefined;
  const facts = await documentFacts(context, eventId);
  if (known.size >= MOST_KEPT) known.delete(known.keys().next().value!);
  known.set(eventId, { event, facts, version });
  return { event, facts };
}
