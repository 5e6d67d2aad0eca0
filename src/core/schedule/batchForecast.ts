import {
  cookSetup,
  holdTogether,
  minutesAbove,
  minutesToMush,
  runCook,
  runSamples,
  programmeOf,
  temperedC,
  timeFactor,
  type Cook,
  type CookSetup,
  type ParameterSet,
} from '../forecast';
import type { HoldingBox, Piece, Pit } from '../model';
import { gradeOf } from '../quantities';
import type { BatchOrder } from './order';

/** What the plan needs to know of a batch cooked in one pit at one heat. Minutes count from going on. */
export interface BatchForecast {
  /** The cook of the piece that is done first, and of the one done last. */
  first: Cook;
  last: Cook;
  /** Median minutes of each piece by its shape (`shapeKey`), and the factors to the early and late finish. */
  doneMin: Record<string, number>;
  early: number;
  late: number;
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
  /** Log-sd of the time to done, from a coarse ensemble. */
  timeLogSd: number;
  wrapMin?: number;
  wrapLateMin?: number;
  unwrapMin?: number;
  /** Latest minutes until the slowest core leaves the danger zone, tempering counted. */
  dangerLateMin: number;
  /** Minutes after pulling the coolest (lightest) piece stays at or above the hot-holding floor, under a tent and in a box. */
  tentAboveMin: number;
  boxAboveMin: number;
  /** Minutes after pulling until warm holding would turn it to mush. */
  mushMin: number;
  tentC: Float64Array;
  boxC: Float64Array;
}

export interface ForecastContext {
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  hotHoldC: number;
  box?: HoldingBox;
}

const ROOM_C = 20;
const START_C = 4;
/** How long a hold is looked ahead. */
const LOOK_AHEAD_MIN = 14 * 60;
const DANGER_ZONE_TOP_C = 57;

/** Keeps forecasts by everything they depend on, so that a search asks for each only once. */
export type ForecastCache = Map<string, BatchForecast>;

/** What makes one piece of a batch cook like another. */
export const shapeKey = (piece: Piece): string => `${piece.kg.toFixed(2)}/${piece.thicknessMm ?? ''}/${piece.grade ?? ''}`;

/** Beyond this many different pieces, the ones between are not worth a cook each. */
const MOST_SHAPES = 24;

/** One piece of every shape, by weight; of very many, evenly picked ones with both ends. */
function shapesOf(pieces: readonly Piece[]): Piece[] {
  const all = [...new Map(pieces.map((piece) => [shapeKey(piece), piece])).values()].sort((a, b) => a.kg - b.kg);
  if (all.length <= MOST_SHAPES) return all;
  return Array.from({ length: MOST_SHAPES }, (_, i) => all[Math.round((i * (all.length - 1)) / (MOST_SHAPES - 1))]!);
}

