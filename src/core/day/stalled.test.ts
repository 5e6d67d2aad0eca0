import { describe, expect, it } from 'vitest';
import { foreseenOf, WORLD_KINDS } from '../../../tests/fixtures/cooksInWorld';
import { SHIPPED_PARAMETERS } from '../forecast';
import { longStallMin, stalledMin, stallsAt } from './stalled';

const MIN = 60_000;
/** A core every five minutes: 18 C an hour up to 66, then `slow` C an hour. */
const climb = (slow: number, untilMin: number) => {
  const stallsFromMin = ((66 - 6) / 18) * 60;
  return Array.from({ length: untilMin / 5 + 1 }, (_, i) => {
    const minute = 5 * i;
    const tempC = minute < stallsFromMin ? 6 + (18 * minute) / 60 : 66 + (slow * (minute - stallsFromMin)) / 60;
    return { atMs: minute * MIN, tempC };
  });
};

describe('a stall', () => {
  it('is timed from where the core slowed to a third of its climb', () => {
    expect(stalledMin(climb(1, 200), 200 * MIN)).toBe(0);
    // From minute 200 on; a window of three quarters of an hour finds it within a quarter.
    expect(Math.abs(stalledMin(climb(1, 380), 380 * MIN) - 180)).toBeLessThan(15);
    expect(stalledMin(climb(7, 330), 330 * MIN)).toBe(0);
    // Out of it at last: nobody stalls at 82 C.
    expect(stalledMin([...climb(1, 380), { atMs: 400 * MIN, tempC: 82 }], 400 * MIN)).toBe(0);
    expect(stallsAt(70) && !stallsAt(59) && !stallsAt(81)).toBe(true);
  });

  it('is long by what such cooks do: a butt stalls longer than a hot one, ribs hardly', () => {
    const longOf = (name: string) => longStallMin(foreseenOf(WORLD_KINDS[name]!), SHIPPED_PARAMETERS, 1);
    expect(longOf('pork butt, foil, wood')).toBeGreaterThan(150);
    expect(longOf('butt, bare, hot, coal')).toBeLessThan(longOf('pork butt, foil, wood'));
    expect(longOf('turkey breast, pellets')).toBe(90);
  });
});
