import type { Cut, Meal, Serving } from '../../core/model';
import {
  COST_PARTS,
  portionBand,
  portionBones,
  sumOfCost,
  type Cost,
  type CostBeside,
  type Demand,
  type DishNeed,
  type Supply,
} from '../../core/quantities';
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
      ? `sold in ${formatMass(demand.shopKg[0], units)} to ${formatMass(demand.shopKg[1], units)}: ${demand.pieces} of ${formatMass(demand.pieceBoughtKg, units)}, ${formatMass(demand.pieceKg, units)} trimmed, come nearest${mayBeShort(demand)}`
      : `${round(demand.exactRacks, 2)} racks of bones, so ${demand.pieces}${mayBeShort(demand)}`,
  );
  return lines;
}

const mayBeShort = ({ shortShare }: Demand): string =>
  shortShare > 0 ? ` (up to ${formatShare(shortShare)} short calls for no other piece)` : ', rounded up to whole pieces';

const MEAL_WORDS: Record<Meal, string> = { tasting: 'a tasting', lunch: 'a lunch', supper: 'a supper' };

/** Where a helping comes from: the trade's band of the meal, the plate and what stands beside it, or the owner's word. */
export function helpingReason(
  { meats, plateShare, usual: { meal, besideG, besideShare, gramsPerPortion, bonesPerPortion }, byOwner }: DishNeed,
  isDish: boolean,
  units: Units,
): string {
  const usual = bonesPerPortion === undefined ? formatHelping(gramsPerPortion, units) : `${round(bonesPerPortion)} bones`;
  if (isDish) return byOwner ? `your own helping; the trade gives ${usual} of a pan dish` : `a helping of a pan dish`;
  const [low, high] = portionBand(meats, meal);
  const band =
    bonesPerPortion === undefined
      ? `${formatHelping(low, units)} to ${formatHelping(high, units)} at ${MEAL_WORDS[meal]}`
      : `${round(portionBones(meats, meal))} bones at ${MEAL_WORDS[meal]}`;
  const reasons = [
    `${meats > 1 ? `one of ${meats} meats` : 'the only meat'}, ${band}`,
    ...(Math.abs(plateShare * meats - 1) < 0.005 ? [] : [`${formatShare(plateShare)} of the plate`]),
    ...(besideShare < 0.9995 ? [`${formatShare(1 - besideShare)} less beside ${formatHelping(besideG, units)} of sides and pans`] : []),
  ];
  return byOwner ? `your own helping; the trade gives ${usual}: ${reasons.join(', ')}` : reasons.join(', ');
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
  const share = helpingReason(dish, cut.species === 'dish', units);
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

const PART_WORDS: Record<(typeof COST_PARTS)[number], string> = {
  seasoning: 'rub and sauce',
  fire: 'fuel and wood',
  wrap: 'wrap',
  kit: 'pans, gloves and tags',
  hands: 'hands',
};

/** What a portion costs beside its meat, part by part. */
export function besideSteps(cost: Cost, beside: CostBeside, demand: Demand, currency: string): string {
  const each = (amount: number) => formatMoney(amount / Math.max(1e-9, demand.portions), currency);
  const parts = COST_PARTS.filter((part) => beside[part] > 0).map((part) => `${PART_WORDS[part]} ${each(beside[part])}`);
  return `Meat ${each(cost.net)}${parts.map((part) => ` + ${part}`).join('')} = ${each(cost.net + sumOfCost(beside))} a portion`;
}

/** `4 % over`, `6 % short`. */
export const overMessage = (share: number): string => {
  const percent = Math.round(Math.abs(share) * 100);
  return percent === 0 ? 'just right' : share < 0 ? `${percent} % short` : `${percent} % over`;
};
