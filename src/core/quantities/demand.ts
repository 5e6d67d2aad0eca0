import { buyingOf, cutIn, sidesOf, type Batch, type Cut, type Grade, type Kitchen, type Library, type Meal, type Serving } from '../model';
import { besideShare, portionBones, portionG, portionsOf, SIDE_DISH_G, splitPlate } from './portions';

/** One dish carved from a batch: whom it feeds and how much cooked meat that takes. */
export interface DishNeed {
  servingId: string;
  name: string;
  guests: Serving['guests'];
  buffet: boolean;
  marginShare: number;
  /** Meats on that serving's plate, and this one's share of it. */
  meats: number;
  plateShare: number;
  portions: number;
  /** Cooked grams a portion; bones a portion for racks sold by the bone. */
  gramsPerPortion: number;
  bonesPerPortion?: number;
  /** What the trade would give, where the owner gives another helping, and why: the band of the meal, less what stands beside. */
  usual: { meal: Meal; gramsPerPortion: number; bonesPerPortion?: number; besideG: number; besideShare: number };
  /** The owner's own helping. */
  byOwner: boolean;
  cookedKg: number;
  /** The share of the cooked meat it is carved from, when that is fixed. */
  partShare?: number;
}

/** Guests -> cooked -> trimmed raw -> bought -> whole pieces, with every figure on the way. */
export interface Demand {
  batchId: string;
  dishes: DishNeed[];
  /** Which dish decides, when two are carved from fixed parts. */
  decidingDish: number;
  portions: number;
  cookedKg: number;
  yieldShare: number;
  /** Trimmed raw, as it goes on. */
  trimmedKg: number;
  trimShare: number;
  boughtKg: number;
  /** The weights in which one piece is sold. */
  shopKg: [low: number, high: number];
  /** Whole pieces, and what one of them should weigh as bought and as it goes on. */
  pieces: number;
  pieceBoughtKg: number;
  pieceKg: number;
  /** Racks that are portioned by the bone: how many the bones come to. */
  exactRacks?: number;
  /** How short whole pieces may leave the table. */
  shortShare: number;
}

export interface Menu {
  servings: readonly Serving[];
  batches: readonly Batch[];
  kitchen?: Partial<Kitchen>;
}

interface Dish {
  batch: Batch;
  cut: Cut;
  nth: 0 | 1;
  name: string;
  servingId: string;
  share?: number;
  partShare?: number;
  portionG?: number;
  portionBones?: number;
}

function dishesOf(menu: Menu, library: Library): Dish[] {
  return menu.batches.flatMap((batch): Dish[] => {
    const cut = cutIn(library, batch.cutId);
    if (!cut) return [];
    const main: Dish = { batch, cut, nth: 0, name: batch.label || cut.name, servingId: batch.servingId, ...helpingOf(batch) };
    const { second } = batch;
    if (!second) return [main];
    return [
      { ...main, partShare: second.partShare === undefined ? undefined : 1 - second.partShare },
      { batch, cut, nth: 1, name: second.name, servingId: second.servingId, partShare: second.partShare, ...helpingOf(second) },
    ];
  });
}

/**
 * What the guests of every serving need of every batch, by the constants of the trade (docs/quantities.md).
 * A dish of its own serving counts as one meat on the plate; pan dishes do not.
 */
export function demandOf(menu: Menu, library: Library, mealOf: (serving: Serving) => Meal): Map<string, Demand> {
  const dishes = dishesOf(menu, library);
  const needs = new Map<Dish, DishNeed>();
  for (const serving of menu.servings) {
    const here = dishes.filter((dish) => dish.servingId === serving.id);
    const meats = here.filter((dish) => dish.cut.species !== 'dish');
    const shares = splitPlate(meats.map((dish) => dish.share));
    const besideG = besideOf(serving, here.length - meats.length);
    for (const dish of here) {
      const meal = serving.meal ?? mealOf(serving);
      const eaten = library.habits?.eats?.[meal] ?? 1;
      const plate = { meats: meats.length, plateShare: shares[meats.indexOf(dish)] ?? 1, eaten, besideG };
      needs.set(dish, dishNeed(dish, serving, plate, meal));
    }
  }
  const demands = new Map<string, Demand>();
  for (const batch of menu.batches) {
    const cut = cutIn(library, batch.cutId);
    const own = dishes.filter((dish) => dish.batch === batch).flatMap((dish) => needs.get(dish) ?? []);
    if (cut && own.length > 0) demands.set(batch.id, wholePieces(batch, cut, own, menu.kitchen?.mayBeShortShare));
  }
  return demands;
}

