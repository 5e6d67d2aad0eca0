import { expose } from 'comlink';
import { runSamples, SHIPPED_PARAMETERS } from '../core/forecast';
import { whatIfEnsemble, whatIfAnswer, whatIfSetup } from '../core/planning';
import type { ForecastWorkerApi } from './protocol';

const api: ForecastWorkerApi = {
  samples: (request, from, to) => runSamples(whatIfSetup(request), SHIPPED_PARAMETERS, whatIfEnsemble(request), from, to),
  answer: (request, samples) => whatIfAnswer(request, samples),
};

expose(api);
