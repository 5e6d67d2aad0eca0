'use client';
import { Minus, Plus, Trash2, Users } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { FieldErrors } from 'react-hook-form';
import { cutIn, methodIn, methodsFor, type Batch, type Library } from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import { lbFromKg } from '../../core/units';
import type { ServingInput } from '../../inputs';
import { batchContents, type Demand } from '../../core/quantities';
import { carriedName } from '../../formats/messages/carried';
import { formatHelping, formatMass, withFigures } from '../../formats/units';
import { overMessage } from '../../formats/messages/demand';
import { readyAt } from '../../formats/messages/method';
import { capital, list } from '../../formats/messages/names';
import { Button } from '../kit/Button';
import { CarriedPicker } from '../kit/CarriedPicker.client';
import { FieldError, inputClass } from '../kit/Field';
import { overTone } from '../kit/overTone';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';
import { MethodOptions } from '../library/MethodOptions';
import { PriceOf } from '../library/Prices';
import { overShare } from './briefForm';
import { newId } from '../kit/newId';

const FormOfCut = lazy(() => import('./FormOfCut').then((made) => ({ default: made.FormOfCut })));
/** Weights, helping and second dish: fetched when they are opened. */
const BatchDetails = lazy(() => import('./BatchDetails.client').then((made) => ({ default: made.BatchDetails })));

interface BatchRowProps {
  library: Library;
  prices: MethodPrices;
  serving: ServingInput;
  servings: { id: string; name: string }[];
  demand?: Demand;
  batch: Batch;
  name: string;
  errors?: FieldErrors<Batch>;
  onChange(batch: Batch): void;
  onRemove(): void;
}

