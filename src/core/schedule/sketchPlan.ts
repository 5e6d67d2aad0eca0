import type { Override } from '../model';
import { MS_PER_MIN } from '../units';
import type { Alternative } from './alternatives';
import type { Decoded } from './decoded';
import { OnPaper } from './onPaper';
import type { BatchOrder } from './order';
import { piecesOf, placeBatch, type Placed } from './placeBatch';
import { mark, rollBack, type PlacementContext } from './placement';
import type { SearchDesk } from './searchDesk';
import { NOWHERE, Sketch, UNUSED } from './sketch';
import { SketchWays } from './sketchWays';
import { timingOf } from './timing';
import { tryAlternative } from './trial';
import { Ways } from './ways';
import { orderOf } from './wishes';

/** Where a slot cannot be had when it is sketched, it is tried so much earlier or later. */
const TRIED_MIN = [0, 15, -15, 30, -30, 45, 60, -45, -60, 90, 120] as const;
/** Below this share, minutes are only rounded. */
const LEAST_SHARE = 0.004;

const finishOf = ({ pit, finish }: Alternative): string => (finish ? `${finish.pit.id} ${finish.pitC}` : pit.id);

/** Sketches of a search's plans, and the plans that are made of them. */
export class SketchDesk {
  readonly sketch: Sketch;
  private readonly orders: readonly BatchOrder[];

  constructor(
    private readonly desk: SearchDesk,
    uniform: () => number,
  ) {
    const { best, free, decoder, input } = desk;
    decoder.restore(best);
    const paper = new OnPaper(decoder.judge);
    this.orders = free.map(({ batch }) => decoder.freeOf(batch.id));
    const pinned = best.steps.filter(({ key, id }) => key !== id);
    const ways = decoder.ask((context) => new SketchWays(this.orders, context, new Ways(decoder.judge, uniform)));
    this.sketch = new Sketch(this.orders, pinned, input.pits, paper, ways);
  }

  /** Sketches a plan, and learns how much sooner things are done where they lie in it than their pits' set points say. */
  takeUp(plan: Decoded): void {
    const { sketch } = this;
    this.learn(plan);
    this.orders.forEach((order, batch) => {
      for (const i of sketch.slotsOf(batch)) sketch.set([i, UNUSED, 0]);
      const runs = plan.steps.findLast(({ key }) => key === order.batch.id)?.placed.runs ?? [];
      sketch.parts[batch] = Math.max(1, Math.min(sketch.bySplit[batch]!.length, runs.length)) - 1;
      for (const i of sketch.slotsOf(batch)) {
        const slot = sketch.slots[i]!;
        const run = runs.find(({ pieceIds }) => pieceIds.includes(slot.pieces[0]!.pieceId));
        const at = run ? slot.alternatives.findIndex((each) => isOf(run, each)) : NOWHERE;
        const way = at >= 0 ? sketch.all.wayOf(slot, at) : null;
        if (!run || !way) {
          sketch.set([i, NOWHERE, 0]);
          continue;
        }
        const earlierMin = Math.round(way.heats.at(-1)!.toMin - run.pullLateMs / MS_PER_MIN);
        sketch.set([i, at, Math.max(0, Math.min(way.mostMin, earlierMin))]);
      }
    });
  }

  private learn(plan: Decoded): void {
    const { sketch, desk } = this;
    const on = desk.input.pits.map(() => ({ saidMin: 0, takesMin: 0 }));
    for (const run of plan.runs) {
      const batch = this.orders.findIndex((order) => order.batch.id === run.batchId);
      const alternative = batch < 0 ? undefined : sketch.slots[sketch.bySplit[batch]![0]![0]!]!.alternatives.find((each) => isOf(run, each));
      if (!alternative) continue;
      const order = this.orders[batch]!;
      const pieces = piecesOf(order).filter(({ pieceId }) => run.pieceIds.includes(pieceId));
      const saidMin = timingOf(order, alternative, pieces).pullMedianMin;
      if (!Number.isFinite(saidMin)) continue;
      const here = on[desk.input.pits.indexOf(alternative.pit)]!;
      here.saidMin += saidMin;
      here.takesMin += (run.pullMedianMs - run.onAtMs) / MS_PER_MIN;
    }
    sketch.learn(
      on.map(({ saidMin, takesMin }) => {
        const share = saidMin > 0 ? 1 - takesMin / saidMin : 0;
        return Math.abs(share) < LEAST_SHARE ? 0 : share;
      }),
    );
  }

