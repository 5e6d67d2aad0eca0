import { MS_PER_MIN } from '../units';
import type { ClosedCook } from './closedCook';

/** How a serving came out against its plan, from the cooks of its meat. */
export interface ServingKept {
  eventId: string;
  eventName: string;
  servingName: string;
  plannedCarveMs: number;
  /** First of its meat to be carved at the latest: minutes after (below 0: before) it was to be. */
  carvedLateMin: number;
  /** Its pieces came off the pit so many minutes later (below 0: sooner) than expected, in the middle. */
  pulledLateMin: number;
  pieces: number;
}

/** Every serving that was carved on a day lived here, the newest first. */
export function servingsKept(cooks: readonly ClosedCook[]): ServingKept[] {
  const of = new Map<string, ClosedCook[]>();
  for (const cook of cooks) {
    const { times, eventId } = cook;
    if (eventId === undefined || times?.carvedMs === undefined || times.plannedCarveMs === undefined || times.serving === undefined)
      continue;
    const key = `${eventId}/${times.serving.id}`;
    of.set(key, [...(of.get(key) ?? []), cook]);
  }
  return [...of.values()]
    .map((list): ServingKept => {
      const [{ eventId, eventName = '', times: first }] = list as [ClosedCook];
      const batchOf = ({ pieceKey = '' }: ClosedCook) => pieceKey.slice(0, pieceKey.lastIndexOf('/'));
      // Of each batch the first piece says when carving began; what follows it is carved as guests come.
      const begun = [...new Set(list.map(batchOf))].map((batch) =>
        Math.min(...list.filter((each) => batchOf(each) === batch).map(({ times }) => times!.carvedMs! - times!.plannedCarveMs!)),
      );
      const pulled = list.map(({ times }) => times!.pulledMs - times!.plannedPullMs).sort((a, b) => a - b);
      return {
        eventId: eventId!,
        eventName,
        servingName: first!.serving!.name,
        plannedCarveMs: Math.min(...list.map(({ times }) => times!.plannedCarveMs!)),
        carvedLateMin: Math.round(Math.max(...begun) / MS_PER_MIN),
        pulledLateMin: Math.round(pulled[Math.floor(pulled.length / 2)]! / MS_PER_MIN),
        pieces: list.length,
      };
    })
    .sort((a, b) => b.plannedCarveMs - a.plannedCarveMs);
}
