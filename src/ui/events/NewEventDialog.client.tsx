'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { READY_MENUS, type CookEvent } from '../../core/model';
import type { CreateEventInput } from '../../inputs';
import { clockOnDay, localDate } from '../../formats/clock';
import { callAction, firstMessage, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { errorId, Field, inputClass } from '../kit/Field';
import { MomentInput } from '../kit/MomentInput.client';
import { NumberField } from '../kit/NumberField';
import { showProblems, useInputForm } from '../kit/useInputForm';
import { ZoneField } from '../kit/ZoneField';

/** A new event is usually a fortnight away. */
const DAYS_AHEAD = 14;

export function NewEventDialog({ onClose, nowMs, createEvent }: { onClose(): void; nowMs: number; createEvent: Action<CookEvent> }) {
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="New event"
      description="When is it served, and for how many? Everything else is counted back from here."
    >
      <NewEventForm nowMs={nowMs} createEvent={createEvent} />
    </Dialog>
  );
}

function NewEventForm({ nowMs, createEvent }: { nowMs: number; createEvent: Action<CookEvent> }) {
  const router = useRouter();
  const [failed, setFailed] = useState<string>();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const form = useInputForm<CreateEventInput>('CreateEventInput', {
    name: '',
    place: '',
    timeZone: zone,
    date: localDate(clockOnDay(nowMs, zone, DAYS_AHEAD, 12), zone),
    time: '18:00',
    adults: 40,
    children: 0,
  });
  const { errors, isSubmitting } = form.formState;
  const save = form.handleSubmit(async (input) => {
    setFailed(undefined);
    const outcome = await callAction(createEvent, input);
    if (outcome.ok) return router.push(`/events/${outcome.value.id}/brief`);
    const rest = showProblems(form, outcome.problems);
    if (rest.length > 0) setFailed(firstMessage(rest));
  });
  const described = (name: keyof CreateEventInput) => ({
    'aria-invalid': Boolean(errors[name]),
    'aria-describedby': errors[name] ? errorId(`new-${name}`) : undefined,
    className: inputClass(Boolean(errors[name])),
  });
  const moment = (name: 'date' | 'time', kind: 'day' | 'clock', label: string) => (
    <Controller
      control={form.control}
      name={name}
      render={({ field }) => (
        <MomentInput
          kind={kind}
          id={`new-${name}`}
          label={label}
          value={field.value}
          invalid={Boolean(errors[name])}
          describedBy={errors[name] ? errorId(`new-${name}`) : undefined}
          onChange={field.onChange}
          onBlur={field.onBlur}
        />
      )}
    />
  );
  return (
    <form onSubmit={save} noValidate className="grid grid-cols-2 gap-x-4 gap-y-3">
      <Field label="Name" id="new-name" error={errors.name?.message} className="col-span-2">
        <input id="new-name" autoFocus {...described('name')} {...form.register('name')} />
      </Field>
      <Field label="Place" id="new-place" error={errors.place?.message}>
        <input id="new-place" {...described('place')} {...form.register('place')} />
      </Field>
      <Field label="Time zone of the place" id="new-timeZone" error={errors.timeZone?.message}>
        <Controller
          control={form.control}
          name="timeZone"
          render={({ field }) => (
            <ZoneField id="new-timeZone" value={field.value} onChange={field.onChange} invalid={Boolean(errors.timeZone)} />
          )}
        />
      </Field>
      <Field label="Day served" id="new-date" error={errors.date?.message}>
        {moment('date', 'day', 'Day served')}
      </Field>
      <Field label="Serving time" id="new-time" error={errors.time?.message}>
        {moment('time', 'clock', 'Serving time')}
      </Field>
      {(['adults', 'children'] as const).map((name) => (
        <Field key={name} label={name === 'adults' ? 'Adults' : 'Children under 12'} id={`new-${name}`} error={errors[name]?.message}>
          <Controller
            control={form.control}
            name={name}
            render={({ field }) => (
              <NumberField id={`new-${name}`} value={field.value} onChange={field.onChange} error={errors[name]?.message} />
            )}
          />
        </Field>
      ))}
      <Field label="Menu" id="new-menuId" error={errors.menuId?.message} className="col-span-2">
        <select
          id="new-menuId"
          className={inputClass()}
          {...form.register('menuId', { setValueAs: (id: string | undefined) => id || undefined })}
        >
          <option value="">I choose it myself</option>
          {READY_MENUS.map((menu) => (
            <option key={menu.id} value={menu.id}>
              {menu.name}
            </option>
          ))}
        </select>
      </Field>
      {failed && (
        <p role="alert" className="col-span-2 text-bad">
          {failed}
        </p>
      )}
      <div className="col-span-2 flex justify-end">
        <Button type="submit" look="ember" disabled={isSubmitting}>
          {isSubmitting ? 'Making it…' : 'Make the event'}
        </Button>
      </div>
    </form>
  );
}
