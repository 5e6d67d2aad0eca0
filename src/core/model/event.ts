import type { Buying, GuestNeed, Baseline, Kitchen, Leftover, Loosened, Prep, Receipt, SecondDish, Side } from './eventParts';
import type { Hired, HoldSetPoint } from './hired';
import type { Carried } from './allergen';
import type { Meal } from './habits';
import type { Grade } from './method';

export interface Guests {
  adults: number;
  children: number;
  /** Share of the adults who eat heartily. */
  heartyShare: number;
}

export interface Serving {
  id: string;
  name: string;
  /** The serving time, ms since 1970 UTC. */
  atMs: number;
  serveForMin: number;
  /** Carving begins this long before the serving time. */
  carveLeadMin: number;
  guests: Guests;
  buffet: boolean;
  /** What its portions are for; by the clock when left out. */
  meal?: Meal;
  /** Cooked on top of what the guests eat, as a share. */
  marginShare?: number;
  sides?: Side[];
  /** Guests who may not or do not eat something. */
  needs?: GuestNeed[];
  /** Children's home, hospital, the very old: Food Code 3-801.11 forbids undercooked food. */
  highlySusceptible?: boolean;
  /** Who answers for its cards though a dish is not declared; they then say to ask the kitchen. */
  cardsSignedBy?: string;
  /** Where it is served; at the first place when left out. */
  placeId?: string;
  /** Setting up before carving, where it is not the event's own. */
  setUpMin?: number;
  /** People who are there from carving until serving is over. */
  handsThere?: number;
}

export interface Piece {
  id: string;
  /** Trimmed weight, as it goes on: from the scale where there is one, else from what was bought, else the usual. */
  kg: number;
  /** As weighed on delivery and after trimming; the thick end's thickness. */
  boughtKg?: number;
  trimmedKg?: number;
  thicknessMm?: number;
  /** As measured; left out, they follow from weight, thickness and the cut's shape. */
  lengthMm?: number;
  widthMm?: number;
  /** When it goes on; as cold as the fridge when left out. */
  startC?: number;
  /** Where it differs from the batch's. */
  grade?: Grade;
}

/** Pieces of one cut, by one method, for one serving. */
export interface Batch {
  id: string;
  servingId: string;
  cutId: string;
  methodId: string;
  /** The owner's word for a pan dish ("harbour beans"); the cut's name otherwise. */
  label: string;
  /** `guests`: the number of pieces follows the guests; `hand`: as typed. */
  sizedBy: 'guests' | 'hand';
  pieces: Piece[];
  /** Share of the serving's plate; left out, the plate is split evenly. */
  share?: number;
  /** Cooked grams a portion, or bones of a rack, where its owner gives another helping than the trade. */
  portionG?: number;
  portionBones?: number;
  second?: SecondDish;
  buying?: Partial<Buying>;
  prep?: Partial<Prep>;
  received?: Receipt;
  leftover?: Leftover;
  /** The batch that was cooked the day before and is warmed up again here. */
  reheats?: string;
  /** Held for so many minutes at most, where its owner allows another time than the method's. */
  holdMaxMin?: number;
  /** What a dish without a recipe is declared to carry; not declared when left out. */
  carries?: Carried[];
}

/** What the search chose for a batch; what is left out, the plan finds by itself. */
export interface Override {
  /** Tried first: the pit, its heat, and where and how hot it finishes once wrapped. */
  pitId?: string;
  pitC?: number;
  finish?: { pitId: string; pitC: number };
  /** Minutes earlier than the latest start; left out, as early as makes the hold fall into its band. */
  earlierMin?: number;
  /** Runs it is split into. */
  parts?: number;
  /** Just so, where that can still be had; otherwise as is said above. */
  runs?: RunWish[];
}

/** One run as a search left it: when, minutes before the latest start, and where each piece lies. */
export interface RunWish extends Pick<Pin, 'pitId' | 'pitC' | 'finish' | 'carveLaterMin'> {
  pieceIds: string[];
  earlierMin: number;
  places: Omit<ManualPlacement, 'batchId'>[];
}

/** A wish that may be had anywhere. */
export function loosely(override: Override = {}): Override {
  const { runs: _, ...loose } = override;
  return loose;
}

/** Pieces that stay where the owner put them, whatever it breaks. */
export interface Pin {
  batchId: string;
  /** Left out, the whole batch. */
  pieceIds?: string[];
  pitId: string;
  onAtMs: number;
  pitC?: number;
  /** Where and how hot it finishes once wrapped; where it is when left out. */
  finish?: Override['finish'];
  /** Carved so long after its serving's carving begins; at once when left out. */
  carveLaterMin?: number;
  /** Where the pieces lie, as far as that is kept too. */
  places?: Omit<ManualPlacement, 'batchId'>[];
}

