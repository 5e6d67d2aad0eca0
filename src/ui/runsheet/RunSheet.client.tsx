'use client';
import { CalendarDays, Dumbbell, FileJson, Printer, Table } from 'lucide-react';
import Link from 'next/link';
import { placesOf, type Plan, type Task } from '../../core/model';
import { useState, type ReactNode } from 'react';
import type { Decision, PlanInput } from '../../core/planning';
import { limitsOf, STRICT_LIMITS } from '../../core/safety';
import { clockTime, longDay, startOfHour } from '../../formats/clock';
import { DEFERS, limitMessage, looseName } from '../../formats/messages/safety';
import { planProblemMessage } from '../../formats/messages/problem';
import { messageContextOf } from '../../formats/messages/names';
import { taskMessage } from '../../formats/messages/task';
import { Button, buttonClass } from '../kit/Button';
import { Baseline } from '../plan/Baseline.client';
import { useUnits } from '../kit/UnitsProvider';
import { Decisions } from './Decisions';
import { LoadOut } from './LoadOut';
import { rowsOf, TaskLine, type Row } from './TaskLine';

interface Hour {
  atMs: number;
  rows: Row[];
}

interface Day {
  name: string;
  hours: Hour[];
}

function daysOf(tasks: Task[], zone: string, titleOf: (task: Task) => string): Day[] {
  const days: { name: string; tasks: Task[] }[] = [];
  for (const task of tasks) {
    const name = longDay(task.atMs, zone);
    if (days.at(-1)?.name === name) days.at(-1)!.tasks.push(task);
    else days.push({ name, tasks: [task] });
  }
  return days.map(({ name, tasks: own }) => ({ name, hours: hoursOf(rowsOf(own, titleOf), zone) }));
}

function hoursOf(rows: Row[], zone: string): Hour[] {
  const hours: Hour[] = [];
  for (const row of rows) {
    const atMs = startOfHour(row.task.atMs, zone);
    if (hours.at(-1)?.atMs === atMs) hours.at(-1)!.rows.push(row);
    else hours.push({ atMs, rows: [row] });
  }
  return hours;
}

