import {
  cutIn,
  inListOrder,
  methodIn,
  prepOf,
  recipeIn,
  carriedBy,
  sidesOf,
  type Batch,
  type Carried,
  type CookEvent,
  type Library,
  type Serving,
} from '../model';

/** Everything a batch brings to its guests, and which recipe (or the meat itself) brings it. */
export interface CarriedFrom {
  carried: Carried;
  from: string[];
}

/** The meat, then every recipe it meets on its way: brine, injection, binder, rub, spray, mop, wrap, braise, glaze, dressing, sauce. */
export function batchCarries(batch: Batch, library: Library): CarriedFrom[] {
  const cut = cutIn(library, batch.cutId);
  if (!cut) return [];
  const found = new Map<Carried, string[]>();
  const add = (carried: Carried, from: string) => found.set(carried, [...(found.get(carried) ?? []), from]);
  if (cut.species === 'beef' || cut.species === 'pork') add(cut.species, cut.name);
  const prep = prepOf(cut, batch);
  const wraps = methodIn(library, batch.methodId)?.wrap ?? 'none';
  for (const [kind, id] of Object.entries(prep.recipes)) {
    if (kind === 'brine' && prep.brine === 'none') continue;
    if (kind === 'wrap' && wraps === 'none') continue;
    const recipe = recipeIn(library, id);
    if (recipe) for (const carried of carriedBy(recipe)) add(carried, recipe.name);
  }
  return inListOrder(found.keys()).map((carried) => ({ carried, from: [...new Set(found.get(carried)!)] }));
}

export function sideCarries(side: NonNullable<Serving['sides']>[number], library: Library): Carried[] {
  const recipe = recipeIn(library, side.recipeId);
  return inListOrder([...side.carries, ...(recipe ? carriedBy(recipe) : [])]);
}

/** A dish that a guest of its serving may not or does not eat. */
export interface NeedConflict {
  servingId: string;
  carried: Carried;
  guests: number;
  dishes: { id: string; from: string[] }[];
  /** Dishes of that serving without it. */
  free: number;
}

/** For every need of every serving: which dishes carry it, and how many are left to eat. */
export function needConflicts(event: Pick<CookEvent, 'servings' | 'batches'>, library: Library): NeedConflict[] {
  return event.servings.flatMap((serving) => {
    const batches = event.batches.filter((batch) => batch.servingId === serving.id || batch.second?.servingId === serving.id);
    const dishes = [
      ...batches.map((batch) => ({ id: batch.id, carries: batchCarries(batch, library) })),
      ...sidesOf(serving).map((side) => ({
        id: side.id,
        carries: sideCarries(side, library).map((carried) => ({ carried, from: [side.name] })),
      })),
    ];
    return (serving.needs ?? []).map(({ carried, guests }) => {
      const hit = dishes.flatMap(({ id, carries }) => {
        const found = carries.find((each) => each.carried === carried);
        return found ? [{ id, from: found.from }] : [];
      });
      return { servingId: serving.id, carried, guests, dishes: hit, free: dishes.length - hit.length };
    });
  });
}
