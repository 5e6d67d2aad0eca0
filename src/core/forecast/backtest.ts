import { runCook } from './cook';
import type { Quantiles } from './ensemble';
import { predictiveLaw } from './law';
import { loggedSetup, restLogged, type LoggedCook } from './logged';
import type { ParameterSet } from './parameters';

export interface Prediction {
  hours: Quantiles;
  finalC: number;
  /** Hours from pulling until its core has fallen to what the row asks; undefined when it asks nothing or never gets there. */
  restH?: number;
}

/** What the model would have said of a logged cook beforehand; undefined when it never gets done. */
export function predictLogged(logged: LoggedCook, parameters: ParameterSet): Prediction | undefined {
  const law = predictiveLaw(parameters.record);
  const setup = loggedSetup(logged, parameters);
  const cook = runCook(setup, parameters);
  if (cook.status === 'never') return undefined;
  const hoursAt = (quantile: number) => (cook.doneAtMin * law.factor(setup.modelCutId, quantile)) / 60;
  const rested = logged.rest && restLogged(cook, logged.rest, logged.airC, parameters);
  return {
    hours: { p10: hoursAt(0.1), p50: cook.doneAtMin / 60, p90: hoursAt(0.9) },
    finalC: cook.doneCoreC,
    restH: rested?.reachedMin === undefined ? undefined : rested.reachedMin / 60,
  };
}
