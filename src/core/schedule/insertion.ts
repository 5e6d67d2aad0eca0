import type { Step } from './decoded';
import { PER_SPLIT_H } from './objective';
import type { OnPaper, Prices } from './onPaper';
import type { BatchOrder } from './order';
import { piecesOf, type Placed } from './placeBatch';
import { mark, rollBack, type PlacementContext } from './placement';
import type { Footprint } from './rackLedger';
import { Shut, tryAlternative } from './trial';
import type { Candidate, WishedWay, Ways } from './ways';

/** So many ways and starts are tried for a batch; for one that was nowhere, so many. */
const TRIES = 12;
const TRIES_NOWHERE = 40;

/** What is put in again, and what it may cost. */
export interface InsertionOf {
  /** What stays as it lies. */
  kept: readonly Step[];
  prices: Prices;
  /** Piece-hours that all of it may cost; without end where something was nowhere. */
  budgetH: number;
  /** So much more or less any way may seem to cost. */
  noiseH: number;
}

/** Puts batches in again one after another, each where it costs the least of what can be had, and gives up once that is more than it may. */
export class Insertion {
  /** How many batches are late by the day, by serving. */
  private readonly lateBatches = new Map<string, Int16Array>();
  private leftH: number;
  private readonly tries: number;

  constructor(
    private readonly ways: Ways,
    private readonly paper: OnPaper,
    private readonly of: InsertionOf,
  ) {
    this.leftH = of.budgetH;
    this.tries = of.budgetH === Infinity ? TRIES_NOWHERE : TRIES;
    for (const { id, placed } of of.kept) if (placed.runs.length > 0) this.count(id, placed);
  }

  private lateOf(servingId: string, days: number): Int16Array {
    let late = this.lateBatches.get(servingId);
    if (!late) this.lateBatches.set(servingId, (late = new Int16Array(days)));
    return late;
  }

  private count(id: string, placed: Placed): void {
    const { servingId, late, lateDays } = this.paper.paperOf(id, placed);
    const count = this.lateOf(servingId, late.length);
    for (const day of lateDays) count[day]!++;
  }

  /** Where a batch, or some of it, would cost the least, if it can be had or not. */
  candidates(order: BatchOrder, context: PlacementContext, pieces: readonly Footprint[], wished?: WishedWay): Candidate[] {
    const { id } = order.serving;
    return this.ways.candidates(order, context, pieces, {
      lateBatches: this.lateOf(id, this.paper.days),
      priceH: this.of.prices.get(id) ?? 0,
      noiseH: wished ? 0 : this.of.noiseH,
      wished,
    });
  }

  /** Places a batch in so many runs, in the wished way if there is one; nothing where that cannot be had for what is left. */
  place(order: BatchOrder, context: PlacementContext, parts: number, wished?: WishedWay): Placed | undefined {
    const pieces = piecesOf(order);
    const size = Math.ceil(pieces.length / parts);
    const placed: Placed = { runs: [], claims: [], left: [], problems: [] };
    for (let from = 0; from < pieces.length; from += size) {
      if (from > 0) this.leftH -= PER_SPLIT_H;
      if (!this.placePart(order, context, pieces.slice(from, from + size), wished, placed)) return undefined;
    }
    this.count(order.batch.id, placed);
    return placed;
  }

  private placePart(
    order: BatchOrder,
    context: PlacementContext,
    part: Footprint[],
    wished: WishedWay | undefined,
    { runs, claims }: Placed,
  ): boolean {
    const shut = new Shut();
    let tries = 0;
    for (const { alternative, shiftMin, costH } of this.candidates(order, context, part, wished)) {
      if (costH > this.leftH + 1e-9) return false;
      if (shut.has(alternative, shiftMin)) continue;
      if (++tries > this.tries) return false;
      const before = mark(context);
      const trial = tryAlternative(order, context, alternative, part, { shiftMin, carveLaterMin: 0 });
      if (trial.run && trial.taken.length === part.length) {
        if (shiftMin > 0) trial.run.why.push({ code: 'idealHold', minutes: shiftMin });
        runs.push(trial.run);
        claims.push(trial.claims!);
        this.leftH -= costH;
        return true;
      }
      rollBack(context, before);
      shut.note(alternative, trial);
    }
    return false;
  }
}
