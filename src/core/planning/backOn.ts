import {
  cutIn,
  isPoultry,
  servingPlaceId,
  type BackOn,
  type Batch,
  type CookEvent,
  type Cut,
  type Firing,
  type Method,
  type Pit,
  type PlanProblem,
  type Run,
  type Serving,
  type Trip,
} from '../model';
import { lay, legsOf, RackLedger, type Footprint } from '../schedule';
import { addMinutes, MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';

/** A half pan of cubes in one layer, mm, and what it takes, kg. */
const PAN = Object.freeze({ lengthMm: 325, widthMm: 265, thicknessMm: 65, kg: 2.5 });
/** Cubed and sauced: minutes of hands to begin with, and for each kg. */
const CUBE_MIN = 8;
const CUBE_PER_KG_MIN = 2;
/** Off the pit so long before it is carved for, or leaves. */
const OFF_BEFORE_MIN = 5;
const LEAVES_BEFORE_MIN = 10;
/** Heat that firms a sauce without burning it, C. */
const HEAT_C = Object.freeze({ from: 107, to: 160 });
const STEP_MIN = 10;

interface Scheduled {
  runs: readonly Run[];
  firings: readonly Firing[];
  trips: readonly Trip[];
}

/**
 * Where what is cubed and sauced goes back on: after the batch is pulled even if it is late, and in time for its serving; in
 * a pit that is hot then, on a rack with room for its pans, never under raw poultry. The latest moment for which a fire burns
 * anyway; where none does, the fire that is kept on for the shortest time. `firings` are those with that done. What finds no
 * place, or no time, is a problem: `cubesNowhere`, `cubesTooSoon` (by how many minutes).
 */
export function placedBackOn(
  { event, library, pits }: Pick<PlanInput, 'event' | 'library' | 'pits'>,
  { runs, firings: lit, trips }: Scheduled,
): { backOn: BackOn[]; firings: Firing[]; problems: PlanProblem[] } {
  const wanted = event.batches.filter((batch) => batch.second?.backOnMin !== undefined);
  const backOn: BackOn[] = [];
  const problems: PlanProblem[] = [];
  let firings = [...lit];
  if (wanted.length === 0) return { backOn, firings, problems };
  const ledger = new RackLedger();
  for (const run of runs) {
    const cut = cutIn(library, event.batches.find((batch) => batch.id === run.batchId)!.cutId);
    const poultry = cut !== undefined && isPoultry(cut);
    for (const leg of run.legs) ledger.add({ ...leg, batchId: run.batchId, poultry });
  }
  for (const batch of wanted) {
    const own = runs.filter((run) => run.batchId === batch.id);
    const cut = cutIn(library, batch.cutId);
    const second = batch.second!;
    const serving = event.servings.find((each) => each.id === second.servingId);
    if (!cut || !serving || own.length === 0) continue;
    const { kg, cubeMin } = cubesOf(
      batch,
      cut,
      own.reduce((sum, run) => sum + run.kg, 0),
    );
    const pans = pansOf(batch, kg);
    const { placeId } = own[0]!;
    const leaves = trips.filter(
      (trip) => trip.servingId === serving.id && trip.purpose === 'out' && placeId !== servingPlaceId(event, serving),
    );
    const carveMs = addMinutes(serving.atMs, -serving.carveLeadMin - OFF_BEFORE_MIN);
    const offByMs = Math.min(carveMs, ...leaves.map((trip) => addMinutes(trip.leaveMs, -LEAVES_BEFORE_MIN)));
    const latestMs = addMinutes(offByMs, -second.backOnMin!);
    const readyMs = Math.max(...own.map((run) => addMinutes(run.pullLateMs, run.ventMin + cubeMin)));
    const shortMin = Math.ceil((readyMs - latestMs) / MS_PER_MIN);
    if (shortMin > 0) problems.push({ code: 'cubesTooSoon', severity: 'warning', batchId: batch.id, minutes: shortMin });
    const found = bestSpot(pits, firings, ledger, {
      cut,
      pans,
      placeId,
      earliestMs: Math.min(readyMs, latestMs),
      latestMs,
      minutes: second.backOnMin!,
    });
    if (!found) {
      problems.push({ code: 'cubesNowhere', severity: 'warning', batchId: batch.id, fromMs: latestMs, toMs: offByMs });
      continue;
    }
    firings = firings.map((firing) => (firing === found.firing ? { ...firing, offAtMs: Math.max(firing.offAtMs, found.toMs) } : firing));
    const { pitId, fromMs, toMs } = found;
    for (const leg of found.legs) ledger.add({ ...leg, batchId: batch.id, poultry: false });
    backOn.push({
      batchId: batch.id,
      servingId: serving.id,
      name: second.name,
      kg,
      pitId,
      placeId,
      fromMs,
      toMs,
      cubeMin,
      legs: found.legs,
    });
  }
  return { backOn, firings, problems };
}

/** Cooked meat that goes back on, and how long hands are at it. */
function cubesOf(batch: Batch, cut: Cut, rawKg: number): { kg: number; cubeMin: number } {
  const kg = rawKg * cut.yieldShare * (batch.second?.partShare ?? (cut.thinEnd ? 1 - cut.thinEnd.weightShare : 0.5));
  return { kg, cubeMin: Math.ceil(CUBE_MIN + CUBE_PER_KG_MIN * kg) };
}

/** Minutes a batch must be pulled before its own carving for what of it goes back on; none where nothing does, or there is time between. */
export function afterPull(
  event: CookEvent,
  batch: Batch,
  cut: Cut,
  method: Pick<Method, 'ventMin'>,
  serving: Serving,
): { afterPullMin?: number } {
  const { second } = batch;
  const other = event.servings.find((each) => each.id === second?.servingId);
  if (second?.backOnMin === undefined || !other) return {};
  const { cubeMin } = cubesOf(
    batch,
    cut,
    batch.pieces.reduce((sum, piece) => sum + piece.kg, 0),
  );
  const carveOf = ({ atMs, carveLeadMin }: Serving) => addMinutes(atMs, -carveLeadMin);
  const betweenMin = (carveOf(other) - carveOf(serving)) / MS_PER_MIN;
  const afterPullMin = Math.ceil(method.ventMin + cubeMin + second.backOnMin + LEAVES_BEFORE_MIN - betweenMin);
  return afterPullMin > 0 ? { afterPullMin } : {};
}

const pansOf = (batch: Batch, kg: number): Footprint[] => {
  const count = Math.max(1, Math.ceil(kg / PAN.kg - 1e-9));
  return Array.from({ length: count }, (_, i) => ({ ...PAN, batchId: batch.id, pieceId: `back-${i + 1}`, kg: kg / count }));
};

interface Asked {
  cut: Parameters<typeof lay>[2];
  pans: Footprint[];
  placeId: string;
  earliestMs: number;
  latestMs: number;
  minutes: number;
}

function bestSpot(pits: readonly Pit[], firings: readonly Firing[], ledger: RackLedger, asked: Asked) {
  const { cut, pans, placeId, earliestMs, latestMs, minutes } = asked;
  let best: { firing: Firing; pitId: string; fromMs: number; toMs: number; keptOnMin: number; legs: BackOn['legs'] } | undefined;
  for (let fromMs = latestMs; fromMs >= earliestMs; fromMs = addMinutes(fromMs, -STEP_MIN)) {
    const toMs = addMinutes(fromMs, minutes);
    for (const firing of firings) {
      const pit = pits.find((each) => each.id === firing.pitId);
      if (!pit || firing.placeId !== placeId || firing.readyAtMs > fromMs || firing.offAtMs < addMinutes(fromMs, -minutes)) continue;
      // Another fire of the same pit begins before this one would end.
      if (
        firings.some((other) => other !== firing && other.pitId === pit.id && other.lightAtMs >= firing.offAtMs && other.lightAtMs < toMs)
      )
        continue;
      const heats = firing.setPoints.filter(({ atMs }, i) => atMs < toMs && (firing.setPoints[i + 1]?.atMs ?? Infinity) > fromMs);
      if (heats.some(({ pitC }) => pitC < HEAT_C.from || pitC > HEAT_C.to)) continue;
      const keptOnMin = Math.max(0, (toMs - firing.offAtMs) / MS_PER_MIN);
      if (best && keptOnMin >= best.keptOnMin) continue;
      const laid = lay(ledger, pit, cut, pans, fromMs, toMs);
      if (laid.taken.length < pans.length) continue;
      const legs = legsOf(pit, laid.byRack, new Set(pans.map((pan) => pan.pieceId)), fromMs, toMs);
      best = { firing, pitId: pit.id, fromMs, toMs, keptOnMin, legs };
    }
    if (best?.keptOnMin === 0) return best;
  }
  return best;
}
