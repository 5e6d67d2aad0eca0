'use client';
import { useState, type ReactNode } from 'react';
import { FormProvider, type DefaultValues, type FieldValues } from 'react-hook-form';
import { attempt, firstMessage, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { showProblems, useDoorForm } from '../kit/useDoorForm';

interface EntryFormProps<T extends FieldValues & object> {
  door: new () => T;
  entry: T;
  keep: Action<{ id: string }>;
  onDone(id?: string): void;
  children: ReactNode;
}

/** The frame of a cut's or a method's form: checked by its door, saved in one go, nothing typed lost on a refusal. */
export function EntryForm<T extends FieldValues & object>({ door, entry, keep, onDone, children }: EntryFormProps<T>) {
  const form = useDoorForm<T>(door, entry as DefaultValues<T>);
  const [failed, setFailed] = useState<string>();
  const save = form.handleSubmit(async (input) => {
    setFailed(undefined);
    const outcome = await attempt(keep, JSON.parse(JSON.stringify(input)));
    if (outcome.ok) return onDone(outcome.value.id);
    const rest = showProblems(form, outcome.problems);
    if (rest.length > 0) setFailed(firstMessage(rest));
  });
  return (
    <FormProvider {...form}>
      <form onSubmit={save} noValidate>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">{children}</div>
        {failed && (
          <p role="alert" className="mt-3 text-bad">
            {failed}
          </p>
        )}
        <div className="mt-5 flex justify-end gap-2">
          <Button onClick={() => onDone()}>Leave as it was</Button>
          <Button type="submit" look="ember" disabled={form.formState.isSubmitting}>
            Save
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