/** One cut on the menu: what the guests need of it, by which method, in which pieces. */
export function BatchRow({ library, prices, serving, servings, demand, batch, name, errors, onChange, onRemove }: BatchRowProps) {
  const units = useUnits();
  const cut = cutIn(library, batch.cutId)!;
  const method = methodIn(library, batch.methodId)!;
  const need = demand;
  const [dish] = need?.dishes ?? [];
  const { carries, undeclared } = batchContents(batch, library);
  const byHand = (pieces: Batch['pieces']) => onChange({ ...batch, sizedBy: 'hand', pieces });
  const add = () => byHand([...batch.pieces, { id: newId().slice(0, 13), kg: batch.pieces.at(-1)?.kg ?? need?.pieceKg ?? 1 }]);
  const over = need ? overShare(need, batch) : 0;
  const pounds = units.mass === 'lb';
  const piecesError = Array.isArray(errors?.pieces)
    ? errors.pieces.find((each) => each?.kg)?.kg?.message
    : (errors?.pieces as { message?: string } | undefined)?.message;
  const [asked, setOpen] = useState(false);
  const open = asked || Boolean(piecesError || errors?.second);
  return (
    <tr className="border-t border-line align-top">
      <td className="py-3 pl-4 pr-3">
        <p className="font-title font-bold leading-snug">{capital(cut.name)}</p>
        {cut.safetyClass === 'dish' ? (
          <>
            <input
              aria-label="Name of the dish"
              placeholder="Name of the dish"
              className={`${inputClass(Boolean(errors?.label))} mt-1`}
              value={batch.label}
              onChange={(event) => onChange({ ...batch, label: event.target.value })}
            />
            <FieldError id={`${name}-label`} error={errors?.label?.message} />
            {batch.prep?.recipes?.dish === undefined && (
              <div className="mt-1">
                <CarriedPicker
                  id={`${name}-carries`}
                  label={`Allergens of ${batch.label || cut.name}`}
                  value={batch.carries}
                  declares
                  onChange={(declared) => onChange({ ...batch, carries: declared })}
                />
              </div>
            )}
          </>
        ) : (
          <p className="text-[0.85rem] text-soft">{readyAt(cut, units)}</p>
        )}
        <Suspense fallback={null}>
          <FormOfCut library={library} prices={prices} batch={batch} onChange={onChange} />
        </Suspense>
      </td>
      <td className="py-3 pr-3">
        <select
          aria-label={`Method for ${cut.name}`}
          className={inputClass(Boolean(errors?.methodId))}
          value={batch.methodId}
          onChange={(event) => onChange({ ...batch, methodId: event.target.value })}
        >
          <MethodOptions methods={methodsFor(library, cut)} />
        </select>
        <p className="mt-1 text-[0.8rem] leading-snug">
          <PriceOf method={method} cut={cut} library={library} prices={prices} />
        </p>
        <p className="mt-0.5 text-[0.8rem] leading-snug text-soft">{withFigures(method.line, units)}</p>
        {carries.length > 0 && (
          <p className="mt-1 text-[0.8rem] leading-snug">
            <span className="text-soft">Carries </span>
            {carries.map(({ carried, from }, i) => (
              <span key={carried} title={from.join(', ')}>
                {i > 0 && ', '}
                <span className="font-semibold">{carriedName(carried)}</span>
              </span>
            ))}
          </p>
        )}
        {undeclared.length > 0 && <p className="mt-1 text-[0.8rem] font-semibold text-warn">Not declared: {list(undeclared)}</p>}
        <FieldError id={`${name}-method`} error={errors?.methodId?.message} />
      </td>
      <td className="py-3 pr-1">
        {cut.species !== 'dish' && (
          <>
            <NumberField
              id={`${name}-share`}
              label={`Share of the plate for ${cut.name}, or let it split`}
              placeholder="splits"
              unit="%"
              shown={(share) => share * 100}
              kept={(percent) => percent / 100}
              value={batch.share ?? Number.NaN}
              onChange={(share) => onChange({ ...batch, share: Number.isNaN(share) ? undefined : share })}
              error={errors?.share?.message}
            />
            {batch.share === undefined && dish && (
              <p className="figures mt-0.5 text-right text-[0.8rem] text-soft">{Math.round(dish.plateShare * 100)} %</p>
            )}
            <FieldError id={`${name}-share`} error={errors?.share?.message} />
          </>
        )}
      </td>
      {need ? (
        <>
          <Figure
            main={formatMass(need.cookedKg, units)}
            note={
              dish?.bonesPerPortion === undefined
                ? `${formatHelping(dish?.gramsPerPortion ?? 0, units)} a head`
                : `${Number(dish.bonesPerPortion.toFixed(1))} bones a head`
            }
          />
          <Figure
            main={formatMass(need.trimmedKg, units)}
            note={dish?.bonesPerPortion !== undefined ? `${cut.bones} bones a rack` : `yield ${cut.yieldShare.toFixed(2)}`}
          />
          <Figure main={formatMass(need.boughtKg, units)} note={cut.trimShare > 0 ? `trim ${cut.trimShare.toFixed(2)}` : 'no trim'} />
        </>
      ) : (
        <td colSpan={3} className="py-3 text-right text-[0.85rem] text-soft">
          give the guests first
        </td>
      )}
      <td className="py-3 pl-5">
        <div className="flex flex-wrap items-center gap-2">
          <Button
            aria-label={`One ${cut.noun[0]} fewer`}
            className="size-9 px-0"
            disabled={batch.pieces.length <= 1}
            onClick={() => byHand(batch.pieces.slice(0, -1))}
          >
            <Minus size={15} aria-hidden />
          </Button>
          <span className="figures min-w-7 text-center text-[1.15rem] font-bold" aria-live="polite">
            {batch.pieces.length}
          </span>
          <Button aria-label={`One ${cut.noun[0]} more`} className="size-9 px-0" onClick={add}>
            <Plus size={15} aria-hidden />
          </Button>
          {need && <span className={`figures text-[0.9rem] font-semibold ${overTone(over)}`}>{overMessage(over)}</span>}
          {batch.sizedBy === 'hand' && (
            <Button
              look="quiet"
              className="px-2 text-[0.85rem]"
              onClick={() => onChange({ ...batch, sizedBy: 'guests' })}
              title="Let the number of pieces follow the guests again"
            >
              <Users size={15} aria-hidden /> by guests
            </Button>
          )}
        </div>
        <details className="mt-1" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary className="text-[0.85rem] text-soft">{weightsLine(batch, pounds)}</summary>
          {open && (
            <Suspense fallback={null}>
              <BatchDetails {...{ library, serving, servings, dish, batch, name, errors, onChange, byHand }} />
            </Suspense>
          )}
        </details>
        <FieldError id={`${name}-pieces`} error={piecesError} />
      </td>
      <td className="py-3 pr-4 text-right">
        <Button look="quiet" className="px-2" aria-label={`Take ${cut.name} off the menu`} onClick={onRemove}>
          <Trash2 size={17} aria-hidden />
        </Button>
      </td>
    </tr>
  );
}

function Figure({ main, note }: { main: string; note: string }) {
  return (
    <td className="figures whitespace-nowrap py-3 text-right">
      <p className="text-[1.05rem] font-bold">{main}</p>
      <p className="text-[0.85rem] text-soft">{note}</p>
    </td>
  );
}

function weightsLine(batch: Batch, pounds: boolean): string {
  const weights = batch.pieces.map((piece) => piece.kg).filter(Number.isFinite);
  if (weights.length === 0) return 'weights';
  const shown = (kg: number) => (pounds ? lbFromKg(kg) : kg).toFixed(pounds ? 1 : 2);
  const low = shown(Math.min(...weights));
  const high = shown(Math.max(...weights));
  return `${low === high ? low : `${low} to ${high}`} ${pounds ? 'lb' : 'kg'} each · weights, helping${batch.second ? `, also ${batch.second.name.toLowerCase()}` : ', second dish'}`;
}
