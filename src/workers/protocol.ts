import type { SampleOutcome } from '../core/forecast';
import type { Broken, CoolingWay, NamedPlan, Plan, Scheme } from '../core/model';
import type {
  Conflict,
  Decision,
  FinishByOffset,
  PlanFigures,
  PlanInput,
  Remedy,
  RunCurve,
  WhatIfAnswer,
  WhatIfRequest,
} from '../core/planning';
import type { Strand, Trying } from '../core/schedule';
import type { CoolingForecast } from '../core/safety';

/** What the page may ask about one version of its document, and what it is answered. All but `plan` are about the plan last made. */
export interface PlanAsks {
  plan: { ask: { input: PlanInput }; answer: Plan };
  /** The curve behind one run; undefined when the plan has no such run. */
  curve: { ask: { runId: string }; answer: RunCurve | undefined };
  /** A run taken elsewhere: what that breaks. */
  drag: { ask: { runId: string; byMin: number; pitId?: string }; answer: Broken[] };
  /** When a piece would be done at hotter and cooler places of its pit. */
  finishes: { ask: { runId: string; pieceId: string }; answer: FinishByOffset | undefined };
  decisions: { ask: object; answer: Decision[] };
  /** How the leftovers that are written down cool, by batch, and what would keep the rule. */
  cooling: { ask: object; answer: { byBatch: Record<string, CoolingForecast>; keeps: { way: CoolingWay; thicknessMm?: number }[] } };
}
export type PlanAskKind = keyof PlanAsks;

/** `version` counts the document's changes: an ask about another version than the worker stands at has no answer. */
export interface Versioned<K extends PlanAskKind> {
  version: number;
  kind: K;
  ask: PlanAsks[K]['ask'];
}
export interface Answered<K extends PlanAskKind> {
  version: number;
  answer: PlanAsks[K]['answer'] | undefined;
}

/** A search as it goes on: how far, and the best plan so far. */
export interface SearchNews {
  done: number;
  of: number;
  trying: Trying;
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

/** What a planning worker does for another one. */
export interface StrandWorkerApi {
  /** Climbs one strand of a search: the scheme it comes to. */
  climb(input: PlanInput, strand: Strand): Scheme;
}

export interface PlanWorkerApi {
  /** From now on it does for whoever is at the other end of a port what that asks. */
  assist(port: MessagePort): void;
  /** From now on it may ask whoever is at the other end of a port. */
  lead(port: MessagePort): void;
  ask<K extends PlanAskKind>(request: Versioned<K>): Answered<K>;
  /** Searches for a better plan and tells of each step; the best one in the end, or when it is stopped. */
  search(request: SearchRequest, tell: (news: SearchNews) => void): Promise<Plan>;
  stopSearch(): void;
  /** Why not everything fits, then every lever that helps, the best first, told anew as each is tried. */
  remedies(tell: (remedies: Remedy[], tried: number) => void): Promise<{ conflict?: Conflict }>;
  /** Every lever of one batch, tried; told as they are known. Stopped as a search is. */
  levers(batchId: string, tell: (tried: Remedy[]) => void): Promise<void>;
  /** The plan now shown and those kept under a name, side by side. */
  compare(input: PlanInput, named: NamedPlan[]): Compared[];
  /** What another confidence would make of the plan. */
  atConfidence(input: PlanInput, confidence: number): { plan: Plan; figures: PlanFigures; now: PlanFigures };
}

/** What the page asks of each worker of the forecast pool. Samples depend on their index alone, so any worker may run any chunk. */
export interface ForecastWorkerApi {
  samples(request: WhatIfRequest, from: number, to: number): SampleOutcome[];
  answer(request: WhatIfRequest, samples: SampleOutcome[]): WhatIfAnswer;
}
