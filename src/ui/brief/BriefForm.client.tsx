'use client';
import { Plus } from 'lucide-react';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Controller, FormProvider, useFieldArray, type UseFormReturn } from 'react-hook-form';
import { sameValue } from '../../core/edits';
import { placesOf } from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import { ftFromM, mFromFt } from '../../core/units';
import { briefOf } from '../../document';
import type { BriefInput } from '../../inputs';
import { useEventDocument } from '../document/EventDocument.client';
import { complain } from '../kit/actions';
import { Button } from '../kit/Button';
import { errorId, Field, inputClass } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { showProblems, useInputForm } from '../kit/useInputForm';
import { useUnits } from '../kit/UnitsProvider';
import { ZoneField } from '../kit/ZoneField';
import { FromTheLog } from '../log/FromTheLog.client';
import { newServing } from './briefForm';
import { ServingCard } from './ServingCard.client';

const TrialsHere = lazy(() => import('../trials/TrialsHere.client').then((made) => ({ default: made.TrialsHere })));

/** The brief: where, when, who eats and what. What is right goes into the event as it is typed; what is wrong stays as typed. */
export function BriefForm({ prices }: { prices: MethodPrices }) {
  const { event, input: planInput } = useEventDocument();
  const { library } = planInput;
  const places = placesOf(event);
  const form = useInputForm<BriefInput>('BriefInput', briefOf(event));
  const { control, formState } = form;
  const { errors } = formState;
  const servings = useFieldArray({ control, name: 'servings', keyName: 'key' });
  const units = useUnits();
  const faulty = useBriefEdits(form);
  const feet = units.mass === 'lb';
  const text = (name: 'name' | 'place') => ({
    id: `brief-${name}`,
    'aria-invalid': Boolean(errors[name]),
    'aria-describedby': errors[name] ? errorId(`brief-${name}`) : undefined,
    className: inputClass(Boolean(errors[name])),
    ...form.register(name),
  });

  return (
    <FormProvider {...form}>
      <main className="mx-auto max-w-6xl px-4 py-5">
        <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-2xl">Brief</h1>
            <p className="text-soft">Guests become cooked weight, raw weight and whole pieces. The plan follows every change.</p>
          </div>
          {faulty > 0 && (
            <p role="status" className="text-[0.9rem] font-semibold text-bad">
              Not saved: {faulty === 1 ? 'one field needs' : `${faulty} fields need`} a look
            </p>
          )}
        </div>
        <FromTheLog />
        <Suspense fallback={null}>
          <TrialsHere />
        </Suspense>
        <section
          aria-label="Event"
          className="grid grid-cols-2 gap-3 rounded-md border border-line bg-sheet p-4 md:grid-cols-[1.4fr_1.4fr_1.2fr_8rem_10rem]"
        >
          <Field label="Event" id="brief-name" error={errors.name?.message}>
            <input {...text('name')} />
          </Field>
          <Field label="Place" id="brief-place" error={errors.place?.message}>
            <input {...text('place')} />
          </Field>
          <Field label="Time zone" id="brief-zone" error={errors.timeZone?.message}>
            <Controller
              control={control}
              name="timeZone"
              render={({ field }) => (
                <ZoneField id="brief-zone" value={field.value} onChange={field.onChange} invalid={Boolean(errors.timeZone)} />
              )}
            />
          </Field>
          <Field label="Altitude" id="brief-altitude" error={errors.altitudeM?.message}>
            <Controller
              control={control}
              name="altitudeM"
              render={({ field }) => (
                <NumberField
                  id="brief-altitude"
                  value={field.value}
                  onChange={field.onChange}
                  unit={feet ? 'ft' : 'm'}
                  shown={feet ? ftFromM : undefined}
                  kept={feet ? mFromFt : undefined}
                  error={errors.altitudeM?.message}
                />
              )}
            />
          </Field>
          <Field label="Pit time reserved for" id="brief-confidence" error={errors.confidence?.message}>
            <Controller
              control={control}
              name="confidence"
              render={({ field }) => (
                <select
                  id="brief-confidence"
                  className={inputClass()}
                  value={String(field.value)}
                  onChange={(change) => field.onChange(Number(change.target.value))}
                >
                  {[
                    [0.5, '50 % of cooks'],
                    [0.8, '80 % of cooks'],
                    [0.9, '90 % of cooks'],
                    [0.95, '95 % of cooks'],
                    [0.98, '98 % of cooks'],
                  ].map(([value, name]) => (
                    <option key={value} value={value}>
                      {name}
                    </option>
                  ))}
                </select>
              )}
            />
          </Field>
        </section>
        {servings.fields.map((serving, index) => (
          <ServingCard
            key={serving.key}
            library={library}
            prices={prices}
            kitchen={event.kitchen}
            index={index}
            places={places}
            onRemove={servings.fields.length > 1 ? () => servings.remove(index) : undefined}
          />
        ))}
        <Button className="mt-4" onClick={() => servings.append(newServing(form.getValues('servings').at(-1)))}>
          <Plus size={16} aria-hidden /> Add a serving
        </Button>
      </main>
    </FormProvider>
  );
}

/** Changes that come this close together are one: what follows from a figure comes with it. */
const GATHER_MS = 60;

/** Does what is typed to the event, one field a step, and follows the event where it is changed otherwise. How many fields are wrong. */
function useBriefEdits(form: UseFormReturn<BriefInput>): number {
  const { event, actions, store } = useEventDocument();
  const [faulty, setFaulty] = useState(0);
  useEffect(() => store.tellFaulty(faulty), [store, faulty]);
  useEffect(() => () => store.tellFaulty(0), [store]);
  /** The event as this form last left it, or was last set to. */
  const own = useRef(event);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const settling = useRef(false);
  /** While the form is set to the event nothing is typed: what follows from it must not be saved over a second undo. */
  const setting = useRef(false);
  const field = useRef<string>(undefined);

  const settle = async () => {
    timer.current = undefined;
    const key = field.current;
    field.current = undefined;
    settling.current = true;
    const outcome = await actions.saveBrief(form.getValues(), { key: key && `brief/${key}` });
    settling.current = false;
    if (outcome.ok) {
      own.current = store.snapshot().event;
      form.clearErrors();
      setFaulty(0);
      return;
    }
    form.clearErrors();
    const rest = showProblems(form, outcome.problems);
    setFaulty(outcome.problems.length - rest.length);
    if (rest.length > 0) complain(rest);
  };
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => {
    const watching = form.watch((_, { name }) => {
      if (setting.current) return;
      field.current ??= name;
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void latest.current(), GATHER_MS);
    });
    return () => {
      watching.unsubscribe();
      // Leaving the brief does not wait.
      if (timer.current === undefined) return;
      clearTimeout(timer.current);
      void latest.current();
    };
  }, [form]);
  useEffect(() => {
    if (event === own.current || timer.current !== undefined || settling.current) return;
    const moved = !sameValue(briefOf(event), briefOf(own.current));
    own.current = event;
    if (!moved) return;
    setting.current = true;
    form.reset(briefOf(event));
    setting.current = false;
    setFaulty(0);
  }, [event, form]);
  return faulty;
}
