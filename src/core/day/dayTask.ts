import type { RevisedTask } from './revisedTasks';

export type TaskStatus = 'waiting' | 'due' | 'late' | 'done' | 'skipped';

/** A task of the run sheet as it stands: when it was planned, when it is due now, and what became of it. */
export interface DayTask extends RevisedTask {
  plannedMs: number;
  dueMs: number;
  status: TaskStatus;
  /** Somebody is at it since. */
  begunAtMs?: number;
  begunBy?: string;
  doneAtMs?: number;
  doneBy?: string;
  reason?: string;
  entryId?: string;
  /** Its people are elsewhere then, and nobody else is free. */
  clash?: { memberId: string; taskId: string };
  /** Somebody else does it than was planned. */
  insteadOf?: string[];
}
