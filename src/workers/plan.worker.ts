import { expose, wrap, type Remote } from 'comlink';
import type { ExchangeEvent, Plan, Scheme } from '../core/model';
import {
  buildPlan,
  checkedPlan,
  climbedStrand,
  conflictOf,
  coolingOf,
  decisionsOf,
  draggedPlan,
  exchangeEventOf,
  finishByOffset,
  inputFor,
  planFigures,
  planFrom,
  rankRemedies,
  rulesBroken,
  runCurve,
  searchPlan,
  thickestThatKeeps,
  tryLeversOf,
  tryRemedies,
  withNamedPlan,
  type PlanInput,
  type Remedy,
  parametersOf,
} from '../core/planning';
import { newForecastCache, type Helper } from '../core/schedule';
import type { Answered, PlanAskKind, PlanAsks, PlanWorkerApi, StrandWorkerApi, Versioned } from './protocol';

const cache = newForecastCache();
let last: { version: number; input: PlanInput; plan: Plan; exchanged?: ExchangeEvent } | undefined;
/** Counts searches and stops: a search goes on as long as its number is the newest. */
let searching = 0;

/** Workers that climb strands of a search for this one. */
const assistants: { api: Remote<StrandWorkerApi>; busy: boolean }[] = [];

/** A strand climbs for seconds: whoever has not answered by then may never have come up, and it is climbed here instead. */
const PATIENCE_MS = 20_000;

/** Gives strands of an event's search to whoever is free. A strand whose search was stopped is climbed to its end: its worker is busy until then. */
const helperFor = (input: PlanInput): Helper => ({
  climb(strand) {
    const assistant = assistants.find(({ busy }) => !busy);
    if (!assistant) return undefined;
    const pending: { ended?: Scheme | 'failed' } = {};
    assistant.busy = true;
    setTimeout(() => (pending.ended ??= 'failed'), PATIENCE_MS);
    assistant.api
      .climb(input, strand)
      .then(
        (scheme) => (pending.ended ??= scheme),
        () => (pending.ended ??= 'failed'),
      )
      .finally(() => (assistant.busy = false));
    return pending;
  },
});

/** Lets messages in between two steps. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
/** Steps are told this often at most, more seldom where there is more to draw: the page has better things to do than to draw every one. */
const TELL_EVERY_MS = 120;
const TELL_EVERY_MS_A_RUN = 12;

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

type Answers = { [K in PlanAskKind]: (ask: PlanAsks[K]['ask'], about: NonNullable<typeof last>) => PlanAsks[K]['answer'] };

/** Everything but the plan itself is answered about the plan last made. */
const answers: Omit<Answers, 'plan'> = {
  curve({ runId }, { input, plan }) {
    const run = plan.runs.find((each) => each.id === runId);
    return run && runCurve(input, run);
  },
  drag({ runId, byMin, pitId }, about) {
    const { input, plan } = about;
    const pit = input.pits.find((each) => each.id === pitId);
    // The event stays the same while a run is dragged; cooks are not run again for every pixel.
    about.exchanged ??= exchangeEventOf(input);
    return rulesBroken(input, draggedPlan(plan, runId, byMin, pit), { physics: false, event: about.exchanged });
  },
  finishes({ runId, pieceId }, { input, plan }) {
    const run = plan.runs.find((each) => each.id === runId);
    return run && finishByOffset(input, run, pieceId, cache);
  },
  decisions: (_, { input, plan }) => decisionsOf(input, plan),
  cooling: (_, { input }) => ({
    byBatch: Object.fromEntries(
      input.event.batches.flatMap((batch) => (batch.leftover ? [[batch.id, coolingOf(batch.leftover)] as const] : [])),
    ),
    keeps: thickestThatKeeps(),
  }),
};

const api: PlanWorkerApi = {
  assist(port) {
    const own: StrandWorkerApi = { climb: (input, strand) => climbedStrand(input, strand, cache) };
    expose(own, port);
  },
  lead(port) {
    assistants.push({ api: wrap<StrandWorkerApi>(port), busy: false });
  },
  ask<K extends PlanAskKind>({ version, kind, ask }: Versioned<K>): Answered<K> {
    if (kind === 'plan') {
      const { input } = ask as PlanAsks['plan']['ask'];
      last = { version, input, plan: checkedPlan(input, cache) };
      return { version, answer: last.plan } as Answered<K>;
    }
    const answer = answers[kind as Exclude<PlanAskKind, 'plan'>] as Answers[K];
    return { version, answer: last?.version === version ? answer(ask, last) : undefined };
  },
  async search({ input, seed, iterations }, tell) {
    const own = ++searching;
    const steps = searchPlan(input, { seed, iterations, helper: helperFor(input) }, cache);
    let told = -Infinity;
    let runs = 0;
    let step = steps.next();
    while (!step.done && own === searching) {
      const now = performance.now();
      if (now - told > Math.max(TELL_EVERY_MS, TELL_EVERY_MS_A_RUN * runs)) {
        told = now;
        const { done, of, trying, best } = step.value;
        runs = best.runs.length;
        tell({ done, of, trying, plan: planFrom(input, best) });
        await breathe();
      } else if (step.value.waits) await breathe();
      step = steps.next();
    }
    return planFrom(input, step.done ? step.value : step.value.best);
  },
  stopSearch() {
    searching++;
  },
  async remedies(tell) {
    if (!last) return {};
    const { input, plan } = last;
    const whole = await tryAll(tryRemedies(input, plan, cache, parametersOf(input)), (tried) =>
      tell(rankRemedies(tried, plan.objective), tried.length),
    );
    return !whole ? {} : { conflict: conflictOf(input, plan, cache, parametersOf(input)) };
  },
  async levers(batchId, tell) {
    if (last) await tryAll(tryLeversOf(batchId, last.input, last.plan, cache, parametersOf(last.input)), tell);
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
};

expose(api);
