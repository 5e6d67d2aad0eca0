import type { Pit, Plan, Run, Serving } from '../model';
import { floorMm2, floorOf } from '../packing';
import { addMinutes, MS_PER_MIN } from '../units';

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
  /** A whole hour on the place's clock; ticks count on from it in true hours. */
  hourMs: number;
}

export interface Scale {
  fromMs: number;
  toMs: number;
  leftPx: number;
  rightPx: number;
}

export const xAt = (scale: Scale, atMs: number): number =>
  scale.leftPx + ((atMs - scale.fromMs) / (scale.toMs - scale.fromMs)) * (scale.rightPx - scale.leftPx);

/** The moment under a place of the drawing. */
export const timeAt = (scale: Scale, x: number): number =>
  scale.fromMs + ((x - scale.leftPx) / (scale.rightPx - scale.leftPx)) * (scale.toMs - scale.fromMs);

/** Minutes a drag of so many pixels comes to, in steps. */
export const draggedMin = (scale: Scale, dx: number, stepMin: number): number =>
  Math.round((dx * (scale.toMs - scale.fromMs)) / (scale.rightPx - scale.leftPx) / MS_PER_MIN / stepMin) * stepMin;

/** The pit whose row lies at a height. */
export const pitAtY = (layout: Pick<TimelineLayout, 'pits'>, y: number): string | undefined =>
  layout.pits.find((row) => y >= row.y && y < row.y + row.height)?.pitId;

export type Phase = 'bare' | 'wrapped' | 'vent' | 'rest' | 'holdSure' | 'holdMaybe';

export interface Segment {
  phase: Phase;
  x0: number;
  x1: number;
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
  /** The finish fades from the early to the late quantile. */
  fade?: { x0: number; x1: number };
  ticks: number[];
}

export interface RackRow {
  rackId: string;
  name: string;
  y: number;
  height: number;
  fullShare: number;
  fullAtMs?: number;
  fill: { x0: number; x1: number; share: number }[];
  bars: Bar[];
}

export interface PitRow {
  pitId: string;
  y: number;
  height: number;
  lineY: number;
  setPoints: { x0: number; x1: number; pitC: number }[];
  lighting: { x0: number; x1: number }[];
  racks: RackRow[];
  idleRacks: number;
}

export interface HoldRow {
  gearId: string;
  y: number;
  height: number;
  bars: Bar[];
}

export interface HandsRow {
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
  hands: HandsRow;
}

const TOP_PX = 46;
const LANE_PX = 23;
const BAR_PX = 18;
const LINE_PX = 29;
const GAP_PX = 7;
const RIGHT_MARGIN_PX = 34;
const HANDS_PX = 36;
/** Two clock labels closer than this would touch. */
const LABEL_PX = 58;
const TICK_STEPS_H = [1, 2, 3, 4, 6, 12, 24];

/** Lays out the whole plan for a drawing of `widthPx`. */
export function layoutTimeline(input: TimelineInput): TimelineLayout {
  const scale = scaleOf(input);
  let y = TOP_PX;
  const pits = input.pits.map((pit) => {
    const row = pitRow(input, scale, pit, y);
    y += row.height;
    return row;
  });
  const gear = ['board', ...input.gear.map((each) => each.id)];
  const holds = gear.flatMap((gearId) => {
    const row = holdRow(input, scale, gearId, y + GAP_PX);
    if (row.bars.length === 0) return [];
    y += row.height + GAP_PX;
    return [row];
  });
  const hands = handsRow(input, scale, y + GAP_PX);
  return {
    scale,
    heightPx: hands.y + hands.height + GAP_PX,
    ticks: ticksOf(scale, input.hourMs),
    servings: input.servings
      .map((serving) => ({ id: serving.id, x: xAt(scale, serving.atMs), atMs: serving.atMs }))
      .sort((a, b) => a.x - b.x),
    pits,
    holds,
    hands,
  };
}

function scaleOf({ plan, servings, widthPx, leftPx }: TimelineInput): Scale {
  const last = Math.max(...servings.map((serving) => serving.atMs));
  const first = Math.min(
    ...plan.firings.map((firing) => firing.lightAtMs),
    ...servings.map((serving) => addMinutes(serving.atMs, -4 * 60)),
  );
  return { fromMs: addMinutes(first, -20), toMs: last, leftPx, rightPx: widthPx - RIGHT_MARGIN_PX };
}

