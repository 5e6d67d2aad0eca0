import type { PitKind, RackSide } from './equipment';
import type { SafetyClass } from './cut';
import type { Wrap, WrapWhen } from './method';

/** An event as `docs/formats/event.schema.json` has it. Times are RFC 3339 text. */
export interface OpenEvent {
  format: 'anachron-event';
  version: 1;
  name: string;
  timeZone: string;
  altitudeM: number;
  workFrom: string;
  confidence: number;
  weather: { airC: number; windMPerS: number; rain?: boolean };
  quietHours?: { from: string; to: string };
  rules: { airGapMm: number; hotHoldC: number; minPitC: number; dangerZoneMaxMin: number };
  servings: OpenServing[];
  batches: OpenBatch[];
  pits: OpenPit[];
  holding: OpenGear[];
  crew: { id: string; from: string; to: string }[];
  cuts?: OpenCut[];
}

export interface OpenServing {
  id: string;
  name: string;
  at: string;
  serveForMin: number;
  guests: { adults: number; children: number };
  carveLeadMin: number;
  travelMin?: number;
  setUpMin?: number;
}

export interface OpenPiece {
  id: string;
  kg: number;
  lengthMm?: number;
  widthMm?: number;
  thicknessMm?: number;
  startC: number;
}

export interface OpenMethod {
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
  'x-smokeless'?: boolean;
  'x-unwrapAfterMin'?: number;
}

export interface OpenBatch {
  id: string;
  serving: string;
  cut: string;
  method: OpenMethod;
  pieces: OpenPiece[];
  'x-label'?: string;
  'x-nonIntact'?: boolean;
}

interface OpenRackBase {
  id: string;
  clearanceMm: number;
  maxKg: number;
  level: number;
  zones?: { fromMm: number; toMm: number; offsetC: number }[];
  blocked?: { xMm: number; yMm: number; widthMm: number; depthMm: number }[];
}
export type OpenRack = OpenRackBase & ({ shape: 'rect'; widthMm: number; depthMm: number } | { shape: 'round'; diameterMm: number });

export interface OpenPit {
  id: string;
  name: string;
  kind: PitKind;
  smoke: boolean;
  travels: boolean;
  rangeC: [number, number];
  warmUpMin: number;
  openingDropC: number;
  recoverMin: number;
  racks: OpenRack[];
}

export type OpenGear =
  | { id: string; kind: 'insulated-box'; litres: number; lossWPerK: number }
  | { id: string; kind: 'warmer' | 'steam-table'; slots: number; setC: number };

export interface OpenCut {
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

/** A plan as `docs/formats/plan.schema.json` has it. */
export interface OpenPlan {
  format: 'anachron-plan';
  version: 1;
  status: 'feasible' | 'infeasible';
  proof?: boolean;
  event: string;
  seed: number;
  iterations: number;
  confidence: number;
  pits: OpenFire[];
  runs: OpenRun[];
  tasks: OpenTask[];
  servings: { id: string; onTime: number; expectedLateMin: number }[];
  objective: { value: number[]; lower: number[] };
  problems: ({ code: string; severity: 'broken' | 'warning' } & Record<string, unknown>)[];
  conflict?: string[];
  remedies?: ({ code: string; solves: boolean; value: number[] } & Record<string, unknown>)[];
}

export interface OpenFire {
  id: string;
  lightAt: string;
  readyAt: string;
  setPoints: { at: string; c: number }[];
  offAt: string;
}

export interface OpenPlace {
  piece: string;
  pit: string;
  rack: string;
  xMm: number;
  yMm: number;
  widthMm: number;
  depthMm: number;
  thickEnd: RackSide;
  from: string;
  to: string;
}

export interface OpenRun {
  batch: string;
  pieces: string[];
  onAt: string;
  wrapAt?: string;
  pullEarly: string;
  pullMedian: string;
  pullLate: string;
  places: OpenPlace[];
  holds: { gear: string; from: string; to: string }[];
  carveAt: string;
  why: ({ code: string } & Record<string, unknown>)[];
}

export interface OpenTask {
  at: string;
  minutes: number;
  kind: 'light' | 'load' | 'wrap' | 'move' | 'check' | 'pull' | 'drive' | 'carve';
  pit?: string;
  pieces?: string[];
  who: string[];
}
