import type { DayTask } from '../../../core/day';
import type { Run, Task } from '../../../core/model';
import { formatSetPoint } from '../../units';
import { gearName, list, lowerPit, pitName, type MessageContext, type TaskMessage } from '../names';
import { taskMessage } from '../task';
import { tagOfPiece } from './names';

/** What a task of the day is called, and what is looked at while doing it: as the run sheet has it, or as a revision made it. */
export function dayTaskMessage(messageContext: MessageContext, task: Task & Pick<DayTask, 'change'>, runs: Run[]): TaskMessage {
  const { change } = task;
  const planned = taskMessage(messageContext, task, runs);
  if (!change || !('pieces' in change)) return planned;
  const tags = list(change.pieces.map((key) => tagOfPiece(messageContext, key)));
  switch (change.what) {
    case 'wrapNow':
      return {
        title: `Wrap ${tags} now`,
        detail: 'In what its method wraps in; foil where it wraps in nothing. Only these: the others stay as they are.',
      };
    case 'finishIn':
      return {
        title: `Move ${tags} to the ${lowerPit(pitName(messageContext, change.pitId))}`,
        detail: `It must stand at ${formatSetPoint(change.pitC, messageContext.units)} first. Wrapped meat needs heat, not smoke.`,
      };
    case 'pullFor':
      return { title: `Pull ${tags} for those who come first`, detail: 'Feel each before it comes off; what is not tender stays.' };
    case 'holdIn':
      return { title: `Hold ${tags} in the ${lowerPit(gearName(messageContext, change.gearId))}`, detail: planned.detail };
    default:
      return planned;
  }
}
