import { expose } from 'comlink';
import { runSamples } from '../core/forecast';
import { parametersOf, whatIfEnsemble, whatIfAnswer, whatIfSetup } from '../core/planning';
import type { ForecastWorkerApi } from './protocol';

const api: ForecastWorkerApi = {
  samples: (request, from, to) => runSamples(whatIfSetup(request), parametersOf(request), whatIfEnsemble(request), from, to),
  answer: (request, samples) => whatIfAnswer(request, samples),
};

expose(api);
