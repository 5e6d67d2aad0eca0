import type { DayTask } from '../../core/day';
import { dayTaskMessage } from '../../formats/messages/day/task';
import type { MessageContext } from '../../formats/messages/names';
import type { DayGround } from './dayScreen';

/** A task by its id, for journal and alarms: those of the plan, and those that revisions brought. */
export const titleOfTask =
  (context: MessageContext, { plan }: DayGround, tasks: readonly DayTask[]) =>
  (taskId: string): string => {
    const task = tasks.find((each) => each.id === taskId) ?? plan.tasks.find((each) => each.id === taskId);
    return task ? dayTaskMessage(context, task, plan.runs).title : 'A task';
  };

/** What the button that says a task is done reads. */
export const DONE_WORDS: Partial<Record<DayTask['kind'], string>> = {
  light: 'Lit',
  load: 'On',
  wrap: 'Wrapped',
  unwrap: 'Unwrapped',
  move: 'Moved',
  pull: 'All pulled',
  vent: 'Vented',
  rest: 'Resting',
  hold: 'In the hold',
  carve: 'Carved',
  reload: 'Fuelled',
  spray: 'Sprayed',
  turn: 'Turned',
  probe: 'Probe in',
  drive: 'Gone',
  serve: 'Served',
};

/** `0:18`, `1:05`; past its time with a plus. */
export function countdown(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  return `${ms < 0 ? '+' : ''}${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}
