'use client';
import { Trash2 } from 'lucide-react';
import { lazy, Suspense, useEffect, useMemo } from 'react';
import { Controller, useFormContext, useWatch } from 'react-hook-form';
import { MEALS, type Batch, type EventPlace, type Kitchen, type Library, type Side, type Species } from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import { portionsOf } from '../../core/quantities';
import type { BriefInput } from '../../inputs';
import { Button } from '../kit/Button';
import { errorId, Field, FieldError, inputClass } from '../kit/Field';
import { MomentInput } from '../kit/MomentInput.client';
import { NumberField } from '../kit/NumberField';
import { Term } from '../kit/Term';
import { BatchRow } from './BatchRow.client';
import { conflictsOf, demandsOf, newBatch, servingNames, sizeByGuests } from './briefForm';

const FAMILIES: [string, Species[]][] = [
  ['Beef', ['beef']],
  ['Pork', ['pork']],
  ['Birds', ['chicken', 'turkey']],
  ['Lamb', ['lamb']],
  ['Dishes', ['dish']],
];

/** Below the menu, and fetched after it. */
const TableSection = lazy(() => import('./TableSection.client').then((made) => ({ default: made.TableSection })));
/** Only an empty menu asks for one. */
const ReadyMenus = lazy(() => import('./ReadyMenus.client').then((made) => ({ default: made.ReadyMenus })));

interface ServingCardProps {
  library: Library;
  prices: MethodPrices;
  kitchen?: Partial<Kitchen>;
  index: number;
  /** Where it may be served. */
  places: readonly EventPlace[];
  onRemove?: () => void;
}

