'use client';
import type { CutRecord } from '../../inputs';
import type { Action } from '../kit/actions';
import { useUnits } from '../kit/UnitsProvider';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, TextField } from '../kit/formFields';

type C = CutRecord;

/** Every figure of a cut. */
export function CutForm({ cut, saveCut, onDone }: { cut: CutRecord; saveCut: Action<{ id: string }>; onDone(id?: string): void }) {
  const { heat, size, weight, percent, minutes, plain, price } = conversions(useUnits());
  return (
    <InputForm<C, { id: string }> opened={cut} schema="CutRecord" values={cut} save={saveCut} onDone={(saved) => onDone(saved?.id)}>
      <TextField<C> name="name" label="Name" className="col-span-2" />
      <TextField<C> name="noun.0" label="One is a" />
      <TextField<C> name="noun.1" label="Several are" />
      <SelectField<C>
        name="species"
        label="Animal"
        options={[
          ['beef', 'beef'],
          ['pork', 'pork'],
          ['lamb', 'lamb'],
          ['chicken', 'chicken'],
          ['turkey', 'turkey'],
          ['dish', 'a dish'],
        ]}
      />
      <SelectField<C>
        name="safetyClass"
        label="Safety class"
        options={[
          ['whole', 'whole muscle'],
          ['ground', 'ground, sausage, formed'],
          ['poultry', 'poultry'],
          ['dish', 'mixed dish'],
        ]}
      />
      <SelectField<C>
        name="done.by"
        label="Done by"
        options={[
          ['tender', 'tenderness'],
          ['core', 'core after resting'],
        ]}
      />
      <FigureField<C> name="done.coreC" label="Core after resting" conversion={heat} optional />
      <FigureField<C> name="done.convertedShare" label="Tender at (collagen turned)" conversion={percent} optional />
      <FigureField<C> name="lengthMm" label="Length" conversion={size} />
      <FigureField<C> name="widthMm" label="Width" conversion={size} />
      <FigureField<C> name="thicknessMm" label="Thickness" conversion={size} />
      <FigureField<C> name="fillShare" label="Fills its box by" conversion={percent} />
      <FigureField<C> name="heatDepthShare" label="Depth of flesh" conversion={percent} />
      <FigureField<C> name="thinEnd.thicknessShare" label="Thin end’s thickness" conversion={percent} optional />
      <FigureField<C> name="thinEnd.weightShare" label="Thin end’s weight" conversion={percent} optional />
      <FigureField<C> name="bones" label="Bones, if portioned so" conversion={plain} optional />
      <FigureField<C> name="typicalBoughtKg.0" label="Bought from" conversion={weight} />
      <FigureField<C> name="typicalBoughtKg.1" label="to" conversion={weight} />
      <FigureField<C> name="trimShare" label="Trim" conversion={percent} />
      <FigureField<C> name="yieldShare" label="Yield" conversion={percent} />
      <FigureField<C> name="pulledAtC.0" label="Usually pulled from" conversion={heat} />
      <FigureField<C> name="pulledAtC.1" label="to" conversion={heat} />
      <FigureField<C> name="trimMin" label="Trimming a piece" conversion={minutes} optional />
      <FigureField<C> name="pricePerKg" label="Usual price" conversion={price} optional />
      <SelectField<C>
        name="carved"
        label="Carved"
        options={[
          ['slice', 'sliced'],
          ['pull', 'pulled'],
          ['chop', 'chopped'],
          ['joint', 'jointed'],
          ['dress', 'dressed'],
        ]}
      />
      <FigureField<C> name="carveMin" label="Carving, a piece" conversion={minutes} />
      <FigureField<C> name="restMostMin" label="Longest rest" conversion={minutes} optional />
      <FigureField<C> name="holdMaxMin" label="Longest hold" conversion={minutes} />
      <TextField<C> name="signs" label="How to tell it is done" className="col-span-2 sm:col-span-4" />
      <TextField<C> name="probe" label="Where the probe goes" className="col-span-2 sm:col-span-4" />
      <TextField<C> name="carving" label="How it is carved: thickness, grain, parts" className="col-span-2 sm:col-span-4" optional />
    </InputForm>
  );
}
