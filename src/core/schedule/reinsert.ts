import type { Override } from '../model';
import { pickerOf } from '../numerics';
import { addMinutes } from '../units';
import type { Decoded, Step } from './decoded';
import type { Ideals } from './idealMoments';
import { Insertion } from './insertion';
import { fromOf, type From } from './moveFrom';
import type { OnPaper } from './onPaper';
import type { BatchOrder } from './order';
import { piecesOf } from './placeBatch';
import type { SearchDesk } from './searchDesk';
import { atAnotherHeat, besides, inItsWay, swapped, type Desired, type TakenOut } from './takeOut';
import { Ways } from './ways';
import { firstCarveMs, pullDeadlineMs } from './window';
import { orderOf } from './wishes';

/** So often the first that is taken out is what is wrong most. */
const TROUBLED_SHARE = 0.6;
/** So often two pits change places, or a pit gets another heat; of the rest, so often a batch gets a way that it would rather have. */
const SWAPPED_SHARE = 0.15;
const REHEATED_SHARE = 0.15;
const DESIRED_SHARE = 0.5;
/** So often a batch goes in again in as many runs as it was in. */
const AS_MANY_SHARE = 0.75;
/** By so much, in piece-hours, ways are made to look dearer by chance. */
const NOISE_H = [0, 0.3, 1, 3] as const;
const CHEAPER_H = 1e-6;

/**
 * Batches taken out of a plan and put in again where each costs the least, by what departures and late days come to: as in
 * large-neighbourhood search with greedy insertion, the late days priced as by a Lagrange multiplier.
 */
export class Reinsertion {
  private readonly ways: Ways;

  constructor(
    private readonly desk: SearchDesk,
    private readonly paper: OnPaper,
    private readonly ideals: Ideals,
    private readonly uniform: () => number,
  ) {
    this.ways = new Ways(desk.decoder.judge, uniform);
  }

  /** The plan at hand with some batches put in again; nothing where that would cost more than it does and `slackH` piece-hours. */
  from(current: Decoded, slackH: number): Decoded | undefined {
    const { desk, uniform } = this;
    const pick = pickerOf(uniform);
    const from = fromOf(current, desk.free, desk.input, uniform, this.ideals);
    const out = this.takenOut(from);
    if (!out) return undefined;
    const ids = new Set(out.ids);
    const { kept, prices, costH } = this.without(current, ids);
    const insertion = new Insertion(this.ways, this.paper, { kept, prices, budgetH: slackH + costH, noiseH: pick(NOISE_H) });
    const parts = new Map(out.ids.map((id) => [id, this.partsOf(from, id)]));
    const overrides = { ...current.scheme.overrides };
    for (const [id, count] of parts) {
      delete overrides[id];
      if (count > 1) overrides[id] = { parts: count } satisfies Override;
    }
    const scheme = desk.stamp({
      order: [...orderOf(current).filter((id) => !ids.has(id)), ...out.ids],
      overrides,
      travel: current.scheme.travel,
    });
    return desk.decoder.decodeBy(scheme, new Map(kept.map(({ key, placed }) => [key, placed])), (order, context) => {
      const { id } = order.batch;
      return insertion.place(order, context, Math.min(parts.get(id)!, order.batch.pieces.length), out.wished.get(id));
    });
  }

  /** What stays of a plan without some batches (what is pinned of them does), and what they cost in it: without end where something of them is nowhere. */
  private without(current: Decoded, ids: ReadonlySet<string>) {
    const isOut = ({ id, key }: Step) => ids.has(id) && id === key;
    const kept = current.steps.filter((step) => !isOut(step));
    const prices = this.ideals.pricesOf(current);
    const isNowhere = current.steps.some((step) => isOut(step) && step.placed.left.length > 0);
    const costH = isNowhere ? Infinity : this.paper.costH(current.steps, prices) - this.paper.costH(kept, prices);
    return { kept, prices, costH };
  }

  private takenOut(from: From): TakenOut | undefined {
    const { order, troubled, atRisk, departing, uniform } = from;
    const worst = [troubled, atRisk, departing].find((list) => list.length > 0) ?? [];
    const isWorst = worst.length > 0 && uniform() < TROUBLED_SHARE;
    const first = isWorst ? worst[Math.floor(uniform() ** 2 * worst.length)]! : pickerOf(uniform)(order);
    const kind = uniform();
    if (kind < SWAPPED_SHARE) return swapped(from, first);
    if (kind < SWAPPED_SHARE + REHEATED_SHARE) return atAnotherHeat(from, first);
    const desired = uniform() < DESIRED_SHARE ? this.desiredBy(from, first) : undefined;
    return (desired && inItsWay(from, first, desired)) ?? besides(from, first);
  }

  /** A way that would cost a batch less than its own, if only it could be had. */
  private desiredBy({ current, byId, uniform }: From, id: string): Desired | undefined {
    const order = byId.get(id)!;
    const { kept, prices, costH: nowH } = this.without(current, new Set([id]));
    const alone = new Insertion(this.ways, this.paper, { kept, prices, budgetH: nowH, noiseH: 0 });
    const cheaper = this.desk.decoder
      .ask((context) => alone.candidates(order, context, piecesOf(order)))
      .filter(({ costH }) => costH < nowH - CHEAPER_H);
    if (cheaper.length === 0) return undefined;
    const { alternative, shiftMin } = cheaper[Math.floor(uniform() ** 2 * cheaper.length)]!;
    const { pit, pitC, finish, leavesAtMs } = alternative;
    const toMs = addMinutes(pullDeadlineMs(order, leavesAtMs, firstCarveMs(order)), -shiftMin);
    return {
      pitId: pit.id,
      pitC,
      finish: finish ? { pitId: finish.pit.id, pitC: finish.pitC } : 'none',
      fromMs: addMinutes(toMs, -Math.ceil(alternative.forecast().pullLateMin)),
      toMs,
    };
  }

  private partsOf({ current, byId, uniform }: From, id: string): number {
    const order: BatchOrder = byId.get(id)!;
    const now = Math.max(1, current.runs.filter(({ batchId }) => batchId === id).length);
    const then = uniform() < AS_MANY_SHARE ? now : pickerOf(uniform)([1, Math.max(1, now - 1), now + 1]);
    return Math.min(order.batch.pieces.length, then);
  }
}
