import type { NamedPlan, Plan, Scheme } from '../core/model';
import { checkedPlan, searchPlan, type PlanInput } from '../core/planning';
import { newForecastCache } from '../core/schedule';
import { namedPlanFrom, readEventFile, readOpenPlan, type Reading } from '../formats/open';

/** What the server's pool of workers does: one function a task, named by whoever asks. Each worker keeps the cooks it has run. */
const MOST_COOKS_KEPT = 500;
let cache = newForecastCache();

function cooks() {
  if (cache.cooked.size > MOST_COOKS_KEPT) cache = newForecastCache();
  return cache;
}

export const plan = ({ input }: { input: PlanInput }): Plan => checkedPlan(input, cooks());

/** The scheme of the best plan that so many iterations find. */
export function search({ input, iterations }: { input: PlanInput; iterations: number }): Scheme {
  const searching = searchPlan(input, { seed: 1, iterations }, cooks());
  let step = searching.next();
  while (!step.done) step = searching.next();
  return step.value.scheme;
}

/** Answers as soon as there is somebody to answer. */
export const ready = (): true => true;

/** A file of megabytes is read here too: nobody waits for its checks. */
export const readEvent = ({ text, nowMs }: { text: string; nowMs: number }) => readEventFile(text, nowMs);

export function readPlan({ text, input, id }: { text: string; input: PlanInput; id: string }): Reading<NamedPlan> {
  const reading = readOpenPlan(text);
  return reading.ok ? namedPlanFrom(reading.value, input, id) : reading;
}
