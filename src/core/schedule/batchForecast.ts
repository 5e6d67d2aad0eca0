import {
  cookSetup,
  holdTogether,
  minutesAbove,
  minutesToMush,
  runCook,
  runSamples,
  programmeOf,
  timeFactor,
  type Cook,
  type CookSetup,
  type ParameterSet,
} from '../forecast';
import type { Batch, Cut, HoldingBox, Method, Pit } from '../model';

/** What the plan needs to know of a batch cooked in one pit at one heat. Minutes count from going on. */
export interface BatchForecast {
  /** The lightest piece's cook (done first) and the heaviest's (done last). */
  lightest: Cook;
  heaviest: Cook;
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
  /** Log-sd of the time to done, from a coarse ensemble. */
  timeLogSd: number;
  wrapMin?: number;
  wrapLateMin?: number;
  unwrapMin?: number;
  /** Latest minute at which the heaviest piece's core leaves the danger zone. */
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

export function forecastBatch(
  cache: ForecastCache,
  context: ForecastContext,
  batch: Batch,
  cut: Cut,
  method: Method,
  pit: Pit,
  pitC: number,
  finish?: Pit,
): BatchForecast {
  const weights = batch.pieces.map((piece) => piece.kg);
  const lightestKg = Math.min(...weights);
  const heaviestKg = Math.max(...weights);
  const key = JSON.stringify([
    cut,
    method,
    lightestKg,
    heaviestKg,
    weights.length,
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

  const setupOf = (massKg: number) =>
    cookSetup(cut, { massKg, startC: START_C }, method, context.parameters, {
      pit: programmeOf(method, pitC, pit.openingDropC, pit.recoverMin),
      pitKind: pit.kind,
      finishKind: finish?.kind,
      altitudeM: context.altitudeM,
      roomC: ROOM_C,
      smoke: { output: pit.smoke ? 1 : 0, darkShare: 0 },
    });
  const setup = setupOf(heaviestKg);
  const heaviest = runCook(setup, context.parameters);
  const lightest = heaviestKg === lightestKg ? heaviest : runCook(setupOf(lightestKg), context.parameters);
  const sd = spreadOf(setup, context.parameters);
  const late = timeFactor(sd, context.confidence);
  const waiting = [{ body: lightest.body, pieces: weights.length, convertedShare: lightest.convertedShare, softeningH: setup.softeningH }];
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
  const dangerAt = heaviest.trace.coreC.findIndex((tempC) => tempC >= DANGER_ZONE_TOP_C);
  const forecast: BatchForecast = {
    lightest,
    heaviest,
    pullEarlyMin: lightest.doneAtMin * timeFactor(sd, 1 - context.confidence),
    pullMedianMin: heaviest.doneAtMin,
    pullLateMin: heaviest.doneAtMin * late,
    timeLogSd: sd,
    wrapMin: heaviest.wrapAtMin,
    wrapLateMin:
      heaviest.wrapAtMin === undefined ? undefined : method.wrapWhen.coreC === undefined ? heaviest.wrapAtMin : heaviest.wrapAtMin * late,
    unwrapMin: heaviest.wrapAtMin !== undefined ? method.unwrapAfterMin : undefined,
    dangerLateMin: dangerAt < 0 ? heaviest.doneAtMin * late : dangerAt * heaviest.trace.stepMin * late,
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
