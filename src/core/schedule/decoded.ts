import type { DayWeather, Firing, Objective, Pin, Plan, PlanProblem, Run, Scheme, Shift } from '../model';
import type { Whereabouts } from '../travel';
import type { Placed } from './placeBatch';
import type { PlacementContext } from './placement';
import type { LateRun } from './servingOdds';

/** All that a schedule depends on beside its batches. */
export interface SearchInput extends Omit<PlacementContext, 'racks' | 'heat' | 'holds' | 'crewLedger' | 'whereabouts'> {
  /** Who and what is where when servings are got to in these ways. */
  travelFor(choices: NonNullable<Scheme['travel']>): Whereabouts;
  /** Servings that are not where things are: how they are got to is part of the search. */
  away: readonly AwayServing[];
  quiet: readonly Shift[];
  weather: DayWeather;
  pins: readonly Pin[];
}

/** A serving that one drives to, with what may go along. */
export interface AwayServing {
  id: string;
  /** How long before it those must leave who cook there, for its longest cook and each shorter one. */
  aheadMins(): number[];
  people: readonly string[];
  gearIds: readonly string[];
  pitIds: readonly string[];
}

export type Schedule = Pick<Plan, 'runs' | 'firings' | 'problems' | 'trips' | 'travelWork' | 'stays' | 'odds' | 'objective' | 'tightest'>;

export interface Step {
  /** The batch, or a pin of it. */
  key: string;
  /** The batch. */
  id: string;
  override: string;
  placed: Placed;
  /** It lies where its scheme puts it, and so does everything before it. */
  pure: boolean;
}

/** A scheme made into a plan; what it was made of is kept, so that a like scheme need not be made anew. */
export interface Decoded {
  scheme: Scheme;
  objective: Objective;
  /** Kilograms that found no place: tells two broken plans apart. */
  leftKg: number;
  steps: Step[];
  /** In the order in which they go on, unnamed. */
  runs: Run[];
  firings: Firing[];
  /** Fires that nobody can light, or that would burn alone. */
  fireTroubles: PlanProblem[];
  /** Batches of servings below the wished confidence, with the share of days on which each is late, the worst first. */
  atRisk: LateRun[];
  /** Piece-hours by which runs depart from their band and their heat, the worst first. */
  departing: { batchId: string; hours: number }[];
}
