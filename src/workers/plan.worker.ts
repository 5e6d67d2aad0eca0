import { expose } from 'comlink';
import { SHIPPED_PARAMETERS } from '../core/forecast';
import type { OpenEvent, Plan } from '../core/model';
import {
  buildPlan,
  conflictOf,
  draggedPlan,
  finishByOffset,
  inputFor,
  planFigures,
  planFrom,
  rankRemedies,
  runCurve,
  searchPlan,
  tryLeversOf,
  tryRemedies,
  withNamedPlan,
  type PlanInput,
  type Remedy,
} from '../core/planning';
import { newForecastCache } from '../core/schedule';
import { checkedPlan, rulesBroken } from '../formats/open/checkedPlan';
import { openEventOf } from '../formats/open/toOpen';
import type { PlanWorkerApi } from './protocol';

const cache = newForecastCache();
let last: { input: PlanInput; plan: Plan; open?: OpenEvent } | undefined;
/** Counts searches and stops: a search goes on as long as its number is the newest. */
let searching = 0;

/** Lets messages in between two steps. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
/** Steps are told this often at most: the page has better things to do than to draw every one. */
const TELL_EVERY_MS = 120;

/** Tries one after another until all are tried (true) or a newer search or a stop overtakes it. */
async function tryAll(trying: Iterable<Remedy>, tell: (tried: Remedy[]) => void): Promise<boolean> {
  const own = ++searching;
  const tried: Remedy[] = [];
  for (const remedy of trying) {
    tried.push(remedy);
    tell(tried);
    await breathe();
    if (own !== searching) return false;
  }
  return true;
}

const api: PlanWorkerApi = {
  plan({ requestId, planVersion, input }) {
    const plan = checkedPlan(input, cache);
    last = { input, plan };
    return { requestId, planVersion, plan };
  },
  async search({ input, seed, iterations }, tell) {
    const own = ++searching;
    const steps = searchPlan(input, { seed, iterations }, cache);
    let told = -Infinity;
    let step = steps.next();
    let best = step.done ? step.value : step.value.best;
    while (!step.done && own === searching) {
      const now = performance.now();
      best = step.value.best;
      if (now - told > TELL_EVERY_MS) {
        told = now;
        tell({ done: step.value.done, of: step.value.of, plan: planFrom(input, best) });
        await breathe();
      }
      step = steps.next();
    }
    return planFrom(input, step.done ? step.value : best);
  },
  stopSearch() {
    searching++;
  },
  async remedies(tell) {
    if (!last) return {};
    const { input, plan } = last;
    const whole = await tryAll(tryRemedies(input, plan, cache, SHIPPED_PARAMETERS), (tried) =>
      tell(rankRemedies(tried, plan.objective), tried.length),
    );
    return !whole ? {} : { conflict: conflictOf(input, plan.problems, cache, SHIPPED_PARAMETERS) };
  },
  async levers(batchId, tell) {
    if (last) await tryAll(tryLeversOf(batchId, last.input, last.plan, cache, SHIPPED_PARAMETERS), tell);
  },
  dragged(runId, byMin, pitId) {
    if (!last) return [];
    const { input, plan } = last;
    const pit = input.pits.find((each) => each.id === pitId);
    // The event's file stays the same while a run is dragged; cooks are not run again for every pixel.
    last.open ??= openEventOf(input);
    return rulesBroken(input, draggedPlan(plan, runId, byMin, pit), { physics: false, open: last.open });
  },
  compare(input, named) {
    return named.map((each) => {
      const own = inputFor(input, withNamedPlan(input.event, each));
      const plan = checkedPlan(own, cache);
      return { id: each.id, plan, figures: planFigures(own, plan, cache) };
    });
  },
  atConfidence(input, confidence) {
    const wanted = { ...input, event: { ...input.event, confidence } };
    const plan = buildPlan(wanted, cache);
    return { plan, figures: planFigures(wanted, plan, cache), now: planFigures(input, buildPlan(input, cache), cache) };
  },
  curve(runId) {
    const run = last?.plan.runs.find((each) => each.id === runId);
    return last && run ? runCurve(last.input, run) : undefined;
  },
  finishes(runId, pieceId) {
    const run = last?.plan.runs.find((each) => each.id === runId);
    return last && run ? finishByOffset(last.input, run, pieceId, cache) : undefined;
  },
};

expose(api);
