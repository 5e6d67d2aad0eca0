import type { Firing, Pit } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import type { CrewLedger } from './crewLedger';
import { CHANGE_OVER_MIN, type HeatLedger } from './heatLedger';
import type { Road } from './placement';

/** A fire is kept going over a gap shorter than this (or than lighting it again would take). */
const KEEP_FIRE_MIN = 180;
/** Lighting a pit takes hands so long. */
export const LIGHT_MIN = 15;

/**
 * Turns the heat each pit is asked for into fires: lit in time by whoever is free, changed over ahead
 * of the next batch (a method's own step jumps when it is due), let die after the last and before
 * the pit goes on the road. A fire that nobody could light names nobody and is returned in `unlit`.
 */
export function firingsOf(
  pits: Pit[],
  heat: HeatLedger,
  crewLedger: CrewLedger,
  drives: readonly Road[],
  earliestMs: number,
): { firings: Firing[]; unlit: Firing[] } {
  const firings: Firing[] = [];
  for (const pit of pits) {
    let current: Firing | undefined;
    for (const use of heat.of(pit.id)) {
      const gapMin = current ? (use.fromMs - current.offAtMs) / MS_PER_MIN : Infinity;
      const towed = pit.travels && current && drives.some((drive) => drive.fromMs >= current!.offAtMs && drive.toMs <= use.fromMs);
      if (!current || towed || gapMin > Math.max(KEEP_FIRE_MIN, pit.warmUpMin)) {
        current = {
          pitId: pit.id,
          lightAtMs: addMinutes(use.fromMs, -pit.warmUpMin),
          readyAtMs: use.fromMs,
          offAtMs: use.toMs,
          setPoints: [{ atMs: use.fromMs, pitC: use.pitC }],
          who: [],
        };
        firings.push(current);
        continue;
      }
      if (current.setPoints.at(-1)!.pitC !== use.pitC)
        current.setPoints.push({ atMs: gapMin < CHANGE_OVER_MIN ? use.fromMs : addMinutes(use.fromMs, -CHANGE_OVER_MIN), pitC: use.pitC });
      current.offAtMs = Math.max(current.offAtMs, use.toMs);
    }
  }
  firings.sort((a, b) => a.lightAtMs - b.lightAtMs);
  // The latest first: it has the least time before it to give way.
  const unlit: Firing[] = [];
  for (const firing of [...firings].reverse()) {
    const pit = pits.find((each) => each.id === firing.pitId)!;
    const arrivedMs = pit.travels
      ? Math.max(earliestMs, ...drives.filter((drive) => drive.toMs <= firing.readyAtMs).map((drive) => drive.toMs))
      : earliestMs;
    const atMs = crewLedger.latestFree(arrivedMs, firing.lightAtMs, LIGHT_MIN);
    const who = atMs === undefined ? undefined : crewLedger.claim(atMs, LIGHT_MIN);
    if (atMs === undefined || !who) {
      unlit.push(firing);
      continue;
    }
    firing.lightAtMs = atMs;
    firing.who = who;
  }
  return { firings, unlit };
}
