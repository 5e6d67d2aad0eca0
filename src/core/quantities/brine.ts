import { isPoultry, MEAT_DENSITY_KG_PER_M3, pieceSize, type Batch, type Cut, type Recipe } from '../model';

/** Wet brine: 50 to 60 g of salt a litre for hours, or 1.2 % of meat plus water, to balance, for longer. */
export const BRINE = Object.freeze({
  saltGPerLitre: 55,
  balanceSaltShare: 0.012,
  litresPerKg: 1.1,
  /** Room at the top of the tub, so that it can be carried. */
  headroomShare: 0.15,
  shortestH: 4,
  longestH: 12,
  balanceH: 24,
  /** A quarter is heated to dissolve the salt; ice brings all of it below 5 C before meat goes in. */
  hotShare: 0.25,
  hotC: 80,
  tapC: 15,
  readyC: 4,
});
const WATER_KJ_PER_KG_K = 4.19;
const MELTING_KJ_PER_KG = 334;

export interface BrinePlan {
  litres: number;
  saltKg: number;
  /** The whole mix, water, salt and all else, kg. */
  mixKg: number;
  waterKg: number;
  /** Weighed off the water and put in as ice. */
  iceKg: number;
  tubLitres: number;
  hours: number;
  /** Longest before it turns too salty. */
  longestH: number;
}

/** Hours in a brine by the depth of the flesh, which in a hollow bird is less than its thickness: 4 h at 50 mm, as the square of it, 4 to 12 h. */
export function brineHours(cut: Cut, thicknessMm: number): number {
  const depthMm = thicknessMm * (isPoultry(cut) ? Math.min(1, cut.heatDepthShare) : 1);
  return Math.min(BRINE.longestH, Math.max(BRINE.shortestH, BRINE.shortestH * (depthMm / 50) ** 2));
}

/** Kilograms of the water to take as ice so that the mix comes to 4 C: heat given up by the rest = melting and warming the ice. */
export function iceFor(waterKg: number): number {
  const mixedC = BRINE.hotShare * BRINE.hotC + (1 - BRINE.hotShare) * BRINE.tapC;
  const giveKjPerKg = WATER_KJ_PER_KG_K * (mixedC - BRINE.readyC);
  const takeKjPerKg = MELTING_KJ_PER_KG + WATER_KJ_PER_KG_K * BRINE.readyC;
  return (waterKg * giveKjPerKg) / (giveKjPerKg + takeKjPerKg);
}

/** Brine for a batch: litres that cover it in a fitting tub, salt, ice, the tub and the hours. */
export function brineFor(batch: Batch, cut: Cut, recipe: Recipe | undefined, way: 'timed' | 'balance'): BrinePlan {
  const kg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const litres = kg * BRINE.litresPerKg;
  const waterKg = litres;
  const parts = (role: 'salt' | 'water') =>
    recipe?.ingredients.filter((each) => each.role === role).reduce((sum, each) => sum + each.parts, 0) ?? 0;
  const strengthGPerLitre = parts('water') > 0 ? (1000 * parts('salt')) / parts('water') : BRINE.saltGPerLitre;
  const saltKg = way === 'balance' ? (kg + waterKg) * BRINE.balanceSaltShare : (litres * strengthGPerLitre) / 1000;
  const otherParts = recipe?.ingredients.filter((each) => each.role === undefined).reduce((sum, each) => sum + each.parts, 0) ?? 0;
  const otherKg = parts('water') > 0 ? (waterKg * otherParts) / parts('water') : 0;
  const thickest = Math.max(0, ...batch.pieces.map((piece) => pieceSize(cut, piece.kg, piece.thicknessMm).thicknessMm));
  const timedH = brineHours(cut, thickest);
  const meatLitres = (kg / MEAT_DENSITY_KG_PER_M3) * 1000;
  return {
    litres,
    saltKg,
    mixKg: waterKg + saltKg + otherKg,
    waterKg,
    iceKg: iceFor(waterKg),
    tubLitres: (litres + meatLitres) * (1 + BRINE.headroomShare),
    hours: way === 'balance' ? BRINE.balanceH : timedH,
    longestH: way === 'balance' ? 2 * BRINE.balanceH : Math.max(timedH, BRINE.longestH),
  };
}