function ticksOf(scale: Scale, hourMs: number): TimelineLayout['ticks'] {
  const hours = (scale.toMs - scale.fromMs) / (60 * MS_PER_MIN);
  const room = (scale.rightPx - scale.leftPx) / LABEL_PX;
  const stepH = TICK_STEPS_H.find((step) => hours / step <= room) ?? 24;
  const stepMs = stepH * 60 * MS_PER_MIN;
  const first = hourMs + Math.ceil((scale.fromMs - hourMs) / stepMs) * stepMs;
  const ticks = [];
  for (let atMs = first; atMs <= scale.toMs; atMs += stepMs) ticks.push({ x: xAt(scale, atMs), atMs });
  return ticks;
}

/** Puts spans into as few lanes as possible, in order of their start. */
function lanesOf(spans: { x0: number; x1: number }[]): number[] {
  const ends: number[] = [];
  return spans.map((span) => {
    const free = ends.findIndex((end) => end <= span.x0 + 0.5);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = span.x1;
    return lane;
  });
}

function pitRow(input: TimelineInput, scale: Scale, pit: Pit, y: number): PitRow {
  const firings = input.plan.firings.filter((firing) => firing.pitId === pit.id);
  let rackY = y + LINE_PX;
  const racks = [...pit.racks]
    .sort((a, b) => b.level - a.level)
    .flatMap((rack) => {
      const row = rackRow(input, scale, pit, rack.id, rackY);
      if (row.bars.length === 0) return [];
      rackY += row.height;
      return [row];
    });
  const height = Math.max(rackY - y, LINE_PX + LANE_PX) + GAP_PX;
  return {
    pitId: pit.id,
    y,
    height,
    lineY: y + LINE_PX - 12,
    setPoints: firings.flatMap((firing) =>
      firing.setPoints.map((point, i) => ({
        x0: xAt(scale, point.atMs),
        x1: xAt(scale, firing.setPoints[i + 1]?.atMs ?? firing.offAtMs),
        pitC: point.pitC,
      })),
    ),
    lighting: firings.map((firing) => ({ x0: xAt(scale, firing.lightAtMs), x1: xAt(scale, firing.readyAtMs) })),
    racks,
    idleRacks: pit.racks.length - racks.length,
  };
}

function rackRow(input: TimelineInput, scale: Scale, pit: Pit, rackId: string, y: number): RackRow {
  const rack = pit.racks.find((each) => each.id === rackId)!;
  const legs = input.plan.runs
    .flatMap((run) => run.legs.filter((leg) => leg.rackId === rackId && leg.pitId === pit.id).map((leg) => ({ run, leg })))
    .sort((a, b) => a.leg.fromMs - b.leg.fromMs);
  const spans = legs.map(({ leg }) => ({ x0: xAt(scale, leg.fromMs), x1: xAt(scale, leg.toMs) }));
  const lanes = lanesOf(spans.map(named));
  const height = (Math.max(0, ...lanes) + 1) * LANE_PX + GAP_PX;
  const bars = legs.map(({ run, leg }, i) => legBar(scale, run, leg, y + lanes[i]! * LANE_PX));
  const edges = [...new Set(legs.flatMap(({ leg }) => [leg.fromMs, leg.toMs]))].sort((a, b) => a - b);
  const areaMm2 = floorMm2(floorOf(rack), rack.blocked);
  const fill = [];
  let fullShare = 0;
  let fullAtMs: number | undefined;
  for (let i = 0; i + 1 < edges.length; i++) {
    const atMs = edges[i]!;
    const share = legs.reduce((sum, { leg }) => (leg.fromMs <= atMs && leg.toMs > atMs ? sum + leg.areaMm2 : sum), 0) / areaMm2;
    if (share > 0) fill.push({ x0: xAt(scale, atMs), x1: xAt(scale, edges[i + 1]!), share });
    if (share > fullShare) {
      fullShare = share;
      fullAtMs = atMs;
    }
  }
  return { rackId, name: rack.name, y, height, fullShare, fullAtMs, fill, bars };
}

