import { DAYS_A_MINUTE, type PaperBatch } from './onPaper';
import { isLate } from './risk';

/** A batch that goes on so much earlier, as early as its holds allow and as late as it may be. */
export interface Movable extends PaperBatch {
  leastMin: number;
  mostMin: number;
}

/** A batch goes on so much earlier or later at a time. */
const STEPS_MIN = [60, 15, 5] as const;
const ROUNDS = 6;
/** Where the serving may be late no more often, one batch goes on so much earlier or later, so many times. */
const ALONE_MIN = [120, 60, 30, 15, 8, 4, 2, 1] as const;
const ALONE_TIMES = 80;
/** Or one goes on later and another earlier. */
const IN_EXCHANGE_MIN = [30, 15, 5, 2] as const;
const EXCHANGES = 30;
/** A batch that takes no late day has the better of one that takes one. */
const NO_DAY = 0.5;
const GAINS_H = 1e-6;

/** Days, the latest first, with their minutes late, and the sums of the first so many. */
interface Sorted {
  days: Int32Array;
  late: Float64Array;
  sums: Float64Array;
}

const known = new WeakMap<Float64Array, Sorted>();

function latestFirst(late: Float64Array): Sorted {
  let found = known.get(late);
  if (found) return found;
  const days = Int32Array.from(late.keys()).sort((a, b) => late[b]! - late[a]!);
  const inOrder = Float64Array.from(days, (day) => late[day]!);
  const sums = new Float64Array(late.length + 1);
  for (let i = 0; i < inOrder.length; i++) sums[i + 1] = sums[i]! + inOrder[i]!;
  known.set(late, (found = { days, late: inOrder, sums }));
  return found;
}

/** A batch so much earlier, late on the first so many days of its own order. */
interface Placed extends Sorted {
  batch: Movable;
  byMin: number;
  lateOn: number;
}

/**
 * The batches of a serving on the days that plans are tried on. What one of them earlier or later does is told from the
 * few days that it then is late on no more, or newly.
 */
export class OnDays {
  /** How many batches are late that day. */
  private readonly count: Int16Array;
  private readonly placed: Placed[];
  /** On how many days any is late. */
  private lateDays = 0;

  constructor(batches: readonly Movable[]) {
    this.count = new Int16Array(batches[0]!.late.length);
    this.placed = batches.map((batch) => {
      for (const day of batch.lateDays) if (this.count[day]!++ === 0) this.lateDays++;
      return { ...latestFirst(batch.late), batch, byMin: 0, lateOn: batch.lateDays.length };
    });
  }

  get inTimeShare(): number {
    return (this.count.length - this.lateDays) / this.count.length;
  }

  /** By how many minutes each is earlier. */
  get byMin(): number[] {
    return this.placed.map(({ byMin }) => byMin);
  }

  moveAll(byMin: readonly number[]): void {
    this.placed.forEach((each, i) => this.move(each, byMin[i]!));
  }

  /** Moves one batch after another where holds and late days, at so many piece-hours each, cost the least. */
  settle(priceH: number): void {
    for (let round = 0; round < ROUNDS; round++) {
      let moved = false;
      for (const each of this.placed) {
        const to = this.cheapest(each, priceH);
        if (to === each.byMin) continue;
        this.move(each, to);
        moved = true;
      }
      if (!moved) return;
    }
  }

  /** Makes holds better, one batch by itself or for another, while enough days are in time. */
  trim(confidence: number): void {
    const days = this.count.length;
    const isEnough = (more: number) => (days - this.lateDays - more) / days >= confidence;
    for (let i = 0; i < ALONE_TIMES && this.alone(isEnough); i++);
    for (let i = 0; i < EXCHANGES && this.inExchange(isEnough); i++);
  }

  private lateOnIf(each: Placed, toMin: number): number {
    const { late } = each;
    let { lateOn } = each;
    while (lateOn < late.length && isLate(late[lateOn]! - toMin)) lateOn++;
    while (lateOn > 0 && !isLate(late[lateOn - 1]! - toMin)) lateOn--;
    return lateOn;
  }

