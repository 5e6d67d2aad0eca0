'use client';
import type { FieldErrors } from 'react-hook-form';
import { cutIn, methodIn, type Batch, type Library } from '../../core/model';
import type { DishNeed } from '../../core/quantities';
import { kgFromLb, lbFromKg } from '../../core/units';
import { helpingReason } from '../../formats/messages/demand';
import { holdMessage } from '../../formats/messages/method';
import { capital } from '../../formats/messages/names';
import { formatHelping } from '../../formats/units';
import type { ServingInput } from '../../inputs';
import { conversions } from '../kit/conversions';
import { FieldError } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';
import { SecondDish } from './SecondDish.client';

interface BatchDetailsProps {
  library: Library;
  serving: ServingInput;
  servings: { id: string; name: string }[];
  /** What its guests need of it. */
  dish?: DishNeed;
  batch: Batch;
  name: string;
  errors?: FieldErrors<Batch>;
  onChange(batch: Batch): void;
  byHand(pieces: Batch['pieces']): void;
}

/** The weight of each piece, the helping and why, and what else is carved from it. */
export function BatchDetails({ library, serving, servings, dish, batch, name, errors, onChange, byHand }: BatchDetailsProps) {
  const units = useUnits();
  const pounds = units.mass === 'lb';
  const { helping } = conversions(units);
  const cut = cutIn(library, batch.cutId)!;
  const method = methodIn(library, batch.methodId)!;
  return (
    <>
      <div className="mt-2 flex max-w-xl flex-wrap gap-2">
        {batch.pieces.map((piece, i) => (
          <NumberField
            key={piece.id}
            id={`${name}-piece-${i}`}
            label={`Weight of ${cut.noun[0]} ${i + 1}`}
            className="w-24"
            decimals={pounds ? 1 : 2}
            unit={units.mass}
            shown={pounds ? lbFromKg : undefined}
            kept={pounds ? kgFromLb : undefined}
            value={piece.kg}
            onChange={(kg) => byHand(batch.pieces.map((each, at) => (at === i ? { ...each, kg } : each)))}
            error={Array.isArray(errors?.pieces) ? errors.pieces[i]?.kg?.message : undefined}
          />
        ))}
      </div>
      <p className="mt-1 text-[0.8rem] text-soft">
        Trimmed weight as it goes on. Hold after the rest:{' '}
        {holdMessage({ ...method, holdMaxMin: batch.holdMaxMin ?? method.holdMaxMin }, cut)}.
      </p>
      {dish && (
        <div className="mt-2 max-w-xl">
          <label htmlFor={`${name}-portion`} className="text-[0.8rem] text-soft">
            {cut.bones === undefined ? 'A head, cooked' : 'Bones a head'}
          </label>
          <NumberField
            id={`${name}-portion`}
            label={`A head of ${cut.name}`}
            className="w-28"
            {...(cut.bones === undefined ? helping : { decimals: 1 })}
            placeholder={
              cut.bones === undefined
                ? formatHelping(dish.usual.gramsPerPortion, units).replace(/ .*/, '')
                : String(Number(dish.usual.bonesPerPortion!.toFixed(1)))
            }
            value={(cut.bones === undefined ? batch.portionG : batch.portionBones) ?? Number.NaN}
            onChange={(value) =>
              onChange({ ...batch, [cut.bones === undefined ? 'portionG' : 'portionBones']: Number.isNaN(value) ? undefined : value })
            }
            error={errors?.portionG?.message ?? errors?.portionBones?.message}
          />
          <FieldError id={`${name}-portion`} error={errors?.portionG?.message ?? errors?.portionBones?.message} />
          <p className="mt-0.5 text-[0.8rem] text-soft">{capital(helpingReason(dish, cut.species === 'dish', units))}.</p>
        </div>
      )}
      {cut.species !== 'dish' && (
        <SecondDish
          id={name}
          batch={batch}
          servings={servings}
          servingId={serving.id}
          thickShare={cut.thinEnd && 1 - cut.thinEnd.weightShare}
          errors={errors?.second as never}
          onChange={(second) => onChange({ ...batch, second })}
        />
      )}
    </>
  );
}
