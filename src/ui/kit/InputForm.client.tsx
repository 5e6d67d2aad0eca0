'use client';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { FormProvider, type DefaultValues, type FieldValues } from 'react-hook-form';
import { announce, callAction, complain, firstMessage, type Action } from './actions';
import { Button } from './Button';
import { useMarkEdit } from './undo';
import type { InputNameOf } from './inputResolver';
import { showProblems, useInputForm } from './useInputForm';

interface InputFormProps<T extends FieldValues & object, R> {
  schema: InputNameOf<T>;
  values: T;
  save: Action<R>;
  /** With what was saved, or nothing when it was left as it was. */
  onDone?(saved?: R): void;
  /** The entry of the house as it was opened: a save is refused when another window has changed it since. */
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
  const [outdated, setOutdated] = useState(false);
  const router = useRouter();
  const markEdit = useMarkEdit();
  /** Where the page keeps steps, its own undo; else the values that stood before are saved again. */
  const putBack = () =>
    markEdit?.() ??
    (async () => {
      const back = await callAction(save, JSON.parse(JSON.stringify(values)));
      if (!back.ok) complain(back.problems);
    });
  const send = async (input: T, seen?: string) => {
    setFailed(undefined);
    const outcome = await callAction(save, JSON.parse(JSON.stringify(input)), seen);
    setOutdated(!outcome.ok && outcome.problems.some((problem) => problem.code === 'entryChangedElsewhere'));
    if (outcome.ok) {
      if (saved) announce(saved(outcome.value), putBack());
      return onDone?.(outcome.value);
    }
    const rest = showProblems(form, outcome.problems);
    if (rest.length > 0) setFailed(firstMessage(rest));
  };
  const submit = form.handleSubmit((input) => send(input, opened && JSON.stringify(opened)));
  const saveOver = form.handleSubmit((input) => send(input));
  const loadNewer = () => {
    router.refresh();
    onDone?.();
  };
  return (
    <FormProvider {...form}>
      <form onSubmit={submit} noValidate>
        <div className={className}>{children}</div>
        {failed && (
          <p role="alert" className="mt-3 text-bad">
            {failed}
          </p>
        )}
        <div className="mt-4 flex justify-end gap-2">
          {outdated && <Button onClick={() => void saveOver()}>Save mine over it</Button>}
          {outdated && <Button onClick={loadNewer}>Load the newer one</Button>}
          {cancellable && <Button onClick={() => onDone?.()}>Leave as it was</Button>}
          <Button type="submit" look="ember" disabled={form.formState.isSubmitting}>
            {submitLabel}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
