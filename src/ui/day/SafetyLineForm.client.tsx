'use client';
import { useState } from 'react';
import { judgeLine, type KeptDay, type SafetyEntry, type SafetyLine } from '../../core/day';
import { celsiusFromFahrenheit } from '../../core/units';
import { SAFETY_WORDS } from '../../formats/messages/day/entry';
import { tagOfPiece } from '../../formats/messages/day/names';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { formatTemp, withFigures } from '../../formats/units';
import { Dialog } from '../kit/Dialog';

const FOODS = ['served', 'reheated', 'cooled faster', 'discarded'] as const;

interface SafetyLineFormProps {
  line: SafetyLine;
  batchId?: string;
  piece?: string;
  corrects?: SafetyEntry;
  kept: KeptDay;
  context: MessageContext;
  onClose(): void;
  onKeep(line: {
    line: SafetyLine;
    batchId?: string;
    piece?: string;
    tempC?: number;
    ppm?: number;
    corrects?: string;
    action?: string;
    food?: (typeof FOODS)[number];
    note?: string;
  }): void;
}

/** One line: its value, judged at once; where it fails, what was done and what became of the food. */
export function SafetyLineForm({ line, batchId, piece, corrects, kept, context, onClose, onKeep }: SafetyLineFormProps) {
  const { event, units } = context;
  const [typed, setTyped] = useState('');
  const [batch, setBatch] = useState(batchId ?? (piece ? undefined : event.batches[0]?.id));
  const [action, setAction] = useState('');
  const [food, setFood] = useState<(typeof FOODS)[number] | undefined>();
  const [note, setNote] = useState('');
  const ppm = line === 'sanitiser';
  const value = typed.trim() === '' ? undefined : Number(typed.replace(',', '.'));
  const tempC = value === undefined || ppm ? undefined : units.temp === 'F' ? celsiusFromFahrenheit(value) : value;
  const isNumber = value === undefined || Number.isFinite(value);
  const possible = tempC === undefined || (tempC >= -30 && tempC <= 130);
  const { verdict, limitC, source } = judgeLine(kept, { line, tempC, batchId: batch, piece });
  const fails = verdict === 'fails';
  const whyNot = !isNumber
    ? 'That is no number.'
    : !possible
      ? 'No food is that cold or hot. Check the figure and its unit.'
      : value === undefined && line !== 'coolingStart'
        ? 'Type what was read.'
        : fails && (action.trim().length < 3 || !food)
          ? 'It fails its rule: write what was done, and what became of the food.'
          : corrects && note.trim().length < 3
            ? 'Write why the earlier line was wrong.'
            : '';
  const field = 'min-h-12 w-full rounded border border-line bg-paper px-3 text-[1.05rem]';
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={SAFETY_WORDS[line]}
      description={corrects ? 'A new line that stands for the earlier one.' : 'Who and when are written by themselves.'}
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(submitted) => {
          submitted.preventDefault();
          if (whyNot) return;
          onKeep({
            line,
            ...(piece ? { piece } : batch && !ppm ? { batchId: batch } : {}),
            ...(tempC !== undefined && { tempC: Math.round(tempC * 10) / 10 }),
            ...(ppm && value !== undefined && { ppm: value }),
            ...(corrects && { corrects: corrects.entryId }),
            ...(action.trim() && { action: action.trim() }),
            ...(food && fails && { food }),
            ...(note.trim() && { note: note.trim() }),
          });
        }}
      >
        {piece ? (
          <p className="font-semibold">{tagOfPiece(context, piece)}</p>
        ) : (
          !ppm && (
            <label className="flex flex-col gap-1">
              <span>Of what</span>
              <select className={field} value={batch} onChange={(changed) => setBatch(changed.target.value)}>
                {event.batches.map((each) => (
                  <option key={each.id} value={each.id}>
                    {batchName(context, each.id)}
                  </option>
                ))}
              </select>
            </label>
          )
        )}
        <label className="flex flex-col gap-1">
          <span>{ppm ? 'Strength, ppm' : `Read, °${units.temp}`}</span>
          <input
            autoFocus
            inputMode="decimal"
            className={`${field} figures text-[1.4rem] font-bold`}
            value={typed}
            onChange={(changed) => setTyped(changed.target.value)}
          />
        </label>
        {limitC !== undefined && tempC !== undefined && possible && (
          <p className={fails ? 'font-semibold text-bad' : 'text-safe'}>
            {fails ? 'Fails' : 'Meets'} its rule of {formatTemp(limitC, units)} ({withFigures(source ?? '', units)}).
          </p>
        )}
        {fails && (
          <>
            <label className="flex flex-col gap-1">
              <span>What was done</span>
              <input className={field} value={action} maxLength={300} onChange={(changed) => setAction(changed.target.value)} />
            </label>
            <fieldset>
              <legend className="mb-1">What became of the food</legend>
              <div className="grid grid-cols-2 gap-2">
                {FOODS.map((each) => (
                  <button
                    key={each}
                    type="button"
                    aria-pressed={food === each}
                    className={`min-h-12 rounded border px-2 ${food === each ? 'border-ember bg-ember font-bold text-on-ember' : 'border-line'}`}
                    onClick={() => setFood(each)}
                  >
                    {each}
                  </button>
                ))}
              </div>
            </fieldset>
          </>
        )}
        <label className="flex flex-col gap-1">
          <span>{corrects ? 'Why the earlier line was wrong' : 'Note'}</span>
          <input className={field} value={note} maxLength={300} onChange={(changed) => setNote(changed.target.value)} />
        </label>
        {whyNot && typed !== '' && (
          <p role="alert" className="text-bad">
            {whyNot}
          </p>
        )}
        <button
          type="submit"
          disabled={Boolean(whyNot)}
          className="min-h-14 rounded border border-ember bg-ember text-[1.1rem] font-bold text-on-ember disabled:opacity-50"
        >
          Write it down
        </button>
      </form>
    </Dialog>
  );
}
