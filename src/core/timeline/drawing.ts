import type { Pit, Plan, Serving, Task } from '../model';
import type { Scale } from './scale';

/** The plan drawn as places over time: pure geometry in pixels, no words but names. */
export interface TimelineInput {
  plan: Plan;
  servings: Serving[];
  pits: Pit[];
  /** Boxes and warmers. */
  gear: readonly { id: string }[];
  widthPx: number;
  /** Where time begins, right of the row names. */
  leftPx: number;
  /** What a bar may be called, the fullest first. */
  namesOf(batchId: string, count: number): readonly string[];
  /** A whole hour on the place's clock; ticks count on from it in true hours. */
  hourMs: number;
}

export type Phase = 'bare' | 'wrapped' | 'vent' | 'rest' | 'holdSure' | 'holdMaybe';

export interface Segment {
  phase: Phase;
  x0: number;
  x1: number;
}

/** A bar's name where it covers nothing else. */
export interface Label {
  text: string;
  x0: number;
  widthPx: number;
  inside: boolean;
}

export interface Bar {
  runId: string;
  batchId: string;
  count: number;
  y: number;
  height: number;
  x0: number;
  x1: number;
  segments: Segment[];
  label?: Label;
  /** The finish fades from the early to the late quantile. */
  fade?: { x0: number; x1: number };
  ticks: number[];
  /** Seared, glazed or crisped over coals that were brought up. */
  hot?: { x0: number; x1: number };
}

/** A lifting of a pit's lid, with all that is done at it. */
export interface Opening {
  x: number;
  atMs: number;
  tasks: Pick<Task, 'id' | 'kind' | 'batchId'>[];
}

/** A rack, or several of a pit that hold the same from when to when. */
export interface RackRow {
  rackIds: string[];
  name: string;
  y: number;
  height: number;
  fullShare: number;
  fullAtMs?: number;
  fill: { x0: number; x1: number; share: number }[];
  bars: Bar[];
  /** What was cubed and is back on, in pans. */
  pans: { name: string; x0: number; x1: number; y: number; height: number; fromMs: number; toMs: number }[];
}

export interface PitRow {
  pitId: string;
  y: number;
  height: number;
  lineY: number;
  setPoints: { x0: number; x1: number; pitC: number }[];
  lighting: { x0: number; x1: number }[];
  /** The coals as they are brought up for hot finishes, beside the pit's own heat. */
  coals: { x0: number; x1: number; pitC: number }[];
  openings: Opening[];
  racks: RackRow[];
  idleRacks: number;
}

export interface HoldRow {
  gearId: string;
  y: number;
  height: number;
  bars: Bar[];
}

/** Somebody of the crew: on duty where, on the road when, at work on what. */
export interface PersonRow {
  memberId: string;
  y: number;
  height: number;
  stays: { x0: number; x1: number; placeId: string }[];
  trips: { x0: number; x1: number; tripId: string }[];
  work: { x0: number; x1: number; task: Task }[];
}

/** All drives, one lane for those that do not cross. */
export interface RoadRow {
  y: number;
  height: number;
  trips: { x0: number; x1: number; y: number; tripId: string }[];
}

/** Work of hands nobody has named. */
export interface CrewRow {
  y: number;
  height: number;
  /** Minutes of work started in each quarter of an hour. */
  bins: { x0: number; x1: number; minutes: number }[];
  mostMinutes: number;
}

export interface TimelineLayout {
  scale: Scale;
  heightPx: number;
  ticks: { x: number; atMs: number }[];
  servings: { id: string; x: number; atMs: number }[];
  pits: PitRow[];
  holds: HoldRow[];
  road?: RoadRow;
  people: PersonRow[];
  /** Only where nobody is named. */
  hands?: CrewRow;
}
