import type { Pit, PieceRef, RackFault, Rect } from '../model';
import { AIR_GAP_MM, apartMm, floorOf, isOnFloor, isTooNear } from './floor';

/** A piece on a rack for a while. Half-open in time. */
export interface Occupancy extends Rect {
  piece: PieceRef;
  rackId: string;
  kg: number;
  thicknessMm: number;
  poultry: boolean;
  fromMs: number;
  toMs: number;
}

const together = (a: Occupancy, b: Occupancy) => ({ fromMs: Math.max(a.fromMs, b.fromMs), toMs: Math.min(a.toMs, b.toMs) });
const overlap = (a: Occupancy, b: Occupancy): boolean => a.fromMs < b.toMs && b.fromMs < a.toMs;

/**
 * Everything that is wrong on the racks of one pit, in the order it begins: pieces nearer than the
 * air gap, off the rack, on a blocked part, too tall, a rack overloaded, poultry above other food.
 * Knows nothing of how the pieces came to lie there.
 */
export function rackFaults(
  pit: Pit,
  occupancies: readonly Occupancy[],
  gapMm: number = AIR_GAP_MM,
): { rackId: string; fault: RackFault }[] {
  const found: { rackId: string; fault: RackFault }[] = [];
  for (const rack of pit.racks) {
    const own = occupancies.filter((each) => each.rackId === rack.id);
    const add = (fault: RackFault) => found.push({ rackId: rack.id, fault });
    own.forEach((each, i) => {
      const { piece, fromMs, toMs } = each;
      if (!isOnFloor(floorOf(rack), each)) add({ code: 'offRack', piece, fromMs, toMs });
      if ((rack.blocked ?? []).some((part) => isTooNear(each, part, 0))) add({ code: 'onBlocked', piece, fromMs, toMs });
      if (each.thicknessMm > rack.clearanceMm)
        add({ code: 'tooTall', piece, thicknessMm: each.thicknessMm, clearanceMm: rack.clearanceMm, fromMs, toMs });
      for (const other of own.slice(i + 1))
        if (overlap(each, other) && isTooNear(each, other, gapMm))
          add({ code: 'tooNear', piece, other: other.piece, apartMm: apartMm(each, other), gapMm, ...together(each, other) });
    });
    const heaviest = fullest(own);
    if (heaviest && heaviest.kg > rack.maxKg + 1e-9) add({ code: 'overloaded', maxKg: rack.maxKg, ...heaviest });
  }
  const levels = new Map(pit.racks.map((rack) => [rack.id, rack.level]));
  for (const bird of occupancies.filter((each) => each.poultry)) {
    const under = occupancies.find(
      (other) => !other.poultry && overlap(bird, other) && (levels.get(bird.rackId) ?? 0) > (levels.get(other.rackId) ?? 0),
    );
    if (under)
      found.push({ rackId: bird.rackId, fault: { code: 'poultryAbove', piece: bird.piece, other: under.piece, ...together(bird, under) } });
  }
  return found.sort((a, b) => a.fault.fromMs - b.fault.fromMs);
}

/** The heaviest moment of a rack. */
function fullest(occupancies: readonly Occupancy[]): { kg: number; fromMs: number; toMs: number } | undefined {
  let best: { kg: number; fromMs: number; toMs: number } | undefined;
  for (const { fromMs } of occupancies) {
    const there = occupancies.filter((each) => each.fromMs <= fromMs && each.toMs > fromMs);
    const kg = there.reduce((sum, each) => sum + each.kg, 0);
    if (!best || kg > best.kg) best = { kg, fromMs, toMs: Math.min(...there.map((each) => each.toMs)) };
  }
  return best;
}
