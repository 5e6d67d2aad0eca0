import { DoorOpen } from 'lucide-react';
import type { Plan, Task } from '../../core/model';
import { clockTime, dayAndTime } from '../../formats/clock';
import { formatMinutes } from '../../formats/units';
import { MS_PER_MIN } from '../../core/units';
import type { MessageContext } from '../../formats/messages/names';
import { taskMessage } from '../../formats/messages/task';

/** Done over and over: what is the same again shares a line, and only the first of the day says how. */
const RHYTHM: readonly Task['kind'][] = ['reload', 'wood', 'ash', 'water', 'spray', 'carve'];

export interface Row {
  task: Task;
  again: Task[];
}

const alike = (a: Task, b: Task) =>
  a.kind === b.kind && a.pitId === b.pitId && a.runId === b.runId && (a.kind !== 'carve' || a.who?.join() === b.who?.join());

/** What may wait a quarter of an hour says until when. */
const WORTH_SAYING_MS = 15 * MS_PER_MIN;

/** On paper these need no more than their title. */
const SAID_BY_ITSELF: ReadonlySet<Task['kind']> = new Set(['prepare', 'vent', 'loadVan', 'unload', 'setUp', 'packUp', 'drive']);

/** How one mixes or makes ready is said once. */
const sameMaking = (a: Task, b: Task) => a.what !== undefined && a.what.code === b.what?.code;

/** Lines of a day: each task, with those after it that say the very same of the same fire or meat. */
export function rowsOf(tasks: readonly Task[], titleOf: (task: Task) => string): Row[] {
  const rows: Row[] = [];
  for (const task of tasks) {
    // Only with the last of its kind: what changes in between begins a line of its own.
    const row = RHYTHM.includes(task.kind) ? rows.findLast((each) => alike(each.task, task)) : undefined;
    if (row && titleOf(row.task) === titleOf(task)) row.again.push(task);
    else rows.push({ task, again: [] });
  }
  return rows;
}

/** Minutes between tasks that come at an even rhythm; undefined for fewer than three more, or an uneven one. */
export function rhythmMin({ task, again }: Row): number | undefined {
  const times = [task, ...again].map((each) => each.atMs);
  const gaps = new Set(times.slice(1).map((atMs, i) => Math.round((atMs - times[i]!) / MS_PER_MIN)));
  return again.length >= 3 && gaps.size === 1 ? [...gaps][0] : undefined;
}

export function TaskLine({
  row,
  messageContext,
  plan,
  names,
}: {
  row: Row;
  messageContext: MessageContext;
  plan: Plan;
  names: ReadonlyMap<string, string>;
}) {
  const { task, again } = row;
  const everyMin = rhythmMin(row);
  const words = taskMessage(messageContext, task, plan.runs);
  const told = RHYTHM.includes(task.kind) ? (each: Task) => alike(each, task) : (each: Task) => sameMaking(each, task);
  const first = plan.tasks.find(told);
  const known = first !== undefined && first !== task;
  // How one trims stands at the first trimming.
  const saidBefore = task.kind === 'trim' && plan.tasks.find((each) => each.kind === 'trim') !== task;
  const time = (each: Task) => (
    <time key={each.id} dateTime={new Date(each.atMs).toISOString()} className="figures font-bold">
      {clockTime(each.atMs, messageContext.event.timeZone, messageContext.units.clock)}
    </time>
  );
  const { timeZone } = messageContext.event;
  const { clock } = messageContext.units;
  const mayWait = task.latestMs !== undefined && task.latestMs - task.atMs >= WORTH_SAYING_MS;
  const latest =
    mayWait &&
    (task.latestMs! - task.atMs > 20 * 3_600_000
      ? dayAndTime(task.latestMs!, timeZone, clock)
      : clockTime(task.latestMs!, timeZone, clock));
  const lifts = task.opening !== undefined && plan.tasks.find((each) => each.opening === task.opening) === task;
  const shared = task.opening !== undefined && plan.tasks.filter((each) => each.opening === task.opening).length > 1;
  return (
    <li className="grid break-inside-avoid grid-cols-[1.1rem_4.2rem_1fr_auto] items-baseline gap-2 py-0.5 print:gap-1 print:py-0 print:leading-snug">
      <span aria-hidden className="mt-1 block size-3.5 self-start border border-soft" />
      {time(task)}
      <span>
        <span className={`font-semibold ${task.kind === 'serve' ? 'text-ember-ink' : ''}`}>{words.title}</span>{' '}
        {again.length > 0 && (
          <span className="text-[0.92rem]">
            {everyMin === undefined ? (
              <>and at {again.flatMap((each, i) => (i === 0 ? [time(each)] : [', ', time(each)]))} </>
            ) : (
              <>
                then every {everyMin} min until {time(again.at(-1)!)}{' '}
              </>
            )}
          </span>
        )}
        {task.who && (
          <span className="mr-1 rounded bg-paper px-1 text-[0.85rem]">{task.who.map((id) => names.get(id) ?? 'crew').join(', ')}</span>
        )}
        {latest && <span className="figures mr-1 text-[0.85rem] text-soft print:hidden">by {latest}</span>}
        {!known && (
          <span className={`text-[0.92rem] text-soft ${SAID_BY_ITSELF.has(task.kind) || saidBefore ? 'print:hidden' : ''}`}>
            {words.detail}
          </span>
        )}
      </span>
      <span className="figures whitespace-nowrap text-[0.85rem] text-soft">
        {task.opening !== undefined &&
          (lifts ? (
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
