import { CUTS, isPoultry, type Cut } from './cut';
import type { Habits } from './habits';
import { METHODS, type Method } from './method';
import { RECIPES, recipesWith, type Recipe } from './recipe';

/** The cuts, methods and recipes an owner works with: the shipped ones, as edited, and the owner's own. */
export interface Library {
  cuts: readonly Cut[];
  methods: readonly Method[];
  recipes: readonly Recipe[];
  /** What the house's log taught of its guests and crew, where it was taken. */
  habits?: Habits;
}
export type LibraryList = Exclude<keyof Library, 'habits'>;

export const SHIPPED_LIBRARY: Library = Object.freeze({ cuts: CUTS, methods: METHODS, recipes: RECIPES });

export const cutIn = (library: Library, id: string): Cut | undefined => library.cuts.find((cut) => cut.id === id);
export const recipeIn = (library: Library, id: string | undefined): Recipe | undefined =>
  id === undefined ? undefined : library.recipes.find((recipe) => recipe.id === id);
export const methodIn = (library: Library, id: string): Method | undefined => library.methods.find((method) => method.id === id);

/** Which family of methods a cut is cooked by. */
export function purposeOf(cut: Cut): Method['purpose'] {
  if (cut.species === 'dish') return 'dish';
  if (isPoultry(cut)) return 'poultry';
  if (cut.done.by === 'core') return 'roast';
  return cut.bones !== undefined ? 'ribs' : 'tender';
}

export function methodsFor(library: Library, cut: Cut): Method[] {
  const fitting = library.methods.filter((method) => method.purpose === purposeOf(cut));
  const restsLong = ({ restMin }: Method) => Number(restMin > (cut.restMostMin ?? Infinity));
  // A rest belongs to the cut: what rests longer than it bears is offered last.
  return fitting.sort((a, b) => restsLong(a) - restsLong(b));
}

/** Puts the owner's versions over the shipped ones, in the shipped order; what is new comes last. */
export function libraryWith(own: Library): Library {
  const over = <T extends { id: string }>(shipped: readonly T[], edited: readonly T[]): T[] => [
    ...shipped.map((each) => edited.find((other) => other.id === each.id) ?? each),
    ...edited.filter((each) => !shipped.some((other) => other.id === each.id)),
  ];
  return {
    cuts: over(CUTS, own.cuts),
    methods: over(METHODS, own.methods),
    recipes: recipesWith(own.recipes),
    ...(own.habits && { habits: own.habits }),
  };
}
