import type { Drive, ExchangeTask, Plan } from '../model';
import { MS_PER_MIN } from '../units';

const TASK_ORDER = ['light', 'drive', 'pull', 'wrap', 'move', 'check', 'load', 'carve'];

/** All that hands do, in order of time; servings that share a drive share its task. */
export function exchangeTasksOf(plan: Plan): ExchangeTask[] {
  const tasks: ExchangeTask[] = [
    ...plan.firings.map(({ lightAtMs, pitId, who }) => ({ atMs: lightAtMs, minutes: 15, kind: 'light' as const, pit: pitId, who })),
    ...plan.drives
      .filter(isFirst)
      .map(({ fromMs, toMs, who }) => ({ atMs: fromMs, minutes: (toMs - fromMs) / MS_PER_MIN, kind: 'drive' as const, who })),
    ...plan.runs.flatMap((run) =>
      run.work.map(({ kind, atMs, minutes, pitId, pieceIds, who }) => ({
        atMs,
        minutes,
        kind,
        ...(pitId && { pit: pitId }),
        pieces: pieceIds,
        who,
      })),
    ),
  ];
  return tasks.sort((a, b) => a.atMs - b.atMs || TASK_ORDER.indexOf(a.kind) - TASK_ORDER.indexOf(b.kind));
}

const isFirst = (drive: Drive, i: number, all: readonly Drive[]): boolean =>
  all.findIndex((other) => other.fromMs === drive.fromMs && other.toMs === drive.toMs) === i;
