import {
  knownAs,
  paceBeyondCut,
  holdTogether,
  manyCooksGrid,
  minutesAbove,
  minutesToMush,
  physicsOf,
  plannedCook,
  runCook,
  type Cook,
  type CookSetup,
  type HoldingPlace,
  type ParameterSet,
  type PlannedCook,
  type PredictiveLaw,
} from '../forecast';
import { FIRM_MIN, type DayWeather, type Piece, type Pit } from '../model';
import { gradeOf } from '../quantities';
import type { BatchOrder } from './order';

/** How a batch keeps in one kind of holding. */
export interface Keeping {
  /** Core of the coolest piece, by the minute from being pulled. */
  coreC: Float64Array;
  /** Minutes after pulling it stays at or above the hot-holding floor, and until it would be mush. */
  aboveMin: number;
  mushMin: number;
}

/** What the plan needs to know of a batch cooked in one pit at one heat. Minutes count from going on. */
export interface BatchForecast {
  /** The cook of the piece that is done first, and of the one done last. */
  first: Cook;
  last: Cook;
  /** Median minutes of each piece by its shape (`shapeKey`), and the factors to the early and late finish. */
  doneMin: Record<string, number>;
  early: number;
  late: number;
  /** Chance that a piece with this median is done in time. */
  chanceWithin(medianMin: number, availableMin: number): number;
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
  wrapMin?: number;
  /** When it leaves for its finish, or the pit changes for it. */
  finishMin?: number;
  unwrapMin?: number;
  /** How long the meat takes smoke; undefined where none is wanted. */
  smokeMin?: number;
  /** Latest minutes until the slowest core leaves the danger zone, tempering counted. */
  dangerLateMin: number;
  /** How so many pieces keep in a box, a warmer, or under a tent. */
  keeps(place: HoldingPlace, pieces: number): Keeping;
}

export interface ForecastContext {
  parameters: ParameterSet;
  /** How cooks in life differ from the forecast, in these hands and this weather. */
  law: PredictiveLaw;
  altitudeM: number;
  weather: DayWeather;
  confidence: number;
  hotHoldC: number;
}

/** How long a hold is looked ahead. */
const LOOK_AHEAD_MIN = 14 * 60;
const DANGER_ZONE_TOP_C = 57;
/** Smoke lands while the meat is cool: the ring stops forming between 60 and 70 C. */
const SMOKE_TO_C = 65;

/** Keeps forecasts by everything they depend on, so that a search (and the next plan) asks for each only once. */
export interface ForecastCache {
  /** By physics alone: how sure a plan must be, and how hot meat must stay, are reckoned on top and cook nothing again. */
  cooked: Map<string, CookedBatch>;
  /** How many cooks were run, to be counted. */
  cooks: number;
  /** Minutes to done of one piece lying off the set point. */
  offsets: Map<string, number>;
  /** The same forecasts by batch and pit, for a search that asks thousands of times. An order lives as long as its event stays as it is. */
  byOrder: WeakMap<BatchOrder, Map<string, BatchForecast>>;
  offsetsByOrder: WeakMap<BatchOrder, Map<string, number>>;
}
export const newForecastCache = (): ForecastCache => ({
  cooked: new Map(),
  cooks: 0,
  offsets: new Map(),
  byOrder: new WeakMap(),
  offsetsByOrder: new WeakMap(),
});

/** What makes one piece of a batch cook like another. */
export const shapeKey = (piece: Piece): string =>
  `${piece.kg.toFixed(2)}/${piece.thicknessMm ?? ''}/${piece.grade ?? ''}${piece.startC === undefined ? '' : `/${piece.startC}`}`;

/** Beyond this many different pieces, the ones between are not worth a cook each. */
const MOST_SHAPES = 24;

/** One piece of every shape, by weight; of very many, evenly picked ones with both ends. */
function shapesOf(pieces: readonly Piece[]): Piece[] {
  const all = [...new Map(pieces.map((piece) => [shapeKey(piece), piece])).values()].sort((a, b) => a.kg - b.kg);
  if (all.length <= MOST_SHAPES) return all;
  return Array.from({ length: MOST_SHAPES }, (_, i) => all[Math.round((i * (all.length - 1)) / (MOST_SHAPES - 1))]!);
}

/** Where and how hot wrapped meat finishes: in another pit, or in its own at another heat. */
export interface Finish {
  pit: Pit;
  pitC: number;
}

/** A batch in a pit at a heat, perhaps finishing in another. */
interface Cooked {
  order: BatchOrder;
  pit: Pit;
  pitC: number;
  finish?: Finish;
}

