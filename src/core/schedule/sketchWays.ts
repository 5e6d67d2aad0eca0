import { claimedMm2 } from '../packing';
import { MS_PER_MIN } from '../units';
import { alternativesFor, coreRefused, suitablePits, type Alternative } from './alternatives';
import type { Step } from './decoded';
import { SAME_C } from './heatLedger';
import type { OnPaper } from './onPaper';
import type { BatchOrder } from './order';
import { piecesOf } from './placeBatch';
import type { PlacementContext } from './placement';
import type { Footprint } from './rackLedger';
import { timingOf } from './timing';
import { GRID_MIN, type Ways } from './ways';
import { firstCarveMs, outOfBand, phasesOf, windowOf } from './window';

/** A pit that a way needs at one heat, in minutes since 1970 at its latest start. Pits are told by where they stand among the event's. */
export interface PitHeat {
  pit: number;
  pitC: number;
  fromMin: number;
  toMin: number;
}
/** Room that a way needs on a pit, whatever its heat. */
export type PitStay = Omit<PitHeat, 'pitC'>;

/** One way to cook some pieces together, as far as pits, odds and holds go. */
export interface SketchWay {
  /** None where it is pinned. */
  alternative?: Alternative;
  heats: readonly PitHeat[];
  stays: readonly PitStay[];
  pits: readonly number[];
  /** Piece-hours of departure, by the quarter hour before its latest start. */
  hours: Float64Array;
  /** Days on which it is late at its latest start, and by how many minutes, the latest first. */
  days: Int32Array;
  lateMin: Float64Array;
  /** So much earlier than its latest start it may go on, and so much earlier it departs the least. */
  mostMin: number;
  cheapestMin: number;
  /** From going on to the late finish. */
  lastsMin: number;
}

/** Pieces that are cooked together, wherever that is. */
export interface Slot {
  order: BatchOrder;
  pieces: Footprint[];
  mm2: number;
  alternatives: readonly Alternative[];
  /** Reckoned when they are asked for; nothing where they cannot be. */
  ways: (SketchWay | null | undefined)[];
}

/** A batch may be cooked in so many runs. */
const MOST_PARTS = 3;

const toMin = (atMs: number): number => Math.round(atMs / MS_PER_MIN);
const areaOf = (pieces: readonly Footprint[]): number => pieces.reduce((sum, piece) => sum + claimedMm2(piece), 0);

/** The ways in which an event's batches may be cooked: in every pit, at every heat that any of them asks for and they bear. */
export class SketchWays {
  private readonly context: PlacementContext;
  private readonly pitAt: ReadonlyMap<string, number>;

  constructor(
    orders: readonly BatchOrder[],
    context: PlacementContext,
    private readonly ways: Ways,
  ) {
    const heats = [...new Set(orders.flatMap(({ method }) => [method.pitC, ...method.pitRangeC]))];
    this.context = { ...context, heat: Object.assign(Object.create(context.heat) as typeof context.heat, { heatsOf: () => heats }) };
    this.pitAt = new Map(context.pits.map((pit, i) => [pit.id, i]));
  }

  /** A batch, or what of it is not pinned, in one run, in two, and so on. */
  slotsOf(order: BatchOrder): Slot[][] {
    const { context } = this;
    const all = piecesOf(order);
    const pits = coreRefused(order, context.limits)
      ? []
      : suitablePits(order.cut, order.method, context.pits, all, context.limits.bareMeatPit).pits;
    const alternatives = alternativesFor(order, pits, context);
    return Array.from({ length: Math.min(all.length, MOST_PARTS) }, (_, less) => {
      const size = Math.ceil(all.length / (less + 1));
      return Array.from({ length: Math.ceil(all.length / size) }, (__, i): Slot => {
        const pieces = all.slice(i * size, (i + 1) * size);
        return { order, pieces, mm2: areaOf(pieces), alternatives, ways: [] };
      });
    });
  }

  /** The way in which a slot is cooked by one of its alternatives. */
  wayOf(slot: Slot, at: number): SketchWay | null {
    let way = slot.ways[at];
    if (way === undefined) slot.ways[at] = way = this.reckon(slot, slot.alternatives[at]!);
    return way;
  }

  private reckon({ order, pieces }: Slot, alternative: Alternative): SketchWay | null {
    const { context } = this;
    const paper = this.ways.onPaper(order, alternative, context, pieces);
    const window = paper && windowOf(order, alternative, timingOf(order, alternative, pieces), firstCarveMs(order), 0);
    const phases = window && phasesOf(order, alternative, window, context.limits.bareMeatPit);
    if (!paper || !phases || phases.some(outOfBand)) return null;
    const heats: PitHeat[] = [];
    for (const { pitId, pitC, fromMs, toMs } of phases) {
      const pit = this.pitAt.get(pitId)!;
      const last = heats.at(-1);
      if (last && last.pit === pit && Math.abs(last.pitC - pitC) < SAME_C) last.toMin = toMin(toMs);
      else heats.push({ pit, pitC, fromMin: toMin(fromMs), toMin: toMin(toMs) });
    }
    const { pit, stand } = alternative;
    const onMin = heats[0]!.fromMin;
    const mostMin = Math.min(
      (paper.hours.length - 1) * GRID_MIN,
      Math.floor(onMin - pit.warmUpMin - Math.max(context.earliestMs, stand.fromMs) / MS_PER_MIN),
    );
    if (mostMin < 0) return null;
    let cheapest = 0;
    for (let i = 1; i < paper.hours.length; i++) if (paper.hours[i]! < paper.hours[cheapest]!) cheapest = i;
    return {
      ...paper,
      alternative,
      heats,
      ...roomFor(heats),
      mostMin,
      cheapestMin: Math.min(mostMin, cheapest * GRID_MIN),
      lastsMin: heats.at(-1)!.toMin - onMin,
    };
  }

  /** What is pinned, pit by pit: it stays where it is. */
  pinnedOf({ id, placed }: Step, paper: OnPaper): { way: SketchWay; mm2: number; order: BatchOrder }[] {
    const order = paper.judge.orders.get(id)!;
    return placed.claims.flatMap((claims, nth) => {
      const pits = [...new Set(claims.heat.map((use) => use.pitId))];
      return pits.map((pitId, i) => {
        const pit = this.pitAt.get(pitId)!;
        const heats = claims.heat
          .filter((use) => use.pitId === pitId)
          .map((use) => ({ pit, pitC: use.pitC, fromMin: toMin(use.fromMs), toMin: toMin(use.toMs) }));
        const { lateDays, late } = paper.paperOf(id, placed);
        const days = nth === 0 && i === 0 ? lateDays : new Int32Array(0);
        const mm2 = claims.racks.reduce((sum, use) => (use.pitId === pitId ? sum + use.areaMm2 : sum), 0);
        const lateMin = Float64Array.from(days, (day) => late[day]!);
        return {
          order,
          mm2,
          way: { heats, ...roomFor(heats), hours: new Float64Array(1), days, lateMin, mostMin: 0, cheapestMin: 0, lastsMin: 0 },
        };
      });
    });
  }
}

function roomFor(heats: readonly PitHeat[]): { stays: PitStay[]; pits: number[] } {
  const stays: PitStay[] = [];
  for (const { pit, fromMin, toMin: until } of heats) {
    const last = stays.at(-1);
    if (last?.pit === pit) last.toMin = until;
    else stays.push({ pit, fromMin, toMin: until });
  }
  return { stays, pits: [...new Set(stays.map(({ pit }) => pit))] };
}
