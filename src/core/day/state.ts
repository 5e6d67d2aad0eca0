import type { FireRecipe } from '../model';
import type { Deed, Feel, PieceKey, PieceStep, PlanChange, Spot, Weighed } from './entry';

/** What is known of one piece. Instants are undefined until it happened. */
export interface PieceState {
  key: PieceKey;
  batchId: string;
  pieceId: string;
  runId: string;
  step?: PieceStep;
  stepAtMs?: number;
  onAtMs?: number;
  wrappedAtMs?: number;
  wrap?: 'paper' | 'foil' | 'pan';
  unwrappedAtMs?: number;
  pulledAtMs?: number;
  pulledCoreC?: number;
  ventedAtMs?: number;
  restingAtMs?: number;
  heldAtMs?: number;
  gearId?: string;
  carvedAtMs?: number;
  /** The pit it is in, and every pit it was in, from when. */
  pits: { fromMs: number; pitId: string }[];
  /** Moved within its pit: how much hotter it lies from then on. */
  shifts: { atMs: number; hotterByC: number }[];
  checks: { atMs: number; feel: Feel; coreC?: number }[];
  /** Read by hand. */
  readings: { atMs: number; coreC: number; spot: Spot; by: string }[];
}

export interface PitState {
  pitId: string;
  litAtMs?: number;
  outAtMs?: number;
  /** What it was set to, from when. */
  setPoints: { atMs: number; pitC: number }[];
  fuelledAtMs: number[];
  openedAtMs: number[];
  readings: { atMs: number; pitC: number; by: string }[];
  /** What its gauge said, and what a band of a rack read: other numbers than the grate's. */
  gauges: { atMs: number; gaugeC: number }[];
  bands: { atMs: number; rackId: string; band: number; pitC: number }[];
}

/** Somebody is at it. */
export interface BegunMark {
  atMs: number;
  by: string;
}

export interface TaskMark {
  did: 'done' | 'skipped' | 'notYet';
  atMs: number;
  by: string;
  entryId: string;
  reason?: string;
  /** Asked for again after so many minutes. */
  minutes?: number;
}

export interface ChannelUse {
  deviceId: string;
  channel: string;
  fromMs: number;
  piece?: PieceKey;
  pitId?: string;
  spot?: Spot;
}

export interface Revision {
  entryId: string;
  atMs: number;
  by: string;
  lever: string;
  reason: string;
  changes: PlanChange[];
  /** What each change replaced: a heat, C; an instant; a pit. Nothing where there was none. */
  from: (number | string | undefined)[];
}

export interface AlarmMark {
  causeId: string;
  raisedAtMs: number;
  alarm: object;
  acknowledgedAtMs?: number;
  acknowledgedBy?: string;
  escalatedAtMs?: number;
  escalatedTo?: string;
  clearedAtMs?: number;
}

export interface SafetyEntry extends Omit<Extract<Deed, { kind: 'safety' }>, 'kind'> {
  entryId: string;
  atMs: number;
  by: string;
  /** A later line stands for it. */
  correctedBy?: string;
}

/** A cook day as its journal has it: a fold, nothing else. */
export interface DayState {
  phase: 'kept' | 'running' | 'paused' | 'ended';
  startedAtMs?: number;
  endedAtMs?: number;
  pauses: { fromMs: number; toMs?: number; reason?: string }[];
  pieces: Record<PieceKey, PieceState>;
  pits: Record<string, PitState>;
  tasks: Record<string, TaskMark>;
  begun: Record<string, BegunMark>;
  channels: ChannelUse[];
  revisions: Revision[];
  alarms: Record<string, AlarmMark>;
  safety: SafetyEntry[];
  /** What was weighed when it was over, kg: fuel by pit, meat by batch. What nobody weighed is left out. */
  weighed: Record<Weighed, Record<string, number>>;
  /** How each pit's fire was made, where somebody wrote it down. */
  fires: Record<string, FireRecipe>;
  notes: { atMs: number; by: string; text: string; piece?: PieceKey; pitId?: string }[];
}

/** Where a piece is in its life, as a number: later steps are larger. */
export const isOn = ({ onAtMs, pulledAtMs }: PieceState): boolean => onAtMs !== undefined && pulledAtMs === undefined;

/** The pit a piece was in at an instant. */
export const pitOf = ({ pits }: PieceState, atMs: number): string | undefined => pits.findLast((each) => each.fromMs <= atMs)?.pitId;

/** What a pit was last set to by an instant. */
export const setPointAt = ({ setPoints }: PitState, atMs: number): number | undefined =>
  setPoints.findLast((each) => each.atMs <= atMs)?.pitC;

/** The day with one piece, or one pit, changed. */
export const withPiece = (state: DayState, key: PieceKey, change: (piece: PieceState) => PieceState): DayState => ({
  ...state,
  pieces: { ...state.pieces, [key]: change(state.pieces[key]!) },
});
export const withPit = (state: DayState, pitId: string, change: (pit: PitState) => PitState): DayState => ({
  ...state,
  pits: { ...state.pits, [pitId]: change(state.pits[pitId]!) },
});
