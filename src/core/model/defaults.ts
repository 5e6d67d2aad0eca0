import { DEFAULT_KITCHEN, type Buying, type Kitchen, type Prep, type Side } from './eventParts';
import { isPoultry, type Cut } from './cut';
import type { Batch, CookEvent, Serving } from './event';

/** Trim worth keeping: brisket and chuck make burger and tallow, pork makes sausage. Starting values. */
const KEPT_TRIM: Partial<Record<Cut['species'], [share: number, perKg: number]>> = { beef: [0.6, 5.5], pork: [0.6, 4] };

export function buyingOf(cut: Cut, batch: Batch): Buying {
  const [usableTrimShare, usableTrimPerKg] = KEPT_TRIM[cut.species] ?? [0, 0];
  return {
    source: cut.species === 'dish' ? 'Own kitchen' : 'Butcher',
    grade: 'choice',
    pricePerKg: cut.pricePerKg,
    usableTrimShare,
    usableTrimPerKg,
    wood: isPoultry(cut) || cut.species === 'pork' ? 'apple' : 'oak',
    ...batch.buying,
  };
}

/** How a batch is readied when nothing was chosen: fresh, salted as it goes on, cold onto the pit. */
export function prepOf(cut: Cut, batch: Batch): Prep {
  const plain: Prep = { thaw: 'fresh', salt: 'on', brine: 'none', temperMin: 0, undersideLight: false, recipes: {}, done: [] };
  if (cut.species === 'dish') return { ...plain, salt: 'none', ...batch.prep };
  if (isPoultry(cut)) return { ...plain, recipes: { rub: 'rub-thyme', binder: 'binder-oil' }, ...batch.prep };
  const rub = cut.species === 'pork' ? 'rub-harbour' : 'rub-lantern';
  return { ...plain, recipes: { rub, binder: 'binder-mustard' }, ...batch.prep };
}

export const kitchenOf = (event: CookEvent): Kitchen => ({ ...DEFAULT_KITCHEN, ...event.kitchen });
export const sidesOf = (serving: Serving): Side[] => serving.sides ?? [];
/** Injected or blade-tenderised meat is non-intact: surface germs may be inside. */
export const isNonIntact = (cut: Cut, batch: Batch): boolean =>
  cut.species !== 'dish' && prepOf(cut, batch).recipes.injection !== undefined;

/** What prices may be in. */
export const CURRENCIES = ['USD', 'CAD', 'EUR', 'GBP', 'AUD', 'NZD', 'CHF', 'SEK', 'ZAR', 'MXN'] as const;
