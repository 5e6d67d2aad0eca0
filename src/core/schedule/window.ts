import { carveMinOf, type Cut, type Piece } from '../model';
import { handMinutes, type HandRules } from '../quantities';
import { addMinutes, MS_PER_MIN } from '../units';
import type { CrewTask } from './crewLedger';
import { heatUses, stepShiftC, type HeatUse } from './heatLedger';
import type { Alternative } from './alternatives';
import type { BatchOrder } from './order';

/** When the first and the last piece may be done, minutes from going on. */
export interface Timing {
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
}

/** The moments of a run, in whole minutes. */
export interface Window {
  carveAtMs: number;
  onAtMs: number;
  wrapAtMs?: number;
  /** When it goes to its finish: another pit, or another heat in its own. */
  finishAtMs?: number;
  pullEarlyMs: number;
  pullMedianMs: number;
  pullLateMs: number;
  /** Each piece is wrapped for its rest as it is pulled. */
  wrapsAtPull?: boolean;
}

export const offPitMin = ({ method }: BatchOrder): number => method.ventMin + method.restMin;
export const firstCarveMs = ({ serving }: BatchOrder): number => addMinutes(serving.atMs, -serving.carveLeadMin);

const toMinute = (atMs: number) => Math.floor(atMs / MS_PER_MIN) * MS_PER_MIN;

/** The latest moment a run may be pulled: rested by carving, vented when it leaves, and in time for what of it goes back on. */
export function pullDeadlineMs(order: BatchOrder, leavesAtMs: number | undefined, carveAtMs: number): number {
  const { afterPullMin = 0 } = order;
  const restedMs = addMinutes(carveAtMs, -Math.max(offPitMin(order), afterPullMin));
  return leavesAtMs === undefined ? restedMs : Math.min(restedMs, addMinutes(leavesAtMs, -Math.max(order.method.ventMin, afterPullMin)));
}

/** A run's moments when it goes on so many minutes before the latest start. Undefined when it is done before it could go to its finish. */
export function windowOf(
  order: BatchOrder,
  alternative: Alternative,
  timing: Timing,
  carveAtMs: number,
  shiftMin: number,
): Window | undefined {
  const late = Math.max(1, Math.ceil(timing.pullLateMin - 1e-6));
  return windowFrom(
    order,
    alternative,
    timing,
    carveAtMs,
    toMinute(addMinutes(pullDeadlineMs(order, alternative.leavesAtMs, carveAtMs), -late - shiftMin)),
  );
}

/** Wrapped meat that would be done this soon after going to its finish is not worth the move. */
const WORTH_FINISHING_MIN = 10;

/** A look at what was wrapped a moment ago tells nothing. */
const LOOK_AFTER_WRAP_MIN = 30;

/** When a run is wrapped on paper: as expected; with the first look near, when a cook that is done so early is wrapped. */
function wrapMinute(expected: number, early: number, median: number): number {
  const near = early - expected < LOOK_AFTER_WRAP_MIN;
  return Math.max(1, Math.min(early, Math.round(near ? (expected * early) / Math.max(1, median) : expected)));
}

/** A run's moments when it goes on at a given one. */
export function windowFrom(
  order: BatchOrder,
  alternative: Alternative,
  timing: Timing,
  carveAtMs: number,
  onAtMs: number,
): Window | undefined {
  const { method } = order;
  const { finish } = alternative;
  const forecast = alternative.forecast();
  const late = Math.max(1, Math.ceil(timing.pullLateMin - 1e-6));
  const median = Math.min(late, Math.max(1, Math.round(timing.pullMedianMin)));
  const early = Math.min(median, Math.max(1, Math.floor(timing.pullEarlyMin)));
  const wrap = method.wrap === 'none' ? undefined : wrapMinute(forecast.wrapMin ?? early, early, median);
  const there = finish && forecast.finishMin !== undefined && wrap !== undefined ? Math.max(wrap, forecast.finishMin) : undefined;
  if (finish && (there === undefined || there + WORTH_FINISHING_MIN > early)) return undefined;
  return {
    carveAtMs,
    onAtMs,
    wrapAtMs: wrap === undefined ? undefined : addMinutes(onAtMs, wrap),
    finishAtMs: there === undefined ? undefined : addMinutes(onAtMs, there),
    pullEarlyMs: addMinutes(onAtMs, early),
    pullMedianMs: addMinutes(onAtMs, median),
    pullLateMs: addMinutes(onAtMs, late),
    ...(method.restWrap && { wrapsAtPull: true }),
  };
}

/** A heat a run asks of a pit, and the band that it may lie in there. */
interface Phase extends HeatUse {
  bandC: [low: number, high: number];
}

const within = (bounds: readonly [number, number], low: number, high: number): [number, number] => [
  Math.max(low, bounds[0]),
  Math.min(high, bounds[1]),
];

