import type { CookEvent, Scheme } from './event';
import type { HotFinish } from './method';
import type { PlanProblem } from './problem';
import type { Preparation, PrepKind, TaskKind } from './taskKind';
import type { Rect, RackSide, WoodShare } from './equipment';

/** Where a piece lies on its rack, and which way its thick end points. */
export interface Place extends Rect {
  pieceId: string;
  /** Its length lies away from the door. */
  turned: boolean;
  thickEnd: RackSide;
  /** How much hotter than the set point it lies. */
  offsetC: number;
}

/** Where a run's pieces lie on one rack for a while. Half-open in time. */
export interface Leg {
  pitId: string;
  rackId: string;
  pieceIds: string[];
  places: Place[];
  fromMs: number;
  toMs: number;
  /** Rack area the pieces claim, air gap included. */
  areaMm2: number;
  kg: number;
}

/** What is cubed and sauced after the pull, and where it goes back on in pans. */
export interface BackOn {
  batchId: string;
  servingId: string;
  name: string;
  kg: number;
  pitId: string;
  placeId: string;
  fromMs: number;
  toMs: number;
  /** Minutes of hands to cube and sauce it. */
  cubeMin: number;
  legs: Leg[];
}

export interface Hold {
  /** Where it waits until it is boxed for the ride, when that is another thing. */
  first?: { gearId: string; untilMs: number };
  /** A box's or warmer's id, or `board` when the rest is all there is. */
  gearId: string;
  /** The earliest it may be needed, when it is needed for sure, and when carving takes the meat out. */
  fromEarlyMs: number;
  fromLateMs: number;
  toMs: number;
  /** Predicted core at carving when the cook finishes early (the coldest case). */
  coolestAtCarveC: number;
}

/** Why a run starts when it starts. The latest start that its serving allows, unless something binds earlier. */
export type Reason =
  | { code: 'servingNeeds'; servingId: string; carveAtMs: number }
  | { code: 'restNeeds'; ventMin: number; restMin: number }
  | { code: 'goesBackOn'; minutes: number }
  | { code: 'cookTakes'; medianMin: number; lateMin: number; confidence: number }
  | { code: 'movedEarlier'; minutes: number; pitId: string; rackId: string; blockedUntilMs: number }
  | { code: 'sharesHeat'; pitId: string; pitC: number; wantedC: number }
  | { code: 'finishesElsewhere'; pitId: string; atMs: number }
  | { code: 'finishHeat'; pitId: string; pitC: number; atMs: number }
  | { code: 'movedForCrew'; minutes: number; kind: TaskKind; atMs: number }
  | { code: 'movedForHeat'; minutes: number; pitId: string; setC: number; untilMs: number }
  | { code: 'movedForHold'; minutes: number }
  | { code: 'leavesBy'; atMs: number; travelMin: number }
  | { code: 'idealHold'; minutes: number }
  | { code: 'pinned'; onAtMs: number };

/** One task of a run with the people who do it; `who` is empty where nobody is named. */
export interface Work {
  kind: 'load' | 'wrap' | 'move' | 'check' | 'pull' | 'carve';
  atMs: number;
  minutes: number;
  placeId: string;
  pitId?: string;
  pieceIds: string[];
  who: string[];
}

/** A probe in the slowest piece of a run, from when to when. */
export interface ProbeUse {
  probeId: string;
  channel: number;
  runId: string;
  pieceId: string;
  fromMs: number;
  toMs: number;
}

/** Pieces of one batch that go on one pit together. */
export interface Run {
  id: string;
  batchId: string;
  servingId: string;
  pieceIds: string[];
  kg: number;
  pitId: string;
  pitC: number;
  onAtMs: number;
  wrapAtMs?: number;
  unwrapAtMs?: number;
  moveAtMs?: number;
  /** Where it finishes elsewhere or at another heat: from when, and how hot. */
  finishAtMs?: number;
  finishC?: number;
  /** Until when the meat takes smoke: it is wrapped, or warm right through; none where no smoke is wanted. */
  smokeUntilMs?: number;
  /** When the first piece may be done (quantile 1 - Q), when the last is expected, and when it is done with confidence Q. */
  pullEarlyMs: number;
  pullMedianMs: number;
  pullLateMs: number;
  /** When each piece is expected; the same odds lie about each. */
  pulls: { pieceId: string; medianMs: number; earlyMs: number; lateMs: number }[];
  /** Latest minutes from leaving the cold until the slowest core is out of the danger zone, tempering counted. */
  dangerLateMin: number;
  /** Core of the slowest piece when it is pulled; for roasts and birds with the carry-over already taken off. */
  pullCoreC: number;
  /** How it is finished as each piece is done, over coals that are brought up for it. */
  hotFinish?: HotFinish;
  ventMin: number;
  restMin: number;
  carveAtMs: number;
  /** Where it is cooked; where it is carved is its serving's place. */
  placeId: string;
  /** When it leaves for its serving; none when it is served where it is cooked. */
  leavesAtMs?: number;
  legs: Leg[];
  hold: Hold;
  /** Chance that it is pulled, vented and rested by carving. */
  onTimeShare: number;
  /** What hands do for it, and when. */
  work: Work[];
  /** Put there by the owner. */
  pinned?: boolean;
  why: Reason[];
}

