import { DoorOpen } from 'lucide-react';
import type { Plan, Task } from '../../core/model';
import { clockTime } from '../../formats/clock';
import { formatMinutes } from '../../formats/units';
import type { MessageContext } from '../../formats/messages/names';
import { taskMessage } from '../../formats/messages/task';

/** Done over and over: within an hour they share a line, and only the first of the day says how. */
const RHYTHM: readonly Task['kind'][] = ['reload', 'wood', 'ash', 'water', 'spray'];

interface Row {
  task: Task;
  again: Task[];
}

const alike = (a: Task, b: Task) => a.kind === b.kind && a.pitId === b.pitId && a.runId === b.runId;

export function rowsOf(tasks: readonly Task[]): Row[] {
  const rows: Row[] = [];
  for (const task of tasks) {
    const row = RHYTHM.includes(task.kind) ? rows.find((each) => alike(each.task, task)) : undefined;
    if (row) row.again.push(task);
    else rows.push({ task, again: [] });
  }
  return rows;
}

export function TaskLine({
  row: { task, again },
  messageContext,
  plan,
  names,
}: {
  row: Row;
  messageContext: MessageContext;
  plan: Plan;
  names: ReadonlyMap<string, string>;
}) {
  const words = taskMessage(messageContext, task, plan.runs);
  const known = RHYTHM.includes(task.kind) && plan.tasks.find((each) => alike(each, task)) !== task;
  const time = (each: Task) => (
    <time key={each.id} dateTime={new Date(each.atMs).toISOString()} className="figures font-bold">
      {clockTime(each.atMs, messageContext.event.timeZone, messageContext.units.clock)}
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
        {task.who && (
          <span className="mr-1 rounded bg-paper px-1 text-[0.85rem]">{task.who.map((id) => names.get(id) ?? 'crew').join(', ')}</span>
        )}
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
