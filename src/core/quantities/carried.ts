import {
  carriedBy,
  cutIn,
  inListOrder,
  isWrapped,
  methodIn,
  prepOf,
  recipeIn,
  sidesOf,
  type Batch,
  type Carried,
  type CookEvent,
  type Library,
  type Side,
} from '../model';

/** One allergen or diet flag, and which recipe (or the meat itself) brings it. */
export interface CarriedFrom {
  carried: Carried;
  from: string[];
}

/** What a dish is known to carry, and what of it nobody has declared: it counts as free of nothing while anything is undeclared. */
export interface Contents {
  carries: CarriedFrom[];
  undeclared: string[];
}

const isWhole = ({ undeclared }: Contents): boolean => undeclared.length === 0;
export const carriedIn = ({ carries }: Contents): Carried[] => carries.map((each) => each.carried);

class Gathered {
  private readonly found = new Map<Carried, string[]>();
  private readonly undeclared: string[] = [];

  add(carries: Iterable<Carried>, from: string): void {
    for (const carried of carries) this.found.set(carried, [...(this.found.get(carried) ?? []), from]);
  }
  addRecipe(library: Library, id: string): void {
    const recipe = recipeIn(library, id);
    if (!recipe) return void this.undeclared.push('a recipe that is gone');
    this.add(carriedBy(recipe), recipe.name);
    if (!recipe.declared) this.undeclared.push(recipe.name);
  }
  declare(carries: readonly Carried[] | undefined, name: string): void {
    if (carries) this.add(carries, name);
    else this.undeclared.push(name);
  }
  contents(): Contents {
    return {
      carries: inListOrder(this.found.keys()).map((carried) => ({ carried, from: [...new Set(this.found.get(carried)!)] })),
      undeclared: [...new Set(this.undeclared)],
    };
  }
}

/** The meat, then every recipe it meets on its way: brine, injection, binder, rub, spray, mop, wrap, braise, glaze, dressing, sauce. */
export function batchContents(batch: Batch, library: Library): Contents {
  const gathered = new Gathered();
  const cut = cutIn(library, batch.cutId);
  if (!cut) {
    gathered.declare(undefined, batch.label || 'a cut that is gone');
    return gathered.contents();
  }
  if (cut.species === 'beef' || cut.species === 'pork') gathered.add([cut.species], cut.name);
  const prep = prepOf(cut, batch);
  const method = methodIn(library, batch.methodId);
  for (const [kind, id] of Object.entries(prep.recipes)) {
    if (id === undefined) continue;
    if (kind === 'brine' && prep.brine === 'none') continue;
    if (kind === 'wrap' && !(method && isWrapped(method))) continue;
    gathered.addRecipe(library, id);
  }
  // A dish is its recipe, or what its maker declares of it; its name says nothing.
  if (batch.carries) gathered.add(batch.carries, batch.label || cut.name);
  else if (cut.safetyClass === 'dish' && prep.recipes.dish === undefined) gathered.declare(undefined, batch.label || cut.name);
  return gathered.contents();
}

/** What stands beside the meat: by its recipe, by what is declared of it, or both. */
export function sideContents(side: Side, library: Library): Contents {
  const gathered = new Gathered();
  if (side.recipeId !== undefined) gathered.addRecipe(library, side.recipeId);
  if (side.carries || side.recipeId === undefined) gathered.declare(side.carries, side.name);
  return gathered.contents();
}

/** A dish of one serving, by the id of its batch or side. */
export interface ServedDish {
  id: string;
  contents: Contents;
}

/** Everything on the table of one serving: its batches, second dishes of others, and its sides. */
export function dishesServed(
  { batches }: Pick<CookEvent, 'batches'>,
  serving: CookEvent['servings'][number],
  library: Library,
): ServedDish[] {
  return [
    ...batches
      .filter((batch) => batch.servingId === serving.id || batch.second?.servingId === serving.id)
      .map((batch) => ({ id: batch.id, contents: batchContents(batch, library) })),
    ...sidesOf(serving).map((side) => ({ id: side.id, contents: sideContents(side, library) })),
  ];
}

/** A need of a serving's guests against what is on its table. */
export interface NeedConflict {
  servingId: string;
  carried: Carried;
  guests: number;
  /** Dishes that are known to carry it. */
  dishes: { id: string; from: string[] }[];
  /** Dishes that are not fully declared and not known to carry it: nobody may call them free of it. */
  undeclared: { id: string; names: string[] }[];
  /** Dishes of that serving declared to be without it. */
  free: number;
}

/** For every need of every serving: which dishes carry it, which nobody knows of, and how many are left to eat. */
export function needConflicts(event: Pick<CookEvent, 'servings' | 'batches'>, library: Library): NeedConflict[] {
  return event.servings.flatMap((serving) => {
    const served = dishesServed(event, serving, library);
    return (serving.needs ?? []).map(({ carried, guests }) => {
      const dishes = served.flatMap(({ id, contents }) => {
        const found = contents.carries.find((each) => each.carried === carried);
        return found ? [{ id, from: found.from }] : [];
      });
      const undeclared = served
        .filter(({ id, contents }) => !isWhole(contents) && !dishes.some((dish) => dish.id === id))
        .map(({ id, contents }) => ({ id, names: contents.undeclared }));
      return { servingId: serving.id, carried, guests, dishes, undeclared, free: served.length - dishes.length - undeclared.length };
    });
  });
}

/** Dishes of a serving that are not fully declared: its card waits for them, or for a signature. */
export const undeclaredDishes = (
  event: Pick<CookEvent, 'batches'>,
  serving: CookEvent['servings'][number],
  library: Library,
): ServedDish[] => dishesServed(event, serving, library).filter(({ contents }) => !isWhole(contents));
