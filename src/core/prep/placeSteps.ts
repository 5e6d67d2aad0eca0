import { isPoultry, prepOf, type Batch, type Cut, type Library, type PrepStep, type Shift } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { prepChain } from './chain';

/** A batch that is to be readied, and when its first piece goes on. */
export interface PrepOrder {
  batch: Batch;
  cut: Cut;
  onAtMs: number;
}

export interface PrepContext {
  library: Library;
  /** Pairs of hands for prep. */
  hands: number;
  /** When the kitchen works, in order; empty when it always does. */
  shifts: readonly Shift[];
  /** Nothing is begun before the meat is there. */
  deliverAtMs?: number;
}

interface Busy {
  fromMs: number;
  toMs: number;
  poultry: boolean;
}

/**
 * Every step counted back from going on the pit. A step ends between the least and the most wait before
 * the next; within that it is put as late as hands and kitchen hours allow. Raw poultry is never worked
 * on beside other food. What has no room inside the hours is put at its latest and marked.
 */
export function placeSteps(orders: readonly PrepOrder[], context: PrepContext): PrepStep[] {
  const busy: Busy[] = [];
  const steps: PrepStep[] = [];
  const latestFirst = [...orders].sort((a, b) => b.onAtMs - a.onAtMs || (a.batch.id < b.batch.id ? -1 : 1));
  for (const order of latestFirst) {
    const links = prepChain(order.batch, order.cut, context.library);
    const done = new Set(prepOf(order.cut, order.batch).done);
    const poultry = isPoultry(order.cut);
    let nextMs = order.onAtMs;
    let latestNextMs = order.onAtMs;
    for (const link of [...links].reverse()) {
      const endHighMs = addMinutes(nextMs, -link.waitMin);
      const endLowMs = Math.min(
        endHighMs,
        Math.max(addMinutes(nextMs, -link.mostWaitMin), addMinutes(context.deliverAtMs ?? -Infinity, link.minutes)),
      );
      const latestMs = addMinutes(latestNextMs, -link.waitMin - link.minutes);
      const found = latestEnd(endLowMs, endHighMs, link.minutes, poultry, busy, context);
      const atMs = addMinutes(found ?? endHighMs, -link.minutes);
      busy.push({ fromMs: atMs, toMs: addMinutes(atMs, link.minutes), poultry });
      steps.push({
        id: `${order.batch.id}/${link.kind}`,
        kind: link.kind,
        batchId: order.batch.id,
        atMs,
        minutes: link.minutes,
        hands: 1,
        waitMin: Math.round((nextMs - addMinutes(atMs, link.minutes)) / MS_PER_MIN),
        earliestMs: Math.min(atMs, addMinutes(endLowMs, -link.minutes)),
        latestMs,
        done: done.has(link.kind),
        outOfHours: !inShift(atMs, addMinutes(atMs, link.minutes), context.shifts),
      });
      nextMs = atMs;
      latestNextMs = latestMs;
    }
  }
  return steps.sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
}

/** Begun on a five of the clock where the window allows: nobody begins at 18:53. */
function onTheFive(endMs: number, lowMs: number, minutes: number): number {
  const fiveMs = 5 * MS_PER_MIN;
  const rounded = addMinutes(Math.floor(addMinutes(endMs, -minutes) / fiveMs) * fiveMs, minutes);
  return rounded >= lowMs ? rounded : endMs;
}

const inShift = (fromMs: number, toMs: number, shifts: readonly Shift[]): boolean =>
  shifts.length === 0 || shifts.some((shift) => shift.fromMs <= fromMs && shift.toMs >= toMs);

/** The latest end within [low, high] at which hands are free and the kitchen works; undefined when there is none. */
function latestEnd(
  lowMs: number,
  highMs: number,
  minutes: number,
  poultry: boolean,
  busy: Busy[],
  context: PrepContext,
): number | undefined {
  const candidates = [highMs, ...busy.map((each) => each.fromMs), ...context.shifts.map((shift) => shift.toMs)]
    .map((endMs) => onTheFive(endMs, lowMs, minutes))
    .filter((endMs) => endMs >= lowMs && endMs <= highMs)
    .sort((a, b) => b - a);
  return candidates.find((endMs) => {
    const fromMs = addMinutes(endMs, -minutes);
    const beside = busy.filter((each) => each.fromMs < endMs && each.toMs > fromMs);
    return inShift(fromMs, endMs, context.shifts) && beside.every((each) => each.poultry === poultry) && mostAtOnce(beside) < context.hands;
  });
}

const mostAtOnce = (uses: Busy[]): number =>
  Math.max(0, ...uses.map((use) => uses.filter((other) => other.fromMs <= use.fromMs && other.toMs > use.fromMs).length));
