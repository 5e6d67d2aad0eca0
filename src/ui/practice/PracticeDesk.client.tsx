'use client';
import { FastForward, Pause, Play, SkipForward } from 'lucide-react';
import Link from 'next/link';
import { lazy, Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Library } from '../../core/model';
import type { PieceView, PracticeDeed, PracticeRun, Scenario } from '../../core/practice';
import { clockTime, dayAndTime } from '../../formats/clock';
import { newsMessage, PRACTICE_CAUTION, REFUSAL_WORDS, rehearsalWords, SCENARIO_WORDS, SMOKE_WORD } from '../../formats/messages/practice';
import { formatMinutes, formatSetPoint, formatTemp, formatWind } from '../../formats/units';
import { Button, buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { PiecePanel, whereabouts } from './PiecePanel.client';
import { PitControls } from './PitControls.client';
import { PitDrawing } from './PitDrawing';
import { SPEEDS, usePractice } from './usePractice';

const DebriefView = lazy(() => import('./DebriefView.client').then((made) => ({ default: made.DebriefView })));

interface PracticeDeskProps {
  run: PracticeRun;
  scenario: Scenario;
  library: Library;
}

const alikeOf = (piece: PieceView, pieces: readonly PieceView[]): PieceView[] =>
  pieces.filter((other) => other.key !== piece.key && other.cutId === piece.cutId && whereabouts(other) === whereabouts(piece));

/** A day in practice: the pit with its controls, the meat as it is known, the clock, and what happens. */
export function PracticeDesk({ run, scenario, library }: PracticeDeskProps) {
  const units = useUnits();
  const { thread, shown, speed, setSpeed, advance, act, refused, unkept } = usePractice(run, scenario);
  const [pitId, setPitId] = useState(scenario.pits[0]!.pit.id);
  const [chosen, setChosen] = useState(scenario.pieces[0]!.key);
  useHotkeys('space', () => setSpeed(speed === 0 ? 60 : 0), { preventDefault: true });
  useHotkeys(['1', '2', '3', '4'], (_, { keys }) => setSpeed(SPEEDS[Number(keys?.[0]) - 1] ?? 0));
  useHotkeys('.', () => void advance(60_000));
  useHotkeys('l', () => void act({ kind: 'look', pitId }));
  const words = run.rehearsal ? rehearsalWords(run.rehearsal.eventName, scenario) : SCENARIO_WORDS[run.scenarioId]!;
  if (!shown)
    return (
      <main className="mx-auto max-w-3xl px-4 py-8">
        <h1 className="text-2xl">{words.title}</h1>
        <p role="status" className="mt-2 text-soft">
          A steady hand is cooking up to the hour you take over…
        </p>
      </main>
    );
  const { view, outcome } = shown;
  const pit = view.pits.find((each) => each.id === pitId) ?? view.pits[0]!;
  const piece = view.pieces.find((each) => each.key === chosen) ?? view.pieces[0]!;
  const time = (ms: number) => clockTime(ms, view.timeZone, units.clock);
  const untilMin = Math.round((view.serveAtMs - view.nowMs) / 60_000);
  const begun = view.deeds.length > 0 || view.nowMs > view.takeOverAtMs;
  const told = (kind: string) => view.news.some((news) => news.kind === kind);
  const flares = told('flare') && !told('flareOver');
  const helper = told('helperOpens') && !view.deeds.some(({ deed }) => deed.kind === 'sendHelper');
  const doAll = async (deeds: PracticeDeed[]) => {
    for (const deed of deeds) await act(deed);
  };
  if (outcome)
    return (
      <Suspense fallback={null}>
        <DebriefView run={run} scenario={scenario} library={library} outcome={outcome} view={view} thread={thread} title={words.title} />
      </Suspense>
    );
  return (
    <main className="flex flex-col">
      <h1 className="sr-only">{words.title}</h1>
      <div className="sticky top-0 z-20 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-sheet px-4 py-2 lg:top-[50px]">
        <p role="timer" className="figures text-[1.7rem] leading-none font-bold" aria-label="Clock">
          {time(view.nowMs)}
        </p>
        <p className="text-[0.95rem]">
          <span className="text-soft">{untilMin >= 0 ? 'served in ' : 'they have waited '}</span>
          <strong className={`figures ${untilMin < 0 ? 'text-bad' : ''}`}>{formatMinutes(Math.abs(untilMin))}</strong>
          <span className="text-soft">, at {time(view.serveAtMs)}</span>
        </p>
        <div role="group" aria-label="Speed" className="flex gap-1">
          <Button
            className="min-h-[48px] lg:min-h-9"
            look={speed === 0 ? 'plain' : 'strong'}
            onClick={() => setSpeed(speed === 0 ? 60 : 0)}
            aria-label={speed === 0 ? 'Let the clock run' : 'Pause'}
          >
            {speed === 0 ? <Play size={16} aria-hidden /> : <Pause size={16} aria-hidden />}
          </Button>
          {SPEEDS.map((each) => (
            <Button
              key={each}
              className="min-h-[48px] px-2.5 lg:min-h-9"
              look={speed === each ? 'strong' : 'plain'}
              aria-pressed={speed === each}
              onClick={() => setSpeed(each)}
            >
              {each}×
            </Button>
          ))}
          <Button className="min-h-[48px] lg:min-h-9" onClick={() => void advance(60_000)} title="One minute on (.)">
            <SkipForward size={16} aria-hidden /> 1 min
          </Button>
          <span className="hidden sm:block">
            <Button className="min-h-[48px] lg:min-h-9" onClick={() => void advance(600_000)}>
              <FastForward size={16} aria-hidden /> 10 min
            </Button>
          </span>
        </div>
        {view.handsFreeAtMs > view.nowMs && <p className="text-[0.9rem] text-warn">Your hands are busy until {time(view.handsFreeAtMs)}</p>}
        {unkept && (
          <p role="alert" className="text-[0.85rem] text-bad">
            {unkept}
          </p>
        )}
      </div>
      {!begun && (
        <section aria-label="What to do first" className="border-b border-line bg-paper px-4 py-3">
          <p>{words.brief}</p>
          <p className="mt-1 text-[1.1rem] font-semibold">First: {words.first}</p>
          <div className="mt-2 flex flex-wrap items-center gap-3">
            <Button look="ember" className="min-h-[48px] lg:min-h-9" onClick={() => setSpeed(60)}>
              <Play size={16} aria-hidden /> Begin: a minute each second
            </Button>
            <span className="text-[0.85rem] text-soft">You can act while the clock stands. Space stops and starts it.</span>
          </div>
        </section>
      )}
      <div className="grid lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="min-w-0 p-3 lg:p-4">
          {view.pits.length > 1 && (
            <div role="group" aria-label="Pits" className="mb-2 flex flex-wrap gap-2">
              {view.pits.map((each) => (
                <Button
                  key={each.id}
                  className="min-h-[48px] lg:min-h-9"
                  look={each.id === pit.id ? 'strong' : 'plain'}
                  aria-pressed={each.id === pit.id}
                  onClick={() => setPitId(each.id)}
                >
                  {each.name} {formatTemp(each.gaugeC, units)}
                </Button>
              ))}
            </div>
          )}
          <div className="grid gap-3 lg:grid-cols-[minmax(0,37rem)_minmax(0,1fr)]">
            <figure className="rounded-md border border-line bg-[var(--scene)]">
              <PitDrawing
                pit={pit}
                pieces={view.pieces}
                library={library}
                windMPerS={view.weather.windMPerS}
                selectedKey={piece.key}
                onSelect={setChosen}
              />
              <figcaption className="flex flex-wrap justify-between gap-2 border-t border-line bg-sheet px-3 py-1.5 text-[0.9rem]">
                <span>
                  Gauge <strong className="figures">{formatTemp(pit.gaugeC, units)}</strong>{' '}
                  <span className="text-soft">wished {formatSetPoint(pit.wishC, units)}</span>
                </span>
                <span>
                  Smoke <strong>{SMOKE_WORD[pit.smokeWord]}</strong>
                </span>
                <span className="text-soft">
                  Outside {formatTemp(view.weather.airC, units)}, wind {formatWind(view.weather.windMPerS, units)}
                  {view.weather.raining ? ', rain' : ''}
                </span>
              </figcaption>
            </figure>
            <section aria-label="What happened" className="min-w-0">
              <h2 className="text-[1rem]">What happened</h2>
              <ul aria-live="polite" className="mt-1 max-h-72 overflow-y-auto">
                {[...view.news].reverse().map((news, i) => (
                  <li
                    key={`${news.kind}${news.atMs}`}
                    className={`grid grid-cols-[3.4rem_1fr] gap-2 py-1 ${i === 0 ? 'font-semibold' : 'text-soft'}`}
                  >
                    <span className="figures">{time(news.atMs)}</span>
                    <span>{newsMessage(news, units)}</span>
                  </li>
                ))}
              </ul>
            </section>
          </div>
          <div className="mt-3">
            <PitControls pit={pit} nowMs={view.nowMs} flares={flares} helper={helper} onDo={(deed) => void act(deed)} />
            {refused && (
              <p role="alert" className="mt-2 text-bad">
                {REFUSAL_WORDS[refused]} Nothing was done.
              </p>
            )}
          </div>
        </div>
        <aside aria-label="The meat" className="border-l border-line bg-sheet p-4">
          <ul className="mb-3 grid gap-1">
            {view.pieces.map((each) => (
              <li key={each.key}>
                <button
                  type="button"
                  aria-pressed={each.key === piece.key}
                  onClick={() => {
                    setChosen(each.key);
                    setPitId(each.pitId);
                  }}
                  className={`flex min-h-[48px] w-full items-center gap-3 rounded border px-2 text-left lg:min-h-9 ${each.key === piece.key ? 'border-ember bg-paper' : 'border-line hover:border-soft'}`}
                >
                  <strong className="figures w-8">{each.tag}</strong>
                  <span className="grow">{whereabouts(each)}</span>
                  <span className="text-[0.85rem] text-soft">
                    {each.onAtMs === undefined && each.dueOnAtMs !== undefined
                      ? `due ${dayAndTime(each.dueOnAtMs, view.timeZone, units.clock)}`
                      : ''}
                    {each.felt ? formatTemp(each.felt.felt.coreC, units) : ''}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          <PiecePanel
            key={piece.key}
            piece={piece}
            cut={library.cuts.find((cut) => cut.id === piece.cutId)!}
            view={view}
            alike={alikeOf(piece, view.pieces)}
            onDo={(deeds) => void doAll(deeds)}
          />
          <p className="mt-4 border-t border-line pt-2 text-[0.8rem] text-soft">{PRACTICE_CAUTION}</p>
          <Link href="/practice" className={`${buttonClass('quiet')} mt-2 min-h-[48px] lg:min-h-9`}>
            Leave; it is kept
          </Link>
        </aside>
      </div>
    </main>
  );
}
