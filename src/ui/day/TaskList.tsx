import type { DayTask } from '../../core/day';
import { clockTime, shortDay } from '../../formats/clock';
import { list, memberName, type MessageContext } from '../../formats/messages/names';
import type { DayGround } from './dayScreen';
import { countdown } from './wording';
import { dayTaskMessage } from '../../formats/messages/day/task';

interface TaskListProps {
  tasks: DayTask[];
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  heading?: string;
  most: number;
}

/** What comes round again and again is one line. */
const COMES_ROUND: ReadonlySet<DayTask['kind']> = new Set(['reload', 'wood', 'water', 'ash', 'spray', 'turn']);

function gathered(tasks: readonly DayTask[]): { task: DayTask; again: DayTask[] }[] {
  const lines: { task: DayTask; again: DayTask[] }[] = [];
  for (const task of tasks) {
    const same = COMES_ROUND.has(task.kind)
      ? lines.find((line) => line.task.kind === task.kind && line.task.pitId === task.pitId && line.task.runId === task.runId)
      : undefined;
    if (same) same.again.push(task);
    else lines.push({ task, again: [] });
  }
  return lines;
}

/** Tasks in a line each: when, what, who; those that are late say so. */
export function TaskList({ tasks, ground, context, nowMs, heading, most }: TaskListProps) {
  const { event, units } = context;
  if (tasks.length === 0) return null;
  const today = shortDay(nowMs, event.timeZone);
  return (
    <section aria-label={heading ?? 'After that'} className="border-b border-line px-4 py-2">
      {heading && <h2 className="text-[1.1rem]">{heading}</h2>}
      <ul>
        {gathered(tasks)
          .slice(0, most)
          .map(({ task, again }) => (
            <li key={task.id} className="flex items-baseline gap-3 py-1 text-[1rem]">
              <span className={`figures w-14 shrink-0 font-bold ${task.status === 'late' ? 'text-bad' : 'text-soft'}`}>
                {clockTime(task.dueMs, event.timeZone, units.clock)}
              </span>
              <span className="grow">
                {dayTaskMessage(context, task, ground.plan.runs).title}
                {task.status === 'late' && <span className="ml-1 font-semibold text-bad">late {countdown(task.dueMs - nowMs)}</span>}
                {again.length > 0 && (
                  <span className="text-[0.86rem] text-soft">
                    , again{' '}
                    {again
                      .slice(0, 2)
                      .map((each) => clockTime(each.dueMs, event.timeZone, units.clock))
                      .join(', ')}
                    {again.length > 2 ? ' and on' : ''}
                  </span>
                )}
                {shortDay(task.dueMs, event.timeZone) !== today && (
                  <span className="ml-1 text-[0.86rem] text-soft">{shortDay(task.dueMs, event.timeZone)}</span>
                )}
              </span>
              <span className="shrink-0 text-[0.88rem] text-soft">{list((task.who ?? []).map((id) => memberName(context, id)))}</span>
            </li>
          ))}
      </ul>
    </section>
  );
}
