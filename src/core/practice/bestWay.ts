import { outcomeOf } from './outcome';
import type { PracticeDay } from './practiceDay';
import { AS_MEANT, cookOn, freshMemory, type Memory, type Way } from './steadyHand';

/** What a steady hand could make of the rest of a day. */
export const WAYS: readonly Way[] = Object.freeze([
  AS_MEANT,
  { hotterC: 0, wrapSoon: true },
  { hotterC: 8 },
  { hotterC: 15 },
  { hotterC: 15, wrap: 'foil', wrapSoon: true },
  { hotterC: 27, wrap: 'foil' },
  { hotterC: -10 },
]);

/** What it is worth beside the plates that it was on time, in points before they are brought back to a hundred. */
const ON_TIME = 5;

export interface Tried {
  way: Way;
  value: number;
}

/** Each way tried on the day as it truly stands, the best first: on time comes before what is on the plate. */
export function triedWays(day: PracticeDay, memory: Memory, ways: readonly Way[] = WAYS): Tried[] {
  const loads = day.has('deliveryShort');
  return ways
    .map((each) => {
      const way = loads ? { ...each, loads } : each;
      const tried = day.fork();
      cookOn(tried, way, structuredClone(memory));
      const { value, onTime } = outcomeOf(tried);
      return { way, value: (value + (onTime ? ON_TIME : 0)) / (1 + ON_TIME / 100) };
    })
    .sort((a, b) => b.value - a.value);
}

const LOOKS_ANEW_MS = 2 * 3_600_000;

/** Cooks to the end as well as can be: the best way is looked for anew whenever something happens. */
export function cookPerfectly(day: PracticeDay): void {
  const memory = freshMemory();
  while (!day.over) {
    const [best] = triedWays(day, memory);
    const told = day.news.length;
    const nextMs = day.nowMs + LOOKS_ANEW_MS;
    while (!day.over && day.nowMs < nextMs && day.news.length === told) cookOn(day, best!.way, memory, day.nowMs + 60_000);
  }
}
