'use client';
import { Trash2 } from 'lucide-react';
import { useFormContext } from 'react-hook-form';
import { TRAITS, VERDICTS, type Trait } from '../../core/learn';
import type { CookWordsInput } from '../../inputs';
import { formatMass, formatMinutes, formatShare, formatTemp, formatWind } from '../../formats/units';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { InputForm } from '../kit/InputForm.client';
import { inputClass } from '../kit/Field';
import { useUnits } from '../kit/UnitsProvider';
import { AttachCurve, type AttachCurveActions } from './AttachCurve.client';
import type { LogRow } from './logRow';

const TRAIT_WORDS: Record<Trait, string> = { bark: 'Bark', moisture: 'Moisture', tenderness: 'Tenderness', smoke: 'Smoke' };

/** One cook: planned and told against what happened, then what the crew says of it. */
export function CookForm({
  row,
  save,
  takeOut,
  onDone,
  ...attaching
}: AttachCurveActions & {
  row: LogRow;
  save: Action<{ id: string; together?: boolean }>;
  takeOut(): void;
  onDone(): void;
}) {
  const units = useUnits();
  const {
    hours,
    toldMin,
    wrap,
    wrapAtMin,
    wrapCoreC,
    finalC,
    feel,
    lidOpenings,
    slicedCoreC,
    windMPerS,
    yieldShare,
    leftKg,
    fuelKg,
    words,
    pit,
    method,
    pitC,
    onMs,
    plannedOnMs,
  } = row;
  const lateMin = onMs !== undefined && plannedOnMs !== undefined ? Math.round((onMs - plannedOnMs) / 60_000) : undefined;
  const facts: [string, string | undefined][] = [
    ['Pit', [pit, formatTemp(pitC, units)].filter(Boolean).join(' at ')],
    ['Method', method],
    ['Took', hours === undefined ? undefined : formatMinutes(hours * 60)],
    ['Told', toldMin && `${formatMinutes(toldMin.p50)} (80 %: ${formatMinutes(toldMin.p10)} to ${formatMinutes(toldMin.p90)})`],
    [
      'Went on',
      lateMin === undefined
        ? undefined
        : lateMin === 0
          ? 'as planned'
          : `${formatMinutes(Math.abs(lateMin))} ${lateMin > 0 ? 'later' : 'earlier'} than planned`,
    ],
    [
      'Wrapped',
      wrap === 'none'
        ? 'never'
        : [
            `in ${wrap}`,
            wrapAtMin !== undefined && `after ${formatMinutes(wrapAtMin)}`,
            wrapCoreC !== undefined && `at ${formatTemp(wrapCoreC, units)}`,
          ]
            .filter(Boolean)
            .join(' '),
    ],
    ['Core when pulled', finalC === undefined ? undefined : formatTemp(finalC, units)],
    ['Felt', feel],
    ['Core when sliced', slicedCoreC === undefined ? undefined : formatTemp(slicedCoreC, units)],
    ['Wind', windMPerS === undefined ? undefined : formatWind(windMPerS, units)],
    ['Yield', yieldShare === undefined ? undefined : `${formatShare(yieldShare)} of its batch, cooked over trimmed raw`],
    ['Left of its batch', leftKg === undefined ? undefined : formatMass(leftKg, units)],
    ['Fuel of its pit', fuelKg === undefined ? undefined : formatMass(fuelKg, units)],
    ['Lid opened', lidOpenings === undefined || lidOpenings === 0 ? undefined : `${lidOpenings} times`],
  ];
  const opened = { id: row.id, ...words };
  return (
    <>
      <dl className="mb-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 text-[0.94rem]">
        {facts.map(
          ([name, said]) =>
            said && (
              <div key={name} className="contents">
                <dt className="text-soft">{name}</dt>
                <dd>{said}</dd>
              </div>
            ),
        )}
      </dl>
      <InputForm<CookWordsInput, { id: string; together?: boolean }>
        schema="CookWordsInput"
        values={opened}
        opened={opened}
        save={save}
        onDone={() => onDone()}
        submitLabel="Keep"
        className="grid gap-3 sm:grid-cols-4"
      >
        {TRAITS.map((trait) => (
          <VerdictField key={trait} trait={trait} />
        ))}
        <Words name="nextTime" label="Change next time" hint="Comes up when the cut, method or pit is planned again." rows={2} />
        <Words name="notes" label="Notes" rows={3} />
      </InputForm>
      <AttachCurve id={row.id} hasCurve={row.hasCurve ?? false} {...attaching} />
      <Button look="quiet" className="mt-2" onClick={takeOut}>
        <Trash2 size={15} aria-hidden /> Take it out of the log
      </Button>
    </>
  );
}

function VerdictField({ trait }: { trait: Trait }) {
  const { register } = useFormContext<CookWordsInput>();
  return (
    <label className="grid text-[0.86rem] font-semibold">
      {TRAIT_WORDS[trait]}
      <select
        className={`${inputClass(false)} font-normal`}
        {...register(`verdict.${trait}`, { setValueAs: (word: string) => word || undefined })}
      >
        <option value="">not said</option>
        {VERDICTS[trait].map((word) => (
          <option key={word}>{word}</option>
        ))}
      </select>
    </label>
  );
}

function Words({ name, label, hint, rows }: { name: 'notes' | 'nextTime'; label: string; hint?: string; rows: number }) {
  const { register, formState } = useFormContext<CookWordsInput>();
  const error = formState.errors[name]?.message;
  return (
    <label className="grid text-[0.86rem] font-semibold sm:col-span-4">
      {label}
      <textarea
        rows={rows}
        aria-invalid={Boolean(error)}
        className={`${inputClass(Boolean(error))} py-1.5 font-normal`}
        {...register(name)}
      />
      {error ? (
        <span role="alert" className="font-normal text-bad">
          {error}
        </span>
      ) : (
        hint && <span className="font-normal text-soft">{hint}</span>
      )}
    </label>
  );
}