export function forecastBatch(
  cache: ForecastCache,
  context: ForecastContext,
  { batch, cut, method, temperMin }: BatchOrder,
  pit: Pit,
  pitC: number,
  finish?: Pit,
): BatchForecast {
  const shapes = shapesOf(batch.pieces);
  const grade = gradeOf(cut, batch, undefined);
  const key = JSON.stringify([
    cut,
    method,
    shapes.map(shapeKey),
    grade,
    temperMin,
    batch.pieces.length,
    pit.kind,
    pit.openingDropC,
    pit.recoverMin,
    pitC,
    finish?.kind,
    context.altitudeM,
    context.confidence,
    context.hotHoldC,
    context.box?.lossWPerK,
  ]);
  const kept = cache.get(key);
  if (kept) return kept;

  const cooks = shapes.map((piece) => {
    const onPit = { massKg: piece.kg, thicknessMm: piece.thicknessMm, grade: piece.grade ?? grade, startC: START_C };
    const setup = cookSetup(
      cut,
      { ...onPit, startC: temperedC(cut, onPit, temperMin, ROOM_C, context.parameters) },
      method,
      context.parameters,
      {
        pit: programmeOf(method, pitC, pit.openingDropC, pit.recoverMin),
        pitKind: pit.kind,
        finishKind: finish?.kind,
        altitudeM: context.altitudeM,
        roomC: ROOM_C,
        smoke: { output: pit.smoke ? 1 : 0, darkShare: 0 },
      },
    );
    return { piece, setup, cook: runCook(setup, context.parameters) };
  });
  const byDone = [...cooks].sort((a, b) => a.cook.doneAtMin - b.cook.doneAtMin);
  const { cook: first } = byDone[0]!;
  const { cook: last, setup } = byDone.at(-1)!;
  // The lightest piece cools soonest.
  const { cook: lightest } = cooks[0]!;
  const sd = spreadOf(setup, context.parameters);
  const late = timeFactor(sd, context.confidence);
  const waiting = [
    { body: lightest.body, pieces: batch.pieces.length, convertedShare: lightest.convertedShare, softeningH: setup.softeningH },
  ];
  const cooling = {
    ventMin: method.ventMin,
    restMin: method.restMin,
    restBare: cut.done.by === 'core',
    roomC: ROOM_C,
    longestMin: LOOK_AHEAD_MIN,
  };
  const tent = holdTogether(waiting, context.parameters, { ...cooling, place: { kind: 'tent' } })[0]!;
  const boxed = context.box
    ? holdTogether(waiting, context.parameters, { ...cooling, place: { kind: 'box', lossWPerK: context.box.lossWPerK } })[0]!
    : tent;
  const tentC = tent.coreC;
  const boxC = boxed.coreC;
  const early = timeFactor(sd, 1 - context.confidence);
  const dangerAt = last.trace.coreC.findIndex((tempC) => tempC >= DANGER_ZONE_TOP_C);
  const forecast: BatchForecast = {
    first,
    last,
    doneMin: Object.fromEntries(cooks.map(({ piece, cook }) => [shapeKey(piece), cook.doneAtMin])),
    early,
    late,
    pullEarlyMin: first.doneAtMin * early,
    pullMedianMin: last.doneAtMin,
    pullLateMin: last.doneAtMin * late,
    timeLogSd: sd,
    wrapMin: last.wrapAtMin,
    wrapLateMin: last.wrapAtMin === undefined ? undefined : method.wrapWhen.coreC === undefined ? last.wrapAtMin : last.wrapAtMin * late,
    unwrapMin: last.wrapAtMin !== undefined ? method.unwrapAfterMin : undefined,
    dangerLateMin: temperMin + (dangerAt < 0 ? last.doneAtMin * late : dangerAt * last.trace.stepMin * late),
    tentAboveMin: minutesAbove(tentC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    boxAboveMin: minutesAbove(boxC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    mushMin: (cut.done.by === 'tender' ? minutesToMush(boxed) : undefined) ?? LOOK_AHEAD_MIN,
    tentC,
    boxC,
  };
  cache.set(key, forecast);
  return forecast;
}

/** Enough samples for a standard deviation within a tenth; coarse steps keep the search quick. */
const SPREAD_SAMPLES = 48;

function spreadOf(setup: CookSetup, parameters: ParameterSet): number {
  const logs = runSamples(setup, parameters, { seed: 1, pitSeed: 1, samples: SPREAD_SAMPLES, stepMin: 3, cells: 10 }, 0, SPREAD_SAMPLES)
    .filter((sample) => Number.isFinite(sample.doneAtMin))
    .map((sample) => Math.log(sample.doneAtMin));
  if (logs.length < SPREAD_SAMPLES / 2) return parameters.timeLogSd;
  const mean = logs.reduce((sum, log) => sum + log, 0) / logs.length;
  const sd = Math.sqrt(logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / (logs.length - 1));
  // Meat that is opened again in a low pit lets the model stray further than cooks in life do.
  return Math.min(sd, parameters.timeLogSd);
}
