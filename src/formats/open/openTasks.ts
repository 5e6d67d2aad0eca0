import type { Drive, OpenTask, Plan } from '../../core/model';

const TASK_ORDER = ['light', 'drive', 'pull', 'wrap', 'move', 'check', 'load', 'carve'];

/** All that hands do, in order of time; servings that share a drive share its task. */
export function openTasksOf(plan: Plan, time: (ms: number) => string): OpenTask[] {
  const tasks: (Omit<OpenTask, 'at'> & { atMs: number })[] = [
    ...plan.firings.map((firing) => ({
      atMs: firing.lightAtMs,
      minutes: 15,
      kind: 'light' as const,
      pit: firing.pitId,
      who: firing.who,
    })),
    ...plan.drives.filter(isFirst).map((drive) => ({
      atMs: drive.fromMs,
      minutes: (drive.toMs - drive.fromMs) / 60_000,
      kind: 'drive' as const,
      who: drive.who,
    })),
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
  return tasks
    .sort((a, b) => a.atMs - b.atMs || TASK_ORDER.indexOf(a.kind) - TASK_ORDER.indexOf(b.kind))
    .map(({ atMs, minutes, kind, pit, pieces, who }) => ({
      at: time(atMs),
      minutes,
      kind,
      ...(pit && { pit }),
      ...(pieces && { pieces }),
      who,
    }));
}

const isFirst = (drive: Drive, i: number, all: readonly Drive[]): boolean =>
  all.findIndex((other) => other.fromMs === drive.fromMs && other.toMs === drive.toMs) === i;
