import { CUTS, libraryWith, METHODS, RECIPES, type Cut, type Library, type Method, type Recipe } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import type { CutInput, MethodInput, RecipeInput } from '../inputs';
import { eventsUsing, loadOwnLibrary, removeLibraryEntry, saveLibraryEntry, type LibraryKind } from '../persistence';
import type { Context } from './context';

type Saved = Outcome<{ id: string }>;

/** The library with the owner's changes, and which entries are theirs. */
export async function readLibrary(_house: Context): Promise<{ library: Library; own: Record<keyof Library, string[]> }> {
  const own = await loadOwnLibrary();
  const ids = (entries: readonly { id: string }[]) => entries.map((each) => each.id);
  return { library: libraryWith(own), own: { cuts: ids(own.cuts), methods: ids(own.methods), recipes: ids(own.recipes) } };
}

/** Saves a method: the owner's version of a shipped one, or one of their own. */
export async function saveMethod(context: Context, input: MethodInput): Promise<Saved> {
  const {
    pitLowC,
    pitHighC,
    wrapCoreC,
    wrapAfterMin,
    wrapBark,
    wrapAll,
    holdIdealLowMin,
    holdIdealHighMin,
    spray,
    hotFinish,
    unwrapAfterMin,
    steps,
    ...rest
  } = input;
  if (input.pitC < pitLowC || input.pitC > pitHighC)
    return failure({ code: 'heatOutsideBand', path: 'pitC', message: 'The pit heat must lie within its band.' });
  const disordered = (steps ?? []).findIndex((step, i) => i > 0 && step.fromMin <= steps![i - 1]!.fromMin);
  if (disordered >= 0)
    return failure({ code: 'stepsDisordered', path: `steps.${disordered}.fromMin`, message: 'Each step must come after the one before.' });
  const whens = [wrapCoreC !== undefined, wrapAfterMin !== undefined, wrapBark].filter(Boolean).length;
  if (input.wrap !== 'none' && whens === 0)
    return failure({ code: 'wrapWithoutWhen', path: 'wrap', message: 'Say when to wrap: by core, by the clock or by the bark.' });
  const method: Method = {
    ...rest,
    name: input.name.trim(),
    pitRangeC: [pitLowC, pitHighC],
    wrapWhen:
      input.wrap === 'none' ? {} : { coreC: wrapCoreC, afterMin: wrapAfterMin, bark: wrapBark || undefined, all: wrapAll || undefined },
    unwrapAfterMin: input.wrap === 'none' ? undefined : unwrapAfterMin,
    steps: steps?.length ? steps.map((step) => ({ ...step })) : undefined,
    spray: spray && { ...spray },
    hotFinish: hotFinish && { ...hotFinish },
    holdIdealMin: [holdIdealLowMin, holdIdealHighMin],
  };
  await context.db.write((transaction) => saveLibraryEntry('method', method, context.nowMs(), transaction));
  return success({ id: method.id });
}

/** Saves a cut: the owner's version of a shipped one, or one of their own. */
export async function saveCut(context: Context, input: CutInput): Promise<Saved> {
  const {
    nounOne,
    nounMany,
    boughtLowKg,
    boughtHighKg,
    pulledLowC,
    pulledHighC,
    doneBy,
    doneCoreC,
    convertedShare,
    thinThicknessShare,
    thinWeightShare,
    ...rest
  } = input;
  const cut: Cut = {
    ...rest,
    name: input.name.trim(),
    noun: [nounOne.trim(), nounMany.trim()],
    typicalBoughtKg: [boughtLowKg, boughtHighKg],
    pulledAtC: [pulledLowC, pulledHighC],
    done: doneBy === 'core' ? { by: 'core', coreC: doneCoreC! } : { by: 'tender', convertedShare: convertedShare! },
    thinEnd:
      thinThicknessShare !== undefined && thinWeightShare !== undefined
        ? { thicknessShare: thinThicknessShare, weightShare: thinWeightShare }
        : undefined,
  };
  await context.db.write((transaction) => saveLibraryEntry('cut', cut, context.nowMs(), transaction));
  return success({ id: cut.id });
}

/** Saves a recipe: the owner's version of a shipped one, or one of their own. */
export async function saveRecipe(context: Context, input: RecipeInput): Promise<Saved> {
  const names = input.ingredients.map((each) => each.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return failure({ code: 'ingredientTwice', path: `ingredients.${twice}.name` });
  const recipe: Recipe = {
    id: input.id,
    name: input.name.trim(),
    kind: input.kind,
    line: input.line.trim(),
    ingredients: input.ingredients.map((each) => ({ ...each, name: each.name.trim(), carries: [...each.carries] })),
  };
  await context.db.write((transaction) => saveLibraryEntry('recipe', recipe, context.nowMs(), transaction));
  return success({ id: recipe.id });
}

/** Puts a shipped entry back as it came, or takes one of the owner's own away when no event uses it. */
export async function restoreEntry(context: Context, kind: LibraryKind, id: string): Promise<Saved> {
  const shipped = { cut: CUTS, method: METHODS, recipe: RECIPES }[kind].some((each: { id: string }) => each.id === id);
  return context.db.write(async (transaction): Promise<Saved> => {
    if (!shipped && (await eventsUsing(kind, id, transaction)).length > 0) return failure({ code: 'libraryInUse' });
    return (await removeLibraryEntry(kind, id, transaction)) ? success({ id }) : failure({ code: 'nothingToRestore' });
  });
}
