'use client';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { boxLossWPerK } from '../../core/gear';
import { formatHeatLoss, formatRoom } from '../../formats/units';
import type { HoldingBoxRecord } from '../../inputs';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { InputForm } from '../kit/InputForm.client';
import { Field } from '../kit/Field';
import { conversions, type Conversion } from '../kit/conversions';
import { FigureField, Tick, TextField } from '../kit/formFields';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';

type B = HoldingBoxRecord;

interface BoxFormProps {
  box: HoldingBoxRecord;
  opened?: object;
  saveBox: Action<{ id: string }>;
  onDone(): void;
}

/** An insulated box: how much it takes and how fast it loses heat. */
export function BoxForm({ box, opened, saveBox, onDone }: BoxFormProps) {
  const units = useUnits();
  const { litres, heatLoss } = conversions(units);
  return (
    <InputForm<B, { id: string }>
      opened={opened}
      schema="HoldingBoxRecord"
      values={box}
      save={saveBox}
      onDone={() => onDone()}
      submitLabel="Save the box"
      className="grid grid-cols-2 gap-3"
    >
      <TextField<B> name="name" label="Name" className="col-span-2" />
      <FigureField<B> name="litres" label="Holds" conversion={litres} />
      <FigureField<B>
        name="lossWPerK"
        label="Loses"
        hint={`${formatHeatLoss(0.4, units)} to ${formatHeatLoss(0.8, units)} for a box of ${formatRoom(50, units)}.`}
        conversion={heatLoss}
      />
      <Tick<B> name="travels" label="travels" />
      <Tick<B> name="hired" label="hired" />
      <LossTest />
    </InputForm>
  );
}

/** Hot water in, two readings and the hours between: what the box really loses. */
function LossTest() {
  const form = useFormContext<B>();
  const units = useUnits();
  const { heat, litres } = conversions(units);
  const [test, setTest] = useState({ waterL: 10, fromC: Number.NaN, toC: Number.NaN, hours: Number.NaN, roomC: 20 });
  const loss = boxLossWPerK(test);
  const filled = Number.isFinite(test.fromC) && Number.isFinite(test.toC) && Number.isFinite(test.hours);
  const entry = (key: keyof typeof test, label: string, conversion: Conversion) => (
    <Field label={label} id={`test-${key}`}>
      <NumberField id={`test-${key}`} value={test[key]} onChange={(value) => setTest({ ...test, [key]: value })} {...conversion} />
    </Field>
  );
  return (
    <fieldset className="col-span-2 rounded border border-line p-3">
      <legend className="px-1 font-semibold">Test it with hot water</legend>
      <p className="mb-2 text-[0.9rem] text-soft">Fill in hot water, shut the box, and read it again after some hours.</p>
      <div className="grid grid-cols-3 gap-2">
        {entry('waterL', 'Hot water', litres)}
        {entry('fromC', 'Warm at first', heat)}
        {entry('toC', 'Then', heat)}
        {entry('hours', 'Hours between', { unit: 'h', decimals: 1 })}
        {entry('roomC', 'Room', heat)}
        <div className="flex items-end">
          <Button
            disabled={loss === undefined}
            onClick={() => form.setValue('lossWPerK', Math.round(loss! * 100) / 100, { shouldDirty: true, shouldValidate: true })}
          >
            {loss === undefined ? 'Use it' : `Use ${formatHeatLoss(loss, units)}`}
          </Button>
        </div>
      </div>
      {filled && loss === undefined && (
        <p role="alert" className="mt-2 text-[0.9rem] text-bad">
          It must cool, and stay above the room. Check both readings and the hours.
        </p>
      )}
    </fieldset>
  );
}
