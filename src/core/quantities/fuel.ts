import type { Firing, Pit, PitKind } from '../model';
import { MS_PER_MIN } from '../units';

export type Fuel = 'split wood' | 'charcoal' | 'lump charcoal' | 'pellets' | 'gas' | 'electricity';

/** Fuel at 121 C, still air, 15 C, kg/h, and how often it is fed. */
export const BURN: Record<PitKind, { fuel: Fuel; kgPerH: number; reloadMin?: number }> = Object.freeze({
  offset: { fuel: 'split wood', kgPerH: 2.5, reloadMin: 40 },
  'reverse-flow': { fuel: 'split wood', kgPerH: 2.5, reloadMin: 40 },
  bullet: { fuel: 'charcoal', kgPerH: 0.4, reloadMin: 420 },
  kettle: { fuel: 'charcoal', kgPerH: 0.4, reloadMin: 240 },
  ceramic: { fuel: 'lump charcoal', kgPerH: 0.22, reloadMin: 840 },
  pellet: { fuel: 'pellets', kgPerH: 0.7 },
  cabinet: { fuel: 'gas', kgPerH: 0.3 },
  'open-pit': { fuel: 'split wood', kgPerH: 5, reloadMin: 25 },
  oven: { fuel: 'electricity', kgPerH: 0 },
});

const REFERENCE = { pitC: 121, airC: 15 };
/** A tenth in hand, so that nobody runs out at three in the morning. */
const IN_HAND_SHARE = 0.1;
/** A chimney of coals, or two splits, to light it. */
const LIGHTING_KG: Partial<Record<Fuel, number>> = { 'split wood': 3, charcoal: 2, 'lump charcoal': 1.5 };
/** Chunks laid on a fire that is not itself wood, kg/h of smoke. */
export const CHUNK_KG_PER_H = 0.12;

/** Fuel for one fire: kg/h x (pit - air) / (121 - 15), from lighting to letting it die, lighting and a tenth in hand. */
export function fuelFor(pit: Pit, firing: Firing, airC: number = REFERENCE.airC): { fuel: Fuel; kg: number; reloads: number } {
  const { fuel, kgPerH, reloadMin } = BURN[pit.kind];
  const ends = [...firing.setPoints.slice(1).map((each) => each.atMs), firing.offAtMs];
  const burnt = firing.setPoints.reduce((sum, setPoint, i) => {
    const from = i === 0 ? firing.lightAtMs : setPoint.atMs;
    const hours = Math.max(0, ends[i]! - from) / (60 * MS_PER_MIN);
    return sum + (hours * kgPerH * Math.max(0, setPoint.pitC - airC)) / (REFERENCE.pitC - REFERENCE.airC);
  }, 0);
  const minutes = (firing.offAtMs - firing.readyAtMs) / MS_PER_MIN;
  return {
    fuel,
    kg: kgPerH === 0 ? 0 : burnt * (1 + IN_HAND_SHARE) + (LIGHTING_KG[fuel] ?? 0),
    reloads: reloadMin === undefined ? 0 : Math.max(0, Math.ceil(minutes / reloadMin) - 1),
  };
}
