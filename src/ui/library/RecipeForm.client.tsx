'use client';
import { Plus, Trash2 } from 'lucide-react';
import { Controller, useFieldArray, useFormContext } from 'react-hook-form';
import { RECIPE_KINDS, STORES } from '../../core/model';
import type { RecipeRecord } from '../../inputs';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { CarriedPicker } from '../kit/CarriedPicker.client';
import { InputForm } from '../kit/InputForm.client';
import { FieldError, inputClass } from '../kit/Field';
import { SelectField, TextField } from '../kit/formFields';
import { NumberField } from '../kit/NumberField';

type R = RecipeRecord;

/** A recipe: what it is, and its ingredients as parts by weight. */
export function RecipeForm({ recipe, saveRecipe, onDone }: { recipe: R; saveRecipe: Action<{ id: string }>; onDone(id?: string): void }) {
  return (
    <InputForm<R, { id: string }>
      opened={recipe}
      schema="RecipeRecord"
      values={recipe}
      save={saveRecipe}
      onDone={(saved) => onDone(saved?.id)}
    >
      <TextField<R> name="name" label="Name" className="col-span-2" />
      <SelectField<R> name="kind" label="It is a" options={RECIPE_KINDS.map((kind) => [kind, kind] as const)} className="col-span-2" />
      <TextField<R> name="line" label="What it is for" className="col-span-full" />
      <Ingredients />
    </InputForm>
  );
}

const STORE_WORDS = { dry: 'dry store', chilled: 'chilled', fresh: 'fresh', none: 'tap' };

function Ingredients() {
  const { control, register, formState, watch, setValue } = useFormContext<R>();
  const { fields, append, remove } = useFieldArray({ control, name: 'ingredients', keyName: 'key' });
  const errors = formState.errors.ingredients;
  return (
    <fieldset className="col-span-full">
      <legend className="mb-1 text-[0.85rem] text-soft">Ingredients, parts by weight</legend>
      {fields.map((field, at) => {
        const error = Array.isArray(errors) ? (errors[at] as Record<string, { message?: string }> | undefined) : undefined;
        const id = `ingredient-${at}`;
        return (
          <div
            key={field.key}
            className="mb-1.5 grid grid-cols-[minmax(0,1.4fr)_4.5rem_6.6rem_5.6rem_minmax(0,1.2fr)_auto] items-start gap-1.5"
          >
            <div>
              <input
                aria-label={`Ingredient ${at + 1}`}
                className={inputClass(Boolean(error?.name))}
                {...register(`ingredients.${at}.name`)}
              />
              <FieldError id={`${id}-name`} error={error?.name?.message} />
            </div>
            <div>
              <Controller
                control={control}
                name={`ingredients.${at}.parts`}
                render={({ field: parts }) => (
                  <NumberField
                    id={`${id}-parts`}
                    label={`Parts ${at + 1}`}
                    decimals={3}
                    value={parts.value}
                    onChange={parts.onChange}
                    error={error?.parts?.message}
                  />
                )}
              />
              <FieldError id={`${id}-parts`} error={error?.parts?.message} />
            </div>
            <select aria-label={`Store ${at + 1}`} className={inputClass()} {...register(`ingredients.${at}.store`)}>
              {STORES.map((store) => (
                <option key={store} value={store}>
                  {STORE_WORDS[store]}
                </option>
              ))}
            </select>
            <select
              aria-label={`Role ${at + 1}`}
              className={inputClass()}
              {...register(`ingredients.${at}.role`, { setValueAs: (text: string | undefined) => text || undefined })}
            >
              <option value="">plain</option>
              <option value="salt">salt</option>
              <option value="water">water</option>
            </select>
            <CarriedPicker
              id={`${id}-carries`}
              label={`Allergens ${at + 1}`}
              value={watch(`ingredients.${at}.carries`)}
              onChange={(carries) => setValue(`ingredients.${at}.carries`, carries ?? [], { shouldDirty: true })}
            />
            <Button look="quiet" className="px-2" aria-label={`Take ingredient ${at + 1} out`} onClick={() => remove(at)}>
              <Trash2 size={16} aria-hidden />
            </Button>
          </div>
        );
      })}
      <FieldError
        id="ingredients"
        error={
          (errors as { message?: string; root?: { message?: string } } | undefined)?.root?.message ??
          (errors as { message?: string } | undefined)?.message
        }
      />
      <label className="mb-2 flex min-h-9 items-center gap-2 text-[0.93rem]">
        <input type="checkbox" className="size-5" {...register('declared')} />
        Every ingredient’s allergens and diets are declared above; until then its dishes count as “ask the kitchen”
      </label>
      <Button onClick={() => append({ name: '', parts: 1, store: 'dry', role: undefined, carries: [] })}>
        <Plus size={15} aria-hidden /> Ingredient
      </Button>
    </fieldset>
  );
}
