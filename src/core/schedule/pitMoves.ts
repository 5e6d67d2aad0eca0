import type { Override, Run } from '../model';
import { pickerOf, shuffled } from '../numerics';
import { MS_PER_MIN } from '../units';
import { NEARER } from './batchMoves';
import type { Decoded } from './decoded';
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

/** Batches that are on a pit at one heat beside a run, and those beside them, with no time between to change it. */
export function sideBySide(current: Decoded, { batchId, pitId, pitC }: Run): string[] {
  const left = current.runs
    .filter((run) => run.pitId === pitId && run.pitC === pitC)
    .map((run) => ({ batchId: run.batchId, fromMs: run.onAtMs, toMs: (run.moveAtMs ?? run.pullLateMs) + CHANGE_OVER_MS }))
    .sort((a, b) => a.fromMs - b.fromMs);
  const together: { toMs: number; ids: Set<string> }[] = [];
  for (const { batchId: id, fromMs, toMs } of left) {
    const last = together.at(-1);
    if (last && fromMs < last.toMs) {
      last.ids.add(id);
      last.toMs = Math.max(last.toMs, toMs);
    } else together.push({ toMs, ids: new Set([id]) });
  }
  return [...new Set(together.filter(({ ids }) => ids.has(batchId)).flatMap(({ ids }) => [...ids]))];
}

/**
 * All that is side by side with a batch on one pit at another heat. It is pulled when it would have been, so it goes on sooner or
 * later; what does not bear that heat goes wherever it fits.
 */
export function reheated(
  { current, byId, order, overrides, travel, input, uniform }: From,
  first: string,
  hotter: boolean,
): Move | undefined {
  const pick = pickerOf(uniform);
  const runs = current.runs.filter((run) => run.batchId === first);
  if (runs.length === 0) return undefined;
  const run = pick(runs);
  const { pitId, pitC } = run;
  const out = sideBySide(current, run);
  if (out.length > MOST_REHEATED || out.some((id) => !byId.has(id))) return undefined;
  const methodOf = (id: string) => byId.get(id)!.method;
  const heats = new Set(out.flatMap((id) => [methodOf(id).pitC, ...methodOf(id).pitRangeC]));
  const { rangeC } = input.pits.find((pit) => pit.id === pitId)!;
  const others = [...heats].filter(
    (heat) => heat !== pitC && bears(rangeC, heat) && bears(methodOf(first).pitRangeC, heat) && (!hotter || heat > pitC),
  );
  if (others.length === 0) return undefined;
  const then = pick(others);
  const isNearer = uniform() < 0.5;
  for (const id of out) {
    const { pitId: _, pitC: __, finish, ...rest } = overrides[id] ?? {};
    const shift = shiftOf(current, byId.get(id)!);
    overrides[id] = bears(methodOf(id).pitRangeC, then)
      ? {
          ...rest,
          pitId,
          pitC: then,
          ...(finish && finish.pitId !== pitId && { finish }),
          earlierMin: isNearer ? Math.round(shift * pick(NEARER)) : shift,
        }
      : rest;
  }
  const earliestFirst = [...out].sort((a, b) => shiftOf(current, byId.get(b)!) - shiftOf(current, byId.get(a)!));
  return againLast(order, overrides, travel, uniform() < 0.5 ? earliestFirst : shuffled(out, uniform));
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
