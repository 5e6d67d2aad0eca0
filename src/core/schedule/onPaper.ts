import type { Run, ServingOdds } from '../model';
import { addMinutes } from '../units';
import type { Decoded } from './decoded';
import type { Judge } from './judge';
import { departuresH, qualityOf, riskOf } from './objective';

/** A run, as far as it counts for odds and holds. */
interface PaperRun {
  batchId: string;
  servingId: string;
  /** Minutes late, by the day, were it not so much earlier. */
  late: Float64Array;
  earlierMin: number;
  departuresH: number;
}

/** The runs of batches that are to be moved, as they would be. */
type OnOther = ReadonlyMap<string, readonly PaperRun[]>;

/**
 * What a move would do to odds and holds, known before anything is placed: whether there is a place for it is the dear part, and
 * not worth asking of what would be worse anyway.
 */
export class OnPaper {
  private known?: { plan: Decoded; runs: readonly (PaperRun & { run: Run })[]; odds: ReadonlyMap<string, ServingOdds> };

  constructor(private readonly judge: Judge) {}

  private of(plan: Decoded) {
    if (this.known?.plan === plan) return this.known;
    const { odds } = this.judge;
    const runs = plan.runs.map((run) => ({
      run,
      batchId: run.batchId,
      servingId: run.servingId,
      late: odds.searched.latenessOf(run),
      earlierMin: 0,
      departuresH: this.judge.departuresH(run),
    }));
    this.known = { plan, runs, odds: new Map(odds.searched.of(plan.runs).map((each) => [each.servingId, each])) };
    return this.known;
  }

  /** Batches of a plan so many minutes earlier, otherwise as they are. */
  earlier(plan: Decoded, byMin: ReadonlyMap<string, number>): OnOther {
    const moved = new Map<string, PaperRun[]>();
    for (const each of this.of(plan).runs) {
      const earlierMin = byMin.get(each.batchId);
      if (earlierMin === undefined) continue;
      const { run } = each;
      const shifted = {
        ...run,
        pullEarlyMs: addMinutes(run.pullEarlyMs, -earlierMin),
        pullMedianMs: addMinutes(run.pullMedianMs, -earlierMin),
        pullLateMs: addMinutes(run.pullLateMs, -earlierMin),
      };
      const hours = departuresH(this.judge.orders.get(run.batchId)!, shifted, this.judge.ceilingMin(run));
      moved.set(each.batchId, [...(moved.get(each.batchId) ?? []), { ...each, earlierMin, departuresH: hours }]);
    }
    return moved;
  }

  /** Whether a plan with some of its batches so would be as sure as it is and its holds as good. */
  isNoWorse(plan: Decoded, moved: OnOther): boolean {
    const [, riskMin, qualityH] = plan.objective;
    const then = this.runsIf(plan, moved);
    const thenH = qualityOf(then, (run) => run.departuresH);
    // Odds are the most work: they are not asked for where the holds tell enough.
    if (riskMin === 0 && thenH > qualityH) return false;
    const thenMin = this.riskMinIf(plan, moved, then);
    return thenMin < riskMin || (thenMin === riskMin && thenH <= qualityH);
  }

  /** Minutes late and piece-hours of departure of a plan with some of its batches so, as its objective would have them. */
  figures(plan: Decoded, moved: OnOther): { riskMin: number; qualityH: number } {
    const then = this.runsIf(plan, moved);
    return { riskMin: this.riskMinIf(plan, moved, then), qualityH: qualityOf(then, (run) => run.departuresH) };
  }

  private runsIf(plan: Decoded, moved: OnOther): PaperRun[] {
    return [...this.of(plan).runs.filter(({ batchId }) => !moved.has(batchId)), ...[...moved.values()].flat()];
  }

  private riskMinIf(plan: Decoded, moved: OnOther, then: readonly PaperRun[]): number {
    const servings = new Set([...moved.values()].flat().map((run) => run.servingId));
    const { searched } = this.judge.odds;
    const odds = [...this.of(plan).odds.values()].map((each) =>
      servings.has(each.servingId)
        ? searched.jointly(
            each.servingId,
            then.filter(({ servingId }) => servingId === each.servingId),
          )
        : each,
    );
    return riskOf(odds, this.judge.judgedBy.confidence);
  }
}