/** One serving: when, for whom, and its menu. */
export function ServingCard({ library, prices, kitchen, index, places, onRemove }: ServingCardProps) {
  const { control, register, setValue, formState } = useFormContext<BriefInput>();
  const servings = useWatch({ control, name: 'servings' });
  const serving = servings[index]!;
  const demands = useMemo(() => demandsOf(library, servings, kitchen), [library, servings, kitchen]);
  const conflicts = useMemo(() => conflictsOf(library, servings), [library, servings]);
  const errors = formState.errors.servings?.[index];
  const id = (name: string) => `serving-${index}-${name}`;
  const at = <K extends string>(name: K) => `servings.${index}.${name}` as const;

  useEffect(() => {
    const batches = sizeByGuests(serving.batches, demands);
    if (batches !== serving.batches) setValue(`servings.${index}.batches`, batches, { shouldDirty: true });
  }, [demands, serving, index, setValue]);

  const takeMenu = (menu: { batches: Batch[]; sides: Side[] }) => {
    setValue(`servings.${index}.sides`, [...(serving.sides ?? []), ...menu.sides], { shouldDirty: true });
    setValue(`servings.${index}.batches`, menu.batches, { shouldDirty: true, shouldValidate: true });
  };
  const moment = (name: 'date' | 'time', kind: 'day' | 'clock', label: string) => (
    <Controller
      control={control}
      name={at(name)}
      render={({ field }) => (
        <MomentInput
          kind={kind}
          id={id(name)}
          label={label}
          value={field.value}
          invalid={Boolean(errors?.[name])}
          describedBy={errors?.[name] ? errorId(id(name)) : undefined}
          onChange={field.onChange}
          onBlur={field.onBlur}
        />
      )}
    />
  );
  const errorOf = (name: 'guests.adults' | 'guests.children' | 'serveForMin' | 'carveLeadMin') =>
    name === 'guests.adults'
      ? errors?.guests?.adults?.message
      : name === 'guests.children'
        ? errors?.guests?.children?.message
        : errors?.[name]?.message;
  const figure = (name: Parameters<typeof errorOf>[0], label: string, unit?: string) => (
    <Field label={label} id={id(name)} error={errorOf(name)}>
      <Controller
        control={control}
        name={at(name)}
        render={({ field }) => (
          <NumberField id={id(name)} value={field.value} onChange={field.onChange} unit={unit} error={errorOf(name)} />
        )}
      />
    </Field>
  );
  /** Left blank, it is as for the whole event. */
  const optional = (name: 'setUpMin' | 'handsThere', label: string, unit?: string) => (
    <Field label={label} id={id(name)} error={errors?.[name]?.message} className="w-28">
      <Controller
        control={control}
        name={at(name)}
        render={({ field }) => (
          <NumberField
            id={id(name)}
            value={field.value ?? Number.NaN}
            onChange={(value) => field.onChange(Number.isNaN(value) ? undefined : value)}
            unit={unit}
            error={errors?.[name]?.message}
          />
        )}
      />
    </Field>
  );
  const batches = serving.batches;
  return (
    <section aria-label={serving.name || 'Serving'} className="mt-4 rounded-md border border-line bg-sheet">
      <div className="grid grid-cols-2 items-start gap-3 border-b border-line p-4 sm:grid-cols-4 lg:grid-cols-[minmax(7rem,1fr)_9.5rem_8.2rem_4.6rem_4.6rem_5rem_6.6rem_6.2rem_6.2rem_auto]">
        <Field label="Serving" id={id('name')} error={errors?.name?.message}>
          <input
            id={id('name')}
            aria-invalid={Boolean(errors?.name)}
            aria-describedby={errors?.name ? errorId(id('name')) : undefined}
            className={inputClass(Boolean(errors?.name))}
            {...register(at('name'))}
          />
        </Field>
        <Field label="Day" id={id('date')} error={errors?.date?.message}>
          {moment('date', 'day', 'Day')}
        </Field>
        <Field label="Served at" id={id('time')} error={errors?.time?.message}>
          {moment('time', 'clock', 'Served at')}
        </Field>
        {figure('guests.adults', 'Adults')}
        {figure('guests.children', 'Children')}
        <Field label="Hearty" id={id('heartyShare')} error={errors?.guests?.heartyShare?.message}>
          <Controller
            control={control}
            name={at('guests.heartyShare')}
            render={({ field }) => (
              <NumberField
                id={id('heartyShare')}
                value={field.value}
                onChange={field.onChange}
                unit="%"
                shown={(share) => share * 100}
                kept={(percent) => percent / 100}
                error={errors?.guests?.heartyShare?.message}
              />
            )}
          />
        </Field>
        <Field label="Style" id={id('buffet')}>
          <Controller
            control={control}
            name={at('buffet')}
            render={({ field }) => (
              <select
                id={id('buffet')}
                className={inputClass()}
                value={field.value ? 'buffet' : 'plated'}
                onChange={(change) => field.onChange(change.target.value === 'buffet')}
              >
                <option value="buffet">Buffet</option>
                <option value="plated">Plated</option>
              </select>
            )}
          />
        </Field>
        {figure('serveForMin', 'Serve for', 'min')}
        {figure('carveLeadMin', 'Carve ahead', 'min')}
        <div className="flex justify-end pt-6">
          {onRemove && (
            <Button
              look="quiet"
              aria-label={`Remove ${serving.name}`}
              title="Remove this serving (undo brings it back)"
              onClick={onRemove}
              className="px-2"
            >
              <Trash2 size={17} aria-hidden />
            </Button>
          )}
        </div>
      </div>
      {places.length > 1 && (
        <div className="flex flex-wrap items-start gap-3 border-b border-line px-4 py-3">
          <Field label="Where" id={id('placeId')}>
            <Controller
              control={control}
              name={at('placeId')}
              render={({ field }) => (
                <select
                  id={id('placeId')}
                  className={inputClass()}
                  value={field.value ?? places[0]!.id}
                  onChange={(change) => field.onChange(change.target.value === places[0]!.id ? undefined : change.target.value)}
                >
                  {places.map((place) => (
                    <option key={place.id} value={place.id}>
                      {place.name}
                    </option>
                  ))}
                </select>
              )}
            />
          </Field>
          {optional('setUpMin', 'Set up in', 'min')}
          {optional('handsThere', 'People there')}
        </div>
      )}
      {batches.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full min-w-[58rem] table-fixed text-left">
            <thead className="text-[0.82rem] text-soft">
              <tr>
                <th className="w-48 py-2 pl-4 font-normal">Cut</th>
                <th className="w-62 py-2 font-normal">Method</th>
                <th className="w-20 py-2 pr-1 text-right font-normal">
                  <Term id="share">Share</Term>
                </th>
                <th className="w-20 py-2 text-right font-normal">Cooked</th>
                <th className="w-22 py-2 text-right font-normal">On the pit</th>
                <th className="w-22 py-2 text-right font-normal">Bought</th>
                <th className="py-2 pl-5 font-normal">Pieces</th>
                <th className="w-14 py-2 pr-4">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {batches.map((batch, at) => (
                <BatchRow
                  key={batch.id}
                  library={library}
                  prices={prices}
                  serving={serving}
                  servings={servingNames(servings)}
                  demand={demands.get(batch.id)}
                  batch={batch}
                  name={`servings.${index}.batches.${at}`}
                  errors={errors?.batches?.[at]}
                  onChange={(next) => setValue(`servings.${index}.batches.${at}`, next, { shouldDirty: true, shouldValidate: true })}
                  onRemove={() =>
                    setValue(
                      `servings.${index}.batches`,
                      batches.filter((_, other) => other !== at),
                      { shouldDirty: true },
                    )
                  }
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3 px-4 py-3">
        <label htmlFor={id('add')} className="text-[0.9rem] text-soft">
          {batches.length === 0 ? 'What is on the menu? Choose the first cut:' : 'Add to the menu:'}
        </label>
        <select
          id={id('add')}
          className={`${inputClass()} max-w-64`}
          value=""
          onChange={(change) =>
            change.target.value &&
            setValue(`servings.${index}.batches`, [...batches, newBatch(library, change.target.value, serving.id)], { shouldDirty: true })
          }
        >
          <option value="">Choose a cut or dish…</option>
          {FAMILIES.map(([family, species]) => (
            <optgroup key={family} label={family}>
              {library.cuts
                .filter((cut) => species.includes(cut.species))
                .map((cut) => (
                  <option key={cut.id} value={cut.id}>
                    {cut.name}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
        {batches.length === 0 && (
          <Suspense fallback={null}>
            <ReadyMenus library={library} serving={serving} onTake={takeMenu} />
          </Suspense>
        )}
        <label className="ml-auto flex items-center gap-2 text-[0.9rem] text-soft">
          Portions as for
          <select
            className={`${inputClass()} w-40`}
            {...register(at('meal'), { setValueAs: (text: string | undefined) => text || undefined })}
          >
            <option value="">{`${serving.time < '15' ? 'lunch' : 'supper'}, by the clock`}</option>
            {MEALS.map((meal) => (
              <option key={meal} value={meal}>
                {meal}
              </option>
            ))}
          </select>
        </label>
        <FieldError
          id={id('add')}
          error={errors?.batches?.root?.message ?? (errors?.batches as { message?: string } | undefined)?.message}
        />
      </div>
      <Suspense fallback={<div className="min-h-40 border-t border-line" />}>
        <TableSection
          library={library}
          index={index}
          serving={serving}
          conflicts={conflicts.filter((conflict) => conflict.servingId === serving.id)}
          portions={portionsOf(serving.guests, serving.buffet, serving.marginShare)}
        />
      </Suspense>
    </section>
  );
}
