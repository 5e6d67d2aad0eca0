'use client';
import { Printer, Table } from 'lucide-react';
import { useState } from 'react';
import { judgeLine, SAFETY_LINES, type KeptDay, type SafetyEntry, type SafetyLine } from '../../core/day';
import { clockTime, longDay } from '../../formats/clock';
import { SAFETY_WORDS } from '../../formats/messages/day/entry';
import { tagOfPiece } from '../../formats/messages/day/names';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { DEFERS } from '../../formats/messages/safety';
import { formatTemp, withFigures } from '../../formats/units';
import { Button, buttonClass } from '../kit/Button';
import type { DayGround, DayScreen } from './dayScreen';
import { SafetyLineForm } from './SafetyLineForm.client';
import type { Say } from './useDeeds';

interface SafetyLogProps {
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  say: Say;
}

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
        <SafetyLineForm
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
