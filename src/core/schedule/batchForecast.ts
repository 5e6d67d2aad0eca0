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
import type { HoldingBox, Piece, Pit, Warmer } from '../model';
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
  /** How long the meat takes smoke; undefined where none is wanted. */
  smokeMin?: number;
  /** Latest minutes until the slowest core leaves the danger zone, tempering counted. */
  dangerLateMin: number;
  /** Minutes after pulling the coolest (lightest) piece stays at or above the hot-holding floor, under a tent and in a box. */
  tentAboveMin: number;
  boxAboveMin: number;
  warmerAboveMin: number;
  /** Minutes after pulling until warm holding would turn it to mush. */
  mushMin: number;
  warmerMushMin: number;
  tentC: Float64Array;
  boxC: Float64Array;
  warmerC: Float64Array;
}

export interface ForecastContext {
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  hotHoldC: number;
  box?: HoldingBox;
  warmer?: Warmer;
}

const ROOM_C = 20;
const START_C = 4;
/** How long a hold is looked ahead. */
const LOOK_AHEAD_MIN = 14 * 60;
const DANGER_ZONE_TOP_C = 57;
/** Smoke lands while the meat is cool: the ring stops forming between 60 and 70 C. */
const SMOKE_TO_C = 65;

/** Keeps forecasts by everything they depend on, so that a search (and the next plan) asks for each only once. */
export interface ForecastCache {
  batches: Map<string, BatchForecast>;
  /** Log-sd of the time to done, by cut, method, pit and coarse weight. */
  spreads: Map<string, number>;
  /** Minutes to done of one piece lying off the set point. */
  offsets: Map<string, number>;
}
export const newForecastCache = (): ForecastCache => ({ batches: new Map(), spreads: new Map(), offsets: new Map() });

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

/** A batch in a pit at a heat, perhaps finishing in another. */
interface Cooked {
  order: BatchOrder;
  pit: Pit;
  pitC: number;
  finish?: Pit;
}

/** Cuts and methods are written out once: they are large, and asked for often. */
const written = new WeakMap<object, string>();
function inFull(entry: object): string {
  const kept = written.get(entry) ?? JSON.stringify(entry);
  written.set(entry, kept);
  return kept;
}

const cookKey = ({ order: { cut, method, temperMin }, pit, pitC, finish }: Cooked, { altitudeM }: ForecastContext): unknown[] => [
  inFull(cut),
  inFull(method),
  temperMin,
  pit.kind,
  pit.openingDropC,
  pit.recoverMin,
  pit.airflow,
  pit.humidity,
  pitC,
  finish?.kind,
  altitudeM,
];

function setupOf({ order, pit, pitC, finish }: Cooked, context: ForecastContext, piece: Omit<Piece, 'id'>, zoneOffsetC = 0): CookSetup {
  const { batch, cut, method, temperMin } = order;
  const grade = gradeOf(cut, batch, undefined);
  const onPit = { massKg: piece.kg, thicknessMm: piece.thicknessMm, grade: piece.grade ?? grade, startC: START_C };
  return cookSetup(cut, { ...onPit, startC: temperedC(cut, onPit, temperMin, ROOM_C, context.parameters) }, method, context.parameters, {
    pit: programmeOf(method, pitC, pit.openingDropC, pit.recoverMin),
    pitKind: pit.kind,
    finishKind: finish?.kind,
    climate: { airflow: pit.airflow ?? 1, humidity: pit.humidity ?? 1 },
    altitudeM: context.altitudeM,
    roomC: ROOM_C,
    smoke: { output: pit.smoke ? 1 : 0, darkShare: 0 },
    zoneOffsetC,
  });
}

/** Offsets are told apart to this, C. */
const OFFSET_STEP_C = 1;

/** How much longer (above 1) or shorter a piece takes where it lies than at the set point. */
export function offsetFactor(cache: ForecastCache, context: ForecastContext, cooked: Cooked, piece: Piece, offsetC: number): number {
  const roundedC = Math.round(offsetC / OFFSET_STEP_C) * OFFSET_STEP_C;
  if (roundedC === 0) return 1;
  const shared = [...cookKey(cooked, context), gradeOf(cooked.order.cut, cooked.order.batch, undefined), shapeKey(piece)];
  const minutesAt = (atOffsetC: number) => {
    const key = JSON.stringify([shared, atOffsetC]);
    const kept = cache.offsets.get(key);
    if (kept !== undefined) return kept;
    const minutes = runCook(setupOf(cooked, context, piece, atOffsetC), context.parameters).doneAtMin;
    cache.offsets.set(key, minutes);
    return minutes;
  };
  return minutesAt(roundedC) / minutesAt(0);
}

