import { isPoultry, pieceSize, type Cut, type Leg, type Piece, type Pit, type Rack } from '../model';

/** What a piece claims of a rack. */
export interface Footprint {
  pieceId: string;
  kg: number;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
}

export interface RackUse extends Leg {
  poultry: boolean;
}

/** The reason a rack could not take another piece during a window, with how much is short. */
export type RackRefusal =
  | { code: 'tooLarge' }
  | { code: 'areaShort'; shortMm2: number; fromMs: number; toMs: number }
  | { code: 'loadShort'; shortKg: number; fromMs: number; toMs: number }
  | { code: 'poultryAbove'; fromMs: number; toMs: number };

/** Until pieces are laid out to scale, this share of a rack counts as usable: gaps never close perfectly. */
const USABLE_SHARE = 0.92;
export const AIR_GAP_MM = 25;

export const footprintOf = (cut: Cut, piece: Piece): Footprint => ({
  pieceId: piece.id,
  kg: piece.kg,
  ...pieceSize(cut, piece.kg, piece.thicknessMm),
});

/** Area claimed on a rack: the piece with half a gap all round (walls need none, see `rackAreaMm2`). */
export const claimedMm2 = (piece: Footprint): number => (piece.lengthMm + AIR_GAP_MM) * (piece.widthMm + AIR_GAP_MM);

export const rackAreaMm2 = (rack: Rack): number => USABLE_SHARE * (rack.widthMm + AIR_GAP_MM) * (rack.depthMm + AIR_GAP_MM);

/** Whether a piece fits a rack that is empty: its footprint turned or not, and the headroom. */
export function fitsAlone(rack: Rack, piece: Footprint): boolean {
  const straight = piece.lengthMm <= rack.widthMm && piece.widthMm <= rack.depthMm;
  const turned = piece.widthMm <= rack.widthMm && piece.lengthMm <= rack.depthMm;
  return (straight || turned) && piece.thicknessMm <= rack.clearanceMm;
}

/** Who lies on which rack from when to when. Intervals are half-open. */
export class RackLedger {
  private readonly uses: RackUse[] = [];

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

  /** Takes as many of `pieces` as a rack can hold throughout the window, in the order given. */
  fill(pit: Pit, rack: Rack, cut: Cut, pieces: Footprint[], fromMs: number, toMs: number): { taken: Footprint[]; refusal?: RackRefusal } {
    const poultry = isPoultry(cut);
    const clash = this.levelClash(pit, rack, poultry, fromMs, toMs);
    if (clash) return { taken: [], refusal: { code: 'poultryAbove', fromMs: clash.fromMs, toMs: clash.toMs } };
    const area = this.peak(pit.id, rack.id, fromMs, toMs, (use) => use.areaMm2);
    const load = this.peak(pit.id, rack.id, fromMs, toMs, (use) => use.kg);
    let freeMm2 = rackAreaMm2(rack) - area.amount;
    let freeKg = rack.maxKg - load.amount;
    const taken: Footprint[] = [];
    let refusal: RackRefusal | undefined;
    for (const piece of pieces) {
      if (!fitsAlone(rack, piece)) refusal ??= { code: 'tooLarge' };
      else if (claimedMm2(piece) > freeMm2) {
        const shortMm2 = pieces.filter((each) => !taken.includes(each)).reduce((sum, each) => sum + claimedMm2(each), 0) - freeMm2;
        refusal ??= { code: 'areaShort', shortMm2, fromMs: area.amount ? area.fromMs : fromMs, toMs: area.amount ? area.toMs : toMs };
      } else if (piece.kg > freeKg) {
        refusal ??= {
          code: 'loadShort',
          shortKg: piece.kg - freeKg,
          fromMs: load.amount ? load.fromMs : fromMs,
          toMs: load.amount ? load.toMs : toMs,
        };
      } else {
        taken.push(piece);
        freeMm2 -= claimedMm2(piece);
        freeKg -= piece.kg;
      }
    }
    return { taken, refusal };
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
