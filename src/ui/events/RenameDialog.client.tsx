'use client';
import type { RenameEventInput } from '../../inputs';
import { callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { Field, inputClass } from '../kit/Field';
import { showProblems, useInputForm } from '../kit/useInputForm';

export function RenameDialog({
  event,
  onClose,
  renameEvent,
}: {
  event: { id: string; name: string };
  onClose(): void;
  renameEvent: Action<unknown>;
}) {
  const form = useInputForm<RenameEventInput>('RenameEventInput', { eventId: event.id, name: event.name });
  const error = form.formState.errors.name?.message;
  const save = form.handleSubmit(async (input) => {
    const outcome = await callAction(renameEvent, input);
    if (outcome.ok) return onClose();
    complain(showProblems(form, outcome.problems));
  });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Rename event">
      <form onSubmit={save} noValidate className="flex items-end gap-3">
        <Field label="Name" id="rename" error={error} className="grow">
          <input id="rename" autoFocus className={inputClass(Boolean(error))} {...form.register('name')} />
        </Field>
        <Button type="submit" look="ember">
          Rename
        </Button>
      </form>
    </Dialog>
  );
}
