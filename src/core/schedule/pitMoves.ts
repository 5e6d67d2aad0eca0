import type { Override } from '../model';
import { pickerOf, shuffled } from '../numerics';
import { MS_PER_MIN } from '../units';
import { NEARER } from './batchMoves';
import { CHANGE_OVER_MIN } from './heatLedger';
import type { From } from './moveFrom';
import { againLast, bears, finishBand, heatsIn, shiftOf, withinPits, type Move } from './wishes';

/** So many batches are taken out of a pit at most. */
const MOST_REHEATED = 16;
const MOST_CLEARED = 10;
const CHANGE_OVER_MS = CHANGE_OVER_MIN * MS_PER_MIN;
const LONGEST_WAY_BACK_MS = 16 * 60 * MS_PER_MIN;
const CLEARED_EARLIER_MIN = [0, 60, 120, 240, 480] as const;

/** All that is on one pit at one heat; what bears it only once it is wrapped, then. */
export function oneHeat({ current, byId, overrides, uniform }: From): Record<string, Override> {
  const runs = current.runs.filter((run) => byId.has(run.batchId));
  if (runs.length === 0) return {};
  const pick = pickerOf(uniform);
  const { pitId } = pick(runs);
  const pitC = pick(heatsIn(current, pitId));
  const tuned: Record<string, Override> = {};
  for (const { batchId } of runs.filter((run) => run.pitId === pitId)) {
    const order = byId.get(batchId)!;
    const { pitC: _, finish: __, ...kept } = overrides[batchId] ?? {};
    if (bears(order.method.pitRangeC, pitC)) tuned[batchId] = { ...kept, pitId, pitC };
    else if (order.method.wrap !== 'none' && bears(finishBand(order), pitC)) tuned[batchId] = { ...kept, pitId, finish: { pitId, pitC } };
  }
  return tuned;
}

/**
 * All that is on one pit beside a batch, and what is on beside that, at another heat. It is pulled when it would have been, so it goes
 * on sooner or later; what does not bear that heat goes wherever it fits.
 */
export function reheated(
  { current, byId, order, overrides, travel, input, uniform }: From,
  first: string,
  hotter: boolean,
): Move | undefined {
  const pick = pickerOf(uniform);
  const runs = current.runs.filter((run) => run.batchId === first);
  if (runs.length === 0) return undefined;
  const { pitId, pitC } = pick(runs);
  const spans = current.runs
    .filter((run) => run.pitId === pitId && run.pitC === pitC)
    .map(({ batchId, onAtMs, pullLateMs, moveAtMs }) => ({ batchId, fromMs: onAtMs, toMs: moveAtMs ?? pullLateMs }));
  const beside = new Set([first]);
  for (let grown = true; grown;) {
    grown = false;
    const inside = spans.filter(({ batchId }) => beside.has(batchId));
    for (const span of spans)
      if (
        !beside.has(span.batchId) &&
        inside.some((own) => own.fromMs < span.toMs + CHANGE_OVER_MS && span.fromMs < own.toMs + CHANGE_OVER_MS)
      ) {
        beside.add(span.batchId);
        grown = true;
      }
  }
  const out = [...beside].filter((id) => byId.has(id));
  if (out.length < beside.size || out.length > MOST_REHEATED) return undefined;
  const own = byId.get(first)!;
  const heats = new Set(
    out.flatMap((id) => {
      const { method } = byId.get(id)!;
      return [method.pitC, ...method.pitRangeC];
    }),
  );
  const [low, high] = input.pits.find((pit) => pit.id === pitId)!.rangeC;
  const others = [...heats].filter(
    (heat) => heat !== pitC && heat >= low && heat <= high && bears(own.method.pitRangeC, heat) && (!hotter || heat > pitC),
  );
  if (others.length === 0) return undefined;
  const then = pick(others);
  const isNearer = uniform() < 0.5;
  for (const id of out) {
    const { finish, ...wish } = overrides[id] ?? {};
    const moved = byId.get(id)!;
    if (!bears(moved.method.pitRangeC, then)) {
      const { pitId: _, pitC: __, ...rest } = wish;
      overrides[id] = rest;
      continue;
    }
    const shift = shiftOf(current, moved);
    overrides[id] = {
      ...wish,
      pitId,
      pitC: then,
      ...(finish && finish.pitId !== pitId && { finish }),
      earlierMin: isNearer ? Math.round(shift * pick(NEARER)) : shift,
    };
  }
  const longFirst = out.sort((a, b) => shiftOf(current, byId.get(a)!) - shiftOf(current, byId.get(b)!));
  return againLast(order, overrides, travel, uniform() < 0.5 ? longFirst.reverse() : shuffled(longFirst, uniform));
}

/** A batch that is nowhere goes into a pit from which is taken what stands in its way there, by its heat or by chance. */
export function pitCleared({ current, byId, order, overrides, travel, input, uniform }: From, id: string): Move | undefined {
  const pick = pickerOf(uniform);
  const own = byId.get(id)!;
  const { method, serving } = own;
  const [low, high] = method.pitRangeC;
  const able = input.pits.filter((pit) => (pit.smoke || !method.needsSmoke) && pit.rangeC[0] <= high && pit.rangeC[1] >= low);
  if (able.length === 0) return undefined;
  const pitId = pick(able).id;
  // Everything that ends much before is out of its way.
  const fromMs = serving.atMs - uniform() * LONGEST_WAY_BACK_MS;
  const inTheWay = current.steps.flatMap((step) => {
    if (step.id === id || !byId.has(step.id)) return [];
    const isOn = ({ pullLateMs, onAtMs }: { pullLateMs: number; onAtMs: number }) => pullLateMs > fromMs && onAtMs < serving.atMs;
    const there = step.placed.runs.filter((run) => isOn(run) && run.legs.some((leg) => leg.pitId === pitId));
    const otherHeat = there.some((run) => !bears(method.pitRangeC, run.pitC));
    return there.length > 0 && uniform() < (otherHeat ? 0.9 : 0.3) ? [step.id] : [];
  });
  const out = [...new Set(inTheWay)].slice(0, MOST_CLEARED);
  for (const other of out) {
    const { pitId: _, pitC: __, finish: ___, ...kept } = overrides[other] ?? {};
    if (uniform() < 0.7) overrides[other] = kept;
  }
  const { pitC, ...wish } = overrides[id] ?? {};
  const finishes = method.wrap === 'none' ? [] : heatsIn(current, pitId).filter((heat) => bears(finishBand(own), heat));
  overrides[id] = withinPits(
    {
      ...wish,
      pitId,
      ...(pitC !== undefined && uniform() < 0.5 && { pitC }),
      ...(uniform() < 0.5 && { earlierMin: pick(CLEARED_EARLIER_MIN) }),
      ...(finishes.length > 0 && uniform() < 0.5 && { finish: { pitId, pitC: pick(finishes) } }),
    },
    input.pits,
  );
  return againLast(order, overrides, travel, [id, ...shuffled(out, uniform)]);
}
