import { untendedMaxOf, type Firing, type Pit, type Plan, type PlanProblem, type Run } from '../model';
import type { Whereabouts } from '../travel';
import { rackFaults, type Occupancy } from '../packing';
import { MS_PER_MIN } from '../units';
import { servedRare } from './alternatives';
import type { BatchOrder } from './order';
import { pieceKey, rackMm2, type Footprint, type RackLedger } from './rackLedger';

/** Runs by their names: a batch's are numbered by their pieces, so that a run keeps its name when another is moved. */
export function namedRuns(orders: Iterable<BatchOrder>, runs: readonly Run[]): Run[] {
  const names = new Map<Run, string>();
  for (const { batch } of orders) {
    const at = new Map(batch.pieces.map((piece, i) => [piece.id, i]));
    const firstOf = (run: Run) => Math.min(...run.pieceIds.map((id) => at.get(id)!));
    const own = runs.filter((run) => run.batchId === batch.id).sort((a, b) => firstOf(a) - firstOf(b));
    own.forEach((run, i) => names.set(run, i === 0 ? batch.id : `${batch.id}.${i + 1}`));
  }
  return runs.map((run) => ({ ...run, id: names.get(run)! }));
}

/** The ceiling of a hold is known no better than this: what is over by less is not worth a word. */
const OVER_HELD = 1.1;

/** What is served below hot holding, and what is held longer than it bears. */
export function holdProblems(
  orders: Iterable<BatchOrder>,
  runs: readonly Run[],
  floorC: number,
  ceilingMin: (run: Run) => number,
): PlanProblem[] {
  const problems: PlanProblem[] = [];
  for (const order of orders) {
    const own = runs.filter((run) => run.batchId === order.batch.id);
    if (own.length === 0) continue;
    const coolestC = Math.min(...own.map((run) => run.hold.coolestAtCarveC));
    if (servedRare(order.cut) || coolestC < floorC - 0.05)
      problems.push({ code: 'servedBelowHotHold', severity: 'warning', batchId: order.batch.id, coreC: coolestC });
    const over = own
      .map((run) => ({
        holdMin: Math.round((run.carveAtMs - run.pullMedianMs) / MS_PER_MIN) - run.ventMin - run.restMin,
        ceilingMin: ceilingMin(run),
      }))
      .sort((a, b) => b.holdMin - b.ceilingMin - (a.holdMin - a.ceilingMin))[0]!;
    if (over.holdMin > over.ceilingMin * OVER_HELD)
      problems.push({
        code: 'overHeld',
        severity: 'warning',
        batchId: order.batch.id,
        holdMin: over.holdMin,
        ceilingMin: Math.round(over.ceilingMin),
      });
  }
  return problems;
}

/** What a place given by hand breaks: the plan keeps it, and says so. */
export function placementProblems(pits: readonly Pit[], racks: RackLedger, sizes: ReadonlyMap<string, Footprint>): PlanProblem[] {
  return pits.flatMap((pit) => {
    const occupancies = racks
      .all()
      .filter((use) => use.pitId === pit.id)
      .flatMap(({ batchId, rackId, fromMs, toMs, poultry, places }) =>
        places.map((place): Occupancy => {
          const piece = { batchId, pieceId: place.pieceId };
          const { kg, thicknessMm } = sizes.get(pieceKey(piece))!;
          return { ...place, piece, rackId, kg, thicknessMm, poultry, fromMs, toMs };
        }),
      );
    return rackFaults(pit, occupancies).map(({ rackId, fault }): PlanProblem => ({
      code: 'placedWrong',
      severity: 'broken',
      pitId: pit.id,
      rackId,
      fault,
    }));
  });
}

/** Fires that burn for longer with nobody by than their pit may. */
export function unattendedFires(pits: readonly Pit[], firings: readonly Firing[], whereabouts: Whereabouts): PlanProblem[] {
  return firings.flatMap(({ pitId, placeId, lightAtMs, offAtMs }): PlanProblem[] => {
    const allowedMin = untendedMaxOf(pits.find((pit) => pit.id === pitId)!);
    const alone = whereabouts.unattended(placeId, lightAtMs, offAtMs);
    if (!alone || (alone.toMs - alone.fromMs) / MS_PER_MIN <= allowedMin) return [];
    return [{ code: 'unattended', severity: 'broken', pieces: 0, pitId, ...alone, allowedMin }];
  });
}

/** The fullest moment on any rack. */
export function tightestMoment(pits: readonly Pit[], racks: RackLedger): Plan['tightest'] {
  let best: Plan['tightest'];
  const uses = racks.all();
  if (uses.length === 0) return undefined;
  const fromMs = Math.min(...uses.map((use) => use.fromMs));
  const toMs = Math.max(...uses.map((use) => use.toMs));
  for (const pit of pits) {
    for (const rack of pit.racks) {
      const peak = racks.peak(pit.id, rack.id, fromMs, toMs, (use) => use.areaMm2);
      const fullShare = peak.amount / rackMm2(rack);
      if (peak.amount > 0 && (!best || fullShare > best.fullShare))
        best = { pitId: pit.id, rackId: rack.id, fullShare, fromMs: peak.fromMs, toMs: peak.toMs };
    }
  }
  return best;
}
