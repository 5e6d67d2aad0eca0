import type { ClassConstructor } from 'class-transformer';
import { libraryWith, type CookEvent, type CrewMember, type Cut, type Method, type Pit, type Probe, type Recipe } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import {
  check,
  CrewMemberRecord,
  CutRecord,
  EventRecord,
  HoldingBoxRecord,
  MethodRecord,
  PitRecord,
  ProbeRecord,
  RecipeRecord,
  WarmerRecord,
  type ImportInput,
} from '../inputs';
import { filePit, sameOnPaper, unpacked, type Unpacked } from '../formats/open';
import {
  findGear,
  findLibraryEntry,
  saveEvent,
  saveGear,
  saveLibraryEntry,
  type GearKind,
  type GearKinds,
  type LibraryKind,
} from '../persistence';
import type { Context } from './context';
import { storedLibrary } from './stored';
import { unreadable } from './unreadable';

/** How the house's things go by another name than the file's: `kind/id of the file` to the house's id. */
type Renamed = Map<string, string>;

/**
 * Takes over an event file: the event under a new id, and what it rests on. What the house has in the same
 * words is used; what it does not have comes in under the file's id, or a new one where that is taken, and goes
 * with the event when that is deleted. A file that is not right throughout is refused, and nothing of it is kept.
 */
export async function importEvent(context: Context, input: ImportInput): Promise<Outcome<CookEvent>> {
  const reading = await context.planner.readEvent(input.text, context.nowMs()).catch(() => undefined);
  if (!reading) return failure({ code: 'tooBusy' });
  if (!reading.ok) return unreadable(reading.problems);
  const file = unpacked(reading.value);
  const eventId = context.newId();
  const problems = problemsOf(file, eventId);
  if (problems.length > 0)
    return unreadable(
      problems.map(({ path = '', message = '' }) => ({
        path: `$.${path.replaceAll(/\.(\d+)(?=\.|$)/g, '[$1]')}`,
        reason: message.replace(/\.$/, ''),
      })),
    );
  const now = context.nowMs();
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const renamed: Renamed = new Map();
    const takeGear = async <K extends GearKind>(kind: K, gear: GearKinds[K]) => {
      const had = await findGear(kind, gear.id, transaction);
      const same = had && sameOnPaper(filed(kind, had.gear), filed(kind, gear));
      if (same && had.atHand) return;
      const id = had && !same ? context.newId() : gear.id;
      if (id !== gear.id) renamed.set(`${kind}/${gear.id}`, id);
      await saveGear(kind, { ...(same ? had.gear : gear), id }, now, transaction, eventId);
    };
    const house = libraryWith(await storedLibrary(transaction));
    const takeEntry = async (kind: LibraryKind, entry: Cut | Method | Recipe, all: readonly { id: string }[]) => {
      const atHand = all.find((each) => each.id === entry.id);
      if (atHand && sameOnPaper(atHand, entry)) return;
      const had = atHand ?? (await findLibraryEntry(kind, entry.id, transaction));
      const id = had && !sameOnPaper(had, entry) ? context.newId() : entry.id;
      if (id !== entry.id) renamed.set(`${kind}/${entry.id}`, id);
      await saveLibraryEntry(kind, { ...entry, id }, now, transaction, eventId);
    };
    // The event first: what it brings refers to it.
    await saveEvent({ ...file.event, id: eventId }, now, transaction);
    const { pits, boxes, warmers, probes, crew } = file.equipment;
    for (const pit of pits) await takeGear('pit', pit);
    for (const box of boxes) await takeGear('box', box);
    for (const warmer of warmers) await takeGear('warmer', warmer);
    for (const probe of probes) await takeGear('probe', probe);
    for (const member of crew) await takeGear('crew', member);
    for (const cut of file.library.cuts) await takeEntry('cut', cut, house.cuts);
    for (const method of file.library.methods) await takeEntry('method', method, house.methods);
    for (const recipe of file.library.recipes) await takeEntry('recipe', recipe, house.recipes);
    const taken = { ...(withIds(file.event, renamed) as CookEvent), id: eventId };
    await saveEvent(taken, now, transaction);
    return success(taken);
  });
}

/** Gear as a file has it: what is left out and what is said to be as usual are the same there. */
const filed = (kind: GearKind, gear: GearKinds[GearKind]): object => (kind === 'pit' ? filePit(gear as Pit) : gear);

/** What a file's schema cannot say: every thing is checked as it is when it is typed. */
function problemsOf({ event, equipment, library }: Unpacked, id: string): Problem[] {
  const of = <T extends object>(type: ClassConstructor<T>, things: readonly object[], where: string): Problem[] =>
    things.flatMap((thing, i) => {
      const outcome = check(type, thing);
      return outcome.ok ? [] : outcome.problems.map((problem) => ({ ...problem, path: `${where}[${i}].${problem.path ?? ''}` }));
    });
  const outcome = check(EventRecord, { ...event, id });
  return [
    ...(outcome.ok ? [] : outcome.problems),
    ...of(PitRecord, equipment.pits, 'pits'),
    ...of(HoldingBoxRecord, equipment.boxes, 'holding'),
    ...of(WarmerRecord, equipment.warmers, 'holding'),
    ...of<Probe>(ProbeRecord, equipment.probes, 'probes'),
    ...of<CrewMember>(CrewMemberRecord, equipment.crew, 'crew'),
    ...of(CutRecord, library.cuts, 'cuts'),
    ...of(MethodRecord, library.methods, 'methods'),
    ...of(RecipeRecord, library.recipes, 'recipes'),
  ];
}

/** Fields that hold ids of the house, and of what; `recipes` and `methodIds` are tables of them. */
const HOUSE_IDS: Record<string, string> = {
  pitId: 'pit',
  pitIds: 'pit',
  boxIds: 'box',
  warmerIds: 'warmer',
  probeIds: 'probe',
  memberId: 'crew',
  cutId: 'cut',
  methodId: 'method',
  methodIds: 'method',
  recipeId: 'recipe',
  recipes: 'recipe',
};

/** The same value with the house's ids in place of the file's. */
function withIds(value: unknown, renamed: Renamed, kind?: string): unknown {
  if (typeof value === 'string') return kind === undefined ? value : (renamed.get(`${kind}/${value}`) ?? value);
  if (Array.isArray(value)) return value.map((each) => withIds(each, renamed, kind));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, withIds(each, renamed, HOUSE_IDS[key] ?? kind)]));
}
