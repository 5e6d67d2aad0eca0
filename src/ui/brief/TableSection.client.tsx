'use client';
import { Plus, Trash2 } from 'lucide-react';
import { Controller, useFormContext } from 'react-hook-form';
import { CARRIED, cutIn, isAllergen, SIDE_KINDS, type Carried, type Library, type Side, type SideKind } from '../../core/model';
import { carriedIn, sideContents, type NeedConflict } from '../../core/quantities';
import type { BriefInput, ServingInput } from '../../inputs';
import { carriedName } from '../../formats/messages/carried';
import { capital, list } from '../../formats/messages/names';
import { formatMass } from '../../formats/units';
import { Button } from '../kit/Button';
import { CarriedPicker } from '../kit/CarriedPicker.client';
import { conversions } from '../kit/conversions';
import { Field, FieldError, inputClass } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';
import { freshId } from './briefForm';

const USUAL_G: Record<SideKind, number> = { side: 120, bread: 60, sauce: 40, pickle: 30 };

interface TableSectionProps {
  library: Library;
  index: number;
  serving: ServingInput;
  portions?: number;
  /** Dishes that carry what some guests do not eat. */
  conflicts: NeedConflict[];
}

/** The rest of a serving's table: a margin for safety, what stands beside the meat, and who does not eat what. */
export function TableSection({ library, index, serving, portions, conflicts }: TableSectionProps) {
  const { control, register, setValue, formState } = useFormContext<BriefInput>();
  const errors = formState.errors.servings?.[index];
  const id = (name: string) => `serving-${index}-${name}`;
  const { sides = [], needs = [] } = serving;
  const setSides = (next: Side[]) => setValue(`servings.${index}.sides`, next, { shouldDirty: true, shouldValidate: true });
  const setNeeds = (next: ServingInput['needs']) => setValue(`servings.${index}.needs`, next, { shouldDirty: true, shouldValidate: true });
  const free = CARRIED.filter((each) => !needs.some((need) => need.carried === each));
  return (
    <div className="grid gap-x-6 gap-y-4 border-t border-line p-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div>
        <h3 className="text-[0.95rem]">Beside the meat</h3>
        {sides.length > 0 && (
          <ul className="mt-1">
            {sides.map((side, at) => (
              <SideRow
                key={side.id}
                id={id(`side-${at}`)}
                library={library}
                side={side}
                portions={portions}
                errors={errors?.sides?.[at] as Record<string, { message?: string }> | undefined}
                onChange={(next) => setSides(sides.map((each, other) => (other === at ? next : each)))}
                onRemove={() => setSides(sides.filter((_, other) => other !== at))}
              />
            ))}
          </ul>
        )}
        <div className="mt-2 flex flex-wrap gap-2">
          {SIDE_KINDS.map((kind) => (
            <Button
              key={kind}
              onClick={() =>
                setSides([
                  ...sides,
                  {
                    id: freshId(),
                    kind,
                    name: capital(kind),
                    gPerHead: USUAL_G[kind],
                    ...(kind === 'bread' && { eachG: USUAL_G.bread }),
                    chilled: kind === 'side' || kind === 'pickle',
                  },
                ])
              }
            >
              <Plus size={15} aria-hidden /> {capital(kind)}
            </Button>
          ))}
        </div>
      </div>
      <div>
        <h3 className="text-[0.95rem]">Guests who do not eat</h3>
        <ul>
          {needs.map((need, at) => (
            <li key={need.carried} className="flex items-center gap-2 border-b border-line py-1.5">
              <span className="grow font-semibold">{capital(carriedName(need.carried))}</span>
              <NumberField
                id={id(`need-${at}`)}
                label={`Guests who do not eat ${carriedName(need.carried)}`}
                className="w-16"
                value={need.guests}
                onChange={(guests) => setNeeds(needs.map((each, other) => (other === at ? { ...each, guests } : each)))}
                error={errors?.needs?.[at]?.guests?.message}
              />
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Nobody minds ${carriedName(need.carried)}`}
                onClick={() => setNeeds(needs.filter((_, other) => other !== at))}
              >
                <Trash2 size={16} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
        {conflicts
          .filter((conflict) => conflict.dishes.length > 0 || conflict.undeclared.length > 0)
          .map((conflict) => (
            <p
              key={conflict.carried}
              className={`text-[0.85rem] leading-snug ${conflict.free === 0 ? 'font-semibold text-bad' : 'text-warn'}`}
            >
              {capital(carriedName(conflict.carried))}
              {conflict.dishes.length > 0 && ` is in ${list(conflict.dishes.map((dish) => nameOf(serving, library, dish.id)))};`}
              {conflict.undeclared.length > 0 &&
                ` is not declared for ${list(conflict.undeclared.map((dish) => nameOf(serving, library, dish.id)))};`}{' '}
              {conflict.free === 0
                ? 'no dish is known to be free of it.'
                : `${conflict.free} ${conflict.free === 1 ? 'dish is' : 'dishes are'} declared free of it.`}
            </p>
          ))}
        {needs.map((_, at) => (
          <FieldError key={at} id={id(`need-${at}`)} error={errors?.needs?.[at]?.guests?.message} />
        ))}
        <select
          aria-label="Add an allergen or a diet"
          className={`${inputClass()} mt-2`}
          value=""
          onChange={(event) => event.target.value && setNeeds([...needs, { carried: event.target.value as Carried, guests: 1 }])}
        >
          <option value="">Allergen or diet…</option>
          <optgroup label="Allergens">
            {free.filter(isAllergen).map((each) => (
              <option key={each} value={each}>
                {carriedName(each)}
              </option>
            ))}
          </optgroup>
          <optgroup label="Diets">
            {free
              .filter((each) => !isAllergen(each))
              .map((each) => (
                <option key={each} value={each}>
                  no {each}
                </option>
              ))}
          </optgroup>
        </select>
        <div className="mt-3 flex items-end gap-3">
          <Field label="Safety margin" id={id('marginShare')} error={errors?.marginShare?.message} className="w-28">
            <Controller
              control={control}
              name={`servings.${index}.marginShare`}
              render={({ field }) => (
                <NumberField
                  id={id('marginShare')}
                  value={field.value ?? 0}
                  onChange={field.onChange}
                  unit="%"
                  shown={(share) => share * 100}
                  kept={(percent) => percent / 100}
                  error={errors?.marginShare?.message}
                />
              )}
            />
          </Field>
          <label className="flex min-h-9 items-center gap-2 text-[0.88rem] leading-tight">
            <input type="checkbox" className="size-5" {...register(`servings.${index}.highlySusceptible`)} />
            very young, very old or ill guests
          </label>
        </div>
      </div>
    </div>
  );
}

const nameOf = (serving: ServingInput, library: Library, id: string): string => {
  const batch = serving.batches.find((each) => each.id === id);
  return (
    (batch ? batch.label || cutIn(library, batch.cutId)?.name : (serving.sides ?? []).find((each) => each.id === id)?.name) ??
    'a dish of another serving'
  );
};

interface SideRowProps {
  id: string;
  library: Library;
  side: Side;
  portions?: number;
  errors?: Record<string, { message?: string }>;
  onChange(side: Side): void;
  onRemove(): void;
}

function SideRow({ id, library, side, portions, errors, onChange, onRemove }: SideRowProps) {
  const units = useUnits();
  const { helping } = conversions(units);
  const recipes = library.recipes.filter((recipe) => recipe.kind === 'sauce' || recipe.kind === 'dish' || recipe.kind === 'dressing');
  const fromRecipe = side.recipeId === undefined ? [] : carriedIn(sideContents({ ...side, carries: [] }, library));
  const kg = portions === undefined ? undefined : (portions * side.gPerHead) / 1000;
  return (
    <li className="grid grid-cols-2 items-start gap-2 border-b border-line py-1.5 sm:grid-cols-[minmax(8rem,1.2fr)_6.2rem_minmax(8rem,1fr)_minmax(8rem,1fr)_4.5rem_auto]">
      <div>
        <input
          aria-label={`Name of the ${side.kind}`}
          className={inputClass(Boolean(errors?.name))}
          value={side.name}
          onChange={(event) => onChange({ ...side, name: event.target.value })}
        />
        <FieldError id={`${id}-name`} error={errors?.name?.message} />
      </div>
      <div>
        <NumberField
          id={`${id}-helping`}
          label={`Helping of ${side.name}`}
          value={side.gPerHead}
          {...helping}
          onChange={(gPerHead) => onChange({ ...side, gPerHead })}
          error={errors?.gPerHead?.message}
        />
        {kg !== undefined && Number.isFinite(kg) && (
          <p className="figures mt-0.5 text-right text-[0.8rem] text-soft">
            {side.eachG === undefined ? formatMass(kg, units) : Math.ceil((kg * 1000) / side.eachG - 1e-9)} in all
          </p>
        )}
        <FieldError id={`${id}-helping`} error={errors?.gPerHead?.message} />
        {side.kind === 'bread' && (
          <>
            <NumberField
              id={`${id}-each`}
              label={`One of ${side.name} weighs`}
              placeholder="one weighs"
              className="mt-1"
              value={side.eachG ?? Number.NaN}
              {...helping}
              onChange={(eachG) => onChange({ ...side, eachG: Number.isNaN(eachG) ? undefined : eachG })}
              error={errors?.eachG?.message}
            />
            <FieldError id={`${id}-each`} error={errors?.eachG?.message} />
          </>
        )}
      </div>
      <select
        aria-label={`Recipe of ${side.name}`}
        className={inputClass()}
        value={side.recipeId ?? ''}
        onChange={(event) => onChange({ ...side, recipeId: event.target.value || undefined })}
      >
        <option value="">bought ready, no recipe</option>
        {recipes.map((recipe) => (
          <option key={recipe.id} value={recipe.id}>
            {recipe.name}
          </option>
        ))}
      </select>
      <div>
        <CarriedPicker
          id={`${id}-carries`}
          label={`Allergens of ${side.name}`}
          value={side.carries}
          declares
          onChange={(carries) => onChange({ ...side, carries })}
        />
        {fromRecipe.length > 0 && <p className="mt-0.5 text-[0.8rem] text-soft">recipe: {fromRecipe.map(carriedName).join(', ')}</p>}
      </div>
      <label className="flex min-h-9 items-center gap-1.5 text-[0.88rem]">
        <input
          type="checkbox"
          className="size-4.5"
          checked={side.chilled}
          aria-label={`${side.name} is kept cold`}
          onChange={(event) => onChange({ ...side, chilled: event.target.checked })}
        />
        cold
      </label>
      <Button look="quiet" className="px-2" aria-label={`Take ${side.name} off the table`} onClick={onRemove}>
        <Trash2 size={16} aria-hidden />
      </Button>
    </li>
  );
}
