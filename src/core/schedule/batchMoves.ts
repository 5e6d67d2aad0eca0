import type { Override } from '../model';
import { pickerOf, shuffled } from '../numerics';
import type { From } from './moveFrom';
import { againLast, bears, finishBand, heatsIn, shiftOf, withinPits, type Move } from './wishes';

/** So many batches are taken out at once at most. */
const MOST_OUT = 6;
/** So often a batch that goes in again is wished for at its ideal moment, in so many of these with nothing else changed. */
const IDEAL_SHARE = 0.4;
const ONLY_MOMENT_SHARE = 0.7;
const NEAR_MIN = 5;
/** So often what is late gets a shorter cook or less of a spread, and what is held long is split otherwise. */
const SHORTER_SHARE = 0.35;
const SPLIT_SHARE = 0.2;
const FEWER_SHARE = 0.4;
const SAME_PIT_SHARE = 0.4;
const STEPS_MIN = [-120, -60, -30, -15, 15, 30, 60, 120] as const;
const SURER_MIN = [10, 20, 40] as const;
const A_LITTLE_MIN = [0, 0, 10, 20, 40] as const;
/** Shares of how early it is that a batch is put back at whose hold is long. */
export const NEARER = [0, 0.5, 0.75, 0.9, 1.15] as const;

type How = 'earlier' | 'nearer' | 'otherwise';

/** A batch and a few beside it go in again: the first of them as is said, the rest as they were or otherwise. */
export function outAndIn(from: From, first: string, how: How): Move {
  const { order, overrides, travel, troubled, uniform } = from;
  const out = [first];
  const near = besides(from, first);
  while (near.length > 0 && out.length < MOST_OUT && uniform() < (troubled.length > 0 ? 0.7 : 0.5)) out.push(near.shift()!);
  for (const id of out) {
    const kind = uniform();
    if (id !== first && kind < 0.5) continue;
    const changed = ideally(from, id, id === first) ?? (id === first ? said(from, id, how, kind) : undefined);
    const wish = changed ?? (kind < 0.2 ? {} : otherwise(from, id));
    if (Object.keys(wish).length > 0) overrides[id] = wish;
    else delete overrides[id];
  }
  // The first goes in first more often than not; the rest in any order.
  const again = shuffled(out.slice(1), uniform);
  again.splice(uniform() < 0.6 ? 0 : Math.floor(uniform() * (again.length + 1)), 0, first);
  return againLast(order, overrides, travel, again);
}

/** A batch at its ideal moment, now and then; the first perhaps with something else changed too. */
function ideally(from: From, id: string, isFirst: boolean): Override | undefined {
  const { current, byId, overrides, uniform, ideals } = from;
  const earlierMin = uniform() < IDEAL_SHARE ? ideals.of(current).get(id) : undefined;
  if (earlierMin === undefined || Math.abs(earlierMin - shiftOf(current, byId.get(id)!)) < NEAR_MIN) return undefined;
  return { ...(uniform() < ONLY_MOMENT_SHARE || !isFirst ? overrides[id] : otherwise(from, id)), earlierMin };
}

/** What is said of the first batch, where that comes to something. */
function said(from: From, id: string, how: How, kind: number): Override | undefined {
  const { current, byId, overrides, uniform } = from;
  const pick = pickerOf(uniform);
  const shift = shiftOf(current, byId.get(id)!);
  if (how === 'earlier') {
    const surer = uniform() < SHORTER_SHARE ? shorter(from, id) : undefined;
    return surer ?? (kind < 0.7 ? { ...overrides[id], earlierMin: shift + pick(SURER_MIN) } : undefined);
  }
  if (byId.get(id)!.batch.pieces.length > 1 && uniform() < SPLIT_SHARE) return splitOtherwise(from, id);
  return how === 'nearer' && kind < 0.6 ? { ...overrides[id], earlierMin: Math.round(shift * pick(NEARER)) } : undefined;
}

const runsOf = ({ current }: From, id: string) => current.runs.filter(({ batchId }) => batchId === id);

