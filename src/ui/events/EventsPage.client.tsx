'use client';
import type { EventActions } from './eventActions';
import { FirstSteps } from './FirstSteps.client';
import { CalendarPlus, Ellipsis, Flame } from 'lucide-react';
import Link from 'next/link';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { clockTime, shortDay } from '../../formats/clock';
import { announce, callAction, complain, firstMessage } from '../kit/actions';
import { Button } from '../kit/Button';
import { FileButton } from '../kit/FileButton.client';
import { useUnits } from '../kit/UnitsProvider';

const loadParts = () => Promise.all([import('./NewEventDialog.client'), import('./RenameDialog.client'), import('./EventMenu.client')]);
const NewEventDialog = lazy(() => loadParts().then(([made]) => ({ default: made.NewEventDialog })));
const RenameDialog = lazy(() => loadParts().then(([, made]) => ({ default: made.RenameDialog })));
const EventMenu = lazy(() => loadParts().then(([, , made]) => ({ default: made.EventMenu })));

export interface EventCard {
  id: string;
  name: string;
  place: string;
  timeZone: string;
  firstServingMs?: number;
  lastServingMs?: number;
  guests: number;
  cuts: number;
  /** Its cook day has begun and not ended. */
  underWay?: boolean;
}

/** All events, soonest first. */
export function EventsPage({
  events,
  nowMs,
  hasPits,
  actions,
}: {
  events: EventCard[];
  nowMs: number;
  /** Whether there is anything to cook on yet. */
  hasPits: boolean;
  actions: EventActions;
}) {
  const [making, setMaking] = useState(false);
  const [renaming, setRenaming] = useState<EventCard>();
  useHotkeys('n', () => setMaking(true), { preventDefault: true });
  useEffect(() => void loadParts(), []);

  const remove = async (event: EventCard) => {
    const outcome = await callAction(actions.deleteEvent, { eventId: event.id });
    if (!outcome.ok) return complain(outcome.problems);
    announce(`${event.name} deleted.`, async () => {
      const back = await callAction(actions.restoreEvent, { eventId: event.id });
      if (!back.ok) complain(back.problems);
    });
  };
  const [refused, setRefused] = useState<string>();
  const open = async (text: string) => {
    const outcome = await callAction(actions.importEvent, { text });
    setRefused(outcome.ok ? undefined : firstMessage(outcome.problems));
    if (outcome.ok) announce(`${outcome.value.name} taken over, with its pits, gear and methods.`);
  };
  const duplicate = async (event: EventCard) => {
    const outcome = await callAction(actions.duplicateEvent, { eventId: event.id });
    if (outcome.ok) announce(`${outcome.value.name} made.`);
    else complain(outcome.problems);
  };

  const ahead = events.filter((event) => (event.lastServingMs ?? Infinity) >= nowMs);
  const past = events.filter((event) => !ahead.includes(event)).reverse();
  const row = (event: EventCard) => (
    <EventRow
      key={event.id}
      event={event}
      onRename={() => setRenaming(event)}
      onDuplicate={() => duplicate(event)}
      onDelete={() => remove(event)}
    />
  );
  return (
    <main className="mx-auto max-w-5xl px-4 py-6">
      <div className="mb-4 flex items-end justify-between gap-4">
        <div>
          <h1 className="text-2xl">Events</h1>
          <p className="text-soft">Each one is counted back from the hour it is served.</p>
        </div>
        <div className="flex gap-2">
          <FileButton label="Event file" onText={(text) => void open(text)}>
            Open a file
          </FileButton>
          <Button look="strong" onClick={() => setMaking(true)}>
            <CalendarPlus size={17} aria-hidden /> New event
          </Button>
        </div>
      </div>
      {refused && (
        <p role="alert" className="mb-3 border-l-4 border-bad bg-sheet px-3 py-2">
          {refused}
        </p>
      )}
      {events.length === 0 ? (
        <FirstSteps nowMs={nowMs} hasPits={hasPits} actions={actions} onMake={() => setMaking(true)} />
      ) : (
        <ul className="divide-y divide-line rounded-md border border-line bg-sheet">{ahead.map(row)}</ul>
      )}
      {past.length > 0 && (
        <>
          <h2 className="mb-2 mt-8 text-lg">Served</h2>
          <ul className="divide-y divide-line rounded-md border border-line bg-sheet">{past.map(row)}</ul>
        </>
      )}
      <Suspense fallback={null}>
        {making && <NewEventDialog onClose={() => setMaking(false)} nowMs={nowMs} createEvent={actions.createEvent} />}
        {renaming && <RenameDialog event={renaming} onClose={() => setRenaming(undefined)} renameEvent={actions.renameEvent} />}
      </Suspense>
    </main>
  );
}

function EventRow({
  event,
  onRename,
  onDuplicate,
  onDelete,
}: {
  event: EventCard;
  onRename(): void;
  onDuplicate(): void;
  onDelete(): void;
}) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const day = event.firstServingMs === undefined ? undefined : shortDay(event.firstServingMs, event.timeZone);
  return (
    <li className="grid grid-cols-[7.5rem_1fr_auto] items-center gap-4 px-4 py-3">
      <div className="figures leading-tight">
        <p className="text-[1.15rem] font-bold">{day ?? 'no day yet'}</p>
        {event.lastServingMs !== undefined && (
          <p className="text-soft">last at {clockTime(event.lastServingMs, event.timeZone, units.clock)}</p>
        )}
      </div>
      <div className="min-w-0">
        <Link href={`/events/${event.id}/plan`} className="font-title text-[1.1rem] font-bold hover:underline">
          {event.name}
        </Link>
        {event.underWay && (
          <Link
            href={`/events/${event.id}/day`}
            className="ml-3 inline-flex items-center gap-1 text-[0.95rem] font-semibold text-ember-ink hover:underline"
          >
            <Flame size={16} aria-hidden /> Cook day under way
          </Link>
        )}
        <p className="truncate text-soft">
          {[
            event.place,
            `${event.guests} guests`,
            event.cuts === 0 ? 'no menu yet' : `${event.cuts} ${event.cuts === 1 ? 'cut' : 'cuts'} and dishes`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      <span className="relative">
        <button
          ref={button}
          type="button"
          aria-haspopup="menu"
          aria-expanded={open}
          className="grid size-9 place-items-center rounded border border-transparent hover:border-line"
          aria-label={`More for ${event.name}`}
          onClick={() => setOpen(!open)}
        >
          <Ellipsis size={18} aria-hidden />
        </button>
        {open && (
          <Suspense fallback={null}>
            <EventMenu button={button} onClose={() => setOpen(false)} onRename={onRename} onDuplicate={onDuplicate} onDelete={onDelete} />
          </Suspense>
        )}
      </span>
    </li>
  );
}
