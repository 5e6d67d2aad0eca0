import { addMinutes } from '../units';
import { alternativesFor, coreRefused, suitablePits, type Alternative } from './alternatives';
import { shapeKey } from './batchForecast';
import { placeOf, slackMin } from './holding';
import type { Judge } from './judge';
import { departuresH } from './objective';
import { DAYS_A_MINUTE } from './onPaper';
import type { BatchOrder } from './order';
import { piecesOf } from './placeBatch';
import type { PlacementContext } from './placement';
import type { Footprint } from './rackLedger';
import { isLate } from './risk';
import { timingOf } from './timing';
import { firstCarveMs, offPitMin, pullDeadlineMs } from './window';

/** Starts are looked at so far apart. */
const GRID_MIN = 15;
/** The cheapest start of a way, and so many beside it. */
const NEAR_CHEAPEST = [0, -1, 1, -2, 2, -4, 4] as const;

/** One way to cook some pieces on paper, by the quarter hour before its latest start. */
interface PaperWay {
  /** The days on which they are late at the latest start, and by how much, the latest first. */
  days: Int32Array;
  lateMin: Float64Array;
  /** Piece-hours of departure. */
  hours: Float64Array;
}

/** A pit and a heat, and how they finish; any finish where that is not said. */
export interface WishedWay {
  pitId: string;
  pitC: number;
  finish?: { pitId: string; pitC: number } | 'none';
}

/** A way and a start, so many minutes before the latest, with what it costs in piece-hours. */
export interface Candidate {
  alternative: Alternative;
  shiftMin: number;
  costH: number;
}

const isWished = ({ pitId, pitC, finish }: WishedWay, way: Alternative): boolean =>
  way.pit.id === pitId &&
  way.pitC === pitC &&
  (finish === undefined ||
    (finish === 'none' ? way.finish === undefined : way.finish?.pit.id === finish.pitId && way.finish.pitC === finish.pitC));

/**
 * What every way to cook a batch would come to, known before anything is placed: by its forecast at the set point, whatever zone of
 * a rack it then lies in.
 */
export class Ways {
  private readonly known = new WeakMap<BatchOrder, Map<string, PaperWay | undefined>>();
  private readonly pits = new WeakMap<BatchOrder, ReturnType<typeof suitablePits>['pits']>();
  private costs = new Float64Array(0);

  constructor(
    private readonly judge: Judge,
    private readonly uniform: () => number,
  ) {}

  /**
   * Ways and starts for some pieces of a batch, the cheapest first. `lateBatches` says of its serving how many other batches are late
   * by the day, `priceH` what a day more costs; to every way comes up to `noiseH` by chance.
   */
  candidates(
    order: BatchOrder,
    context: PlacementContext,
    pieces: readonly Footprint[],
    { lateBatches, priceH, noiseH = 0, wished }: { lateBatches: Int16Array; priceH: number; noiseH?: number; wished?: WishedWay },
  ): Candidate[] {
    const found: Candidate[] = [];
    for (const alternative of alternativesFor(order, this.pitsOf(order, context), context, wished && { pitC: wished.pitC })) {
      if (wished && !isWished(wished, alternative)) continue;
      const way = this.onPaper(order, alternative, context, pieces);
      if (!way) continue;
      const costs = this.costsOf(way, lateBatches, priceH);
      let cheapest = 0;
      for (let i = 1; i < way.hours.length; i++) if (costs[i]! < costs[cheapest]!) cheapest = i;
      const noise = this.uniform() * noiseH;
      for (const beside of NEAR_CHEAPEST) {
        const at = cheapest + beside;
        if (at >= 0 && at < way.hours.length) found.push({ alternative, shiftMin: at * GRID_MIN, costH: costs[at]! + noise });
      }
    }
    return found.sort((a, b) => a.costH - b.costH);
  }

  private pitsOf(order: BatchOrder, context: PlacementContext) {
    let pits = this.pits.get(order);
    if (!pits) {
      const isRefused = coreRefused(order, context.limits) !== undefined;
      pits = isRefused ? [] : suitablePits(order.cut, order.method, context.pits, piecesOf(order), context.limits.bareMeatPit).pits;
      this.pits.set(order, pits);
    }
    return pits;
  }

