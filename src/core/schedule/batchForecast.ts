import { coolFromPull, cookSetup, minutesAbove, runCook, steadyPit, timeFactor, type Cook, type ParameterSet } from '../forecast';
import type { Batch, Cut, HoldingBox, Method, Pit } from '../model';

/** What the plan needs to know of a batch cooked in one pit at one heat. Minutes count from going on. */
export interface BatchForecast {
  /** The lightest piece's cook (done first) and the heaviest's (done last). */
  lightest: Cook;
  heaviest: Cook;
  pullEarlyMin: number;
  pullMedianMin: number;
  pullLateMin: number;
  wrapMin?: number;
  wrapLateMin?: number;
  unwrapMin?: number;
  /** Latest minute at which the heaviest piece's core leaves the danger zone. */
  dangerLateMin: number;
  /** Minutes after pulling the coolest (lightest) piece stays at or above the hot-holding floor, under a tent and in a box. */
  tentAboveMin: number;
  boxAboveMin: number;
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
    cut.id,
    method.id,
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

  const cook = (massKg: number) =>
    runCook(
      cookSetup(cut, { massKg, startC: START_C }, method, context.parameters, {
        pit: steadyPit(pitC, pit.openingDropC, pit.recoverMin),
        pitKind: pit.kind,
        finishKind: finish?.kind,
        altitudeM: context.altitudeM,
        roomC: ROOM_C,
      }),
      context.parameters,
    );
  const heaviest = cook(heaviestKg);
  const lightest = heaviestKg === lightestKg ? heaviest : cook(lightestKg);
  const sd = context.parameters.timeLogSd;
  const late = timeFactor(sd, context.confidence);
  const cooling = {
    ventMin: method.ventMin,
    restMin: method.restMin,
    restBare: cut.done.by === 'core',
    pieces: weights.length,
    roomC: ROOM_C,
    longestMin: LOOK_AHEAD_MIN,
  };
  const tentC = coolFromPull(lightest.body, context.parameters, cooling);
  const boxC = context.box ? coolFromPull(lightest.body, context.parameters, { ...cooling, box: context.box }) : tentC;
  const dangerAt = heaviest.trace.coreC.findIndex((tempC) => tempC >= DANGER_ZONE_TOP_C);
  const forecast: BatchForecast = {
    lightest,
    heaviest,
    pullEarlyMin: lightest.doneAtMin * timeFactor(sd, 1 - context.confidence),
    pullMedianMin: heaviest.doneAtMin,
    pullLateMin: heaviest.doneAtMin * late,
    wrapMin: heaviest.wrapAtMin,
    wrapLateMin:
      heaviest.wrapAtMin === undefined ? undefined : method.wrapWhen.coreC === undefined ? heaviest.wrapAtMin : heaviest.wrapAtMin * late,
    unwrapMin: heaviest.wrapAtMin !== undefined ? method.unwrapAfterMin : undefined,
    dangerLateMin: dangerAt < 0 ? heaviest.doneAtMin * late : dangerAt * heaviest.trace.stepMin * late,
    tentAboveMin: minutesAbove(tentC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    boxAboveMin: minutesAbove(boxC, context.hotHoldC) ?? LOOK_AHEAD_MIN,
    tentC,
    boxC,
  };
  cache.set(key, forecast);
  return forecast;
}