function legBar(scale: Scale, run: Run, leg: Run['legs'][number], y: number): Bar {
  const clip = (fromMs: number, toMs: number, phase: Phase): Segment[] => {
    const from = Math.max(fromMs, leg.fromMs);
    const to = Math.min(toMs, leg.toMs);
    return to > from ? [{ phase, x0: xAt(scale, from), x1: xAt(scale, to) }] : [];
  };
  const segments = [
    ...clip(run.onAtMs, run.wrapAtMs ?? run.pullLateMs, 'bare'),
    ...(run.wrapAtMs !== undefined ? clip(run.wrapAtMs, run.unwrapAtMs ?? run.pullLateMs, 'wrapped') : []),
    ...(run.unwrapAtMs !== undefined ? clip(run.unwrapAtMs, run.pullLateMs, 'bare') : []),
  ];
  const ends = leg.toMs >= run.pullLateMs;
  const inLeg = (atMs: number | undefined): atMs is number => atMs !== undefined && atMs >= leg.fromMs && atMs < leg.toMs;
  return {
    runId: run.id,
    batchId: run.batchId,
    count: leg.pieceIds.length,
    y,
    height: BAR_PX,
    x0: xAt(scale, leg.fromMs),
    x1: xAt(scale, leg.toMs),
    segments,
    fade: ends ? { x0: xAt(scale, Math.max(run.pullEarlyMs, leg.fromMs)), x1: xAt(scale, run.pullLateMs) } : undefined,
    ticks: [run.wrapAtMs, run.unwrapAtMs, run.pullEarlyMs].filter(inLeg).map((atMs) => xAt(scale, atMs)),
  };
}

/** Names of short bars stand left of them; bars of one lane leave room for that. */
const NAME_PX = 118;
const named = ({ x0, x1 }: { x0: number; x1: number }) => ({ x0: x1 - x0 > NAME_PX ? x0 : x0 - NAME_PX, x1 });

function holdRow(input: TimelineInput, scale: Scale, gearId: string, y: number): HoldRow {
  const segmentsOf = gearId === 'board' ? boardSegments : boxSegments;
  const spans = input.plan.runs
    .filter((run) => gearId === 'board' || run.hold.gearId === gearId)
    .map((run) => {
      const segments = segmentsOf(scale, run);
      const x1 = segments.at(-1)?.x1 ?? xAt(scale, run.carveAtMs);
      return { run, segments, x0: segments[0]?.x0 ?? x1, x1 };
    })
    .sort((a, b) => a.x0 - b.x0);
  const lanes = lanesOf(spans.map(named));
  const bars: Bar[] = spans.map(({ run, segments, x0, x1 }, i) => ({
    runId: run.id,
    batchId: run.batchId,
    count: run.pieceIds.length,
    y: y + lanes[i]! * LANE_PX,
    height: BAR_PX,
    x0,
    x1,
    segments,
    ticks: [],
  }));
  return { gearId, y, height: (Math.max(0, ...lanes) + 1) * LANE_PX, bars };
}

const segment = (scale: Scale, fromMs: number, toMs: number, phase: Phase): Segment[] =>
  toMs > fromMs ? [{ phase, x0: xAt(scale, fromMs), x1: xAt(scale, toMs) }] : [];

/** In a box the whole elastic hold is drawn: from the earliest it may be needed to carving. */
function boxSegments(scale: Scale, { hold }: Run): Segment[] {
  const sureMs = Math.min(hold.fromLateMs, hold.toMs);
  return [...segment(scale, hold.fromEarlyMs, sureMs, 'holdMaybe'), ...segment(scale, sureMs, hold.toMs, 'holdSure')];
}

/** On the board: the vent and the rest after the expected pull, and all the wait of what needs no box. */
function boardSegments(scale: Scale, run: Run): Segment[] {
  const ventEndMs = addMinutes(run.pullMedianMs, run.ventMin);
  const restEndMs = run.hold.gearId === 'board' ? run.carveAtMs : addMinutes(ventEndMs, run.restMin);
  return [...segment(scale, run.pullMedianMs, ventEndMs, 'vent'), ...segment(scale, ventEndMs, restEndMs, 'rest')];
}

const BIN_MIN = 15;

function handsRow(input: TimelineInput, scale: Scale, y: number): HandsRow {
  const worked = input.plan.tasks.filter((task) => !['rest', 'vent', 'hold', 'serve'].includes(task.kind) && task.atMs >= scale.fromMs);
  const bins = new Map<number, number>();
  for (const task of worked) {
    const start = Math.floor(task.atMs / (BIN_MIN * MS_PER_MIN));
    bins.set(start, (bins.get(start) ?? 0) + task.minutes);
  }
  const list = [...bins.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([start, minutes]) => ({
      x0: xAt(scale, start * BIN_MIN * MS_PER_MIN),
      x1: xAt(scale, (start + 1) * BIN_MIN * MS_PER_MIN),
      minutes,
    }));
  return { y, height: HANDS_PX, bins: list, mostMinutes: Math.max(1, ...list.map((bin) => bin.minutes)) };
}