/** What a batch is, as physics knows it, and where it is cooked. */
const physics = ({ order, pit, pitC, finish }: Cooked, { altitudeM, weather, parameters }: ForecastContext): unknown[] => [
  ...physicsOf(order, { pit, pitC, finish, altitudeM, weather, loadKg: order.loadKg }),
  knownAs(parameters),
  paceBeyondCut(parameters, { pitId: pit.id, methodId: order.method.id }),
];

function plannedFor(
  { order, pit, pitC, finish }: Cooked,
  { altitudeM, weather, parameters }: ForecastContext,
  piece: Omit<Piece, 'id'>,
  zoneOffsetC = 0,
  finishMin?: number,
): PlannedCook {
  const grade = piece.grade ?? gradeOf(order.cut, order.batch, undefined);
  const then = finish && finishMin !== undefined ? { ...finish, fromMin: finishMin } : undefined;
  return plannedCook(
    { ...order, ...piece, grade },
    { pit, pitC, finish: then, zoneOffsetC, altitudeM, weather, loadKg: order.loadKg },
    parameters,
  );
}

function cook(cache: ForecastCache, setup: CookSetup, { parameters }: ForecastContext): Cook {
  cache.cooks++;
  return runCook(setup, parameters, manyCooksGrid(setup));
}

/** Offsets are told apart to this, C. */
const OFFSET_STEP_C = 1;

/** How much longer (above 1) or shorter a piece takes where it lies than at the set point. */
export function offsetFactor(cache: ForecastCache, context: ForecastContext, cooked: Cooked, piece: Piece, offsetC: number): number {
  const roundedC = Math.round(offsetC / OFFSET_STEP_C) * OFFSET_STEP_C;
  if (roundedC === 0) return 1;
  const { order, pit, pitC, finish } = cooked;
  let own = cache.offsetsByOrder.get(order);
  if (!own) cache.offsetsByOrder.set(order, (own = new Map()));
  const near = `${knownAs(context.parameters)}|${pit.id}|${pitC}|${finish?.pit.id}|${finish?.pitC}|${piece.id}|${roundedC}`;
  const known = own.get(near);
  if (known !== undefined) return known;
  const shared = [...physics(cooked, context), gradeOf(order.cut, order.batch, undefined), shapeKey(piece)];
  const minutesAt = (atOffsetC: number) => {
    const key = JSON.stringify([shared, atOffsetC]);
    const kept = cache.offsets.get(key);
    if (kept !== undefined) return kept;
    const minutes = cook(cache, plannedFor(cooked, context, piece, atOffsetC).setup, context).doneAtMin;
    cache.offsets.set(key, minutes);
    return minutes;
  };
  const factor = minutesAt(roundedC) / minutesAt(0);
  own.set(near, factor);
  return factor;
}

export function forecastBatch(
  cache: ForecastCache,
  context: ForecastContext,
  order: BatchOrder,
  pit: Pit,
  pitC: number,
  finish?: Finish,
): BatchForecast {
  let own = cache.byOrder.get(order);
  if (!own) cache.byOrder.set(order, (own = new Map()));
  const key = `${knownAs(context.parameters)}|${pit.id}|${pitC}|${finish?.pit.id}|${finish?.pitC}|${context.confidence}|${context.hotHoldC}|${context.altitudeM}|${context.weather.airC}|${context.weather.windMPerS}|${context.law.cook.weatherLogSd}`;
  let found = own.get(key);
  if (!found) own.set(key, (found = forecastAnew(cache, context, { order, pit, pitC, finish })));
  return found;
}

/** A batch as it cooks in one pit at one heat: everything that nobody's wish for sureness changes. */
interface CookedBatch extends Pick<BatchForecast, 'first' | 'last' | 'doneMin' | 'finishMin'> {
  lightest: Cook;
  /** Of the piece that is done last. */
  planned: PlannedCook;
  /** Cores by place and pieces, and when it would be mush. */
  held: Map<string, { coreC: Float64Array; mushMin: number }>;
}

function cookedBatch(cache: ForecastCache, context: ForecastContext, cooked: Cooked): CookedBatch {
  const { order, finish } = cooked;
  const shapes = shapesOf(order.batch.pieces);
  const key = JSON.stringify([...physics(cooked, context), shapes.map(shapeKey), gradeOf(order.cut, order.batch, undefined)]);
  const known = cache.cooked.get(key);
  if (known) return known;
  const heaviest = shapes.at(-1)!;
  const finishMin = finish && finishMinutes(cache, context, cooked, heaviest);
  const cooks = shapes.map((piece) => {
    const planned = plannedFor(cooked, context, piece, 0, finishMin);
    return { piece, planned, cook: cook(cache, planned.setup, context) };
  });
  const byDone = [...cooks].sort((a, b) => a.cook.doneAtMin - b.cook.doneAtMin);
  const last = byDone.at(-1)!;
  const found: CookedBatch = {
    first: byDone[0]!.cook,
    last: last.cook,
    // The lightest piece cools soonest.
    lightest: cooks[0]!.cook,
    planned: last.planned,
    doneMin: Object.fromEntries(cooks.map((each) => [shapeKey(each.piece), each.cook.doneAtMin])),
    finishMin,
    held: new Map(),
  };
  cache.cooked.set(key, found);
  return found;
}

