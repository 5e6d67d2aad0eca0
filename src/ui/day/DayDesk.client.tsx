'use client';
import { CloudRain, Play, Smartphone, Square } from 'lucide-react';
import Link from 'next/link';
import { lazy, Suspense, useState } from 'react';
import { clockTime, longDay } from '../../formats/clock';
import { tagOfPiece } from '../../formats/messages/day/names';
import { callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { Alarms } from './Alarms';
import { Crew } from './Crew';
import { DayLine } from './DayLine';
import type { ImportLogProps } from './ImportLog.client';
import { NextTask } from './NextTask.client';
import { OddsLine } from './OddsLine';
import { Pits } from './Pits';
import { useAlarmCalls, useLivedDay, type LivedDayProps } from './useLivedDay';
import { isCooking } from './dayScreen';
import { TaskList } from './TaskList';

interface DayDeskProps extends LivedDayProps {
  setDaySpeed: Action<unknown>;
  takeMachineTime: Action<unknown>;
  log: Omit<ImportLogProps, 'eventId'>;
  heard: { deviceId: string; channel: string }[];
  others: { eventId: string; name: string }[];
}

/** What is not seen at first comes once it is asked for. */
const SafetyLog = lazy(() => import('./SafetyLog.client').then((made) => ({ default: made.SafetyLog })));
const ImportLog = lazy(() => import('./ImportLog.client').then((made) => ({ default: made.ImportLog })));
const LiveCurves = lazy(() => import('./LiveCurves.client').then((made) => ({ default: made.LiveCurves })));
const Levers = lazy(() => import('./Levers.client').then((made) => ({ default: made.Levers })));
const JournalList = lazy(() => import('./Journal').then((made) => ({ default: made.JournalList })));
const JoinedLine = lazy(() => import('./JoinedLine').then((made) => ({ default: made.JoinedLine })));
const Channels = lazy(() => import('./Channels.client').then((made) => ({ default: made.Channels })));

const ReadingDialog = lazy(() => import('./ReadingDialog.client').then((made) => ({ default: made.ReadingDialog })));
const PieceSheet = lazy(() => import('./PieceSheet.client').then((made) => ({ default: made.PieceSheet })));
const OnTheScale = lazy(() => import('./OnTheScale.client').then((made) => ({ default: made.OnTheScale })));

const SPEEDS = [1, 10, 60, 600] as const;
/** A simulated day can be put on by so much: then there is time to look, and to do what is due. */
const STEP_MIN = 10;
const VIEWS = [
  ['day', 'Day'],
  ['safety', 'Safety log'],
  ['probes', 'Probes'],
  ['scale', 'On the scale'],
] as const;

/** The day at the desk: all of it on one screen, what happened over what was planned. */
export function DayDesk({ ground, first, version, setDaySpeed, takeMachineTime, log, heard, others }: DayDeskProps) {
  const { event } = ground;
  const { units, context, day, joined, nowMs, say, waiting, open } = useLivedDay({ ground, first, version }, 'desk');
  const [view, setView] = useState<(typeof VIEWS)[number][0]>('day');
  const [chosen, setChosen] = useState<string>();
  const [sheet, setSheet] = useState<string>();
  const [pad, setPad] = useState<string>();
  const [ending, setEnding] = useState(false);
  useAlarmCalls(day, ground, context, false);
  const cooking = day.pieces.filter(isCooking);
  const shown = day.pieces.find((each) => each.key === chosen) ?? cooking.find((each) => each.probed) ?? cooking[0] ?? day.pieces[0];
  const piece = day.pieces.find((each) => each.key === sheet);
  const isPace = (speed: number) => day.clock.speed === speed && day.clock.fastToMs === undefined;
  const speed = async (to: number, forMin?: number) => {
    const done = await callAction(setDaySpeed, { eventId: event.id, speed: to, forMin });
    if (!done.ok) complain(done.problems);
  };
  const takeTime = async () => {
    const done = await callAction(takeMachineTime, undefined);
    if (!done.ok) complain(done.problems);
  };
  return (
    <main>
      <h1 className="sr-only">Cook day</h1>
      <Suspense fallback={null}>
        <JoinedLine day={day} joined={joined} waiting={waiting} context={context} takeTime={() => void takeTime()} />
      </Suspense>
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-line bg-sheet px-4 py-1.5 print:hidden">
        <p className="flex items-baseline gap-3">
          <span className="figures text-[1.7rem] leading-none font-bold" suppressHydrationWarning>
            {clockTime(nowMs, event.timeZone, units.clock)}
          </span>
          <span className="text-[0.92rem] text-soft">
            {longDay(nowMs, event.timeZone)}
            {day.startedAtMs !== undefined && `, begun ${clockTime(day.startedAtMs, event.timeZone, units.clock)}`}
            {day.endedAtMs !== undefined && `, ended ${clockTime(day.endedAtMs, event.timeZone, units.clock)}`}
          </span>
        </p>
        <div className="flex flex-wrap items-center gap-2">
          {others.map((other) => (
            <Link key={other.eventId} href={`/events/${other.eventId}/day`} className={buttonClass('quiet')}>
              {other.name}
            </Link>
          ))}
          {day.clock.simulated && (
            <span role="group" aria-label="Speed of the simulation" className="flex">
              {SPEEDS.map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-pressed={isPace(each)}
                  onClick={() => void speed(each)}
                  className={`min-h-9 border border-line px-2 text-[0.86rem] first:rounded-l ${isPace(each) ? 'bg-ink font-bold text-sheet' : 'bg-sheet'}`}
                >
                  {each} x
                </button>
              ))}
              <button
                type="button"
                title="So far on at once, then at the world’s own pace"
                onClick={() => void speed(600, STEP_MIN)}
                className="min-h-9 rounded-r border border-line bg-sheet px-2 text-[0.86rem]"
              >
                {`+ ${STEP_MIN} min`}
              </button>
            </span>
          )}
          <Suspense fallback={null}>
            <ImportLog eventId={event.id} {...log} />
          </Suspense>
          {day.phase === 'running' && (
            <Button onClick={() => say({ kind: 'day', did: 'paused', reason: 'weather' }, 'The day stands still')}>
              <CloudRain size={16} aria-hidden /> Pause
            </Button>
          )}
          {day.phase === 'paused' && (
            <Button look="ember" onClick={() => say({ kind: 'day', did: 'resumed' }, 'The day goes on')}>
              <Play size={16} aria-hidden /> Go on
            </Button>
          )}
          {day.phase !== 'ended' ? (
            <Button onClick={() => setEnding(true)}>
              <Square size={15} aria-hidden /> End the day
            </Button>
          ) : (
            <Button onClick={() => say({ kind: 'day', did: 'resumed' }, 'The day goes on')}>Open it again</Button>
          )}
          <a href={`/yard/${event.id}`} className={buttonClass('strong')}>
            <Smartphone size={16} aria-hidden /> Yard
          </a>
        </div>
      </div>
      <Alarms day={day} ground={ground} context={context} say={say} />
      <div className="flex flex-wrap items-center justify-between gap-2 print:hidden">
        <OddsLine day={day} context={context} />
        <div role="tablist" aria-label="Views of the day" className="flex gap-1 px-4 py-1">
          {VIEWS.map(([id, label]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={view === id}
              onClick={() => setView(id)}
              className={`min-h-9 rounded px-3 text-[0.92rem] ${view === id ? 'bg-ink font-bold text-sheet' : 'border border-line'}`}
            >
              {label}
            </button>
          ))}
        </div>
      </div>
      {view === 'safety' && (
        <div className="mx-auto max-w-4xl">
          <Suspense fallback={null}>
            <SafetyLog day={day} ground={ground} context={context} nowMs={nowMs} say={say} />
          </Suspense>
        </div>
      )}
      {view === 'probes' && (
        <div className="mx-auto max-w-2xl">
          <Suspense fallback={null}>
            <Channels day={day} context={context} say={say} heard={heard} />
          </Suspense>
        </div>
      )}
      {view === 'scale' && (
        <div className="mx-auto max-w-2xl">
          <Suspense fallback={null}>
            <OnTheScale day={day} context={context} say={say} />
          </Suspense>
        </div>
      )}
      {view === 'day' && (
        <div className="grid gap-px bg-line lg:grid-cols-[340px_minmax(0,1fr)_350px]">
          <div className="bg-paper">
            {day.phase !== 'ended' && open[0] && (
              <NextTask
                key={open[0].id}
                task={open[0]}
                day={day}
                ground={ground}
                context={context}
                nowMs={nowMs}
                say={say}
                onPad={setPad}
                onPiece={setSheet}
              />
            )}
            <TaskList tasks={open.slice(1)} most={8} ground={ground} context={context} nowMs={nowMs} heading="After that" />
            <Crew tasks={day.tasks} ground={ground} context={context} nowMs={nowMs} />
          </div>
          <div className="min-w-0 bg-paper">
            <DayLine day={day} ground={ground} context={context} nowMs={nowMs} />
            {shown && (
              <section aria-label="Curve" className="border-t border-line px-3 pt-2">
                <div className="flex flex-wrap gap-1" role="group" aria-label="Which piece">
                  {day.pieces
                    .filter((each) => each.onAtMs !== undefined)
                    .map((each) => (
                      <button
                        key={each.key}
                        type="button"
                        aria-pressed={each.key === shown.key}
                        onClick={() => setChosen(each.key)}
                        className={`min-h-8 rounded border px-2 text-[0.86rem] font-semibold ${each.key === shown.key ? 'border-ink bg-ink text-sheet' : 'border-line'}`}
                      >
                        {tagOfPiece(context, each.key)}
                      </button>
                    ))}
                </div>
                <Suspense fallback={<div className="min-h-64" />}>
                  <LiveCurves day={day} context={context} piece={shown} />
                </Suspense>
              </section>
            )}
            <Pits day={day} ground={ground} context={context} nowMs={nowMs} onPiece={setSheet} onPit={(id) => setPad(`pit/${id}`)} />
          </div>
          <div className="bg-paper">
            <Suspense fallback={null}>
              <Levers day={day} context={context} say={say} />
            </Suspense>
            <section aria-label="Journal" className="px-4 py-3">
              <h2 className="text-[1.1rem]">What happened</h2>
              <Suspense fallback={null}>
                <JournalList day={day} ground={ground} context={context} say={say} shown={30} />
              </Suspense>
            </section>
          </div>
        </div>
      )}
      <Suspense fallback={null}>
        {pad !== undefined && (
          <ReadingDialog first={pad} day={day} ground={ground} context={context} say={say} onClose={() => setPad(undefined)} />
        )}
      </Suspense>
      <Dialog
        open={ending}
        onOpenChange={setEnding}
        title="End the day?"
        description="What is written stays as it is, and every piece goes into the cook log. What is weighed afterwards can still be told on “On the scale”; the safety log goes on for what is cooled, and the day can be opened again."
      >
        <p>{open.length > 0 ? `${open.length} tasks are still open.` : 'Every task is done.'}</p>
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={() => setEnding(false)}>Not yet</Button>
          <Button
            look="ember"
            onClick={() => {
              say({ kind: 'day', did: 'ended' }, 'The day has ended');
              setEnding(false);
            }}
          >
            End it
          </Button>
        </div>
      </Dialog>
      <Suspense fallback={null}>
        {piece && <PieceSheet piece={piece} day={day} ground={ground} context={context} say={say} onClose={() => setSheet(undefined)} />}
      </Suspense>
    </main>
  );
}
