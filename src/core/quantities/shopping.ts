import {
  buyingOf,
  cutIn,
  methodIn,
  pieceSize,
  prepOf,
  recipeIn,
  sidesOf,
  type CookEvent,
  type Cut,
  type Firing,
  type Library,
  type Pit,
  type Plan,
  type Store,
} from '../model';
import { MS_PER_MIN } from '../units';
import { CHUNK_KG_PER_H, fuelFor } from '../fire';
import { portionsOf } from './portions';
import { scaleRecipe, seasoningOf } from './seasoning';

/** Starting values: metres of wrap a piece (doubled), pairs of gloves, towels, tags. */
export const SUPPLIES = Object.freeze({
  paperLargeM: 2,
  foilLargeM: 1.6,
  rackM: 0.9,
  glovesPerHandling: 1,
  towelsPerBoxedPiece: 2,
  towelsPerBoxedSmall: 0.25,
  piecesPerPan: 2,
});

export type Amount =
  { unit: 'kg'; value: number } | { unit: 'pieces'; value: number; kg: number } | { unit: 'm' | 'pairs' | 'count'; value: number };

export interface ShoppingItem {
  /** Stable while the item is on the list. */
  id: string;
  group: string;
  name: string;
  amount: Amount;
  /** Which batches, sides and fires it is for. */
  forIds: string[];
}

export const GROUPS = Object.freeze({
  dry: 'Dry store',
  chilled: 'Dairy and chilled',
  fresh: 'Fresh and bakery',
  fire: 'Fire and wrap',
  kit: 'Kit',
});
const STORE_GROUP: Record<Exclude<Store, 'none'>, string> = { dry: GROUPS.dry, chilled: GROUPS.chilled, fresh: GROUPS.fresh };

class List {
  private readonly items = new Map<string, ShoppingItem>();

  add(group: string, name: string, amount: Amount, forId: string): void {
    if (amount.value <= 0) return;
    const id = `${group}/${name}`;
    const kept = this.items.get(id);
    if (!kept) {
      this.items.set(id, { id, group, name, amount: { ...amount }, forIds: [forId] });
      return;
    }
    kept.amount.value += amount.value;
    if (kept.amount.unit === 'pieces' && amount.unit === 'pieces') kept.amount.kg += amount.kg;
    if (!kept.forIds.includes(forId)) kept.forIds.push(forId);
  }

  all(): ShoppingItem[] {
    return [...this.items.values()];
  }
}

export interface ShoppingInput {
  event: CookEvent;
  library: Library;
  pits: readonly Pit[];
  plan: Plan;
}

/** Everything to be bought for an event, grouped by where it is bought: butchers first, then stores, fire and kit. */
export function shoppingList({ event, library, pits, plan }: ShoppingInput): ShoppingItem[] {
  const list = new List();
  addMeat(list, event, library);
  addSeasoning(list, event, library);
  addSides(list, event, library);
  for (const firing of plan.firings) {
    const pit = pits.find((each) => each.id === firing.pitId);
    if (pit) addFuel(list, event, library, plan, pit, firing);
  }
  addWrap(list, event, library, plan);
  addKit(list, event, library, plan);
  const last = Object.values(GROUPS);
  const rank = (item: ShoppingItem) => last.indexOf(item.group as never);
  return list.all().sort((a, b) => rank(a) - rank(b) || (a.group < b.group ? -1 : a.group > b.group ? 1 : 0));
}

function addMeat(list: List, event: CookEvent, library: Library): void {
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    if (!cut || cut.species === 'dish') continue;
    const buying = buyingOf(cut, batch);
    const kg = batch.pieces.reduce((sum, piece) => sum + (piece.boughtKg ?? piece.kg / (1 - cut.trimShare)), 0);
    const grade = cut.species === 'beef' ? `, ${buying.grade}` : '';
    list.add(buying.source, `${cut.name}${grade}`, { unit: 'pieces', value: batch.pieces.length, kg }, batch.id);
  }
}

function addSeasoning(list: List, event: CookEvent, library: Library): void {
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    if (!cut) continue;
    const serving = event.servings.find((each) => each.id === batch.servingId);
    const heads = serving ? portionsOf(serving.guests, serving.buffet, serving.marginShare) : 0;
    const { uses, drySaltKg } = seasoningOf(batch, cut, methodIn(library, batch.methodId), library, heads);
    if (drySaltKg > 0) list.add(GROUPS.dry, 'coarse salt', { unit: 'kg', value: drySaltKg }, batch.id);
    for (const use of uses)
      for (const { name, kg, store } of scaleRecipe(use.recipe, use.kg))
        if (store !== 'none') list.add(STORE_GROUP[store], name, { unit: 'kg', value: kg }, batch.id);
    // A pan without a recipe is bought as it is eaten.
    if (cut.species === 'dish' && !uses.some((use) => use.kind === 'dish'))
      list.add(
        buyingOf(cut, batch).source,
        batch.label || cut.name,
        { unit: 'kg', value: batch.pieces.reduce((sum, piece) => sum + piece.kg, 0) },
        batch.id,
      );
  }
}