/** How so many pieces of a batch keep in a place, from being pulled. */
function heldIn({ held, lightest, planned }: CookedBatch, place: HoldingPlace, pieces: number, { parameters }: ForecastContext) {
  const name = `${place.kind}/${place.kind === 'box' ? place.lossWPerK : place.kind === 'warmer' ? place.airC : ''}/${pieces}`;
  const known = held.get(name);
  if (known) return known;
  const waiting = [{ cook: lightest, pieces, softeningH: planned.setup.softeningH }];
  const [curve] = holdTogether(waiting, parameters, planned.holdIn(place, LOOK_AHEAD_MIN));
  const tender = planned.setup.done.by === 'tender';
  const found = { coreC: curve!.coreC, mushMin: (tender ? minutesToMush(curve!) : undefined) ?? LOOK_AHEAD_MIN };
  held.set(name, found);
  return found;
}

/** What a cooked batch means for a plan that must be so sure, and whose meat must stay so hot. */
function forecastAnew(cache: ForecastCache, context: ForecastContext, cooked: Cooked): BatchForecast {
  const { method, temperMin } = cooked.order;
  const batch = cookedBatch(cache, context, cooked);
  const { first, last, doneMin, finishMin } = batch;
  const { modelCutId } = batch.planned.setup;
  const late = context.law.factor(modelCutId, context.confidence);
  const early = context.law.factor(modelCutId, 1 - context.confidence);
  /** A search asks the same thousands of times. */
  const kept = new Map<object, Keeping>();
  const dangerAt = last.trace.coreC.findIndex((tempC) => tempC >= DANGER_ZONE_TOP_C);
  return {
    first,
    last,
    doneMin,
    early,
    late,
    chanceWithin: (medianMin, availableMin) => context.law.chanceWithin(modelCutId, medianMin, availableMin),
    // Opened by the clock, it firms up before it is first looked at.
    pullEarlyMin: Math.min(
      first.doneAtMin,
      Math.max(first.doneAtMin * early, first.unwrapAtMin === undefined ? 0 : first.unwrapAtMin + FIRM_MIN),
    ),
    pullMedianMin: last.doneAtMin,
    pullLateMin: last.doneAtMin * late,
    wrapMin: last.wrapAtMin,
    finishMin,
    unwrapMin: last.unwrapAtMin,
    smokeMin: method.needsSmoke ? smokeMinutes(last) : undefined,
    dangerLateMin: temperMin + (dangerAt < 0 ? last.doneAtMin * late : dangerAt * last.trace.stepMin * late),
    keeps(place, pieces) {
      const held = heldIn(batch, place, pieces, context);
      let found = kept.get(held);
      if (!found) kept.set(held, (found = { ...held, aboveMin: minutesAbove(held.coreC, context.hotHoldC) ?? LOOK_AHEAD_MIN }));
      return found;
    },
  };
}

/** Meat goes on to its finish once it is wrapped in so many cooks of all, however sure the plan wants to be of the rest. */
const WRAPPED_SHARE = 0.9;

/** When wrapped meat goes on to its finish: once even a slow one is wrapped, or at the wrap where its heat would then be wrong. */
function finishMinutes(cache: ForecastCache, context: ForecastContext, cooked: Cooked, heaviest: Piece): number | undefined {
  const { method } = cooked.order;
  const { setup } = plannedFor(cooked, context, heaviest);
  const { wrapAtMin } = cook(cache, setup, context);
  if (wrapAtMin === undefined) return undefined;
  const [low, high] = method.finishRangeC ?? method.pitRangeC;
  const staysWell = cooked.pitC >= low && cooked.pitC <= high && !method.steps?.length;
  return staysWell && method.wrapWhen.coreC !== undefined
    ? Math.round(wrapAtMin * context.law.factor(setup.modelCutId, WRAPPED_SHARE))
    : Math.round(wrapAtMin);
}

function smokeMinutes({ trace, wrapAtMin, doneAtMin }: Cook): number {
  const warmAt = trace.coreC.findIndex((tempC) => tempC >= SMOKE_TO_C);
  return Math.min(wrapAtMin ?? doneAtMin, doneAtMin, warmAt < 0 ? Infinity : warmAt * trace.stepMin);
}
