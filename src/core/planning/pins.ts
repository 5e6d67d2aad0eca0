import type { CookEvent, Leg, Pin, Run } from '../model';
import { MS_PER_MIN } from '../units';

type Pinned = Pick<Run, 'batchId' | 'pieceIds'>;
type PinnedRun = Pick<Run, 'batchId' | 'pieceIds' | 'pitId' | 'onAtMs' | 'pitC' | 'finishC' | 'moveAtMs' | 'carveAtMs' | 'legs'>;

/** The pin that holds a run, if there is one. */
export const pinOf = (event: CookEvent, run: Pinned): Pin | undefined =>
  event.pins?.find((pin) => pin.batchId === run.batchId && (!pin.pieceIds || run.pieceIds.every((id) => pin.pieceIds!.includes(id))));

/** An event whose pins let these pieces go; what else a pin held, it goes on holding. */
export function unpinned(event: CookEvent, run: Pinned): CookEvent {
  const batch = event.batches.find((each) => each.id === run.batchId);
  const pins = event.pins?.flatMap((pin) => {
    if (pin.batchId !== run.batchId) return [pin];
    const pieceIds = (pin.pieceIds ?? batch?.pieces.map((piece) => piece.id) ?? []).filter((id) => !run.pieceIds.includes(id));
    return pieceIds.length > 0 ? [{ ...pin, pieceIds }] : [];
  });
  return { ...event, pins };
}

const finishOf = ({ pitId, finishC, moveAtMs, legs }: PinnedRun): Pin['finish'] =>
  finishC === undefined ? undefined : { pitId: legs.find((leg) => leg.fromMs === moveAtMs)?.pitId ?? pitId, pitC: finishC };

const placesOf = (legs: readonly Leg[]): Pin['places'] =>
  legs.flatMap(({ pitId, rackId, places }) =>
    places.map(({ pieceId, xMm, yMm, turned }) => ({ pieceId, pitId, rackId, xMm, yMm, turned })),
  );

/** An event in which a run stays where it is, or goes where it is taken. */
export function pinned(event: CookEvent, run: PinnedRun, to: Partial<Pin> = {}): CookEvent {
  const { batchId, pitId, onAtMs, pitC } = run;
  const batch = event.batches.find((each) => each.id === batchId);
  const serving = event.servings.find((each) => each.id === batch?.servingId);
  const carveLaterMin = serving ? (run.carveAtMs - serving.atMs) / MS_PER_MIN + serving.carveLeadMin : 0;
  const pin: Pin = {
    batchId,
    ...(batch?.pieces.length !== run.pieceIds.length && { pieceIds: [...run.pieceIds] }),
    pitId,
    onAtMs,
    pitC,
    ...(carveLaterMin > 0 && { carveLaterMin }),
    // In another pit it lies elsewhere, and finishes there.
    ...((to.pitId ?? pitId) === pitId && { finish: finishOf(run), places: placesOf(run.legs) }),
    ...to,
  };
  return { ...event, pins: [...(unpinned(event, run).pins ?? []), pin] };
}