  /** On how many days more any would be late. */
  private moreDays({ days, lateOn }: Placed, thenOn: number): number {
    let more = 0;
    for (let i = lateOn; i < thenOn; i++) more += Number(this.count[days[i]!] === 0);
    for (let i = lateOn - 1; i >= thenOn; i--) more -= Number(this.count[days[i]!] === 1);
    return more;
  }

  private move(each: Placed, toMin: number): void {
    const { days, lateOn } = each;
    const thenOn = this.lateOnIf(each, toMin);
    for (let i = lateOn; i < thenOn; i++) if (this.count[days[i]!]!++ === 0) this.lateDays++;
    for (let i = lateOn - 1; i >= thenOn; i--) if (--this.count[days[i]!]! === 0) this.lateDays--;
    each.lateOn = thenOn;
    each.byMin = toMin;
  }

  /** Where one batch would go on, all others staying. */
  private cheapest(each: Placed, priceH: number): number {
    const { batch, byMin, sums } = each;
    const costOf = (toMin: number) => {
      const thenOn = this.lateOnIf(each, toMin);
      const lateMin = sums[thenOn]! - thenOn * toMin;
      return batch.hoursIf(toMin) + priceH * (this.moreDays(each, thenOn) + DAYS_A_MINUTE * lateMin);
    };
    let at = byMin;
    let least = costOf(at);
    for (const step of STEPS_MIN)
      for (const way of [-step, step])
        for (;;) {
          const to = within(batch, at + way);
          const cost = to === at ? Infinity : costOf(to);
          if (cost >= least - 1e-9) break;
          [at, least] = [to, cost];
        }
    return at;
  }

  /** Moves the one that gains most for the days it takes; whether there is one. */
  private alone(isEnough: (more: number) => boolean): boolean {
    let best: { each: Placed; toMin: number } | undefined;
    let most = 0;
    for (const each of this.placed) {
      const { batch, byMin } = each;
      for (const step of ALONE_MIN)
        for (const toMin of [within(batch, byMin - step), within(batch, byMin + step)]) {
          const gainH = batch.hoursIf(byMin) - batch.hoursIf(toMin);
          if (gainH < GAINS_H) continue;
          const more = this.moreDays(each, this.lateOnIf(each, toMin));
          const aDay = gainH / (Math.max(0, more) + NO_DAY);
          if (aDay <= most || !isEnough(more)) continue;
          most = aDay;
          best = { each, toMin };
        }
    }
    if (best) this.move(best.each, best.toMin);
    return best !== undefined;
  }

  /** Moves one later and another earlier, where both together gain. */
  private inExchange(isEnough: (more: number) => boolean): boolean {
    for (const each of this.placed) {
      const { batch, byMin } = each;
      for (const step of IN_EXCHANGE_MIN) {
        const toMin = within(batch, byMin - step);
        const gainH = batch.hoursIf(byMin) - batch.hoursIf(toMin);
        if (gainH < GAINS_H) continue;
        this.move(each, toMin);
        const other = this.soonerFor(gainH, each, isEnough);
        if (other) {
          this.move(other.each, other.toMin);
          return true;
        }
        this.move(each, byMin);
      }
    }
    return false;
  }

  private soonerFor(gainH: number, but: Placed, isEnough: (more: number) => boolean): { each: Placed; toMin: number } | undefined {
    for (const each of this.placed) {
      if (each === but) continue;
      const { batch, byMin } = each;
      for (const step of IN_EXCHANGE_MIN.toReversed()) {
        const toMin = within(batch, byMin + step);
        if (toMin === byMin || batch.hoursIf(toMin) - batch.hoursIf(byMin) > gainH - GAINS_H) continue;
        if (isEnough(this.moreDays(each, this.lateOnIf(each, toMin)))) return { each, toMin };
      }
    }
    return undefined;
  }
}

const within = ({ leastMin, mostMin }: Movable, byMin: number): number => Math.min(mostMin, Math.max(leastMin, byMin));
