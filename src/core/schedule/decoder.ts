import type { ManualPlacement, Override, Piece, Pin, Scheme } from '../model';
import { claimedMm2 } from '../packing';
import type { Whereabouts } from '../travel';
import { CrewLedger } from './crewLedger';
import type { Decoded, Schedule, SearchInput, Step } from './decoded';
import { forcePlace } from './forcePlace';
import { HeatLedger } from './heatLedger';
import { HoldLedger } from './holdLedger';
import { Judge } from './judge';
import type { BatchOrder } from './order';
import { placeBatch, type Placed } from './placeBatch';
import { mark, rollBack, type Marks, type PlacementContext } from './placement';
import { footprintOf, pieceKey, RackLedger, type PackingMemo } from './rackLedger';

/** What a batch asks of the pits: long, tight-heated, large batches first. */
export function byPitSpace(a: BatchOrder, b: BatchOrder): number {
  const demand = ({ batch, cut, method }: BatchOrder) =>
    batch.pieces.reduce((sum, piece) => sum + claimedMm2(footprintOf(cut, batch.id, piece)) * Math.pow(piece.kg, 2 / 3), 0) /
    (method.pitRangeC[1] - method.pitRangeC[0] + 5);
  return demand(b) - demand(a);
}

/** Places that a pin keeps of the pieces it holds. */
const placedBy = ({ batchId, places = [] }: Pin, { batch }: BatchOrder): ManualPlacement[] =>
  places.filter((place) => batch.pieces.some((piece) => piece.id === place.pieceId)).map((place) => ({ batchId, ...place }));

const partOf = (order: BatchOrder, pieces: readonly Piece[]): BatchOrder =>
  pieces.length === order.batch.pieces.length ? order : { ...order, batch: { ...order.batch, pieces: [...pieces] } };

/** Steps of another plan that stay as they lie there, by key. */
type Kept = ReadonlyMap<string, Placed>;
/** Puts a batch, or what of it is not pinned, somewhere. */
type Placer = (order: BatchOrder, context: PlacementContext) => Placed | undefined;

/**
 * Places batches one after another by a scheme. Between two schemes only the batches after the first
 * difference are placed anew; the ledgers go back to that point. The plan is the same as from scratch
 * (tests/properties).
 */
export class Decoder {
  readonly orders: ReadonlyMap<string, BatchOrder>;
  private context: PlacementContext;
  private travel = '{}';
  private readonly sizes: Map<string, ReturnType<typeof footprintOf>>;
  /** What plans come to. */
  readonly judge: Judge;
  private readonly contextFor: (whereabouts: Whereabouts) => PlacementContext;
  private readonly usual: string[];
  /** Pieces that the owner has put somewhere, each pin as an order of its own. */
  private readonly pinned = new Map<string, { order: BatchOrder; pin: Pin }>();
  /** What of each batch is left to the search. */
  private readonly free = new Map<string, BatchOrder>();
  private readonly texts = new WeakMap<Override, string>();
  private steps: Step[] = [];
  private marks: Marks[] = [];

  constructor(
    orders: readonly BatchOrder[],
    readonly input: SearchInput,
    memo: PackingMemo = new Map(),
    toldOn?: { days: number; seed: string },
  ) {
    this.orders = new Map(orders.map((order) => [order.batch.id, order]));
    this.judge = new Judge(this.orders, input, toldOn);
    this.usual = [...orders].sort(byPitSpace).map((order) => order.batch.id);
    this.setPins(orders);
    this.sizes = new Map(
      orders
        .flatMap(({ batch, cut }) => batch.pieces.map((piece) => footprintOf(cut, batch.id, piece)))
        .map((each) => [pieceKey(each), each]),
    );
    const manualPlacements = [...input.manualPlacements, ...[...this.pinned.values()].flatMap(({ pin, order }) => placedBy(pin, order))];
    this.contextFor = (whereabouts) => {
      const crewLedger = new CrewLedger(whereabouts.crew);
      for (const { who, atMs, minutes } of whereabouts.work) crewLedger.retake(who, atMs, minutes);
      return {
        ...input,
        whereabouts,
        manualPlacements,
        racks: new RackLedger(manualPlacements, this.sizes, memo, input.airGapMm),
        heat: new HeatLedger(),
        holds: new HoldLedger(),
        crewLedger,
      };
    };
    this.context = this.contextFor(input.travelFor({}));
  }

  /** Splits the batches into what is pinned and what is left; a pin on a pit that is gone holds nothing. */
  private setPins(orders: readonly BatchOrder[]): void {
    const { pins, pits } = this.input;
    for (const order of orders) {
      const { batch } = order;
      let left = batch.pieces;
      for (const pin of pins.filter((each) => each.batchId === batch.id && pits.some((pit) => pit.id === each.pitId))) {
        const held = left.filter((piece) => !pin.pieceIds || pin.pieceIds.includes(piece.id));
        if (held.length === 0) continue;
        left = left.filter((piece) => !held.includes(piece));
        this.pinned.set(`${batch.id}/pin${this.pinned.size + 1}`, { order: partOf(order, held), pin });
      }
      if (left.length > 0) this.free.set(batch.id, partOf(order, left));
    }
  }

  /** Whether all of a batch is pinned. */
  isHeld(id: string): boolean {
    return this.orders.has(id) && !this.free.has(id);
  }

