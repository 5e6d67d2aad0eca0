import type { Firing, Pit } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { CHANGE_OVER_MIN, type HeatLedger } from './heatLedger';

/** A fire is kept going over a gap shorter than this (or than lighting it again would take). */
const KEEP_FIRE_MIN = 180;

/** Turns the heat each pit is asked for into fires: lit in time, changed over ahead of the next batch (a method's own step jumps when it is due), let die after the last. */
export function firingsOf(pits: Pit[], heat: HeatLedger): Firing[] {
  const firings: Firing[] = [];
  for (const pit of pits) {
    let current: Firing | undefined;
    for (const use of heat.of(pit.id)) {
      const gapMin = current ? (use.fromMs - current.offAtMs) / MS_PER_MIN : Infinity;
      if (!current || gapMin > Math.max(KEEP_FIRE_MIN, pit.warmUpMin)) {
        current = {
          pitId: pit.id,
          lightAtMs: addMinutes(use.fromMs, -pit.warmUpMin),
          readyAtMs: use.fromMs,
          offAtMs: use.toMs,
          setPoints: [{ atMs: use.fromMs, pitC: use.pitC }],
        };
        firings.push(current);
        continue;
      }
      if (current.setPoints.at(-1)!.pitC !== use.pitC)
        current.setPoints.push({ atMs: gapMin < CHANGE_OVER_MIN ? use.fromMs : addMinutes(use.fromMs, -CHANGE_OVER_MIN), pitC: use.pitC });
      current.offAtMs = Math.max(current.offAtMs, use.toMs);
    }
  }
  return firings.sort((a, b) => a.lightAtMs - b.lightAtMs || (a.pitId < b.pitId ? -1 : 1));
}
