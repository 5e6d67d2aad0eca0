/** What a recipe can carry to a guest. US: FALCPA and the FASTER Act's nine. EU: Regulation 1169/2011, annex II, fourteen. */
export const ALLERGENS = Object.freeze([
  { id: 'wheat', name: 'wheat', us: true, eu: true },
  { id: 'gluten', name: 'barley, rye or oats', us: false, eu: true },
  { id: 'crustaceans', name: 'crustaceans', us: true, eu: true },
  { id: 'egg', name: 'egg', us: true, eu: true },
  { id: 'fish', name: 'fish', us: true, eu: true },
  { id: 'peanut', name: 'peanut', us: true, eu: true },
  { id: 'soy', name: 'soy', us: true, eu: true },
  { id: 'milk', name: 'milk', us: true, eu: true },
  { id: 'nuts', name: 'tree nuts', us: true, eu: true },
  { id: 'sesame', name: 'sesame', us: true, eu: true },
  { id: 'celery', name: 'celery', us: false, eu: true },
  { id: 'mustard', name: 'mustard', us: false, eu: true },
  { id: 'sulphites', name: 'sulphites', us: false, eu: true },
  { id: 'lupin', name: 'lupin', us: false, eu: true },
  { id: 'molluscs', name: 'molluscs', us: false, eu: true },
] as const);
export type Allergen = (typeof ALLERGENS)[number]['id'];
export const ALLERGEN_IDS: readonly Allergen[] = ALLERGENS.map((each) => each.id);

/** What some guests do not eat, allergy or not. */
export const DIET_FLAGS = ['pork', 'beef', 'alcohol'] as const;
export type DietFlag = (typeof DIET_FLAGS)[number];

export type Carried = Allergen | DietFlag;
export const CARRIED: readonly Carried[] = [...ALLERGEN_IDS, ...DIET_FLAGS];

export const isAllergen = (carried: Carried): carried is Allergen => (ALLERGEN_IDS as readonly string[]).includes(carried);

/** In the order of the lists above, each once. */
export const inListOrder = (carried: Iterable<Carried>): Carried[] => {
  const all = new Set(carried);
  return CARRIED.filter((each) => all.has(each));
};
