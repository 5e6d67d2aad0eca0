import { inListOrder, type Carried } from './allergen';

/** In the order in which they meet the meat. */
export const RECIPE_KINDS = [
  'brine',
  'injection',
  'binder',
  'rub',
  'spray',
  'mop',
  'wrap',
  'braise',
  'glaze',
  'dressing',
  'sauce',
  'dish',
] as const;
export type RecipeKind = (typeof RECIPE_KINDS)[number];

export const STORES = ['dry', 'chilled', 'fresh', 'none'] as const;
/** Where an ingredient is bought; `none` for what comes out of the tap. */
export type Store = (typeof STORES)[number];

export interface Ingredient {
  name: string;
  /** Parts by weight. */
  parts: number;
  store: Store;
  /** Salt and water are counted by themselves. */
  role?: 'salt' | 'water';
  carries: Carried[];
}

/** A seasoning, sauce or dish as parts by weight, to be scaled to any event. */
export interface Recipe {
  id: string;
  name: string;
  kind: RecipeKind;
  line: string;
  ingredients: Ingredient[];
  /** Somebody went through every ingredient: what is not listed is not in it. */
  declared: boolean;
}

/** Everything a recipe brings to whoever eats it. */
export const carriedBy = (recipe: Recipe): Carried[] => inListOrder(recipe.ingredients.flatMap((each) => each.carries));

const dry = (name: string, parts: number, ...carries: Carried[]): Ingredient => ({ name, parts, store: 'dry', carries });
const cold = (name: string, parts: number, ...carries: Carried[]): Ingredient => ({ name, parts, store: 'chilled', carries });
const fresh = (name: string, parts: number, ...carries: Carried[]): Ingredient => ({ name, parts, store: 'fresh', carries });
const salt = (parts: number): Ingredient => ({ name: 'coarse salt', parts, store: 'dry', role: 'salt', carries: [] });
const water = (parts: number): Ingredient => ({ name: 'water', parts, store: 'none', role: 'water', carries: [] });

