import type { Road } from '../model';

export interface Leg {
  fromId: string;
  toId: string;
  minutes: number;
}

/** The shortest way between two places, road by road; undefined where there is none. Roads run both ways. */
export function wayBetween(roads: readonly Road[], fromId: string, toId: string): Leg[] | undefined {
  const best = new Map<string, { minutes: number; way: Leg[] }>([[fromId, { minutes: 0, way: [] }]]);
  const open = [fromId];
  while (open.length > 0) {
    const at = open.shift()!;
    const { minutes, way } = best.get(at)!;
    for (const road of roads) {
      const next = road.fromId === at ? road.toId : road.toId === at ? road.fromId : undefined;
      if (next === undefined || next === at) continue;
      const total = minutes + road.minutes;
      if (total >= (best.get(next)?.minutes ?? Infinity)) continue;
      best.set(next, { minutes: total, way: [...way, { fromId: at, toId: next, minutes: road.minutes }] });
      open.push(next);
    }
  }
  return best.get(toId)?.way;
}

export const minutesOf = (way: readonly Leg[]): number => way.reduce((sum, leg) => sum + leg.minutes, 0);
