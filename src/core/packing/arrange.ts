import type { HeatBand, Rect } from '../model';
import { seededRandom } from '../numerics';
import { apartMm, type Floor } from './floor';
import type { Item, Placed } from './item';
import { searchWhole } from './searchWhole';
import { alongSkyline } from './skyline';
import { openFloor, spotsFor, takeBlocked, takePiece, type Spaces, type Spot } from './spaces';
import { zoneOffsetC } from './zones';

export interface Ground {
  floor: Floor;
  gapMm: number;
  /** What already lies there, and parts nothing may lie on. */
  taken: readonly Rect[];
  blocked: readonly Rect[];
  bands?: readonly HeatBand[];
}

/** The spot that leaves least beside it; the one that touches most; the nearest to the door. */
type Rule = 'snug' | 'contact' | 'corner';
const RULES: readonly Rule[] = ['snug', 'contact', 'corner'];

interface ArrangeOptions {
  /** Shuffled tries once the sensible orders have failed. */
  shuffles: number;
  /** Tries along a skyline on an empty rectangular rack: what fills a rack of many sizes best. */
  skylines: number;
  /** Nodes the exact search of an empty rectangular rack may visit; 0 leaves it out. */
  exactNodes: number;
}

const DEFAULTS: ArrangeOptions = Object.freeze({
  shuffles: 0,
  skylines: 200,
  exactNodes: 4000,
});

export interface Arrangement {
  placed: Placed[];
  left: Item[];
}

/** The free space of a rack as it lies. */
export function spacesOf({ floor, gapMm, taken, blocked }: Ground): Spaces {
  const open = blocked.reduce(takeBlocked, openFloor(floor, gapMm));
  return taken.reduce(takePiece, open);
}

/** Pieces of one size stay in the order they came in: which of them lies where does not hang on their ids. */
const bySides = (a: Item, b: Item) => b.lengthMm - a.lengthMm || b.widthMm - a.widthMm;
const byArea = (a: Item, b: Item) => b.lengthMm * b.widthMm - a.lengthMm * a.widthMm || bySides(a, b);
const byLongest = (a: Item, b: Item) =>
  Math.max(b.lengthMm, b.widthMm) - Math.max(a.lengthMm, a.widthMm) ||
  Math.min(b.lengthMm, b.widthMm) - Math.min(a.lengthMm, a.widthMm) ||
  bySides(a, b);
const byShorter = (a: Item, b: Item) => Math.min(b.lengthMm, b.widthMm) - Math.min(a.lengthMm, a.widthMm) || byArea(a, b);

/**
 * Lays as much as fits. Sensible orders and rules first, greedily into maximal free rectangles
 * (Jylanki's maximal rectangles, 2010); then, for an empty rectangular rack, tries along a skyline and an exact search; then
 * shuffled orders. The same places for any order of the input; the best by area laid wins.
 */
export function arrange(ground: Ground, items: readonly Item[], options: Partial<ArrangeOptions> = {}): Arrangement {
  const { shuffles, skylines, exactNodes } = { ...DEFAULTS, ...options };
  const start = spacesOf(ground);
  let best: Arrangement | undefined;
  const areaOf = ({ placed }: Arrangement) => placed.reduce((sum, each) => sum + each.widthMm * each.depthMm, 0);
  /** Tells whether everything lies. */
  const consider = (next: Arrangement): boolean => {
    if (!best || areaOf(next) > areaOf(best) + 1e-6) best = next;
    return best.left.length === 0;
  };
  const sizes = new Set(items.map((item) => `${item.lengthMm}x${item.widthMm}`));
  const orders = sizes.size === 1 ? [byArea] : [byArea, byLongest, byShorter];
  for (const order of orders) {
    const sorted = [...items].sort(order);
    for (const rule of RULES) if (consider(greedy(ground, start, sorted, rule))) return best!;
  }
  if (sizes.size === 1) consider(inRows(ground, items));
  if (best!.left.length === 0) return best!;
  const isOpen = ground.taken.length === 0 && ground.blocked.length === 0 && !ground.floor.round;
  if (skylines > 0 && isOpen && consider(alongSkyline(ground.floor, ground.gapMm, [...items].sort(byArea), skylines))) return best!;
  if (exactNodes > 0 && isOpen) {
    // All of them, else all but the smallest, and so on down to what is beaten already.
    const largestFirst = [...items].sort(byArea);
    for (let count = items.length; count > best!.placed.length; count--) {
      const placed = searchWhole(ground.floor, ground.gapMm, largestFirst.slice(0, count), exactNodes);
      if (placed && consider({ placed, left: largestFirst.slice(count) })) return best!;
      if (placed) break;
    }
  }
  const random = seededRandom(1);
  const sorted = [...items].sort(byArea);
  for (let i = 0; i < shuffles; i++) {
    if (consider(greedy(ground, start, jostled(sorted, random.uniform), RULES[i % RULES.length]!))) break;
  }
  return best!;
}

/** An order near the given one: neighbours a few places apart change about. */
function jostled(items: readonly Item[], uniform: () => number): Item[] {
  return items
    .map((item, i) => ({ item, key: i + uniform() * Math.max(3, items.length / 3) }))
    .sort((a, b) => a.key - b.key)
    .map(({ item }) => item);
}

