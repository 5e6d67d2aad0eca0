import type { ParameterSet } from '../forecast';
import type { Method, Objective, Plan } from '../model';
import { search, searchUntil, type ForecastCache, type Found } from '../schedule';
import type { PlanInput } from './planInput';
import type { Lever, OneLever } from './levers';
import { amountsFor, inputWith, leversFor, priceOf, type Amount } from './leversFor';
import { troubledBatches } from './concerns';
import { batchOrders, searchInputOf } from './searchInput';

/** A lever that was pulled for trial, with the plan's figures then. */
export interface Remedy {
  lever: Lever;
  /** Everything fits, and every serving is as sure as was asked. */
  solves: boolean;
  objective: Objective;
  /** The least sure serving then. */
  onTimeShare: number;
}

const ITERATIONS = 60;
/** Of so many batches or more a lever is tried near the plan as it stands: a look everywhere would take too long for each. */
const NEAR_FROM_BATCHES = 13;
const NEAR_ITERATIONS = 40;
/** Batches in trouble that levers are tried for: the worst of them. */
const MOST_BATCHES = 2;

/** Tries every lever by solving the plan again with it; told one by one as they are known. Sort them with `rankRemedies`. */
export function* tryRemedies(input: PlanInput, plan: Plan, cache: ForecastCache, parameters: ParameterSet): Generator<Remedy, void> {
  const troubled = troubledBatches(plan, input).slice(0, MOST_BATCHES);
  if (troubled.length === 0 && !plan.problems.some((problem) => problem.severity === 'broken')) return;
  const trying = new Trying(input, plan, cache, parameters);
  const single: Remedy[] = [];
  for (const amount of amountsFor(input, troubled, plan.problems))
    for (const remedy of trying.least(amount)) {
      single.push(remedy);
      yield remedy;
    }
  for (const each of leversFor(input, troubled, plan.problems)) {
    const remedy = trying.lever(each);
    single.push(remedy);
    yield remedy;
  }
  if (plan.objective[0] === 0 || single.some(({ objective }) => objective[0] === 0)) return;
  // None is enough: what can be hired together, then what can be had and something else with it.
  const hired = amountsFor(input, troubled, plan.problems).filter(({ lever }) => isBought(lever(1)));
  for (const [i, first] of hired.entries())
    for (const then of hired.slice(i + 1))
      for (const remedy of trying.leastTogether(first, then)) {
        single.push(remedy);
        yield remedy;
      }
  const isHiredEnough = single.some(({ objective }) => objective[0] === 0);
  const had = single.filter(({ lever, objective }) => isBought(lever) && objective[0] < plan.objective[0]);
  for (const { lever } of rankRemedies(had, plan.objective).slice(0, MOST_BOUGHT)) yield* trying.with(lever as OneLever, isHiredEnough);
}

/** Tries every lever that a batch has by itself, whether or not it is in trouble. */
export function* tryLeversOf(
  batchId: string,
  input: PlanInput,
  plan: Plan,
  cache: ForecastCache,
  parameters: ParameterSet,
): Generator<Remedy, void> {
  const own = leversFor(input, [batchId], []).filter(({ lever }) => 'batchId' in lever && lever.code !== 'cookDayBefore');
  const trying = new Trying(input, plan, cache, parameters);
  for (const each of own) yield trying.lever(each);
}

const remedyOf = (lever: Lever, { objective, odds }: Found): Remedy => ({
  lever,
  solves: isSure(objective),
  objective,
  onTimeShare: Math.min(1, ...odds.map((serving) => serving.onTimeShare)),
});

const isSure = (objective: Objective): boolean => objective[0] === 0 && objective[1] === 0;

/** What is tried together with another lever where none is enough: things and people that can be had. */
const BOUGHT = ['hireBoxes', 'moreHolding', 'hirePits', 'sparePit', 'hireHand', 'moreCrew'] as const;
const MOST_BOUGHT = 3;
const isBought = ({ code }: Lever): boolean => BOUGHT.some((each) => each === code);

const halfMore = (amount: number, most: number): number => Math.min(most, amount + Math.ceil(amount / 2));

/** The least amount that does, with what came of it; `whole` is what comes of the most. */
function leastOf<T>(most: number, whole: T, at: (amount: number) => T, does: (tried: T) => boolean): [amount: number, found: T] {
  let [below, amount, found] = [0, most, whole];
  while (amount - below > 1) {
    // What is wanted is most often little.
    const middle = below === 0 ? Math.max(1, Math.floor(amount / 3)) : Math.floor((below + amount) / 2);
    const tried = at(middle);
    if (does(tried)) [found, amount] = [tried, middle];
    else below = middle;
  }
  return [amount, found];
}

