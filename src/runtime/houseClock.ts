import { dayTimeAfter, paceFrom } from '../core/day';
import type { DayClock } from '../persistence';

/** A day's own time at an instant of the world's: the same, or as fast as it is simulated. */
export const dayTime = (clock: DayClock, realMs: number): number =>
  clock.mode === 'real' ? realMs : Math.round(dayTimeAfter(clock.dayFromMs, realMs - clock.realFromMs, clock));

/** The same clock at another speed, from now on; only for so many of the day's minutes, where that is said. */
export const atSpeed = (clock: DayClock, speed: number, realMs: number, forMin?: number): DayClock => {
  if (clock.mode === 'real') return clock;
  const dayFromMs = dayTime(clock, realMs);
  return { ...clock, dayFromMs, realFromMs: realMs, ...paceFrom(dayFromMs, speed, forMin) };
};
