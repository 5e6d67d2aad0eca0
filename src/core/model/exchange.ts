import type { PitKind, RackSide } from './equipment';
import type { SafetyClass } from './cut';
import type { Wrap, WrapWhen } from './method';

/**
 * What of an event the numbered rules of docs/formats/rules.md are about, with every reference by id: the checker
 * reads it, and files are made of it. Instants are ms since 1970 UTC.
 */
export interface ExchangeEvent {
  /** By which version of the rules it is judged. */
  version: 1 | 2;
  /** Version 2: the first is where meat and crew begin unless said otherwise. */
  places?: { id: string; name: string }[];
  roads?: { from: string; to: string; min: number }[];
  name: string;
  timeZone: string;
  altitudeM: number;
  workFromMs: number;
  confidence: number;
  weather: { airC: number; windMPerS: number; rain?: boolean };
  quietHours?: { from: string; to: string };
  rules: { airGapMm: number; hotHoldC: number; minPitC: number; dangerZoneMaxMin: number };
  servings: ExchangeServing[];
  batches: ExchangeBatch[];
  pits: ExchangePit[];
  holding: ExchangeGear[];
  crew: { id: string; fromMs: number; toMs: number; place?: string; drives?: boolean }[];
  cuts?: ExchangeCut[];
}

export interface ExchangeServing {
  id: string;
  name: string;
  atMs: number;
  serveForMin: number;
  guests: { adults: number; children: number };
  carveLeadMin: number;
  /** Version 1 only. */
  travelMin?: number;
  place?: string;
  setUpMin?: number;
  handsThere?: number;
}

export interface ExchangePiece {
  id: string;
  kg: number;
  lengthMm?: number;
  widthMm?: number;
  thicknessMm?: number;
  startC: number;
}

export interface ExchangeMethod {
  pitC: number;
  pitRangeC: [number, number];
  steps?: { fromMin: number; pitC: number }[];
  wrap: Wrap;
  wrapWhen?: WrapWhen;
  finishOffSmoke?: boolean;
  finishRangeC?: [number, number];
  ventMin: number;
  restMin: number;
  holdIdealMin: [number, number];
  holdMaxMin: number;
  /** No smoke is wanted at all: it may cook in an oven from the start. */
  smokeless?: boolean;
  unwrapAfterMin?: number;
}

export interface ExchangeBatch {
  id: string;
  serving: string;
  cut: string;
  method: ExchangeMethod;
  pieces: ExchangePiece[];
  label?: string;
  nonIntact?: boolean;
}

interface OpenRackBase {
  id: string;
  clearanceMm: number;
  maxKg: number;
  level: number;
  zones?: { fromMm: number; toMm: number; offsetC: number }[];
  blocked?: { xMm: number; yMm: number; widthMm: number; depthMm: number }[];
}
export type ExchangeRack = OpenRackBase & ({ shape: 'rect'; widthMm: number; depthMm: number } | { shape: 'round'; diameterMm: number });

export interface ExchangePit {
  id: string;
  name: string;
  kind: PitKind;
  smoke: boolean;
  travels: boolean;
  place?: string;
  /** As usual for its kind when left out. */
  untendedMaxMin?: number;
  rangeC: [number, number];
  warmUpMin: number;
  openingDropC: number;
  recoverMin: number;
  racks: ExchangeRack[];
}

export type ExchangeGear = { id: string; place?: string; travels?: boolean } & (
  { kind: 'insulated-box'; litres: number; lossWPerK: number } | { kind: 'warmer' | 'steam-table'; slots: number; setC: number }
);

export interface ExchangeCut {
  id: string;
  name: string;
  species: 'beef' | 'pork' | 'lamb' | 'chicken' | 'turkey' | 'dish';
  safetyClass?: SafetyClass;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  fillShare: number;
  thinEnd?: { thicknessShare: number; weightShare: number };
  done: 'tender' | { coreC: number };
  carveMin: number;
  holdMaxMin?: number;
}

/** A plan as it is handed on: what the checker reads and docs/formats/plan.schema.json has as text. */
export interface ExchangePlan {
  version: 1 | 2;
  status: 'feasible' | 'infeasible';
  proof?: boolean;
  event: string;
  seed: number;
  iterations: number;
  confidence: number;
  pits: ExchangeFire[];
  runs: ExchangeRun[];
  tasks: ExchangeTask[];
  /** Version 2. */
  trips?: ExchangeTrip[];
  servings: { id: string; onTime: number; expectedLateMin: number }[];
  objective: { value: number[]; lower: number[] };
  problems: ({ code: string; severity: 'broken' | 'warning' } & Record<string, unknown>)[];
  conflict?: string[];
  remedies?: ({ code: string; solves: boolean; value: number[] } & Record<string, unknown>)[];
}

export interface ExchangeFire {
  id: string;
  lightAtMs: number;
  readyAtMs: number;
  setPoints: { atMs: number; c: number }[];
  offAtMs: number;
}

export interface ExchangePlace {
  piece: string;
  pit: string;
  rack: string;
  xMm: number;
  yMm: number;
  widthMm: number;
  depthMm: number;
  thickEnd: RackSide;
  fromMs: number;
  toMs: number;
}

export interface ExchangeRun {
  batch: string;
  pieces: string[];
  onAtMs: number;
  wrapAtMs?: number;
  pullEarlyMs: number;
  pullMedianMs: number;
  pullLateMs: number;
  places: ExchangePlace[];
  holds: { gear: string; fromMs: number; toMs: number }[];
  carveAtMs: number;
  why: ({ code: string } & Record<string, unknown>)[];
}

export interface ExchangeTrip {
  atMs: number;
  minutes: number;
  from: string;
  to: string;
  who: string[];
  pieces: string[];
  gear: string[];
  pits: string[];
}

export interface ExchangeTask {
  atMs: number;
  minutes: number;
  kind: ExchangeTaskKind;
  /** Of `prepare`: what is prepared. */
  what?: string;
  /** Version 2. */
  place?: string;
  pit?: string;
  pieces?: string[];
  who: string[];
}

/** `drive` in version 1 only; `setUp`, `tend`, `prepare` and `unload` in version 2. */
export type ExchangeTaskKind =
  'light' | 'load' | 'wrap' | 'move' | 'check' | 'pull' | 'drive' | 'carve' | 'setUp' | 'tend' | 'prepare' | 'unload';
