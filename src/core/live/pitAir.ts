import { setPointC, type CookSetup } from '../forecast';
import { quantile } from '../numerics';

/** The pit's air as a probe in it said. */
export interface PitReading {
  atMin: number;
  pitC: number;
}

type Programme = CookSetup['pit'];

/** What the pit was off its set point lately goes away over so many minutes; a lifted lid, or a flare, much sooner. */
const STRAYS_FOR_MIN = 120;
const UPSET_FOR_MIN = 12;
/** Its usual stray is the middle of that of the last so many minutes. */
const LATELY_MIN = 60;

/**
 * The pit on a grid of `stepMin` minutes as it was known at `nowMin`: as it was read, between two readings on a line;
 * beyond the last as it is set, with what it strays dying away, slowly what it did for an hour and soon what it did just
 * now. Undefined where it was never read: then the programme holds, openings and all. Computed where it is asked for.
 */
export function airKnownAt(
  nowMin: number,
  pit: readonly PitReading[],
  programme: Programme,
  stepMin: number,
): (minute: number) => number | undefined {
  const count = countUntil(pit, nowMin);
  const last = pit[count - 1];
  if (!last) return () => undefined;
  const off = ({ atMin, pitC }: PitReading) => pitC - setPointC(programme, Math.max(0, atMin));
  const lately: number[] = [];
  for (let i = count - 1; i >= 0 && pit[i]!.atMin > last.atMin - LATELY_MIN; i--) lately.push(off(pit[i]!));
  const straysC = quantile(lately, 0.5);
  const upsetC = off(last) - straysC;
  const air: (number | undefined)[] = [];
  const compute = (minute: number) => {
    if (minute > last.atMin) {
      const agoMin = minute - last.atMin;
      return setPointC(programme, minute) + straysC * Math.exp(-agoMin / STRAYS_FOR_MIN) + upsetC * Math.exp(-agoMin / UPSET_FOR_MIN);
    }
    const next = firstFrom(pit, minute);
    const after = pit[next]!;
    const before = pit[next - 1] ?? after;
    const share = after === before ? 1 : (minute - before.atMin) / (after.atMin - before.atMin);
    return before.pitC + share * (after.pitC - before.pitC);
  };
  return (minute) => {
    const index = Math.round(minute / stepMin);
    return (air[index] ??= compute(index * stepMin));
  };
}

/** Until when what the pit was is known for good at a moment, on the grid: no reading to come between changes it. */
export function settledAt(nowMin: number, pit: readonly PitReading[], stepMin: number): number {
  const last = pit[countUntil(pit, nowMin) - 1];
  return Math.max(0, stepMin * Math.floor(Math.min(nowMin, last?.atMin ?? nowMin) / stepMin));
}

/** A name for the readings until a minute: told differently later, it is another. */
export const readUntil = (pit: readonly PitReading[], untilMin: number): string => named(pit, countUntil(pit, untilMin));

/** A name for all readings that say what the pit was until a minute: the first one after it is among them. */
export const readThrough = (pit: readonly PitReading[], untilMin: number): string =>
  named(pit, Math.min(pit.length, firstFrom(pit, untilMin) + 1));

function named(pit: readonly PitReading[], count: number): string {
  let sum = 0;
  for (let i = 0; i < count; i++) sum = (sum * 31 + pit[i]!.atMin * 977 + pit[i]!.pitC * 8191) % 1e9;
  return `${count} ${sum}`;
}

const countUntil = (pit: readonly PitReading[], minute: number): number => {
  const after = firstFrom(pit, minute);
  let count = after;
  while (count < pit.length && pit[count]!.atMin <= minute) count++;
  return count;
};

/** Index of the first reading at or after a minute, in readings in order of time. */
function firstFrom(pit: readonly PitReading[], minute: number): number {
  let low = 0;
  let high = pit.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (pit[middle]!.atMin < minute) low = middle + 1;
    else high = middle;
  }
  return low;
}
