import { pickerOf } from '../numerics';
import type { Alternative } from './alternatives';
import { NOWHERE, UNUSED, type Change, type Sketch } from './sketch';
import type { SketchWay, Slot } from './sketchWays';

/** So often a slot goes on earlier or later; in another way; in another's place and that in its; with all beside it at another heat; in another number of runs. The rest is left out. */
const RETIMED_BELOW = 0.4;
const OTHERWISE_BELOW = 0.8;
const SWAPPED_BELOW = 0.88;
const REHEATED_BELOW = 0.93;
const SPLIT_BELOW = 0.97;
/** Earlier or later by up to so much. */
const REACH_MIN = [8, 30, 120] as const;
/** In another way it goes on as early as before, or so often when that departs the least, give or take. */
const CHEAPEST_SHARE = 0.5;
const BEFORE_CHEAPEST_MIN = -30;
const AFTER_CHEAPEST_MIN = 90;
/** What is nowhere so often takes the place of something that then is. */
const INSTEAD_SHARE = 0.5;

/** Changes that belong together, and into how many runs, less one, they split a batch. */
export interface Proposal {
  batch: number;
  changes: readonly Change[];
  parts?: number;
}

/** Something that might be changed of a sketch; nothing where what came to mind cannot be. */
export function proposalFor(sketch: Sketch, uniform: () => number): Proposal | undefined {
  const pick = pickerOf(uniform);
  const batch = Math.floor(uniform() * sketch.orders.length);
  const i = pick(sketch.slotsOf(batch));
  const kind = uniform();
  if (kind >= REHEATED_BELOW && kind < SPLIT_BELOW) return split(sketch, batch, uniform);
  const changes = sketch.way[i] === NOWHERE ? (kind < OTHERWISE_BELOW ? somewhere(sketch, i, uniform) : []) : changesOf(sketch, i, kind, uniform);
  return changes.length > 0 ? { batch, changes } : undefined;
}

function changesOf(sketch: Sketch, i: number, kind: number, uniform: () => number): Change[] {
  if (kind < RETIMED_BELOW) return retimed(sketch, i, uniform);
  if (kind < OTHERWISE_BELOW) return otherwise(sketch, i, uniform);
  if (kind < SWAPPED_BELOW) return swapped(sketch, i, uniform);
  if (kind < REHEATED_BELOW) return reheated(sketch, i, uniform);
  return [[i, NOWHERE, 0]];
}

const within = ({ mostMin }: SketchWay, earlierMin: number): number => Math.max(0, Math.min(mostMin, Math.round(earlierMin)));

/** When a slot goes on in a way, were it so much earlier in another. */
function momentIn(way: SketchWay, earlierMin: number | undefined, uniform: () => number): number {
  if (earlierMin !== undefined && uniform() >= CHEAPEST_SHARE) return within(way, earlierMin);
  return within(way, way.cheapestMin + BEFORE_CHEAPEST_MIN + uniform() * (AFTER_CHEAPEST_MIN - BEFORE_CHEAPEST_MIN));
}

function retimed(sketch: Sketch, i: number, uniform: () => number): Change[] {
  const reach = pickerOf(uniform)(REACH_MIN);
  const now = sketch.earlierMin[i]!;
  const to = within(sketch.ways[i]!, now + (uniform() * 2 - 1) * reach);
  return to === now ? [] : [[i, sketch.way[i]!, to]];
}

function anyWay(sketch: Sketch, slot: Slot, uniform: () => number): [number, SketchWay] | undefined {
  if (slot.alternatives.length === 0) return undefined;
  const at = Math.floor(uniform() * slot.alternatives.length);
  const way = sketch.all.wayOf(slot, at);
  return way ? [at, way] : undefined;
}

function otherwise(sketch: Sketch, i: number, uniform: () => number): Change[] {
  const found = anyWay(sketch, sketch.slots[i]!, uniform);
  return found && found[0] !== sketch.way[i] ? [[i, found[0], momentIn(found[1], sketch.earlierMin[i], uniform)]] : [];
}

