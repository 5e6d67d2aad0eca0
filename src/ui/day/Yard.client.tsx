'use client';
import { CalendarClock, Flame, ListChecks, Moon, ShieldCheck, Sun, Volume2, VolumeX } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { clockTime } from '../../formats/clock';
import { useHydrated } from '../kit/hydrated';
import { usePreferences } from '../kit/UnitsProvider';
import { Alarms } from './Alarms';
import { DayLine } from './DayLine';
import { isCooking } from './dayScreen';
import { JoinedLine } from './JoinedLine';
import { JournalList } from './Journal';
import { Levers } from './Levers.client';
import { NextTask } from './NextTask.client';
import { OddsLine } from './OddsLine';
import { ReadingDialog } from './ReadingDialog.client';
import { PieceSheet } from './PieceSheet.client';
import { Pits } from './Pits';
import { unlockSound, useAwake } from './ringing';
import { useOffline } from './useOffline';
import { useAlarmCalls, useLivedDay, type LivedDayProps } from './useLivedDay';
import { SafetyLog } from './SafetyLog.client';
import { TaskList } from './TaskList';
import { WhoAreYou } from './WhoAreYou.client';

const TABS = [
  ['now', 'Now', ListChecks],
  ['pits', 'Pits', Flame],
  ['day', 'Day', CalendarClock],
  ['safety', 'Safety', ShieldCheck],
] as const;
type Tab = (typeof TABS)[number][0];

/** The day in the yard: a phone in a greasy hand. What now, what next, will it be on time, and if not, what. */
export function Yard(props: LivedDayProps) {
  const { ground, me } = props;
  const { light, setLight } = usePreferences();
  const { units, context, day, joined, nowMs, name, setName, say, waiting, open } = useLivedDay(props, 'crew');
  const [tab, setTab] = useState<Tab>('now');
  const [pad, setPad] = useState<string | undefined>();
  const [pieceKey, setPiece] = useState<string | undefined>();
  const [quiet, setQuiet] = useState(false);
  const hydrated = useHydrated();
  useAwake();
  useOffline();
  useAlarmCalls(day, ground, context, quiet || name === undefined);

  if (hydrated && name === undefined) return <WhoAreYou names={(ground.crew ?? []).map((member) => member.name)} onChoose={setName} />;

  const own = (ground.crew ?? []).find((member) => member.name === name)?.id;
  const mine = own === undefined ? open : open.filter((task) => !task.who || task.who.length === 0 || task.who.includes(own));
  const next = mine[0] ?? open[0];
  const piece = day.pieces.find((each) => each.key === pieceKey);
  return (
    <div className="mx-auto flex min-h-screen max-w-xl flex-col bg-paper pb-20" onPointerDown={unlockSound}>
      <header className="sticky top-0 z-20 flex items-center justify-between gap-2 border-b border-line bg-paper px-4 py-2">
        <div className="min-w-0">
          <h1 className="truncate text-[1.1rem]">
            <Link href="/yard">{ground.event.name}</Link>
          </h1>
          {me?.name === undefined ? (
            <button type="button" className="text-[0.84rem] text-soft underline" onClick={() => setName('')}>
              {name ?? 'Whose phone is this?'}
            </button>
          ) : (
            <p className="truncate text-[0.84rem] text-soft">
              {me.name}
              {me.role === 'watcher' ? ', looking on' : ''}
            </p>
          )}
        </div>
        <div className="flex items-center gap-1">
          <button
            type="button"
            className="grid size-12 place-items-center rounded"
            aria-pressed={quiet}
            aria-label={quiet ? 'Let alarms sound' : 'Silence this phone'}
            onClick={() => setQuiet(!quiet)}
          >
            {quiet ? <VolumeX size={20} aria-hidden /> : <Volume2 size={20} aria-hidden />}
          </button>
          <button
            type="button"
            className="grid size-12 place-items-center rounded"
            aria-label={light === 'night' ? 'Light for noon' : 'Light for the night'}
            onClick={() => setLight(light === 'night' ? 'light' : 'night')}
          >
            {light === 'night' ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
          </button>
          <span className="figures text-[1.7rem] font-bold" suppressHydrationWarning>
            {clockTime(nowMs, ground.event.timeZone, units.clock)}
          </span>
        </div>
      </header>
      <main className="grow">
        <JoinedLine day={day} joined={joined} waiting={waiting} context={context} />
        <Alarms day={day} ground={ground} context={context} say={say} />
        {tab === 'now' && (
          <>
            <OddsLine day={day} context={context} />
            {day.phase === 'ended' ? (
              <p className="px-4 py-6 text-[1.1rem]">
                The day has ended. What is written stays; the safety log goes on for what is cooled.
              </p>
            ) : next ? (
              <NextTask
                key={next.id}
                task={next}
                day={day}
                ground={ground}
                context={context}
                nowMs={nowMs}
                say={say}
                onPad={setPad}
                onPiece={setPiece}
              />
            ) : (
              <p className="px-4 py-6 text-[1.1rem]">Nothing is left to do. Look at the safety log, then end the day.</p>
            )}
            <TaskList tasks={(mine.length > 0 ? mine : open).slice(1)} most={3} ground={ground} context={context} nowMs={nowMs} />
            <Levers day={day} context={context} say={say} folded />
            <Pits
              day={{ ...day, pieces: day.pieces.filter(isCooking) }}
              ground={ground}
              context={context}
              nowMs={nowMs}
              onPiece={setPiece}
              onPit={(id) => setPad(`pit/${id}`)}
            />
          </>
        )}
        {tab === 'pits' && (
          <Pits day={day} ground={ground} context={context} nowMs={nowMs} onPiece={setPiece} onPit={(id) => setPad(`pit/${id}`)} />
        )}
        {tab === 'day' && (
          <>
            <DayLine day={day} ground={ground} context={context} nowMs={nowMs} />
            <TaskList tasks={open} most={40} ground={ground} context={context} nowMs={nowMs} heading="Still to do" />
            <section aria-label="Journal" className="px-4 py-3">
              <h2 className="text-[1.1rem]">What happened</h2>
              <JournalList day={day} ground={ground} context={context} say={say} />
            </section>
          </>
        )}
        {tab === 'safety' && <SafetyLog day={day} ground={ground} context={context} nowMs={nowMs} say={say} />}
      </main>
      <nav aria-label="Yard" className="fixed inset-x-0 bottom-0 z-20 mx-auto flex max-w-xl border-t border-line bg-sheet print:hidden">
        {TABS.map(([id, label, Icon]) => (
          <button
            key={id}
            type="button"
            aria-current={tab === id ? 'page' : undefined}
            onClick={() => setTab(id)}
            className={`flex min-h-14 grow flex-col items-center justify-center border-t-[3px] text-[0.9rem] font-semibold ${tab === id ? 'border-ember' : 'border-transparent text-soft'}`}
          >
            <Icon size={19} aria-hidden />
            {label}
          </button>
        ))}
      </nav>
      {pad !== undefined && (
        <ReadingDialog first={pad} day={day} ground={ground} context={context} say={say} onClose={() => setPad(undefined)} />
      )}
      {piece && <PieceSheet piece={piece} day={day} ground={ground} context={context} say={say} onClose={() => setPiece(undefined)} />}
    </div>
  );
}
