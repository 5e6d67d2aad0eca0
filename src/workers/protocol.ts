import type { Plan } from '../core/model';
import type { PlanInput, RunCurve } from '../core/planning';

/** What the page asks of the planning worker. `planVersion` is the event's revision: stale answers are dropped. */
export interface PlanRequest {
  requestId: number;
  planVersion: number;
  input: PlanInput;
}

export interface PlanAnswer {
  requestId: number;
  planVersion: number;
  plan: Plan;
}

export interface PlanWorkerApi {
  plan(request: PlanRequest): PlanAnswer;
  /** The curve behind one run of the plan last made; undefined when that plan has no such run. */
  curve(runId: string): RunCurve | undefined;
}
