import type { SampleOutcome } from '../core/forecast';
import type { Broken, NamedPlan, Plan } from '../core/model';
import type { Conflict, FinishByOffset, PlanFigures, PlanInput, Remedy, RunCurve, WhatIfAnswer, WhatIfRequest } from '../core/planning';

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

/** A search as it goes on: how far, and the best plan so far. */
export interface SearchNews {
  done: number;
  of: number;
  plan: Plan;
}

export interface SearchRequest {
  input: PlanInput;
  seed: number;
  iterations: number;
}

/** A plan kept under a name, worked out. */
export interface Compared {
  id: string;
  plan: Plan;
  figures: PlanFigures;
}

export interface PlanWorkerApi {
  plan(request: PlanRequest): PlanAnswer;
  /** Searches for a better plan and tells of each step; the best one in the end, or when it is stopped. */
  search(request: SearchRequest, tell: (news: SearchNews) => void): Promise<Plan>;
  stopSearch(): void;
  /** Why not everything fits, then every lever that helps, the best first, told anew as each is tried. */
  remedies(tell: (remedies: Remedy[], tried: number) => void): Promise<{ conflict?: Conflict }>;
  /** Every lever of one batch, tried; told as they are known. Stopped as a search is. */
  levers(batchId: string, tell: (tried: Remedy[]) => void): Promise<void>;
  /** A run of the plan last made taken elsewhere: what that breaks. */
  dragged(runId: string, byMin: number, pitId?: string): Broken[];
  /** The plan now shown and those kept under a name, side by side. */
  compare(input: PlanInput, named: NamedPlan[]): Compared[];
  /** What another confidence would make of the plan. */
  atConfidence(input: PlanInput, confidence: number): { plan: Plan; figures: PlanFigures; now: PlanFigures };
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
