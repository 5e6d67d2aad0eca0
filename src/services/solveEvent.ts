import { conflictOf, exchangeData, exchangePlanOf, parametersOf, planFrom, rankRemedies, searchPlan, tryRemedies } from '../core/planning';
import { newForecastCache, usualIterations } from '../core/schedule';
import type { ExchangePlan } from '../core/model';
import { planInputOf, type EventFile, type EventFileV1 } from '../formats/open';

export interface SolveOptions {
  seed?: number;
  iterations?: number;
  confidence?: number;
  /** The version of the file as it was handed in: it is planned by the rules of its own. */
  writtenIn?: 1 | 2;
}

/** Plans an event file from nothing. The same event, seed and iterations give the same plan. */
export function solveEvent(file: EventFile | EventFileV1, options: SolveOptions, tell: (line: string) => void): ExchangePlan {
  const event = { ...file, confidence: options.confidence ?? file.confidence };
  const input = { ...planInputOf(event), ...(options.writtenIn && { rules: options.writtenIn }) };
  const cache = newForecastCache();
  const { seed = 1, iterations = usualIterations(file.batches.length) } = options;
  const searching = searchPlan(input, { seed, iterations }, cache);
  let told = '';
  let step = searching.next();
  for (; !step.done; step = searching.next()) {
    const { done, of, objective } = step.value;
    const line = objective.join(' ');
    if (line !== told) tell(`${done} of ${of}: ${line}`);
    told = line;
  }
  const plan = planFrom(input, step.value);
  if (!plan.problems.some((problem) => problem.severity === 'broken')) return exchangePlanOf(input, plan);
  tell('Not everything fits: looking for what cannot hold together, and for what would help');
  const conflict = conflictOf(input, plan, cache, parametersOf(input));
  const tried = [...tryRemedies(input, plan, cache, parametersOf(input))];
  return exchangePlanOf(input, plan, {
    proof: conflict?.word === 'impossible',
    conflict: conflict?.ids,
    remedies: rankRemedies(tried, plan.objective).map(({ lever: { code, ...data }, solves, objective }) => ({
      code,
      solves,
      value: [...objective],
      ...exchangeData(data),
    })),
  });
}
