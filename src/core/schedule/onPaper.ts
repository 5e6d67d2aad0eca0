import type { Run } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Decoded, Step } from './decoded';
import type { Judge } from './judge';
import { departuresH, PER_SPLIT_H, riskOf, steppedQualityH } from './objective';
import type { BatchOrder } from './order';
import type { Placed } from './placeBatch';
import { isLate } from './risk';
import { offPitMin } from './window';

/** What lies of a batch, as far as it counts for odds and holds, at this moment and at others. */
export interface PaperBatch {
  id: string;
  servingId: string;
  /** Minutes late, by the day, of its latest run; the days on which it is late, and its minutes on all of them. */
  late: Float64Array;
  lateDays: Int32Array;
  lateMin: number;
  /** The longest that any of it may be held for. */
  heldMin: number;
  /** Piece-hours by which it departs, were it so many minutes earlier. */
  hoursIf(byMin: number): number;
}

/** What a day costs on which a serving is late, in piece-hours of departure, by serving. */
export type Prices = ReadonlyMap<string, number>;
/** Minutes late count beside days, so that what is late every day knows which way to go. */
export const DAYS_A_MINUTE = 1e-3;

/** Batches of a plan and by how many minutes earlier they would be. */
type Moved = ReadonlyMap<string, { batch: PaperBatch; byMin: number }>;

interface PaperServing {
  id: string;
  batches: readonly PaperBatch[];
  /** How many of its batches are late, by the day. */
  lateBatches: Int16Array;
}

interface PaperPlan {
  plan: Decoded;
  batches: ReadonlyMap<string, PaperBatch>;
  servings: ReadonlyMap<string, PaperServing>;
  departuresH: number;
}

/**
 * What a move would do to odds and holds, known before anything is placed: whether there is a place for it is the dear part, and
 * not worth asking of what would be worse anyway.
 */
export class OnPaper {
  private known?: PaperPlan;
  private readonly papers = new WeakMap<Placed, PaperBatch>();

  constructor(readonly judge: Judge) {}

  /** So many days plans are tried on. */
  get days(): number {
    return this.judge.odds.searched.dayCount;
  }

  /** What may be moved of a plan, by batch: of one that is pinned in part, the rest. */
  batchesOf(plan: Decoded): ReadonlyMap<string, PaperBatch> {
    return this.of(plan).batches;
  }

  private of(plan: Decoded): PaperPlan {
    if (this.known?.plan === plan) return this.known;
    const batches = new Map<string, PaperBatch>();
    const ofServing = new Map<string, PaperBatch[]>();
    let hours = 0;
    for (const { id, placed } of plan.steps) {
      if (placed.runs.length === 0) continue;
      const batch = this.paperOf(id, placed);
      batches.set(id, batch);
      hours += batch.hoursIf(0);
      const own = ofServing.get(batch.servingId);
      if (own) own.push(batch);
      else ofServing.set(batch.servingId, [batch]);
    }
    const servings = new Map([...ofServing].map(([id, own]) => [id, { id, batches: own, lateBatches: lateBatchesOf(own) }]));
    this.known = { plan, batches, servings, departuresH: hours };
    return this.known;
  }

  /** One batch as it lies. */
  paperOf(id: string, placed: Placed): PaperBatch {
    let found = this.papers.get(placed);
    if (!found) this.papers.set(placed, (found = paperOf(this.judge, this.judge.orders.get(id)!, placed.runs)));
    return found;
  }

  /** Batches of a plan so many minutes earlier, otherwise as they are. */
  earlier(plan: Decoded, byMin: ReadonlyMap<string, number>): Moved {
    const { batches } = this.of(plan);
    return new Map(
      [...byMin].flatMap(([id, minutes]) => {
        const batch = batches.get(id);
        return batch ? [[id, { batch, byMin: minutes }]] : [];
      }),
    );
  }

  /** Whether a plan with some of its batches so would be as sure as it is and its holds as good. */
  isNoWorse(plan: Decoded, moved: Moved): boolean {
    const [, riskMin, qualityH] = plan.objective;
    const thenH = this.qualityIf(plan, moved);
    // Odds are the most work: they are not asked for where the holds tell enough.
    if (riskMin === 0) return thenH <= qualityH && this.isSureIf(plan, moved);
    const thenMin = this.riskMinIf(plan, moved);
    return thenMin < riskMin || (thenMin === riskMin && thenH <= qualityH);
  }

  /** Minutes late and piece-hours of departure of a plan with some of its batches so, as its objective would have them. */
  figures(plan: Decoded, moved: Moved): { riskMin: number; qualityH: number } {
    return { riskMin: this.riskMinIf(plan, moved), qualityH: this.qualityIf(plan, moved) };
  }

  /** Whether the servings of these batches would be as sure as asked. */
  isSureIf(plan: Decoded, moved: Moved): boolean {
    return this.touched(plan, moved).every((serving) => this.isServingSureIf(plan, serving, moved));
  }

