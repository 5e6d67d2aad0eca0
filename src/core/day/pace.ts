import { addMinutes } from '../units';

/** How a day's time goes: so many times as fast as the world's, and where `fastToMs` is said, only until then. */
export interface DayPace {
  speed: number;
  /** The day's instant from which its time goes as the world's again. */
  fastToMs?: number;
}

/** The day's time (ms) when so much of the world's (ms) went by since the day's `fromMs`. */
export function dayTimeAfter(fromMs: number, worldMs: number, { speed, fastToMs = Infinity }: DayPace): number {
  const fast = fromMs + worldMs * speed;
  const over = fast - Math.max(fromMs, fastToMs);
  return over > 0 ? fast - over + over / speed : fast;
}

/** The pace at a time of the day. */
export const paceAt = ({ speed, fastToMs }: DayPace, nowMs: number): DayPace =>
  fastToMs !== undefined && nowMs >= fastToMs ? { speed: 1 } : { speed, fastToMs };

/** So fast from `nowMs` on, for so many of the day's minutes where that is said. */
export const paceFrom = (nowMs: number, speed: number, forMin?: number): DayPace => ({
  speed,
  fastToMs: forMin === undefined ? undefined : addMinutes(nowMs, forMin),
});
