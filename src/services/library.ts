import { CUTS, libraryWith, METHODS, RECIPES, type Cut, type Library, type Method, type Recipe } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { eventsHolding, removeLibraryEntry, saveLibraryEntry, type LibraryKind } from '../persistence';
import type { Context } from './context';
import { isOutdated, storedLibrary } from './stored';

type Saved = Outcome<{ id: string }>;

/** The library with the owner's changes, and which entries are theirs. */
export async function readLibrary(_context: Context): Promise<{ library: Library; own: Record<keyof Library, string[]> }> {
  const own = await storedLibrary();
  const ids = (entries: readonly { id: string }[]) => entries.map((each) => each.id);
  return { library: libraryWith(own), own: { cuts: ids(own.cuts), methods: ids(own.methods), recipes: ids(own.recipes) } };
}

const LIST_OF: Record<LibraryKind, keyof Library> = { cut: 'cuts', method: 'methods', recipe: 'recipes' };

async function save(context: Context, kind: LibraryKind, entry: Cut | Method | Recipe, seen: unknown): Promise<Saved> {
  return context.db.write(async (transaction): Promise<Saved> => {
    const all: readonly { id: string }[] = libraryWith(await storedLibrary(transaction))[LIST_OF[kind]];
    if (isOutdated(seen, all, entry.id)) return failure({ code: 'entryChangedElsewhere' });
    await saveLibraryEntry(kind, entry, context.nowMs(), transaction);
    return success({ id: entry.id });
  });
}

/** Saves a method: the owner's version of a shipped one, or one of their own. */
export async function saveMethod(context: Context, input: Method, seen?: unknown): Promise<Saved> {
  const { wrap, wrapWhen, steps, pitC, pitRangeC } = input;
  if (pitC < pitRangeC[0] || pitC > pitRangeC[1])
    return failure({ code: 'heatOutsideBand', path: 'pitC', message: 'The pit heat must lie within its band.' });
  const unclear = (steps ?? []).findIndex(({ fromMin, fromCoreC }) => (fromMin === undefined) === (fromCoreC === undefined));
  if (unclear >= 0)
    return failure({
      code: 'stepUnclear',
      path: `steps.${unclear}.${steps![unclear]!.fromCoreC === undefined ? 'fromMin' : 'fromCoreC'}`,
      message: 'Say after how long, or at which core: one of the two.',
    });
  for (const when of ['fromMin', 'fromCoreC'] as const) {
    const disordered = (steps ?? []).findIndex((step, i) => {
      const before = steps!.slice(0, i).findLast((each) => each[when] !== undefined)?.[when];
      return before !== undefined && step[when] !== undefined && step[when] <= before;
    });
    if (disordered >= 0)
      return failure({
        code: 'stepsDisordered',
        path: `steps.${disordered}.${when}`,
        message: 'Each step must come after the one before.',
      });
  }
  if (wrap !== 'none' && wrapWhen.coreC === undefined && wrapWhen.afterMin === undefined && !wrapWhen.bark)
    return failure({ code: 'wrapWithoutWhen', path: 'wrap', message: 'Say when to wrap: by core, by the clock or by the bark.' });
  const { coreC, afterMin, bark, all } = wrapWhen;
  return save(
    context,
    'method',
    {
      ...input,
      name: input.name.trim(),
      wrapWhen: wrap === 'none' ? {} : { coreC, afterMin, bark: bark || undefined, all: all || undefined },
      unwrapAfterMin: wrap === 'none' ? undefined : input.unwrapAfterMin,
      steps: steps?.length ? steps : undefined,
    },
    seen,
  );
}

/** Saves a cut: the owner's version of a shipped one, or one of their own. */
export const saveCut = (context: Context, input: Cut, seen?: unknown): Promise<Saved> => {
  const { done } = input;
  return save(
    context,
    'cut',
    {
      ...input,
      name: input.name.trim(),
      noun: [input.noun[0].trim(), input.noun[1].trim()],
      done: done.by === 'core' ? { by: 'core', coreC: done.coreC } : { by: 'tender', convertedShare: done.convertedShare },
    },
    seen,
  );
};

/** Saves a recipe: the owner's version of a shipped one, or one of their own. */
export async function saveRecipe(context: Context, input: Recipe, seen?: unknown): Promise<Saved> {
  const ingredients = input.ingredients.map((each) => ({ ...each, name: each.name.trim() }));
  const names = ingredients.map((each) => each.name.toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return failure({ code: 'ingredientTwice', path: `ingredients.${twice}.name` });
  return save(context, 'recipe', { ...input, name: input.name.trim(), line: input.line.trim(), ingredients }, seen);
}

/** Puts a shipped entry back as it came, or takes one of the owner's own away when no event uses it. */
export async function restoreEntry(context: Context, kind: LibraryKind, id: string): Promise<Saved> {
  const shipped = { cut: CUTS, method: METHODS, recipe: RECIPES }[kind].some((each: { id: string }) => each.id === id);
  return context.db.write(async (transaction): Promise<Saved> => {
    if (!shipped && (await eventsHolding(id, transaction)).length > 0) return failure({ code: 'libraryInUse' });
    return (await removeLibraryEntry(kind, id, transaction)) ? success({ id }) : failure({ code: 'nothingToRestore' });
  });
}
