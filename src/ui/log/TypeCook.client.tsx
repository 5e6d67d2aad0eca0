'use client';
import type { TypedCookInput } from '../../inputs';
import { announce, type Action } from '../kit/actions';
import { conversions } from '../kit/conversions';
import { FigureField, MomentField, SelectField, TextField } from '../kit/formFields';
import { InputForm } from '../kit/InputForm.client';
import { useUnits } from '../kit/UnitsProvider';

const WRAPS = [
  ['none', 'never'],
  ['paper', 'paper'],
  ['foil', 'foil'],
  ['pan', 'a pan'],
] as const;
const BLANK: Omit<TypedCookInput, 'cutId'> = Object.freeze({
  massKg: Number.NaN,
  pitC: 121,
  wrap: 'none',
  hours: Number.NaN,
  nextTime: '',
});

/** Old notebooks, line by line: what was last typed of cut, pit and heat stays for the next. */
export function TypeCook({
  cuts,
  pits,
  last,
  typeCook,
  onKept,
}: {
  cuts: readonly (readonly [id: string, name: string])[];
  pits: readonly (readonly [id: string, name: string])[];
  /** What the line before had. */
  last?: Partial<TypedCookInput>;
  typeCook: Action<{ id: string }>;
  onKept(kept?: Partial<TypedCookInput>): void;
}) {
  const { weight, heat, plain } = conversions(useUnits());
  const values: TypedCookInput = { ...BLANK, cutId: cuts[0]![0], ...last };
  const keep: Action<{ id: string; typed: unknown }> = async (input) => {
    const done = await typeCook(input);
    return done.ok ? { ok: true, value: { ...done.value, typed: input } } : done;
  };
  return (
    <InputForm<TypedCookInput, { id: string; typed: unknown }>
      schema="TypedCookInput"
      values={values}
      save={keep}
      submitLabel="Keep, and the next"
      onDone={(kept) => {
        if (!kept) return onKept();
        announce('It is in the log.');
        const { cutId, pitId, pitC, wrap } = kept.typed as TypedCookInput;
        onKept({ cutId, pitId, pitC, wrap });
      }}
      className="grid grid-cols-2 gap-3 sm:grid-cols-3"
    >
      <SelectField<TypedCookInput> name="cutId" label="Cut" options={cuts} />
      <FigureField<TypedCookInput> name="massKg" label="Weight of the piece" conversion={weight} />
      <MomentField<TypedCookInput> name="date" label="Day, if it says" kind="day" optional />
      <SelectField<TypedCookInput> name="pitId" label="Pit" optional options={[['', 'not said'], ...pits]} />
      <FigureField<TypedCookInput> name="pitC" label="Heat" conversion={heat} />
      <SelectField<TypedCookInput> name="wrap" label="Wrapped" options={WRAPS} />
      <FigureField<TypedCookInput> name="wrapAtC" label="Wrapped at a core of" conversion={heat} optional />
      <FigureField<TypedCookInput> name="hours" label="Hours, on to pulled" conversion={{ ...plain, unit: 'h', decimals: 2 }} />
      <FigureField<TypedCookInput> name="finalC" label="Core when pulled" conversion={heat} optional />
      <TextField<TypedCookInput> name="nextTime" label="Change next time" className="col-span-2 sm:col-span-3" />
    </InputForm>
  );
}