function greedy(ground: Ground, start: Spaces, items: readonly Item[], rule: Rule): Arrangement {
  let spaces = start;
  const placed: Placed[] = [];
  const left: Item[] = [];
  let refused: { lengthMm: number; widthMm: number } | undefined;
  for (const item of items) {
    // What did not fit before does not fit now, nor does anything larger both ways.
    const hopeless = refused !== undefined && item.lengthMm >= refused.lengthMm && item.widthMm >= refused.widthMm;
    const spot = hopeless ? undefined : bestSpot(ground, spaces, item, placed, rule);
    if (!spot) {
      left.push(item);
      refused ??= item;
      continue;
    }
    const { xMm, yMm, widthMm, depthMm, turned } = spot;
    placed.push({ id: item.id, xMm, yMm, widthMm, depthMm, turned });
    spaces = takePiece(spaces, spot);
  }
  return { placed, left };
}

/** Less is better, figure by figure. */
function bestSpot(ground: Ground, spaces: Spaces, item: Item, placed: readonly Placed[], rule: Rule): Spot | undefined {
  let best: Spot | undefined;
  let bestCost: number[] = [];
  for (const spot of spotsFor(spaces, item.lengthMm, item.widthMm)) {
    const cost = costOf(ground, spot, item, placed, rule);
    if (!best || before(cost, bestCost)) {
      best = spot;
      bestCost = cost;
    }
  }
  return best;
}

function costOf(ground: Ground, spot: Spot, item: Item, placed: readonly Placed[], rule: Rule): number[] {
  const heat = item.wants && ground.bands ? zoneOffsetC(ground.bands, spot) * (item.wants === 'hot' ? -1 : 1) : 0;
  const place = [heat, spot.yMm, spot.xMm, Number(spot.turned)];
  if (rule === 'snug') return [spot.shortLeftMm, spot.longLeftMm, ...place];
  if (rule === 'corner') return [heat, spot.yMm + spot.depthMm, spot.xMm, Number(spot.turned)];
  return [-contactMm(ground, spot, placed), ...place];
}

const before = (a: readonly number[], b: readonly number[]): boolean => {
  for (let i = 0; i < a.length; i++) if (Math.abs(a[i]! - b[i]!) > 1e-6) return a[i]! < b[i]!;
  return false;
};

/** How much of a piece's outline lies along a wall or just a gap from another piece. */
function contactMm({ floor, gapMm, taken, blocked }: Ground, spot: Rect, placed: readonly Placed[]): number {
  const walls = floor.round
    ? 0
    : (spot.xMm < 1 ? spot.depthMm : 0) +
      (spot.yMm < 1 ? spot.widthMm : 0) +
      (floor.widthMm - spot.xMm - spot.widthMm < 1 ? spot.depthMm : 0) +
      (floor.depthMm - spot.yMm - spot.depthMm < 1 ? spot.widthMm : 0);
  const along = (other: Rect, atGapMm: number) => {
    if (Math.abs(apartMm(spot, other) - atGapMm) > 1) return 0;
    const overX = Math.min(spot.xMm + spot.widthMm, other.xMm + other.widthMm) - Math.max(spot.xMm, other.xMm);
    const overY = Math.min(spot.yMm + spot.depthMm, other.yMm + other.depthMm) - Math.max(spot.yMm, other.yMm);
    return Math.max(0, overX, overY);
  };
  return (
    walls +
    placed.reduce((sum, other) => sum + along(other, gapMm), 0) +
    taken.reduce((sum, other) => sum + along(other, gapMm), 0) +
    blocked.reduce((sum, other) => sum + along(other, 0), 0)
  );
}

/**
 * Pieces of one size in straight rows, some of them turned: for each number of straight rows along
 * one side the rest is filled turned. What the greedy orders miss most often.
 */
function inRows(ground: Ground, items: readonly Item[]): Arrangement {
  const { lengthMm, widthMm } = items[0]!;
  const { floor, gapMm } = ground;
  if (floor.round || ground.taken.length > 0 || ground.blocked.length > 0) return { placed: [], left: [...items] };
  let best: Placed[] = [];
  const tryRows = (alongMm: number, acrossMm: number, turned: boolean, columns: boolean) => {
    const run = columns ? floor.depthMm : floor.widthMm;
    const breadth = columns ? floor.widthMm : floor.depthMm;
    const most = Math.floor((breadth + gapMm) / (acrossMm + gapMm));
    const each = Math.floor((run + gapMm) / (alongMm + gapMm));
    for (let rows = 0; rows <= most; rows++) {
      const usedMm = rows * (acrossMm + gapMm);
      const otherRows = Math.floor((breadth - usedMm + gapMm) / (alongMm + gapMm));
      const otherEach = Math.floor((run + gapMm) / (acrossMm + gapMm));
      const placed: Placed[] = [];
      const put = (along: number, across: number, w: number, d: number, isTurned: boolean) => {
        if (placed.length >= items.length) return;
        const [xMm, yMm, width, depth] = columns ? [across, along, d, w] : [along, across, w, d];
        placed.push({ id: items[placed.length]!.id, xMm, yMm, widthMm: width, depthMm: depth, turned: isTurned });
      };
      for (let r = 0; r < rows; r++)
        for (let i = 0; i < each; i++) put(i * (alongMm + gapMm), r * (acrossMm + gapMm), alongMm, acrossMm, turned !== columns);
      for (let r = 0; r < otherRows; r++)
        for (let i = 0; i < otherEach; i++)
          put(i * (acrossMm + gapMm), usedMm + r * (alongMm + gapMm), acrossMm, alongMm, turned === columns);
      if (placed.length > best.length) best = placed;
    }
  };
  for (const columns of [false, true]) {
    tryRows(lengthMm, widthMm, false, columns);
    tryRows(widthMm, lengthMm, true, columns);
  }
  return { placed: best, left: items.slice(best.length) };
}
