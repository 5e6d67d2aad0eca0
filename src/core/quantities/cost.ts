import { buyingOf, type Batch, type Cut } from '../model';
import { choosePieces, type Demand, type Supply } from './demand';
import { portionBones, portionG } from './portions';

/** What a batch costs: its price on what is bought, less the worth of the trim that is kept. */
export interface Cost {
  paid: number;
  usableTrimKg: number;
  usableTrimWorth: number;
  net: number;
  perPortion: number;
}

export function costOf(demand: Demand, supply: Supply, cut: Cut, batch: Batch): Cost | undefined {
  const { pricePerKg, usableTrimShare, usableTrimPerKg } = buyingOf(cut, batch);
  if (pricePerKg === undefined) return undefined;
  const paid = supply.boughtKg * pricePerKg;
  const usableTrimKg = Math.max(0, supply.boughtKg - supply.trimmedKg) * usableTrimShare;
  const usableTrimWorth = usableTrimKg * usableTrimPerKg;
  const net = paid - usableTrimWorth;
  return { paid, usableTrimKg, usableTrimWorth, net, perPortion: demand.portions > 0 ? net / demand.portions : 0 };
}

/** A cut as it would stand in for another: what a portion costs and how much rack it takes. */
export interface CutComparison {
  cutId: string;
  boughtKgPerPortion: number;
  costPerPortion?: number;
  /** Rack area a portion takes, air gap counted. */
  rackMm2PerPortion: number;
  pieces: number;
}

/** Each piece claims this gap on a rack beside its footprint. */
const AIR_GAP_MM = 25;

/** Cuts compared for the same guests and the same share of the plate. `sizeOf` gives a piece's footprint from its weight. */
export function compareCuts(
  demand: Demand,
  cuts: readonly Cut[],
  sizeOf: (cut: Cut, kg: number) => { lengthMm: number; widthMm: number },
): CutComparison[] {
  const [dish] = demand.dishes;
  if (!dish) return [];
  const weight = dish.plateShare * dish.meats;
  // A rack's share of the plate is asked in bones; every other cut's in grams. Both come back to cooked meat.
  const plainG = dish.bonesPerPortion === undefined ? dish.gramsPerPortion : portionG(dish.meats, dish.usual.meal) * weight;
  return cuts
    .map((cut) => {
      const boughtKg = (cut.typicalBoughtKg[0] + cut.typicalBoughtKg[1]) / 2;
      const trimmedKg = boughtKg * (1 - cut.trimShare);
      const portionsPerPiece =
        cut.bones === undefined ? (1000 * trimmedKg * cut.yieldShare) / plainG : cut.bones / (portionBones(dish.meats) * weight);
      const size = sizeOf(cut, trimmedKg);
      return {
        cutId: cut.id,
        boughtKgPerPortion: boughtKg / portionsPerPiece,
        costPerPortion: cut.pricePerKg === undefined ? undefined : (boughtKg * cut.pricePerKg) / portionsPerPiece,
        rackMm2PerPortion: ((size.lengthMm + AIR_GAP_MM) * (size.widthMm + AIR_GAP_MM)) / portionsPerPiece,
        pieces:
          cut.bones === undefined
            ? choosePieces((boughtKg * demand.portions) / portionsPerPiece, cut.typicalBoughtKg, demand.shortShare).pieces
            : Math.ceil((demand.portions / portionsPerPiece) * (1 - demand.shortShare) - 1e-9),
      };
    })
    .sort((a, b) => (a.costPerPortion ?? Infinity) - (b.costPerPortion ?? Infinity));
}