  /** Piece-hours of departure, of splits and of late days at these prices, of all that lies: what a plan or a part of one costs. */
  costH(steps: readonly Step[], prices: Prices): number {
    let costH = 0;
    let splits = 0;
    const lateDays = new Map<string, Uint8Array>();
    for (const { id, placed } of steps) {
      if (placed.runs.length === 0) continue;
      const batch = this.paperOf(id, placed);
      const priceH = prices.get(batch.servingId) ?? 0;
      splits += placed.runs.length - 1;
      costH += batch.hoursIf(0) + priceH * DAYS_A_MINUTE * batch.lateMin;
      let days = lateDays.get(batch.servingId);
      if (!days) lateDays.set(batch.servingId, (days = new Uint8Array(batch.late.length)));
      for (const day of batch.lateDays) {
        if (days[day] === 1) continue;
        days[day] = 1;
        costH += priceH;
      }
    }
    return costH + PER_SPLIT_H * splits;
  }

  private touched(plan: Decoded, moved: Moved): PaperServing[] {
    const { servings } = this.of(plan);
    return [...new Set([...moved.values()].map(({ batch }) => batch.servingId))].flatMap((id) => servings.get(id) ?? []);
  }

  private qualityIf(plan: Decoded, moved: Moved): number {
    const { batches, departuresH: hours } = this.of(plan);
    let then = hours;
    for (const [id, { batch, byMin }] of moved) {
      const now = batches.get(id);
      if (!now) continue;
      then += batch.hoursIf(byMin) - now.hoursIf(0);
    }
    return then === hours ? plan.objective[2] : steppedQualityH(plan.runs, then);
  }

  private isServingSureIf(plan: Decoded, { batches, lateBatches }: PaperServing, moved: Moved): boolean {
    const days = lateBatches.length;
    const { confidence } = this.judge.judgedBy;
    const movable = this.of(plan).batches;
    const other = batches
      .filter((now) => moved.has(now.id) && movable.get(now.id) === now)
      .map((now) => ({ now: now.late, then: moved.get(now.id)!.batch.late, byMin: moved.get(now.id)!.byMin }));
    let lateDays = 0;
    for (let day = 0; day < days; day++) {
      let others = lateBatches[day]!;
      let late = false;
      for (const { now, then, byMin } of other) {
        if (isLate(now[day]!)) others--;
        late ||= isLate(then[day]! - byMin);
      }
      if ((late || others > 0) && (days - ++lateDays) / days < confidence) return false;
    }
    return true;
  }

  private riskMinIf(plan: Decoded, moved: Moved): number {
    const { searched } = this.judge.odds;
    const movable = this.of(plan).batches;
    const touched = new Map(this.touched(plan, moved).map((serving) => [serving.id, serving]));
    const odds = searched.of(plan.runs).map((each) => {
      const serving = touched.get(each.servingId);
      if (!serving) return each;
      return searched.jointly(
        serving.id,
        serving.batches.map((now) => {
          const then = movable.get(now.id) === now ? moved.get(now.id) : undefined;
          return then ? { late: then.batch.late, earlierMin: then.byMin } : { late: now.late, earlierMin: 0 };
        }),
      );
    });
    return riskOf(odds, this.judge.judgedBy.confidence);
  }
}

function lateBatchesOf(batches: readonly PaperBatch[]): Int16Array {
  const count = new Int16Array(batches[0]!.late.length);
  for (const { lateDays } of batches) for (const day of lateDays) count[day]!++;
  return count;
}

function paperOf(judge: Judge, order: BatchOrder, runs: readonly Run[]): PaperBatch {
  const lates = runs.map((run) => judge.odds.searched.latenessOf(run));
  const late = lates.length === 1 ? lates[0]! : lates[0]!.map((_, day) => Math.max(...lates.map((each) => each[day]!)));
  const known = new Map<number, number>();
  const hoursIf = (byMin: number): number => {
    let hours = known.get(byMin);
    if (hours === undefined) {
      hours = runs.reduce((sum, run) => sum + departuresH(order, sooner(run, byMin), judge.ceilingMin(run)), 0);
      known.set(byMin, hours);
    }
    return hours;
  };
  const heldMin = Math.max(...runs.map((run) => (run.carveAtMs - run.pullEarlyMs) / MS_PER_MIN - offPitMin(order)));
  const lateDays = Int32Array.from(late.keys()).filter((day) => isLate(late[day]!));
  return {
    id: order.batch.id,
    servingId: order.serving.id,
    late,
    lateDays,
    lateMin: lateDays.reduce((sum, day) => sum + late[day]!, 0),
    heldMin,
    hoursIf,
  };
}

const sooner = (run: Run, byMin: number): Run => ({
  ...run,
  pullEarlyMs: addMinutes(run.pullEarlyMs, -byMin),
  pullMedianMs: addMinutes(run.pullMedianMs, -byMin),
  pullLateMs: addMinutes(run.pullLateMs, -byMin),
});