  private onPaper(
    order: BatchOrder,
    alternative: Alternative,
    context: PlacementContext,
    pieces: readonly Footprint[],
  ): PaperWay | undefined {
    let own = this.known.get(order);
    if (!own) this.known.set(order, (own = new Map()));
    const { pit, pitC, finish, leavesAtMs, stand } = alternative;
    const part = pieces.length === order.batch.pieces.length ? '' : pieces.map(({ pieceId }) => pieceId).join();
    const key = `${pit.id}|${stand.placeId}|${pitC}|${finish?.pit.id}|${finish?.pitC}|${leavesAtMs}|${part}`;
    if (!own.has(key)) own.set(key, this.reckon(order, alternative, context, pieces));
    return own.get(key);
  }

  private reckon(
    order: BatchOrder,
    alternative: Alternative,
    context: PlacementContext,
    pieces: readonly Footprint[],
  ): PaperWay | undefined {
    const forecast = alternative.forecast();
    const timing = timingOf(order, alternative, pieces);
    const slack = slackMin(order, alternative, context, pieces);
    if (forecast.last.status === 'never' || !Number.isFinite(timing.pullLateMin) || slack < 0) return undefined;
    const { batch, cut } = order;
    const pieceIds = pieces.map(({ pieceId }) => pieceId);
    const carveAtMs = firstCarveMs(order);
    const latestMin = Math.max(1, Math.ceil(timing.pullLateMin - 1e-6));
    const onAtMs = addMinutes(pullDeadlineMs(order, alternative.leavesAtMs, carveAtMs), -latestMin);
    const pulls = batch.pieces
      .filter(({ id }) => pieceIds.includes(id))
      .map((piece) => ({
        pieceId: piece.id,
        medianMs: addMinutes(onAtMs, Math.round(forecast.doneMin[shapeKey(piece)] ?? forecast.pullMedianMin)),
      }));
    const run = { batchId: batch.id, pitId: alternative.pit.id, onAtMs, pulls, carveAtMs, leavesAtMs: alternative.leavesAtMs };
    const late = this.judge.odds.searched.latenessOf(run);
    const days = Int32Array.from(late.keys())
      .filter((day) => isLate(late[day]!))
      .sort((a, b) => late[b]! - late[a]!);
    // In whatever keeps it best: what it will be held in is not known yet.
    const mushMin = Math.max(...[undefined, ...context.gear].map((gear) => forecast.keeps(placeOf(gear), batch.pieces.length).mushMin));
    const ceilingMin = Math.min(cut.holdMaxMin, mushMin - offPitMin(order));
    const hours = Float64Array.from({ length: Math.floor(slack / GRID_MIN) + 1 }, (_, i) => {
      const pulledMs = (minutes: number) => addMinutes(onAtMs, Math.min(latestMin, minutes) - i * GRID_MIN);
      const [pullEarlyMs, pullMedianMs] = [pulledMs(Math.floor(timing.pullEarlyMin)), pulledMs(Math.round(timing.pullMedianMin))];
      const { pitC } = alternative;
      return departuresH(order, { carveAtMs, pullEarlyMs, pullMedianMs, pullLateMs: pulledMs(latestMin), pitC, pieceIds }, ceilingMin);
    });
    return { days, lateMin: Float64Array.from(days, (day) => late[day]!), hours };
  }

  /** What each start costs: departures, and the days on which nothing else of the serving would be late. */
  private costsOf({ days, lateMin, hours }: PaperWay, lateBatches: Int16Array, priceH: number): Float64Array {
    const starts = hours.length;
    if (this.costs.length < starts) this.costs = new Float64Array(2 * starts);
    const { costs } = this;
    // From the earliest start on, with one day after another on which it is late there.
    let [next, alone, minutes] = [0, 0, 0];
    for (let i = starts - 1; i >= 0; i--) {
      while (next < days.length && isLate(lateMin[next]! - i * GRID_MIN)) {
        minutes += lateMin[next]!;
        if (lateBatches[days[next++]!] === 0) alone++;
      }
      costs[i] = hours[i]! + priceH * (alone + DAYS_A_MINUTE * (minutes - next * i * GRID_MIN));
    }
    return costs;
  }
}
