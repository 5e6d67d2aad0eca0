import type { Carried } from './allergen';
import type { Grade } from './method';
import type { RecipeKind } from './recipe';

/** A second dish carved from the same pieces, at the same serving or another. */
export interface SecondDish {
  name: string;
  servingId: string;
  /** Share of that serving's plate; left out, the plate is split evenly. */
  share?: number;
  /** Cooked grams a portion, where its owner gives another helping than the trade. */
  portionG?: number;
  /** Share of the cooked meat this dish is carved from (a point, say); left out, both take what they need. */
  partShare?: number;
  /** It is cubed, sauced, and goes back on bare for so long before it is served. */
  backOnMin?: number;
}

export interface Buying {
  source: string;
  grade: Grade;
  /** Price of a purchased kilogram; undefined while it is not known. */
  pricePerKg?: number;
  /** Weights in which the shop sells one piece; the cut's usual range when left out. */
  shopKg?: [low: number, high: number];
  /** How much of the trim is worth keeping, and what a kilogram of that is worth. */
  usableTrimShare: number;
  usableTrimPerKg: number;
  wood: string;
}

export const THAW_WAYS = ['fresh', 'cold', 'water'] as const;
/** Comes fresh, or frozen and thawed in the cold or under running water. */
export type ThawWay = (typeof THAW_WAYS)[number];
export const SALT_TIMES = ['none', 'night', 'hour', 'on'] as const;
export type SaltTime = (typeof SALT_TIMES)[number];
export const BRINE_WAYS = ['none', 'timed', 'balance'] as const;
export type BrineWay = (typeof BRINE_WAYS)[number];

/** How much rub, by the surface: a light hand for ribs, birds and roasts, a heavy one for a thick bark. */
export const RUB_WEIGHTS = ['light', 'usual', 'heavy'] as const;
export type RubWeight = (typeof RUB_WEIGHTS)[number];
export const MEMBRANE_WAYS = ['off', 'scored', 'on'] as const;
export type MembraneWay = (typeof MEMBRANE_WAYS)[number];
export const FAT_CAPS = ['off', 'thin', 'thick'] as const;
/** All off for more bark, some {6 mm} left, or all of it. */
export type FatCap = (typeof FAT_CAPS)[number];
export const FAT_SIDES = ['up', 'down'] as const;
export type FatSide = (typeof FAT_SIDES)[number];

/** How much smoke its surface is to take. */
export const SMOKES = ['light', 'usual', 'heavy'] as const;
export type SmokeWanted = (typeof SMOKES)[number];

export interface Prep {
  thaw: ThawWay;
  salt: SaltTime;
  brine: BrineWay;
  temperMin: number;
  /** The light school leaves the underside half seasoned. */
  undersideLight: boolean;
  /** How heavy a hand; as usual for the cut when left out. */
  rubWeight?: RubWeight;
  /** A second layer of rub goes on so many minutes after the first. */
  layerMin?: number;
  /** Topped up with rub just before it goes on. */
  topUp?: boolean;
  /** Left so long after the injection, until it has spread; an hour when left out. */
  injectRestMin?: number;
  /** Uncovered in the coldest of the cold for so long, until its surface is dry and chilled. */
  chillMin?: number;
  membrane?: MembraneWay;
  fatCap?: FatCap;
  /** Toward the heat or away from it, as it lies. */
  fatSide?: FatSide;
  /** Usual when left out. */
  smoke?: SmokeWanted;
  /** Which recipe of each kind is used; none of that kind when left out. */
  recipes: Partial<Record<RecipeKind, string>>;
  /** Steps that are done, by kind. */
  done: string[];
}

/** What is looked at by eye when meat comes, and what is done about it. */
export const LOOKED_AT = ['thinEnd', 'marbling', 'fatCap', 'torn'] as const;
export const BY_EYE = ['accept', 'trim', 'sendBack'] as const;
export type ByEye = (typeof BY_EYE)[number];

/** What was seen when the meat came. */
export interface Receipt {
  coreC?: number;
  packWhole: boolean;
  colourGood: boolean;
  fatEven: boolean;
  /** The thinnest of the thin ends, and what was said of it, of marbling, fat cap, and loose or torn parts. */
  thinEndMm?: number;
  thinEnd?: ByEye;
  marbling?: ByEye;
  fatCap?: ByEye;
  torn?: ByEye;
  note: string;
}

export const COOLING_WAYS = ['fridge', 'ice', 'blast'] as const;
export type CoolingWay = (typeof COOLING_WAYS)[number];

/** What is left, and how it is cooled. */
export interface Leftover {
  kg: number;
  portionThicknessMm: number;
  way: CoolingWay;
}

export const SIDE_KINDS = ['side', 'bread', 'sauce', 'pickle'] as const;
export type SideKind = (typeof SIDE_KINDS)[number];

/** What goes on the table beside the meat: it takes fridge space, shopping and allergens, but no pit. */
export interface Side {
  id: string;
  kind: SideKind;
  name: string;
  gPerHead: number;
  /** One roll, bun or slice weighs so much: it is counted, not weighed. */
  eachG?: number;
  chilled: boolean;
  /** A recipe it is made by; bought ready when left out. */
  recipeId?: string;
  /** What is declared of it beside its recipe; not declared when left out, which is never the same as nothing. */
  carries?: Carried[];
}

/** Guests of a serving who may not or do not eat something. */
export interface GuestNeed {
  carried: Carried;
  guests: number;
}

export interface Kitchen {
  fridgeLitres: number;
  tubLitres: number;
  /** Pairs of hands for prep, and for carving. */
  prepCrew: number;
  carvers: number;
  /** Prep is done between these hours of the day. */
  fromHour: number;
  toHour: number;
  /** Whole pieces may leave the table short by this share rather than call for one more; nothing when left out. */
  mayBeShortShare?: number;
  /** What an hour of hands costs, and a kilogram or metre of what is used up, in the event's currency. */
  handPerH: number;
  seasoningPerKg: number;
  woodPerKg: number;
  charcoalPerKg: number;
  gasPerKg: number;
  wrapPerM: number;
  deliverAtMs?: number;
}
export const DEFAULT_KITCHEN: Kitchen = Object.freeze({
  fridgeLitres: 400,
  tubLitres: 80,
  prepCrew: 2,
  carvers: 2,
  fromHour: 8,
  toHour: 20,
  // Made-up starting prices, as those of the meat are.
  handPerH: 22,
  seasoningPerKg: 9,
  woodPerKg: 0.6,
  charcoalPerKg: 2.2,
  gasPerKg: 2.8,
  wrapPerM: 0.7,
});

/** The hard values an owner may loosen for one event, with a reason. */
export const LOOSENABLE = ['hotHold', 'bareMeatPit', 'dangerZone', 'nonIntactCore'] as const;
export type LoosenableRule = (typeof LOOSENABLE)[number];
export interface Loosened {
  rule: LoosenableRule;
  /** In C, or minutes for the danger zone. */
  limit: number;
  reason: string;
}

/** The plan the crew was given: what it rested on, to be compared with what has changed since. */
export interface Baseline {
  savedAtMs: number;
  revision: number;
  servings: { id: string; name: string; atMs: number; portions: number; guests: number }[];
  batches: { id: string; cutId: string; methodId: string; label: string; pieces: number; kg: number; onAtMs?: number; prep: string }[];
  pitIds: string[];
}
