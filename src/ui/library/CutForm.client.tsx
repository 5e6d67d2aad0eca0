'use client';
import { CutInput } from '../../doors';
import type { Action } from '../kit/actions';
import { useUnits } from '../kit/UnitsProvider';
import { DoorForm } from '../kit/DoorForm.client';
import { Choice, conversions, Figure, Words } from '../kit/formFields';

type C = CutInput;

/** Every figure of a cut. */
export function CutForm({ cut, keepCut, onDone }: { cut: CutInput; keepCut: Action<{ id: string }>; onDone(id?: string): void }) {
  const { heat, size, weight, percent, minutes, plain, price } = conversions(useUnits());
  return (
    <DoorForm<C, { id: string }> door={CutInput} values={cut} save={keepCut} onDone={(saved) => onDone(saved?.id)}>
      <Words<C> name="name" label="Name" className="col-span-2" />
      <Words<C> name="nounOne" label="One is a" />
      <Words<C> name="nounMany" label="Several are" />
      <Choice<C>
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
      <Choice<C>
        name="safetyClass"
        label="Safety class"
        options={[
          ['whole', 'whole muscle'],
          ['ground', 'ground, sausage, formed'],
          ['poultry', 'poultry'],
          ['dish', 'mixed dish'],
        ]}
      />
      <Choice<C>
        name="doneBy"
        label="Done by"
        options={[
          ['tender', 'tenderness'],
          ['core', 'core after resting'],
        ]}
      />
      <Figure<C> name="doneCoreC" label="Core after resting" conversion={heat} optional />
      <Figure<C> name="convertedShare" label="Tender at (collagen turned)" conversion={percent} optional />
      <Figure<C> name="lengthMm" label="Length" conversion={size} />
      <Figure<C> name="widthMm" label="Width" conversion={size} />
      <Figure<C> name="thicknessMm" label="Thickness" conversion={size} />
      <Figure<C> name="fillShare" label="Fills its box by" conversion={percent} />
      <Figure<C> name="heatDepthShare" label="Depth of flesh" conversion={percent} />
      <Figure<C> name="thinThicknessShare" label="Thin end’s thickness" conversion={percent} optional />
      <Figure<C> name="thinWeightShare" label="Thin end’s weight" conversion={percent} optional />
      <Figure<C> name="bones" label="Bones, if portioned so" conversion={plain} optional />
      <Figure<C> name="boughtLowKg" label="Bought from" conversion={weight} />
      <Figure<C> name="boughtHighKg" label="to" conversion={weight} />
      <Figure<C> name="trimShare" label="Trim" conversion={percent} />
      <Figure<C> name="yieldShare" label="Yield" conversion={percent} />
      <Figure<C> name="pulledLowC" label="Usually pulled from" conversion={heat} />
      <Figure<C> name="pulledHighC" label="to" conversion={heat} />
      <Figure<C> name="trimMin" label="Trimming a piece" conversion={minutes} optional />
      <Figure<C> name="pricePerKg" label="Usual price" conversion={price} optional />
      <Choice<C>
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
      <Figure<C> name="carveMin" label="Carving, a piece" conversion={minutes} />
      <Figure<C> name="holdMaxMin" label="Longest hold" conversion={minutes} />
      <Words<C> name="signs" label="How to tell it is done" className="col-span-2 sm:col-span-4" />
      <Words<C> name="probe" label="Where the probe goes" className="col-span-2 sm:col-span-4" />
    </DoorForm>
  );
}
