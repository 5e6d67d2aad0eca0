'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import type { MethodRecord } from '../../inputs';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, Tick, TextField } from '../kit/formFields';

type M = MethodRecord;

const COLOURS: [string, string][] = [
  ['light', 'light'],
  ['dark', 'dark'],
];

/** Every choice of a method. Sprays and a hot finish appear when they are wanted. */
export function MethodForm({
  method,
  saveMethod,
  onDone,
}: {
  method: MethodRecord;
  saveMethod: Action<{ id: string }>;
  onDone(id?: string): void;
}) {
  const { heat, minutes, plain } = conversions(useUnits());
  const [steps, setSteps] = useState(Boolean(method.steps?.length));
  const [sprays, setSprays] = useState(method.spray !== undefined);
  const [hot, setHot] = useState(method.hotFinish !== undefined);
  const entry = {
    ...method,
    steps: steps ? (method.steps ?? [{ fromMin: 180, pitC: 135 }]) : undefined,
    spray: sprays ? (method.spray ?? { fromMin: 180, everyMin: 45 }) : undefined,
    hotFinish: hot ? (method.hotFinish ?? { pitC: 200, minutes: 10 }) : undefined,
  };
  return (
    <InputForm<M, { id: string }>
      key={`${steps}${sprays}${hot}`}
      opened={method}
      schema="MethodRecord"
      values={entry}
      save={saveMethod}
      onDone={(saved) => onDone(saved?.id)}
    >
      <TextField<M> name="name" label="Name" className="col-span-2" />
      <SelectField<M>
        name="purpose"
        label="For"
        options={[
          ['tender', 'tender cuts'],
          ['ribs', 'ribs'],
          ['roast', 'roasts'],
          ['poultry', 'poultry'],
          ['dish', 'pan dishes'],
        ]}
      />
      <SelectField<M>
        name="wrap"
        label="Wrap"
        options={[
          ['none', 'none'],
          ['paper', 'paper'],
          ['foil', 'foil'],
          ['pan', 'covered pan'],
        ]}
      />
      <TextField<M>
        name="line"
        label="What it costs and gives: time, bark, juice, smoke, yield, risk"
        className="col-span-2 sm:col-span-4"
      />
      <TextField<M>
        name="practice"
        label="The rest of it: fat, surface, salt, wood, place, opening, after pulling"
        className="col-span-2 sm:col-span-4"
      />
      <FigureField<M> name="pitC" label="Pit heat" conversion={heat} />
      <FigureField<M> name="pitRangeC.0" label="Lowest" conversion={heat} />
      <FigureField<M> name="pitRangeC.1" label="Highest" conversion={heat} />
      <Tick<M> name="needsSmoke" label="needs smoke" />
      <FigureField<M> name="wrapWhen.coreC" label="Wrap at core" conversion={heat} optional />
      <FigureField<M> name="wrapWhen.afterMin" label="Wrap after" conversion={minutes} optional />
      <Tick<M> name="wrapWhen.bark" label="wrap by the bark" />
      <SelectField<M> name="wrapWhen.colour" label="How dark a bark" options={[['', 'usual'], ...COLOURS]} optional />
      <SelectField<M>
        name="restWrap"
        label="Wrapped at the pull"
        options={[
          ['', 'no'],
          ['paper', 'in paper'],
          ['foil', 'in foil'],
        ]}
        optional
      />
      <Tick<M> name="wrapWhen.all" label="all must be met" />
      <FigureField<M> name="unwrapAfterMin" label="Unwrap after" conversion={minutes} optional />
      <Tick<M>
        name="blocksScale"
        label="these minutes are for spare ribs at that heat; other racks and heats in step"
        className="col-span-2"
      />
      <Tick<M> name="finishOffSmoke" label="may finish in an oven" className="col-span-2" />
      <FigureField<M> name="turns" label="Turned or flipped, times" conversion={plain} optional />
      <FigureField<M> name="ventMin" label="Vent" conversion={minutes} />
      <FigureField<M> name="restMin" label="Rest" conversion={minutes} />
      <FigureField<M> name="restToC" label="or rest to core" conversion={heat} optional />
      <FigureField<M> name="holdIdealMin.0" label="Ideal hold from" conversion={minutes} />
      <FigureField<M> name="holdIdealMin.1" label="to" conversion={minutes} />
      <FigureField<M> name="holdMaxMin" label="Longest hold" conversion={minutes} />
      <Toggle label="heat steps up" on={steps} onChange={setSteps} />
      <Toggle label="sprayed" on={sprays} onChange={setSprays} />
      <Toggle label="finished hot" on={hot} onChange={setHot} />
      {sprays && <FigureField<M> name="spray.fromMin" label="First spray after" conversion={minutes} />}
      {sprays && <FigureField<M> name="spray.everyMin" label="Then every" conversion={minutes} />}
      {hot && <FigureField<M> name="hotFinish.pitC" label="Hot finish at" conversion={heat} />}
      {hot && <FigureField<M> name="hotFinish.minutes" label="for" conversion={minutes} />}
      {steps && <HeatSteps />}
    </InputForm>
  );
}

