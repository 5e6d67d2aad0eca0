import { isTooNear } from '../packing';
import { MS_PER_MIN } from '../units';
import type { Decoded, Step } from './decoded';
import { CHANGE_OVER_MIN, SAME_C, type HeatUse } from './heatLedger';
import type { RackUse } from './rackLedger';

/** So many batches give way at most, one for another's sake and a third for that one's. */
const MOST_PUSHED = 8;
const ROUNDS = 6;
const CHANGE_OVER_MS = CHANGE_OVER_MIN * MS_PER_MIN;

/** What may give way, and how far apart, mm, pieces lie on a rack. */
export interface GiveWay {
  movable: ReadonlySet<string>;
  airGapMm: number;
}

/** What a step takes of pits and racks. */
interface Taken {
  id: string;
  heat: readonly HeatUse[];
  racks: readonly RackUse[];
}

const takenBy = ({ id, placed: { claims } }: Step): Taken => ({
  id,
  heat: claims.flatMap((each) => each.heat),
  racks: claims.flatMap((each) => each.racks),
});

/**
 * Batches so many minutes earlier than they are in a plan (later, below zero), and with them what would stand in their way: what wants a pit at another
 * heat, or lies on the place they lie on, before them gives way earlier, after them later, by no more than it must. The
 * same where nothing does; nothing where what must give way may not, or was to go the other way, or is too much.
 */
export function pushed(
  plan: Decoded,
  byMin: ReadonlyMap<string, number>,
  { movable, airGapMm }: GiveWay,
): ReadonlyMap<string, number> | undefined {
  const all = plan.steps.filter(({ placed }) => placed.claims.length > 0).map(takenBy);
  const then = new Map(byMin);
  let front = new Set([...then.keys()].filter((id) => then.get(id) !== 0));
  let gaveWay = false;
  for (let round = 0; front.size > 0; round++) {
    if (round === ROUNDS) return undefined;
    const next = new Set<string>();
    for (const mover of all.filter(({ id }) => front.has(id))) {
      const moverMin = then.get(mover.id)!;
      for (const other of all) {
        if (other.id === mover.id) continue;
        const otherMin = then.get(other.id) ?? 0;
        const needed =
          moverMin > 0
            ? earlierFor(minutesBetween(other, mover, airGapMm), moverMin, otherMin)
            : laterFor(minutesBetween(mover, other, airGapMm), moverMin, otherMin);
        if (needed === otherMin) continue;
        if (!movable.has(other.id) || otherMin * moverMin < 0) return undefined;
        then.set(other.id, needed);
        if (then.size > byMin.size + MOST_PUSHED) return undefined;
        next.add(other.id);
        gaveWay = true;
      }
    }
    front = next;
  }
  return gaveWay ? then : byMin;
}

/** How much earlier what comes before must be, minutes. */
const earlierFor = (gapsMin: readonly number[], moverMin: number, nowMin: number): number =>
  gapsMin.reduce((most, gapMin) => Math.max(most, Math.ceil(moverMin - gapMin)), nowMin);

/** How much later what comes after must be, minutes below zero. */
const laterFor = (gapsMin: readonly number[], moverMin: number, nowMin: number): number =>
  gapsMin.reduce((least, gapMin) => Math.min(least, Math.floor(moverMin + gapMin)), nowMin);

/** How many minutes there are between each thing that must be over and what waits for it. */
function minutesBetween(before: Taken, after: Taken, airGapMm: number): number[] {
  const gapsMs: number[] = [];
  for (const first of before.heat)
    for (const then of after.heat)
      if (first.pitId === then.pitId && Math.abs(first.pitC - then.pitC) > SAME_C) gapsMs.push(then.fromMs - first.toMs - CHANGE_OVER_MS);
  for (const first of before.racks)
    for (const then of after.racks)
      if (first.pitId === then.pitId && first.rackId === then.rackId && then.fromMs >= first.toMs && lieTogether(first, then, airGapMm))
        gapsMs.push(then.fromMs - first.toMs);
  return gapsMs.filter((gapMs) => gapMs >= 0).map((gapMs) => gapMs / MS_PER_MIN);
}

const lieTogether = (a: RackUse, b: RackUse, airGapMm: number): boolean =>
  a.places.some((x) => b.places.some((y) => isTooNear(x, y, airGapMm)));
