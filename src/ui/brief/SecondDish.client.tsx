'use client';
import { Split, Trash2 } from 'lucide-react';
import type { FieldErrors } from 'react-hook-form';
import type { Batch } from '../../core/model';
import { Button } from '../kit/Button';
import { conversions } from '../kit/conversions';
import { FieldError, inputClass } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';

interface SecondDishProps {
  id: string;
  batch: Batch;
  servings: { id: string; name: string }[];
  servingId: string;
  /** The share of the meat the thick end makes, offered as the usual part. */
  thickShare?: number;
  errors?: FieldErrors<NonNullable<Batch['second']>>;
  onChange(second: Batch['second']): void;
}

const PERCENT = { unit: '%', shown: (share: number) => share * 100, kept: (percent: number) => percent / 100 };
const orNone = (value: number) => (Number.isNaN(value) ? undefined : value);

/** A second dish from the same pieces: another cut of the knife, or another serving. */
export function SecondDish({ id, batch, servings, servingId, thickShare, errors, onChange }: SecondDishProps) {
  const { second } = batch;
  const { helping, minutes } = conversions(useUnits());
  if (!second)
    return (
      <Button
        look="quiet"
        className="mt-2 px-2 text-[0.85rem]"
        onClick={() =>
          onChange({
            name: 'Second dish',
            servingId: servings.find((each) => each.id !== servingId)?.id ?? servingId,
            partShare: thickShare,
          })
        }
      >
        <Split size={15} aria-hidden /> Carve a second dish from it
      </Button>
    );
  return (
    <div className="mt-2 grid grid-cols-[1fr_1fr] gap-2 rounded border border-line p-2">
      <p className="col-span-2 flex items-center justify-between text-[0.85rem] font-semibold">
        Also carved from it
        <Button look="quiet" className="px-2" aria-label="No second dish" onClick={() => onChange(undefined)}>
          <Trash2 size={15} aria-hidden />
        </Button>
      </p>
      <div>
        <input
          aria-label="Name of the second dish"
          className={inputClass(Boolean(errors?.name))}
          value={second.name}
          onChange={(event) => onChange({ ...second, name: event.target.value })}
        />
        <FieldError id={`${id}-second-name`} error={errors?.name?.message} />
      </div>
      <select
        aria-label="Serving of the second dish"
        className={inputClass(Boolean(errors?.servingId))}
        value={second.servingId}
        onChange={(event) => onChange({ ...second, servingId: event.target.value })}
      >
        {servings.map((each) => (
          <option key={each.id} value={each.id}>
            for {each.name}
          </option>
        ))}
      </select>
      {(
        [
          ['partShare', 'Part of the meat, or as needed', 'as needed'],
          ['share', 'Share of that plate, or let it split', 'splits'],
        ] as const
      ).map(([name, label, blank]) => (
        <div key={name}>
          <p className="text-[0.8rem] text-soft">{label}</p>
          <NumberField
            id={`${id}-second-${name}`}
            label={label}
            placeholder={blank}
            {...PERCENT}
            value={second[name] ?? Number.NaN}
            onChange={(value) => onChange({ ...second, [name]: orNone(value) })}
            error={errors?.[name]?.message}
          />
          <FieldError id={`${id}-second-${name}`} error={errors?.[name]?.message} />
        </div>
      ))}
      <div>
        <p className="text-[0.8rem] text-soft">Cubed, sauced, back on for</p>
        <NumberField
          id={`${id}-second-backOnMin`}
          label="Cubed, sauced, back on for"
          placeholder="not"
          {...minutes}
          value={second.backOnMin ?? Number.NaN}
          onChange={(value) => onChange({ ...second, backOnMin: orNone(value) })}
          error={errors?.backOnMin?.message}
        />
        <FieldError id={`${id}-second-backOnMin`} error={errors?.backOnMin?.message} />
      </div>
      <div>
        <p className="text-[0.8rem] text-soft">A head, cooked, or by the trade</p>
        <NumberField
          id={`${id}-second-portionG`}
          label="A head of the second dish"
          placeholder="by the trade"
          {...helping}
          value={second.portionG ?? Number.NaN}
          onChange={(value) => onChange({ ...second, portionG: orNone(value) })}
          error={errors?.portionG?.message}
        />
        <FieldError id={`${id}-second-portionG`} error={errors?.portionG?.message} />
      </div>
    </div>
  );
}
