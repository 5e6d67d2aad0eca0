'use client';
import { FUELS, PIT_KIND_NAMES, PIT_KINDS } from '../../core/model';
import { PitInput } from '../../doors';
import { formatTemp } from '../../formats/units';
import type { Action } from '../kit/actions';
import { DoorForm } from '../kit/DoorForm.client';
import { Choice, conversions, Figure, Tick, Words } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';
import { RackFields } from './RackFields.client';

type P = PitInput;

/** Everything about a pit and its racks, every figure in the units the reader uses. */
export function PitForm({ pit, keepPit, onDone }: { pit: PitInput; keepPit: Action<{ id: string }>; onDone(): void }) {
  const units = useUnits();
  const { heat, drop, minutes, factor, fuelMass } = conversions(units);
  return (
    <DoorForm<P, { id: string }> door={PitInput} values={pit} save={keepPit} onDone={() => onDone()} submitLabel="Save the pit">
      <Words<P> name="name" label="Name" className="col-span-2" />
      <Choice<P> name="kind" label="Kind" options={PIT_KINDS.map((kind) => [kind, PIT_KIND_NAMES[kind]] as const)} className="col-span-2" />
      <Figure<P> name="rangeLowC" label="Lowest set point" conversion={heat} />
      <Figure<P> name="rangeHighC" label="Highest set point" conversion={heat} />
      <Figure<P> name="warmUpMin" label="Light to ready" conversion={minutes} />
      <Figure<P> name="gaugeOffsetC" label="Grate over gauge" conversion={drop} optional />
      <Figure<P> name="openingDropC" label="Drop when opened" conversion={drop} />
      <Figure<P> name="recoverMin" label="Recovers in" conversion={minutes} />
      <Figure<P> name="airflow" label="Airflow, usual 1" conversion={factor} optional />
      <Figure<P> name="humidity" label="Moisture, usual 1" conversion={factor} optional />
      <div className="col-span-2 flex flex-wrap gap-x-5 gap-y-1 sm:col-span-4">
        <Tick<P> name="smoke" label="makes smoke" />
        <Tick<P> name="blower" label="has a blower" />
        <Tick<P> name="travels" label="travels" />
        <Tick<P> name="hired" label="hired" />
      </div>
      <h3 className="col-span-2 mt-2 text-base sm:col-span-4">Fire</h3>
      <Choice<P> name="fuel.kind" label="Fuel" options={FUELS.map((fuel) => [fuel, fuel] as const)} />
      <Figure<P> name="fuel.kgPerH" label={`Burns at ${formatTemp(121, units)}, mild`} conversion={fuelMass} />
      <Figure<P> name="fuel.reloadMin" label="Fed every" conversion={minutes} optional />
      <Figure<P> name="fuel.ashMin" label="Ash every" conversion={minutes} optional />
      <Figure<P> name="fuel.waterMin" label="Water pan every" conversion={minutes} optional />
      <div className="col-span-2 sm:col-span-4">
        <RackFields />
      </div>
    </DoorForm>
  );
}
