import {
  isPoultry,
  isWrapped,
  pieceSize,
  prepOf,
  recipeIn,
  type Batch,
  type Cut,
  type Library,
  type Method,
  type Piece,
  type Prep,
  type Recipe,
  type RecipeKind,
  type RubWeight,
} from '../model';
import { brineFor } from './brine';

/** Starting values of the trade; amounts per piece, per kilogram of trimmed meat or per square centimetre. */
export const SEASONING = Object.freeze({
  /** A squared rack takes 22 g, 45 g or 75 g. */
  rubGPerCm2: { light: 0.021, usual: 0.042, heavy: 0.07 } satisfies Record<RubWeight, number>,
  /** Of a first layer, put on again as a second or to top up. */
  layerShare: 0.5,
  topUpShare: 0.15,
  /** Dry salt the night before, the hour before or as it goes on, where a cut does not say otherwise. */
  saltGPerKg: 9,
  binderGPerKg: 4,
  injectionMlPerKg: 90,
  sprayMlPerPiece: 15,
  mopMlPerPiece: 40,
  glazeMlPerPiece: 40,
  wrapGPerPiece: 30,
  braiseMlPerKg: 250,
  dressingGPerCookedKg: 60,
  sauceGPerHead: 40,
  /** How often it is sprayed or mopped when the method has no rhythm of its own. */
  sprays: 4,
  mops: 4,
});

/** A piece's surface and underside, cm2: 2 (LW + LT + WT) fill^(2/3), as the forecast has it (docs/model.md). */
export function surfaceCm2(cut: Cut, piece: Piece): { allCm2: number; undersideCm2: number } {
  const size = pieceSize(cut, piece.kg, piece.thicknessMm);
  const [l, w, t] = [size.lengthMm / 10, size.widthMm / 10, size.thicknessMm / 10];
  const rounding = Math.pow(cut.fillShare, 2 / 3);
  return { allCm2: 2 * (l * w + l * t + w * t) * rounding, undersideCm2: l * w * rounding };
}

/** The hand a cut is usually rubbed with: heavy for a thick bark, light where salt and herbs go far. */
export function usualRubWeight(cut: Cut): RubWeight {
  if (isPoultry(cut) || cut.done.by === 'core') return 'light';
  return cut.bones === undefined ? 'heavy' : 'usual';
}

/** Grams of rub for one piece by its surface and the hand's weight, the underside half by the light school. */
export function rubG(
  cut: Cut,
  piece: Piece,
  { undersideLight, rubWeight = usualRubWeight(cut) }: Pick<Prep, 'undersideLight' | 'rubWeight'>,
): number {
  const { allCm2, undersideCm2 } = surfaceCm2(cut, piece);
  return SEASONING.rubGPerCm2[rubWeight] * (allCm2 - (undersideLight ? undersideCm2 / 2 : 0));
}

export const saltG = (cut: Cut, kg: number): number => kg * (cut.saltGPerKg ?? SEASONING.saltGPerKg);

/** Share of a recipe's weight that is salt. */
export function saltShareOf(recipe: Recipe): number {
  const whole = recipe.ingredients.reduce((sum, each) => sum + each.parts, 0);
  const salt = recipe.ingredients.filter((each) => each.role === 'salt').reduce((sum, each) => sum + each.parts, 0);
  return whole > 0 ? salt / whole : 0;
}

/** A recipe scaled to a weight of the mix, kg of each ingredient. */
export function scaleRecipe(recipe: Recipe, kg: number): { name: string; kg: number; store: Recipe['ingredients'][number]['store'] }[] {
  const parts = recipe.ingredients.reduce((sum, each) => sum + each.parts, 0);
  return recipe.ingredients.map(({ name, store, parts: share }) => ({ name, store, kg: parts > 0 ? (kg * share) / parts : 0 }));
}

/** One recipe in use on one batch, with the weight of it that is mixed. */
export interface SeasoningUse {
  kind: RecipeKind;
  recipe: Recipe;
  kg: number;
}

export interface Seasoning {
  uses: SeasoningUse[];
  /** Salt by itself: rubbed on ahead, or as it goes on where no rub carries it. */
  drySaltKg: number;
  /** All salt put on the meat's surface, as a share of its weight; much of a rub's falls off with the drip. */
  surfaceSaltShare: number;
  /** Salted ahead or brined, and then rubbed with salt again. */
  saltedTwice: boolean;
  /** Neither brined nor salted, and its rub has no salt: it will taste of nothing. */
  unsalted: boolean;
}

/** How often it lies open to be mopped: at its sprays, or as it is turned; a shut pit is not opened for a mop. */
const mopsOf = (method: Method | undefined): number => (method?.spray ? SEASONING.mops : (method?.turns ?? 0));

/** Everything a batch is seasoned with, weighed. */
export function seasoningOf(batch: Batch, cut: Cut, method: Method | undefined, library: Library, heads: number): Seasoning {
  const prep = prepOf(cut, batch);
  const kg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const pieces = batch.pieces.length;
  const uses: SeasoningUse[] = [];
  const mix = (kind: RecipeKind, mixedKg: number) => {
    const recipe = recipeIn(library, prep.recipes[kind]);
    if (recipe && mixedKg > 0) uses.push({ kind, recipe, kg: mixedKg });
  };
  const layers = 1 + (prep.layerMin === undefined ? 0 : SEASONING.layerShare) + (prep.topUp ? SEASONING.topUpShare : 0);
  const rubKg = (layers * batch.pieces.reduce((sum, piece) => sum + rubG(cut, piece, prep), 0)) / 1000;
  const brine = prep.brine === 'none' ? undefined : brineFor(batch, cut, recipeIn(library, prep.recipes.brine), prep.brine);
  mix('brine', brine ? brine.mixKg : 0);
  mix('injection', (kg * SEASONING.injectionMlPerKg) / 1000);
  mix('binder', (kg * SEASONING.binderGPerKg) / 1000);
  mix('rub', rubKg);
  mix('spray', (pieces * SEASONING.sprayMlPerPiece * (method?.spray ? SEASONING.sprays : 2)) / 1000);
  mix('mop', (pieces * SEASONING.mopMlPerPiece * mopsOf(method)) / 1000);
  if (!method || isWrapped(method)) mix('wrap', (pieces * SEASONING.wrapGPerPiece) / 1000);
  mix('braise', (kg * SEASONING.braiseMlPerKg) / 1000);
  mix('glaze', (pieces * SEASONING.glazeMlPerPiece) / 1000);
  mix('dressing', (kg * cut.yieldShare * SEASONING.dressingGPerCookedKg) / 1000);
  mix('sauce', (heads * SEASONING.sauceGPerHead) / 1000);
  mix('dish', cut.species === 'dish' ? kg : 0);
  const ahead = prep.salt === 'night' || prep.salt === 'hour';
  const rub = uses.find((each) => each.kind === 'rub');
  const rubSaltKg = rub ? rub.kg * saltShareOf(rub.recipe) : 0;
  const injected = uses.some((each) => each.kind === 'injection' && saltShareOf(each.recipe) > 0);
  const bare = prep.salt === 'on' && rubSaltKg === 0;
  const drySaltKg = ahead || bare ? saltG(cut, kg) / 1000 : 0;
  return {
    uses,
    drySaltKg,
    surfaceSaltShare: kg > 0 ? (drySaltKg + rubSaltKg) / kg : 0,
    saltedTwice: (ahead || prep.brine !== 'none') && rubSaltKg > 0,
    unsalted: cut.species !== 'dish' && prep.brine === 'none' && !injected && drySaltKg === 0 && rubSaltKg === 0,
  };
}
