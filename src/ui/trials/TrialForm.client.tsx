'use client';
import { useId, useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { TASTED, TRIAL_KINDS } from '../../core/learn';
import { TASTED_WORDS, TRIAL_KIND_WORDS } from '../../formats/messages/trial';
import type { TrialInput } from '../../inputs';
import { announce, type Action } from '../kit/actions';
import { conversions } from '../kit/conversions';
import { FigureField, SelectField, TextField } from '../kit/formFields';
import { Field } from '../kit/Field';
import { InputForm } from '../kit/InputForm.client';
import { useUnits } from '../kit/UnitsProvider';

/** An event with the batches that have pieces enough to be set against each other. */
export interface TriableEvent {
  id: string;
  name: string;
  batches: { id: string; name: string; pieces: number }[];
}
interface TrialFormProps {
  events: readonly TriableEvent[];
  planTrial: Action<{ id: string }>;
  onDone(id?: string): void;
}

const USUAL_TASTERS = 12;

/** What is set against what, on which meat, and who tastes; places, codes and orders are drawn by lot. */
export function TrialForm({ events, planTrial, onDone }: TrialFormProps) {
  const chooseId = useId();
  const { plain } = conversions(useUnits());
  const [eventId, setEventId] = useState(events[0]!.id);
  const { batches } = events.find(({ id }) => id === eventId)!;
  return (
    <div className="grid gap-3">
      <Field id={chooseId} label="Event">
        <select
          id={chooseId}
          value={eventId}
          onChange={({ target }) => setEventId(target.value)}
          className="min-h-9 w-full rounded border border-line bg-sheet px-2 text-base text-ink"
        >
          {events.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <InputForm<TrialInput, { id: string }>
        key={eventId}
        schema="TrialInput"
        values={{
          name: '',
          kind: 'rubs',
          first: '',
          second: '',
          eventId,
          batchId: batches[0]!.id,
          tasters: USUAL_TASTERS,
          traits: ['bark', 'tenderness', 'taste'],
        }}
        save={planTrial}
        submitLabel="Draw the lot"
        onDone={(kept) => {
          if (kept) announce('The lot is drawn.');
          onDone(kept?.id);
        }}
        className="grid grid-cols-2 gap-3"
      >
        <TextField<TrialInput> name="name" label="Name of the trial" className="col-span-2" />
        <SelectField<TrialInput>
          name="batchId"
          label="Meat"
          options={batches.map(({ id, name, pieces }) => [id, `${name}, ${pieces} pieces`] as const)}
        />
        <SelectField<TrialInput>
          name="kind"
          label="What against what"
          options={TRIAL_KINDS.map((kind) => [kind, TRIAL_KIND_WORDS[kind]] as const)}
        />
        <TextField<TrialInput> name="first" label="The first way" />
        <TextField<TrialInput> name="second" label="The second way" />
        <FigureField<TrialInput> name="tasters" label="Tasters" conversion={{ ...plain, decimals: 0 }} />
        <TastedFor />
      </InputForm>
    </div>
  );
}

function TastedFor() {
  const { register } = useFormContext<TrialInput>();
  return (
    <fieldset className="col-span-2 flex flex-wrap gap-x-4 gap-y-1">
      <legend className="mb-1 text-[0.85rem] text-soft">Scored from 1 to 7</legend>
      {TASTED.map((trait) => (
        <label key={trait} className="flex min-h-9 items-center gap-2">
          <input type="checkbox" value={trait} className="size-5" {...register('traits')} />
          {TASTED_WORDS[trait].name}
        </label>
      ))}
    </fieldset>
  );
}