/** One fire of one pit, from lighting to letting it die. */
export interface Firing {
  pitId: string;
  placeId: string;
  lightAtMs: number;
  readyAtMs: number;
  offAtMs: number;
  setPoints: { atMs: number; pitC: number }[];
  /** Who lights it; empty where nobody is named. */
  who: string[];
}

/** A drive from one place to another, with all that is on board. */
export interface Trip {
  id: string;
  /** The serving it is made for. */
  servingId: string;
  purpose: 'out' | 'ahead' | 'back';
  fromId: string;
  toId: string;
  leaveMs: number;
  arriveMs: number;
  /** Whoever drives stands first; empty where hands are not counted. */
  who: string[];
  gearIds: string[];
  pitIds: string[];
  /** What meat it carries, raw or done. */
  pieces: { batchId: string; pieceId: string }[];
  /** Raw meat on a long way lies in this gear. */
  coldGearId?: string;
}

/** What hands do for a trip or a place. `drive` is all of the crew on the road, as version 1 of the file has it. */
export interface TravelWork {
  kind: 'loadVan' | 'unload' | 'setUp' | 'packUp' | 'drive';
  atMs: number;
  minutes: number;
  placeId: string;
  servingId: string;
  tripId?: string;
  who: string[];
}

/** How sure a serving is: the joint chance that all of it is rested by carving, and the minutes to be waited for on average. */
export interface ServingOdds {
  servingId: string;
  onTimeShare: number;
  expectedLateMin: number;
}

/** What a plan costs, compared level by level, less is better (docs/planner.md). */
export type Objective = [broken: number, riskMin: number, qualityH: number, people: number, pitHours: number];

/** One step of prep, counted back from going on the pit. */
export interface PrepStep {
  /** Stable from plan to plan. */
  id: string;
  kind: PrepKind;
  batchId: string;
  /** When it is planned, and how long it takes hands; then how long the meat is left. */
  atMs: number;
  minutes: number;
  prepCrew: number;
  waitMin: number;
  /** The window in which it may be begun; `latestMs` ignores who is free and when the kitchen works. */
  earliestMs: number;
  latestMs: number;
  done: boolean;
  /** Planned outside the kitchen's hours because its window lies there. */
  outOfHours: boolean;
}

/** A stretch of time in which the kitchen works. */
export interface Shift {
  fromMs: number;
  toMs: number;
}

export interface Task {
  /** Stable from plan to plan: the same deed keeps its id when its time moves. */
  id: string;
  kind: TaskKind;
  atMs: number;
  minutes: number;
  /** When it must be begun at the latest, where it may wait. */
  latestMs?: number;
  /** Where it is done; anywhere when left out. */
  placeId?: string;
  /** Where a drive goes. */
  toId?: string;
  pitId?: string;
  runId?: string;
  batchId?: string;
  servingId?: string;
  tripId?: string;
  gearId?: string;
  what?: Preparation;
  pitC?: number;
  /** Who does it, where people are named. */
  who?: string[];
  pieceIds?: string[];
  /** Fuel or wood to put on, and which wood. */
  kg?: number;
  woods?: WoodShare[];
  /** How long what is lit then lasts. */
  lastsMin?: number;
  probe?: ProbeUse;
  /** Tasks that share one lifting of a lid carry the same opening. */
  opening?: string;
}

export interface Plan {
  eventId: string;
  revision: number;
  confidence: number;
  runs: Run[];
  firings: Firing[];
  prep: PrepStep[];
  probes: ProbeUse[];
  /** Where what is cubed goes back on; left out where nothing does. */
  backOn?: BackOn[];
  tasks: Task[];
  problems: PlanProblem[];
  trips: Trip[];
  travelWork: TravelWork[];
  /** Who is on duty where, and when; left out where hands are not counted. */
  stays?: { memberId: string; placeId: string; fromMs: number; toMs: number }[];
  odds: ServingOdds[];
  objective: Objective;
  /** What no plan can be below, level by level. */
  lower: Objective;
  /** What it follows from, together with the event. */
  scheme: Scheme;
  /** The fullest moment of the day on any rack. */
  tightest?: { pitId: string; rackId: string; fullShare: number; fromMs: number; toMs: number };
}

/** An event's plan before there is one: nothing runs yet, and nothing is wrong with that. */
export const unplanned = ({ id, revision, confidence }: Pick<CookEvent, 'id' | 'revision' | 'confidence'>): Plan => ({
  eventId: id,
  revision,
  confidence,
  runs: [],
  firings: [],
  prep: [],
  probes: [],
  tasks: [],
  problems: [],
  trips: [],
  travelWork: [],
  odds: [],
  objective: [0, 0, 0, 0, 0],
  lower: [0, 0, 0, 0, 0],
  scheme: { order: [], overrides: {}, seed: 1, iterations: 0 },
});
