import { isPoultry, laidSize, type Cut, type ManualPlacement, type Leg, type Piece, type Pit, type Place, type Rack } from '../model';
import {
  AIR_GAP_MM,
  arrange,
  claimedMm2,
  floorMm2,
  floorOf,
  hotSideOf,
  isOnFloor,
  isTooNear,
  lacksMm,
  spacesOf,
  thickEndOf,
  zoneOffsetC,
  type Arrangement,
  type Ground,
  type Item,
} from '../packing';

/** What a piece claims of a rack: its footprint in whole mm. */
export interface Footprint {
  batchId: string;
  pieceId: string;
  kg: number;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
}

export interface RackUse extends Leg {
  batchId: string;
  poultry: boolean;
}

/** The reason a rack could not take another piece during a window, with how much is short. */
export type RackRefusal =
  | { code: 'tooLarge' }
  | { code: 'areaShort'; shortMm2: number; fromMs: number; toMs: number }
  | { code: 'noSpot'; shortMm: number; fromMs: number; toMs: number }
  | { code: 'loadShort'; shortKg: number; fromMs: number; toMs: number }
  | { code: 'poultryAbove'; fromMs: number; toMs: number };

export function footprintOf(cut: Cut, batchId: string, piece: Piece): Footprint {
  return { batchId, pieceId: piece.id, kg: piece.kg, ...laidSize(cut, piece) };
}
export const pieceKey = ({ batchId, pieceId }: { batchId: string; pieceId: string }): string => `${batchId}/${pieceId}`;

export const rackMm2 = (rack: Rack): number => floorMm2(floorOf(rack), rack.blocked);

/** Whether a piece fits a rack that is empty: straight or turned, and the headroom. */
export function fitsAlone(rack: Rack, piece: Footprint): boolean {
  if (piece.thicknessMm > rack.clearanceMm) return false;
  const { lengthMm, widthMm } = piece;
  const floor = floorOf(rack);
  const fits = (width: number, depth: number) =>
    isOnFloor(floor, { xMm: midMm(floor.widthMm - width), yMm: midMm(floor.depthMm - depth), widthMm: width, depthMm: depth });
  if (!fits(lengthMm, widthMm) && !fits(widthMm, lengthMm)) return false;
  const ground = { floor, gapMm: AIR_GAP_MM, taken: [], blocked: rack.blocked ?? [] };
  return ground.blocked.length === 0 || arrange(ground, [itemOf(piece)], RULES_ALONE).left.length === 0;
}
/** The middle is where a round rack is deepest. */
const midMm = (spareMm: number) => spareMm / 2;

/** Thick pieces bear, and want, the hot side; thin ones dry there. */
const HOT_FROM_MM = 60;
const COOL_TO_MM = 40;
const itemOf = ({ pieceId, lengthMm, widthMm, thicknessMm }: Footprint): Item => ({
  id: pieceId,
  lengthMm,
  widthMm,
  wants: thicknessMm >= HOT_FROM_MM ? 'hot' : thicknessMm <= COOL_TO_MM ? 'cool' : undefined,
});

/** Racks that were laid out before: asked for again and again while the search shifts other batches. */
export type PackingMemo = Map<string, PackedRack>;

/** How pieces lie on a rack; for the first that does not, how much the best spot lacks. */
interface PackedRack extends Arrangement {
  lacksMm?: number;
}

export interface Filled {
  taken: Footprint[];
  places: Place[];
  refusal?: RackRefusal;
}

/** Who lies where on which rack from when to when. Intervals are half-open. */
export class RackLedger {
  private readonly uses: RackUse[] = [];

  constructor(
    private readonly manualPlacements: readonly ManualPlacement[] = [],
    /** Every piece of the event by `pieceKey`. */
    private readonly sizes: ReadonlyMap<string, Footprint> = new Map(),
    private readonly memo: PackingMemo = new Map(),
    private readonly gapMm: number = AIR_GAP_MM,
  ) {}

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  add(use: RackUse): void {
    this.uses.push(use);
  }

  all(): readonly RackUse[] {
    return this.uses;
  }

  private during(pitId: string, fromMs: number, toMs: number): RackUse[] {
    return this.uses.filter((use) => use.pitId === pitId && use.fromMs < toMs && use.toMs > fromMs);
  }

  /** The fullest moment of a rack within a window, by `measure`, and how long it stays that full. */
  peak(
    pitId: string,
    rackId: string,
    fromMs: number,
    toMs: number,
    measure: (use: RackUse) => number,
  ): { amount: number; fromMs: number; toMs: number } {
    const uses = this.during(pitId, fromMs, toMs).filter((use) => use.rackId === rackId);
    const edges = [
      ...new Set([fromMs, ...uses.map((use) => Math.max(fromMs, use.fromMs)), ...uses.map((use) => Math.min(toMs, use.toMs)), toMs]),
    ].sort((a, b) => a - b);
    let best = { amount: 0, fromMs, toMs: fromMs };
    for (let i = 0; i + 1 < edges.length; i++) {
      const at = edges[i]!;
      const amount = uses.reduce((sum, use) => (use.fromMs <= at && use.toMs > at ? sum + measure(use) : sum), 0);
      if (amount > best.amount) best = { amount, fromMs: at, toMs: edges[i + 1]! };
      else if (amount === best.amount && amount > 0 && best.toMs === at) best.toMs = edges[i + 1]!;
    }
    return best;
  }