/** What is nowhere goes somewhere, now and then in the place of something that is there. */
function somewhere(sketch: Sketch, i: number, uniform: () => number): Change[] {
  const found = anyWay(sketch, sketch.slots[i]!, uniform);
  if (!found) return [];
  const [at, way] = found;
  const there = sketch.onPit[way.pits[0]!]!.filter((other) => sketch.slots[other]!.alternatives.length > 0);
  const instead: Change[] = there.length > 0 && uniform() < INSTEAD_SHARE ? [[pickerOf(uniform)(there), NOWHERE, 0]] : [];
  return [[i, at, momentIn(way, undefined, uniform)], ...instead];
}

/** The way of a slot that is like another's. */
const like = (sketch: Sketch, slot: Slot, { pit, pitC, finish }: Alternative): number =>
  slot.alternatives.findIndex(
    (each, at) => each.pit === pit && each.pitC === pitC && !each.finish === !finish && sketch.all.wayOf(slot, at) !== null,
  );

/** Two slots on different pits, each in the other's place. */
function swapped(sketch: Sketch, i: number, uniform: () => number): Change[] {
  const pick = pickerOf(uniform);
  const other = pick(sketch.slotsOf(Math.floor(uniform() * sketch.orders.length)));
  if (other === i || sketch.way[other]! < 0) return [];
  const [mine, its] = [sketch.ways[i]!.alternative!, sketch.ways[other]!.alternative!];
  if (mine.pit === its.pit) return [];
  const to = (slot: number, then: Alternative): Change | undefined => {
    const at = like(sketch, sketch.slots[slot]!, then);
    return at < 0 ? undefined : [slot, at, momentIn(sketch.slots[slot]!.ways[at]!, sketch.earlierMin[slot], uniform)];
  };
  const [first, second] = [to(i, its), to(other, mine)];
  return first && second ? [first, second] : [];
}

/** All that is side by side on a pit at another heat, where it bears it. */
function reheated(sketch: Sketch, i: number, uniform: () => number): Change[] {
  const { heats, alternative } = sketch.ways[i]!;
  const { pit, fromMin, toMin } = heats[0]!;
  const [from, to] = [fromMin - sketch.earlierMin[i]!, toMin - sketch.earlierMin[i]!];
  const own = sketch.slots[i]!.alternatives.filter((each) => each.pit === alternative!.pit).map((each) => each.pitC);
  const pitC = pickerOf(uniform)([...new Set(own)]);
  const changes: Change[] = [];
  for (const other of sketch.onPit[pit]!) {
    const way = sketch.ways[other]!;
    const earlier = sketch.earlierMin[other]!;
    if (!way.alternative || way.heats[0]!.pit !== pit) continue;
    if (!way.heats.some((use) => use.pit === pit && use.fromMin - earlier < to && use.toMin - earlier > from)) continue;
    const slot = sketch.slots[other]!;
    const finishPit = ({ pit: first, finish }: Alternative) => (finish && finish.pit !== first ? finish.pit : undefined);
    const at = slot.alternatives.findIndex(
      (each, n) =>
        each.pit === alternative!.pit &&
        each.pitC === pitC &&
        finishPit(each) === finishPit(way.alternative!) &&
        sketch.all.wayOf(slot, n) !== null,
    );
    if (at >= 0 && at !== sketch.way[other]) changes.push([other, at, momentIn(slot.ways[at]!, earlier, uniform)]);
  }
  return changes;
}

/** A batch in another number of runs, each as it was. */
function split(sketch: Sketch, batch: number, uniform: () => number): Proposal | undefined {
  const splits = sketch.bySplit[batch]!;
  const to = Math.floor(uniform() * splits.length);
  if (to === sketch.parts[batch]) return undefined;
  const now = sketch.slotsOf(batch);
  const then = splits[to]!.map((slot, n): Change => {
    const before = now[Math.min(n, now.length - 1)]!;
    const way = sketch.way[before]! >= 0 ? sketch.all.wayOf(sketch.slots[slot]!, sketch.way[before]!) : null;
    return way ? [slot, sketch.way[before]!, within(way, sketch.earlierMin[before]!)] : [slot, NOWHERE, 0];
  });
  return { batch, changes: [...now.map((slot): Change => [slot, UNUSED, 0]), ...then], parts: to };
}
