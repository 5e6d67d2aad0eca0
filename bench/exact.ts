import highsLoader from 'highs';
import { SHIPPED_PARAMETERS } from '../src/core/forecast';
import { batchOrders, searchInputOf, searchPlan } from '../src/core/planning';
import { departuresH, newForecastCache, scheduleBy, type ForecastCache } from '../src/core/schedule';
import { planInputOf, type EventFileV1 } from '../src/formats/open';
import { kitchen } from './kitchens';

const STEP_MIN = 15;
const CHANGE_OVER_MS = 20 * 60_000;

interface Candidate {
  batch: string;
  pitId: string;
  pitC: number;
  fromMs: number;
  toMs: number;
  costH: number;
}

/** A small kitchen that can be solved exactly: one piece a batch, racks that take one piece, a serving for each batch. */
function smallKitchen(seed: number): EventFileV1 {
  const base = kitchen(3 + (seed % 3), 3 + (seed % 3), 3);
  let state = seed * 2654435761;
  const next = () => ((state = (state * 1664525 + 1013904223) >>> 0), state / 2 ** 32);
  const paper = base.batches[0]!.method;
  return {
    ...base,
    servings: base.batches.map((batch, i) => ({
      ...base.servings[1]!,
      id: `s${i}`,
      at: new Date(Date.parse('2027-06-19T21:00:00Z') - Math.round(next() * 24) * 30 * 60_000).toISOString(),
    })),
    batches: base.batches.map((batch, i) => ({
      ...batch,
      serving: `s${i}`,
      cut: i % 2 === 0 ? 'brisket-whole' : 'pork-butt',
      method: { ...paper, finishOffSmoke: false, finishRangeC: [115, 135], holdMaxMin: 720 },
      pieces: [{ id: `p${i}`, kg: 3.2 + Math.round(next() * 20) / 10, startC: 4 }],
    })),
    pits: base.pits.map((pit) => ({ ...pit, kind: 'cabinet' as const, racks: [{ ...pit.racks[0]!, widthMm: 480, depthMm: 300 }] })),
    crew: Array.from({ length: 4 }, (_, i) => ({ id: `h${i}`, from: base.workFrom, to: '2027-06-20T04:00:00Z' })),
  };
}

/** Every pit and start of one batch alone, on a grid, that keeps its serving's odds. */
function candidatesOf(event: EventFileV1, batch: string, cache: ForecastCache): Candidate[] {
  const alone = planInputOf({ ...event, batches: event.batches.filter((each) => each.id === batch) });
  const orders = batchOrders(alone);
  const input = searchInputOf(alone, cache, SHIPPED_PARAMETERS);
  return event.pits.flatMap((pit) =>
    Array.from({ length: (720 / STEP_MIN) | 0 }, (_, i) => i * STEP_MIN).flatMap((earlierMin): Candidate[] => {
      const { runs, objective } = scheduleBy(orders, input, {
        order: [batch],
        overrides: { [batch]: { pitId: pit.id, earlierMin } },
        seed: 1,
        iterations: 0,
      });
      const [run] = runs;
      if (!run || runs.length > 1 || run.pitId !== pit.id || objective[0] > 0 || objective[1] > 0) return [];
      return [{ batch, pitId: pit.id, pitC: run.pitC, fromMs: run.onAtMs, toMs: run.pullLateMs, costH: departuresH(orders[0]!, run) }];
    }),
  );
}

const clash = (a: Candidate, b: Candidate) => {
  const gapMs = Math.abs(a.pitC - b.pitC) > 0.05 ? CHANGE_OVER_MS : 0;
  return a.batch !== b.batch && a.pitId === b.pitId && a.fromMs < b.toMs + gapMs && b.fromMs < a.toMs + gapMs;
};

/** The gap of the search to the exact optimum (mixed-integer, HiGHS) on small kitchens, in piece-hours of the third level. */
export async function benchExact(instances: number): Promise<void> {
  const highs = await highsLoader();
  const cache = newForecastCache();
  let [met, possible, gapSum, worst, agreed] = [0, 0, 0, 0, 0];
  for (let seed = 1; seed <= instances; seed++) {
    const event = smallKitchen(seed);
    const candidates = event.batches.flatMap((batch) => candidatesOf(event, batch.id, cache));
    const name = (i: number) => `x${i}`;
    const lines = [
      'Minimize',
      ` obj: ${candidates.map((each, i) => `${(each.costH + 1e-4).toFixed(6)} ${name(i)}`).join(' + ')}`,
      'Subject To',
    ];
    event.batches.forEach((batch, b) => {
      const own = candidates.flatMap((each, i) => (each.batch === batch.id ? [name(i)] : []));
      lines.push(` one${b}: ${own.length > 0 ? own.join(' + ') : '0 x0'} = 1`);
    });
    let row = 0;

    candidates.forEach((a, i) =>
      candidates.forEach((b, k) => k > i && clash(a, b) && lines.push(` c${row++}: ${name(i)} + ${name(k)} <= 1`)),
    );
    lines.push('Binary', ` ${candidates.map((_, i) => name(i)).join(' ')}`, 'End');
    const exact = highs.solve(lines.join('\n'));
    const searching = searchPlan(planInputOf(event), { seed: 1, iterations: 200 }, cache);
    let step = searching.next();
    while (!step.done) step = searching.next();
    const feasible = step.value.objective[0] === 0 && step.value.objective[1] === 0;
    if (exact.Status !== 'Optimal') {
      if (!feasible) agreed++;
      continue;
    }
    possible++;
    if (!feasible) continue;
    const orders = new Map(batchOrders(planInputOf(event)).map((order) => [order.batch.id, order]));
    const foundH = step.value.runs.reduce((sum, run) => sum + departuresH(orders.get(run.batchId)!, run), 0);
    const gap = foundH - (exact.ObjectiveValue - event.batches.length * 1e-4);
    gapSum += Math.max(0, gap);
    worst = Math.max(worst, gap);
    if (gap < 0.25) met++;
  }
  console.log(
    `gap to exact on ${instances} small kitchens: ${possible} can be done, optimum met (within a step of quality) in ${met}, mean gap ${(gapSum / Math.max(1, possible)).toFixed(2)} piece-hours, worst ${worst.toFixed(2)}; ${agreed} where both find nothing on the grid`,
  );
}
