'use client';
import { WARMER_KINDS } from '../../core/model';
import type { CrewMemberRecord, ProbeRecord, WarmerRecord } from '../../inputs';
import type { Action } from '../kit/actions';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, Tick, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

interface GearFormProps<T> {
  entry: T;
  opened?: object;
  keep: Action<{ id: string }>;
  onDone(): void;
}

export function WarmerForm({ entry, opened, keep, onDone }: GearFormProps<WarmerRecord>) {
  const { heat, plain } = conversions(useUnits());
  return (
    <InputForm<WarmerRecord, { id: string }>
      opened={opened}
      schema="WarmerRecord"
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the warmer"
      className="grid grid-cols-2 gap-3"
    >
      <TextField<WarmerRecord> name="name" label="Name" />
      <SelectField<WarmerRecord> name="kind" label="Kind" options={WARMER_KINDS.map((kind) => [kind, kind] as const)} />
      <FigureField<WarmerRecord> name="slots" label="Full-pan slots" conversion={plain} />
      <FigureField<WarmerRecord> name="setC" label="Set point" conversion={heat} />
      <Tick<WarmerRecord> name="travels" label="travels" />
      <Tick<WarmerRecord> name="hired" label="hired" />
    </InputForm>
  );
}

export function ProbeForm({ entry, opened, keep, onDone }: GearFormProps<ProbeRecord>) {
  const { heat, plain, altitude } = conversions(useUnits());
  return (
    <InputForm<ProbeRecord, { id: string }>
      opened={opened}
      schema="ProbeRecord"
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the thermometer"
      className="grid grid-cols-2 gap-3"
    >
      <TextField<ProbeRecord> name="name" label="Name" />
      <FigureField<ProbeRecord> name="channels" label="Channels" conversion={plain} />
      <FigureField<ProbeRecord> name="iceC" label="Reads in ice water" conversion={{ ...heat, decimals: 1 }} optional />
      <FigureField<ProbeRecord> name="boilC" label="Reads in boiling water" conversion={{ ...heat, decimals: 1 }} optional />
      <FigureField<ProbeRecord> name="altitudeM" label="Checked at an altitude of" conversion={altitude} optional />
      <Tick<ProbeRecord> name="out" label="out of use" />
    </InputForm>
  );
}

export function CrewForm({ entry, opened, keep, onDone }: GearFormProps<CrewMemberRecord>) {
  return (
    <InputForm<CrewMemberRecord, { id: string }>
      opened={opened}
      schema="CrewMemberRecord"
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the name"
      className="grid gap-3"
    >
      <TextField<CrewMemberRecord> name="name" label="Name" />
      <Tick<CrewMemberRecord> name="drives" label="drives" />
    </InputForm>
  );
}
