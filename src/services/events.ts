import { limitProblems } from '../core/edits';
import type { CookEvent, Serving } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { readyMenu } from '../core/quantities';
import type { CreateEventInput, RenameEventInput } from '../inputs';
import { instantOf, mealAt } from '../formats/clock';
import { handOverBrought, markEventDeleted, saveEvent } from '../persistence';
import { changeEvent } from './changeEvent';
import type { Context } from './context';
import { readLibrary } from './library';
import { listEquipment } from './reading';
import { storedEvent } from './stored';

/** Half an hour before serving the knives come out, unless the owner says otherwise. */
const CARVE_LEAD_MIN = 30;
const SERVE_FOR_MIN = 45;
const CONFIDENCE = 0.9;

/** Makes an event with one serving, with a ready-made menu or none; all the owner's equipment is at hand. */
export async function createEvent(context: Context, input: CreateEventInput): Promise<Outcome<CookEvent>> {
  const at = instantOf(input.date, input.time, input.timeZone);
  if ('problem' in at)
    return failure(at.problem === 'missing' ? { code: 'clockSkipsIt', path: 'time' } : { code: 'noSuchDate', path: 'date' });
  if (at.ms <= context.nowMs()) return failure({ code: 'servingInPast', path: 'date' });
  const { pits, boxes, warmers, probes } = await listEquipment(context);
  const { library } = await readLibrary(context);
  const serving: Serving = {
    id: context.newId(),
    name: Number(input.time.slice(0, 2)) < 15 ? 'Lunch' : 'Supper',
    atMs: at.ms,
    serveForMin: SERVE_FOR_MIN,
    carveLeadMin: CARVE_LEAD_MIN,
    guests: { adults: input.adults, children: input.children, heartyShare: 0 },
    buffet: true,
  };
  const mealOf = ({ atMs }: Serving) => mealAt(atMs, input.timeZone);
  const menu = input.menuId === undefined ? undefined : readyMenu(input.menuId, serving, library, mealOf, () => context.newId());
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const event: CookEvent = {
      id: context.newId(),
      name: input.name.trim(),
      place: input.place.trim(),
      timeZone: input.timeZone,
      altitudeM: 0,
      confidence: CONFIDENCE,
      revision: 1,
      servings: [{ ...serving, ...(menu && { sides: menu.sides }) }],
      batches: menu?.batches ?? [],
      pitIds: pits.map((pit) => pit.id),
      boxIds: boxes.map((box) => box.id),
      warmerIds: warmers.map((warmer) => warmer.id),
      probeIds: probes.map((probe) => probe.id),
    };
    const [problem] = limitProblems(event, { nowMs: context.nowMs() });
    if (problem) return failure({ code: problem.code, path: 'date' });
    await saveEvent(event, context.nowMs(), transaction);
    return success(event);
  });
}

/** An event as it was planned, without what belongs to its own day: weights, receipts, what is done, ticked, kept or loosened. */
function asPlanned(event: CookEvent): CookEvent {
  const copy = structuredClone(event);
  delete copy.baseline;
  delete copy.ticked;
  delete copy.loosened;
  delete copy.duty;
  delete copy.manualPlacements;
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
export async function duplicateEvent(context: Context, eventId: string): Promise<Outcome<CookEvent>> {
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const source = await storedEvent(eventId, transaction);
    if (!source) return failure({ code: 'eventGone' });
    const copy: CookEvent = { ...asPlanned(source), id: context.newId(), name: `${source.name}, copy`.slice(0, 80), revision: 1 };
    await saveEvent(copy, context.nowMs(), transaction);
    return success(copy);
  });
}

export const renameEvent = (context: Context, input: RenameEventInput) =>
  changeEvent(context, input.eventId, (event) => success({ ...event, name: input.name.trim() }));

const markEvent = async (context: Context, eventId: string, deletedAtMs: number | null): Promise<Outcome<{ eventId: string }>> => {
  const found = await context.db.write(async (transaction) => {
    if (deletedAtMs !== null) await handOverBrought(eventId, transaction);
    return markEventDeleted(eventId, deletedAtMs, transaction);
  });
  return found ? success({ eventId }) : failure({ code: 'eventGone' });
};
/** Deletes an event, and with it what came with its file and no other event uses; `restoreEvent` brings all back whole. */
export const deleteEvent = (context: Context, eventId: string) => markEvent(context, eventId, context.nowMs());
export const restoreEvent = (context: Context, eventId: string) => markEvent(context, eventId, null);
