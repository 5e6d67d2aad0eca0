import { pickerOf, shuffled } from '../numerics';
import type { Decoded } from './decoded';
import type { OnPaper } from './onPaper';
import type { BatchOrder } from './order';
import type { Ideals } from './idealMoments';
import { pushed, type GiveWay } from './pushed';
import { orderOf, shiftOf, wishSooner, type Move } from './wishes';

/** By how much a batch goes on earlier or later, everything of it lying where it lies. */
const STEPS_MIN = [-60, -30, -15, -5, 5, 15, 30, 60] as const;
/** What is late goes on so much sooner, alone or so many of it: a minute or two may be what a serving lacks. */
const SOONER_MIN = [1, 2, 3, 5, 10, 15, 30, 60, 120] as const;
const GROUPS = [2, 4, 8, 16] as const;
/** So often an idea begins with what is wrong most; where something is late, so often with several that are. */
const WORST_SHARE = 0.5;
const GROUP_SHARE = 0.5;
/** So many batches at once: what one gives up another may take, or it was in the way. */
const TOGETHER = [1, 1, 2, 2, 3] as const;
/** So often batches go towards their ideal moments: so many at once, all or a part of the way. */
const IDEAL_SHARE = 0.5;
const AT_ONCE = [1, 1, 2, 3, 4, 8] as const;
const OF_THE_WAY = [1, 1, 0.5, 0.25] as const;
const NEAR_MIN = 5;
/** So often, where something is late, what stands in the way gives way. */
const PUSHED_SHARE = 0.5;
/** So many ideas at most until one is not worse on paper. */
const IDEAS = 12;

/**
 * One to three batches at other moments and otherwise as they lie. What that does to odds and holds is known without placing
 * anything, so only what is not worse there is tried; nothing where nothing came to mind.
 */
export class TimingMoves {
  private readonly giveWay: GiveWay;

  constructor(
    private readonly paper: OnPaper,
    private readonly orders: readonly BatchOrder[],
    private readonly uniform: () => number,
    airGapMm: number,
    private readonly ideals?: Ideals,
  ) {
    this.giveWay = { movable: new Set(orders.map(({ batch }) => batch.id)), airGapMm };
  }

  from(plan: Decoded): Move | undefined {
    const pick = pickerOf(this.uniform);
    const away = this.uniform() < IDEAL_SHARE ? this.awayFromIdeal(plan) : [];
    for (let i = 0; i < IDEAS; i++) {
      if (away.length > 0) {
        const share = pick(OF_THE_WAY);
        const ideal = new Map(
          Array.from({ length: pick(AT_ONCE) }, () => pick(away)).map(([id, byMin]) => [id, Math.round(byMin * share)]),
        );
        const move = this.moveTo(plan, ideal);
        if (move) return move;
        continue;
      }
      const earlier = new Map<string, number>();
      const worst = this.worstOf(plan);
      for (const [id, byMin] of worst) earlier.set(id, byMin);
      for (let left = pick(TOGETHER) - earlier.size; left > 0; left--) earlier.set(pick(this.orders).batch.id, pick(STEPS_MIN));
      const move = this.moveTo(plan, earlier);
      if (move) return move;
    }
    return undefined;
  }

  /** The move to these moments, if it is not worse on paper. Where something is late, what stands in the way gives way now and then; else it is gone round. */
  private moveTo(plan: Decoded, byMin: ReadonlyMap<string, number>): Move | undefined {
    const isNoWorse = (then: ReadonlyMap<string, number>) => this.paper.isNoWorse(plan, this.paper.earlier(plan, then));
    if (!isNoWorse(byMin)) return undefined;
    const all = plan.objective[1] > 0 && this.uniform() < PUSHED_SHARE ? pushed(plan, byMin, this.giveWay) : undefined;
    return this.moveOf(plan, all && (all === byMin || isNoWorse(all)) ? all : byMin);
  }

  /** Batches that are not at their ideal moments, and by how many minutes they would go on earlier. */
  private awayFromIdeal(plan: Decoded): [id: string, byMin: number][] {
    const ideal = this.ideals?.of(plan);
    if (!ideal) return [];
    return this.orders.flatMap((order): [string, number][] => {
      const earlierMin = ideal.get(order.batch.id);
      const byMin = earlierMin === undefined ? 0 : earlierMin - shiftOf(plan, order);
      return Math.abs(byMin) >= NEAR_MIN ? [[order.batch.id, byMin]] : [];
    });
  }

  /** Often what is wrong most: what is late goes on sooner, alone or with others that are; what is held far outside its band at another moment. */
  private worstOf({ atRisk, departing }: Decoded): [id: string, byMin: number][] {
    const pick = pickerOf(this.uniform);
    const list = atRisk.length > 0 ? atRisk : departing;
    if (list.length === 0 || this.uniform() > WORST_SHARE) return [];
    if (atRisk.length > 0 && this.uniform() < GROUP_SHARE) {
      const byMin = pick(SOONER_MIN);
      return atRisk.slice(0, pick(GROUPS)).map(({ batchId }) => [batchId, byMin]);
    }
    const { batchId } = list[Math.floor(this.uniform() ** 2 * list.length)]!;
    return [[batchId, pick(atRisk.length > 0 ? SOONER_MIN : STEPS_MIN)]];
  }

  private moveOf(plan: Decoded, earlier: ReadonlyMap<string, number>): Move | undefined {
    const overrides = { ...plan.scheme.overrides };
    const takenOut = new Set<string>();
    for (const order of this.orders) {
      const { id } = order.batch;
      const byMin = earlier.get(id);
      const wish = byMin !== undefined && wishSooner(plan, order, byMin);
      if (!wish) continue;
      overrides[id] = wish;
      takenOut.add(id);
    }
    if (takenOut.size === 0) return undefined;
    const again = shuffled([...takenOut], this.uniform);
    return { order: [...orderOf(plan).filter((id) => !takenOut.has(id)), ...again], overrides, travel: plan.scheme.travel, takenOut };
  }
}
