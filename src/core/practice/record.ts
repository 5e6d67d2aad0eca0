import type { Outcome, Skill } from './outcome';
import type { PracticeSave } from './save';
import type { Scenario } from './scenario';

/** A day in practice as the house keeps it. */
export interface PracticeRun {
  id: string;
  trainee: string;
  scenarioId: string;
  /** A rehearsal's own day, as the plan was when it was begun. */
  rehearsal?: { eventId: string; eventName: string; scenario: Scenario };
  save: PracticeSave;
  startedAtMs: number;
  changedAtMs: number;
  /** Once it is over. */
  result?: { value: number; onTime: boolean; skills: Outcome['skills'] };
}

/** What lists say of a day: nothing that is long. */
export type PracticeLine = Omit<PracticeRun, 'rehearsal' | 'save'> & { eventName?: string; deeds: number };

/** A skill over time: the mean of the last days, and each of them, the oldest first. */
export interface SkillLine {
  skill: Skill;
  days: { atMs: number; points: number }[];
  lately: number;
}

const LATELY = 5;

/** How somebody's skills went, from the days that are over. */
export function skillLines(runs: readonly Pick<PracticeRun, 'result' | 'changedAtMs'>[], skills: readonly Skill[]): SkillLine[] {
  const over = runs.filter((run) => run.result).sort((a, b) => a.changedAtMs - b.changedAtMs);
  return skills.flatMap((skill) => {
    const days = over.flatMap(({ result, changedAtMs }) => {
      const points = result!.skills[skill];
      return points === undefined ? [] : [{ atMs: changedAtMs, points }];
    });
    const last = days.slice(-LATELY);
    return days.length === 0 ? [] : [{ skill, days, lately: last.reduce((sum, each) => sum + each.points, 0) / last.length }];
  });
}
