import { seededRandom } from '../numerics';
import type { Floor } from './floor';
import type { Item, Placed } from './item';

/** The top edge of what is laid, from left to right: [x0, x1) at height y. Grown coordinates, see spaces.ts. */
export interface Step {
  x0: number;
  x1: number;
  y: number;
}

const EPS_MM = 1e-6;
/** How far the ranking of a try strays from largest first. */
const JOSTLE = 0.6;

/**
 * As much as fits on an empty rectangular floor, laid along a skyline: the lowest, leftmost step takes what fits it best, or is
 * filled up to its lower neighbour where nothing does. The first try goes by size, the others by a ranking jostled at random;
 * the most area wins. The skyline heuristic for strip packing (Burke, Kendall and Whitwell 2004), tried again and again.
 */
export function alongSkyline(floor: Floor, gapMm: number, items: readonly Item[], tries: number): { placed: Placed[]; left: Item[] } {
  const random = seededRandom(1);
  let best: { placed: Placed[]; left: Item[]; mm2: number } = { placed: [], left: [...items], mm2: -1 };
  for (let i = 0; i < tries && best.left.length > 0; i++) {
    const ranked = items.map((item) => {
      const jostle = i === 0 ? 1 : 1 + JOSTLE * (2 * random.uniform() - 1);
      return { item, l: item.lengthMm + gapMm, w: item.widthMm + gapMm, rank: (item.lengthMm + gapMm) * (item.widthMm + gapMm) * jostle };
    });
    const placed = oneTry(floor.widthMm + gapMm, floor.depthMm + gapMm, gapMm, ranked);
    const mm2 = placed.reduce((sum, each) => sum + each.widthMm * each.depthMm, 0);
    if (mm2 <= best.mm2 + EPS_MM) continue;
    const ids = new Set(placed.map((each) => each.id));
    best = { placed, left: items.filter((item) => !ids.has(item.id)), mm2 };
  }
  return { placed: best.placed, left: best.left };
}

interface Ranked {
  item: Item;
  l: number;
  w: number;
  rank: number;
}

function oneTry(W: number, H: number, gapMm: number, ranked: readonly Ranked[]): Placed[] {
  const placed: Placed[] = [];
  let skyline: Step[] = [{ x0: 0, x1: W, y: 0 }];
  const left = [...ranked].sort((a, b) => b.rank - a.rank);
  while (left.length > 0) {
    let low = 0;
    for (let i = 1; i < skyline.length; i++) if (skyline[i]!.y < skyline[low]!.y - EPS_MM) low = i;
    const step = skyline[low]!;
    const width = step.x1 - step.x0;
    const wall = Math.min(skyline[low - 1]?.y ?? H, skyline[low + 1]?.y ?? H);
    let best: { at: number; w: number; h: number; turned: boolean; fit: number } | undefined;
    left.forEach(({ l, w }, at) => {
      for (const turned of Math.abs(l - w) > EPS_MM ? [false, true] : [false]) {
        const [across, deep] = turned ? [w, l] : [l, w];
        if (across > width + EPS_MM || step.y + deep > H + EPS_MM) continue;
        // Edge to edge first, then level with a neighbour, then by rank: the order of the list.
        const fit = 2 * Number(width - across < EPS_MM) + Number(Math.abs(step.y + deep - wall) < EPS_MM);
        if (!best || fit > best.fit) best = { at, w: across, h: deep, turned, fit };
      }
    });
    if (best) {
      const { at, w, h, turned } = best;
      const [{ item }] = left.splice(at, 1) as [Ranked];
      placed.push({ id: item.id, xMm: step.x0, yMm: step.y, widthMm: w - gapMm, depthMm: h - gapMm, turned });
      skyline = raised(skyline, low, step.x0 + w, step.y + h);
      continue;
    }
    const up = Math.min(skyline[low - 1]?.y ?? Infinity, skyline[low + 1]?.y ?? Infinity);
    if (up === Infinity) break;
    skyline = raised(skyline, low, step.x1, up);
  }
  return placed;
}

/** The skyline with one step raised to `y` from its left end to `x1`; equal neighbours run together. */
export function raised(skyline: readonly Step[], at: number, x1: number, y: number): Step[] {
  const next: Step[] = [];
  const add = (step: Step) => {
    const last = next.at(-1);
    if (last && Math.abs(last.y - step.y) < EPS_MM) next[next.length - 1] = { x0: last.x0, x1: step.x1, y: last.y };
    else next.push(step);
  };
  skyline.forEach((step, i) => {
    if (i !== at) return add(step);
    add({ x0: step.x0, x1, y });
    if (step.x1 - x1 > EPS_MM) add({ x0: x1, x1: step.x1, y: step.y });
  });
  return next;
}