  /** The plan of the sketch: every batch as it is sketched, or near that; what is pinned in `current` stays. */
  plan(current: Decoded): Decoded | undefined {
    const { sketch, desk } = this;
    const onMin = (slots: readonly number[]) =>
      Math.min(...slots.map((i) => (sketch.way[i]! < 0 ? Infinity : sketch.ways[i]!.heats[0]!.fromMin - sketch.earlierMin[i]!)));
    const batches = this.orders
      .map(({ batch: { id } }, batch) => ({ id, slots: sketch.slotsOf(batch) }))
      .map((each) => ({ ...each, onMin: onMin(each.slots) }))
      .sort((a, b) => (a.onMin === b.onMin ? 0 : a.onMin - b.onMin));
    const slotsOf = new Map(batches.map(({ id, slots }) => [id, slots]));
    const overrides = { ...current.scheme.overrides };
    for (const { id, slots } of batches) {
      delete overrides[id];
      if (slots.length > 1) overrides[id] = { parts: slots.length } satisfies Override;
    }
    const scheme = desk.stamp({
      order: [...orderOf(current).filter((id) => !slotsOf.has(id)), ...slotsOf.keys()],
      overrides,
      travel: current.scheme.travel,
    });
    const kept = current.steps.filter(({ key, id }) => key !== id);
    return desk.decoder.decodeBy(scheme, new Map(kept.map(({ key, placed }) => [key, placed])), (order, context) =>
      this.place(order, context, slotsOf.get(order.batch.id)!),
    );
  }

  private place(order: BatchOrder, context: PlacementContext, slots: readonly number[]): Placed {
    const { sketch } = this;
    const before = mark(context);
    const placed: Placed = { runs: [], claims: [], left: [], problems: [] };
    for (const i of slots) {
      const trial = sketch.way[i] === NOWHERE ? undefined : this.tryNear(order, context, i);
      if (!trial?.run) {
        rollBack(context, before);
        return placeBatch(order, context, this.wishFor(i, slots.length));
      }
      placed.runs.push(trial.run);
      placed.claims.push(trial.claims!);
    }
    return placed;
  }

  private tryNear(order: BatchOrder, context: PlacementContext, i: number) {
    const { sketch } = this;
    const { pieces } = sketch.slots[i]!;
    const { alternative, heats } = sketch.ways[i]!;
    for (const byMin of TRIED_MIN) {
      const shiftMin = sketch.earlierMin[i]! + byMin;
      if (shiftMin < 0) continue;
      const marks = mark(context);
      const trial = tryAlternative(order, context, alternative!, pieces, { shiftMin, carveLaterMin: 0 });
      if (trial.run && trial.taken.length === pieces.length) {
        if (shiftMin > 0) trial.run.why.push({ code: 'idealHold', minutes: shiftMin });
        return trial;
      }
      // Some of it fits, or none for want of room: the floor takes less than was thought.
      if (byMin === 0 && (trial.run || trial.refusal?.code === 'areaShort' || trial.refusal?.code === 'noSpot')) sketch.lessRoom(heats[0]!.pit);
      rollBack(context, marks);
    }
    return undefined;
  }

  private wishFor(i: number, parts: number): Override {
    const { sketch } = this;
    const split = parts > 1 && { parts };
    if (sketch.way[i] === NOWHERE) return { ...split };
    const { pit, pitC, finish } = sketch.ways[i]!.alternative!;
    return {
      pitId: pit.id,
      pitC,
      ...(finish && { finish: { pitId: finish.pit.id, pitC: finish.pitC } }),
      earlierMin: sketch.earlierMin[i]!,
      ...split,
    };
  }
}

/** Whether a run is cooked in this way. */
function isOf({ pitId, pitC, finishC, legs, moveAtMs }: Decoded['runs'][number], alternative: Alternative): boolean {
  if (alternative.pit.id !== pitId || alternative.pitC !== pitC) return false;
  const finishId = legs.find((leg) => leg.fromMs === moveAtMs)?.pitId ?? pitId;
  return finishOf(alternative) === (finishC === undefined ? pitId : `${finishId} ${finishC}`);
}
