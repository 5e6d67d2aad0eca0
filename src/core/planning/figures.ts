import { fuelFor } from '../fire';
import { predictedYield } from '../forecast';
import type { Plan, Shift } from '../model';
import { forecastBatch, wakingsOf, type ForecastCache } from '../schedule';
import { MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';
import { cookOfRun } from './cookOfRun';
import { cookContext } from './searchInput';

/** What is asked of a plan when it is set beside another. */
export interface PlanFigures {
  onTimeShare: Record<string, number>;
  /** First and last task of hands, and how often somebody is woken in the quiet hours. */
  firstTaskMs: number;
  wakings: number;
  /** The longest stretch of the night before the first serving without a task, minutes. */
  sleepMin: number;
  /** Piece-hours between rest and carving, as expected. */
  holdHours: number;
  pitHours: number;
  fuelKg: number;
  /** Cooked weight. */
  yieldKg: number;
  openings: number;
  broken: number;
}

const HOUR = 60 * MS_PER_MIN;

export function planFigures(input: PlanInput, plan: Plan, cache: ForecastCache): PlanFigures {
  const { event } = input;
  const work = [...plan.runs.flatMap((run) => run.work.map((each) => each.atMs)), ...plan.firings.map((firing) => firing.lightAtMs)].sort(
    (a, b) => a - b,
  );
  const quiet = input.quiet ?? [];
  return {
    onTimeShare: Object.fromEntries(plan.odds.map((each) => [each.servingId, each.onTimeShare])),
    firstTaskMs: work[0] ?? 0,
    wakings: wakingsOf(work, quiet),
    sleepMin: sleepOf(work, quiet),
    holdHours: plan.runs.reduce((sum, run) => {
      const restedMs = run.pullMedianMs + (run.ventMin + run.restMin) * MS_PER_MIN;
      return sum + (Math.max(0, run.carveAtMs - restedMs) / HOUR) * run.pieceIds.length;
    }, 0),
    pitHours: plan.firings.reduce((sum, firing) => sum + (firing.offAtMs - firing.lightAtMs) / HOUR, 0),
    fuelKg: plan.firings.reduce((sum, firing) => {
      const pit = input.pits.find((each) => each.id === firing.pitId);
      return pit ? sum + fuelFor(pit, firing, event.weather).kg : sum;
    }, 0),
    yieldKg: cookedKg(input, plan, cache),
    openings: new Set(plan.tasks.flatMap((task) => task.opening ?? [])).size,
    broken: plan.problems.filter((problem) => problem.severity === 'broken').length,
  };
}

/** The longest undisturbed stretch of the last quiet night. */
function sleepOf(work: readonly number[], quiet: readonly Shift[]): number {
  const night = [...quiet].filter((each) => work.some((atMs) => atMs > each.fromMs)).at(-1);
  if (!night) return 0;
  const marks = [night.fromMs, ...work.filter((atMs) => atMs > night.fromMs && atMs < night.toMs), night.toMs];
  return Math.max(...marks.slice(1).map((atMs, i) => atMs - marks[i]!)) / MS_PER_MIN;
}

function cookedKg(input: PlanInput, plan: Plan, cache: ForecastCache): number {
  const context = cookContext(input, plan.confidence);
  return plan.runs.reduce((sum, run) => {
    const cooked = cookOfRun(input, run);
    if (!cooked) return sum;
    const { order, pit, finish } = cooked;
    const { last } = forecastBatch(cache, context, order, pit, run.pitC, finish);
    const piece = run.kg / run.pieceIds.length;
    return sum + run.kg * predictedYield(order.cut, piece, last.evaporatedShare + last.drippedShare, context.parameters);
  }, 0);
}
