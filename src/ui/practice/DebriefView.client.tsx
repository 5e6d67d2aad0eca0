'use client';
import Link from 'next/link';
import { useCallback, useEffect, useState } from 'react';
import { cutIn, type Library } from '../../core/model';
import { SKILLS, type Debrief, type Decision, type Outcome, type PracticeRun, type PracticeView, type Scenario } from '../../core/practice';
import { clockTime } from '../../formats/clock';
import { deedMessage, FAULT_WORDS, newsMessage, OPTION_WORDS, SKILL_WORDS } from '../../formats/messages/practice';
import { formatMass, formatMinutes, formatShare, formatTemp, tempIn } from '../../formats/units';
import type { PracticeThread } from '../../workers/practiceClient';
import { buttonClass } from '../kit/Button';
import { Chart, chartAxis, chartFrame, type Ink } from '../kit/Chart.client';
import { useUnits } from '../kit/UnitsProvider';

interface DebriefProps {
  run: PracticeRun;
  scenario: Scenario;
  library: Library;
  outcome: Outcome;
  view: PracticeView;
  thread: React.RefObject<PracticeThread | undefined>;
  title: string;
}

/** Less than this is chance. */
const TOLD_FROM = 2;

/** After the day: was it on time, what is on the plates, and what each decision gained or cost. */
export function DebriefView({ run, scenario, library, outcome, view, thread, title }: DebriefProps) {
  const units = useUnits();
  const [weighed, setWeighed] = useState<Debrief>();
  const [progress, setProgress] = useState<[done: number, all: number]>([0, 1]);
  useEffect(() => {
    let gone = false;
    void thread.current?.debrief((done, all) => !gone && setProgress([done, all])).then((made) => !gone && setWeighed(made));
    return () => {
      gone = true;
    };
  }, [thread]);
  const time = (ms: number) => clockTime(ms, view.timeZone, units.clock);
  const tagOf = (key: string) => scenario.pieces.find((piece) => piece.key === key)?.tag ?? key;
  const late = Math.max(...outcome.pieces.map((piece) => piece.lateMin), 0);
  const unserved = outcome.pieces.filter((piece) => piece.faults.includes('notServed')).length;
  return (
    <main className="mx-auto max-w-6xl px-4 py-5">
      <p className="text-soft">Debrief of {title}</p>
      <h1 className="text-2xl">
        {outcome.burned
          ? 'Somebody got burned.'
          : outcome.onTime
            ? 'Served on time.'
            : unserved > 0
              ? `${unserved} of ${outcome.pieces.length} never reached a plate.`
              : `${formatMinutes(late)} late.`}{' '}
        <span className="figures">{Math.round(outcome.value)} of 100</span>
      </h1>
      {weighed && (
        <p className="mt-1 text-soft">
          A steady hand could have made {Math.round(weighed.bestValue)} of it from the moment you took over. Pit held{' '}
          {formatShare(outcome.heldShare)} of the time, {outcome.dirtyMin} min of dirty smoke, {outcome.openings} openings
          {outcome.fuelKg > 0 ? `, ${formatMass(outcome.fuelKg, units)} of fuel` : ''}.
        </p>
      )}
      <div className="mt-4 grid gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="min-w-0">
          {weighed ? (
            <>
              <TrailChart weighed={weighed} scenario={scenario} zone={view.timeZone} />
              <h2 className="mt-3 text-lg">What you decided, and what it was worth</h2>
              <p className="text-[0.9rem] text-soft">
                Each was tried again on the day as it truly stood, with what else could have been done; a steady hand goes on from either.
                Points of a hundred.
              </p>
              {weighed.decisions.length === 0 && <p className="mt-2">Nothing was decided: nobody did anything.</p>}
              <ol className="mt-2">
                {weighed.decisions.map((decision, i) => (
                  <DecisionLine
                    key={i}
                    decision={decision}
                    time={time}
                    what={decision.news ? newsMessage(decision.news, units) : deedMessage(decision.deeds, tagOf, units)}
                    tagOf={tagOf}
                  />
                ))}
              </ol>
            </>
          ) : (
            <div role="status" className="rounded-md border border-line bg-sheet p-4">
              <p>
                Trying what else could have been done: {progress[0]} of {progress[1]} moments.
              </p>
              <progress className="mt-2 w-full" value={progress[0]} max={progress[1]} aria-label="Debrief" />
            </div>
          )}
        </div>
        <aside className="grid content-start gap-4">
          <section aria-label="Plates" className="rounded-md border border-line bg-sheet p-4">
            <h2 className="text-lg">On the plate</h2>
            <ul className="mt-1 divide-y divide-line">
              {outcome.pieces.map((piece) => (
                <li key={piece.key} className="py-1.5">
                  <p className="flex justify-between gap-2">
                    <span>
                      <strong>{tagOf(piece.key)}</strong>{' '}
                      {cutIn(library, scenario.pieces.find((each) => each.key === piece.key)!.cutId)?.name}
                    </span>
                    <span className="figures font-bold">{Math.round(piece.plate)}</span>
                  </p>
                  <p className="text-[0.88rem] text-soft">
                    {piece.faults.length === 0 ? 'nothing to say against it' : piece.faults.map((fault) => FAULT_WORDS[fault]).join(', ')}
                    {piece.served ? `; core ${formatTemp(piece.served.coreC, units)} when it was carved` : ''}
                  </p>
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Skills" className="rounded-md border border-line bg-sheet p-4">
            <h2 className="text-lg">Skills, {run.trainee}</h2>
            <dl className="mt-1 grid gap-1.5">
              {SKILLS.map((skill) => {
                const value = outcome.skills[skill];
                if (value === undefined) return null;
                const [name, meaning] = SKILL_WORDS[skill];
                return (
                  <div key={skill} title={meaning}>
                    <dt className="flex justify-between text-[0.92rem]">
                      <span>{name}</span>
                      <span className="figures font-bold">{Math.round(value)}</span>
                    </dt>
                    <dd className="h-1.5 rounded bg-line">
                      <div className="h-full rounded bg-ember" style={{ width: `${value}%` }} />
                    </dd>
                  </div>
                );
              })}
            </dl>
          </section>
          <Link href="/practice" className={buttonClass('ember')}>
            Back to practice
          </Link>
        </aside>
      </div>
    </main>
  );
}

function DecisionLine({
  decision,
  time,
  what,
  tagOf,
}: {
  decision: Decision;
  time(ms: number): string;
  what: string;
  tagOf(key: string): string;
}) {
  const { gained, options, forecast, news } = decision;
  const best = Math.max(...options.map((option) => option.value));
  const told =
    Math.abs(gained) < TOLD_FROM ? 'made no difference' : gained > 0 ? `gained ${Math.round(gained)}` : `cost ${Math.round(-gained)}`;
  return (
    <li className="grid grid-cols-[3.6rem_minmax(0,1fr)] gap-2 border-t border-line py-2">
      <span className="figures font-bold">{time(decision.atMs)}</span>
      <div className="min-w-0">
        <p className="flex justify-between gap-3">
          <span className={news ? 'font-semibold' : ''}>{what}</span>
          <span
            className={`figures font-bold whitespace-nowrap ${gained < -TOLD_FROM ? 'text-bad' : gained > TOLD_FROM ? 'text-safe' : 'text-soft'}`}
          >
            {told}
          </span>
        </p>
        <ul className="mt-1 grid gap-0.5 text-[0.88rem] text-soft">
          {options.map((option) => (
            <li key={option.kind} className="grid grid-cols-[8rem_minmax(0,1fr)_2rem] items-center gap-2">
              <span>
                {news && option.kind === 'asDone'
                  ? news.kind === 'pitStrayed'
                    ? 'your next hour'
                    : 'your next 25 min'
                  : OPTION_WORDS[option.kind]}
              </span>
              <span className="h-1.5 rounded bg-line">
                <span
                  className={`block h-full rounded ${option.value >= best - 0.5 ? 'bg-safe' : 'bg-rest'}`}
                  style={{ width: `${Math.min(100, Math.max(1, option.value))}%` }}
                />
              </span>
              <span className="figures text-right">{Math.round(option.value)}</span>
            </li>
          ))}
        </ul>
        {forecast && (
          <p className="mt-1 text-[0.88rem] text-soft">
            The forecast said then of {tagOf(forecast.key)}: done {time(forecast.earlyMs)} to {time(forecast.lateMs)}, likeliest{' '}
            {time(forecast.medianMs)}.
          </p>
        )}
      </div>
    </li>
  );
}

/** The pit as it was and as its gauge said, with every decision on the line. */
function TrailChart({ weighed, scenario, zone }: { weighed: Debrief; scenario: Scenario; zone: string }) {
  const units = useUnits();
  const { trail, decisions } = weighed;
  const draw = useCallback(
    (ink: Ink) => {
      const times = trail.map(({ atMs }) => clockTime(atMs, zone, units.clock));
      const line = (name: string, values: number[], color: string, dash: string, width = 2) => ({
        type: 'scatter',
        mode: 'lines',
        name,
        x: trail.map((_, i) => i),
        y: values,
        line: { color, dash, width },
        hoverinfo: 'name+y',
      });
      const first = scenario.pits[0]!.pit.id;
      const cores = scenario.pieces.slice(0, 3);
      const at = (ms: number) =>
        Math.max(
          0,
          trail.findIndex(({ atMs }) => atMs >= ms),
        );
      return {
        data: [
          line(
            'pit',
            trail.map(({ pitC }) => tempIn(pitC[first]!, units)),
            ink('ember'),
            'solid',
          ),
          line(
            'gauge',
            trail.map(({ gaugeC }) => tempIn(gaugeC[first]!, units)),
            ink('soft'),
            'dot',
            1.4,
          ),
          ...cores.map((piece, i) => ({
            ...line(
              i === 0 ? 'cores' : `core ${piece.tag}`,
              trail.map(({ coreC }) => tempIn(coreC[piece.key]!, units)),
              ink('slate'),
              'solid',
              1.2,
            ),
            showlegend: i === 0,
          })),
          {
            type: 'scatter',
            mode: 'markers',
            name: 'decisions',
            x: decisions.map(({ atMs }) => at(atMs)),
            y: decisions.map(({ atMs }) => tempIn(trail[at(atMs)]?.pitC[first] ?? 100, units)),
            marker: {
              color: decisions.map(({ gained }) => (gained < -TOLD_FROM ? ink('bad') : gained > TOLD_FROM ? ink('safe') : ink('ink'))),
              size: 9,
              symbol: decisions.map(({ news }) => (news ? 'diamond' : 'circle')),
            },
            hoverinfo: 'skip',
          },
        ],
        layout: {
          ...chartFrame(ink),
          margin: { l: 40, r: 10, t: 6, b: 30 },
          xaxis: {
            ...chartAxis(ink),
            tickvals: trail.map((_, i) => i).filter((i) => i % Math.max(1, Math.round(trail.length / 8)) === 0),
            ticktext: times.filter((_, i) => i % Math.max(1, Math.round(trail.length / 8)) === 0),
          },
          yaxis: { ...chartAxis(ink), ticksuffix: '°' },
          legend: { orientation: 'h', y: 1.12 },
          showlegend: true,
        },
      };
    },
    [trail, decisions, scenario, zone, units],
  );
  return (
    <Chart
      draw={draw}
      stamp={`${trail.length} ${decisions.length} ${units.temp}`}
      title="The pit and the cores over the day, with your decisions"
      className="h-64 w-full"
    />
  );
}