export function forecastBatch(
  cache: ForecastCache,
  context: ForecastContext,
  order: BatchOrder,
  pit: Pit,
  pitC: number,
  finish?: Pit,
): BatchForecast {
  const { batch, cut, method, temperMin } = order;
  const cooked: Cooked = { order, pit, pitC, finish };
  const shapes = shapesOf(batch.pieces);
  const key = JSON.stringify([
    ...cookKey(cooked, context),
    shapes.map(shapeKey),
    gradeOf(cut, batch, undefined),
    batch.pieces.length,
    context.confidence,
    context.hotHoldC,
    context.box?.lossWPerK,
    context.warmer?.setC,
  ]);
  const kept = cache.batches.get(key);
  if (kept) return kept;

  const cooks = shapes.map((piece) => {
    const setup = setupOf(cooked, context, piece);
    return { piece, setup, cook: runCook(setup, context.parameters) };
  });
  const byDone = [...cooks].sort((a, b) => a.cook.doneAtMin - b.cook.doneAtMin);
  const { cook: first } = byDone[0]!;
  const { cook: last, setup } = byDone.at(-1)!;
  // The lightest piece cools soonest.
  const { cook: lightest } = cooks[0]!;
  const sd = spreadOf(cache, context, cooked, byDone.at(-1)!.piece.kg);
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
  const warmed = context.warmer
    ? holdTogether(waiting, context.parameters, { ...cooling, place: { kind: 'warmer', airC: context.warmer.setC } })[0]!
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
    smokeMin: method.needsSmoke ? smokeMinutes(last) : undefined,
    dangerLateMin: temperMin + (dangerAt < 0 ? last.doneAtMin * late : dangerAt * last.trace.stepMin * late),
    tentAboveMin: minutesAbove(tentC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    boxAboveMin: minutesAbove(boxC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    warmerAboveMin: minutesAbove(warmed.coreC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    warmerMushMin: (cut.done.by === 'tender' ? minutesToMush(warmed) : undefined) ?? LOOK_AHEAD_MIN,
    warmerC: warmed.coreC,
    mushMin: (cut.done.by === 'tender' ? minutesToMush(boxed) : undefined) ?? LOOK_AHEAD_MIN,
    tentC,
    boxC,
  };
  cache.batches.set(key, forecast);
  return forecast;
}

/** Enough samples for a standard deviation within a tenth; coarse steps keep the search quick. */
const SPREAD_SAMPLES = 48;

function smokeMinutes({ trace, wrapAtMin, doneAtMin }: Cook): number {
  const warmAt = trace.coreC.findIndex((tempC) => tempC >= SMOKE_TO_C);
  return Math.min(wrapAtMin ?? doneAtMin, doneAtMin, warmAt < 0 ? Infinity : warmAt * trace.stepMin);
}

/** Weights within such a step share a spread: it hardly depends on weight, and costs as much as fifty cooks. */
const SPREAD_WEIGHT_STEP = Math.log(1.25);

function spreadOf(cache: ForecastCache, context: ForecastContext, cooked: Cooked, massKg: number): number {
  const step = Math.round(Math.log(massKg) / SPREAD_WEIGHT_STEP);
  const key = JSON.stringify([...cookKey(cooked, context), step]);
  const kept = cache.spreads.get(key);
  if (kept !== undefined) return kept;
  const setup = setupOf(cooked, context, { kg: Math.exp(step * SPREAD_WEIGHT_STEP) });
  const sd = sampledSd(setup, context.parameters);
  cache.spreads.set(key, sd);
  return sd;
}

function sampledSd(setup: CookSetup, parameters: ParameterSet): number {
  const logs = runSamples(setup, parameters, { seed: 1, pitSeed: 1, samples: SPREAD_SAMPLES, stepMin: 3, cells: 10 }, 0, SPREAD_SAMPLES)
    .filter((sample) => Number.isFinite(sample.doneAtMin))
    .map((sample) => Math.log(sample.doneAtMin));
  if (logs.length < SPREAD_SAMPLES / 2) return parameters.timeLogSd;
  const mean = logs.reduce((sum, log) => sum + log, 0) / logs.length;
  const sd = Math.sqrt(logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / (logs.length - 1));
  // Meat that is opened again in a low pit lets the model stray further than cooks in life do.
  return Math.min(sd, parameters.timeLogSd);
}
