import type { PredictiveLaw } from '../forecast';
import type { Pit, Run, ServingOdds } from '../model';
import { MS_PER_MIN } from '../units';
import type { BatchOrder } from './order';
import { Days, type TimedRun } from './risk';
import { pullDeadlineMs } from './window';

/** On how many days in all a run is late. */
export interface LateRun {
  batchId: string;
  lateShare: number;
}

/** How sure servings are on the days a search tries its plans on, or on the fresh ones a plan is told by. */
export class OddsOn {
  /** What it came to for the runs of each serving last time: most stay as they are from one plan to the next. */
  private readonly last = new Map<string, { runs: ReadonlySet<Run>; odds: ServingOdds }>();
  private readonly servingIds: readonly string[];

  constructor(
    private readonly orders: ReadonlyMap<string, BatchOrder>,
    private readonly days: Days,
  ) {
    this.servingIds = [...new Set([...orders.values()].map((order) => order.serving.id))];
  }

  get dayCount(): number {
    return this.days.count;
  }

  /** The joint odds of each serving. */
  of(runs: readonly Run[]): ServingOdds[] {
    return this.servingIds.map((servingId) => {
      const own = this.runsOf(servingId, runs);
      const last = this.last.get(servingId);
      if (last && last.runs.size === own.length && own.every((run) => last.runs.has(run))) return last.odds;
      const odds = this.days.oddsOf(servingId, own, (run) => this.deadlineMs(run));
      this.last.set(servingId, { runs: new Set(own), odds });
      return odds;
    });
  }

  /** Runs of servings that are less sure than this, with how often each is late, the worst first. */
  lateRuns(runs: readonly Run[], confidence: number): LateRun[] {
    return this.of(runs)
      .filter((each) => each.onTimeShare < confidence)
      .flatMap(({ servingId }) => this.runsOf(servingId, runs))
      .map((run) => ({ batchId: run.batchId, lateShare: this.days.lateShare(run, this.deadlineMs(run)) }))
      .filter((each) => each.lateShare > 0)
      .sort((a, b) => b.lateShare - a.lateShare);
  }

  /** By how much a run is late, by the day. */
  latenessOf(run: TimedRun & Pick<Run, 'leavesAtMs' | 'carveAtMs'>): Float64Array {
    return this.days.lateness(run, (this.deadlineMs(run) - run.onAtMs) / MS_PER_MIN);
  }

  /** The odds of a serving of which these are all the runs, each were it so many minutes earlier. */
  jointly(servingId: string, each: readonly { late: Float64Array; earlierMin: number }[]): ServingOdds {
    return { servingId, ...this.days.jointly(each) };
  }

  private runsOf(servingId: string, runs: readonly Run[]): Run[] {
    return runs.filter((run) => this.orders.get(run.batchId)!.serving.id === servingId);
  }

  /** When a run must be pulled by at the latest. */
  private deadlineMs(run: Pick<Run, 'batchId' | 'leavesAtMs' | 'carveAtMs'>): number {
    return pullDeadlineMs(this.orders.get(run.batchId)!, run.leavesAtMs, run.carveAtMs);
  }
}

/** Both kinds of days for these batches in these pits; the fresh ones may be so many others. */
export function oddsFor(
  orders: ReadonlyMap<string, BatchOrder>,
  pits: readonly Pit[],
  law: PredictiveLaw,
  toldOn?: { days: number; seed: string },
): { searched: OddsOn; told: OddsOn } {
  const modelCutOf = (batchId: string) => {
    const { cut } = orders.get(batchId)!;
    return cut.modelCutId ?? cut.id;
  };
  const names = new Map([
    ...[...orders.keys()].map((id, i): [string, string] => [`cut ${modelCutOf(id)}`, `cut of batch ${i}`]),
    ...pits.map((pit, i): [string, string] => [pit.id, `pit ${i}`]),
    ...[...orders.values()].flatMap(({ batch }, i) =>
      batch.pieces.map((piece, k): [string, string] => [`${batch.id}/${piece.id}`, `batch ${i} piece ${k}`]),
    ),
  ]);
  const of = { law, modelCutOf, nameOf: (key: string) => names.get(key) ?? key };
  const fresh = toldOn ? new Days(of, toldOn.days, toldOn.seed) : Days.fresh(of);
  return { searched: new OddsOn(orders, new Days(of)), told: new OddsOn(orders, fresh) };
}
