'use client';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { FormProvider, type DefaultValues, type FieldValues } from 'react-hook-form';
import type { Problem } from '../../core/outcome';
import { announce, callAction, complain, firstMessage, type Action, type Settle } from './actions';
import { Button } from './Button';
import { useMarkEdit } from './undo';
import type { InputNameOf } from './inputResolver';
import { showProblems, useInputForm } from './useInputForm';

// Seldom needed: it comes when it is.
const ChangedTwice = lazy(() => import('./ChangedTwice').then((made) => ({ default: made.ChangedTwice })));

interface InputFormProps<T extends FieldValues & object, R> {
  schema: InputNameOf<T>;
  values: T;
  save: Action<R>;
  /** With what was saved, or nothing when it was left as it was. */
  onDone?(saved?: R): void;
  /** The entry of the house as it was opened: what another window has changed of it since is put together with what is saved. */
  opened?: object;
  /** What to say once it is saved; undo saves the values that stood before. */
  saved?(result: R): string;
  /** Without it there is no way out but saving: the form stands on the page. */
  cancellable?: boolean;
  /** What the button says. */
  submitLabel?: string;
  className?: string;
  children: ReactNode;
}

/** A form checked by the very class its input is checked by, saved in one go; nothing typed is lost on a refusal. */
export function InputForm<T extends FieldValues & object, R>({
  schema,
  values,
  save,
  onDone,
  saved,
  opened,
  cancellable = true,
  submitLabel = 'Save',
  className = 'grid grid-cols-2 gap-3 sm:grid-cols-4',
  children,
}: InputFormProps<T, R>) {
  const form = useInputForm<T>(schema, values as DefaultValues<T>);
  const [failed, setFailed] = useState<string>();
  const [twice, setTwice] = useState<Problem[]>([]);
  const markEdit = useMarkEdit();
  /** Where the page keeps steps, its own undo; else the values that stood before are saved again. */
  const putBack = (sent: T) =>
    markEdit?.() ??
    (async () => {
      // Only what was done here is taken back.
      const back = await callAction(save, JSON.parse(JSON.stringify(values)), opened && JSON.stringify(sent), opened && 'theirs');
      if (!back.ok) complain(back.problems);
    });
  const send = async (input: T, settle?: Settle) => {
    setFailed(undefined);
    const outcome = await callAction(save, JSON.parse(JSON.stringify(input)), opened && JSON.stringify(opened), settle);
    if (outcome.ok) {
      if (saved) announce(saved(outcome.value), putBack(input));
      else if ((outcome.value as { together?: boolean } | undefined)?.together)
        announce('Saved, together with what was changed elsewhere meanwhile.');
      return onDone?.(outcome.value);
    }
    const both = outcome.problems.filter((problem) => problem.code === 'entryChangedElsewhere');
    setTwice(both);
    const rest = showProblems(
      form,
      outcome.problems.filter((problem) => !both.includes(problem)),
    );
    if (rest.length > 0) setFailed(firstMessage(rest));
  };
  const submit = form.handleSubmit((input) => send(input));
  const settle = (whose: Settle) => void form.handleSubmit((input) => send(input, whose))();
  return (
    <FormProvider {...form}>
      <form onSubmit={submit} noValidate>
        <div className={className}>{children}</div>
        {failed && (
          <p role="alert" className="mt-3 text-bad">
            {failed}
          </p>
        )}
        {twice.length > 0 && (
          <Suspense>
            <ChangedTwice entry={values} problems={twice} settle={settle} />
          </Suspense>
        )}
        <div className="mt-4 flex justify-end gap-2">
          {cancellable && <Button onClick={() => onDone?.()}>Leave as it was</Button>}
          <Button type="submit" look="ember" disabled={form.formState.isSubmitting}>
            {submitLabel}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
