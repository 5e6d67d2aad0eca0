import { describe, expect, it } from 'vitest';
import { SHIPPED_LIBRARY } from '../../core/model';
import {
  DRILL_SETS,
  drillQuestion,
  HANDS_MIN,
  QUESTIONS,
  SCENARIOS,
  type DeedKind,
  type News,
  type PracticeDeed,
} from '../../core/practice';
import type { Units } from '../units';
import { choiceMessage, whyMessage } from './drill';
import { DEED_WORDS, deedMessage, DRILL_WORDS, newsMessage, SCENARIO_WORDS } from './practice';

const US: Units = { temp: 'F', mass: 'lb', clock: '24' };
const SI: Units = { temp: 'C', mass: 'kg', clock: '24' };
const spoilt = /undefined|NaN|null|\[object|\{|\}/;

describe('words of practice', () => {
  it('say of every scenario what it is, what is taken over and what to do first', () => {
    for (const { id } of SCENARIOS) {
      const { title, about, brief, first } = SCENARIO_WORDS[id]!;
      for (const text of [title, about, brief, first]) expect(text.length).toBeGreaterThan(3);
      expect(first).toMatch(/\.$|\?$/);
    }
    expect(new Set(Object.values(SCENARIO_WORDS).map(({ title }) => title)).size).toBe(SCENARIOS.length);
  });

  it('tell every trouble of every scenario, with its figure in the units asked for', () => {
    for (const { troubles } of SCENARIOS)
      for (const trouble of troubles) {
        const news: News = { atMs: 0, kind: trouble.kind, much: trouble.much };
        for (const units of [US, SI]) expect(newsMessage(news, units)).not.toMatch(spoilt);
      }
    expect(newsMessage({ atMs: 0, kind: 'gaugeLies', much: 25 }, US)).toContain('45 °F');
    expect(newsMessage({ atMs: 0, kind: 'gaugeLies', much: 25 }, SI)).toContain('25 °C');
    expect(newsMessage({ atMs: 0, kind: 'pitStrayed', much: -17 }, SI)).toBe('The pit ran 17 °C too cool.');
    expect(newsMessage({ atMs: 0, kind: 'guestsEarly', much: 60 }, US)).toContain('1 h earlier');
  });

  it('name what was done, to which pieces', () => {
    expect(Object.keys(DEED_WORDS).sort()).toEqual(Object.keys(HANDS_MIN).sort());
    const deeds: PracticeDeed[] = [
      { kind: 'wrap', key: 'a', wrap: 'foil' },
      { kind: 'wrap', key: 'b', wrap: 'foil' },
    ];
    expect(deedMessage(deeds, (key) => key.toUpperCase(), US)).toBe('Wrapped in foil: A, B');
    expect(deedMessage([{ kind: 'pull', key: 'a', to: 'box' }], () => 'R1', US)).toBe('Taken off into the box: R1');
    expect(deedMessage([{ kind: 'setPoint', pitId: 'pit', pitC: 121 }], () => '', US)).toBe('Set point changed to 250 °F');
    expect(deedMessage([{ kind: 'coals', pitId: 'pit', lit: false }], () => '', US)).toBe('Coals added, unlit');
    for (const kind of Object.keys(HANDS_MIN) as DeedKind[]) expect(DEED_WORDS[kind]).not.toMatch(spoilt);
  });
});

describe.each(DRILL_SETS)('words of the drill %s', (set) => {
  it('say each choice apart and why the right one is right', { timeout: 60_000 }, () => {
    expect(DRILL_WORDS[set].ask).toMatch(/\?$/);
    for (let n = 0; n < QUESTIONS; n++) {
      const question = drillQuestion(set, n);
      const choices = question.choices.map((choice) => choiceMessage(question, choice, SHIPPED_LIBRARY, US));
      expect(new Set(choices).size).toBe(choices.length);
      for (const units of [US, SI]) {
        const why = whyMessage(question, SHIPPED_LIBRARY, units);
        expect(why.length).toBeGreaterThan(40);
        for (const text of [why, ...choices]) expect(text).not.toMatch(spoilt);
      }
    }
  });
});