/** Made-up recipes to start from. */
export const RECIPES: readonly Recipe[] = Object.freeze(
  (
    [
      {
        id: 'brine-tide',
        name: 'Tide brine',
        kind: 'brine',
        line: 'Plain and a little sweet, for any bird.',
        ingredients: [water(1000), salt(55), dry('brown sugar', 20), dry('bay leaf', 1)],
      },
      {
        id: 'injection-butter',
        name: 'Butter stock',
        kind: 'injection',
        line: 'Keeps lean pieces juicy; the meat counts as non-intact from then on.',
        ingredients: [fresh('light stock', 900, 'celery'), cold('butter', 80, 'milk'), salt(15)],
      },
      {
        id: 'binder-mustard',
        name: 'Thinned mustard',
        kind: 'binder',
        line: 'Holds a rub; its taste cooks away, its allergen does not.',
        ingredients: [dry('yellow mustard', 4, 'mustard', 'sulphites'), water(1)],
      },
      {
        id: 'binder-oil',
        name: 'Neutral oil',
        kind: 'binder',
        line: 'For skin and for guests with allergies.',
        ingredients: [dry('rapeseed oil', 1)],
      },
      {
        id: 'binder-mayonnaise',
        name: 'Mayonnaise',
        kind: 'binder',
        line: 'Browns well at middle heat.',
        ingredients: [cold('mayonnaise', 1, 'egg', 'mustard')],
      },
      {
        id: 'rub-lantern',
        name: 'Lantern rub',
        kind: 'rub',
        line: 'Salt and coarse pepper, one to one.',
        ingredients: [salt(1), dry('black pepper, coarse', 1)],
      },
      {
        id: 'rub-pepper',
        name: 'Black-rock rub',
        kind: 'rub',
        line: 'Coarse pepper and garlic without salt, for meat that was salted ahead.',
        ingredients: [dry('black pepper, coarse', 4), dry('garlic powder', 1), dry('paprika', 1)],
      },
      {
        id: 'rub-harbour',
        name: 'Harbour rub',
        kind: 'rub',
        line: 'Sweet and warm, for pork and ribs.',
        ingredients: [
          salt(4),
          dry('brown sugar', 4),
          dry('paprika', 3),
          dry('black pepper, coarse', 2),
          dry('garlic powder', 1),
          dry('mustard powder', 1, 'mustard'),
          dry('celery seed', 0.5, 'celery'),
        ],
      },
      {
        id: 'rub-thyme',
        name: 'Headland rub',
        kind: 'rub',
        line: 'Herbs and lemon without salt, for birds that were brined; carries nothing on either list.',
        ingredients: [dry('paprika', 2), dry('dried thyme', 1), dry('lemon peel, dried', 0.5), dry('black pepper, coarse', 1)],
      },
      {
        id: 'spray-sour',
        name: 'Sour spray',
        kind: 'spray',
        line: 'Vinegar and apple juice, half and half.',
        ingredients: [dry('cider vinegar', 1, 'sulphites'), fresh('apple juice', 1)],
      },
      {
        id: 'mop-keeper',
        name: 'Keeper’s mop',
        kind: 'mop',
        line: 'Ale, vinegar and pepper, for slow open cooking.',
        ingredients: [fresh('brown ale', 3, 'gluten', 'alcohol'), dry('cider vinegar', 2, 'sulphites'), dry('black pepper, coarse', 0.1)],
      },
      {
        id: 'wrap-honey',
        name: 'Butter and honey',
        kind: 'wrap',
        line: 'For ribs in foil.',
        ingredients: [cold('butter', 2, 'milk'), fresh('honey', 1)],
      },
      {
        id: 'wrap-tallow',
        name: 'Rendered beef fat',
        kind: 'wrap',
        line: 'Spread on the paper before it is closed.',
        ingredients: [cold('beef fat, rendered', 1, 'beef')],
      },
      {
        id: 'braise-brown',
        name: 'Brown braise',
        kind: 'braise',
        line: 'Stock and a brown sauce, for the covered pan.',
        ingredients: [
          fresh('beef stock', 10, 'beef', 'celery'),
          fresh('onion, sliced', 3),
          dry('brown sauce', 1, 'fish', 'soy', 'wheat', 'sulphites'),
        ],
      },
      {
        id: 'glaze-beacon',
        name: 'Beacon glaze',
        kind: 'glaze',
        line: 'Tomato, molasses and mustard; shines in ten minutes.',
        ingredients: [
          dry('tomato passata', 5),
          dry('molasses', 2, 'sulphites'),
          dry('cider vinegar', 1, 'sulphites'),
          dry('yellow mustard', 0.5, 'mustard'),
        ],
      },
      {
        id: 'dressing-pepper',
        name: 'Pepper vinegar',
        kind: 'dressing',
        line: 'For pulled or chopped pork.',
        ingredients: [dry('cider vinegar', 10, 'sulphites'), dry('chilli flakes', 0.3), salt(0.3), dry('brown sugar', 0.5)],
      },
      {
        id: 'sauce-buoy',
        name: 'Buoy sauce',
        kind: 'sauce',
        line: 'White and sharp, for birds.',
        ingredients: [
          cold('mayonnaise', 6, 'egg', 'mustard'),
          cold('horseradish, grated', 1, 'sulphites'),
          dry('cider vinegar', 2, 'sulphites'),
        ],
      },
      {
        id: 'sauce-dockside',
        name: 'Dockside sauce',
        kind: 'sauce',
        line: 'Tomato and pepper, poured at the table.',
        ingredients: [
          dry('tomato passata', 6),
          dry('cider vinegar', 2, 'sulphites'),
          dry('brown sugar', 2),
          dry('brown sauce', 0.5, 'fish', 'soy', 'wheat', 'sulphites'),
        ],
      },
      {
        id: 'dish-beans',
        name: 'Harbour beans',
        kind: 'dish',
        line: 'White beans, molasses and a little smoked pork.',
        ingredients: [
          dry('white beans, dried', 9),
          water(15),
          dry('molasses', 1.5, 'sulphites'),
          cold('smoked pork belly', 2, 'pork'),
          fresh('onion, chopped', 3),
          dry('mustard powder', 0.1, 'mustard'),
        ],
      },
    ] satisfies Omit<Recipe, 'declared'>[]
  ).map((recipe) => ({ ...recipe, declared: true })),
);

/** The recipes an owner works with: the shipped ones as edited, then the owner's own. */
export const recipesWith = (own: readonly Recipe[]): Recipe[] => [
  ...RECIPES.map((each) => own.find((other) => other.id === each.id) ?? each),
  ...own.filter((each) => !RECIPES.some((other) => other.id === each.id)),
];
