'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Controller, useFieldArray } from 'react-hook-form';
import { PIT_KIND_NAMES, PIT_KINDS, type PitKind } from '../../core/model';
import {
  celsiusFromFahrenheit,
  fahrenheitDifference,
  fahrenheitFromCelsius,
  inFromMm,
  kgFromLb,
  lbFromKg,
  mmFromIn,
} from '../../core/units';
import { PitInput } from '../../doors';
import { attempt, firstMessage, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { errorId, Field, FieldError, inputClass } from '../kit/Field';
import { NumberField, type NumberFieldProps } from '../kit/NumberField';
import { showProblems, useDoorForm } from '../kit/useDoorForm';
import { useUnits } from '../kit/UnitsProvider';

type Converted = Pick<NumberFieldProps, 'shown' | 'kept' | 'unit' | 'decimals'>;

/** A pit and its racks, every figure in the units the reader uses. */
export function PitForm({ pit, keepPit, onDone }: { pit: PitInput; keepPit: Action<unknown>; onDone(): void }) {
  const form = useDoorForm(PitInput, pit);
  const { control, register, formState } = form;
  const { errors, isSubmitting } = formState;
  const racks = useFieldArray({ control, name: 'racks', keyName: 'key' });
  const [failed, setFailed] = useState<string>();
  const units = useUnits();
  const heat: Converted = units.temp === 'F' ? { unit: '°F', shown: fahrenheitFromCelsius, kept: celsiusFromFahrenheit } : { unit: '°C' };
  const drop: Converted =
    units.temp === 'F' ? { unit: '°F', shown: fahrenheitDifference, kept: (shown) => (shown * 5) / 9 } : { unit: '°C' };
  const size: Converted = units.mass === 'lb' ? { unit: 'in', shown: inFromMm, kept: mmFromIn, decimals: 1 } : { unit: 'mm' };
  const load: Converted = units.mass === 'lb' ? { unit: 'lb', shown: lbFromKg, kept: kgFromLb } : { unit: 'kg', decimals: 1 };

  const save = form.handleSubmit(async (input) => {
    setFailed(undefined);
    const outcome = await attempt(keepPit, input);
    if (outcome.ok) return onDone();
    const rest = showProblems(form, outcome.problems);
    if (rest.length > 0) setFailed(firstMessage(rest));
  });
  const figure = (name: 'rangeLowC' | 'rangeHighC' | 'warmUpMin' | 'openingDropC' | 'recoverMin', label: string, converted: Converted) => (
    <Field label={label} id={`pit-${name}`} error={errors[name]?.message}>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <NumberField id={`pit-${name}`} value={field.value} onChange={field.onChange} {...converted} error={errors[name]?.message} />
        )}
      />
    </Field>
  );
  const rackFigure = (i: number, name: 'widthMm' | 'depthMm' | 'clearanceMm' | 'maxKg' | 'level', label: string, converted: Converted) => {
    const error = errors.racks?.[i]?.[name]?.message;
    const id = `rack-${i}-${name}`;
    return (
      <td className="pr-2 align-top">
        <Controller
          control={control}
          name={`racks.${i}.${name}`}
          render={({ field }) => (
            <NumberField
              id={id}
              label={`${label} of rack ${i + 1}`}
              value={field.value}
              onChange={field.onChange}
              {...converted}
              error={error}
            />
          )}
        />
        <FieldError id={id} error={error} />
      </td>
    );
  };
  return (
    <form onSubmit={save} noValidate>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field label="Name" id="pit-name" error={errors.name?.message} className="col-span-2">
          <input
            id="pit-name"
            aria-invalid={Boolean(errors.name)}
            aria-describedby={errors.name ? errorId('pit-name') : undefined}
            className={inputClass(Boolean(errors.name))}
            {...register('name')}
          />
        </Field>
        <Field label="Kind" id="pit-kind" error={errors.kind?.message} className="col-span-2">
          <Controller
            control={control}
            name="kind"
            render={({ field }) => (
              <select
                id="pit-kind"
                className={inputClass()}
                value={field.value}
                onChange={(change) => field.onChange(change.target.value as PitKind)}
              >
                {PIT_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {PIT_KIND_NAMES[kind]}
                  </option>
                ))}
              </select>
            )}
          />
        </Field>
        {figure('rangeLowC', 'Lowest set point', heat)}
        {figure('rangeHighC', 'Highest set point', heat)}
        {figure('warmUpMin', 'Light to ready', { unit: 'min' })}
        {figure('openingDropC', 'Drop when opened', drop)}
        {figure('recoverMin', 'Recovers in', { unit: 'min' })}
        <label className="flex items-center gap-2 self-end pb-2 sm:col-span-2">
          <input type="checkbox" className="size-5" {...register('smoke')} /> makes smoke
        </label>
      </div>
      <h3 className="mb-1 mt-5 text-base">Racks</h3>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[40rem] text-left">
          <thead className="text-[0.85rem] text-soft">
            <tr>
              {['Name', 'Width', 'Depth', 'Headroom', 'Carries', 'Level (1 lowest)'].map((head) => (
                <th key={head} className="pb-1 font-normal">
                  {head}
                </th>
              ))}
              <th>
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {racks.fields.map((rack, i) => (
              <tr key={rack.key}>
                <td className="py-1 pr-2 align-top">
                  <input
                    aria-label={`Name of rack ${i + 1}`}
                    className={inputClass(Boolean(errors.racks?.[i]?.name))}
                    {...register(`racks.${i}.name`)}
                  />
                  <FieldError id={`rack-${i}-name`} error={errors.racks?.[i]?.name?.message} />
                </td>
                {rackFigure(i, 'widthMm', 'Width', size)}
                {rackFigure(i, 'depthMm', 'Depth', size)}
                {rackFigure(i, 'clearanceMm', 'Headroom', size)}
                {rackFigure(i, 'maxKg', 'Load', load)}
                {rackFigure(i, 'level', 'Level', {})}
                <td className="align-top">
                  <Button
                    look="quiet"
                    className="px-2"
                    aria-label={`Remove rack ${i + 1}`}
                    disabled={racks.fields.length === 1}
                    onClick={() => racks.remove(i)}
                  >
                    <Trash2 size={16} aria-hidden />
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button
        className="mt-2"
        onClick={() => {
          const last = form.getValues('racks').at(-1)!;
          racks.append({ ...last, id: crypto.randomUUID(), name: `rack ${racks.fields.length + 1}`, level: last.level + 1 });
        }}
      >
        <Plus size={16} aria-hidden /> Add a rack
      </Button>
      {failed && (
        <p role="alert" className="mt-3 text-bad">
          {failed}
        </p>
      )}
      <div className="mt-5 flex justify-end gap-2">
        <Button onClick={onDone}>Leave as it was</Button>
        <Button type="submit" look="ember" disabled={isSubmitting}>
          Save the pit
        </Button>
      </div>
    </form>
  );
}
