'use client';
import type { FieldValues, Path } from 'react-hook-form';
import type { CoalLay, FireRecipe } from '../../core/model';
import { conversions } from '../kit/conversions';
import { FigureField, SelectField, TextField, Tick } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

const LAYS: [CoalLay, string][] = [
  ['bed', 'an even bed'],
  ['ring', 'a ring, lit at one end'],
  ['side', 'banked to one side'],
  ['basket', 'in a basket'],
  ['shovelled', 'burned down apart, shovelled in'],
];

/** How one fire is made, for a heat: coals, woods, air and water. */
export function FireParts<T extends FieldValues>({ at }: { at(part: keyof FireRecipe): Path<T> }) {
  const { heat, weight, percent, plain, litres } = conversions(useUnits());
  return (
    <>
      <FigureField<T> name={at('pitC')} label="For a heat of" conversion={heat} />
      <FigureField<T> name={at('litKg')} label="Coals lit" conversion={weight} optional />
      <FigureField<T> name={at('unlitKg')} label="Coals unlit" conversion={weight} optional />
      <SelectField<T> name={at('lay')} label="They lie" options={[['', ''], ...LAYS]} optional />
      <TextField<T> name={at('wood')} label="Wood" optional />
      <TextField<T> name={at('secondWood')} label="Second wood" optional />
      <FigureField<T> name={at('secondShare')} label="Its share" conversion={percent} optional />
      <SelectField<T>
        name={at('woodLies')}
        label="Wood lies"
        options={[
          ['', ''],
          ['under', 'under the coals'],
          ['onTop', 'on top'],
        ]}
        optional
      />
      <FigureField<T> name={at('inEighths')} label="Air in, eighths open" conversion={plain} optional />
      <FigureField<T> name={at('outEighths')} label="Smoke out, eighths open" conversion={plain} optional />
      <FigureField<T> name={at('waterLitres')} label="Water" conversion={{ ...litres, decimals: 1 }} optional />
      <Tick<T> name={at('waterHot')} label="hot" />
    </>
  );
}
