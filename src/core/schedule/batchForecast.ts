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
  type HoldingPlace,
  type ParameterSet,
} from '../forecast';
import type { Piece, Pit } from '../model';
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
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
  /** Log-sd of the time to done, from a coarse ensemble. */
  timeLogSd: number;
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
  altitudeM: number;
  confidence: number;
  hotHoldC: number;
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
  /** The same forecasts by batch and pit, for a search that asks thousands of times. An order lives as long as its event stays as it is. */
  byOrder: WeakMap<BatchOrder, Map<string, BatchForecast>>;
  offsetsByOrder: WeakMap<BatchOrder, Map<string, number>>;
}
export const newForecastCache = (): ForecastCache => ({
  batches: new Map(),
  spreads: new Map(),
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
  finish && [finish.pit.kind, finish.pitC],
  altitudeM,
];

function setupOf(
  { order, pit, pitC, finish }: Cooked,
  context: ForecastContext,
  piece: Omit<Piece, 'id'>,
  zoneOffsetC = 0,
  finishMin = Infinity,
): CookSetup {
  const { batch, cut, method, temperMin } = order;
  const grade = gradeOf(cut, batch, undefined);
  const startC = piece.startC ?? START_C;
  const onPit = { massKg: piece.kg, thicknessMm: piece.thicknessMm, grade: piece.grade ?? grade, startC };
  const programme = programmeOf(method, pitC, pit.openingDropC, pit.recoverMin);
  if (finish && finishMin < Infinity)
    programme.steps = [...programme.steps.filter((step) => step.fromMin < finishMin), { fromMin: finishMin, pitC: finish.pitC }];
  return cookSetup(cut, { ...onPit, startC: temperedC(cut, onPit, temperMin, ROOM_C, context.parameters) }, method, context.parameters, {
    pit: programme,
    pitKind: pit.kind,
    finishKind: finish?.pit.kind,
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
  const { order, pit, pitC, finish } = cooked;
  let own = cache.offsetsByOrder.get(order);
  if (!own) cache.offsetsByOrder.set(order, (own = new Map()));
  const near = `${pit.id}|${pitC}|${finish?.pit.id}|${finish?.pitC}|${piece.id}|${roundedC}`;
  const known = own.get(near);
  if (known !== undefined) return known;
  const shared = [...cookKey(cooked, context), gradeOf(order.cut, order.batch, undefined), shapeKey(piece)];
  const minutesAt = (atOffsetC: number) => {
    const key = JSON.stringify([shared, atOffsetC]);
    const kept = cache.offsets.get(key);
    if (kept !== undefined) return kept;
    const minutes = runCook(setupOf(cooked, context, piece, atOffsetC), context.parameters, GRID).doneAtMin;
    cache.offsets.set(key, minutes);
    return minutes;
  };
  const factor = minutesAt(roundedC) / minutesAt(0);
  own.set(near, factor);
  return factor;
}

/** A search asks for hundreds of cooks: on this grid a long one is out by less than 0.4 %. */
const GRID = Object.freeze({ stepMin: 2, cells: 14 });

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
  const key = `${pit.id}|${pitC}|${finish?.pit.id}|${finish?.pitC}|${context.confidence}|${context.hotHoldC}|${context.altitudeM}`;
  let found = own.get(key);
  if (!found) own.set(key, (found = forecastAnew(cache, context, { order, pit, pitC, finish })));
  return found;
}

function forecastAnew(cache: ForecastCache, context: ForecastContext, cooked: Cooked): BatchForecast {
  const { order, pitC, finish } = cooked;
  const { batch, cut, method, temperMin } = order;
  const shapes = shapesOf(batch.pieces);
  const key = JSON.stringify([
    ...cookKey(cooked, context),
    shapes.map(shapeKey),
    gradeOf(cut, batch, undefined),
    context.confidence,
    context.hotHoldC,
  ]);
  const kept = cache.batches.get(key);
  if (kept) return kept;

  const heaviest = shapes.at(-1)!;
  const sd = spreadOf(cache, context, cooked, heaviest.kg);
  const late = timeFactor(sd, context.confidence);
  const early = timeFactor(sd, 1 - context.confidence);
  const finishMin = finish && finishMinutes(order, runCook(setupOf(cooked, context, heaviest), context.parameters, GRID), pitC, late);
  const cooks = shapes.map((piece) => {
    const setup = setupOf(cooked, context, piece, 0, finishMin);
    return { piece, setup, cook: runCook(setup, context.parameters, GRID) };
  });
  const byDone = [...cooks].sort((a, b) => a.cook.doneAtMin - b.cook.doneAtMin);
  const { cook: first } = byDone[0]!;
  const { cook: last, setup } = byDone.at(-1)!;
  // The lightest piece cools soonest.
  const { cook: lightest } = cooks[0]!;
  const dangerAt = last.trace.coreC.findIndex((tempC) => tempC >= DANGER_ZONE_TOP_C);
  const keeping = new Map<string, Keeping>();
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
    finishMin: finish && finishMin,
    unwrapMin: last.wrapAtMin !== undefined ? method.unwrapAfterMin : undefined,
    smokeMin: method.needsSmoke ? smokeMinutes(last) : undefined,
    dangerLateMin: temperMin + (dangerAt < 0 ? last.doneAtMin * late : dangerAt * last.trace.stepMin * late),
    keeps(place, pieces) {
      const name = `${place.kind}/${place.kind === 'box' ? place.lossWPerK : place.kind === 'warmer' ? place.airC : ''}/${pieces}`;
      const known = keeping.get(name);
      if (known) return known;
      const { convertedShare, body } = lightest;
      const [curve] = holdTogether([{ body, pieces, convertedShare, softeningH: setup.softeningH }], context.parameters, {
        ventMin: method.ventMin,
        // Birds and roasts, which cool fast, rest where they are held; the rest loses its first heat on the board.
        restMin: place.kind === 'tent' || cut.done.by === 'tender' ? method.restMin : 0,
        restBare: cut.done.by === 'core',
        roomC: ROOM_C,
        longestMin: LOOK_AHEAD_MIN,
        place,
      });
      const found: Keeping = {
        coreC: curve!.coreC,
        aboveMin: minutesAbove(curve!.coreC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
        mushMin: (cut.done.by === 'tender' ? minutesToMush(curve!) : undefined) ?? LOOK_AHEAD_MIN,
      };
      keeping.set(name, found);
      return found;
    },
  };
  cache.batches.set(key, forecast);
  return forecast;
}

/** When wrapped meat goes on to its finish: once even a slow one is wrapped, or at the wrap where its heat would then be wrong. */
function finishMinutes({ method }: BatchOrder, { wrapAtMin }: Cook, pitC: number, late: number): number | undefined {
  if (wrapAtMin === undefined) return undefined;
  const [low, high] = method.finishRangeC ?? method.pitRangeC;
  const staysWell = pitC >= low && pitC <= high && !method.steps?.length;
  return staysWell && method.wrapWhen.coreC !== undefined ? Math.round(wrapAtMin * late) : Math.round(wrapAtMin);
}

/** Enough samples for a standard deviation within a tenth; coarse steps keep the search quick. */
const SPREAD_SAMPLES = 48;

function smokeMinutes({ trace, wrapAtMin, doneAtMin }: Cook): number {
  const warmAt = trace.coreC.findIndex((tempC) => tempC >= SMOKE_TO_C);
  return Math.min(wrapAtMin ?? doneAtMin, doneAtMin, warmAt < 0 ? Infinity : warmAt * trace.stepMin);
}

/** Weights within such a step share a spread: it hardly depends on weight, and costs as much as fifty cooks. */
const SPREAD_WEIGHT_STEP = Math.log(1.25);

/** The spread is a batch's own: reckoned once, in a plain pit at its method's heat. */
const PLAIN_PIT: Pit = {
  id: '',
  name: '',
  kind: 'cabinet',
  smoke: true,
  rangeC: [0, 300],
  warmUpMin: 0,
  openingDropC: 15,
  recoverMin: 8,
  racks: [],
};

function spreadOf(cache: ForecastCache, context: ForecastContext, { order }: Cooked, massKg: number): number {
  const step = Math.round(Math.log(massKg) / SPREAD_WEIGHT_STEP);
  const cooked: Cooked = { order, pit: PLAIN_PIT, pitC: order.method.pitC };
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