function addSides(list: List, event: CookEvent, library: Library): void {
  for (const serving of event.servings) {
    const portions = portionsOf(serving.guests, serving.buffet, serving.marginShare);
    for (const side of sidesOf(serving)) {
      const kg = (portions * side.gPerHead) / 1000;
      const recipe = recipeIn(library, side.recipeId);
      if (!recipe) list.add(side.chilled ? GROUPS.chilled : GROUPS.fresh, side.name, { unit: 'kg', value: kg }, side.id);
      else
        for (const each of scaleRecipe(recipe, kg))
          if (each.store !== 'none') list.add(STORE_GROUP[each.store], each.name, { unit: 'kg', value: each.kg }, side.id);
    }
  }
}

function addFuel(list: List, event: CookEvent, library: Library, plan: Plan, pit: Pit, firing: Firing): void {
  const { fuel, kg } = fuelFor(pit, firing, event.weather);
  const here = plan.runs.filter((run) => run.pitId === pit.id && run.onAtMs >= firing.lightAtMs && run.onAtMs < firing.offAtMs);
  const woodOf = (batchId: string) => {
    const batch = event.batches.find((each) => each.id === batchId);
    const cut = batch && cutIn(library, batch.cutId);
    return batch && cut ? buyingOf(cut, batch).wood : 'oak';
  };
  if (fuel === 'split wood') {
    // One fire burns one wood: that of the most meat on it.
    const byWood = new Map<string, number>();
    for (const run of here) byWood.set(woodOf(run.batchId), (byWood.get(woodOf(run.batchId)) ?? 0) + run.kg);
    const wood = [...byWood].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'oak';
    list.add(GROUPS.fire, `${wood}, split`, { unit: 'kg', value: kg }, pit.id);
    return;
  }
  if (kg > 0) list.add(GROUPS.fire, fuel, { unit: 'kg', value: kg }, pit.id);
  if (!pit.smoke || fuel === 'pellets') return;
  const smokyMin = new Map<string, number>();
  for (const run of here) {
    const batch = event.batches.find((each) => each.id === run.batchId);
    if (!batch || !methodIn(library, batch.methodId)?.needsSmoke) continue;
    const minutes = ((run.smokeUntilMs ?? run.wrapAtMs ?? run.pullMedianMs) - run.onAtMs) / MS_PER_MIN;
    const wood = woodOf(run.batchId);
    smokyMin.set(wood, Math.max(smokyMin.get(wood) ?? 0, minutes));
  }
  for (const [wood, minutes] of smokyMin)
    list.add(GROUPS.fire, `${wood}, chunks`, { unit: 'kg', value: (CHUNK_KG_PER_H * minutes) / 60 }, pit.id);
}

/** A piece whose footprint is slim or thin takes a rack's length of wrap. */
const takesShort = (cut: Cut, kg: number) => cut.bones !== undefined || pieceSize(cut, kg).thicknessMm < 40;

function addWrap(list: List, event: CookEvent, library: Library, plan: Plan): void {
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    const method = methodIn(library, batch.methodId);
    if (!cut || !method) continue;
    if (cut.species === 'dish') list.add(GROUPS.kit, 'foil pans, full', { unit: 'count', value: batch.pieces.length }, batch.id);
    const metres = (largeM: number) => batch.pieces.reduce((sum, piece) => sum + (takesShort(cut, piece.kg) ? SUPPLIES.rackM : largeM), 0);
    if (method.wrap === 'paper') list.add(GROUPS.fire, 'butcher paper', { unit: 'm', value: metres(SUPPLIES.paperLargeM) }, batch.id);
    if (method.wrap === 'foil') list.add(GROUPS.fire, 'heavy foil', { unit: 'm', value: metres(SUPPLIES.foilLargeM) }, batch.id);
    if (method.wrap === 'pan') {
      const pans = Math.ceil(batch.pieces.length / SUPPLIES.piecesPerPan);
      list.add(GROUPS.kit, 'foil pans, full', { unit: 'count', value: pans }, batch.id);
      list.add(GROUPS.fire, 'heavy foil', { unit: 'm', value: pans * SUPPLIES.rackM }, batch.id);
    }
  }
  for (const pitId of new Set(plan.firings.map((firing) => firing.pitId)))
    list.add(GROUPS.kit, 'drip pans', { unit: 'count', value: 1 }, pitId);
}

function addKit(list: List, event: CookEvent, library: Library, plan: Plan): void {
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    if (!cut) continue;
    const prep = prepOf(cut, batch);
    const method = methodIn(library, batch.methodId);
    const raw =
      cut.species === 'dish'
        ? 0
        : [true, cut.trimShare > 0, prep.brine !== 'none', prep.recipes.injection, prep.salt === 'night' || prep.salt === 'hour'].filter(
            Boolean,
          ).length;
    const later = [true, method && method.wrap !== 'none', cut.carveMin > 0, cut.carveMin > 0].filter(Boolean).length;
    list.add(GROUPS.kit, 'food gloves', { unit: 'pairs', value: (raw + later) * SUPPLIES.glovesPerHandling }, batch.id);
    list.add(GROUPS.kit, 'piece tags', { unit: 'count', value: batch.pieces.length }, batch.id);
    const boxed = plan.runs.filter((run) => run.batchId === batch.id && run.hold.gearId !== 'board');
    const towels = batch.pieces
      .filter((piece) => boxed.some((run) => run.pieceIds.includes(piece.id)))
      .reduce(
        (sum, piece) => sum + (takesShort(cut, piece.kg) || piece.kg < 1.5 ? SUPPLIES.towelsPerBoxedSmall : SUPPLIES.towelsPerBoxedPiece),
        0,
      );
    list.add(GROUPS.kit, 'old towels', { unit: 'count', value: towels }, batch.id);
  }
}
