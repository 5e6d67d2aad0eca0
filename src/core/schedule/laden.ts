import type { Run, Trip } from '../model';
import type { Whereabouts } from '../travel';

/** The trips with the meat they carry: what is done for their serving, and raw what is cooked where they go. */
export function laden(whereabouts: Whereabouts, runs: readonly Run[]): Trip[] {
  const onBoard = new Map<string, Trip['pieces']>();
  const load = (trip: Trip, run: Run) => {
    const pieces = run.pieceIds.map((pieceId) => ({ batchId: run.batchId, pieceId }));
    onBoard.set(trip.id, [...(onBoard.get(trip.id) ?? []), ...pieces]);
  };
  for (const run of runs) {
    const { servingId } = run;
    if (run.leavesAtMs !== undefined)
      for (const trip of whereabouts.trips) if (trip.purpose === 'out' && trip.servingId === servingId) load(trip, run);
    const raw = whereabouts.rawTrip(servingId, run.placeId, run.onAtMs);
    if (raw && raw !== 'home')
      for (const trip of whereabouts.trips) if (trip.purpose === 'ahead' && trip.servingId === raw.servingId) load(trip, run);
  }
  return whereabouts.trips.map((trip) => ({ ...trip, pieces: onBoard.get(trip.id) ?? [] }));
}
