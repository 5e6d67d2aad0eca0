import type { Conclusion, DayTask, DayView, PieceView } from '../../core/day';
import type { Plan } from '../../core/model';
import type { MessageContext } from '../../formats/messages/names';

/** The day as the house tells it. */
export interface DayScreen extends DayView {
  clock: { simulated: boolean; speed: number };
  links: { id: string; state: 'connecting' | 'connected' | 'lost'; why?: string; sinceMs: number }[];
  late: { entryId: string; atMs: number; what: Conclusion[] }[];
}

/** What of the kept plan the screens name things by. It stays as it was at the start. */
export interface DayGround extends Omit<MessageContext, 'units'> {
  plan: Plan;
  startedAtMs: number;
  simulated: boolean;
}

/** Still to be done by hands. */
export const openTasks = ({ tasks }: DayScreen): DayTask[] =>
  tasks.filter((task) => task.status !== 'done' && task.status !== 'skipped' && task.kind !== 'serve');

export const isCooking = ({ onAtMs, pulledAtMs }: PieceView): boolean => onAtMs !== undefined && pulledAtMs === undefined;
