'use client';
import { Printer, Table } from 'lucide-react';
import { useState } from 'react';
import { judgeLine, SAFETY_LINES, type KeptDay, type SafetyEntry, type SafetyLine } from '../../core/day';
import { celsiusFromFahrenheit } from '../../core/units';
import { clockTime, longDay } from '../../formats/clock';
import { SAFETY_WORDS } from '../../formats/messages/day/entry';
import { tagOfPiece } from '../../formats/messages/day/names';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { DEFERS } from '../../formats/messages/safety';
import { formatTemp, withFigures } from '../../formats/units';
import { Button, buttonClass } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import type { DayGround, DayScreen } from './dayScreen';
import type { Say } from './useDeeds';

interface SafetyLogProps {
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  say: Say;
}

const FOODS = ['served', 'reheated', 'cooled faster', 'discarded'] as const;

/** The log the inspector asks for: what is due, what was written, what failed and what was done about it. It prints on one leaf. */
export function SafetyLog({ day, ground, context, nowMs, say }: SafetyLogProps) {
  const { event, units } = context;
  const [writing, setWriting] = useState<{ line: SafetyLine; batchId?: string; piece?: string; corrects?: SafetyEntry } | undefined>();
  const kept = { plan: ground.plan, input: { event: ground.event, library: ground.library } } as KeptDay;
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const named = ({ batchId, piece }: { batchId?: string; piece?: string }) =>
    piece ? tagOfPiece(context, piece) : batchId ? batchName(context, batchId) : '';
  const soon = day.safetyDue.filter((due) => due.dueMs < nowMs + 3 * 3_600_000);
  return (
    <section aria-label="Safety log" className="px-4 py-3 print:p-0">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-[1.15rem]">Safety log</h2>
        <span className="flex gap-2 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <a href={`/days/${event.id}/safety`} download className={buttonClass()}>
            <Table size={16} aria-hidden /> CSV
          </a>
        </span>
      </div>
      <p className="hidden text-[0.9rem] print:block">
        {event.name}, {event.place}; {longDay(day.startedAtMs ?? nowMs, event.timeZone)}
      </p>
      <div className="print:hidden">
        <h3 className="mt-3 text-[1rem]">Wanted</h3>
        {soon.length === 0 && <p className="text-soft">Nothing is due in the next three hours.</p>}
        <ul className="mt-1 flex flex-col gap-2">
          {soon.map((due) => (
            <li key={`${due.line}/${due.piece ?? due.batchId}`}>
              <button
                type="button"
                className="flex min-h-12 w-full items-center justify-between gap-3 rounded border border-line bg-sheet px-3 text-left"
                onClick={() => setWriting(due)}
              >
                <span>
                  <span className="font-semibold">{SAFETY_WORDS[due.line]}</span> {named(due)}
                </span>
                <span className={due.dueMs < nowMs ? 'font-bold text-bad' : 'text-soft'}>
                  {due.dueMs < nowMs ? `since ${time(due.dueMs)}` : `by ${time(due.dueMs)}`}
                </span>
              </button>
            </li>
          ))}
        </ul>
        <div className="mt-2 flex flex-wrap gap-2">
          {SAFETY_LINES.map((line) => (
            <button
              key={line}
              type="button"
              className="min-h-12 rounded border border-line px-3 text-[0.92rem]"
              onClick={() => setWriting({ line })}
            >
              {SAFETY_WORDS[line]}
            </button>
          ))}
        </div>
      </div>
      <h3 className="mt-4 text-[1rem] print:hidden">Written</h3>
      {day.safety.length === 0 ? (
        <p className="text-soft">
          Nothing yet. Lines come of readings that are typed here, each with who and when; none is ever changed, only corrected by a new
          one.
        </p>
      ) : (
        <table className="mt-1 w-full text-[0.92rem] print:text-[0.75rem]">
          <thead>
            <tr className="border-b border-line text-left text-soft">
              <th className="py-1 pr-2 font-semibold">Time</th>
              <th className="pr-2 font-semibold">What</th>
              <th className="pr-2 text-right font-semibold">Read</th>
              <th className="pr-2 font-semibold">Rule</th>
              <th className="font-semibold">By</th>
            </tr>
          </thead>
          <tbody>
            {day.safety.map((entry) => {
              const { verdict, limitC, source } = judgeLine(kept, entry);
              const low = entry.line === 'receiving' || entry.line === 'brine' || entry.line === 'cooling21' || entry.line === 'cooling5';
              return (
                <tr key={entry.entryId} className={`border-b border-line align-top ${entry.correctedBy ? 'text-soft line-through' : ''}`}>
                  <td className="figures py-1 pr-2">{time(entry.atMs)}</td>
                  <td className="pr-2">
                    {SAFETY_WORDS[entry.line]} {named(entry)}
                    {entry.action && (
                      <span className="block text-[0.85rem] text-bad">
                        Done: {entry.action}
                        {entry.food ? `; food ${entry.food}` : ''}
                      </span>
                    )}
                    {entry.note && <span className="block text-[0.85rem] text-soft">{entry.note}</span>}
                  </td>
                  <td className={`figures pr-2 text-right font-bold ${verdict === 'fails' ? 'text-bad' : ''}`}>
                    {entry.tempC === undefined ? (entry.ppm === undefined ? '' : `${entry.ppm} ppm`) : formatTemp(entry.tempC, units)}
                  </td>
                  <td className="pr-2 text-[0.85rem]">
                    {limitC === undefined
                      ? ''
                      : `${verdict === 'fails' ? 'fails' : 'meets'} ${low ? 'at most' : 'at least'} ${formatTemp(limitC, units)}; ${withFigures(source ?? '', units)}`}
                  </td>
                  <td>
                    {entry.by}
                    {!entry.correctedBy && (
                      <button
                        type="button"
                        className="ml-2 underline print:hidden"
                        onClick={() => setWriting({ line: entry.line, batchId: entry.batchId, piece: entry.piece, corrects: entry })}
                      >
                        Correct
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <p className="mt-3 text-[0.85rem] text-soft">{DEFERS}</p>
      {writing && (
        <LineForm
          key={`${writing.line}/${writing.piece ?? writing.batchId ?? ''}`}
          {...writing}
          kept={kept}
          context={context}
          onClose={() => setWriting(undefined)}
          onKeep={(line) => {
            say({ kind: 'safety', ...line }, `${SAFETY_WORDS[line.line]} written down`);
            setWriting(undefined);
          }}
        />
      )}
    </section>
  );
}

interface LineFormProps {
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
function LineForm({ line, batchId, piece, corrects, kept, context, onClose, onKeep }: LineFormProps) {
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
