import type { Guests, Meal } from '../model';

/** Cooked grams a head of each meat, by how many are offered; a single meat depends on the meal. */
const PORTION_G: Record<number, [low: number, high: number]> = { 2: [115, 130], 3: [85, 100], 4: [60, 75] };
const SINGLE_MEAT_G = { supper: [170, 225], lunch: [140, 170] } as const;
export const SIDE_DISH_G = 150;
const HEARTY_EXTRA = 0.2;
const CHILD_SHARE = 0.5;
const BUFFET_EXTRA = 0.1;
/** Pork bones a head by how many meats are offered: 3 to 4 as a second meat, fewer beside more. */
const BONES: Record<number, number> = { 1: 6, 2: 3.5, 3: 2.5, 4: 2 };

/** Guests as adult appetites: hearty eaters count a fifth more, children half, a buffet a tenth on top, then the safety margin. */
export function portionsOf(guests: Guests, buffet: boolean, marginShare = 0): number {
  const adults = guests.adults * (1 + HEARTY_EXTRA * guests.heartyShare);
  return (adults + guests.children * CHILD_SHARE) * (buffet ? 1 + BUFFET_EXTRA : 1) * (1 + marginShare);
}

/** Cooked grams of one meat a head, the middle of the usual band. */
export function portionG(meats: number, meal: Meal): number {
  const [low, high] = meats <= 1 ? SINGLE_MEAT_G[meal] : PORTION_G[Math.min(meats, 4)]!;
  return (low + high) / 2;
}

/** Pork bones of one meat a head. */
export const portionBones = (meats: number): number => BONES[Math.min(Math.max(meats, 1), 4)]!;

/**
 * How a plate is shared out: meats with a share keep it, the rest split what is left evenly.
 * Returns each one's share of the plate, in order; shares that add up to more than one are kept as given.
 */
export function splitPlate(shares: readonly (number | undefined)[]): number[] {
  const fixed = shares.reduce<number>((sum, share) => sum + (share ?? 0), 0);
  const open = shares.filter((share) => share === undefined).length;
  return shares.map((share) => share ?? Math.max(0, 1 - fixed) / open);
}
