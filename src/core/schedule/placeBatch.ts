import type { PlanProblem, Run } from '../model';
import { slackMin, tryOption, type Attempt } from './attempt';
import { optionsFor, suitablePits, unplaceable, type Option } from './options';
import type { BatchOrder } from './order';
import { mark, rollBack, type PlacementContext } from './placement';
import { footprintOf, type Footprint } from './rackLedger';
import { movedReason, problemOf, tellsMore } from './refusals';

export interface Placed {
  runs: Run[];
  left: Footprint[];
  problems: PlanProblem[];
  /** Minutes earlier than its serving would allow, summed over pieces. */
  earlierMin: number;
}

const SHIFT_STEP_MIN = 15;

/** Places one batch as late as its serving allows, moving earlier where it must; whoever stays out is reported. */
export function placeBatch(order: BatchOrder, context: PlacementContext): Placed {
  const { batch, cut, method } = order;
  const pieces = batch.pieces
    .map((piece) => footprintOf(cut, batch.id, piece))
    .sort((a, b) => b.kg - a.kg || (a.pieceId < b.pieceId ? -1 : 1));
  const suitable = suitablePits(cut, method, context.pits, pieces, context.limits.bareMeatPit);
  if (suitable.problem)
    return { runs: [], left: pieces, problems: [{ ...suitable.problem, batchId: batch.id, pieces: pieces.length }], earlierMin: 0 };

  const options = optionsFor(order, suitable.pits, context);
  const blocked = options.length === 0 ? undefined : unplaceable(order, options, context.limits);
  if (options.length === 0 || blocked) {
    const problem: PlanProblem = blocked ?? {
      code: 'noSuitablePit',
      severity: 'broken',
      batchId: batch.id,
      pieces: pieces.length,
      need: 'heat',
    };
    return { runs: [], left: pieces, problems: [problem], earlierMin: 0 };
  }

  const longestShiftMin = Math.max(...options.map((option) => slackMin(order, option, context.warmers.length > 0)));
  const whole = placeTogether(order, context, options, pieces, longestShiftMin);
  if (whole) return whole;
  return placePieceByPiece(order, context, options, pieces, longestShiftMin);
}

/** All pieces at one shift: on one pit if it can be, else over several. The latest such shift wins. */
function placeTogether(
  order: BatchOrder,
  context: PlacementContext,
  options: Option[],
  pieces: Footprint[],
  longestShiftMin: number,
): Placed | undefined {
  let firstRefusal: Attempt | undefined;
  for (let shiftMin = 0; shiftMin <= Math.max(0, longestShiftMin); shiftMin += SHIFT_STEP_MIN) {
    for (const spread of [false, true]) {
      const marks = mark(context);
      const runs: Run[] = [];
      let left = pieces;
      for (const option of options) {
        const before = mark(context);
        const attempt = tryOption(order, context, option, left, shiftMin);
        if (attempt.refusal) firstRefusal ??= attempt;
        if (!attempt.run) continue;
        if (!spread && attempt.taken.length < left.length) {
          rollBack(context, before);
          continue;
        }
        runs.push(attempt.run);
        left = left.filter((piece) => !attempt.taken.includes(piece));
        if (left.length === 0) {
          if (shiftMin > 0 && firstRefusal) for (const run of runs) run.why.push(movedReason(firstRefusal, shiftMin));
          return { runs, left: [], problems: [], earlierMin: shiftMin * pieces.length };
        }
      }
      rollBack(context, marks);
    }
  }
  return undefined;
}

/** What fits at each shift, later starts first; the rest is reported with what is short. */
function placePieceByPiece(
  order: BatchOrder,
  context: PlacementContext,
  options: Option[],
  pieces: Footprint[],
  longestShiftMin: number,
): Placed {
  const runs: Run[] = [];
  let left = pieces;
  let earlierMin = 0;
  let reported: Attempt | undefined;
  for (let shiftMin = 0; shiftMin <= Math.max(0, longestShiftMin) && left.length > 0; shiftMin += SHIFT_STEP_MIN) {
    for (const option of options) {
      if (left.length === 0) break;
      const attempt = tryOption(order, context, option, left, shiftMin);
      if (attempt.refusal) reported = tellsMore(reported, attempt);
      if (!attempt.run) continue;
      if (shiftMin > 0 && reported) attempt.run.why.push(movedReason(reported, shiftMin));
      runs.push(attempt.run);
      earlierMin += shiftMin * attempt.taken.length;
      left = left.filter((piece) => !attempt.taken.includes(piece));
    }
  }
  if (left.length > 0 && !reported?.refusal)
    reported = options.map((option) => tryOption(order, context, option, left, 0)).find((attempt) => attempt.refusal);
  const problems = left.length > 0 && reported?.refusal ? [problemOf(order, left.length, reported, options[0]!)] : [];
  return { runs, left, problems, earlierMin };
}
