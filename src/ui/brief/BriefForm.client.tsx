'use client';
import { Plus, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Controller, FormProvider, useFieldArray, useWatch } from 'react-hook-form';
import { useHotkeys } from 'react-hotkeys-hook';
import { ftFromM, mFromFt } from '../../core/units';
import type { CookEvent, Library } from '../../core/model';
import { BriefInput } from '../../inputs';
import { callAction, firstMessage, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { errorId, Field, inputClass } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { showProblems, useInputForm } from '../kit/useInputForm';
import { useUnits } from '../kit/UnitsProvider';
import { ZoneField } from '../kit/ZoneField';
import { briefOf, newServing } from './briefForm';
import { ServingCard } from './ServingCard.client';

/** How long after the last keystroke the brief is saved. */
const SETTLE_MS = 700;

type Saved =
  | { state: 'saved' }
  | { state: 'waiting' }
  | { state: 'saving' }
  | { state: 'faulty'; fields: number }
  | { state: 'refused'; message: string; newer: boolean };

/** The brief: where, when, who eats and what. It saves itself; what is wrong stays as typed. */
export function BriefForm({ event, library, saveBrief }: { event: CookEvent; library: Library; saveBrief: Action<CookEvent> }) {
  const form = useInputForm(BriefInput, briefOf(event));
  const { control, formState } = form;
  const { errors } = formState;
  const servings = useFieldArray({ control, name: 'servings', keyName: 'key' });
  const units = useUnits();
  const { saved, undo, canUndo } = useAutosave(form, event, saveBrief);
  useHotkeys('mod+z', undo, { preventDefault: true });
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
          <div className="flex items-center gap-3">
            <SavedLine saved={saved} />
            <Button onClick={undo} disabled={!canUndo}>
              <Undo2 size={16} aria-hidden /> Undo
            </Button>
          </div>
        </div>
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
                    [0.5, '5 in 10 cooks'],
                    [0.8, '8 in 10 cooks'],
                    [0.9, '9 in 10 cooks'],
                    [0.95, '19 in 20 cooks'],
                    [0.98, '49 in 50 cooks'],
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
            index={index}
            kept={event.batches}
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

/** Saves once typing settles, keeps the earlier versions for undo, and never drops what was typed. */
function useAutosave(form: ReturnType<typeof useInputForm<BriefInput>>, event: CookEvent, saveBrief: Action<CookEvent>) {
  const [saved, setSaved] = useState<Saved>({ state: 'saved' });
  const [past, setPast] = useState<string[]>([]);
  const lastSaved = useRef(JSON.stringify(withoutRevision(briefOf(event))));
  const revision = useRef(event.revision);
  const busy = useRef<Promise<unknown>>(Promise.resolve());
  const values = useWatch({ control: form.control });
  const typed = JSON.stringify(withoutRevision(values as BriefInput));

  const save = (keepForUndo: boolean) => {
    busy.current = busy.current.then(async () => {
      const before = lastSaved.current;
      const now = JSON.stringify(withoutRevision(form.getValues()));
      if (now === before) return setSaved({ state: 'saved' });
      await form.handleSubmit(
        async (input) => {
          setSaved({ state: 'saving' });
          const outcome = await callAction(saveBrief, { ...input, revision: revision.current });
          if (outcome.ok) {
            revision.current = outcome.value.revision;
            lastSaved.current = now;
            if (keepForUndo) setPast((list) => [...list.slice(-49), before]);
            return setSaved({ state: 'saved' });
          }
          const rest = showProblems(form, outcome.problems);
          setSaved(
            rest.length > 0
              ? { state: 'refused', message: firstMessage(rest), newer: rest.some((each) => each.code === 'changedElsewhere') }
              : { state: 'faulty', fields: outcome.problems.length },
          );
        },
        (wrong) => setSaved({ state: 'faulty', fields: countErrors(wrong) }),
      )();
    });
  };
  const saveLatest = useRef(save);
  useEffect(() => {
    saveLatest.current = save;
  });

  useEffect(() => {
    if (typed === lastSaved.current) {
      // Typed back to what is saved: nothing is wrong any more.
      form.clearErrors();
      setSaved((now) => (now.state === 'saved' ? now : { state: 'saved' }));
      return;
    }
    setSaved({ state: 'waiting' });
    const timer = setTimeout(() => saveLatest.current(true), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [typed, form]);
  // Leaving the page does not wait for the pause.
  useEffect(() => () => saveLatest.current(true), []);

  const undo = () => {
    const before = past.at(-1);
    if (before === undefined) return;
    setPast((list) => list.slice(0, -1));
    form.reset({ ...(JSON.parse(before) as BriefInput), revision: revision.current });
    save(false);
  };
  return { saved, undo, canUndo: past.length > 0 };
}

const withoutRevision = ({ revision: _, ...brief }: BriefInput) => brief;

/** How many fields carry a message. */
function countErrors(errors: object): number {
  if ('message' in errors && 'type' in errors) return 1;
  return Object.values(errors).reduce<number>(
    (sum, each) => sum + (each && typeof each === 'object' && !(each instanceof Element) ? countErrors(each as object) : 0),
    0,
  );
}

function SavedLine({ saved }: { saved: Saved }) {
  if (saved.state === 'refused')
    return (
      <p role="alert" className="max-w-md text-[0.9rem] text-bad">
        {saved.message}{' '}
        {saved.newer && (
          <button type="button" className="font-semibold underline" onClick={() => window.location.reload()}>
            Load the newer one
          </button>
        )}
      </p>
    );
  const words = { saved: 'All saved', waiting: 'Saving soon…', saving: 'Saving…', faulty: '' }[saved.state];
  return (
    <p role="status" className={`text-[0.9rem] ${saved.state === 'faulty' ? 'font-semibold text-bad' : 'text-soft'}`}>
      {saved.state === 'faulty' ? `Not saved: ${saved.fields === 1 ? 'one field needs' : `${saved.fields} fields need`} a look` : words}
    </p>
  );
}
