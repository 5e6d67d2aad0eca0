import { prepOf, recipeIn, sidesOf, type CookEvent, type Library, type PrepStep } from '../model';
import { brineFor, COLD_LITRES_PER_KG, portionsOf, type ColdUse } from '../quantities';
import { addMinutes } from '../units';
import type { PrepOrder } from './placeSteps';

/** What lies in the fridge and what stands in brine tubs, from delivery to the pit or the table. */
export interface ColdUses {
  fridge: ColdUse[];
  tubs: ColdUse[];
}

/** Meat in its pack from delivery (or thaw), in its tub while it brines, out when it tempers; cold sides until they are served. */
export function coldUses(event: CookEvent, library: Library, orders: readonly PrepOrder[], steps: readonly PrepStep[]): ColdUses {
  const uses: ColdUses = { fridge: [], tubs: [] };
  const deliverAtMs = event.kitchen?.deliverAtMs;
  for (const { batch, cut, onAtMs } of orders) {
    const own = steps.filter((step) => step.batchId === batch.id);
    const prep = prepOf(cut, batch);
    const kg = batch.pieces.reduce((sum, piece) => sum + (piece.boughtKg ?? piece.kg / (1 - cut.trimShare)), 0);
    const thaw = own.find((step) => step.kind === 'thaw');
    const temper = own.find((step) => step.kind === 'temper');
    const [first] = own;
    // Frozen meat lies in the freezer until it thaws; a dish is shopped dry and is cold only once it is filled.
    const fromMs =
      cut.species === 'dish'
        ? first
          ? addMinutes(first.atMs, first.minutes)
          : onAtMs
        : (thaw?.atMs ?? deliverAtMs ?? first?.atMs ?? onAtMs);
    const toMs = temper?.atMs ?? onAtMs;
    const meatLitres = kg * COLD_LITRES_PER_KG.meat;
    const into = own.find((step) => step.kind === 'brine');
    const out = own.find((step) => step.kind === 'rinse');
    if (into && out && prep.brine !== 'none') {
      const brine = brineFor(batch, cut, recipeIn(library, prep.recipes.brine), prep.brine);
      uses.fridge.push({ id: batch.id, litres: meatLitres, fromMs, toMs: into.atMs });
      uses.fridge.push({ id: batch.id, litres: brine.tubLitres, fromMs: into.atMs, toMs: out.atMs });
      uses.fridge.push({ id: batch.id, litres: meatLitres, fromMs: out.atMs, toMs });
      uses.tubs.push({ id: batch.id, litres: brine.tubLitres, fromMs: into.atMs, toMs: out.atMs });
    } else uses.fridge.push({ id: batch.id, litres: meatLitres, fromMs, toMs });
  }
  const firstMs = Math.min(...uses.fridge.map((use) => use.fromMs), ...event.servings.map((serving) => addMinutes(serving.atMs, -24 * 60)));
  for (const serving of event.servings)
    for (const side of sidesOf(serving).filter((each) => each.chilled)) {
      const kg = (portionsOf(serving.guests, serving.buffet, serving.marginShare) * side.gPerHead) / 1000;
      uses.fridge.push({ id: side.id, litres: kg * COLD_LITRES_PER_KG.side, fromMs: deliverAtMs ?? firstMs, toMs: serving.atMs });
    }
  return uses;
}
