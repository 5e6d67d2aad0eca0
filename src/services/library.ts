import { CUTS, libraryWith, METHODS, RECIPES, type Cut, type Library, type LibraryList, type Method, type Recipe } from '../core/model';
import { methodPrices, type MethodPrices } from '../core/planning';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import { eventsHolding, removeLibraryEntry, saveLibraryEntry, type LibraryKind } from '../persistence';
import type { Context } from './context';
import { houseParameters } from './log/kitchen';
import { putTogether, type Guard } from './putTogether';
import { storedLibrary } from './stored';

type Saved = Outcome<{ id: string; together?: boolean }>;

/** The library with the owner's changes, and which entries are theirs. */
export async function readLibrary(_context: Context): Promise<{ library: Library; own: Record<LibraryList, string[]> }> {
  const own = await storedLibrary();
  const ids = (entries: readonly { id: string }[]) => entries.map((each) => each.id);
  return { library: libraryWith(own), own: { cuts: ids(own.cuts), methods: ids(own.methods), recipes: ids(own.recipes) } };
}

let priced: { key: string; prices: MethodPrices } | undefined;

/** What every method costs and gives of every cut, by the cook model as this house knows it; worked out once for a library. */
export async function readPrices(context: Context): Promise<MethodPrices> {
  const [{ library }, parameters] = await Promise.all([readLibrary(context), houseParameters()]);
  const key = JSON.stringify([library.cuts, library.methods, parameters?.record, parameters?.pits, parameters?.methods]);
  if (priced?.key !== key) priced = { key, prices: methodPrices(library, parameters) };
  return priced.prices;
}

const LIST_OF: Record<LibraryKind, LibraryList> = { cut: 'cuts', method: 'methods', recipe: 'recipes' };

async function save<T extends Cut | Method | Recipe>(
  context: Context,
  kind: LibraryKind,
  entry: T,
  guard: Guard = {},
  wrong: (entry: T) => Problem[] = () => [],
): Promise<Saved> {
  return context.db.write(async (transaction): Promise<Saved> => {
    const all: readonly { id: string }[] = libraryWith(await storedLibrary(transaction))[LIST_OF[kind]];
    const put = putTogether(kind, all, entry, guard, wrong);
    if (!put.ok) return put;
    await saveLibraryEntry(kind, put.value.value, context.nowMs(), transaction);
    return success({ id: entry.id, ...(put.value.together && { together: true }) });
  });
}

/** Saves a method: the owner's version of a shipped one, or one of their own. */
export function saveMethod(context: Context, input: Method, guard?: Guard): Promise<Saved> {
  const { wrap, wrapWhen, steps } = input;
  const { coreC, afterMin, bark, colour, all } = wrapWhen;
  const method = {
    ...input,
    name: input.name.trim(),
    wrapWhen:
      wrap === 'none' ? {} : { coreC, afterMin, bark: bark || undefined, colour: (bark && colour) || undefined, all: all || undefined },
    // What is wrapped while it cooks rests in that wrap.
    restWrap: wrap === 'none' ? input.restWrap : undefined,
    unwrapAfterMin: wrap === 'none' ? undefined : input.unwrapAfterMin,
    blocksScale: (wrap !== 'none' && afterMin !== undefined && input.blocksScale) || undefined,
    steps: steps?.length ? steps : undefined,
  };
  return save(context, 'method', method, guard, wrongInMethod);
}

/** What a step of heat may wait for. */
const STEP_BY = ['fromMin', 'fromCoreC', 'atColour'] as const;

function wrongInMethod({ wrap, wrapWhen, steps, pitC, pitRangeC }: Method): Problem[] {
  if (pitC < pitRangeC[0] || pitC > pitRangeC[1])
    return [{ code: 'heatOutsideBand', path: 'pitC', message: 'The pit heat must lie within its band.' }];
  const unclear = (steps ?? []).findIndex((step) => STEP_BY.filter((by) => step[by] !== undefined).length !== 1);
  if (unclear >= 0)
    return [
      {
        code: 'stepUnclear',
        path: `steps.${unclear}.${STEP_BY.find((by) => steps![unclear]![by] !== undefined) ?? 'fromMin'}`,
        message: 'Say after how long, at which core or at which colour: one of the three.',
      },
    ];
  for (const when of ['fromMin', 'fromCoreC'] as const) {
    const disordered = (steps ?? []).findIndex((step, i) => {
      const before = steps!.slice(0, i).findLast((each) => each[when] !== undefined)?.[when];
      return before !== undefined && step[when] !== undefined && step[when] <= before;
    });
    if (disordered >= 0)
      return [{ code: 'stepsDisordered', path: `steps.${disordered}.${when}`, message: 'Each step must come after the one before.' }];
  }
  if (wrap !== 'none' && wrapWhen.coreC === undefined && wrapWhen.afterMin === undefined && !wrapWhen.bark)
    return [{ code: 'wrapWithoutWhen', path: 'wrap', message: 'Say when to wrap: by core, by the clock or by the bark.' }];
  return [];
}

/** Saves a cut: the owner's version of a shipped one, or one of their own. */
export const saveCut = (context: Context, input: Cut, guard?: Guard): Promise<Saved> => {
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
    guard,
  );
};

/** Saves a recipe: the owner's version of a shipped one, or one of their own. */
export function saveRecipe(context: Context, input: Recipe, guard?: Guard): Promise<Saved> {
  const ingredients = input.ingredients.map((each) => ({ ...each, name: each.name.trim() }));
  const recipe = { ...input, name: input.name.trim(), line: input.line.trim(), ingredients };
  return save(context, 'recipe', recipe, guard, (put) => {
    const names = put.ingredients.map((each) => each.name.toLowerCase());
    const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
    return twice >= 0 ? [{ code: 'ingredientTwice', path: `ingredients.${twice}.name` }] : [];
  });
}

/** Puts a shipped entry back as it came, or takes one of the owner's own away when no event uses it. */
export async function restoreEntry(context: Context, kind: LibraryKind, id: string): Promise<Saved> {
  const shipped = { cut: CUTS, method: METHODS, recipe: RECIPES }[kind].some((each: { id: string }) => each.id === id);
  return context.db.write(async (transaction): Promise<Saved> => {
    if (!shipped && (await eventsHolding(id, transaction)).length > 0) return failure({ code: 'libraryInUse' });
    return (await removeLibraryEntry(kind, id, transaction)) ? success({ id }) : failure({ code: 'nothingToRestore' });
  });
}
