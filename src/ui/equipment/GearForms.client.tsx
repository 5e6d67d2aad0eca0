'use client';
import { WARMER_KINDS } from '../../core/model';
import { CrewInput, ProbeInput, WarmerInput } from '../../inputs';
import type { Action } from '../kit/actions';
import { InputForm } from '../kit/InputForm.client';
import { SelectField, conversions, FigureField, Tick, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

interface GearFormProps<T> {
  entry: T;
  keep: Action<{ id: string }>;
  onDone(): void;
}

export function WarmerForm({ entry, keep, onDone }: GearFormProps<WarmerInput>) {
  const { heat, plain } = conversions(useUnits());
  return (
    <InputForm<WarmerInput, { id: string }>
      schema={WarmerInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the warmer"
      className="grid grid-cols-2 gap-3"
    >
      <TextField<WarmerInput> name="name" label="Name" />
      <SelectField<WarmerInput> name="kind" label="Kind" options={WARMER_KINDS.map((kind) => [kind, kind] as const)} />
      <FigureField<WarmerInput> name="slots" label="Full-pan slots" conversion={plain} />
      <FigureField<WarmerInput> name="setC" label="Set point" conversion={heat} />
      <Tick<WarmerInput> name="hired" label="hired" />
    </InputForm>
  );
}

export function ProbeForm({ entry, keep, onDone }: GearFormProps<ProbeInput>) {
  const { heat, plain, altitude } = conversions(useUnits());
  return (
    <InputForm<ProbeInput, { id: string }>
      schema={ProbeInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the thermometer"
      className="grid grid-cols-2 gap-3"
    >
      <TextField<ProbeInput> name="name" label="Name" />
      <FigureField<ProbeInput> name="channels" label="Channels" conversion={plain} />
      <FigureField<ProbeInput> name="iceC" label="Reads in ice water" conversion={{ ...heat, decimals: 1 }} optional />
      <FigureField<ProbeInput> name="boilC" label="Reads in boiling water" conversion={{ ...heat, decimals: 1 }} optional />
      <FigureField<ProbeInput> name="altitudeM" label="Checked at an altitude of" conversion={altitude} optional />
      <Tick<ProbeInput> name="out" label="out of use" />
    </InputForm>
  );
}

export function CrewForm({ entry, keep, onDone }: GearFormProps<CrewInput>) {
  return (
    <InputForm<CrewInput, { id: string }>
      schema={CrewInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the name"
      className="grid gap-3"
    >
      <TextField<CrewInput> name="name" label="Name" />
    </InputForm>
  );
}
