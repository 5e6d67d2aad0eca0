import type { Plan, Scheme } from '../core/model';
import type { PlanInput } from '../core/planning';
import type { Database } from '../persistence';

/** Who works plans out: threads of their own where pages are served, the caller's own where nobody waits. */
export interface Planner {
  plan(input: PlanInput): Promise<Plan>;
  /** The scheme of the best plan that so many iterations find. */
  search(input: PlanInput, iterations: number): Promise<Scheme>;
}

/** What every use case is given: the database, the time, new identifiers, and who plans. */
export interface Context {
  db: Database;
  planner: Planner;
  nowMs(): number;
  newId(): string;
}
