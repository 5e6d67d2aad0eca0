import { burnKgPerH } from '../fire';
import {
  ONE_OPENING_MIN,
  type DayWeather,
  type Firing,
  type Objective,
  type Pit,
  type Run,
  type ServingOdds,
  type Shift,
  type Trip,
} from '../model';
import { MS_PER_MIN } from '../units';
import { expectedMissMin } from './holdQuality';
import type { BatchOrder } from './order';

/** A degree off the method's heat counts as so many minutes of a piece's hold outside its band. */
const MINUTES_PER_DEGREE_C = 6;
/** Nobody tastes less than this; what is equal to within it is decided by sleep, then by cost. */
const QUALITY_STEP_H = 0.5;
/** A batch in one run more than need be is one more thing to keep in mind. */
export const PER_SPLIT_H = 0.5;
const RISK_STEP_MIN = 0.1;
/** A point of odds below what is wished counts as much as so many minutes late. */
const MINUTES_PER_POINT = 1;
/** Tasks this near to one another cost one waking. */
const ONE_WAKING_MIN = 30;
const PER_OPENING = 0.1;
const PER_KG_OF_FUEL = 0.1;
const PER_HOUR_ON_THE_ROAD = 0.3;

const stepped = (value: number, step: number) => Math.round(Math.round(value / step) * step * 1000) / 1000;
/** A bound may never be rounded up past what a plan could reach. */
const steppedDown = (value: number, step: number) => Math.round(Math.floor(value / step + 1e-9) * step * 1000) / 1000;

/** Is a better than b? Level by level; what is equal on one is decided by the next. */
export function isBetter(a: Objective, b: Objective): boolean {
  for (let i = 0; i < a.length; i++) if (Math.abs(a[i]! - b[i]!) > 1e-9) return a[i]! < b[i]!;
  return false;
}

/** What a run's departures depend on. */
export type HeldRun = Pick<Run, 'carveAtMs' | 'pullEarlyMs' | 'pullMedianMs' | 'pullLateMs' | 'pitC' | 'pieceIds'>;

/** Piece-hours of a run outside the ideal hold or away from the method's heat. */
export function departuresH(order: BatchOrder, run: HeldRun, ceilingMin?: number): number {
  const minutes = expectedMissMin(order, run, ceilingMin) + MINUTES_PER_DEGREE_C * Math.abs(run.pitC - order.method.pitC);
  return (minutes * run.pieceIds.length) / 60;
}

/** How often somebody is woken in quiet hours by tasks at these moments, in order. */
export function wakingsOf(moments: readonly number[], quiet: readonly Shift[]): number {
  let wakings = 0;
  let awakeMs = -Infinity;
  for (const atMs of moments)
    if (quiet.some((each) => each.fromMs <= atMs && each.toMs > atMs)) {
      if (atMs - awakeMs > ONE_WAKING_MIN * MS_PER_MIN) wakings++;
      awakeMs = atMs;
    }
  return wakings;
}

/** Hours that people spend on the road, added up, and as much again for each pit that is towed; a drive that nobody is named for counts one. */
const hoursOnTheRoad = (trips: readonly Trip[]): number =>
  trips.reduce(
    (sum, { leaveMs, arriveMs, who, pitIds }) =>
      sum + ((arriveMs - leaveMs) / (60 * MS_PER_MIN)) * (Math.max(1, who.length) + 2 * pitIds.length),
    0,
  );

/** Wakings in quiet hours, openings of pits. */
function peopleOf(
  runs: readonly Run[],
  firings: readonly Firing[],
  trips: readonly Trip[],
  quiet: readonly Shift[],
): { wakings: number; openings: number } {
  const tasks = [
    ...runs.flatMap((run) => run.work.map(({ atMs, pitId }) => ({ atMs, pitId }))),
    ...firings.map((firing) => ({ atMs: firing.lightAtMs, pitId: undefined })),
    ...trips.map((trip) => ({ atMs: trip.leaveMs, pitId: undefined })),
  ].sort((a, b) => a.atMs - b.atMs);
  const wakings = wakingsOf(
    tasks.map((task) => task.atMs),
    quiet,
  );
  let openings = 0;
  const opened = new Map<string, number>();
  for (const { atMs, pitId } of tasks) {
    if (pitId === undefined) continue;
    const last = opened.get(pitId);
    if (last !== undefined && atMs - last <= ONE_OPENING_MIN * MS_PER_MIN) continue;
    openings++;
    opened.set(pitId, atMs);
  }
  return { wakings, openings };
}

