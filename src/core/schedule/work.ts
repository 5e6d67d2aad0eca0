import type { Pit, Work } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Footprint } from './rackLedger';
import type { Refusal } from './refusal';
import { carvings, crewTasksOf, pulledAtCheck, type Window } from './window';

/** Where a task of a run is done: at the pit it goes on, or where it finishes. */
export const pitIdAt = (kind: Work['kind'], pit: Pit, finish: Pit | undefined) =>
  finish && (kind === 'move' || kind === 'check' || kind === 'pull') ? finish.id : pit.id;

/** Who does what of a run, or which task nobody is free for. */
type CrewFound = { work: Work[] } | { short: Refusal };

export function claimCrew(
  context: PlacementContext,
  placeId: string,
  window: Window,
  pieces: readonly Footprint[],
  moves: boolean,
  checkFirst = false,
): CrewFound {
  const wanted = crewTasksOf(
    window,
    pieces.map((piece) => piece.kg),
    moves,
    context.rules,
    checkFirst,
  );
  const claimed = context.crewLedger.claimAll(
    wanted.map(({ task }) => task),
    placeId,
  );
  if ('short' in claimed) {
    if (!checkFirst && pulledAtCheck(window)) return claimCrew(context, placeId, window, pieces, moves, true);
    const { kind } = wanted.find(({ task }) => task === claimed.short)!;
    return { short: { code: 'hands', kind, atMs: claimed.short.atMs, minutes: claimed.short.minutes } };
  }
  return {
    work: wanted.map(({ kind, task }, i) => ({ kind, minutes: task.minutes, placeId, ...claimed.done[i]!, pieceIds: [] })),
  };
}

/** Gives back the hands claimed last and claims those of fewer pieces. */
export function reclaimCrew(
  context: PlacementContext,
  placeId: string,
  window: Window,
  before: Work[],
  pieces: readonly Footprint[],
  moves: boolean,
): CrewFound {
  context.crewLedger.rollBack(context.crewLedger.snapshot() - before.reduce((sum, work) => sum + work.who.length, 0));
  return claimCrew(context, placeId, window, pieces, moves);
}

export function claimCarving({ cut, serving }: BatchOrder, context: PlacementContext, pieceIds: string[], carveAtMs: number): CrewFound {
  const placeId = context.whereabouts.placeOfServing(serving.id);
  const laterMin = Math.floor((addMinutes(serving.atMs, serving.serveForMin) - carveAtMs) / MS_PER_MIN);
  const work: Work[] = [];
  for (const part of carvings(cut, pieceIds)) {
    const claimed = context.crewLedger.claimAll([{ atMs: carveAtMs, minutes: part.minutes, laterMin }], placeId);
    if ('short' in claimed) return { short: { code: 'hands', kind: 'carve', atMs: carveAtMs, minutes: part.minutes } };
    work.push({ kind: 'carve', minutes: part.minutes, placeId, pieceIds: part.pieceIds, ...claimed.done[0]! });
  }
  return { work };
}