  /** The steps of a scheme: pins first, then batches in its order, unknown ones left out, new ones last. */
  private sequence(scheme: Scheme): string[] {
    const batches = [...new Set([...scheme.order, ...this.usual])].filter((id) => this.orders.has(id));
    const rank = (key: string) => batches.indexOf(this.pinned.get(key)!.order.batch.id);
    const pinned = [...this.pinned.keys()].sort((a, b) => rank(a) - rank(b));
    return [...pinned, ...batches.filter((id) => this.free.has(id))];
  }

  /**
   * The plan of a scheme. `known` is that plan, made before, to be taken up again. `kept` are steps of another plan that stay as
   * they lie there: what else there is goes round them. Such a plan breaks no rule, but a scheme that was decoded
   * from nothing may come to another.
   */
  decode(scheme: Scheme, known?: Decoded, kept?: Kept): Decoded {
    return this.decodeTo(scheme, { known, kept })!;
  }

  /**
   * The same, every batch that is not kept whole and within so many minutes of its wish; nothing when one of them cannot be,
   * or when the plan is worse than `bar`.
   */
  decodeNear(scheme: Scheme, kept: Kept, reachMin: number, bar?: Decoded): Decoded | undefined {
    return this.decodeTo(scheme, { kept, reachMin, bar });
  }

  /** The same, every batch that is not kept or pinned where `placer` puts it; nothing when it does not. */
  decodeBy(scheme: Scheme, kept: Kept, placer: Placer): Decoded | undefined {
    return this.decodeTo(scheme, { kept, placer });
  }

  /** Asks something of the ledgers as they are, leaving them so. */
  ask<T>(question: (context: PlacementContext) => T): T {
    return question(this.context);
  }

  private decodeTo(
    scheme: Scheme,
    { known, kept, reachMin, bar, placer }: { known?: Decoded; kept?: Kept; reachMin?: number; bar?: Decoded; placer?: Placer },
  ): Decoded | undefined {
    const keys = this.sequence(scheme);
    const travel = JSON.stringify(scheme.travel ?? {});
    if (travel !== this.travel) {
      this.travel = travel;
      this.context = this.contextFor(this.input.travelFor(scheme.travel ?? {}));
      this.steps = [];
      this.marks = [];
    }
    let same = 0;
    const batchOf = (key: string) => this.pinned.get(key)?.order.batch.id ?? key;
    const choiceOf = (key: string) => this.textOf(scheme.overrides[batchOf(key)]);
    const isThere = (i: number): boolean => {
      const [step, key] = [this.steps[i]!, keys[i]!];
      if (step.key !== key || step.override !== choiceOf(key)) return false;
      return known ? known.steps[i]?.placed === step.placed : kept ? kept.get(key) === step.placed : step.pure;
    };
    while (same < keys.length && same < this.steps.length && isThere(same)) same++;
    if (same < this.steps.length) rollBack(this.context, this.marks[same]!);
    this.steps.length = same;
    this.marks.length = same;
    for (let i = same; i < keys.length; i++) {
      const key = keys[i]!;
      const override = choiceOf(key);
      this.marks.push(mark(this.context));
      const before = known?.steps[i];
      const again = before && before.key === key && before.override === override ? before.placed : kept?.get(key);
      if (!again) known = undefined;
      const isFree = reachMin === undefined && placer === undefined;
      const pure = isFree && (this.steps.at(-1)?.pure ?? true) && (again === undefined || Boolean(known?.steps[i]!.pure));
      const placed = again ? this.replace(again) : this.place(key, scheme, reachMin, placer);
      if (!placed) {
        rollBack(this.context, this.marks.pop()!);
        return undefined;
      }
      this.steps.push({ key, id: batchOf(key), override, placed, pure });
      if (reachMin !== undefined && !again && placed.left.length > 0) return undefined;
    }
    return known ?? this.judge.weigh(scheme, this.steps, this.context, bar);
  }

  /** A plan as it is told. */
  told(decoded: Decoded): Schedule {
    this.restore(decoded);
    return this.judge.told(decoded, this.context, this.sizes);
  }

  /** Takes up a plan made before, without looking for places again. */
  restore(decoded: Decoded): void {
    this.decode(decoded.scheme, decoded);
  }

  private place(key: string, scheme: Scheme, reachMin?: number, placer?: Placer): Placed | undefined {
    const pinned = this.pinned.get(key);
    if (pinned) return forcePlace(pinned.order, this.context, pinned.pin);
    if (placer) return placer(this.free.get(key)!, this.context);
    const override = scheme.overrides[key];
    const held = [...this.pinned.values()].filter((each) => each.order.batch.id === key).length;
    // A pinned run is one of the runs the batch was to be split into.
    const left = override?.parts && held > 0 ? { ...override, parts: Math.max(1, override.parts - held) } : override;
    return placeBatch(this.free.get(key)!, this.context, left, reachMin);
  }

  private replace(placed: Placed): Placed {
    for (const run of placed.runs) for (const work of run.work) this.context.crewLedger.retake(work.who, work.atMs, work.minutes);
    for (const claims of placed.claims) {
      for (const use of claims.racks) this.context.racks.add(use);
      for (const use of claims.heat) this.context.heat.add(use);
      for (const use of claims.holds) this.context.holds.add(use);
    }
    return placed;
  }

  /** Wishes are never changed once they are made: each is written once. */
  private textOf(override: Override | undefined): string {
    if (!override) return '{}';
    let text = this.texts.get(override);
    if (text === undefined) this.texts.set(override, (text = JSON.stringify(override)));
    return text;
  }
}
