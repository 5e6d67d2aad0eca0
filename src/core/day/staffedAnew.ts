import { handsMinOf, ONE_OPENING_MIN, type Plan } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import type { DayTask } from './dayTask';

/**
 * Who does what, now that times have moved: whoever was planned, unless busy with something that comes first; then
 * whoever is on duty there and free. Openings are grouped anew.
 */
export function staffedAnew(plan: Plan, tasks: readonly DayTask[]): DayTask[] {
  const busy = new Map<string, { fromMs: number; toMs: number; taskId: string }[]>();
  const open = new Map<string, { opening: string; startedMs: number }>();
  const clashOf = (memberId: string, fromMs: number, toMs: number) =>
    busy.get(memberId)?.find((each) => each.fromMs < toMs && each.toMs > fromMs);
  const take = (who: readonly string[], taskId: string, fromMs: number, toMs: number) => {
    for (const memberId of who) busy.set(memberId, [...(busy.get(memberId) ?? []), { fromMs, toMs, taskId }]);
  };
  return tasks.map((task): DayTask => {
    let opening = task.opening;
    if (task.opening !== undefined && task.pitId !== undefined && task.status !== 'done') {
      const last = open.get(task.pitId);
      opening = last && task.dueMs - last.startedMs <= ONE_OPENING_MIN * MS_PER_MIN ? last.opening : `${task.pitId}@${task.dueMs}`;
      if (opening !== last?.opening) open.set(task.pitId, { opening, startedMs: task.dueMs });
    }
    const grouped = opening === task.opening ? task : { ...task, opening };
    const { who, status } = grouped;
    if (!who || who.length === 0 || status === 'done' || status === 'skipped') return grouped;
    const fromMs = grouped.dueMs;
    const toMs = addMinutes(fromMs, handsMinOf(grouped));
    // Nothing moved: who was planned is free by the plan's own rules.
    const own = who.map((memberId) => ({ memberId, clash: clashOf(memberId, fromMs, toMs) }));
    if (own.every(({ clash }) => clash === undefined) || grouped.kind === 'serve') {
      take(who, grouped.id, fromMs, toMs);
      return grouped;
    }
    const free = (plan.stays ?? []).filter(
      (stay) =>
        stay.placeId === grouped.placeId &&
        stay.fromMs <= fromMs &&
        stay.toMs >= toMs &&
        !who.includes(stay.memberId) &&
        !clashOf(stay.memberId, fromMs, toMs),
    );
    const stand = new Set(free.map((stay) => stay.memberId));
    const now = own.map(({ memberId, clash }) => {
      if (!clash) return memberId;
      const instead = [...stand][0];
      if (instead !== undefined) stand.delete(instead);
      return instead ?? memberId;
    });
    take(now, grouped.id, fromMs, toMs);
    const left = own.find(({ memberId, clash }, i) => clash !== undefined && now[i] === memberId);
    return {
      ...grouped,
      who: now,
      ...(now.some((memberId, i) => memberId !== who[i]) && { insteadOf: who }),
      ...(left?.clash && { clash: { memberId: left.memberId, taskId: left.clash.taskId } }),
    };
  });
}
