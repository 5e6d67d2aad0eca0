import { seededRandom } from '../src/core/numerics';
import type { Item } from '../src/core/packing';

/** A rack of 1200 x 600 cut at random into pieces that fill it to the last millimetre. */
export const CUT_RACK = Object.freeze({ widthMm: 1200, depthMm: 600 });

interface Part {
  w: number;
  d: number;
}

/**
 * Cuts the rack into `count` or a few more pieces. Guillotine: every cut goes right through a part.
 * Otherwise some parts are cut like a pinwheel, which no straight cuts could make.
 */
export function cutAtRandom(seed: number, low: number, high: number, guillotine: boolean): Item[] {
  const { uniform } = seededRandom(seed);
  const count = low + Math.floor(uniform() * (high - low + 1));
  let parts: Part[] = [{ w: CUT_RACK.widthMm, d: CUT_RACK.depthMm }];
  while (parts.length < count) {
    // One of the largest few is cut next.
    const order = [...parts].sort((a, b) => b.w * b.d - a.w * a.d);
    const part = order[Math.floor(uniform() * Math.min(4, order.length))]!;
    const pinwheel = !guillotine && parts.length <= count - 4 && uniform() < 0.4;
    const cut = pinwheel ? pinwheelCut(part, uniform) : straightCut(part, uniform);
    if (cut) parts = [...parts.filter((each) => each !== part), ...cut];
  }
  return parts.map(({ w, d }, i) => ({ id: `p${String(i).padStart(2, '0')}`, lengthMm: Math.max(w, d), widthMm: Math.min(w, d) }));
}

const LEAST_MM = 20;

function straightCut({ w, d }: Part, uniform: () => number): Part[] | undefined {
  const share = 0.3 + 0.4 * uniform();
  const at = Math.round(Math.max(w, d) * share);
  if (at < LEAST_MM || Math.max(w, d) - at < LEAST_MM) return undefined;
  return w >= d
    ? [
        { w: at, d },
        { w: w - at, d },
      ]
    : [
        { w, d: at },
        { w, d: d - at },
      ];
}

function pinwheelCut({ w, d }: Part, uniform: () => number): Part[] | undefined {
  if (w < 150 || d < 150) return undefined;
  const inner = (side: number) => [Math.round(side * (0.25 + 0.2 * uniform())), Math.round(side * (0.55 + 0.2 * uniform()))] as const;
  const [x1, x2] = inner(w);
  const [y1, y2] = inner(d);
  return [
    { w: x2, d: y1 },
    { w: w - x2, d: y2 },
    { w: w - x1, d: d - y2 },
    { w: x1, d: d - y1 },
    { w: x2 - x1, d: y2 - y1 },
  ];
}

/** The plainest way: longest first, side by side on shelves, a new shelf when one is full. Returns the area laid, mm2. */
export function onShelves(items: readonly Item[]): number {
  let laidMm2 = 0;
  let x = 0;
  let y = 0;
  let shelfMm = 0;
  for (const { lengthMm, widthMm } of [...items].sort((a, b) => b.widthMm - a.widthMm)) {
    if (x + lengthMm > CUT_RACK.widthMm) {
      y += shelfMm;
      x = 0;
      shelfMm = 0;
    }
    if (y + widthMm > CUT_RACK.depthMm || lengthMm > CUT_RACK.widthMm) continue;
    x += lengthMm;
    shelfMm = Math.max(shelfMm, widthMm);
    laidMm2 += lengthMm * widthMm;
  }
  return laidMm2;
}
