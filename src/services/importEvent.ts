import type { CookEvent, Cut, Method, Pit } from '../core/model';
import { success, type Outcome } from '../core/outcome';
import type { ImportInput } from '../inputs';
import { planInputOf, readOpenEvent } from '../formats/open';
import { listEquipment, saveEvent, saveGear, saveLibraryEntry } from '../persistence';
import type { Context } from './context';
import { unreadable } from './unreadable';

/**
 * Takes over an event file: the event, its pits and gear (as hired), its crew, methods and own cuts, all
 * under new ids. A file that is not right throughout is refused, and nothing of it is kept.
 */
export async function importEvent(context: Context, input: ImportInput): Promise<Outcome<CookEvent>> {
  const reading = readOpenEvent(input.text);
  if (!reading.ok) return unreadable(reading.problems);
  const open = reading.value;
  const { event, pits, boxes, warmers = [], library } = planInputOf(open);
  // What the house already has is used, not had twice.
  const owned = await listEquipment();
  const ids = new Map<string, string>();
  for (const pit of pits) if (owned.pits.some((own) => own.id === pit.id && sameRacks(own, pit))) ids.set(`pit/${pit.id}`, pit.id);
  for (const gear of [...boxes, ...warmers])
    if ([...owned.boxes, ...owned.warmers].some((own) => own.id === gear.id)) ids.set(`gear/${gear.id}`, gear.id);
  for (const member of owned.crew) ids.set(`crew/${member.id}`, member.id);
  const had = new Set(ids.keys());
  const idFor = (id: string) => {
    const known = ids.get(id) ?? context.newId();
    ids.set(id, known);
    return known;
  };
  const methods: Method[] = library.methods.map((method) => ({
    ...method,
    id: idFor(`method/${method.id}`),
    name: `${open.name}: ${method.id}`.slice(0, 80),
  }));
  const cuts: Cut[] = (open.cuts ?? []).map((own) => ({ ...library.cuts.find((cut) => cut.id === own.id)!, id: idFor(`cut/${own.id}`) }));
  const now = context.nowMs();
  return context.db.write(async (transaction) => {
    for (const pit of pits)
      if (!had.has(`pit/${pit.id}`)) await saveGear('pit', { ...pit, id: idFor(`pit/${pit.id}`), hired: true }, now, transaction);
    for (const box of boxes)
      if (!had.has(`gear/${box.id}`)) await saveGear('box', { ...box, id: idFor(`gear/${box.id}`), hired: true }, now, transaction);
    for (const warmer of warmers)
      if (!had.has(`gear/${warmer.id}`))
        await saveGear('warmer', { ...warmer, id: idFor(`gear/${warmer.id}`), hired: true }, now, transaction);
    for (const memberId of new Set((event.duty ?? []).map((duty) => duty.memberId)))
      if (!had.has(`crew/${memberId}`)) await saveGear('crew', { id: idFor(`crew/${memberId}`), name: memberId }, now, transaction);
    for (const method of methods)
      await saveLibraryEntry('method', { ...method, purpose: purposeFor(event, library.cuts, method, ids) }, now, transaction);
    for (const cut of cuts) await saveLibraryEntry('cut', cut, now, transaction);
    const taken: CookEvent = {
      ...event,
      id: context.newId(),
      revision: 1,
      pitIds: pits.map((pit) => idFor(`pit/${pit.id}`)),
      boxIds: boxes.map((box) => idFor(`gear/${box.id}`)),
      warmerIds: warmers.map((warmer) => idFor(`gear/${warmer.id}`)),
      duty: event.duty?.map((duty) => ({ ...duty, memberId: idFor(`crew/${duty.memberId}`) })),
      venue: {
        driveMin: 0,
        setUpMin: 0,
        power: '',
        rules: '',
        quietFrom: open.quietHours?.from ?? '22:30',
        quietTo: open.quietHours?.to ?? '04:30',
      },
      batches: event.batches.map((batch) => ({
        ...batch,
        methodId: idFor(`method/${batch.methodId}`),
        cutId: ids.get(`cut/${batch.cutId}`) ?? batch.cutId,
      })),
    };
    await saveEvent(taken, now, transaction);
    return success(taken);
  });
}

const sameRacks = (a: Pit, b: Pit): boolean =>
  a.racks.length === b.racks.length &&
  a.racks.every((rack, i) => rack.id === b.racks[i]!.id && rack.widthMm === b.racks[i]!.widthMm && rack.depthMm === b.racks[i]!.depthMm);

/** A method that comes with a batch is offered for the cuts it was used on. */
function purposeFor(event: CookEvent, cuts: readonly Cut[], method: Method, ids: ReadonlyMap<string, string>): Method['purpose'] {
  const batch = event.batches.find((each) => ids.get(`method/${each.methodId}`) === method.id);
  const cut = cuts.find((each) => each.id === batch?.cutId);
  if (!cut || cut.species === 'dish') return cut ? 'dish' : 'tender';
  if (cut.species === 'chicken' || cut.species === 'turkey') return 'poultry';
  if (cut.done.by === 'core') return 'roast';
  return cut.bones === undefined ? 'tender' : 'ribs';
}
