import type { PracticeDeed } from './deed';
import type { PracticeDay } from './practiceDay';
import type { Scenario } from './scenario';
import { begin } from './steadyHand';

/** All that a day in practice is made of: the same again from it, to the minute. */
export interface PracticeSave {
  seed: number;
  nowMs: number;
  deeds: { atMs: number; deed: PracticeDeed }[];
}

export const saveOf = (day: PracticeDay): PracticeSave => ({
  seed: day.seed,
  nowMs: day.nowMs,
  deeds: day.done.map(({ askedAtMs, deed }) => ({ atMs: askedAtMs, deed })),
});

/** The day as it was left, or as it was at an instant before that. */
export function resumed(scenario: Scenario, { seed, nowMs, deeds }: PracticeSave, untilMs = nowMs): PracticeDay {
  const day = begin(scenario, seed);
  for (const { atMs, deed } of deeds) {
    if (atMs > untilMs) break;
    day.advanceTo(atMs);
    day.do(deed);
  }
  day.advanceTo(untilMs);
  return day;
}
