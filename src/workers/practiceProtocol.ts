import type {
  Debrief,
  DrillQuestion,
  DrillSetId,
  Outcome,
  PracticeDeed,
  PracticeSave,
  PracticeView,
  Refusal,
  Scenario,
} from '../core/practice';

export interface PracticeShown {
  view: PracticeView;
  save: PracticeSave;
  /** Once the day is over. */
  outcome?: Outcome;
}

/** What the page may ask of the thread a day in practice lives in. */
export interface PracticeWorkerApi {
  begin(scenario: Scenario, save: PracticeSave): PracticeShown;
  advance(byMs: number): PracticeShown;
  do(deed: PracticeDeed): PracticeShown & { refused?: Refusal };
  debrief(tell: (done: number, all: number) => void): Debrief;
  question(set: DrillSetId, n: number): DrillQuestion;
}
