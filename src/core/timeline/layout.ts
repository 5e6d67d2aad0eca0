import { addMinutes, MS_PER_MIN } from '../units';
import type { CrewRow, TimelineInput, TimelineLayout } from './drawing';
import { holdRow } from './holdRows';
import { GAP_PX } from './lanes';
import { personRows, roadRow } from './peopleRows';
import { pitRow } from './pitRows';
import { xAt, type Scale } from './scale';

/** The pit whose row lies at a height. */
export const pitAtY = (layout: Pick<TimelineLayout, 'pits'>, y: number): string | undefined =>
  layout.pits.find((row) => y >= row.y && y < row.y + row.height)?.pitId;

const TOP_PX = 50;
const RIGHT_MARGIN_PX = 34;
const HANDS_PX = 30;
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
  const road = roadRow(input, scale, y + GAP_PX);
  if (road) y = road.y + road.height;
  const people = personRows(input, scale, y + GAP_PX);
  const hands = people.length > 0 ? undefined : crewRow(input, scale, y + GAP_PX);
  const last = hands ?? people.at(-1)!;
  return {
    scale,
    heightPx: last.y + last.height + GAP_PX,
    ticks: ticksOf(scale, input.hourMs),
    servings: input.servings
      .map((serving) => ({ id: serving.id, x: xAt(scale, serving.atMs), atMs: serving.atMs }))
      .sort((a, b) => a.x - b.x),
    pits,
    holds,
    ...(road && { road }),
    people,
    ...(hands && { hands }),
  };
}

function scaleOf({ plan, servings, widthPx, leftPx }: TimelineInput): Scale {
  const last = Math.max(...servings.map((serving) => serving.atMs), ...plan.trips.map((trip) => trip.arriveMs));
  const first = Math.min(
    ...plan.firings.map((firing) => firing.lightAtMs),
    ...plan.trips.map((trip) => trip.leaveMs),
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

const BIN_MIN = 15;

function crewRow(input: TimelineInput, scale: Scale, y: number): CrewRow {
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
