import { DONE_SHARES } from '../live';
import type { Run } from '../model';
import { normalCumulative, normalQuantile } from '../numerics';
import { addMinutes, MS_PER_MIN } from '../units';
import type { DayForecast, PieceForecast } from './forecaster';
import { keysOf, type KeptDay } from './keptDay';
import { carveAtMs } from './retime';
import type { DayState, PieceState } from './state';

/** How sure a serving is, as the meat stands now. */
export interface ServingNow {
  servingId: string;
  /** Its serving time, with what was put back. */
  atMs: number;
  onTimeShare: number;
  /** What the plan promised. */
  plannedShare: number;
  /** The piece that is likeliest to be late. */
  weakest?: string;
}

/**
 * How much of what is not known of two pieces is the same (in variance, by the predictive law): one crew, one day, one
 * idea of tender; and for those of one batch, what the model misses of their cut.
 */
const IN_COMMON = 0.45;
const IN_COMMON_OF_BATCH = 0.82;

/** Chance that it is done by an instant, by the quantiles of its forecast. */
export function chanceBy({ doneAtMs }: PieceForecast, atMs: number): number {
  const above = doneAtMs.findIndex((each) => each > atMs);
  if (above < 0) return 1;
  if (above === 0)
    return atMs >= doneAtMs[0]! ? DONE_SHARES[0] : atMs > doneAtMs[0]! - (doneAtMs[2]! - doneAtMs[0]!) ? DONE_SHARES[0] / 2 : 0;
  const [low, high] = [doneAtMs[above - 1]!, doneAtMs[above]!];
  const [from, to] = [DONE_SHARES[above - 1]!, DONE_SHARES[above]!];
  return from + ((to - from) * (atMs - low)) / (high - low);
}

/** A short rest is better than a late plate: at most this is cut from what the method asks before it counts as late. */
const restNeededMin = (run: Run): number => run.ventMin + run.restMin;

/** When a piece must be done for its serving: carving, less venting and rest. */
export const neededByMs = (kept: KeptDay, state: DayState, run: Run): number =>
  addMinutes(carveAtMs(state, kept, run), -restNeededMin(run));

/** Chance of one piece, given what its forecast says or its life has told. */
export function chanceOf(kept: KeptDay, state: DayState, forecast: DayForecast, run: Run, piece: PieceState): number {
  if (piece.carvedAtMs !== undefined) return 1;
  const needed = neededByMs(kept, state, run);
  if (piece.pulledAtMs !== undefined) return piece.pulledAtMs <= addMinutes(needed, LATE_PULL_MIN) ? 1 : 0;
  const foreseen = forecast.pieces[piece.key];
  return foreseen ? chanceBy(foreseen, needed) : 0;
}
/** A pull that came this much too late is made up for by a shorter rest. */
const LATE_PULL_MIN = 10;

/**
 * The chance that all of a serving is pulled, vented and rested by carving. Pieces err together by IN_COMMON: the joint
 * chance is that of normals with one factor in common, summed over the factor.
 */
export function oddsNow(kept: KeptDay, state: DayState, forecast: DayForecast): ServingNow[] {
  return kept.input.event.servings.map((serving) => {
    const pieces = kept.plan.runs
      .filter((run) => run.servingId === serving.id)
      .flatMap((run) =>
        keysOf(run).map((key) => ({ key, batchId: run.batchId, chance: chanceOf(kept, state, forecast, run, state.pieces[key]!) })),
      );
    const weakest = pieces.reduce<(typeof pieces)[number] | undefined>(
      (worst, each) => (!worst || each.chance < worst.chance ? each : worst),
      undefined,
    );
    const put = state.revisions
      .flatMap((each) => each.changes)
      .findLast((change) => change.what === 'servingAt' && change.servingId === serving.id);
    return {
      servingId: serving.id,
      atMs: put?.what === 'servingAt' ? put.atMs : serving.atMs,
      onTimeShare: jointChance(byBatch(pieces)),
      plannedShare: kept.plan.odds.find((each) => each.servingId === serving.id)?.onTimeShare ?? 0,
      ...(weakest && weakest.chance < 1 && { weakest: weakest.key }),
    };
  });
}

const byBatch = (pieces: readonly { batchId: string; chance: number }[]): number[] =>
  [...new Set(pieces.map((each) => each.batchId))].map((batchId) =>
    jointChance(
      pieces.filter((each) => each.batchId === batchId).map((each) => each.chance),
      IN_COMMON_OF_BATCH,
    ),
  );

const POINTS = 24;

/** The chance of all, where so much (in variance) of what each depends on is one and the same. */
export function jointChance(chances: readonly number[], inCommon = IN_COMMON): number {
  const unsure = chances.filter((chance) => chance < 1);
  if (unsure.some((chance) => chance <= 0)) return 0;
  const bounds = unsure.map((chance) => normalQuantile(chance));
  const own = Math.sqrt(1 - inCommon);
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    const factor = normalQuantile((i + 0.5) / POINTS);
    sum += bounds.reduce((product, bound) => product * normalCumulative((bound - Math.sqrt(inCommon) * factor) / own), 1);
  }
  return sum / POINTS;
}

/** How much earlier than needed the middle forecast has a piece done, min. */
export const earlyMin = (kept: KeptDay, state: DayState, run: Run, foreseen: PieceForecast): number =>
  (neededByMs(kept, state, run) - foreseen.done.p50Ms) / MS_PER_MIN;
