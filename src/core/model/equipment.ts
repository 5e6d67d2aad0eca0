export const PIT_KINDS = [
  'offset',
  'reverse-flow',
  'bullet',
  'drum',
  'kettle',
  'ceramic',
  'pellet',
  'cabinet',
  'gas',
  'open-pit',
  'oven',
] as const;
export type PitKind = (typeof PIT_KINDS)[number];

/** An axis-parallel rectangle on a rack, mm: x to the right along the width, y away from the door, from the near left corner. */
export interface Rect {
  xMm: number;
  yMm: number;
  widthMm: number;
  depthMm: number;
}

/** A band across a rack that runs hotter or cooler than the set point. */
export interface HeatBand {
  fromMm: number;
  toMm: number;
  offsetC: number;
}

export const RACK_SIDES = ['left', 'right', 'near', 'far'] as const;
export type RackSide = (typeof RACK_SIDES)[number];

export const BLOCKED_BY = ['water pan', 'mop pot', 'smoke tube', 'something else'] as const;
/** A part of a rack that nothing may lie on. */
export interface BlockedPart extends Rect {
  by: (typeof BLOCKED_BY)[number];
}

export interface Rack {
  id: string;
  name: string;
  /** A circle: width and depth are both its diameter. */
  round?: boolean;
  widthMm: number;
  depthMm: number;
  /** Headroom above the rack. */
  clearanceMm: number;
  maxKg: number;
  /** 1 is the lowest. */
  level: number;
  zones?: HeatBand[];
  /** The side the fire is on, where the zones do not tell. */
  hotSide?: RackSide;
  blocked?: BlockedPart[];
}

export const FUELS = ['split wood', 'charcoal', 'lump charcoal', 'pellets', 'gas', 'electricity'] as const;
export type Fuel = (typeof FUELS)[number];

/** What each fuel can do to people: the warnings follow it, not the name of the pit. */
export const FUEL_HAZARDS: Record<Fuel, { carbonMonoxide: boolean; gasLeak: boolean; ash: boolean }> = Object.freeze({
  'split wood': { carbonMonoxide: true, gasLeak: false, ash: true },
  charcoal: { carbonMonoxide: true, gasLeak: false, ash: true },
  'lump charcoal': { carbonMonoxide: true, gasLeak: false, ash: true },
  pellets: { carbonMonoxide: true, gasLeak: false, ash: true },
  gas: { carbonMonoxide: true, gasLeak: true, ash: false },
  electricity: { carbonMonoxide: false, gasLeak: false, ash: false },
});

/** How coals lie: an even bed, a ring that burns along, to one side, in a basket, or burned down apart and shovelled in. */
export const COAL_LAYS = ['bed', 'ring', 'side', 'basket', 'shovelled'] as const;
export type CoalLay = (typeof COAL_LAYS)[number];
export const WOOD_LIES = ['under', 'onTop'] as const;
export type WoodLies = (typeof WOOD_LIES)[number];

/** How a pit's fire is made for one heat, so that it can be made again. What is left out, nobody wrote down. */
export interface FireRecipe {
  pitC: number;
  litKg?: number;
  unlitKg?: number;
  lay?: CoalLay;
  wood?: string;
  /** Of two woods, the second and its share. */
  secondWood?: string;
  secondShare?: number;
  woodLies?: WoodLies;
  /** How far the air goes in and the smoke out, in eighths of open. */
  inEighths?: number;
  outEighths?: number;
  waterLitres?: number;
  waterHot?: boolean;
}

/** A wood and how much of a fire's wood it is. */
export interface WoodShare {
  wood: string;
  share: number;
}

/** Heats further apart than this want another fire. */
const SAME_FIRE_C = 15;

/** The fire its owner makes for a heat: the nearest that was written down. */
export function fireRecipeFor({ fires = [] }: Pick<Pit, 'fires'>, pitC: number): FireRecipe | undefined {
  const [nearest] = [...fires].sort((a, b) => Math.abs(a.pitC - pitC) - Math.abs(b.pitC - pitC));
  return nearest && Math.abs(nearest.pitC - pitC) <= SAME_FIRE_C ? nearest : undefined;
}

