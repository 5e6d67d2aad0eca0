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
  type Fuel,
  type Library,
  type Pit,
  type Plan,
  type Store,
} from '../model';
import { fuelFor } from '../fire';
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

/** What a line of the list costs by: one of the kitchen's prices, or a made-up price of the piece. */
export type PaidAs = 'seasoningPerKg' | 'woodPerKg' | 'charcoalPerKg' | 'gasPerKg' | 'wrapPerM' | { each: number };

export interface ShoppingItem {
  /** Stable while the item is on the list. */
  id: string;
  group: string;
  name: string;
  amount: Amount;
  /** Which batches, sides and fires it is for, and how much of it each takes. */
  values: Record<string, number>;
  /** What it is paid as; nothing where that is another account: the meat, what stands beside it, a dish bought ready. */
  paidAs?: PaidAs;
}

/** Made-up starting prices of what is used up by the piece. */
const KIT_EACH = Object.freeze({ pan: 1.5, dripPan: 1, gloves: 0.25, tag: 0.1 });
const FUEL_PAID_AS: Partial<Record<Fuel, PaidAs>> = {
  charcoal: 'charcoalPerKg',
  'lump charcoal': 'charcoalPerKg',
  pellets: 'woodPerKg',
  gas: 'gasPerKg',
};

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

  add(group: string, name: string, amount: Amount, forId: string, paidAs?: PaidAs): void {
    if (amount.value <= 0) return;
    const id = `${group}/${name}`;
    const kept = this.items.get(id);
    if (!kept) {
      this.items.set(id, { id, group, name, amount: { ...amount }, values: { [forId]: amount.value }, ...(paidAs && { paidAs }) });
      return;
    }
    kept.amount.value += amount.value;
    if (kept.amount.unit === 'pieces' && amount.unit === 'pieces') kept.amount.kg += amount.kg;
    kept.values[forId] = (kept.values[forId] ?? 0) + amount.value;
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
    if (pit) addFuel(list, event, plan, pit, firing);
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
    if (drySaltKg > 0) list.add(GROUPS.dry, 'coarse salt', { unit: 'kg', value: drySaltKg }, batch.id, 'seasoningPerKg');
    for (const use of uses)
      for (const { name, kg, store } of scaleRecipe(use.recipe, use.kg))
        if (store !== 'none') list.add(STORE_GROUP[store], name, { unit: 'kg', value: kg }, batch.id, 'seasoningPerKg');
    // A pan without a recipe is bought as it is eaten.
    if (cut.species === 'dish' && !uses.some((use) => use.kind === 'dish'))
      list.add(
        buyingOf(cut, batch).source,
        `${batch.label || cut.name}, ready made: no recipe`,
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
      if (!recipe) {
        const amount: Amount =
          side.eachG === undefined ? { unit: 'kg', value: kg } : { unit: 'count', value: Math.ceil((kg * 1000) / side.eachG - 1e-9) };
        list.add(side.chilled ? GROUPS.chilled : GROUPS.fresh, side.name, amount, side.id);
      } else
        for (const each of scaleRecipe(recipe, kg))
          if (each.store !== 'none') list.add(STORE_GROUP[each.store], each.name, { unit: 'kg', value: each.kg }, side.id);
    }
  }
}

/** What a fire burns, and the wood that the run sheet lays on it: nothing is bought that is not burned. */
function addFuel(list: List, { weather }: CookEvent, plan: Plan, pit: Pit, firing: Firing): void {
  const { fuel, kg } = fuelFor(pit, firing, weather);
  const laid = plan.tasks.filter(
    (task) => task.pitId === pit.id && task.woods && task.atMs >= firing.lightAtMs && task.atMs < firing.offAtMs && (task.kg ?? 0) > 0,
  );
  const woods = new Map<string, number>();
  for (const { kg: taskKg = 0, woods: mixed = [] } of laid)
    for (const { wood, share } of mixed) woods.set(wood, (woods.get(wood) ?? 0) + share * taskKg);
  const laidKg = [...woods.values()].reduce((sum, each) => sum + each, 0);
  if (fuel === 'split wood') {
    // Lit with what it burns.
    if (laidKg === 0) list.add(GROUPS.fire, 'oak, split', { unit: 'kg', value: kg }, pit.id, 'woodPerKg');
    for (const [wood, woodKg] of woods)
      list.add(GROUPS.fire, `${wood}, split`, { unit: 'kg', value: (kg * woodKg) / laidKg }, pit.id, 'woodPerKg');
    return;
  }
  if (kg > 0) list.add(GROUPS.fire, fuel, { unit: 'kg', value: kg }, pit.id, FUEL_PAID_AS[fuel]);
  for (const [wood, woodKg] of woods) list.add(GROUPS.fire, `${wood}, chunks`, { unit: 'kg', value: woodKg }, pit.id, 'woodPerKg');
}

/** A piece whose footprint is slim or thin takes a rack's length of wrap. */
const takesShort = (cut: Cut, kg: number) => cut.bones !== undefined || pieceSize(cut, kg).thicknessMm < 40;

function addWrap(list: List, event: CookEvent, library: Library, plan: Plan): void {
  for (const batch of event.batches) {
    const cut = cutIn(library, batch.cutId);
    const method = methodIn(library, batch.methodId);
    if (!cut || !method) continue;
    if (cut.species === 'dish')
      list.add(GROUPS.kit, 'foil pans, full', { unit: 'count', value: batch.pieces.length }, batch.id, { each: KIT_EACH.pan });
    const metres = (largeM: number) => batch.pieces.reduce((sum, piece) => sum + (takesShort(cut, piece.kg) ? SUPPLIES.rackM : largeM), 0);
    const wrap = method.wrap === 'none' ? method.restWrap : method.wrap;
    if (wrap === 'paper') list.add(GROUPS.fire, 'butcher paper', { unit: 'm', value: metres(SUPPLIES.paperLargeM) }, batch.id, 'wrapPerM');
    if (wrap === 'foil') list.add(GROUPS.fire, 'heavy foil', { unit: 'm', value: metres(SUPPLIES.foilLargeM) }, batch.id, 'wrapPerM');
    if (method.wrap === 'pan') {
      const pans = Math.ceil(batch.pieces.length / SUPPLIES.piecesPerPan);
      list.add(GROUPS.kit, 'foil pans, full', { unit: 'count', value: pans }, batch.id, { each: KIT_EACH.pan });
      list.add(GROUPS.fire, 'heavy foil', { unit: 'm', value: pans * SUPPLIES.rackM }, batch.id, 'wrapPerM');
    }
  }
  for (const pitId of new Set(plan.firings.map((firing) => firing.pitId)))
    list.add(GROUPS.kit, 'drip pans', { unit: 'count', value: 1 }, pitId, { each: KIT_EACH.dripPan });
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
    const later = [true, method && (method.wrap !== 'none' || method.restWrap), cut.carveMin > 0, cut.carveMin > 0].filter(Boolean).length;
    list.add(GROUPS.kit, 'food gloves', { unit: 'pairs', value: (raw + later) * SUPPLIES.glovesPerHandling }, batch.id, {
      each: KIT_EACH.gloves,
    });
    list.add(GROUPS.kit, 'piece tags', { unit: 'count', value: batch.pieces.length }, batch.id, { each: KIT_EACH.tag });
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
