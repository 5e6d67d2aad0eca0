'use client';
import { WARMER_KINDS } from '../../core/model';
import { CrewInput, ProbeInput, WarmerInput } from '../../doors';
import type { Action } from '../kit/actions';
import { DoorForm } from '../kit/DoorForm.client';
import { Choice, conversions, Figure, Tick, Words } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

interface GearFormProps<T> {
  entry: T;
  keep: Action<{ id: string }>;
  onDone(): void;
}

export function WarmerForm({ entry, keep, onDone }: GearFormProps<WarmerInput>) {
  const { heat, plain } = conversions(useUnits());
  return (
    <DoorForm<WarmerInput, { id: string }>
      door={WarmerInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the warmer"
      className="grid grid-cols-2 gap-3"
    >
      <Words<WarmerInput> name="name" label="Name" />
      <Choice<WarmerInput> name="kind" label="Kind" options={WARMER_KINDS.map((kind) => [kind, kind] as const)} />
      <Figure<WarmerInput> name="slots" label="Full-pan slots" conversion={plain} />
      <Figure<WarmerInput> name="setC" label="Set point" conversion={heat} />
      <Tick<WarmerInput> name="hired" label="hired" />
    </DoorForm>
  );
}

export function ProbeForm({ entry, keep, onDone }: GearFormProps<ProbeInput>) {
  const { heat, plain, altitude } = conversions(useUnits());
  return (
    <DoorForm<ProbeInput, { id: string }>
      door={ProbeInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the thermometer"
      className="grid grid-cols-2 gap-3"
    >
      <Words<ProbeInput> name="name" label="Name" />
      <Figure<ProbeInput> name="channels" label="Channels" conversion={plain} />
      <Figure<ProbeInput> name="iceC" label="Reads in ice water" conversion={{ ...heat, decimals: 1 }} optional />
      <Figure<ProbeInput> name="boilC" label="Reads in boiling water" conversion={{ ...heat, decimals: 1 }} optional />
      <Figure<ProbeInput> name="altitudeM" label="Checked at an altitude of" conversion={altitude} optional />
      <Tick<ProbeInput> name="out" label="out of use" />
    </DoorForm>
  );
}

export function CrewForm({ entry, keep, onDone }: GearFormProps<CrewInput>) {
  return (
    <DoorForm<CrewInput, { id: string }>
      door={CrewInput}
      values={entry}
      save={keep}
      onDone={() => onDone()}
      submitLabel="Save the name"
      className="grid gap-3"
    >
      <Words<CrewInput> name="name" label="Name" />
    </DoorForm>
  );
}
