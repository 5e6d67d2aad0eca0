import type { Cut, Serving } from '../../core/model';
import type { Cost, Demand, DishNeed, Supply } from '../../core/quantities';
import { formatHelping, formatMass, formatMoney, formatShare, type Units } from '../units';

const round = (value: number, digits = 1) => String(Number(value.toFixed(digits)));

/** From guests to pieces as a reader would do it on paper, one step a line. */
export function demandSteps(demand: Demand, cut: Cut, servings: readonly Serving[], units: Units): string[] {
  const lines = demand.dishes.flatMap((dish) => dishSteps(dish, servings, units, demand.dishes.length > 1, cut));
  if (demand.dishes.length > 1)
    lines.push(
      demand.dishes.every((dish) => dish.partShare !== undefined)
        ? `${demand.dishes[demand.decidingDish]!.name} decides: ${formatMass(demand.cookedKg, units)} of cooked meat give both dishes their part`
        : `Together ${formatMass(demand.cookedKg, units)} cooked`,
    );
  lines.push(
    `÷ yield ${demand.yieldShare.toFixed(2)} (bones, fat and water lost in the cook) = ${formatMass(demand.trimmedKg, units)} trimmed`,
    `÷ ${(1 - demand.trimShare).toFixed(2)} (trim takes ${formatShare(demand.trimShare)}) = ${formatMass(demand.boughtKg, units)} bought`,
    demand.exactRacks === undefined
      ? `sold in ${formatMass(demand.shopKg[0], units)} to ${formatMass(demand.shopKg[1], units)}: ${demand.pieces} of ${formatMass(demand.pieceBoughtKg, units)}, ${formatMass(demand.pieceKg, units)} trimmed, come nearest (up to 6 % short calls for no extra piece)`
      : `${round(demand.exactRacks, 2)} racks of bones, so ${demand.pieces} (up to 6 % short calls for no extra rack)`,
  );
  return lines;
}

function dishSteps(dish: DishNeed, servings: readonly Serving[], units: Units, several: boolean, cut: Cut): string[] {
  const { adults, children, heartyShare } = dish.guests;
  const serving = servings.find((each) => each.id === dish.servingId);
  const parts = [
    `${adults} adults${heartyShare > 0 ? ` (${formatShare(heartyShare)} hearty, +20 %)` : ''}`,
    children > 0 ? `${children} children × ½` : '',
  ].filter(Boolean);
  const more = [dish.buffet ? '× 1.1 buffet' : '', dish.marginShare > 0 ? `× ${(1 + dish.marginShare).toFixed(2)} margin` : ''].filter(
    Boolean,
  );
  const share =
    dish.meats > 1
      ? Math.abs(dish.plateShare * dish.meats - 1) < 0.005
        ? `an even share of ${dish.meats} meats`
        : `${formatShare(dish.plateShare)} of a plate of ${dish.meats} meats`
      : cut.species === 'dish'
        ? 'a helping'
        : 'the only meat';
  const helping =
    dish.bonesPerPortion === undefined
      ? `${formatHelping(dish.gramsPerPortion, units)} a portion (${share})`
      : `${round(dish.bonesPerPortion)} bones a portion (${share}), ${cut.bones} bones a rack`;
  return [
    `${several ? `${dish.name}, ` : ''}${serving?.name ?? 'serving'}: ${[parts.join(' + '), ...more].join(' ')} = ${round(dish.portions)} portions`,
    `× ${helping} = ${formatMass(dish.cookedKg, units)} cooked`,
  ];
}

/** Where a portion's price comes from. */
export function costSteps(cost: Cost, demand: Demand, supply: Supply, currency: string, units: Units): string {
  const kept =
    cost.usableTrimWorth > 0
      ? `, less ${formatMoney(cost.usableTrimWorth, currency)} for ${formatMass(cost.usableTrimKg, units)} of kept trim`
      : '';
  return `${formatMass(supply.boughtKg, units)} for ${formatMoney(cost.paid, currency)}${kept} = ${formatMoney(cost.net, currency)} ÷ ${round(demand.portions)} portions`;
}

/** `4 % over`, `6 % short`. */
export const overMessage = (share: number): string => {
  const percent = Math.round(Math.abs(share) * 100);
  return percent === 0 ? 'just right' : share < 0 ? `${percent} % short` : `${percent} % over`;
};
