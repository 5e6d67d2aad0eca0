/** Where a run's pieces lie on one rack for a while. Half-open in time. */
export interface Leg {
  pitId: string;
  rackId: string;
  pieceIds: string[];
  fromMs: number;
  toMs: number;
  /** Rack area the pieces claim, air gap included. */
  areaMm2: number;
  kg: number;
}

export interface Hold {
  /** A box's id, or `board` when the rest is all there is. */
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
  | { code: 'finishesElsewhere'; pitId: string; atMs: number };

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
  /** When the first piece may be done (quantile 1 - Q), when the last is expected, and when it is done with confidence Q. */
  pullEarlyMs: number;
  pullMedianMs: number;
  pullLateMs: number;
  /** Core of the heaviest piece when it is pulled; for roasts and birds with the carry-over already taken off. */
  pullCoreC: number;
  ventMin: number;
  restMin: number;
  carveAtMs: number;
  legs: Leg[];
  hold: Hold;
  /** Chance that it is pulled, vented and rested by carving. */
  onTimeShare: number;
  why: Reason[];
}

/** One fire of one pit, from lighting to letting it die. */
export interface Firing {
  pitId: string;
  lightAtMs: number;
  readyAtMs: number;
  offAtMs: number;
  setPoints: { atMs: number; pitC: number }[];
}

export type TaskKind =
  'light' | 'setPoint' | 'load' | 'wrap' | 'unwrap' | 'move' | 'check' | 'pull' | 'vent' | 'rest' | 'hold' | 'carve' | 'serve';

export interface Task {
  /** Stable from plan to plan: the same deed keeps its id when its time moves. */
  id: string;
  kind: TaskKind;
  atMs: number;
  minutes: number;
  pitId?: string;
  runId?: string;
  servingId?: string;
  pitC?: number;
  /** Tasks that share one lifting of a lid carry the same opening. */
  opening?: string;
}

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
  | { code: 'poultryAbove'; severity: 'broken'; batchId: string; pieces: number; pitId: string; fromMs: number; toMs: number }
  | { code: 'boxFull'; severity: 'broken'; batchId: string; pieces: number; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'holdTooLong'; severity: 'broken'; batchId: string; pieces: number; holdMin: number; allowedMin: number }
  | { code: 'neverDone'; severity: 'broken'; batchId: string; pieces: number; pitC: number }
  | { code: 'dangerZone'; severity: 'broken'; batchId: string; pieces: number; minutes: number; allowedMin: number }
  | { code: 'alreadyPast'; severity: 'broken'; batchId: string; pieces: number; lateByMin: number }
  | { code: 'servedBelowHotHold'; severity: 'warning'; batchId: string; coreC: number };

export interface Plan {
  eventId: string;
  revision: number;
  confidence: number;
  runs: Run[];
  firings: Firing[];
  tasks: Task[];
  problems: PlanProblem[];
  /** The fullest moment of the day on any rack. */
  tightest?: { pitId: string; rackId: string; fullShare: number; fromMs: number; toMs: number };
}
