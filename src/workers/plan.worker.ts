import { expose } from 'comlink';
import { checkPlan, type Broken } from '../core/check';
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
  tryRemedies,
  withNamedPlan,
  type PlanInput,
  type Remedy,
} from '../core/planning';
import { newForecastCache } from '../core/schedule';
import { openEventOf, openPlanOf } from '../formats/open/toOpen';
import type { PlanWorkerApi } from './protocol';

const cache = newForecastCache();
let last: { input: PlanInput; plan: Plan; open?: OpenEvent } | undefined;
/** Counts searches and stops: a search goes on as long as its number is the newest. */
let searching = 0;

/** A late or over-held serving says more than two pieces that touch. */
const TOLD_FIRST: Broken['rule'][] = [9, 11, 12, 8, 6, 7, 14, 5, 3, 4, 10, 13, 1, 2];

/** Lets messages in between two steps. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
/** Steps are told this often at most: the page has better things to do than to draw every one. */
const TELL_EVERY_MS = 120;

function brokenBy(input: PlanInput, plan: Plan): Broken[] {
  const open = last?.input === input && last.open ? last.open : openEventOf(input);
  if (last?.input === input) last.open = open;
  // Hands are checked only where they are counted; pieces without a place are told by the plan itself.
  const counted = Boolean(input.event.duty?.length);
  return checkPlan(open, openPlanOf(input, plan), { physics: false })
    .filter(({ rule, code }) => code !== 'pieceMissing' && (counted || rule !== 13))
    .sort((a, b) => TOLD_FIRST.indexOf(a.rule) - TOLD_FIRST.indexOf(b.rule));
}

const api: PlanWorkerApi = {
  plan({ requestId, planVersion, input }) {
    const plan = buildPlan(input, cache);
    last = { input, plan };
    return { requestId, planVersion, plan, broken: input.event.pins?.length ? brokenBy(input, plan) : [] };
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
    const own = ++searching;
    if (!last) return {};
    const { input, plan } = last;
    const tried: Remedy[] = [];
    for (const remedy of tryRemedies(input, plan, cache, SHIPPED_PARAMETERS)) {
      tried.push(remedy);
      tell(rankRemedies(tried, plan.objective), tried.length);
      await breathe();
      if (own !== searching) return {};
    }
    return { conflict: conflictOf(input, plan.problems, cache, SHIPPED_PARAMETERS) };
  },
  dragged(runId, byMin, pitId) {
    if (!last) return [];
    const { input, plan } = last;
    return brokenBy(
      input,
      draggedPlan(
        plan,
        runId,
        byMin,
        input.pits.find((pit) => pit.id === pitId),
      ),
    );
  },
  compare(input, named) {
    return named.map((each) => {
      const own = inputFor(input, withNamedPlan(input.event, each));
      const plan = buildPlan(own, cache);
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
