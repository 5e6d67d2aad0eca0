import type { Pit, Work } from '../model';
import { neededMs } from '../quantities';
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
    context,
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

/**
 * Hands for carving: some of it as carving begins, the rest each as late as its guests allow, since sliced meat dries
 * in minutes; sooner where nobody is free then, later only where nobody is free before.
 */
export function claimCarving(
  { batch, cut, serving }: BatchOrder,
  context: PlacementContext,
  pieceIds: string[],
  carveAtMs: number,
): CrewFound {
  const placeId = context.whereabouts.placeOfServing(serving.id);
  const endMs = addMinutes(serving.atMs, serving.serveForMin);
  const { crewLedger } = context;
  const parts = carvings(cut, pieceIds, batch.pieces).map((part) => {
    const first = batch.pieces.findIndex((piece) => piece.id === part.pieceIds[0]);
    const latestMs = addMinutes(neededMs(serving, Math.max(0, first), batch.pieces.length), -part.minutes);
    return { ...part, latestMs: Math.max(carveAtMs, Math.floor(latestMs / MS_PER_MIN) * MS_PER_MIN) };
  });
  const claimAt = (part: (typeof parts)[number], fromMs: number): Work | undefined => {
    const laterMin = Math.floor((endMs - fromMs) / MS_PER_MIN);
    const claimed = crewLedger.claimAll([{ atMs: fromMs, minutes: part.minutes, laterMin }], placeId);
    if ('short' in claimed) return undefined;
    return { kind: 'carve', minutes: part.minutes, placeId, pieceIds: part.pieceIds, ...claimed.done[0]! };
  };
  const work: Work[] = [];
  const [first, ...rest] = parts.sort((a, b) => a.latestMs - b.latestMs);
  for (const part of first ? [first, ...rest.reverse()] : []) {
    const soonerMs = part === first ? undefined : crewLedger.latestFree(carveAtMs, part.latestMs, part.minutes, placeId);
    const done = claimAt(part, part === first ? carveAtMs : (soonerMs ?? part.latestMs));
    if (!done) return { short: { code: 'hands', kind: 'carve', atMs: carveAtMs, minutes: part.minutes } };
    work.push(done);
  }
  return { work: work.sort((a, b) => a.atMs - b.atMs) };
}
