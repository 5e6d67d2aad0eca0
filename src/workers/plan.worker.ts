import { expose } from 'comlink';
import type { Plan } from '../core/model';
import { buildPlan, finishByOffset, runCurve, type PlanInput } from '../core/planning';
import { newForecastCache } from '../core/schedule';
import type { PlanWorkerApi } from './protocol';

const cache = newForecastCache();
let last: { input: PlanInput; plan: Plan } | undefined;

const api: PlanWorkerApi = {
  plan({ requestId, planVersion, input }) {
    const plan = buildPlan(input, cache);
    last = { input, plan };
    return { requestId, planVersion, plan };
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
