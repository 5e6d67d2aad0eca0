import type { Carried } from './allergen';
import type { Broken } from './broken';
import type { Scheme } from './event';
import type { HotFinish } from './method';
import type { Rect, RackSide } from './equipment';

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

export interface Hold {
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
  | { code: 'cookTakes'; medianMin: number; lateMin: number; confidence: number }
  | { code: 'movedEarlier'; minutes: number; pitId: string; rackId: string; blockedUntilMs: number }
  | { code: 'sharesHeat'; pitId: string; pitC: number; wantedC: number }
  | { code: 'finishesElsewhere'; pitId: string; atMs: number }
  | { code: 'finishHeat'; pitId: string; pitC: number; atMs: number }
  | { code: 'movedForHands'; minutes: number; kind: TaskKind; atMs: number }
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
  legs: Leg[];
  hold: Hold;
  /** Chance that it is pulled, vented and rested by carving. */
  onTimeShare: number;
  /** Log-sd of its pieces' time to done. */
  timeLogSd: number;
  /** What hands do for it, and when. */
  work: Work[];
  /** Put there by the owner. */
  pinned?: boolean;
  why: Reason[];
}

/** One fire of one pit, from lighting to letting it die. */
export interface Firing {
  pitId: string;
  lightAtMs: number;
  readyAtMs: number;
  offAtMs: number;
  setPoints: { atMs: number; pitC: number }[];
  /** Who lights it; empty where nobody is named. */
  who: string[];
}

