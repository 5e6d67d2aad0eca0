import type { Pit } from '../model';
import { AIR_GAP_MM, floorOf } from '../packing';
import { addMinutes, MS_PER_MIN } from '../units';
import { suitablePits } from './alternatives';
import type { SearchInput } from './decoded';
import type { BatchOrder } from './order';
import { quickestCook } from './proof';
import { footprintOf } from './rackLedger';
import { firstCarveMs, offPitMin } from './window';

/** More than there is room for on some pits between two instants, however it is laid and whenever it goes on. */
export interface RoomShort {
  batchIds: string[];
  pitIds: string[];
  fromMs: number;
  toMs: number;
  /** What must lie there on average, over what there is. */
  neededShare: number;
}

export interface Claim {
  id: string;
  pitIds: ReadonlySet<string>;
  mm2: number;
  kg: number;
  durationMs: number;
  /** The earliest and the latest it may come off. */
  offFromMs: number;
  offToMs: number;
}

/** Half an air gap round a piece may stand out over the corner of a round rack by so much of the gap. */
const CORNER_GAPS = 1.5;

/**
 * Whether batches need more rack, or load more, than their pits have, by energetic reasoning: whenever a batch comes
 * off between its earliest and its latest moment, it lies on some rack for no less than its quickest cook, so of any span of time it
 * fills at least what the earlier or the later of the two leaves in it. Needs no search, and proves nothing where it is silent.
 * Source: energetic reasoning for cumulative scheduling (Erschler and Lopez 1990).
 */
export function provedRoomShort(orders: readonly BatchOrder[], input: SearchInput): RoomShort | undefined {
  // Who drives, and what is put somewhere by hand, is not asked here.
  if (input.away.length > 0 || input.pins.length > 0) return undefined;
  const gapMm = Math.min(AIR_GAP_MM, input.airGapMm);
  const claims = orders.flatMap((order) => claimOf(order, input, gapMm) ?? []);
  const sets = new Map<string, ReadonlySet<string>>();
  for (const { pitIds } of claims) sets.set([...pitIds].sort().join('|'), pitIds);
  const every = new Set(claims.flatMap(({ pitIds }) => [...pitIds]));
  sets.set([...every].sort().join('|'), every);
  let worst: (RoomShort & { over: number }) | undefined;
  for (const pitIds of sets.values()) {
    const pits = input.pits.filter((pit) => pitIds.has(pit.id));
    const own = claims.filter((claim) => [...claim.pitIds].every((id) => pitIds.has(id)));
    const short = shortOn(own, pits, gapMm);
    if (short && (!worst || short.over > worst.over)) worst = short;
  }
  if (!worst) return undefined;
  const { over: _, ...told } = worst;
  return told;
}

/** What a batch claims of the racks at least; nothing when it could not be cooked at all. */
export function claimOf(order: BatchOrder, input: SearchInput, gapMm: number): Claim | undefined {
  const { batch, cut, method, serving } = order;
  const pieces = batch.pieces.map((piece) => footprintOf(cut, batch.id, piece));
  const { pits } = suitablePits(cut, method, input.pits, pieces, input.limits.bareMeatPit);
  const { shortestMin } = quickestCook(order, input, pits);
  if (pits.length === 0 || !Number.isFinite(shortestMin)) return undefined;
  const latestMs = addMinutes(firstCarveMs(order), -offPitMin(order));
  return {
    id: batch.id,
    // Once it is wrapped it may finish anywhere.
    pitIds: new Set((method.wrap === 'none' ? pits : input.pits).map((pit) => pit.id)),
    mm2: pieces.reduce((sum, piece) => sum + (piece.lengthMm + gapMm) * (piece.widthMm + gapMm), 0),
    kg: pieces.reduce((sum, piece) => sum + piece.kg, 0),
    durationMs: shortestMin * MS_PER_MIN,
    offFromMs: addMinutes(latestMs, -method.holdMaxMin),
    offToMs: addMinutes(latestMs, serving.serveForMin),
  };
}

/** The least time a claim lies there between two instants. */
function leastMs({ durationMs, offFromMs, offToMs }: Claim, fromMs: number, toMs: number): number {
  const overlap = (offMs: number) => Math.max(0, Math.min(offMs, toMs) - Math.max(offMs - durationMs, fromMs));
  return Math.min(overlap(offFromMs), overlap(offToMs));
}

const ROUNDING = 1 + 1e-9;

function shortOn(claims: readonly Claim[], pits: readonly Pit[], gapMm: number): (RoomShort & { over: number }) | undefined {
  const racks = pits.flatMap((pit) => pit.racks);
  const room = { mm2: racks.reduce((sum, rack) => sum + roomMm2(rack, gapMm), 0), kg: racks.reduce((sum, rack) => sum + rack.maxKg, 0) };
  const froms = new Set(claims.flatMap((claim) => [claim.offFromMs - claim.durationMs, claim.offToMs - claim.durationMs]));
  const tos = new Set(claims.flatMap((claim) => [claim.offFromMs, claim.offToMs]));
  let worst: { over: number; fromMs: number; toMs: number; by: 'mm2' | 'kg' } | undefined;
  for (const fromMs of froms)
    for (const toMs of tos) {
      if (toMs <= fromMs) continue;
      let [mm2, kg] = [0, 0];
      for (const claim of claims) {
        const share = leastMs(claim, fromMs, toMs) / (toMs - fromMs);
        mm2 += claim.mm2 * share;
        kg += claim.kg * share;
      }
      const by = mm2 / room.mm2 > kg / room.kg ? 'mm2' : 'kg';
      const over = Math.max(mm2 / room.mm2, kg / room.kg);
      if (over > ROUNDING && (!worst || over > worst.over)) worst = { over, fromMs, toMs, by };
    }
  if (!worst) return undefined;
  const { fromMs, toMs, over, by } = worst;
  // As few as still are too many: what takes least goes first.
  const load = (claim: Claim) => (claim[by] * leastMs(claim, fromMs, toMs)) / (toMs - fromMs) / room[by];
  const kept = claims.filter((claim) => load(claim) > 0).sort((a, b) => load(a) - load(b));
  let left = kept.reduce((sum, claim) => sum + load(claim), 0);
  const batchIds = kept.filter((claim) => {
    if (left - load(claim) <= ROUNDING) return true;
    left -= load(claim);
    return false;
  });
  return { batchIds: batchIds.map(({ id }) => id), pitIds: pits.map((pit) => pit.id), fromMs, toMs, neededShare: over, over };
}

/** No less than what pieces with half a gap all round can claim of a rack. */
export function roomMm2(rack: Pit['racks'][number], gapMm: number): number {
  const { widthMm, depthMm, round } = floorOf(rack);
  return round ? (Math.PI / 4) * (widthMm + CORNER_GAPS * gapMm) ** 2 : (widthMm + gapMm) * (depthMm + gapMm);
}
