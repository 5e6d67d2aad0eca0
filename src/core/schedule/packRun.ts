import { isPoultry, type Cut, type Leg, type Pit, type Rack, type RunWish } from '../model';
import { claimedMm2 } from '../packing';
import type { Filled, Footprint, RackLedger, RackRefusal } from './rackLedger';

interface PackedPieces {
  taken: Footprint[];
  byRack: Map<string, Filled>;
  refusal?: RackRefusal;
  rack?: Rack;
}

/** Pieces where they are wished to lie in a pit, all or none. */
export function layAsWished(
  ledger: RackLedger,
  pit: Pit,
  cut: Cut,
  pieces: Footprint[],
  wishes: RunWish['places'],
  fromMs: number,
  toMs: number,
): PackedPieces {
  const byRack = new Map<string, Filled>();
  const here = wishes.filter((place) => place.pitId === pit.id);
  const taken: Footprint[] = [];
  for (const rackId of new Set(here.map((place) => place.rackId))) {
    const rack = pit.racks.find((each) => each.id === rackId);
    if (!rack) return { taken: [], byRack: new Map() };
    const wished = here.flatMap((place) => {
      const piece = place.rackId === rackId && pieces.find((each) => each.pieceId === place.pieceId);
      return piece ? [{ piece, place }] : [];
    });
    if (wished.length === 0) continue;
    const filled = ledger.layAsWished(pit, rack, cut, wished, fromMs, toMs);
    if (!filled) return { taken: [], byRack: new Map() };
    byRack.set(rack.id, { ...filled, taken: pieces.filter((piece) => filled.taken.includes(piece)) });
    taken.push(...filled.taken);
  }
  return taken.length === pieces.length ? { taken: pieces, byRack } : { taken: [], byRack: new Map() };
}

/** Spreads pieces over a pit's racks: poultry from the bottom up, everything else from the top down. */
export function lay(ledger: RackLedger, pit: Pit, cut: Cut, pieces: Footprint[], fromMs: number, toMs: number): PackedPieces {
  const lowFirst = isPoultry(cut) ? 1 : -1;
  const racks = [...pit.racks].sort((a, b) => lowFirst * (a.level - b.level));
  const byRack = new Map<string, Filled>();
  let left = pieces;
  let refusal: RackRefusal | undefined;
  let refusedBy: Rack | undefined;
  for (const rack of racks) {
    if (left.length === 0) break;
    const filled = ledger.fill(pit, rack, cut, left, fromMs, toMs);
    if (filled.taken.length > 0) byRack.set(rack.id, filled);
    if (filled.refusal && (!refusal || refusal.code === 'tooLarge')) {
      refusal = filled.refusal;
      refusedBy = rack;
    }
    left = left.filter((piece) => !filled.taken.includes(piece));
  }
  return { taken: pieces.filter((piece) => !left.includes(piece)), byRack, refusal, rack: refusedBy };
}

export function legsOf(pit: Pit, byRack: Map<string, Filled>, kept: ReadonlySet<string>, fromMs: number, toMs: number): Leg[] {
  const legs: Leg[] = [];
  for (const [rackId, filled] of byRack) {
    const pieces = filled.taken.filter((piece) => kept.has(piece.pieceId));
    if (pieces.length === 0) continue;
    legs.push({
      pitId: pit.id,
      rackId,
      pieceIds: pieces.map((piece) => piece.pieceId),
      places: filled.places.filter((place) => kept.has(place.pieceId)),
      fromMs,
      toMs,
      areaMm2: pieces.reduce((sum, piece) => sum + claimedMm2(piece), 0),
      kg: pieces.reduce((sum, piece) => sum + piece.kg, 0),
    });
  }
  return legs;
}