/** Levers tried on one plan, each by a search of its own from where the plan stands. */
class Trying {
  constructor(
    private readonly input: PlanInput,
    private readonly plan: Pick<Plan, 'scheme' | 'objective'>,
    private readonly cache: ForecastCache,
    private readonly parameters: ParameterSet,
  ) {}

  lever(each: { lever: Lever; methods: Method[] }): Remedy {
    return remedyOf(each.lever, this.found(each).found);
  }

  private found(each: { lever: Lever; methods: Method[] }): { changed: PlanInput; found: Found } {
    // What a lever changes, it changes of the plan that it is tried on.
    const { event } = this.input;
    const planned = { ...this.input, event: { ...event, scheme: event.scheme ?? this.plan.scheme } };
    const changed = inputWith(planned, each);
    const start = changed.event.scheme;
    const orders = batchOrders(changed);
    const isMany = orders.length >= NEAR_FROM_BATCHES;
    const options = { seed: 1, iterations: isMany ? NEAR_ITERATIONS : ITERATIONS, start, onlyFromStart: isMany };
    const searching = search(orders, searchInputOf(changed, this.cache, this.parameters), options);
    return { changed, found: searchUntil(searching, isSure) };
  }

  /** The least of two things that together let everything fit. */
  *leastTogether(a: Amount, b: Amount): Generator<Remedy, void> {
    const at = (first: number, then: number) =>
      this.lever({ lever: { code: 'both', first: a.lever(first), then: b.lever(then) }, methods: [] });
    const fits = ({ objective }: Remedy) => objective[0] === 0;
    const whole = at(a.most, b.most);
    if (!fits(whole)) return;
    const [then, half] = leastOf(b.most, whole, (amount) => at(a.most, amount), fits);
    const [first, found] = leastOf(a.most, half, (amount) => at(amount, then), fits);
    yield found;
    if (found.solves) return;
    const more = at(halfMore(first, a.most), halfMore(then, b.most));
    if (more.solves) yield more;
  }

  /** One lever pulled, and how much of what else is short then. */
  *with(first: OneLever, isHiredEnough: boolean): Generator<Remedy, void> {
    const { changed, found } = this.found({ lever: first, methods: [] });
    const troubled = troubledBatches({ ...found, confidence: changed.event.confidence }, changed).slice(0, MOST_BATCHES);
    const trying = new Trying(changed, found, this.cache, this.parameters);
    const amounts = amountsFor(changed, troubled, found.problems).filter(({ lever }) => !isHiredEnough || !isBought(lever(1)));
    for (const amount of amounts)
      for (const remedy of trying.least(amount))
        if (remedy.lever.code !== first.code && remedy.lever.code !== 'both')
          yield { ...remedy, lever: { code: 'both', first, then: remedy.lever } };
  }

  /** The least of something that mends as much as the most of it does. Nothing where the most of it mends nothing. */
  *least({ most, lever }: Amount): Generator<Remedy, void> {
    const at = (amount: number) => this.lever({ lever: lever(amount), methods: [] });
    const whole = at(most);
    const target = whole.objective[0];
    if (target >= this.plan.objective[0]) return;
    const [amount, found] = leastOf(most, whole, at, ({ objective }) => objective[0] <= target);
    yield found;
    // It fits with that; a little more may make it sure as well.
    if (found.solves || target > 0 || amount >= most) return;
    const more = at(halfMore(amount, most));
    if (more.solves) yield more;
  }
}

/** Those that help, the cheapest first: what is broken, then how sure, then what the lever costs its owner, then the plan's figures. */
export function rankRemedies(remedies: readonly Remedy[], before: Objective): Remedy[] {
  const helps = ({ objective }: Remedy) => objective[0] < before[0] || (objective[0] === before[0] && objective[1] < before[1]);
  return remedies.filter(helps).sort((a, b) => {
    if (a.solves !== b.solves) return a.solves ? -1 : 1;
    const levels = a.solves ? [] : [0, 1];
    for (const level of levels) if (a.objective[level] !== b.objective[level]) return a.objective[level]! - b.objective[level]!;
    const price = priceOf(a.lever) - priceOf(b.lever);
    if (price !== 0) return price;
    for (let level = 0; level < 5; level++) if (a.objective[level] !== b.objective[level]) return a.objective[level]! - b.objective[level]!;
    return 0;
  });
}
