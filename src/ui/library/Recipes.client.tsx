'use client';
import { useState } from 'react';
import { carriedBy, RECIPE_KINDS, RECIPES, type Library, type Recipe, type RecipeKind } from '../../core/model';
import { scaleRecipe } from '../../core/quantities';
import type { RecipeRecord } from '../../inputs';
import { carriedName } from '../../formats/messages/carried';
import { list } from '../../formats/messages/names';
import { formatSmallMass } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Dialog } from '../kit/Dialog';
import { Field } from '../kit/Field';
import { conversions } from '../kit/conversions';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';
import { copyOf, plain } from './entries';
import { Entry, EntryList, grouped, markOf } from './EntryView';
import { RecipeForm } from './RecipeForm.client';

export const RECIPE_KIND_NAMES: Record<RecipeKind, string> = {
  brine: 'Brines',
  injection: 'Injections',
  binder: 'Binders',
  rub: 'Rubs',
  spray: 'Sprays',
  mop: 'Mops',
  wrap: 'For the wrap',
  braise: 'Braises',
  glaze: 'Glazes',
  dressing: 'Dressings',
  sauce: 'Sauces',
  dish: 'Dishes',
};
const STORE_WORDS = { dry: 'dry store', chilled: 'chilled', fresh: 'fresh', none: 'tap' };

interface RecipesProps {
  library: Library;
  own: string[];
  saveRecipe: Action<{ id: string }>;
  restoreEntry: Action<{ id: string }>;
}

/** Seasonings, sauces and dishes as parts by weight, scaled to any amount, with what they carry. */
export function Recipes({ library, own, saveRecipe, restoreEntry }: RecipesProps) {
  const units = useUnits();
  const { weight } = conversions(units);
  const [recipeId, setRecipeId] = useState('rub-harbour');
  const [edited, setEdited] = useState<RecipeRecord>();
  const [kg, setKg] = useState(1);
  const ordered = RECIPE_KINDS.flatMap((kind) => library.recipes.filter((recipe) => recipe.kind === kind));
  const shown = ordered.find((each) => each.id === recipeId) ?? ordered[0]!;
  const carries = carriedBy(shown);
  const shipped = RECIPES.some((each) => each.id === shown.id);
  const scaled = scaleRecipe(shown, Number.isFinite(kg) && kg > 0 ? kg : 0);
  const putBack = async (recipe: Recipe) => {
    const outcome = await callAction(restoreEntry, { kind: 'recipe', id: recipe.id });
    if (!outcome.ok) return complain(outcome.problems);
    announce(shipped ? `${recipe.name} is as shipped again.` : `${recipe.name} taken away.`, async () => {
      const again = await callAction(saveRecipe, plain(recipe));
      if (!again.ok) complain(again.problems);
    });
  };
  return (
    <div className="grid gap-4 md:grid-cols-[18rem_1fr]">
      <EntryList groups={grouped(ordered, (each) => RECIPE_KIND_NAMES[each.kind])} chosen={shown.id} own={own} onChoose={setRecipeId} />
      <Entry
        name={shown.name}
        mark={markOf(RECIPES, own, shown.id)}
        shipped={shipped}
        onChange={() => setEdited(plain(shown))}
        onCopy={() => setEdited(copyOf(plain(shown)))}
        onPutBack={own.includes(shown.id) ? () => putBack(shown) : undefined}
      >
        <p className="max-w-2xl text-[1.05rem]">{shown.line}</p>
        <p className="mt-2">
          {carries.length > 0 ? (
            <>
              Carries <strong>{list(carries.map(carriedName))}</strong>.
            </>
          ) : (
            shown.declared && 'Declared to carry none of the listed allergens.'
          )}
          {!shown.declared && <span className="font-semibold text-warn"> Not declared: its dishes say “ask the kitchen”.</span>}
        </p>
        <Field label="Weigh out for" id="recipe-kg" className="mt-4 w-32">
          <NumberField id="recipe-kg" value={kg} onChange={setKg} {...weight} />
        </Field>
        <table className="mt-3 w-full max-w-2xl">
          <thead className="text-[0.85rem] text-soft">
            <tr>
              <th className="py-1 text-left font-normal">Ingredient</th>
              <th className="py-1 text-right font-normal">Parts</th>
              <th className="py-1 text-right font-normal">Weight</th>
              <th className="py-1 pl-6 text-left font-normal">From</th>
              <th className="py-1 text-left font-normal">Carries</th>
            </tr>
          </thead>
          <tbody>
            {shown.ingredients.map((ingredient, i) => (
              <tr key={ingredient.name} className="border-t border-line">
                <td className="py-1">{ingredient.name}</td>
                <td className="figures py-1 text-right">{ingredient.parts}</td>
                <td className="figures py-1 text-right font-bold">{formatSmallMass(scaled[i]!.kg, units)}</td>
                <td className="py-1 pl-6 text-soft">{STORE_WORDS[ingredient.store]}</td>
                <td className="py-1">{ingredient.carries.map(carriedName).join(', ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Entry>
      <Dialog open={edited !== undefined} onOpenChange={(open) => !open && setEdited(undefined)} title={edited?.name ?? 'Recipe'} wide>
        {edited && (
          <RecipeForm
            recipe={edited}
            saveRecipe={saveRecipe}
            onDone={(id) => {
              if (id) setRecipeId(id);
              setEdited(undefined);
            }}
          />
        )}
      </Dialog>
    </div>
  );
}
