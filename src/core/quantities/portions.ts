import type { Guests, Meal } from '../model';

/** Cooked grams a head of each meat, by how many are offered; a single meat depends on the meal. */
const PORTION_G: Record<number, [low: number, high: number]> = { 2: [115, 130], 3: [85, 100], 4: [60, 75] };
const SINGLE_MEAT_G = { supper: [170, 225], lunch: [140, 170], tasting: [60, 80] } as const;
/** A taste of several meats is together what a taste of one is; figures of our own. */
const TASTING_G: Record<number, [low: number, high: number]> = { 2: [35, 45], 3: [25, 35], 4: [20, 25] };
export const SIDE_DISH_G = 150;
const HEARTY_EXTRA = 0.2;
const CHILD_SHARE = 0.5;
const BUFFET_EXTRA = 0.1;
/** Pork bones a head by how many meats are offered: 3 to 4 as a second meat, fewer beside more. */
const BONES: Record<number, number> = { 1: 6, 2: 3.5, 3: 2.5, 4: 2 };
const TASTING_BONES: Record<number, number> = { 1: 2, 2: 1, 3: 1, 4: 1 };
/** The bands are for a plate with so much beside the meat; every 100 g more leave 4 % of it uneaten, a fifth at most. Ours. */
const USUAL_BESIDE_G = 250;
const LESS_PER_100_G = 0.04;
const LEAST_BESIDE_SHARE = 0.8;

/** Guests as adult appetites: hearty eaters count a fifth more, children half, a buffet a tenth on top, then the safety margin. */
export function portionsOf(guests: Guests, buffet: boolean, marginShare = 0): number {
  const adults = guests.adults * (1 + HEARTY_EXTRA * guests.heartyShare);
  return (adults + guests.children * CHILD_SHARE) * (buffet ? 1 + BUFFET_EXTRA : 1) * (1 + marginShare);
}

/** Cooked grams of one meat a head: the usual band. */
export const portionBand = (meats: number, meal: Meal): readonly [low: number, high: number] =>
  meats <= 1 ? SINGLE_MEAT_G[meal] : (meal === 'tasting' ? TASTING_G : PORTION_G)[Math.min(meats, 4)]!;

/** Cooked grams of one meat a head, the middle of the usual band. */
export function portionG(meats: number, meal: Meal): number {
  const [low, high] = portionBand(meats, meal);
  return (low + high) / 2;
}

/** Pork bones of one meat a head. */
export const portionBones = (meats: number, meal: Meal = 'supper'): number =>
  (meal === 'tasting' ? TASTING_BONES : BONES)[Math.min(Math.max(meats, 1), 4)]!;

/** How much of the usual meat is eaten beside so many grams a head of sides and pan dishes. */
export const besideShare = (besideG: number): number =>
  Math.max(LEAST_BESIDE_SHARE, 1 - (Math.max(0, besideG - USUAL_BESIDE_G) / 100) * LESS_PER_100_G);

/**
 * How a plate is shared out: meats with a share keep it, the rest split what is left evenly.
 * Returns each one's share of the plate, in order; shares that add up to more than one are kept as given.
 */
export function splitPlate(shares: readonly (number | undefined)[]): number[] {
  const fixed = shares.reduce<number>((sum, share) => sum + (share ?? 0), 0);
  const open = shares.filter((share) => share === undefined).length;
  return shares.map((share) => share ?? Math.max(0, 1 - fixed) / open);
}
