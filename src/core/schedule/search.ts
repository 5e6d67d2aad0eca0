import type { Pit, Plan, PlanProblem, Run } from '../model';
import { claimedMm2, rackFaults, type Lying } from '../packing';
import { firingsOf } from './firings';
import { HeatLedger } from './heatLedger';
import { boxLedger, warmerLedger } from './holdLedger';
import { servedRare } from './options';
import { placeBatch } from './placeBatch';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import { footprintOf, pieceKey, RackLedger, rackMm2, type PackingMemo } from './rackLedger';

export type SearchInput = Omit<PlacementContext, 'racks' | 'heat' | 'boxLedger' | 'warmerLedger'>;

export type Schedule = Pick<Plan, 'runs' | 'firings' | 'problems' | 'tightest'>;

/**
 * Figures compared in this order, less is better: kilograms left out; departures from the wished
 * (minutes on earlier than need be, and heat other than the method's, a degree of which counts as
 * much as some minutes, for each piece); runs; fires.
 */
type Cost = [leftKg: number, departures: number, runs: number, firings: number];
const MINUTES_PER_DEGREE_C = 6;

const better = (a: Cost, b: Cost): boolean => {
  for (let i = 0; i < a.length; i++) if (Math.abs(a[i]! - b[i]!) > 1e-9) return a[i]! < b[i]!;
  return false;
};

/** Swaps of neighbouring priorities tried after the starting orders. */
const IMPROVING_ROUNDS = 3;

/**
 * Places every batch as late as its serving allows, one after another by priority, and searches
 * over the priority order: three sensible starts, then swaps while they improve. Deterministic.
 */
export function schedule(orders: BatchOrder[], input: SearchInput): Schedule {
  const memo: PackingMemo = new Map();
  let best = attempt([...orders].sort(byPitSpace), input, memo);
  const consider = (order: BatchOrder[]) => {
    if (best.cost[0] === 0 && best.cost[1] === 0 && best.cost[2] === orders.length) return;
    const next = attempt(order, input, memo);
    if (better(next.cost, best.cost)) best = next;
  };
  consider([...orders].sort((a, b) => a.serving.atMs - b.serving.atMs || byPitSpace(a, b)));
  consider([...orders].sort((a, b) => b.serving.atMs - a.serving.atMs || byPitSpace(a, b)));
  for (let round = 0; round < IMPROVING_ROUNDS; round++) {
    const before = best;
    for (let i = 0; i < orders.length; i++) {
      for (let j = i + 1; j < orders.length; j++) {
        const swapped = [...best.order];
        [swapped[i], swapped[j]] = [swapped[j]!, swapped[i]!];
        consider(swapped);
      }
    }
    if (best === before) break;
  }
  return best.schedule;
}

/** What a batch asks of the pits: long, tight-heated, large batches first. */
function byPitSpace(a: BatchOrder, b: BatchOrder): number {
  const demand = ({ batch, cut, method }: BatchOrder) =>
    batch.pieces.reduce((sum, piece) => sum + claimedMm2(footprintOf(cut, batch.id, piece)) * Math.pow(piece.kg, 2 / 3), 0) /
    (method.pitRangeC[1] - method.pitRangeC[0] + 5);
  return demand(b) - demand(a) || (a.batch.id < b.batch.id ? -1 : 1);
}

function attempt(order: BatchOrder[], input: SearchInput, memo: PackingMemo): { order: BatchOrder[]; cost: Cost; schedule: Schedule } {
  const sizes = new Map(
    order.flatMap(({ batch, cut }) => batch.pieces.map((piece) => footprintOf(cut, batch.id, piece))).map((each) => [pieceKey(each), each]),
  );
  const context: PlacementContext = {
    ...input,
    racks: new RackLedger(input.laid, sizes, memo),
    heat: new HeatLedger(),
    boxLedger: boxLedger(input.boxes),
    warmerLedger: warmerLedger(input.warmers),
  };
  const runs: Run[] = [];
  const problems: PlanProblem[] = [];
  let leftKg = 0;
  let departures = 0;
  for (const each of order) {
    const placed = placeBatch(each, context);
    placed.runs.forEach((run, i) => runs.push({ ...run, id: i === 0 ? each.batch.id : `${each.batch.id}.${i + 1}` }));
    problems.push(...placed.problems);
    leftKg += placed.left.reduce((sum, piece) => sum + piece.kg, 0);
    departures += placed.earlierMin;
    for (const run of placed.runs) departures += MINUTES_PER_DEGREE_C * Math.abs(run.pitC - each.method.pitC) * run.pieceIds.length;
    const coolest = placed.runs.map((run) => run.hold.coolestAtCarveC);
    if (placed.runs.length > 0 && servedRare(each.cut))
      problems.push({ code: 'servedBelowHotHold', severity: 'warning', batchId: each.batch.id, coreC: Math.min(...coolest) });
  }
  const firings = firingsOf(input.pits, context.heat);
  if (input.laid.length > 0) problems.push(...laidProblems(input.pits, context.racks, sizes));
  runs.sort((a, b) => a.onAtMs - b.onAtMs || (a.id < b.id ? -1 : 1));
  return {
    order,
    cost: [leftKg, departures, runs.length, firings.length],
    schedule: { runs, firings, problems, tightest: tightestMoment(input.pits, context.racks) },
  };
}

/** What a place given by hand breaks: the plan keeps it, and says so. */
function laidProblems(pits: Pit[], racks: RackLedger, sizes: ReadonlyMap<string, { kg: number; thicknessMm: number }>): PlanProblem[] {
  return pits.flatMap((pit) => {
    const lying = racks
      .all()
      .filter((use) => use.pitId === pit.id)
      .flatMap(({ batchId, rackId, fromMs, toMs, poultry, places }) =>
        places.map((place): Lying => {
          const piece = { batchId, pieceId: place.pieceId };
          const { kg, thicknessMm } = sizes.get(pieceKey(piece))!;
          return { ...place, piece, rackId, kg, thicknessMm, poultry, fromMs, toMs };
        }),
      );
    return rackFaults(pit, lying).map(({ rackId, fault }): PlanProblem => ({
      code: 'laidWrong',
      severity: 'broken',
      pitId: pit.id,
      rackId,
      fault,
    }));
  });
}

function tightestMoment(pits: Pit[], racks: RackLedger): Schedule['tightest'] {
  let best: Schedule['tightest'];
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
