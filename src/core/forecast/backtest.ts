import { forecastCook, type Quantiles } from './ensemble';
import { loggedSetup, restLogged, type LoggedCook } from './logged';
import type { ParameterSet } from './parameters';

/** Samples behind each back-tested row. */
export const BACKTEST_SAMPLES = 200;

export interface Prediction {
  hours: Quantiles;
  finalC: number;
  /** Hours from pulling until its core has fallen to what the row asks; undefined when it asks nothing or never gets there. */
  restH?: number;
}

/** What the model would have said of a logged cook beforehand; undefined when it never gets done. */
export function predictLogged(logged: LoggedCook, parameters: ParameterSet, samples: number): Prediction | undefined {
  const forecast = forecastCook(loggedSetup(logged, parameters), parameters, { seed: 1, pitSeed: 1, samples });
  if (forecast.median.status === 'never') return undefined;
  const toHours = (minutes: number) => minutes / 60;
  // The centre is the unperturbed cook, which is what was fitted; the samples give the range about it.
  const shift = forecast.median.doneAtMin / forecast.done.p50;
  const [p10, p90] = [forecast.done.p10 * shift, forecast.done.p90 * shift];
  if (!Number.isFinite(p90)) return undefined;
  const rested = logged.rest && restLogged(forecast.median, logged.rest, logged.airC, parameters);
  return {
    hours: { p10: toHours(p10), p50: toHours(forecast.median.doneAtMin), p90: toHours(p90) },
    finalC: forecast.median.doneCoreC,
    restH: rested?.reachedMin === undefined ? undefined : toHours(rested.reachedMin),
  };
}
