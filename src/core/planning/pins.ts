import type { CookEvent, Pin, Run } from '../model';

type Pinned = Pick<Run, 'batchId' | 'pieceIds'>;

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

/** An event in which a run stays where it is, or goes where it is taken. */
export function pinned(
  event: CookEvent,
  run: Pick<Run, 'batchId' | 'pieceIds' | 'pitId' | 'onAtMs' | 'pitC'>,
  to: Partial<Pin> = {},
): CookEvent {
  const { batchId, pitId, onAtMs, pitC } = run;
  const whole = event.batches.find((each) => each.id === batchId)?.pieces.length === run.pieceIds.length;
  const pin: Pin = { batchId, ...(!whole && { pieceIds: [...run.pieceIds] }), pitId, onAtMs, pitC, ...to };
  return { ...event, pins: [...(unpinned(event, run).pins ?? []), pin] };
}
