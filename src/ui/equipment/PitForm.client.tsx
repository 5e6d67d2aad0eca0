'use client';
import { FUELS, GAUGE_HEATS, PIT_KIND, PIT_KINDS } from '../../core/model';
import type { PitRecord } from '../../inputs';
import { formatSetPoint } from '../../formats/units';
import type { Action } from '../kit/actions';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, Tick, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';
import { FireFields } from './FireFields.client';
import { RackFields } from './RackFields.client';

type P = PitRecord;

interface PitFormProps {
  pit: PitRecord;
  opened?: object;
  savePit: Action<{ id: string }>;
  onDone(): void;
}

/** Everything about a pit and its racks, every figure in the units the reader uses. */
export function PitForm({ pit, opened, savePit, onDone }: PitFormProps) {
  const units = useUnits();
  const { heat, drop, minutes, factor, fuelMass } = conversions(units);
  return (
    <InputForm<P, { id: string }>
      opened={opened}
      schema="PitRecord"
      values={pit}
      save={savePit}
      onDone={() => onDone()}
      submitLabel="Save the pit"
    >
      <TextField<P> name="name" label="Name" className="col-span-2" />
      <SelectField<P>
        name="kind"
        label="Kind"
        options={PIT_KINDS.map((kind) => [kind, PIT_KIND[kind].name] as const)}
        className="col-span-2"
      />
      <FigureField<P> name="rangeC.0" label="Lowest set point" conversion={heat} />
      <FigureField<P> name="rangeC.1" label="Highest set point" conversion={heat} />
      <FigureField<P> name="warmUpMin" label="Light to ready" conversion={minutes} />
      <FigureField<P>
        name="gaugeOffsetC"
        label={`Grate over gauge, ${formatSetPoint(GAUGE_HEATS.low, units)}`}
        conversion={drop}
        optional
      />
      <FigureField<P>
        name="gaugeOffsetHotC"
        label={`Grate over gauge, ${formatSetPoint(GAUGE_HEATS.hot, units)}`}
        conversion={drop}
        optional
      />
      <FigureField<P> name="openingDropC" label="Drop when opened" conversion={drop} />
      <FigureField<P> name="recoverMin" label="Recovers in" conversion={minutes} />
      <FigureField<P> name="airflow" label="Airflow, usual 1" conversion={factor} optional />
      <FigureField<P> name="humidity" label="Moisture, usual 1" conversion={factor} optional />
      <div className="col-span-2 flex flex-wrap gap-x-5 gap-y-1 sm:col-span-4">
        <Tick<P> name="smoke" label="makes smoke" />
        <Tick<P> name="blower" label="has a blower" />
        <Tick<P> name="travels" label="travels" />
        <Tick<P> name="hired" label="hired" />
      </div>
      <h3 className="col-span-2 mt-2 text-base sm:col-span-4">Fire</h3>
      <SelectField<P> name="fuel.kind" label="Fuel" options={FUELS.map((fuel) => [fuel, fuel] as const)} />
      <FigureField<P> name="fuel.kgPerH" label={`Burns at ${formatSetPoint(121, units)}, mild`} conversion={fuelMass} />
      <FigureField<P> name="fuel.reloadMin" label="Fed every" conversion={minutes} optional />
      <FigureField<P> name="fuel.ashMin" label="Ash every" conversion={minutes} optional />
      <FigureField<P> name="fuel.waterMin" label="Water pan every" conversion={minutes} optional />
      <div className="col-span-2 sm:col-span-4">
        <FireFields />
      </div>
      <div className="col-span-2 sm:col-span-4">
        <RackFields />
      </div>
    </InputForm>
  );
}
