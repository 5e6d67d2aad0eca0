import type { DayClock } from '../persistence';

/** A day's own time at an instant of the world's: the same, or as fast as it is simulated. */
export const dayTime = (clock: DayClock, realMs: number): number =>
  clock.mode === 'real' ? realMs : Math.round(clock.dayFromMs + (realMs - clock.realFromMs) * clock.speed);

/** The same clock at another speed, from now on. */
export const atSpeed = (clock: DayClock, speed: number, realMs: number): DayClock =>
  clock.mode === 'real' ? clock : { ...clock, dayFromMs: dayTime(clock, realMs), realFromMs: realMs, speed };
