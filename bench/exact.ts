import highsLoader from 'highs';
import { SHIPPED_PARAMETERS } from '../src/core/forecast';
import { batchOrders, searchInputOf, searchPlan } from '../src/core/planning';
import { findCut, laidSize, type Override, type Run } from '../src/core/model';
import { departuresH, newForecastCache, scheduleBy, usualIterations, type ForecastCache } from '../src/core/schedule';
import { planInputOf, type EventFileV1 } from '../src/formats/open';
import { kitchen } from './kitchens';

const STEP_MIN = 15;
/** All of one cut: a rack that just takes the largest takes no two, straight or turned. */
const CUT = 'pork-butt';
const CHANGE_OVER_MS = 20 * 60_000;

interface Candidate {
  batch: string;
  pitId: string;
  pitC: number;
  fromMs: number;
  toMs: number;
  costH: number;
  /** How it is wished for. */
  wish: Override;
}

/** A small kitchen that can be solved exactly: one piece a batch, racks that take one piece and never two, a serving for each batch. */
function smallKitchen(seed: number): EventFileV1 {
  const base = kitchen(3 + (seed % 3), 3 + (seed % 3), 3);
  let state = seed * 2654435761;
  const next = () => ((state = (state * 1664525 + 1013904223) >>> 0), state / 2 ** 32);
  // Bare to the end: wrapped, it might be finished in another pit, which is no choice of the exact model's.
  const { wrapWhen: _, finishRangeC: __, ...paper } = base.batches[0]!.method;
  const bare = { ...paper, wrap: 'none' as const, finishOffSmoke: false, holdMaxMin: 720 };
  const pieces = base.batches.map((_, i) => ({ id: `p${i}`, kg: 3.2 + Math.round(next() * 20) / 10, startC: 4 }));
  const sizes = pieces.map((piece) => laidSize(findCut(CUT)!, piece));
  const rack = {
    widthMm: Math.max(...sizes.map((size) => size.lengthMm)) + 5,
    depthMm: Math.max(...sizes.map((size) => size.widthMm)) + 5,
  };
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
      cut: CUT,
      method: bare,
      pieces: [pieces[i]!],
    })),
    pits: base.pits.map((pit) => ({ ...pit, kind: 'cabinet' as const, racks: [{ ...pit.racks[0]!, ...rack }] })),
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
      const wish = { pitId: pit.id, pitC: run.pitC, earlierMin };
      return [
        { batch, pitId: pit.id, pitC: run.pitC, fromMs: run.onAtMs, toMs: run.pullLateMs, costH: departuresH(orders[0]!, run), wish },
      ];
    }),
  );
}

const clash = (a: Candidate, b: Candidate) => {
  const gapMs = Math.abs(a.pitC - b.pitC) > 0.05 ? CHANGE_OVER_MS : 0;
  return a.batch !== b.batch && a.pitId === b.pitId && a.fromMs < b.toMs + gapMs && b.fromMs < a.toMs + gapMs;
};

/**
 * The search beside the exact optimum (mixed-integer, HiGHS) of small kitchens, in piece-hours of the third level. Both choose among
 * the same things by the same rules: every pit and start on a grid that the planner itself allows a batch alone, and whatever the
 * search came to, which need not lie on the grid. A gap below nothing would be a rule that one of them does not know. The exact
 * choice is then asked for as a plan: hands and holding, which it does not know of, may forbid it.
 */
export async function benchExact(instances: number): Promise<void> {
  const highs = await highsLoader();
  const cache = newForecastCache();
  const gaps: number[] = [];
  let [neither, searchOnly, exactOnly, real] = [0, 0, 0, 0];
  for (let seed = 1; seed <= instances; seed++) {
    const event = smallKitchen(seed);
    const input = planInputOf(event);
    const orders = batchOrders(input);
    const orderOf = new Map(orders.map((order) => [order.batch.id, order]));
    const searching = searchPlan(input, { seed: 1, iterations: usualIterations(event.batches.length) }, cache);
    let step = searching.next();
    while (!step.done) step = searching.next();
    const { runs, objective } = step.value;
    const costOf = (own: readonly Run[]) => own.reduce((sum, run) => sum + departuresH(orderOf.get(run.batchId)!, run), 0);
    const feasible = objective[0] === 0 && objective[1] === 0;
    const found = runs.map((run): Candidate => ({
      batch: run.batchId,
      pitId: run.pitId,
      pitC: run.pitC,
      fromMs: run.onAtMs,
      toMs: run.pullLateMs,
      costH: costOf([run]),
      wish: step.value!.scheme.overrides[run.batchId] ?? {},
    }));
    const candidates = [...event.batches.flatMap((batch) => candidatesOf(event, batch.id, cache)), ...(feasible ? found : [])];
    const chosen = bestOf(highs, event, candidates);
    if (!chosen) {
      if (feasible) searchOnly++;
      else neither++;
      continue;
    }
    if (!feasible) {
      exactOnly++;
      continue;
    }
    gaps.push(costOf(runs) - chosen.reduce((sum, each) => sum + each.costH, 0));
    const byStart = [...chosen].sort((a, b) => b.fromMs - a.fromMs);
    const asked = scheduleBy(orders, searchInputOf(input, cache, SHIPPED_PARAMETERS), {
      order: byStart.map(({ batch }) => batch),
      overrides: Object.fromEntries(chosen.map(({ batch, wish }) => [batch, wish])),
      seed: 1,
      iterations: 0,
    });
    if (asked.objective[0] === 0 && costOf(asked.runs) <= chosen.reduce((sum, each) => sum + each.costH, 0) + STEP_H) real++;
  }
  const sorted = gaps.toSorted((a, b) => a - b);
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / Math.max(1, gaps.length);
  console.log(
    `\nThe search beside the exact optimum, ${instances} small kitchens: both have a plan in ${gaps.length}, neither in ${neither}, the search alone in ${searchOnly}, the exact model alone in ${exactOnly}`,
  );
  console.log(
    `gap in piece-hours: least ${sorted[0]?.toFixed(2)}, median ${sorted[sorted.length >> 1]?.toFixed(2)}, mean ${mean.toFixed(2)}, most ${sorted.at(-1)?.toFixed(2)}; below nothing in ${gaps.filter((gap) => gap < -0.01).length}, within a step of quality in ${gaps.filter((gap) => gap < STEP_H).length}; the exact choice is a plan the planner can make in ${real}`,
  );
}

/** A step of quality is half a piece-hour: less is no difference. */
const STEP_H = 0.5;

/** One candidate for each batch, none in another's way, that cost least together. */
function bestOf(
  highs: Awaited<ReturnType<typeof highsLoader>>,
  event: EventFileV1,
  candidates: readonly Candidate[],
): Candidate[] | undefined {
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
  const solved = highs.solve(lines.join('\n'));
  if (solved.Status !== 'Optimal') return undefined;
  return candidates.filter((_, i) => (solved.Columns[name(i)] as { Primal: number }).Primal > 0.5);
}
