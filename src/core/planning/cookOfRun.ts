import type { PlannedPlace } from '../forecast';
import type { Pit, Run } from '../model';
import type { BatchOrder } from '../schedule';
import { MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';
import { batchOrders } from './searchInput';

/** A run as it is cooked: its batch, and its pit, heat and finish from a minute on. */
export interface CookOfRun {
  order: BatchOrder;
  pit: Pit;
  pitC: number;
  finish?: NonNullable<PlannedPlace['finish']>;
}

/** How a run of a plan is cooked, asked alike by its curve, decision points, figures and the rack map; undefined when its batch or pit is gone. */
export function cookOfRun(input: Pick<PlanInput, 'event' | 'library' | 'pits'>, run: Run): CookOfRun | undefined {
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