const MOST_STEPS = 6;

/** The pit's heat over a cook: what it is set to, and from when. */
function HeatSteps() {
  const { heat, minutes } = conversions(useUnits());
  const { control, getValues } = useFormContext<M>();
  const steps = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const add = () => {
    const last = getValues('steps')?.findLast((step) => step.fromMin !== undefined) ?? getValues('steps')?.at(-1);
    steps.append({ fromMin: (last?.fromMin ?? 120) + 60, pitC: last?.pitC ?? getValues('pitC') });
  };
  return (
    <table className="col-span-2 border-t border-line sm:col-span-4">
      <caption className="pb-1 pt-2 text-left text-soft">
        After the heat it goes on at: each step by the clock, at a core or when the colour is right
      </caption>
      <tbody>
        {steps.fields.map((step, i) => (
          <tr key={step.key} className="align-bottom">
            <td className="pr-3 pt-2">
              <FigureField<M> name={`steps.${i}.fromMin`} label="After" ariaLabel={`Step ${i + 1} after`} conversion={minutes} optional />
            </td>
            <td className="pr-3 pt-2">
              <FigureField<M>
                name={`steps.${i}.fromCoreC`}
                label="or at core"
                ariaLabel={`Step ${i + 1} at core`}
                conversion={heat}
                optional
              />
            </td>
            <td className="pr-3 pt-2">
              <SelectField<M>
                name={`steps.${i}.atColour`}
                label="or at a bark"
                ariaLabel={`Step ${i + 1} at bark`}
                options={[
                  ['', ''],
                  ['light', 'light'],
                  ['usual', 'usual'],
                  ['dark', 'dark'],
                ]}
                optional
              />
            </td>
            <td className="pr-3 pt-2">
              <FigureField<M> name={`steps.${i}.pitC`} label="pit heat" ariaLabel={`Step ${i + 1} pit heat`} conversion={heat} />
            </td>
            <td className="pt-2">
              <Button look="quiet" className="px-2" aria-label={`Remove step ${i + 1}`} onClick={() => steps.remove(i)}>
                <Trash2 size={16} aria-hidden />
              </Button>
            </td>
          </tr>
        ))}
        <tr>
          <td colSpan={5} className="pt-2">
            <Button disabled={steps.fields.length >= MOST_STEPS} onClick={add}>
              <Plus size={16} aria-hidden /> Add a step
            </Button>
          </td>
        </tr>
      </tbody>
    </table>
  );
}

function Toggle({ label, on, onChange }: { label: string; on: boolean; onChange(on: boolean): void }) {
  return (
    <label className="flex min-h-9 items-center gap-2 self-end">
      <input type="checkbox" className="size-5" checked={on} onChange={(event) => onChange(event.target.checked)} /> {label}
    </label>
  );
}
