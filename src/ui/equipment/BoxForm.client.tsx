'use client';
import { Controller } from 'react-hook-form';
import { BoxInput } from '../../doors';
import { attempt, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { errorId, Field, inputClass } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { showProblems, useDoorForm } from '../kit/useDoorForm';

/** An insulated box: how much it takes and how fast it loses heat. */
export function BoxForm({ box, keepBox, onDone }: { box: BoxInput; keepBox: Action<unknown>; onDone(): void }) {
  const form = useDoorForm(BoxInput, box);
  const { errors, isSubmitting } = form.formState;
  const save = form.handleSubmit(async (input) => {
    const outcome = await attempt(keepBox, input);
    if (outcome.ok) return onDone();
    const rest = showProblems(form, outcome.problems);
    if (rest.length > 0) complain(rest);
  });
  return (
    <form onSubmit={save} noValidate className="grid grid-cols-2 gap-3">
      <Field label="Name" id="box-name" error={errors.name?.message} className="col-span-2">
        <input
          id="box-name"
          aria-invalid={Boolean(errors.name)}
          aria-describedby={errors.name ? errorId('box-name') : undefined}
          className={inputClass(Boolean(errors.name))}
          {...form.register('name')}
        />
      </Field>
      <Field label="Holds" id="box-litres" error={errors.litres?.message}>
        <Controller
          control={form.control}
          name="litres"
          render={({ field }) => (
            <NumberField id="box-litres" value={field.value} onChange={field.onChange} unit="L" error={errors.litres?.message} />
          )}
        />
      </Field>
      <Field label="Loses" id="box-loss" hint="0.4 to 0.8 for a 50 litre box." error={errors.lossWPerK?.message}>
        <Controller
          control={form.control}
          name="lossWPerK"
          render={({ field }) => (
            <NumberField
              id="box-loss"
              decimals={2}
              value={field.value}
              onChange={field.onChange}
              unit="W/K"
              error={errors.lossWPerK?.message}
            />
          )}
        />
      </Field>
      <div className="col-span-2 flex justify-end gap-2">
        <Button onClick={onDone}>Leave as it was</Button>
        <Button type="submit" look="ember" disabled={isSubmitting}>
          Save the box
        </Button>
      </div>
    </form>
  );
}
