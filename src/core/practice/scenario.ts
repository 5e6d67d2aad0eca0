import type { Cut, Method, Pit, Wrap } from '../model';

/** One piece that is cooked for practice. */
export interface PracticePiece {
  key: string;
  /** Its tag on the rack: `B1`. */
  tag: string;
  cutId: string;
  methodId: string;
  kg: number;
  thicknessMm?: number;
  pitId: string;
  /** Goes on so long before it is served; left out, it lies in the cold until somebody puts it on. */
  onBeforeMin?: number;
  /** What its method wraps it in. */
  wrap: Wrap;
}

export type TroubleKind =
  | 'flare'
  | 'wind'
  | 'rain'
  | 'gaugeLies'
  | 'probeInFat'
  | 'helperOpens'
  | 'guestsEarly'
  | 'truckLate'
  | 'deliveryShort'
  | 'wetWood'
  | 'coalsDie'
  | 'longStall'
  | 'thinDries';

/** Something that goes wrong, minutes after it is taken over. */
export interface Trouble {
  kind: TroubleKind;
  afterMin: number;
  /** How long, where it passes by itself. */
  lastsMin?: number;
  /** How much: wind m/s, gauge C, minutes earlier or later. */
  much?: number;
  pitId?: string;
  key?: string;
}

/** A cook day to practise: pits, meat, what the hour of serving is, and what goes wrong. */
export interface Scenario {
  id: string;
  /** Instant of serving. */
  serveAtMs: number;
  timeZone: string;
  /** Taken over so long before serving: until then a steady hand has cooked. */
  takeOverMin: number;
  pits: { pit: Pit; pitC: number; heldOver?: boolean }[];
  pieces: PracticePiece[];
  weather: { airC: number; windMPerS: number };
  altitudeM: number;
  /** Where meat can wait hot. */
  holds: readonly ('box' | 'warmer')[];
  /** A probe stays in this piece. */
  probeIn?: string;
  /** Water in the wood, share of its weight. */
  woodWaterShare: number;
  /** The fire has not been looked at for so long when it is taken over. */
  untendedMin?: number;
  /** So few coals were left in it by then, kg. */
  coalsLeftKg?: number;
  /** So much more than usual its meat sweats. */
  sweats?: number;
  troubles: readonly Trouble[];
  library: { cuts: readonly Cut[]; methods: readonly Method[] };
}

export const cutOf = (scenario: Scenario, { cutId }: PracticePiece): Cut => scenario.library.cuts.find((cut) => cut.id === cutId)!;
export const methodOf = (scenario: Scenario, { methodId }: PracticePiece): Method =>
  scenario.library.methods.find((method) => method.id === methodId)!;
