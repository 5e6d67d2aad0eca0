import type { ClassConstructor } from 'class-transformer';
import type { Transaction } from 'sequelize';
import type { CookEvent, Equipment, Habits, Library } from '../core/model';
import {
  CrewMemberRecord,
  CutRecord,
  EventRecord,
  HabitsRecord,
  HoldingBoxRecord,
  ID,
  mended,
  MethodRecord,
  PitRecord,
  ProbeRecord,
  RecipeRecord,
  WarmerRecord,
} from '../inputs';
import * as persistence from '../persistence';
import type { GearKind, LibraryKind } from '../persistence';

/**
 * What is kept, as its record allows it. An older program or another hand may have stored what no page can bear:
 * that is taken out on the way in, the rest stays, and the next change stores it sound.
 */

/** What an event cannot be without, where what was stored of it cannot be read. */
const USUAL_EVENT = {
  name: 'An event to be mended',
  place: '',
  timeZone: 'UTC',
  altitudeM: 0,
  confidence: 0.9,
  servings: [
    {
      id: 'serving',
      name: 'Serving',
      atMs: 0,
      serveForMin: 45,
      carveLeadMin: 30,
      guests: { adults: 1, children: 0, heartyShare: 0 },
      buffet: true,
    },
  ],
  batches: [],
  pitIds: [],
  boxIds: [],
  revision: 0,
};

/** Checking a whole event takes milliseconds, and pages read it far more often than it changes. */
const MOST_KEPT = 400;
const sound = new WeakMap<ClassConstructor<object>, Map<string, object | undefined>>();

function soundOf<T extends object>(type: ClassConstructor<T>, stored: object, usual?: object): T | undefined {
  const kept = sound.get(type) ?? new Map<string, object | undefined>();
  sound.set(type, kept);
  const body = JSON.stringify(stored);
  if (!kept.has(body)) {
    if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
    kept.set(body, mended(type, stored, usual as never));
  }
  const found = kept.get(body);
  return found && (structuredClone(found) as T);
}
const allOf = <T extends object>(type: ClassConstructor<T>, stored: readonly object[]): T[] =>
  stored.flatMap((each) => soundOf(type, each) ?? []);

export async function storedEvent(id: string, transaction?: Transaction): Promise<CookEvent | undefined> {
  // What stands in an address may be anything.
  if (!ID.test(id)) return undefined;
  const stored = await persistence.loadEvent(id, transaction);
  return stored && (soundOf(EventRecord, { ...stored, id }, { ...USUAL_EVENT, id }) as CookEvent | undefined);
}

export async function storedEquipment(transaction?: Transaction): Promise<Equipment> {
  const { pits, boxes, warmers, probes, crew } = await persistence.listEquipment(transaction);
  return {
    pits: allOf(PitRecord, pits),
    boxes: allOf(HoldingBoxRecord, boxes),
    warmers: allOf(WarmerRecord, warmers),
    probes: allOf(ProbeRecord, probes),
    crew: allOf(CrewMemberRecord, crew),
  };
}

/** The setting that holds the house's habits. */
export const HABITS_KEY = 'habits';

export async function storedLibrary(transaction?: Transaction): Promise<Library> {
  const { cuts, methods, recipes } = await persistence.loadOwnLibrary(transaction);
  const habits = await persistence.loadSetting(HABITS_KEY, transaction);
  return {
    cuts: allOf(CutRecord, cuts),
    methods: allOf(MethodRecord, methods),
    recipes: allOf(RecipeRecord, recipes),
    ...(typeof habits === 'object' && habits !== null && { habits: soundOf<Habits>(HabitsRecord, habits, {}) }),
  };
}

/** What is kept of gear or the library that no page can use: it cannot be mended without whoever knows it. */
export interface Unusable {
  kind: GearKind | LibraryKind;
  id: string;
  name: string;
}

/** The class of each kind of entry. */
export const RECORD_OF = {
  pit: PitRecord,
  box: HoldingBoxRecord,
  warmer: WarmerRecord,
  probe: ProbeRecord,
  crew: CrewMemberRecord,
  cut: CutRecord,
  method: MethodRecord,
  recipe: RecipeRecord,
} as const satisfies Record<GearKind | LibraryKind, ClassConstructor<object>>;

export async function storedUnusable(): Promise<{ gear: Unusable[]; library: Unusable[] }> {
  const { pits, boxes, warmers, probes, crew } = await persistence.listEquipment();
  const { cuts, methods, recipes } = await persistence.loadOwnLibrary();
  const of = (kind: Unusable['kind'], stored: readonly { id: string; name: unknown }[]): Unusable[] =>
    stored
      .filter((each) => !soundOf<object>(RECORD_OF[kind], each))
      .map(({ id, name }) => ({ kind, id, name: typeof name === 'string' ? name : '' }));
  return {
    gear: [...of('pit', pits), ...of('box', boxes), ...of('warmer', warmers), ...of('probe', probes), ...of('crew', crew)],
    library: [...of('cut', cuts), ...of('method', methods), ...of('recipe', recipes)],
  };
}
