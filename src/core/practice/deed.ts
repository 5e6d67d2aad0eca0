/** What whoever practises can do. Names of pits and pieces are those of the scenario. */
export type PracticeDeed =
  | { kind: 'vents'; pitId: string; bottom: number; top: number }
  | { kind: 'chimney'; pitId: string }
  | { kind: 'coals'; pitId: string; lit: boolean }
  | { kind: 'wood'; pitId: string; size: 'split' | 'chunk'; warmed: boolean }
  | { kind: 'lid'; pitId: string; open: boolean }
  | { kind: 'water' | 'ash' | 'shelter' | 'douse' | 'look'; pitId: string }
  | { kind: 'setPoint'; pitId: string; pitC: number }
  | { kind: 'load' | 'unwrap' | 'spray' | 'shield' | 'moveProbe' | 'press'; key: string }
  | { kind: 'probe'; key: string; spot: 'thick' | 'thin' }
  | { kind: 'wrap'; key: string; wrap: 'paper' | 'foil' }
  | { kind: 'pull'; key: string; to: 'board' | 'box' | 'warmer' }
  | { kind: 'serve'; key: string }
  | { kind: 'sendHelper' }
  | { kind: 'forecast'; key: string };
export type DeedKind = PracticeDeed['kind'];

/** What each kind of deed says beside its name: without all of it, it is none. */
const SAYS: Record<DeedKind, readonly string[]> = Object.freeze({
  vents: ['pitId', 'bottom', 'top'],
  chimney: ['pitId'],
  coals: ['pitId', 'lit'],
  wood: ['pitId', 'size', 'warmed'],
  lid: ['pitId', 'open'],
  water: ['pitId'],
  ash: ['pitId'],
  shelter: ['pitId'],
  douse: ['pitId'],
  look: ['pitId'],
  setPoint: ['pitId', 'pitC'],
  load: ['key'],
  unwrap: ['key'],
  spray: ['key'],
  shield: ['key'],
  moveProbe: ['key'],
  press: ['key'],
  probe: ['key', 'spot'],
  wrap: ['key', 'wrap'],
  pull: ['key', 'to'],
  serve: ['key'],
  sendHelper: [],
  forecast: ['key'],
});

/** The deed that fields spell, each already of its own range; nothing where one is missing. Fields of other kinds are left out. */
export function deedOf(fields: { kind: DeedKind; [field: string]: unknown }): PracticeDeed | undefined {
  const says = SAYS[fields.kind];
  if (says.some((field) => fields[field] === undefined)) return undefined;
  return Object.fromEntries([['kind', fields.kind], ...says.map((field) => [field, fields[field]])]) as PracticeDeed;
}

/** How long a pair of hands has to do with it, min. */
export const HANDS_MIN: Record<DeedKind, number> = Object.freeze({
  vents: 0.5,
  chimney: 2,
  coals: 2,
  wood: 1,
  lid: 0.2,
  water: 2,
  ash: 3,
  shelter: 4,
  douse: 1,
  look: 1,
  setPoint: 0.5,
  load: 1,
  unwrap: 2,
  spray: 1,
  shield: 2,
  moveProbe: 2,
  press: 1,
  probe: 1,
  wrap: 3,
  pull: 1,
  serve: 2,
  sendHelper: 0.5,
  forecast: 0.2,
});

/** A chimney of coals takes so long to light. */
export const CHIMNEY_MIN = 15;
export const CHIMNEY_KG = 0.9;
export const SCOOP_KG = 0.9;
export const SPLIT_KG = 1.1;
export const CHUNK_KG = 0.12;
/** A warmed split has dried a little on the firebox. */
export const WARMED_DRIES_SHARE = 0.5;
export const WATER_KG = 3;

/** Why something cannot be done, and nothing has been. */
export type Refusal =
  | 'notThere'
  | 'nothingLit'
  | 'alreadyServed'
  | 'notOnPit'
  | 'alreadyOn'
  | 'alreadyWrapped'
  | 'notWrapped'
  | 'noThinEnd'
  | 'noSuchHold'
  | 'noProbe'
  | 'stillOnPit'
  | 'outOfRange'
  | 'noHelper'
  | 'notThisFire'
  | 'over';