/** `eaten`: what the house's guests eat of meat over the usual. */
function dishNeed(
  dish: Dish,
  serving: Serving,
  { meats, plateShare, eaten, besideG }: { meats: number; plateShare: number; eaten: number; besideG: number },
  meal: Meal,
): DishNeed {
  const marginShare = serving.marginShare ?? 0;
  const portions = portionsOf(serving.guests, serving.buffet, marginShare);
  const common = { servingId: serving.id, name: dish.name, guests: serving.guests, buffet: serving.buffet, marginShare, meats, portions };
  const { cut, partShare } = dish;
  const usual = usualHelping(cut, dish.batch, { meats, plateShare, eaten, besideG }, meal);
  const { portionG: own, portionBones: ownBones } = dish;
  const byOwner = cut.bones === undefined ? own !== undefined : ownBones !== undefined;
  const bonesPerPortion = cut.bones === undefined ? undefined : (ownBones ?? usual.bonesPerPortion);
  const gramsPerPortion =
    bonesPerPortion === undefined
      ? (own ?? usual.gramsPerPortion)
      : (usual.gramsPerPortion * bonesPerPortion) / Math.max(1e-9, usual.bonesPerPortion ?? bonesPerPortion);
  return {
    ...common,
    plateShare: cut.species === 'dish' ? 1 : plateShare,
    partShare,
    gramsPerPortion,
    ...(bonesPerPortion !== undefined && { bonesPerPortion }),
    usual,
    byOwner,
    cookedKg: (portions * gramsPerPortion) / 1000,
  };
}

/** The helping the trade gives: the middle of the meal's band, by the share of the plate, less where much stands beside it. */
function usualHelping(
  cut: Cut,
  batch: Batch,
  { meats, plateShare, eaten, besideG }: { meats: number; plateShare: number; eaten: number; besideG: number },
  meal: Meal,
): DishNeed['usual'] {
  if (cut.species === 'dish') return { meal, gramsPerPortion: SIDE_DISH_G, besideG: 0, besideShare: 1 };
  const less = besideShare(besideG);
  // Shares are of the whole plate: one of three meats that takes half of it is eaten one and a half times.
  const weight = plateShare * meats * eaten * less;
  const reason = { meal, besideG, besideShare: less };
  if (cut.bones === undefined) return { ...reason, gramsPerPortion: portionG(meats, meal) * weight };
  const bonesPerPortion = portionBones(meats, meal) * weight;
  const shopKg = buyingOf(cut, batch).shopKg ?? cut.typicalBoughtKg;
  const rackKg = ((shopKg[0] + shopKg[1]) / 2) * (1 - cut.trimShare);
  return { ...reason, bonesPerPortion, gramsPerPortion: (1000 * bonesPerPortion * rackKg * cut.yieldShare) / cut.bones };
}

/** What the owner says of a helping. */
const helpingOf = ({ share, portionG, portionBones }: Pick<Batch, 'share' | 'portionG' | 'portionBones'>) => ({
  share,
  portionG,
  portionBones,
});

/** Grams a head beside the meat: sides and pan dishes. Bread, sauce and pickles are eaten with it. */
const besideOf = (serving: Serving, pans: number): number =>
  sidesOf(serving).reduce((sum, side) => sum + (side.kind === 'side' ? side.gPerHead : 0), 0) + pans * SIDE_DISH_G;

/**
 * Whole pieces out of the weights a shop sells: of every count that leaves the table no shorter than it may be (not at all, when
 * nothing is said), the one that comes nearest to the need, and of those the one whose pieces are nearest the middle weight.
 */
export function choosePieces(
  boughtKg: number,
  [lowKg, highKg]: readonly [number, number],
  shortShare = 0,
): { pieces: number; eachKg: number } {
  const middleKg = (lowKg + highKg) / 2;
  if (boughtKg <= 0) return { pieces: 0, eachKg: middleKg };
  const fewest = Math.max(1, Math.ceil((boughtKg * (1 - shortShare)) / highKg - 1e-9));
  const most = Math.max(fewest, Math.ceil(boughtKg / lowKg));
  let best: { pieces: number; eachKg: number; missShare: number; fromMiddleKg: number } | undefined;
  for (let pieces = fewest; pieces <= most; pieces++) {
    const eachKg = Math.min(highKg, Math.max(lowKg, boughtKg / pieces));
    const missShare = Math.round(Math.abs((pieces * eachKg) / boughtKg - 1) * 1e6) / 1e6;
    const fromMiddleKg = Math.abs(eachKg - middleKg);
    if (!best || missShare < best.missShare || (missShare === best.missShare && fromMiddleKg < best.fromMiddleKg))
      best = { pieces, eachKg, missShare, fromMiddleKg };
  }
  return { pieces: best!.pieces, eachKg: best!.eachKg };
}

