'use client';
import { CalendarDays, DoorOpen, Printer, Table } from 'lucide-react';
import Link from 'next/link';
import type { Plan, Task } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { limitsOf, STRICT_LIMITS } from '../../core/safety';
import { clockTime, longDay, startOfHour } from '../../formats/clock';
import { DEFERS, limitWords, looseName } from '../../formats/safetyWords';
import { formatMinutes } from '../../formats/units';
import { planProblemWords } from '../../formats/problemWords';
import { type Speech, speechOf } from '../../formats/names';
import { taskWords } from '../../formats/words';
import { Button, buttonClass } from '../kit/Button';
import { KeptPlan } from '../plan/KeptPlan.client';
import { useUnits } from '../kit/UnitsProvider';

interface Hour {
  atMs: number;
  tasks: Task[];
}

interface Day {
  name: string;
  hours: Hour[];
}

function daysOf(tasks: Task[], zone: string): Day[] {
  const days: Day[] = [];
  for (const task of tasks) {
    const name = longDay(task.atMs, zone);
    const hourMs = startOfHour(task.atMs, zone);
    let day = days.at(-1);
    if (day?.name !== name) days.push((day = { name, hours: [] }));
    const hour = day.hours.at(-1);
    if (hour?.atMs === hourMs) hour.tasks.push(task);
    else day.hours.push({ atMs: hourMs, tasks: [task] });
  }
  return days;
}

/** Every action with its clock time, hour by hour, for the wall of the yard. */
export function RunSheet({ input, plan }: { input: PlanInput; plan: Plan }) {
  const units = useUnits();
  const { event } = input;
  const zone = event.timeZone;
  const speech = speechOf(input, units);
  const openings = new Set(plan.tasks.map((task) => task.opening).filter(Boolean)).size;
  const file = (format: string) => `/events/${event.id}/run-sheet/${format}`;
  return (
    <main className="mx-auto max-w-4xl px-4 py-5 print:max-w-none print:p-0">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">Run sheet</h1>
          <p className="text-soft">
            {event.servings.map((serving) => `${serving.name} ${clockTime(serving.atMs, zone, units.clock)}`).join(', ')} · times of{' '}
            {zone.replaceAll('_', ' ')} · {plan.tasks.length} actions, {openings} openings
          </p>
        </div>
        <div className="flex gap-2 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <a href={file('calendar')} download className={buttonClass()}>
            <CalendarDays size={16} aria-hidden /> Calendar
          </a>
          <a href={file('csv')} download className={buttonClass()}>
            <Table size={16} aria-hidden /> CSV
          </a>
        </div>
      </div>
      <KeptPlan speech={speech} input={input} plan={plan} />
      {plan.problems.map((problem, i) => (
        <p key={i} className={`mb-2 border-l-4 bg-sheet px-3 py-1.5 ${problem.severity === 'broken' ? 'border-bad' : 'border-warn'}`}>
          <strong>{planProblemWords(speech, problem).what}</strong> {planProblemWords(speech, problem).remedy}
        </p>
      ))}
      {event.loosened?.map((loose) => (
        <p key={loose.rule} className="mb-2 border-l-4 border-warn bg-sheet px-3 py-1.5">
          <strong>
            {looseName(loose.rule)} loosened for this event: {limitWords(loose.rule, loose.limit, units)} in place of{' '}
            {limitWords(loose.rule, STRICT_LIMITS[loose.rule], units)}.
          </strong>{' '}
          Reason: {loose.reason}
        </p>
      ))}
      {plan.tasks.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">Nothing to do yet</h2>
          <p className="mt-1 text-soft">Once the brief has a menu and the event has a pit, every action stands here with its clock time.</p>
          <Link href={`/events/${event.id}/brief`} className={`${buttonClass('ember')} mt-4`}>
            Go to the brief
          </Link>
        </div>
      )}
      {daysOf(plan.tasks, zone).map((day) => (
        <section key={day.name} className="mb-5">
          <h2 className="mb-1 border-b-2 border-ink pb-1 text-lg">{day.name}</h2>
          <ol>
            {day.hours.map((hour) => (
              <li key={hour.atMs} className="grid break-inside-avoid grid-cols-[4.2rem_1fr] gap-2 border-b border-line py-1.5">
                <p className="figures pt-0.5 text-[1.05rem] font-bold text-soft">{clockTime(hour.atMs, zone, units.clock)}</p>
                <ol>
                  {rowsOf(hour.tasks).map((row) => (
                    <TaskLine key={row.task.id} row={row} speech={speech} plan={plan} />
                  ))}
                </ol>
              </li>
            ))}
          </ol>
        </section>
      ))}
      <p className="text-[0.85rem] text-soft">
        {DEFERS} Poultry 165 °F (74 °C), hot holding at or above {limitWords('hotHold', limitsOf(event).hotHold, units)}. Measure cores with
        a checked probe; never burn charcoal or wood in a tent or garage.
      </p>
    </main>
  );
}

/** Done over and over: within an hour they share a line, and only the first of the day says how. */
const RHYTHM: readonly Task['kind'][] = ['reload', 'wood', 'ash', 'water', 'spray'];

interface Row {
  task: Task;
  again: Task[];
}

const alike = (a: Task, b: Task) => a.kind === b.kind && a.pitId === b.pitId && a.runId === b.runId;

function rowsOf(tasks: readonly Task[]): Row[] {
  const rows: Row[] = [];
  for (const task of tasks) {
    const row = RHYTHM.includes(task.kind) ? rows.find((each) => alike(each.task, task)) : undefined;
    if (row) row.again.push(task);
    else rows.push({ task, again: [] });
  }
  return rows;
}

function TaskLine({ row: { task, again }, speech, plan }: { row: Row; speech: Speech; plan: Plan }) {
  const words = taskWords(speech, task, plan.runs);
  const known = RHYTHM.includes(task.kind) && plan.tasks.find((each) => alike(each, task)) !== task;
  const time = (each: Task) => (
    <time key={each.id} dateTime={new Date(each.atMs).toISOString()} className="figures font-bold">
      {clockTime(each.atMs, speech.event.timeZone, speech.units.clock)}
    </time>
  );
  const first = task.opening !== undefined && plan.tasks.find((each) => each.opening === task.opening) === task;
  const shared = task.opening !== undefined && plan.tasks.filter((each) => each.opening === task.opening).length > 1;
  return (
    <li className="grid grid-cols-[1.1rem_4.2rem_1fr_auto] items-baseline gap-2 py-0.5">
      <span aria-hidden className="mt-1 block size-3.5 self-start border border-soft" />
      {time(task)}
      <span>
        <span className={`font-semibold ${task.kind === 'serve' ? 'text-ember-ink' : ''}`}>{words.title}</span>{' '}
        {again.length > 0 && <span className="text-[0.92rem]">and at {again.map(time)} </span>}
        {!known && <span className="text-[0.92rem] text-soft">{words.detail}</span>}
      </span>
      <span className="figures whitespace-nowrap text-[0.85rem] text-soft">
        {task.opening !== undefined &&
          (first ? (
            <>
              <DoorOpen size={14} className="inline" aria-hidden /> open
            </>
          ) : shared ? (
            'same opening'
          ) : (
            ''
          ))}{' '}
        {formatMinutes(task.minutes)}
      </span>
    </li>
  );
}
