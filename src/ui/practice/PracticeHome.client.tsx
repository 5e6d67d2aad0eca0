'use client';
import { Play, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { PIT_KIND } from '../../core/model';
import {
  DRILL_SETS,
  drillOrder,
  QUESTIONS,
  SCENARIOS,
  SKILLS,
  skillLines,
  type DrillMark,
  type PracticeLine,
  type SkillLine,
} from '../../core/practice';
import { shortDay } from '../../formats/clock';
import { DRILL_WORDS, PRACTICE_CAUTION, SCENARIO_WORDS, SKILL_WORDS } from '../../formats/messages/practice';
import { formatMinutes } from '../../formats/units';
import { announce, complain } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { inputClass } from '../kit/Field';
import { sendPaper } from './papers';
import { useTrainee } from './useTrainee';

export interface PracticeHomeProps {
  runs: PracticeLine[];
  marks: Record<string, DrillMark[]>;
  crew: string[];
  events: { id: string; name: string }[];
  /** Whose plan somebody came to rehearse. */
  eventId?: string;
  nowMs: number;
  zone: string;
}

const titleOf = (line: PracticeLine): string =>
  line.eventName ? `Rehearsal: ${line.eventName}` : (SCENARIO_WORDS[line.scenarioId]?.title ?? line.scenarioId);

/** Where practice begins: who, what to go on with, scenarios, drills, one's own plan, and how the skills go. */
export function PracticeHome({ runs, marks, crew, events, eventId: cameFor, nowMs, zone }: PracticeHomeProps) {
  const router = useRouter();
  const [trainee, setTrainee] = useTrainee();
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const [eventId, setEventId] = useState(events.find(({ id }) => id === cameFor)?.id ?? events[0]?.id ?? '');
  const [from, setFrom] = useState<'fire' | 'lastHours'>('lastHours');
  const name = trainee.trim();
  const known = [...new Set([...crew, ...runs.map((run) => run.trainee), ...Object.keys(marks)])].sort();
  const own = runs.filter((run) => run.trainee === name);
  const open = own.filter((run) => !run.result);
  const over = own.filter((run) => run.result);
  const skills = skillLines(own, SKILLS);
  const begin = async (what: { scenarioId: string } | { eventId: string; from: string }) => {
    if (!name) return setAsked(true);
    setBusy(true);
    const begun = await sendPaper<{ id: string }>({ what: 'begin', trainee: name, ...what });
    setBusy(false);
    if (!begun.ok) return complain(begun.problems);
    router.push(`/practice/${begun.value.id}`);
  };
  const takeOut = async (id: string) => {
    const out = await sendPaper({ what: 'takeOut', id });
    if (!out.ok) return complain(out.problems);
    router.refresh();
    announce('Taken out of the list.', () => void sendPaper({ what: 'bringBack', id }).then(() => router.refresh()));
  };
  const rehearse = (
    <section aria-label="Rehearse">
      <h2 className="text-lg">Rehearse your own plan</h2>
      {events.length === 0 ? (
        <p className="mt-1 text-soft">Once there is an event with a plan, it can be cooked here on its own pits before the day.</p>
      ) : (
        <div className="mt-1 flex flex-wrap items-end gap-2 rounded-md border border-line bg-sheet p-3">
          <label className="grid grow gap-1 text-[0.88rem] text-soft">
            Event
            <select aria-label="Event" className={inputClass()} value={eventId} onChange={(change) => setEventId(change.target.value)}>
              {events.map((event) => (
                <option key={event.id} value={event.id}>
                  {event.name}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1 text-[0.88rem] text-soft">
            From
            <select
              aria-label="From"
              className={inputClass()}
              value={from}
              onChange={(change) => setFrom(change.target.value as typeof from)}
            >
              <option value="lastHours">the last three hours</option>
              <option value="fire">the first piece on</option>
            </select>
          </label>
          <Button disabled={busy} onClick={() => void begin({ eventId, from })}>
            <Play size={16} aria-hidden /> Rehearse it
          </Button>
        </div>
      )}
    </section>
  );
  return (
    <main className="mx-auto max-w-6xl px-4 py-5">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-2xl">Practice</h1>
          <p className="text-soft">A day without meat: spoil as many briskets as you like.</p>
        </div>
        <label className="grid gap-1 text-[0.88rem] text-soft">
          Who practises
          <input
            list="trainees"
            className={inputClass()}
            value={trainee}
            maxLength={60}
            placeholder="A first name"
            aria-invalid={asked && !name}
            onChange={(change) => setTrainee(change.target.value)}
          />
          {asked && !name && <span className="text-bad">Say who practises, so that it is kept for you.</span>}
          <datalist id="trainees">
            {known.map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
        </label>
      </div>
      {open.length > 0 && (
        <section aria-label="Go on" className="mt-4">
          <h2 className="text-lg">Go on</h2>
          <ul className="mt-1 grid gap-2 md:grid-cols-2">
            {open.map((run) => (
              <li key={run.id} className="flex items-center gap-2 rounded-md border border-ember bg-sheet px-3 py-2">
                <Link href={`/practice/${run.id}`} className="min-w-0 grow">
                  <strong>{titleOf(run)}</strong>
                  <span className="block text-[0.88rem] text-soft">
                    begun {shortDay(run.startedAtMs, zone)}, {run.deeds} {run.deeds === 1 ? 'thing' : 'things'} done
                  </span>
                </Link>
                <Link href={`/practice/${run.id}`} className={buttonClass('ember')}>
                  <Play size={16} aria-hidden /> Go on
                </Link>
                <Button look="quiet" aria-label={`Take out ${titleOf(run)}`} onClick={() => void takeOut(run.id)}>
                  <Trash2 size={16} aria-hidden />
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {cameFor && <div className="mt-5 max-w-2xl">{rehearse}</div>}
      <section aria-label="Scenarios" className="mt-5">
        <h2 className="text-lg">Cook a day</h2>
        <ul className="mt-1 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
          {SCENARIOS.map((scenario) => {
            const words = SCENARIO_WORDS[scenario.id]!;
            const best = Math.max(-1, ...over.filter((run) => run.scenarioId === scenario.id).map((run) => run.result!.value));
            return (
              <li key={scenario.id} className="flex flex-col rounded-md border border-line bg-sheet p-3">
                <h3 className="text-[1.05rem]">{words.title}</h3>
                <p className="text-[0.9rem]">
                  {PIT_KIND[scenario.pits[0]!.pit.kind].name}, {formatMinutes(scenario.takeOverMin)}: {words.about}
                </p>
                <p className="mt-1 mb-2 text-[0.88rem] text-soft">{words.brief}</p>
                <div className="mt-auto flex items-center justify-between gap-2">
                  <Button disabled={busy} onClick={() => void begin({ scenarioId: scenario.id })}>
                    <Play size={16} aria-hidden /> Cook it
                  </Button>
                  {best >= 0 && (
                    <span className="text-[0.88rem] text-soft">
                      your best <strong className="figures text-ink">{Math.round(best)}</strong>
                    </span>
                  )}
                </div>
              </li>
            );
          })}
        </ul>
      </section>
      <div className="mt-5 grid gap-5 lg:grid-cols-2">
        <section aria-label="Drills">
          <h2 className="text-lg">Drills of two minutes</h2>
          <ul className="mt-1 grid gap-2">
            {DRILL_SETS.map((set) => {
              const { due } = drillOrder(set, marks[name] ?? [], nowMs);
              return (
                <li key={set}>
                  <Link
                    href={`/practice/drills/${set}`}
                    className="flex min-h-[48px] items-center justify-between gap-3 rounded-md border border-line bg-sheet px-3 py-1.5 hover:border-soft"
                  >
                    <span>
                      <strong>{DRILL_WORDS[set].title}</strong> <span className="text-[0.88rem] text-soft">{DRILL_WORDS[set].about}</span>
                    </span>
                    <span className="text-[0.88rem] whitespace-nowrap text-soft">
                      {due === 0 ? 'none due' : `${due} of ${QUESTIONS} due`}
                    </span>
                  </Link>
                </li>
              );
            })}
          </ul>
        </section>
        <div className="grid content-start gap-5">
          {!cameFor && rehearse}
          <section aria-label="Skills over time">
            <h2 className="text-lg">{name ? `${name}’s skills` : 'Skills'}</h2>
            {skills.length === 0 ? (
              <p className="mt-1 text-soft">
                After the first day that is cooked to its end, each skill stands here with how it went since.
              </p>
            ) : (
              <ul className="mt-1 grid gap-1 rounded-md border border-line bg-sheet p-3">
                {skills.map((line) => (
                  <SkillRow key={line.skill} line={line} />
                ))}
              </ul>
            )}
            {over.length > 0 && (
              <ul className="mt-2 divide-y divide-line text-[0.92rem]">
                {over.slice(0, 8).map((run) => (
                  <li key={run.id} className="flex items-center justify-between gap-2 py-1">
                    <Link href={`/practice/${run.id}`} className="underline decoration-line underline-offset-2">
                      {titleOf(run)}
                    </Link>
                    <span className="text-soft">
                      {shortDay(run.changedAtMs, zone)} · {run.result!.onTime ? 'on time' : 'not on time'} ·{' '}
                      <strong className="figures text-ink">{Math.round(run.result!.value)}</strong>
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
      </div>
      <p className="mt-5 max-w-3xl text-[0.85rem] text-soft">{PRACTICE_CAUTION}</p>
    </main>
  );
}

/** A skill with its last days as a line. */
function SkillRow({ line }: { line: SkillLine }) {
  const [name, meaning] = SKILL_WORDS[line.skill];
  const days = line.days.slice(-12);
  const at = (i: number) => (days.length === 1 ? 60 : (120 * i) / (days.length - 1));
  return (
    <li className="grid grid-cols-[6rem_minmax(0,1fr)_3rem] items-center gap-3" title={meaning}>
      <span>{name}</span>
      <svg
        viewBox="-4 -4 128 32"
        className="h-7 w-full"
        preserveAspectRatio="none"
        role="img"
        aria-label={`${name} over ${days.length} days: ${days.map(({ points }) => Math.round(points)).join(', ')}`}
      >
        <path d="M0,24 H120" stroke="var(--line)" />
        <path
          d={`M${days.map(({ points }, i) => `${at(i)},${24 - points * 0.24}`).join(' L')}`}
          fill="none"
          stroke="var(--ember)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
        {days.map(({ points, atMs }, i) => (
          <circle key={atMs} cx={at(i)} cy={24 - points * 0.24} r="2" fill="var(--ember)" />
        ))}
      </svg>
      <strong className="figures text-right">{Math.round(line.lately)}</strong>
    </li>
  );
}