function wholePieces(batch: Batch, cut: Cut, dishes: DishNeed[], shortShare = 0): Demand {
  const shopKg = buyingOf(cut, batch).shopKg ?? cut.typicalBoughtKg;
  const fixed = dishes.every((dish) => dish.partShare !== undefined) && dishes.length > 1;
  const asked = dishes.map((dish) => dish.cookedKg / (fixed ? dish.partShare! : 1));
  const cookedKg = fixed ? Math.max(...asked) : asked.reduce((sum, kg) => sum + kg, 0);
  const trimmedKg = cookedKg / cut.yieldShare;
  const boughtKg = trimmedKg / (1 - cut.trimShare);
  // A rack has its bones whatever it weighs.
  const exactRacks =
    cut.bones === undefined ? undefined : dishes.reduce((sum, dish) => sum + (dish.portions * (dish.bonesPerPortion ?? 0)) / cut.bones!, 0);
  const chosen =
    exactRacks === undefined
      ? choosePieces(boughtKg, shopKg, shortShare)
      : { pieces: Math.ceil(exactRacks * (1 - shortShare) - 1e-9), eachKg: (shopKg[0] + shopKg[1]) / 2 };
  return {
    batchId: batch.id,
    dishes,
    decidingDish: fixed ? asked.indexOf(cookedKg) : 0,
    portions: dishes.reduce((sum, dish) => sum + dish.portions, 0),
    cookedKg,
    yieldShare: cut.yieldShare,
    trimmedKg,
    trimShare: cut.trimShare,
    boughtKg,
    shopKg,
    pieces: chosen.pieces,
    pieceBoughtKg: chosen.eachKg,
    pieceKg: Math.round(chosen.eachKg * (1 - cut.trimShare) * 100) / 100,
    exactRacks,
    shortShare,
  };
}

/** A batch that follows the guests, with as many pieces of the usual weight as they need; the same one when nothing changes. */
export function sizeToDemand<B extends { sizedBy: 'guests' | 'hand'; pieces: { id: string; kg: number }[] }>(
  batch: B,
  demand: Demand | undefined,
  newId: () => string,
): B {
  if (batch.sizedBy !== 'guests' || !demand || !Number.isFinite(demand.cookedKg)) return batch;
  const count = Math.max(1, demand.pieces);
  if (batch.pieces.length === count && batch.pieces.every((piece) => piece.kg === demand.pieceKg)) return batch;
  const pieces = Array.from({ length: count }, (_, i) => ({ ...batch.pieces[i], id: batch.pieces[i]?.id ?? newId(), kg: demand.pieceKg }));
  return { ...batch, pieces };
}

/** What is on hand against what is needed: the pieces as they are, or at the lightest and heaviest the shop sells. */
export interface Supply {
  pieces: number;
  boughtKg: number;
  trimmedKg: number;
  /** Over (or, below zero, short of) the need, as a share: as it stands, and over the shop's range. */
  overShare: number;
  overRange: [low: number, high: number];
  /** Pieces whose purchased weight is known. */
  weighed: number;
}

export function supplyOf(demand: Demand, batch: Batch): Supply {
  const keepShare = 1 - demand.trimShare;
  const trimmedKg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const boughtKg = batch.pieces.reduce((sum, piece) => sum + (piece.boughtKg ?? piece.kg / keepShare), 0);
  const known = batch.pieces.filter((piece) => piece.boughtKg !== undefined || piece.trimmedKg !== undefined);
  const knownKg = known.reduce((sum, piece) => sum + piece.kg, 0);
  const openPieces = batch.pieces.length - known.length;
  const over = (kg: number) => (demand.trimmedKg > 0 ? kg / demand.trimmedKg - 1 : 0);
  if (demand.exactRacks !== undefined) {
    const overShare = demand.exactRacks > 0 ? batch.pieces.length / demand.exactRacks - 1 : 0;
    return { pieces: batch.pieces.length, boughtKg, trimmedKg, overShare, overRange: [overShare, overShare], weighed: weighedOf(batch) };
  }
  return {
    pieces: batch.pieces.length,
    boughtKg,
    trimmedKg,
    overShare: over(trimmedKg),
    overRange: [over(knownKg + openPieces * demand.shopKg[0] * keepShare), over(knownKg + openPieces * demand.shopKg[1] * keepShare)],
    weighed: weighedOf(batch),
  };
}

const weighedOf = (batch: Batch): number => batch.pieces.filter((piece) => piece.boughtKg !== undefined).length;

/** The grade a piece is cooked as: its own, or its batch's. */
export const gradeOf = (cut: Cut, batch: Batch, grade: Grade | undefined): Grade => grade ?? buyingOf(cut, batch).grade;
