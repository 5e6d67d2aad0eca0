import { expose } from 'comlink';
import { runSamples, SHIPPED_PARAMETERS } from '../core/forecast';
import { WHAT_IF_SEED, whatIfAnswer, whatIfSetup } from '../core/planning';
import type { ForecastWorkerApi } from './protocol';

const api: ForecastWorkerApi = {
  samples: (request, from, to) => runSamples(whatIfSetup(request), SHIPPED_PARAMETERS, WHAT_IF_SEED, from, to),
  answer: (request, samples) => whatIfAnswer(request, samples),
};

expose(api);