  /** Where a piece was laid by hand, with its rectangle. */
  private manualPlacementOf(piece: Footprint, pitId: string, rackId: string) {
    const manualPlacements = this.manualPlacements.find(
      (each) => pieceKey(each) === pieceKey(piece) && each.pitId === pitId && each.rackId === rackId,
    );
    if (!manualPlacements) return undefined;
    return laidRect({ piece, place: manualPlacements });
  }

  /** Lays as many of `pieces` as a rack can hold throughout the window, the first first. Pieces laid by hand lie where they were laid. */
  fill(pit: Pit, rack: Rack, cut: Cut, pieces: Footprint[], fromMs: number, toMs: number): Filled {
    const fixed: { piece: Footprint; place: Arrangement['placed'][number] }[] = [];
    let free = pieces;
    if (this.manualPlacements.length > 0) {
      for (const piece of pieces) {
        const place = this.manualPlacementOf(piece, pit.id, rack.id);
        if (place) fixed.push({ piece, place });
      }
      free = pieces.filter((piece) => !this.manualPlacements.some((each) => pieceKey(each) === pieceKey(piece) && each.pitId === pit.id));
    }
    const poultry = isPoultry(cut);
    const clash = this.levelClash(pit, rack, poultry, fromMs, toMs);
    if (clash && fixed.length === 0)
      return { taken: [], places: [], refusal: { code: 'poultryAbove', fromMs: clash.fromMs, toMs: clash.toMs } };

    const load = this.peak(pit.id, rack.id, fromMs, toMs, (use) => use.kg);
    let freeKg = rack.maxKg - load.amount - fixed.reduce((sum, { piece }) => sum + piece.kg, 0);
    let refusal: RackRefusal | undefined = clash && { code: 'poultryAbove', fromMs: clash.fromMs, toMs: clash.toMs };
    const bearable: Footprint[] = [];
    for (const piece of clash ? [] : free) {
      if (piece.thicknessMm > rack.clearanceMm) refusal ??= { code: 'tooLarge' };
      else if (piece.kg > freeKg) {
        const window = load.amount ? load : { fromMs, toMs };
        refusal ??= { code: 'loadShort', shortKg: piece.kg - freeKg, fromMs: window.fromMs, toMs: window.toMs };
      } else {
        bearable.push(piece);
        freeKg -= piece.kg;
      }
    }
    const ground = this.groundOf(pit, rack, pieces, fixed, fromMs, toMs);
    const { placed, left, lacksMm } = this.arranged(pit.id, rack, ground, bearable);
    if (left.length > 0) refusal = this.whyLeft(pit, rack, bearable, lacksMm!, fromMs, toMs);
    const ids = new Set([...fixed.map(({ place }) => place.id), ...placed.map((each) => each.id)]);
    return {
      taken: pieces.filter((piece) => ids.has(piece.pieceId)),
      places: placesOn(rack, [...fixed.map(({ place }) => place), ...placed]),
      refusal,
    };
  }

  /** Lays pieces just where they are wished to lie, all or none, on a rack that may have been changed since. */
  layAsWished(pit: Pit, rack: Rack, cut: Cut, wished: readonly LaidPiece[], fromMs: number, toMs: number): Filled | undefined {
    const pieces = wished.map(({ piece }) => piece);
    if (pieces.some((piece) => piece.thicknessMm > rack.clearanceMm)) return undefined;
    if (this.levelClash(pit, rack, isPoultry(cut), fromMs, toMs)) return undefined;
    const { amount } = this.peak(pit.id, rack.id, fromMs, toMs, (use) => use.kg);
    if (amount + pieces.reduce((sum, piece) => sum + piece.kg, 0) > rack.maxKg) return undefined;
    const { floor, gapMm, taken, blocked } = this.groundOf(pit, rack, pieces, [], fromMs, toMs);
    const laid = wished.map(laidRect);
    const isClear = (rect: (typeof laid)[number], i: number) =>
      isOnFloor(floor, rect) &&
      !blocked.some((part) => isTooNear(rect, part, 0)) &&
      !taken.some((other) => isTooNear(rect, other, gapMm)) &&
      !laid.some((other, k) => k > i && isTooNear(rect, other, gapMm));
    return laid.every(isClear) ? { taken: pieces, places: placesOn(rack, laid) } : undefined;
  }

