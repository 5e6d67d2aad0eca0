import { seededRandom } from '../numerics';
import type { Floor } from './floor';
import type { Item, Placed } from './item';
import { raised, type Step } from './skyline';

interface Kind {
  lengthMm: number;
  widthMm: number;
  ids: string[];
  left: number;
  /** What is tried first among pieces that fit alike: the largest, jostled from one start to the next. */
  rank: number;
}

const EPS_MM = 1e-6;
/** Fresh starts within the budget, and how far each start's ranking strays from largest first. */
const STARTS = 10;
const JOSTLE = 0.6;

/**
 * Exact search for a place for every item on an empty rectangular floor: the lowest, leftmost step
 * of the skyline is filled from its left with each kind of piece, straight and turned, or given up
 * as waste while the floor has waste to spare. Undefined when there is no such packing in this
 * normal form or `nodes` steps did not find it.
 */
export function searchWhole(floor: Floor, gapMm: number, items: readonly Item[], nodes: number): Placed[] | undefined {
  const W = floor.widthMm + gapMm;
  const H = floor.depthMm + gapMm;
  const kinds: Kind[] = [];
  for (const { id, lengthMm, widthMm } of items) {
    const [l, w] = [lengthMm + gapMm, widthMm + gapMm];
    const kind = kinds.find((each) => Math.abs(each.lengthMm - l) < EPS_MM && Math.abs(each.widthMm - w) < EPS_MM);
    if (kind) kind.ids.push(id);
    else kinds.push({ lengthMm: l, widthMm: w, ids: [id], left: 0, rank: 0 });
  }
  for (const kind of kinds) kind.left = kind.ids.length;
  const needed = kinds.reduce((sum, kind) => sum + kind.lengthMm * kind.widthMm * kind.ids.length, 0);
  const spare = W * H - needed;
  if (spare < -EPS_MM) return undefined;

  const manualPlacements: Placed[] = [];
  let budget = 0;
  let count = items.length;
  const smallest = () => kinds.reduce((least, kind) => (kind.left > 0 ? Math.min(least, kind.lengthMm, kind.widthMm) : least), Infinity);

  // With nothing to spare every straight line across the floor is filled edge to edge, so whatever
  // remains beside or beyond a piece must be a sum of sides that are left.
  const sums =
    spare < 0.5 && [W, H, ...kinds.flatMap((kind) => [kind.lengthMm, kind.widthMm])].every(isWhole)
      ? new SideSums(Math.max(W, H))
      : undefined;

  /** A strip beside a piece that nothing will ever fill, when there is no waste to spare for even a sliver of it. */
  const isDeadStrip = (over: number, least: number, wasteLeft: number) => over > EPS_MM && over < least - EPS_MM && wasteLeft < EPS_MM;

  const dive = (skyline: Step[], wasteLeft: number): boolean => {
    if (count === 0) return true;
    if (--budget < 0) return false;
    sums?.of(kinds);
    let low = 0;
    for (let i = 1; i < skyline.length; i++) if (skyline[i]!.y < skyline[low]!.y - EPS_MM) low = i;
    const step = skyline[low]!;
    const width = step.x1 - step.x0;
    const least = smallest();
    // Straight fits first, then what fills most.
    const tries: { kind: Kind; w: number; h: number; turned: boolean; over: number }[] = [];
    if (width >= least - EPS_MM) {
      for (const kind of kinds) {
        if (kind.left === 0) continue;
        const lay = (w: number, h: number, turned: boolean) => {
          const over = width - w;
          const beyond = H - step.y - h;
          if (over < -EPS_MM || beyond < -EPS_MM || isDeadStrip(over, least, wasteLeft)) return;
          if (sums && !(sums.has(over) && sums.has(beyond))) return;
          tries.push({ kind, w, h, turned, over });
        };
        lay(kind.lengthMm, kind.widthMm, false);
        if (Math.abs(kind.lengthMm - kind.widthMm) > EPS_MM) lay(kind.widthMm, kind.lengthMm, true);
      }
      const wall = Math.min(skyline[low - 1]?.y ?? H, skyline[low + 1]?.y ?? H);
      tries.sort(
        (a, b) =>
          Number(a.over > EPS_MM) - Number(b.over > EPS_MM) ||
          Number(Math.abs(step.y + a.h - wall) > EPS_MM) - Number(Math.abs(step.y + b.h - wall) > EPS_MM) ||
          b.kind.rank - a.kind.rank,
      );
    }
    for (const { kind, w, h, turned } of tries) {
      kind.left--;
      count--;
      manualPlacements.push({ id: kind.ids[kind.left]!, xMm: step.x0, yMm: step.y, widthMm: w - gapMm, depthMm: h - gapMm, turned });
      if (dive(raised(skyline, low, step.x0 + w, step.y + h), wasteLeft)) return true;
      manualPlacements.pop();
      kind.left++;
      count++;
      if (budget < 0) return false;
    }
    // Give the step up: fill it to its lower neighbour.
    const up = Math.min(skyline[low - 1]?.y ?? Infinity, skyline[low + 1]?.y ?? Infinity);
    if (up === Infinity) return false;
    const waste = width * (up - step.y);
    return waste <= wasteLeft + EPS_MM && dive(raised(skyline, low, step.x1, up), wasteLeft - waste);
  };
  const random = seededRandom(1);
  for (let start = 0, spent = 0; spent < nodes; start++) {
    for (const kind of kinds) {
      const jostle = start === 0 ? 1 : 1 + JOSTLE * (2 * random.uniform() - 1);
      kind.rank = kind.lengthMm * kind.widthMm * jostle;
    }
    // A start gone wrong near the root would never come back: each may spend only a part of the whole.
    const given = Math.min(nodes - spent, Math.ceil(nodes / STARTS));
    budget = given;
    if (dive([{ x0: 0, x1: W, y: 0 }], spare)) return manualPlacements;
    // Ended with budget to spare: everything was tried.
    if (budget >= 0) return undefined;
    spent += given;
  }
  return undefined;
}

const isWhole = (mm: number) => Math.abs(mm - Math.round(mm)) < EPS_MM;

/** Which lengths are sums of sides of the pieces that are left, at most one side of each: a bit for each mm. */
class SideSums {
  private readonly bits: Uint32Array;
  private readonly before: Uint32Array;

  constructor(longestMm: number) {
    this.bits = new Uint32Array(Math.ceil((longestMm + 1) / 32));
    this.before = new Uint32Array(this.bits.length);
  }

  of(kinds: readonly Kind[]): void {
    this.bits.fill(0);
    this.bits[0] = 1;
    for (const kind of kinds) {
      for (let i = 0; i < kind.left; i++) {
        this.before.set(this.bits);
        this.add(Math.round(kind.lengthMm));
        if (Math.abs(kind.lengthMm - kind.widthMm) > EPS_MM) this.add(Math.round(kind.widthMm));
      }
    }
  }

  private add(mm: number): void {
    const words = mm >>> 5;
    const shift = mm & 31;
    for (let i = this.bits.length - 1; i >= words; i--) {
      const low = this.before[i - words]! << shift;
      const carry = shift > 0 && i - words > 0 ? this.before[i - words - 1]! >>> (32 - shift) : 0;
      this.bits[i]! |= low | carry;
    }
  }

  has(mm: number): boolean {
    const at = Math.round(mm);
    return ((this.bits[at >>> 5]! >>> (at & 31)) & 1) === 1;
  }
}