/** In one run more, or in one less: the more runs, the less the first of each must wait for its last. */
function splitOtherwise(from: From, id: string): Override {
  const { current, byId, overrides, uniform } = from;
  const own = byId.get(id)!;
  const now = runsOf(from, id).length;
  const parts = Math.max(1, Math.min(own.batch.pieces.length, now + (now > 1 && uniform() < FEWER_SHARE ? -1 : 1)));
  return { ...overrides[id], parts, earlierMin: Math.round(shiftOf(current, own) * pickerOf(uniform)(NEARER)) };
}

/** A shorter cook is a surer one, and so is less of a spread: a batch at a hotter heat, in its pit or another, or in one run more. */
function shorter(from: From, id: string): Override | undefined {
  const { current, byId, orders, overrides, input, uniform } = from;
  const own = byId.get(id)!;
  const runs = runsOf(from, id);
  const [run] = runs;
  if (!run) return undefined;
  const pick = pickerOf(uniform);
  const pit = uniform() < SAME_PIT_SHARE ? input.pits.find((each) => each.id === run.pitId)! : pick(input.pits);
  const band = own.method.pitRangeC;
  const heats = [band[1], pit.rangeC[1], own.method.pitC, ...heatsIn(current, pit.id), ...orders.map(({ method }) => method.pitC)].filter(
    (heat) => heat > run.pitC && bears(band, heat) && bears(pit.rangeC, heat),
  );
  const shift = shiftOf(current, own);
  const canSplit = runs.length < own.batch.pieces.length;
  if (canSplit && (heats.length === 0 || uniform() < 0.3))
    return { ...overrides[id], parts: runs.length + 1, earlierMin: shift + pick(A_LITTLE_MIN) };
  return heats.length > 0 ? { ...overrides[id], pitId: pit.id, pitC: pick(heats), earlierMin: shift + pick(A_LITTLE_MIN) } : undefined;
}

/** Others that share a pit with a batch while it is on, in some order; where it is nowhere, all that are on for its serving's hours. */
function besides({ current, byId, uniform }: From, id: string): string[] {
  const placedOf = (batchId: string) => current.steps.filter((step) => step.id === batchId).flatMap(({ placed }) => placed.runs);
  const own = placedOf(id);
  const others = [...byId.keys()].filter((other) => {
    if (other === id) return false;
    const runs = placedOf(other);
    if (own.length === 0) return byId.get(other)!.serving.id === byId.get(id)!.serving.id || runs.length === 0;
    return runs.some((run) => own.some((mine) => mine.pitId === run.pitId && mine.onAtMs < run.pullLateMs && run.onAtMs < mine.pullLateMs));
  });
  return shuffled(others, uniform);
}

/** The wish of a batch with one thing changed: start, pit, heat, finish or parts. */
export function otherwise({ current, byId, orders, overrides, input, uniform }: From, id: string): Override {
  const pick = pickerOf(uniform);
  const own = byId.get(id)!;
  const { method, pieces } = { ...own, pieces: own.batch.pieces };
  const override: Override = { ...overrides[id] };
  const kind = uniform();
  if (kind < 0.4) {
    override.earlierMin = Math.max(0, shiftOf(current, own) + pick(STEPS_MIN));
    if (uniform() < 0.15) delete override.earlierMin;
  } else if (kind < 0.65) {
    override.pitId = pick(input.pits).id;
    if (uniform() < 0.2) delete override.pitId;
  } else if (kind < 0.8) {
    const [low, high] = method.pitRangeC;
    const others = orders.map((each) => each.method.pitC).filter((heat) => bears(method.pitRangeC, heat));
    override.pitC = pick([low, high, (low + high) / 2, method.pitC, ...others]);
    if (uniform() < 0.2) delete override.pitC;
  } else if (kind < 0.92 && method.wrap !== 'none') {
    const band = finishBand(own);
    const pitId = pick(input.pits).id;
    override.finish = { pitId, pitC: pick([...band, method.pitC, ...heatsIn(current, pitId).filter((heat) => bears(band, heat))]) };
    if (uniform() < 0.35) delete override.finish;
  } else if (pieces.length > 1) {
    override.parts = pick([1, 2, 3]);
    if (override.parts === 1) delete override.parts;
  }
  return withinPits(override, input.pits);
}
