import { typicalTrimmedKg, type Cut, type Guests } from '../model';

/** Cooked grams a head by how many meats are offered; a single meat depends on the meal. */
const PORTION_G: Record<number, [low: number, high: number]> = { 2: [115, 130], 3: [85, 100], 4: [60, 75] };
const SINGLE_MEAT_G = { supper: [170, 225], lunch: [140, 170] } as const;
const SIDE_DISH_G = 150;
const HEARTY_EXTRA = 0.2;
const CHILD_SHARE = 0.5;
const BUFFET_EXTRA = 0.1;
/** Pork bones a head by how many meats are offered: 3 to 4 as a second meat, fewer beside more. */
const BONES: Record<number, number> = { 1: 6, 2: 3.5, 3: 2.5, 4: 2 };
/** A need this little over whole pieces does not call for one more. */
const ROUNDING_SHARE = 0.06;

/** Guests as adult appetites: hearty eaters count a fifth more, children half, a buffet a tenth on top. */
export function portionsOf(guests: Guests, buffet: boolean): number {
  const adults = guests.adults * (1 + HEARTY_EXTRA * guests.heartyShare);
  return (adults + guests.children * CHILD_SHARE) * (buffet ? 1 + BUFFET_EXTRA : 1);
}

/** Cooked grams of one meat a head, the middle of the usual band. */
export function portionG(meats: number, meal: 'lunch' | 'supper'): number {
  const [low, high] = meats <= 1 ? SINGLE_MEAT_G[meal] : PORTION_G[Math.min(meats, 4)]!;
  return (low + high) / 2;
}

export interface Need {
  portions: number;
  /** Cooked grams a portion, or bones a portion for ribs. */
  portionG?: number;
  portionBones?: number;
  cookedKg: number;
  /** Trimmed raw, as it goes on. */
  rawKg: number;
  /** As bought. */
  boughtKg: number;
  pieces: number;
  /** Weight of one piece on the pit. */
  pieceKg: number;
}

export interface NeedInput {
  cut: Cut;
  guests: Guests;
  buffet: boolean;
  /** Meats offered at the serving (dishes do not count). */
  meats: number;
  meal: 'lunch' | 'supper';
}

/** Guests -> cooked -> trimmed raw -> bought -> whole pieces of the cut's usual weight. */
export function needFor({ cut, guests, buffet, meats, meal }: NeedInput): Need {
  const portions = portionsOf(guests, buffet);
  const pieceKg = Math.round(typicalTrimmedKg(cut) * 100) / 100;
  const whole = (exact: number) => (portions === 0 ? 0 : Math.max(1, Math.ceil(exact * (1 - ROUNDING_SHARE))));
  if (cut.bones !== undefined) {
    const portionBones = BONES[Math.min(Math.max(meats, 1), 4)]!;
    const racks = (portions * portionBones) / cut.bones;
    const rawKg = racks * pieceKg;
    return {
      portions,
      portionBones,
      cookedKg: rawKg * cut.yieldShare,
      rawKg,
      boughtKg: rawKg / (1 - cut.trimShare),
      pieces: whole(racks),
      pieceKg,
    };
  }
  const grams = cut.species === 'dish' ? SIDE_DISH_G : portionG(meats, meal);
  const cookedKg = (portions * grams) / 1000;
  const rawKg = cookedKg / cut.yieldShare;
  return { portions, portionG: grams, cookedKg, rawKg, boughtKg: rawKg / (1 - cut.trimShare), pieces: whole(rawKg / pieceKg), pieceKg };
}
