import type { Pit } from '../model';
import { CHANGE_OVER_MIN } from './heatLedger';
import type { OnPaper } from './onPaper';
import { PER_SPLIT_H } from './objective';
import type { BatchOrder } from './order';
import type { Step } from './decoded';
import { rackMm2 } from './rackLedger';
import { isLate } from './risk';
import type { SketchWay, SketchWays, Slot } from './sketchWays';
import { GRID_MIN } from './ways';

/** In no pit, though it is to be; and not asked for, since its batch is cooked in another number of runs. */
export const NOWHERE = -1;
export const UNUSED = -2;

/** Of a pit's floor so much can be filled with what lies there side by side; less where that was found to be too much. */
const FILL_SHARE = 0.85;
const FILL_LESS = 0.95;
/** Days on which more than one batch is late count a little more: there is less to gain by mending one. */
const SHARED_DAY = 0.1;
/** What wants a pit at another heat is as bad as a third of an hour more of it; what has no room, as two tenths and twice what is lacking. */
const CLASH_MIN = 20;
const NO_ROOM = 2;
const LACKING = 20;

/** What is wrong counts as so many piece-hours of departure. */
export interface Weights {
  /** A piece that is nowhere; a hundredth of the days on which a serving is late too often; what pits cannot give. */
  nowhereH: number;
  lateH: number;
  clashH: number;
}

/** A slot's way, how many minutes before its latest start it goes on, and how many runs each batch is cooked in, less one. */
export interface SketchState {
  way: readonly number[];
  earlierMin: readonly number[];
  parts: readonly number[];
}

/** A slot in another way, at another moment. */
export type Change = readonly [slot: number, way: number, earlierMin: number];

/**
 * A plan without places: each batch's pits, heats and moment, in one run or more. Heats and floor area of the pits are counted, and
 * on which days servings would be late; where pieces lie, hands and boxes are not. So it is told in microseconds what
 * a change does, and what a sketch comes to is nearly always what the plan made of it does.
 */
export class Sketch {
  readonly slots: Slot[] = [];
  /** Slots by batch and by how many runs it is cooked in, less one. */
  readonly bySplit: number[][][] = [];
  way: number[] = [];
  earlierMin: number[] = [];
  parts: number[];
  /** The ways of the slots as they are. */
  readonly ways: SketchWay[] = [];
  /** Slots on each pit. */
  readonly onPit: number[][];
  weights: Weights = { nowhereH: 1, lateH: 1, clashH: 1 };
  private readonly roomMm2: number[];
  private readonly servingIds: string[];
  private readonly servingOf: number[] = [];
  private readonly lateOn: Int16Array[];
  private readonly lateDays: number[];
  private readonly lateTimes: number[];
  private readonly allowedDays: number;
  private readonly mm2: number[] = [];
  /** By what share things are done sooner on a pit than its set point says. */
  private soonerShare: readonly number[];

  constructor(
    readonly orders: readonly BatchOrder[],
    pinned: readonly Step[],
    pits: readonly Pit[],
    private readonly paper: OnPaper,
    readonly all: SketchWays,
  ) {
    const { confidence } = paper.judge.judgedBy;
    let allowed = 0;
    while ((paper.days - allowed - 1) / paper.days >= confidence) allowed++;
    this.allowedDays = allowed;
    this.roomMm2 = pits.map((pit) => FILL_SHARE * pit.racks.reduce((sum, rack) => sum + rackMm2(rack), 0));
    this.onPit = pits.map(() => []);
    this.soonerShare = pits.map(() => 0);
    this.servingIds = [...new Set([...paper.judge.orders.values()].map(({ serving }) => serving.id))];
    this.lateOn = this.servingIds.map(() => new Int16Array(paper.days));
    this.lateDays = this.servingIds.map(() => 0);
    this.lateTimes = this.servingIds.map(() => 0);
    for (const order of orders)
      this.bySplit.push(all.slotsOf(order).map((slots) => slots.map((slot) => this.add(slot, slot.mm2, UNUSED))));
    this.parts = orders.map(() => 0);
    for (const step of pinned)
      for (const { way, mm2, order } of all.pinnedOf(step, paper)) {
        const slot = this.add({ order, pieces: [], mm2, alternatives: [], ways: [way] }, mm2, UNUSED);
        this.set([slot, 0, 0]);
      }
  }

