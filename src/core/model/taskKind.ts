/** What is done to meat before it goes on, in the order it is done. */
export const PREP_KINDS = [
  'thaw',
  'trim',
  'mixBrine',
  'brine',
  'rinse',
  'inject',
  'salt',
  'rub',
  'layer',
  'fill',
  'chill',
  'temper',
  'topUp',
] as const;
export type PrepKind = (typeof PREP_KINDS)[number];

/** What shortens a prep that is too late. */
export type PrepDrop = 'thawInWater' | 'saltInsteadOfBrine' | 'skipBrine' | 'saltAnHour' | 'saltAsItGoesOn' | 'skipTempering' | 'none';

export type TaskKind =
  | PrepKind
  | 'light'
  | 'closeAir'
  | 'setPoint'
  | 'reload'
  | 'ash'
  | 'water'
  | 'wood'
  | 'tube'
  | 'relight'
  | 'probe'
  | 'spray'
  | 'turn'
  | 'load'
  | 'wrap'
  | 'unwrap'
  | 'move'
  | 'check'
  | 'pull'
  | 'vent'
  | 'rest'
  | 'hold'
  | 'carve'
  | 'drive'
  | 'loadVan'
  | 'unload'
  | 'setUp'
  | 'packUp'
  | 'prepare'
  | 'serve';

/** What keeps a fire and the meat on it: begun a little sooner or later when nobody is free at its very minute. */
export const TENDING_KINDS: readonly TaskKind[] = [
  'closeAir',
  'setPoint',
  'reload',
  'ash',
  'water',
  'wood',
  'tube',
  'relight',
  'spray',
  'turn',
  'unwrap',
  'probe',
];

/** What of it takes hands, min; the rest it does by itself. */
export const HANDS_MIN: Partial<Record<TaskKind, number>> = Object.freeze({ vent: 2, rest: 2, hold: 5 });
export const handsMinOf = ({ kind, minutes }: { kind: TaskKind; minutes: number }): number => HANDS_MIN[kind] ?? minutes;

/** Tasks on one pit no further apart than this share one lifting of its lid. */
export const ONE_OPENING_MIN = 10;

/** What is made ready while the meat cooks, or before. */
export type Preparation =
  | { code: 'mix'; recipeId: string }
  | { code: 'side'; sideId: string }
  | { code: 'warmGear'; gearId: string }
  | { code: 'cubeBackOn'; batchId: string; rackId: string; pans: number; kg: number; forMin: number }
  | { code: 'cubesOff'; batchId: string }
  | { code: 'wrapStation' | 'knives' | 'labels' | 'fuel' };