/** The woods of a recipe, where it names any. */
export function woodsOfRecipe({ wood, secondWood, secondShare = 0.5 }: FireRecipe): WoodShare[] | undefined {
  if (!wood) return undefined;
  return secondWood
    ? [
        { wood, share: 1 - secondShare },
        { wood: secondWood, share: secondShare },
      ]
    : [{ wood, share: 1 }];
}

/** What a fire eats and asks for. */
export interface PitFuel {
  kind: Fuel;
  /** At 121 C in calm air of 15 C. */
  kgPerH: number;
  /** Minutes between reloads; none when it feeds itself. */
  reloadMin?: number;
  /** Minutes between clearing the ash, and between filling the water pan. */
  ashMin?: number;
  waterMin?: number;
}

export interface Pit {
  id: string;
  name: string;
  kind: PitKind;
  smoke: boolean;
  rangeC: [low: number, high: number];
  warmUpMin: number;
  openingDropC: number;
  /** Minutes until the pit is back within a tenth of the drop. */
  recoverMin: number;
  /** The grate is this much hotter than the number on the gauge or controller. */
  gaugeOffsetC?: number;
  /** The same at the heat of a hot cook, where it is another. */
  gaugeOffsetHotC?: number;
  /** Against the usual pit of its kind: how much air moves over the meat, and how moist it is. */
  airflow?: number;
  humidity?: number;
  fuel?: PitFuel;
  /** How its fire is made, by heat. */
  fires?: FireRecipe[];
  /** A small fan under a controller holds the fire. */
  blower?: boolean;
  /** Can be taken elsewhere, cold. */
  travels?: boolean;
  /** Minutes it may burn with nobody by; as usual for its kind when left out. */
  untendedMaxMin?: number;
  hired?: boolean;
  racks: Rack[];
}

/** Heats at which a gauge is compared with the grate, C: the usual one, and a hot cook's. */
export const GAUGE_HEATS = Object.freeze({ low: 121, hot: 160 });

/** How much hotter the grate is than the gauge at a heat, C: on a line between the two heats at which it is known. */
export function gaugeOffsetAt({ gaugeOffsetC = 0, gaugeOffsetHotC }: Pick<Pit, 'gaugeOffsetC' | 'gaugeOffsetHotC'>, pitC: number): number {
  if (gaugeOffsetHotC === undefined) return gaugeOffsetC;
  const { low, hot } = GAUGE_HEATS;
  const share = Math.min(1, Math.max(0, (pitC - low) / (hot - low)));
  return gaugeOffsetC + share * (gaugeOffsetHotC - gaugeOffsetC);
}

/** An insulated box: cools slowly, slower the fuller it is. */
export interface HoldingBox {
  id: string;
  name: string;
  litres: number;
  lossWPerK: number;
  travels?: boolean;
  hired?: boolean;
}

/** A warmer, a holding oven or a steam table: pan slots at a set point. */
export const WARMER_KINDS = ['warmer', 'holding oven', 'steam table'] as const;
export interface Warmer {
  id: string;
  name: string;
  kind: (typeof WARMER_KINDS)[number];
  slots: number;
  setC: number;
  travels?: boolean;
  hired?: boolean;
}

/** A thermometer: how many channels it has, and what they read when it was last checked. */
export interface Probe {
  id: string;
  name: string;
  channels: number;
  /** Read in ice water and in boiling water at this altitude, when it was last checked. */
  iceC?: number;
  boilC?: number;
  altitudeM?: number;
  checkedAtMs?: number;
  /** Not to be used: broken, or reads wrong. */
  out?: boolean;
}

/** Someone who works at events. */
export interface CrewMember {
  id: string;
  name: string;
  /** May drive the van. */
  drives?: boolean;
}

/** All that is owned or hired. */
export interface Equipment {
  pits: Pit[];
  boxes: HoldingBox[];
  warmers: Warmer[];
  probes: Probe[];
  crew: CrewMember[];
}

/** Litres of box a kilogram of wrapped meat takes. */
export const BOX_LITRES_PER_KG = 1.8;
/** Kilograms of wrapped meat a pan slot takes. */
export const KG_PER_SLOT = 9;