/** Where the meat of a serving is cooked: where it begins, where it is served, or some here and some there. */
export const COOKED_AT = ['home', 'there', 'both'] as const;
export type CookedAt = (typeof COOKED_AT)[number];
/** After serving: all go back, or the driver alone with the gear, or all stay for what is served there next. */
export const AFTERWARDS = ['back', 'gear', 'stay'] as const;
export type Afterwards = (typeof AFTERWARDS)[number];

/** How people and things get to a serving that is not where they are; what is left out, the plan decides by itself. */
export interface TravelChoice {
  cookedAt?: CookedAt;
  /** How many go. */
  hands?: number;
  /** Who goes first of those who could. */
  who?: string[];
  /** Holding gear and pits that go along. */
  gearIds?: string[];
  pitIds?: string[];
  /** So many minutes before the serving those leave who cook there. */
  aheadMin?: number;
  afterwards?: Afterwards;
}

/** The scheme of a plan: who is placed before whom, and how. The plan follows from it and the event. */
export interface Scheme {
  order: string[];
  overrides: Record<string, Override>;
  /** How one gets to servings, by their ids. */
  travel?: Record<string, TravelChoice>;
  seed: number;
  iterations: number;
}

/** A plan kept under a name, to be compared with others and taken up again. */
export interface NamedPlan {
  id: string;
  name: string;
  confidence: number;
  methodIds: Record<string, string>;
  pitIds: string[];
  pins: Pin[];
  scheme?: Scheme;
}

/** Someone on duty for a while. */
export interface Duty {
  memberId: string;
  fromMs: number;
  toMs: number;
}

/** Somewhere food is cooked or served. */
export interface EventPlace {
  id: string;
  name: string;
}

/** The minutes between two places, the same both ways. */
export interface Road {
  fromId: string;
  toId: string;
  minutes: number;
}

/** Something or somebody that does not begin at the first place. */
export interface Standing {
  kind: 'pit' | 'gear' | 'crew';
  thingId: string;
  placeId: string;
}

/** What there is where it is served, and when the crew sleeps. */
export interface Venue {
  setUpMin: number;
  power: string;
  rules: string;
  /** Clock times between which the crew would rather sleep, such as 22:30 to 04:30. */
  quietFrom: string;
  quietTo: string;
}
export const DEFAULT_VENUE: Venue = Object.freeze({ setUpMin: 0, power: '', rules: '', quietFrom: '22:30', quietTo: '04:30' });

/** What the pits will stand in. */
export interface DayWeather {
  airC: number;
  windMPerS: number;
}
export const MILD_DAY: DayWeather = Object.freeze({ airC: 15, windMPerS: 1 });

/** A place given by hand: wherever the piece is in this pit, it lies here. */
export interface ManualPlacement {
  batchId: string;
  pieceId: string;
  pitId: string;
  rackId: string;
  xMm: number;
  yMm: number;
  /** Its length lies away from the door. */
  turned: boolean;
}

export interface CookEvent {
  id: string;
  name: string;
  place: string;
  /** IANA zone of the place. Times are instants; this turns them into clock times. */
  timeZone: string;
  altitudeM: number;
  /** The share of cooks that the time reserved on a pit must cover. */
  confidence: number;
  servings: Serving[];
  batches: Batch[];
  pitIds: string[];
  boxIds: string[];
  warmerIds?: string[];
  probeIds?: string[];
  /** Hired for this event, beside what the house has. */
  hired?: Hired;
  /** Warmers that stand at another heat than they do at home. */
  holdSetPoints?: HoldSetPoint[];
  /** Who is on duty, and when. */
  duty?: Duty[];
  /** The first is where meat, gear and crew begin. */
  places?: EventPlace[];
  roads?: Road[];
  standing?: Standing[];
  venue?: Venue;
  weather?: DayWeather;
  kitchen?: Partial<Kitchen>;
  /** ISO 4217 code that prices are in. */
  currency?: string;
  loosened?: Loosened[];
  /** Pieces laid on a rack by hand: the plan lays the others around them. */
  manualPlacements?: ManualPlacement[];
  pins?: Pin[];
  scheme?: Scheme;
  namedPlans?: NamedPlan[];
  /** Lines of the shopping list that are in the house. */
  ticked?: string[];
  baseline?: Baseline;
  /** Goes up by one with every saved change. */
  revision: number;
}

/** Whether a batch is chilled when it is done, to be heated up for another serving. */
export const isReheatedLater = ({ batches }: Pick<CookEvent, 'batches'>, { id }: Pick<Batch, 'id'>): boolean =>
  batches.some((each) => each.reheats === id);
