import { untendedMaxOf, type Firing, type Pit } from '../model';
import type { Stay, Whereabouts } from '../travel';
import { addMinutes, MS_PER_MIN } from '../units';
import type { CrewLedger } from './crewLedger';
import { CHANGE_OVER_MIN, type HeatLedger } from './heatLedger';

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
  whereabouts: Whereabouts,
  earliestMs: number,
): { firings: Firing[]; unlit: Firing[] } {
  const firings: (Firing & { stand: Stay })[] = [];
  for (const pit of pits) {
    let current: (Firing & { stand: Stay }) | undefined;
    for (const use of heat.of(pit.id)) {
      const gapMin = current ? (use.fromMs - current.offAtMs) / MS_PER_MIN : Infinity;
      const stand = standAt(whereabouts.standsOf(pit.id), use.fromMs);
      const alone = current && whereabouts.unattended(stand.placeId, current.offAtMs, use.fromMs);
      const left = alone && (alone.toMs - alone.fromMs) / MS_PER_MIN > untendedMaxOf(pit);
      if (!current || current.stand !== stand || left || gapMin > Math.max(KEEP_FIRE_MIN, pit.warmUpMin)) {
        current = {
          stand,
          pitId: pit.id,
          placeId: stand.placeId,
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
  const unlit: typeof firings = [];
  for (const firing of [...firings].reverse()) {
    const { stand } = firing;
    const atMs = crewLedger.latestFree(Math.max(earliestMs, stand.fromMs), firing.lightAtMs, LIGHT_MIN, stand.placeId);
    const who = atMs === undefined ? undefined : crewLedger.claim(atMs, LIGHT_MIN, stand.placeId);
    if (atMs === undefined || !who) {
      unlit.push(firing);
      continue;
    }
    firing.lightAtMs = atMs;
    firing.who = who;
  }
  return { firings: firings.map(withoutStand), unlit: unlit.map(withoutStand) };
}

const withoutStand = ({ stand: _, ...firing }: Firing & { stand: Stay }): Firing => firing;
const standAt = (stands: readonly Stay[], atMs: number): Stay =>
  stands.find((each) => each.fromMs <= atMs && each.toMs > atMs) ?? stands[0]!;
