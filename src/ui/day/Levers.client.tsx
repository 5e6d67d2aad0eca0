'use client';
import { useState } from 'react';
import type { DayLever } from '../../core/day';
import { clockTime } from '../../formats/clock';
import { dayLeverMessage, leverReason, revisionMessage } from '../../formats/messages/day/lever';
import type { MessageContext } from '../../formats/messages/names';
import { formatOdds } from '../../formats/units';
import type { DayScreen } from './dayScreen';
import type { Say } from './useDeeds';

/** What can still be done, tried on the meat as it is now: best first, with its price; one tap takes it, one takes it back. */
export function Levers({ day, context, say, folded = false }: { day: DayScreen; context: MessageContext; say: Say; folded?: boolean }) {
  const [open, setOpen] = useState(!folded);
  const { event, units } = context;
  if (day.levers.length === 0 && day.revisions.length === 0) return null;
  const take = (lever: DayLever) =>
    say(
      { kind: 'revision', lever: lever.id, changes: lever.changes, reason: leverReason(context, lever) },
      dayLeverMessage(context, lever).title,
    );
  return (
    <section aria-label="Levers" className="px-4 py-3">
      <h2 className="text-[1.1rem]">What can still be done</h2>
      {event.servings.map((serving) => {
        const own = day.levers.filter((lever) => lever.servingId === serving.id);
        if (own.length === 0) return null;
        const late = own.some((lever) => lever.code === 'servingLater' || lever.code === 'raisePit' || lever.gainMin > 0);
        return (
          <div key={serving.id} className="mt-2">
            <p className="text-[0.95rem] text-soft">
              {late ? `${serving.name} may be late.` : `Meat for ${serving.name.toLowerCase()} runs early.`} Each was tried on the meat as
              it is.
            </p>
            <ul className="mt-1 divide-y divide-line rounded border border-line bg-sheet">
              {(open ? own : own.slice(0, 1)).map((lever) => {
                const { title, gain, price } = dayLeverMessage(context, lever);
                return (
                  <li key={lever.id} className="flex items-center gap-3 px-3 py-2">
                    <span className="figures w-14 shrink-0 text-right text-[1.25rem] font-bold">{formatOdds(lever.onTimeShare)}</span>
                    <span className="min-w-0 grow leading-tight">
                      <span className="block text-[1rem] font-semibold">{title}</span>
                      <span className="block text-[0.86rem] text-soft">
                        {lever.code === 'nothing' ? 'as it stands' : `${gain}; costs ${price}`}
                      </span>
                    </span>
                    {lever.changes.length > 0 && (
                      <button
                        type="button"
                        className="min-h-12 shrink-0 rounded border border-ink px-4 text-[1rem] font-bold"
                        onClick={() => take(lever)}
                      >
                        Take it
                      </button>
                    )}
                  </li>
                );
              })}
            </ul>
            {!open && own.length > 1 && (
              <button
                type="button"
                className="mt-1 min-h-12 w-full rounded border border-line text-[0.96rem] font-semibold"
                onClick={() => setOpen(true)}
              >
                {own.length - 1} more, doing nothing among them
              </button>
            )}
          </div>
        );
      })}
      {day.revisions.length > 0 && (
        <ul className="mt-3 text-[0.92rem]" aria-label="Taken">
          {day.revisions.map((revision) => (
            <li key={revision.entryId} className="flex items-center justify-between gap-3 border-l-4 border-safe bg-sheet px-3 py-1.5">
              <span>
                <span className="text-soft">
                  {clockTime(revision.atMs, event.timeZone, units.clock)}, {revision.by}:
                </span>{' '}
                {revision.reason}
                <span className="block text-[0.86rem] text-soft">{revisionMessage(context, revision)}</span>
              </span>
              <button
                type="button"
                className="min-h-12 shrink-0 rounded border border-line px-3 font-semibold"
                onClick={() => say({ kind: 'undo', entryId: revision.entryId })}
              >
                Take back
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
