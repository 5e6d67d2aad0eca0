'use client';
import { useId } from 'react';
import { figureName, type FigureKind } from '../../core/learn';
import type { MeasureInput } from '../../inputs';
import { announce, type Action } from '../kit/actions';
import { conversions, type Conversion } from '../kit/conversions';
import { FigureField, MomentField } from '../kit/formFields';
import { Field } from '../kit/Field';
import { InputForm } from '../kit/InputForm.client';
import { useUnits } from '../kit/UnitsProvider';

export interface Measurable {
  figure: string;
  of: string;
  what: string;
}
interface MeasureFormProps {
  measurable: readonly Measurable[];
  figure: string;
  onFigure(figure: string): void;
  writeMeasure: Action<{ id: string }>;
  onDone(): void;
}

const conversionOf = (kind: FigureKind, { drop, minutes, fuelMass, percent, heatLoss }: ReturnType<typeof conversions>): Conversion => {
  const of: Partial<Record<FigureKind, Conversion>> = {
    gauge: drop,
    zone: drop,
    drop,
    warmUp: minutes,
    recover: minutes,
    fuel: fuelMass,
    boxLoss: heatLoss,
  };
  return of[kind] ?? percent;
};

/** One number, of whatever can be measured here. */
export function MeasureForm({ measurable, figure, onFigure, writeMeasure, onDone }: MeasureFormProps) {
  const chooseId = useId();
  const all = conversions(useUnits());
  const things = [...new Set(measurable.map(({ of }) => of))];
  const { what } = measurable.find((each) => each.figure === figure) ?? measurable[0]!;
  return (
    <div className="grid gap-3">
      <Field id={chooseId} label="What was measured">
        <select
          id={chooseId}
          value={figure}
          onChange={({ target }) => onFigure(target.value)}
          className="min-h-9 w-full rounded border border-line bg-sheet px-2 text-base text-ink"
        >
          {things.map((thing) => (
            <optgroup key={thing} label={thing}>
              {measurable
                .filter(({ of }) => of === thing)
                .map((each) => (
                  <option key={each.figure} value={each.figure}>
                    {each.what}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
      </Field>
      <InputForm<MeasureInput, { id: string }>
        key={figure}
        schema="MeasureInput"
        values={{ figure, value: Number.NaN }}
        save={writeMeasure}
        submitLabel="Keep it"
        onDone={(kept) => {
          if (kept) announce('It is kept. Your log says what it makes of it.');
          onDone();
        }}
        className="grid grid-cols-2 gap-3"
      >
        <FigureField<MeasureInput> name="value" label={what} conversion={conversionOf(figureName(figure)!.kind, all)} />
        <MomentField<MeasureInput> name="date" label="Day, today if left out" kind="day" optional />
      </InputForm>
    </div>
  );
}
