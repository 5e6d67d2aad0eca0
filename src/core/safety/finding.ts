import type { Batch, CookEvent, Cut, Library, LoosenableRule, Pit, Plan } from '../model';

export const SAFETY_STAGES = ['receive', 'thaw', 'season', 'trim', 'fire', 'cook', 'hold', 'serve', 'after'] as const;
export type SafetyStage = (typeof SAFETY_STAGES)[number];

/** Kept by the plan, to be measured on the day, to be watched, or broken. */
export type SafetyState = 'keeps' | 'measure' | 'watch' | 'breaks';

/** One value of the guidance beside what this plan does. Words come later; `figures` are in C, minutes or instants. */
export interface SafetyFinding {
  code:
    | 'coldOnArrival'
    | 'arrivedWarm'
    | 'thawCold'
    | 'thawWater'
    | 'brineCold'
    | 'injected'
    | 'rawPoultry'
    | 'tempering'
    | 'knives'
    | 'carbonMonoxide'
    | 'gasLeak'
    | 'pitHot'
    | 'dangerClock'
    | 'poultryAbove'
    | 'greaseFire'
    | 'burns'
    | 'core'
    | 'poultryPeak'
    | 'hotHold'
    | 'rare'
    | 'tiredDriver'
    | 'timeAlone'
    | 'cooling'
    | 'ash'
    | 'towing';
  stage: SafetyStage;
  state: SafetyState;
  batchIds: string[];
  limit?: number;
  source: string;
  figures: Record<string, number>;
  /** The hard value behind it, when an owner may loosen that, and whether this event has. */
  rule?: LoosenableRule;
  loosened?: boolean;
}

export interface SafetyInput {
  event: CookEvent;
  library: Library;
  pits: readonly Pit[];
  plan: Plan;
}

/** A batch with its cut. */
export interface Item {
  batch: Batch;
  cut: Cut;
}

export const idsOf = (items: Item[]): string[] => items.map(({ batch }) => batch.id);