/** The drive to a serving, with all who make it. */
export interface Drive {
  servingId: string;
  fromMs: number;
  toMs: number;
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

/** What is done to meat before it goes on, in the order it is done. */
export const PREP_KINDS = ['thaw', 'trim', 'mixBrine', 'brine', 'rinse', 'inject', 'salt', 'rub', 'fill', 'temper'] as const;
export type PrepKind = (typeof PREP_KINDS)[number];

/** One step of prep, counted back from going on the pit. */
export interface PrepStep {
  /** Stable from plan to plan. */
  id: string;
  kind: PrepKind;
  batchId: string;
  /** When it is planned, and how long it takes hands; then how long the meat is left. */
  atMs: number;
  minutes: number;
  hands: number;
  waitMin: number;
  /** The window in which it may be begun; `latestMs` ignores who is free and when the kitchen works. */
  earliestMs: number;
  latestMs: number;
  done: boolean;
  /** Planned outside the kitchen's hours because its window lies there. */
  outOfHours: boolean;
}

/** What shortens a prep that is too late. */
export type PrepDrop = 'thawInWater' | 'saltInsteadOfBrine' | 'skipBrine' | 'saltAnHour' | 'saltAsItGoesOn' | 'skipTempering' | 'none';

/** A stretch of time in which the kitchen works. */
export interface Shift {
  fromMs: number;
  toMs: number;
}

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
  | 'serve';

export interface Task {
  /** Stable from plan to plan: the same deed keeps its id when its time moves. */
  id: string;
  kind: TaskKind;
  atMs: number;
  minutes: number;
  pitId?: string;
  runId?: string;
  batchId?: string;
  servingId?: string;
  pitC?: number;
  /** Who does it, where people are named. */
  who?: string[];
  pieceIds?: string[];
  /** Fuel or wood to put on. */
  kg?: number;
  /** How long what is lit then lasts. */
  lastsMin?: number;
  probe?: ProbeUse;
  /** Tasks that share one lifting of a lid carry the same opening. */
  opening?: string;
}

/** A piece of a batch, to be named. */
export interface PieceRef {
  batchId: string;
  pieceId: string;
}

/** What is wrong on a rack at some moment. */
export type RackFault = { fromMs: number; toMs: number } & (
  | { code: 'tooNear'; piece: PieceRef; other: PieceRef; apartMm: number; gapMm: number }
  | { code: 'offRack' | 'onBlocked'; piece: PieceRef }
  | { code: 'tooTall'; piece: PieceRef; thicknessMm: number; clearanceMm: number }
  | { code: 'overloaded'; kg: number; maxKg: number }
  | { code: 'poultryAbove'; piece: PieceRef; other: PieceRef }
);

export type PlanProblem =
  | { code: 'noSuitablePit'; severity: 'broken'; batchId: string; pieces: number; need: 'smoke' | 'heat' | 'size' }
  | {
      code: 'rackFull';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      shortMm2: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'rackOverloaded';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      shortKg: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'heatConflict';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      wantedC: number;
      setC: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'rackNoSpot';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      /** Length and width by which the best free spot misses the piece, added up. */
      shortMm: number;
      fromMs: number;
      toMs: number;
    }
  | { code: 'poultryAbove'; severity: 'broken'; batchId: string; pieces: number; pitId: string; fromMs: number; toMs: number }
  | { code: 'laidUnsuitable'; severity: 'broken'; batchId: string; pieces: number; pitId: string }
  | { code: 'longSmoke'; severity: 'warning'; batchId: string; pitId: string; minutes: number }
  | { code: 'laidWrong'; severity: 'broken'; pitId: string; rackId: string; fault: RackFault }
  | { code: 'boxFull'; severity: 'broken'; batchId: string; pieces: number; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'warmerFull'; severity: 'broken'; batchId: string; pieces: number; shortSlots: number; fromMs: number; toMs: number }
  | { code: 'holdTooLong'; severity: 'broken'; batchId: string; pieces: number; holdMin: number; allowedMin: number }
  | { code: 'neverDone'; severity: 'broken'; batchId: string; pieces: number; pitC: number }
  | { code: 'dangerZone'; severity: 'broken'; batchId: string; pieces: number; minutes: number; allowedMin: number }
  | { code: 'coreTooLow'; severity: 'broken'; batchId: string; pieces: number; coreC: number; requiredC: number; nonIntact: boolean }
  | { code: 'rareForSusceptible'; severity: 'broken'; batchId: string; pieces: number; coreC: number; servingId: string }
  | { code: 'noHands'; severity: 'broken'; batchId: string; pieces: number; kind: TaskKind; atMs: number; minutes: number }
  | { code: 'nobodyToLight'; severity: 'broken'; pitId: string; atMs: number }
  | { code: 'nobodyToDrive'; severity: 'broken'; servingId: string; atMs: number }
  | { code: 'onTheRoad'; severity: 'broken'; batchId: string; pieces: number; pitId: string; fromMs: number; toMs: number }
  | { code: 'servingRisk'; severity: 'warning'; servingId: string; onTimeShare: number }
  | { code: 'overHeld'; severity: 'warning'; batchId: string; holdMin: number; ceilingMin: number }
  | { code: 'alreadyPast'; severity: 'broken'; batchId: string; pieces: number; lateByMin: number }
  | {
      code: 'prepTooLate';
      severity: 'broken' | 'warning';
      batchId: string;
      pieces: number;
      kind: PrepKind;
      lateByMin: number;
      /** It is the delivery that is too late, not the present moment. */
      waitsForDelivery: boolean;
      drop: PrepDrop;
    }
  | { code: 'waterThawTooLong'; severity: 'broken'; batchId: string; pieces: number; minutes: number }
  | {
      code: 'fridgeFull' | 'tubFull';
      severity: 'warning';
      /** Batches and sides that lie there at the fullest moment. */
      batchIds: string[];
      overLitres: number;
      litres: number;
      fromMs: number;
      toMs: number;
    }
  | { code: 'tooSalty'; severity: 'warning'; batchId: string; saltShare: number }
  | { code: 'allergenServed'; severity: 'warning'; servingId: string; carried: Carried; guests: number; batchIds: string[]; free: number }
  /** A run pinned by the owner breaks a rule of docs/formats/rules.md. */
  | { code: 'ruleBroken'; severity: 'broken'; broken: Broken }
  | { code: 'servedBelowHotHold'; severity: 'warning'; batchId: string; coreC: number };

export interface Plan {
  eventId: string;
  revision: number;
  confidence: number;
  runs: Run[];
  firings: Firing[];
  prep: PrepStep[];
  probes: ProbeUse[];
  tasks: Task[];
  problems: PlanProblem[];
  drives: Drive[];
  odds: ServingOdds[];
  objective: Objective;
  /** What no plan can be below, level by level. */
  lower: Objective;
  /** What it follows from, together with the event. */
  scheme: Scheme;
  /** The fullest moment of the day on any rack. */
  tightest?: { pitId: string; rackId: string; fullShare: number; fromMs: number; toMs: number };
}