  /** What lies on a rack during a window, and what is kept free for pieces laid there by hand. */
  private groundOf(
    pit: Pit,
    rack: Rack,
    pieces: Footprint[],
    fixed: { place: Ground['taken'][number] }[],
    fromMs: number,
    toMs: number,
  ): Ground {
    const uses = this.during(pit.id, fromMs, toMs).filter((use) => use.rackId === rack.id);
    const occupancies = uses.flatMap((use) => use.places);
    if (this.manualPlacements.length === 0)
      return { floor: floorOf(rack), gapMm: this.gapMm, taken: occupancies, blocked: rack.blocked ?? [], bands: rack.zones };
    const known = new Set([
      ...pieces.map(pieceKey),
      ...uses.flatMap(({ batchId, pieceIds }) => pieceIds.map((pieceId) => pieceKey({ batchId, pieceId }))),
    ]);
    const kept = this.manualPlacements.flatMap((each) => {
      const size = this.sizes.get(pieceKey(each));
      if (!size || known.has(pieceKey(each))) return [];
      const place = this.manualPlacementOf(size, pit.id, rack.id);
      return place ? [place] : [];
    });
    return {
      floor: floorOf(rack),
      gapMm: this.gapMm,
      taken: [...occupancies, ...kept, ...fixed.map(({ place }) => place)],
      blocked: rack.blocked ?? [],
      bands: rack.zones,
    };
  }

  private arranged(pitId: string, rack: Rack, ground: Ground, pieces: Footprint[]): PackedRack {
    if (pieces.length === 0) return { placed: [], left: [] };
    // In one order, whoever lay down first: what is found for a rack then depends on what lies there alone.
    const named = ground.taken.map((rect) => ({ rect, name: `${rect.xMm},${rect.yMm},${rect.widthMm},${rect.depthMm}` }));
    named.sort((a, b) => (a.name < b.name ? -1 : Number(a.name > b.name)));
    const key = `${pitId}|${rack.id}|${named.map(({ name }) => name).join(' ')}|${pieces.map((piece) => `${piece.pieceId}:${piece.lengthMm}x${piece.widthMm}`).join(' ')}`;
    const kept = this.memo.get(key);
    if (kept) return kept;
    const exactNodes = pieces.length <= EXACT_PIECES ? EXACT_NODES : 0;
    const taken = named.map(({ rect }) => rect);
    const { placed, left } = arrange({ ...ground, taken }, pieces.map(itemOf), { exactNodes, skylines: SKYLINES });
    const [first] = left;
    const packedRack: PackedRack = {
      placed,
      left,
      lacksMm: first && lacksMm(spacesOf({ ...ground, taken: [...taken, ...placed] }), first.lengthMm, first.widthMm),
    };
    this.memo.set(key, packedRack);
    return packedRack;
  }

  private whyLeft(pit: Pit, rack: Rack, pieces: Footprint[], shortMm: number, fromMs: number, toMs: number): RackRefusal {
    const area = this.peak(pit.id, rack.id, fromMs, toMs, (use) => use.areaMm2);
    const window = area.amount ? { fromMs: area.fromMs, toMs: area.toMs } : { fromMs, toMs };
    const shortMm2 = pieces.reduce((sum, piece) => sum + claimedMm2(piece), 0) - (rackMm2(rack) - area.amount);
    if (shortMm2 > 0) return { code: 'areaShort', shortMm2, ...window };
    if (!pieces.some((piece) => fitsAlone(rack, piece))) return { code: 'tooLarge' };
    return { code: 'noSpot', shortMm: Math.max(1, Math.round(shortMm)), ...window };
  }

  /** Poultry may never lie above other food in the same pit at the same time. */
  private levelClash(pit: Pit, rack: Rack, poultry: boolean, fromMs: number, toMs: number): RackUse | undefined {
    const levels = new Map(pit.racks.map((each) => [each.id, each.level]));
    return this.during(pit.id, fromMs, toMs).find((use) => {
      const level = levels.get(use.rackId) ?? rack.level;
      if (poultry === use.poultry) return false;
      return poultry ? level < rack.level : level > rack.level;
    });
  }
}

/** A piece, and where it is to lie. */
export interface LaidPiece {
  piece: Footprint;
  place: Pick<ManualPlacement, 'xMm' | 'yMm' | 'turned'>;
}

function laidRect({ piece, place: { xMm, yMm, turned } }: LaidPiece): Arrangement['placed'][number] {
  const [widthMm, depthMm] = turned ? [piece.widthMm, piece.lengthMm] : [piece.lengthMm, piece.widthMm];
  return { id: piece.pieceId, xMm, yMm, widthMm, depthMm, turned };
}

const placesOn = (rack: Rack, laid: Arrangement['placed']): Place[] =>
  laid.map(({ id, xMm, yMm, widthMm, depthMm, turned }) => ({
    pieceId: id,
    xMm,
    yMm,
    widthMm,
    depthMm,
    turned,
    thickEnd: thickEndOf({ widthMm, depthMm }, hotSideOf(rack)),
    offsetC: zoneOffsetC(rack.zones ?? [], { xMm, widthMm }),
  }));

/** The exact search is for small racks: more pieces than this are left to the quick orders. */
const EXACT_PIECES = 9;
const EXACT_NODES = 600;
/** Where the quick rules leave something out of an empty rack, so many tries along a skyline. */
const SKYLINES = 30;
const RULES_ALONE = { exactNodes: 0, skylines: 0 } as const;