/** Every action with its clock time, hour by hour, for the wall of the yard. */
export function RunSheet({
  input,
  plan,
  decisions,
  children,
}: {
  input: PlanInput;
  plan: Plan;
  decisions: Decision[];
  /** What stands before the first action. */
  children?: ReactNode;
}) {
  const units = useUnits();
  const [by, setBy] = useState<By>('clock');
  const { event } = input;
  const zone = event.timeZone;
  const messageContext = messageContextOf(input, units);
  const openings = new Set(plan.tasks.map((task) => task.opening).filter(Boolean)).size;
  const names = new Map((input.crew ?? []).map((member) => [member.id, member.name]));
  const sections = sectionsOf(by, plan.tasks, input, names);
  const titleOf = (task: Task) => taskMessage(messageContext, task, plan.runs).title;
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
        <div className="flex flex-wrap gap-2 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <Link href={`/practice?event=${event.id}`} className={buttonClass()}>
            <Dumbbell size={16} aria-hidden /> Rehearse
          </Link>
          <a href={file('calendar')} download className={buttonClass()}>
            <CalendarDays size={16} aria-hidden /> Calendar
          </a>
          <a href={file('csv')} download className={buttonClass()}>
            <Table size={16} aria-hidden /> CSV
          </a>
          <a href={`/events/${event.id}/file/event`} download className={buttonClass()}>
            <FileJson size={16} aria-hidden /> Event file
          </a>
          <a href={`/events/${event.id}/file/plan`} download className={buttonClass()}>
            <FileJson size={16} aria-hidden /> Plan file
          </a>
        </div>
      </div>
      {children}
      <div role="group" aria-label="Order of the run sheet" className="mb-3 flex gap-2 print:hidden">
        {(Object.keys(BY) as By[])
          .filter((each) => each !== 'place' || placesOf(event).length > 1)
          .map((each) => (
            <Button key={each} look={by === each ? 'strong' : 'plain'} aria-pressed={by === each} onClick={() => setBy(each)}>
              {BY[each]}
            </Button>
          ))}
      </div>
      <Baseline messageContext={messageContext} input={input} plan={plan} />
      {plan.problems.map((problem, i) => (
        <p
          key={i}
          className={`mb-2 border-l-4 bg-sheet px-3 py-1.5 print:mb-1 print:py-0.5 ${problem.severity === 'broken' ? 'border-bad' : 'border-warn'}`}
        >
          <strong>{planProblemMessage(messageContext, problem).what}</strong> {planProblemMessage(messageContext, problem).remedy}
        </p>
      ))}
      {event.loosened?.map((loose) => (
        <p key={loose.rule} className="mb-2 border-l-4 border-warn bg-sheet px-3 py-1.5">
          <strong>
            {looseName(loose.rule)} loosened for this event: {limitMessage(loose.rule, loose.limit, units)} in place of{' '}
            {limitMessage(loose.rule, STRICT_LIMITS[loose.rule], units)}.
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
      <Decisions messageContext={messageContext} plan={plan} decisions={decisions} />
      <LoadOut messageContext={messageContext} plan={plan} />
      {sections.map((section) => (
        <section
          key={section.name}
          aria-label={section.name || 'All work'}
          className={section.name ? 'mb-7 break-after-page last:break-after-auto' : ''}
        >
          {section.name && <h2 className="mb-2 text-xl">{section.name}</h2>}
          {daysOf(section.tasks, zone, titleOf).map((day) => (
            <section key={day.name} className="mb-5 print:mb-2">
              <h3 className="font-title mb-1 border-b-2 border-ink pb-1 text-lg font-bold">{day.name}</h3>
              <ol>
                {day.hours.map((hour) => (
                  <li key={hour.atMs} className="grid grid-cols-[4.2rem_1fr] gap-2 border-b border-line py-1.5 print:gap-1 print:py-0.5">
                    <p className="figures pt-0.5 text-[1.05rem] font-bold text-soft">{clockTime(hour.atMs, zone, units.clock)}</p>
                    <ol>
                      {hour.rows.map((row) => (
                        <TaskLine key={row.task.id} row={row} messageContext={messageContext} plan={plan} names={names} />
                      ))}
                    </ol>
                  </li>
                ))}
              </ol>
            </section>
          ))}
        </section>
      ))}
      <p className="text-[0.85rem] text-soft">
        {DEFERS} Poultry 165 °F (74 °C), hot holding at or above {limitMessage('hotHold', limitsOf(event).hotHold, units)}. Measure cores
        with a checked probe; never burn charcoal or wood in a tent or garage.
      </p>
    </main>
  );
}

type By = 'clock' | 'person' | 'place' | 'pit';
const BY: Record<By, string> = { clock: 'By the clock', person: 'By person', place: 'By place', pit: 'By pit' };

/** The same tasks as sheets of their own: one for each of the crew, or for each pit; what belongs to nobody is on every one's last. */
function sectionsOf(by: By, tasks: Task[], input: PlanInput, names: ReadonlyMap<string, string>): { name: string; tasks: Task[] }[] {
  if (by === 'clock') return [{ name: '', tasks }];
  const owners =
    by === 'person'
      ? [...names].map(([id, name]) => ({ name, own: (task: Task) => task.who?.includes(id) ?? false }))
      : by === 'place'
        ? placesOf(input.event).map(({ id, name }) => ({ name, own: (task: Task) => task.placeId === id }))
        : input.pits.map((pit) => ({ name: pit.name, own: (task: Task) => task.pitId === pit.id }));
  const rest = tasks.filter((task) => !owners.some((owner) => owner.own(task)));
  return [
    ...owners.map(({ name, own }) => ({ name, tasks: tasks.filter(own) })),
    { name: by === 'person' ? 'Whoever is at hand' : by === 'place' ? 'Anywhere' : 'Away from the pits', tasks: rest },
  ].filter((section) => section.tasks.length > 0);
}