/** The heats of a whole run, each with the band its method allows: bare until the wrap, then as its finish may be. */
export function phasesOf(order: BatchOrder, { pit, pitC, finish }: Alternative, window: Window, minPitC: number): Phase[] {
  const { method } = order;
  const leavesMs = window.finishAtMs ?? window.pullLateMs;
  const uses = heatUses(method, pit.id, pitC, window.onAtMs, leavesMs);
  if (finish && window.finishAtMs !== undefined)
    uses.push({ pitId: finish.pit.id, pitC: finish.pitC, fromMs: window.finishAtMs, toMs: window.pullLateMs });
  const wrapMs = window.wrapAtMs ?? Infinity;
  return uses.flatMap((use) => {
    const bounds = use.pitId === pit.id ? pit.rangeC : finish!.pit.rangeC;
    const shiftC = stepShiftC(method, (use.fromMs - window.onAtMs) / MS_PER_MIN);
    const [low, high] = method.pitRangeC;
    const bare = within(bounds, Math.max(low + shiftC, minPitC), high + shiftC);
    const wrapped = method.finishRangeC ? within(bounds, ...method.finishRangeC) : within(bounds, low + shiftC, high + shiftC);
    const parts: Phase[] = [];
    if (use.fromMs < wrapMs) parts.push({ ...use, toMs: Math.min(use.toMs, wrapMs), bandC: bare });
    if (use.toMs > wrapMs) parts.push({ ...use, fromMs: Math.max(use.fromMs, wrapMs), bandC: wrapped });
    return parts;
  });
}

export const outOfBand = ({ pitC, bandC }: Phase): boolean => pitC < bandC[0] - 0.05 || pitC > bandC[1] + 0.05;

const minutesOfGrace = (fromMs: number, toMs: number) =>
  Math.max(0, Math.min(SHARES_AN_OPENING_MIN, Math.floor((toMs - fromMs) / MS_PER_MIN)));

/** Hands a run needs, in the order they are claimed: minutes as in docs/formats. */
export function crewTasksOf(
  window: Window,
  kgs: readonly number[],
  moves: boolean,
  hands: HandRules,
  checkFirst = false,
): { kind: 'load' | 'wrap' | 'move' | 'check' | 'pull'; task: CrewTask }[] {
  const { onAtMs, wrapAtMs, finishAtMs, pullEarlyMs, pullMedianMs } = window;
  const minutesFor = (kind: 'load' | 'wrap' | 'move' | 'pull') => handMinutes(kind, kgs, hands);
  const pinnedWrap = finishAtMs !== undefined && finishAtMs === wrapAtMs;
  return [
    { kind: 'load', task: { atMs: onAtMs, minutes: minutesFor('load') } },
    ...(wrapAtMs === undefined
      ? []
      : [
          {
            kind: 'wrap' as const,
            task: { atMs: wrapAtMs, minutes: minutesFor('wrap'), laterMin: pinnedWrap ? 0 : minutesOfGrace(wrapAtMs, pullEarlyMs) },
          },
        ]),
    ...(moves && finishAtMs !== undefined
      ? [{ kind: 'move' as const, task: { atMs: finishAtMs, minutes: minutesFor('move'), laterMin: 0 } }]
      : []),
    { kind: 'check', task: { atMs: checkFirst ? addMinutes(pullEarlyMs, -CHECK_MIN) : pullEarlyMs, minutes: CHECK_MIN } },
    { kind: 'pull', task: { atMs: pullMedianMs, minutes: minutesFor('pull') + (window.wrapsAtPull ? minutesFor('wrap') : 0) } },
  ];
}
/** Whether it may be pulled while it is still being checked; one pair of hands then checks it just before. */
export const pulledAtCheck = ({ pullEarlyMs, pullMedianMs }: Window): boolean => pullMedianMs - pullEarlyMs < CHECK_MIN * MS_PER_MIN;
const CHECK_MIN = 3;
/** Tasks on one pit no further apart than this share an opening, so a wrap may wait that long. */
const SHARES_AN_OPENING_MIN = 10;

/** Pieces carved in one go: one by one, small ones as many as make whole minutes. */
export function carvings(cut: Cut, pieceIds: readonly string[], pieces: readonly Piece[] = []): { pieceIds: string[]; minutes: number }[] {
  const group = cut.carveMin <= 0 ? pieceIds.length : wholeGroup(cut.carveMin);
  const parts: { pieceIds: string[]; minutes: number }[] = [];
  for (let i = 0; i < pieceIds.length; i += group) {
    const part = pieceIds.slice(i, i + group);
    const minutes = part.reduce((sum, id) => sum + carveMinOf(cut, pieces.find((piece) => piece.id === id)?.kg ?? 0), 0);
    parts.push({ pieceIds: part, minutes: Math.max(1, Math.ceil(minutes - 1e-9)) });
  }
  return parts;
}

function wholeGroup(carveMin: number): number {
  for (let count = 1; count <= 10; count++)
    if (Math.abs(count * carveMin - Math.round(count * carveMin)) < 1e-9 && count * carveMin >= 1) return count;
  return 1;
}
