import { plannedCook, type PlannedCook, type PlannedPlace } from '../forecast';
import type { Piece, Pit, Run } from '../model';
import { gradeOf } from '../quantities';
import type { BatchOrder } from '../schedule';
import { MS_PER_MIN } from '../units';
import { parametersOf, type PlanInput } from './planInput';
import { batchOrders, weatherOf } from './searchInput';

/** A run as it is cooked: its batch, and its pit, heat and finish from a minute on. */
export interface CookOfRun {
  order: BatchOrder;
  pit: Pit;
  pitC: number;
  finish?: NonNullable<PlannedPlace['finish']>;
}

type CookInput = Pick<PlanInput, 'event' | 'library' | 'pits' | 'parameters'>;

/** How a run of a plan is cooked, asked alike by its curve, decision points, figures and the rack map; undefined when its batch or pit is gone. */
export function cookOfRun(input: CookInput, run: Run): CookOfRun | undefined {
  const order = batchOrders(input).find((each) => each.batch.id === run.batchId);
  const pit = input.pits.find((each) => each.id === run.pitId);
  if (!order || !pit) return undefined;
  const movedTo = run.moveAtMs === undefined ? undefined : run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId;
  const finishPit = movedTo === undefined ? pit : input.pits.find((each) => each.id === movedTo);
  const finish =
    run.finishAtMs !== undefined && run.finishC !== undefined && finishPit
      ? { pit: finishPit, pitC: run.finishC, fromMin: (run.finishAtMs - run.onAtMs) / MS_PER_MIN }
      : undefined;
  return { order, pit, pitC: run.pitC, finish };
}

/** One piece of a run, where it lies. */
export interface PieceOfRun extends CookOfRun {
  piece: Piece;
  planned: PlannedCook;
}

export function pieceOfRun(input: CookInput, run: Run, pieceId: string): PieceOfRun | undefined {
  const cooked = cookOfRun(input, run);
  const piece = cooked?.order.batch.pieces.find((each) => each.id === pieceId);
  if (!cooked || !piece) return undefined;
  const { order } = cooked;
  const zoneOffsetC = run.legs[0]?.places.find((each) => each.pieceId === piece.id)?.offsetC;
  const planned = plannedCook(
    { ...order, ...piece, grade: gradeOf(order.cut, order.batch, piece.grade) },
    { ...cooked, zoneOffsetC, altitudeM: input.event.altitudeM, weather: weatherOf(input.event), loadKg: order.loadKg },
    parametersOf(input),
  );
  return { ...cooked, piece, planned };
}

/** The piece of a run that is expected last: it decides when all are ready. */
export function slowestOfRun(input: CookInput, run: Run): PieceOfRun | undefined {
  const lastId = [...run.pulls].sort((a, b) => b.medianMs - a.medianMs)[0]?.pieceId;
  return lastId === undefined ? undefined : pieceOfRun(input, run, lastId);
}
