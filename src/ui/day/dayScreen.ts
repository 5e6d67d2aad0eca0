import type { WriteFaultCode } from '../../core/outcome';
import type { Conclusion, DayPace, DayTask, DayView, PieceView } from '../../core/day';
import type { Plan } from '../../core/model';
import type { MessageContext } from '../../formats/messages/names';

/** The day as the house tells it. */
export interface DayScreen extends DayView {
  clock: { simulated: boolean } & DayPace;
  /** Why nothing can be written just now. */
  fault?: WriteFaultCode;
  /** The house's clock was set, by so much ahead of what the house goes by. */
  clockSet?: { sinceMs: number; byMs: number };
  slept?: { fromMs: number; toMs: number };
  links: { id: string; state: 'connecting' | 'connected' | 'lost'; why?: string; sinceMs: number }[];
  late: { entryId: string; atMs: number; what: Conclusion[] }[];
}

/** What of the kept plan the screens name things by. It stays as it was at the start. */
export interface DayGround extends Omit<MessageContext, 'units'> {
  plan: Plan;
  startedAtMs: number;
  simulated: boolean;
}

/** What was planned so long before the day began, and is not marked, was most likely done: it does not stand before the present. */
const BEFORE_THE_DAY_MS = 3_600_000;

/** Still to be done by hands, in order; what lies before the day comes last. */
export function openTasks({ tasks, startedAtMs = -Infinity }: Pick<DayScreen, 'tasks' | 'startedAtMs'>): DayTask[] {
  const open = tasks.filter((task) => task.status !== 'done' && task.status !== 'skipped' && task.kind !== 'serve');
  const isBefore = (task: DayTask) => task.plannedMs < startedAtMs - BEFORE_THE_DAY_MS;
  return [...open.filter((task) => !isBefore(task)), ...open.filter(isBefore)];
}

export const isCooking = ({ onAtMs, pulledAtMs }: PieceView): boolean => onAtMs !== undefined && pulledAtMs === undefined;