/** An hour of fire, and its fuel. */
export const hourlyCost = (pit: Pit, pitC: number, weather?: DayWeather): number => 1 + PER_KG_OF_FUEL * burnKgPerH(pit, pitC, weather);

export interface Judged {
  runs: readonly Run[];
  firings: readonly Firing[];
  trips: readonly Trip[];
  broken: number;
  odds: readonly ServingOdds[];
  /** As `qualityOf` has it. */
  qualityH: number;
}

export interface JudgedBy {
  orders: ReadonlyMap<string, BatchOrder>;
  pits: readonly Pit[];
  confidence: number;
  quiet: readonly Shift[];
  weather?: DayWeather;
}

/**
 * Minutes that servings below the wished confidence are late on average, and a minute for each point of odds they are below it: the
 * minutes alone are paid for by few very late days, and tell little of how near a serving is to being sure.
 */
export const riskOf = (odds: readonly ServingOdds[], confidence: number): number =>
  stepped(
    odds
      .filter((each) => each.onTimeShare < confidence)
      .reduce(
        (sum, each) => sum + Math.max(RISK_STEP_MIN, each.expectedLateMin) + MINUTES_PER_POINT * 100 * (confidence - each.onTimeShare),
        0,
      ),
    RISK_STEP_MIN,
  );

/** Piece-hours by which runs depart from their bands and heats, and what splits cost, in steps that somebody tastes. */
export const qualityOf = <R extends Pick<Run, 'batchId'>>(runs: readonly R[], hoursOf: (run: R) => number): number =>
  steppedQualityH(
    runs,
    runs.reduce((sum, run) => sum + hoursOf(run), 0),
  );

/** The same, where it is known by how much they depart in all. */
export function steppedQualityH(runs: readonly Pick<Run, 'batchId'>[], departuresInAllH: number): number {
  const splits = runs.length - new Set(runs.map((run) => run.batchId)).size;
  return stepped(departuresInAllH + splits * PER_SPLIT_H, QUALITY_STEP_H);
}

/**
 * The five figures of a plan, less is better, compared in this order: what is broken; minutes that
 * servings below the wished confidence are late on average, and points of odds they lack; piece-hours of hold outside its band and
 * of heat off the method; wakings in quiet hours, openings (a tenth each) and hours on the road; pit-hours and fuel.
 */
export function objectiveOf(
  { runs, firings, trips, broken, odds, qualityH }: Judged,
  { pits, confidence, quiet, weather }: JudgedBy,
): Objective {
  const { wakings, openings } = peopleOf(runs, firings, trips, quiet);
  const cost = firings.reduce((sum, firing) => {
    const hours = (firing.offAtMs - firing.lightAtMs) / (60 * MS_PER_MIN);
    const pit = pits.find((each) => each.id === firing.pitId)!;
    return sum + hours * hourlyCost(pit, firing.setPoints[0]!.pitC, weather);
  }, 0);
  return [
    broken,
    riskOf(odds, confidence),
    qualityH,
    stepped(wakings + PER_OPENING * openings + PER_HOUR_ON_THE_ROAD * hoursOnTheRoad(trips), 0.1),
    stepped(cost, 0.1),
  ];
}

/** What no plan can be below: its least departure, and what its fires cost at least. */
export function boundOf(qualityH: number, fireCost: number): Objective {
  return [0, 0, Math.max(0, steppedDown(qualityH - QUALITY_STEP_H / 2, QUALITY_STEP_H)), 0.1, steppedDown(fireCost, 0.1)];
}
export const leastDepartureMin = (awayC: number): number => MINUTES_PER_DEGREE_C * awayC;