  private add(slot: Slot, mm2: number, way: number): number {
    this.way.push(way);
    this.earlierMin.push(0);
    this.servingOf.push(this.servingIds.indexOf(slot.order.serving.id));
    this.mm2.push(mm2);
    return this.slots.push(slot) - 1;
  }

  /** The slots that a batch is cooked in as things are. */
  slotsOf(batch: number): readonly number[] {
    return this.bySplit[batch]![this.parts[batch]!]!;
  }

  set([i, way, earlierMin]: Change): void {
    if (this.way[i]! >= 0) this.takeOut(i);
    this.way[i] = way;
    this.earlierMin[i] = earlierMin;
    if (way >= 0) this.putIn(i);
  }

  private putIn(i: number): void {
    const way = this.slots[i]!.ways[this.way[i]!]!;
    this.ways[i] = way;
    for (const pit of way.pits) this.onPit[pit]!.push(i);
    const { days, lateMin } = way;
    const serving = this.servingOf[i]!;
    const lateOn = this.lateOn[serving]!;
    const soonerMin = this.soonerMin(i);
    let more = 0;
    let n = 0;
    for (; n < days.length && isLate(lateMin[n]! - soonerMin); n++) if (lateOn[days[n]!]!++ === 0) more++;
    this.lateDays[serving]! += more;
    this.lateTimes[serving]! += n;
  }

  private takeOut(i: number): void {
    const { pits, days, lateMin } = this.ways[i]!;
    for (const pit of pits) {
      const on = this.onPit[pit]!;
      on[on.indexOf(i)] = on.at(-1)!;
      on.pop();
    }
    const serving = this.servingOf[i]!;
    const lateOn = this.lateOn[serving]!;
    const soonerMin = this.soonerMin(i);
    let less = 0;
    let n = 0;
    for (; n < days.length && isLate(lateMin[n]! - soonerMin); n++) if (--lateOn[days[n]!]! === 0) less++;
    this.lateDays[serving]! -= less;
    this.lateTimes[serving]! -= n;
  }

  state(): SketchState {
    return { way: [...this.way], earlierMin: [...this.earlierMin], parts: [...this.parts] };
  }

  load({ way, earlierMin, parts }: SketchState): void {
    this.slots.forEach((_, i) => this.set([i, UNUSED, 0]));
    this.parts = [...parts];
    this.slots.forEach((_, i) => this.set([i, way[i]!, earlierMin[i]!]));
  }

  /** Says of each pit by what share things are done sooner on it than its set point says. */
  learn(soonerShare: readonly number[]): void {
    const now = this.state();
    this.slots.forEach((_, i) => this.set([i, UNUSED, 0]));
    this.soonerShare = soonerShare;
    this.load(now);
  }

  /** A pit took less than it was thought to. */
  lessRoom(pit: number): void {
    this.roomMm2[pit]! *= FILL_LESS;
  }

  /** How much sooner a slot is done than it would be at its latest start. */
  private soonerMin(i: number): number {
    const { lastsMin, pits } = this.ways[i]!;
    return this.earlierMin[i]! + lastsMin * (this.soonerShare[pits[0]!] ?? 0);
  }

  /** Piece-hours by which a slot departs; between quarter hours in a line. */
  private hoursOf(i: number): number {
    const { hours } = this.ways[i]!;
    const at = Math.max(0, this.soonerMin(i)) / GRID_MIN;
    const before = Math.min(hours.length - 1, Math.floor(at));
    const after = Math.min(hours.length - 1, before + 1);
    return hours[before]! + (hours[after]! - hours[before]!) * (at - before);
  }

  private ownH(i: number): number {
    const way = this.way[i]!;
    if (way === UNUSED) return 0;
    return way === NOWHERE ? this.weights.nowhereH * this.slots[i]!.pieces.length : this.hoursOf(i);
  }

