import type { SampleOutcome } from '../core/forecast';
import type { Plan } from '../core/model';
import type { FinishByOffset, PlanInput, RunCurve, WhatIfAnswer, WhatIfRequest } from '../core/planning';

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
  /** When a piece would be done at hotter and cooler places of its pit. */
  finishes(runId: string, pieceId: string): FinishByOffset | undefined;
}

/** What the page asks of each worker of the forecast pool. Samples depend on their index alone, so any worker may run any chunk. */
export interface ForecastWorkerApi {
  samples(request: WhatIfRequest, from: number, to: number): SampleOutcome[];
  answer(request: WhatIfRequest, samples: SampleOutcome[]): WhatIfAnswer;
}
