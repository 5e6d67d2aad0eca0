import type { DayTask } from '../../core/day';
import { taskMessage } from '../../formats/messages/task';
import type { MessageContext, TaskMessage } from '../../formats/messages/names';
import type { DayGround } from './dayScreen';

/** What a task is called, and what is looked at while doing it, as the run sheet has it. */
export function dayTaskMessage(
  context: MessageContext,
  ground: DayGround,
  task: DayTask | DayGround['plan']['tasks'][number],
): TaskMessage {
  return taskMessage(context, task, ground.plan.runs);
}

export const titleOfTask =
  (context: MessageContext, ground: DayGround) =>
  (taskId: string): string => {
    const task = ground.plan.tasks.find((each) => each.id === taskId);
    return task ? dayTaskMessage(context, ground, task).title : 'A task';
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