  /** With what a slot shares a pit that it wants at another heat, and for how long. */
  private clashOf(i: number): number {
    if (this.way[i]! < 0) return 0;
    const { heats } = this.ways[i]!;
    let clash = 0;
    for (let h = 0; h < heats.length; h++) {
      const { pit, pitC, fromMin, toMin } = heats[h]!;
      const on = this.onPit[pit]!;
      const from = fromMin - this.earlierMin[i]! - CHANGE_OVER_MIN;
      const to = toMin - this.earlierMin[i]! + CHANGE_OVER_MIN;
      for (let n = 0; n < on.length; n++) {
        const other = on[n]!;
        if (other === i) continue;
        const earlier = this.earlierMin[other]!;
        const uses = this.ways[other]!.heats;
        for (let u = 0; u < uses.length; u++) {
          const use = uses[u]!;
          if (use.pit !== pit || use.pitC === pitC) continue;
          const together = Math.min(to, use.toMin - earlier) - Math.max(from, use.fromMin - earlier);
          if (together > 0) clash += 1 + together / CLASH_MIN;
        }
      }
    }
    return clash;
  }

  /** How far what is on a pit is more than its floor holds, whenever something comes to it. */
  private crowdOf(pit: number): number {
    const room = this.roomMm2[pit]!;
    const on = this.onPit[pit]!;
    let all = 0;
    for (let n = 0; n < on.length; n++) all += this.mm2[on[n]!]!;
    if (all <= room) return 0;
    let crowd = 0;
    for (let n = 0; n < on.length; n++) {
      const { stays } = this.ways[on[n]!]!;
      for (let s = 0; s < stays.length; s++) {
        if (stays[s]!.pit !== pit) continue;
        const used = this.usedAt(pit, stays[s]!.fromMin - this.earlierMin[on[n]!]!);
        if (used > room) crowd += NO_ROOM + LACKING * (used / room - 1);
      }
    }
    return crowd;
  }

  private usedAt(pit: number, atMin: number): number {
    const on = this.onPit[pit]!;
    let used = 0;
    for (let n = 0; n < on.length; n++) {
      const { stays } = this.ways[on[n]!]!;
      const at = atMin + this.earlierMin[on[n]!]!;
      for (let s = 0; s < stays.length; s++)
        if (stays[s]!.pit === pit && stays[s]!.fromMin <= at && stays[s]!.toMin > at) used += this.mm2[on[n]!]!;
    }
    return used;
  }

  /** Hundredths of the days on which a serving is late too often. */
  private tooLate(serving: number): number {
    const days = this.lateDays[serving]!;
    const over = days - this.allowedDays;
    return over <= 0 ? 0 : (100 / this.paper.days) * (over + SHARED_DAY * (this.lateTimes[serving]! - days));
  }

  /** What these slots cost, and the pits and servings that they touch: two such sums differ by what a change of the slots comes to. */
  costH(batch: number, touched: Touched): number {
    const { slots, pits, servings } = touched;
    let costH = PER_SPLIT_H * this.parts[batch]!;
    let clash = 0;
    for (let n = 0; n < slots.length; n++) {
      costH += this.ownH(slots[n]!);
      clash += this.clashOf(slots[n]!);
    }
    for (let n = 0; n < pits.length; n++) clash += this.crowdOf(pits[n]!);
    for (let n = 0; n < servings.length; n++) costH += this.weights.lateH * this.tooLate(servings[n]!);
    return costH + this.weights.clashH * clash;
  }

  /** What changes touch. */
  touchedBy(changes: readonly Change[]): Touched {
    const slots: number[] = [];
    const pits: number[] = [];
    const servings: number[] = [];
    const add = (list: number[], each: number) => {
      if (!list.includes(each)) list.push(each);
    };
    for (const [i, way] of changes) {
      slots.push(i);
      add(servings, this.servingOf[i]!);
      if (this.way[i]! >= 0) for (const pit of this.ways[i]!.pits) add(pits, pit);
      if (way >= 0) for (const pit of this.slots[i]!.ways[way]!.pits) add(pits, pit);
    }
    return { slots, pits, servings };
  }

  /** What all of it costs. */
  wholeH(): number {
    const { weights } = this;
    let costH = 0;
    let clash = 0;
    this.slots.forEach((_, i) => {
      costH += this.ownH(i);
      clash += this.clashOf(i) / 2;
    });
    this.parts.forEach((more) => (costH += PER_SPLIT_H * more));
    this.onPit.forEach((_, pit) => (clash += this.crowdOf(pit)));
    this.servingIds.forEach((_, serving) => (costH += weights.lateH * this.tooLate(serving)));
    return costH + weights.clashH * clash;
  }
}

/** Slots, pits and servings. */
export interface Touched {
  slots: readonly number[];
  pits: readonly number[];
  servings: readonly number[];
}
