import { cutIn, READY_MENUS, type Batch, type Library, type Meal, type Serving, type Side } from '../model';
import { demandOf, sizeToDemand } from './demand';

/** A ready-made menu for a serving: what is cooked, in as many pieces as its guests need, and what stands beside it. */
export function readyMenu(
  menuId: string,
  serving: Serving,
  library: Library,
  mealOf: (serving: Serving) => Meal,
  newId: () => string,
): { batches: Batch[]; sides: Side[] } {
  const menu = READY_MENUS.find((each) => each.id === menuId);
  if (!menu) return { batches: [], sides: [] };
  const sides = menu.sides.map((side): Side => ({ ...side, id: newId() }));
  const batches = menu.batches
    .filter(({ cutId }) => cutIn(library, cutId))
    .map(({ dishRecipeId, label = '', ...each }): Batch => ({
      ...each,
      label,
      id: newId(),
      servingId: serving.id,
      sizedBy: 'guests',
      pieces: [],
      ...(dishRecipeId && { prep: { recipes: { dish: dishRecipeId } } }),
    }));
  const demands = demandOf({ servings: [{ ...serving, sides }], batches }, library, mealOf);
  return { sides, batches: batches.map((batch) => sizeToDemand(batch, demands.get(batch.id), newId)) };
}
