import { describe, expect, it } from 'vitest';
import { DRILL_SETS, QUESTIONS } from './drill';
import { drillQuestion } from './drills';
import { drillOrder, marked, type DrillMark } from './returns';

const DAY_MS = 86_400_000;
const NOW = Date.parse('2028-06-17T08:00:00Z');

describe.each(DRILL_SETS)('drill set %s', (set) => {
  const questions = Array.from({ length: QUESTIONS }, (_, n) => drillQuestion(set, n));

  it('has its right answers among its choices, and more than one kind of them', { timeout: 60_000 }, () => {
    for (const { choices, right } of questions) {
      expect(right.length).toBeGreaterThan(0);
      for (const each of right) expect(choices).toContain(each);
      expect(right.length).toBeLessThan(choices.length);
    }
    expect(new Set(questions.map(({ right }) => right[0])).size).toBeGreaterThan(1);
  });

  it('asks the same question each time', () => {
    expect(drillQuestion(set, 2)).toEqual(questions[2]);
    expect(new Set(questions.map(({ id }) => id)).size).toBe(QUESTIONS);
  });
});

describe('spaced return', () => {
  it('brings a missed question back soon, a known one later each time', () => {
    const missed = marked(undefined, 'smoke-0', false, NOW);
    expect(missed.dueAtMs - NOW).toBeLessThan(5 * 60_000);
    let mark: DrillMark | undefined;
    const gaps = [1, 2, 3, 4].map(() => {
      mark = marked(mark, 'smoke-0', true, NOW);
      return mark.dueAtMs - NOW;
    });
    expect(gaps.every((gap, i) => i === 0 || gap > gaps[i - 1]!)).toBe(true);
    expect(marked(mark, 'smoke-0', false, NOW)).toMatchObject({ box: 0, right: 4, wrong: 1 });
  });

  it('asks what was missed first, then what is new, and what is not due last', () => {
    const marks = [marked(undefined, 'smoke-3', false, NOW - DAY_MS), marked(undefined, 'smoke-5', true, NOW)];
    const { ns, due } = drillOrder('smoke', marks, NOW);
    expect(ns[0]).toBe(3);
    expect(ns.at(-1)).toBe(5);
    expect(due).toBe(QUESTIONS - 1);
    expect([...ns].sort()).toEqual(Array.from({ length: QUESTIONS }, (_, n) => n));
  });

  it('has an order of its own each day', () => {
    const orders = [0, 1, 2].map((days) => drillOrder('bark', [], NOW + days * DAY_MS).ns.join());
    expect(new Set(orders).size).toBeGreaterThan(1);
  });
});
