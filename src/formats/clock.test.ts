import { describe, expect, it } from 'vitest';
import { clockChanges, clockTime, dayAndTime, instantOf, localDate, rfc3339 } from './clock';

const HALIFAX = 'America/Halifax';

describe('clock times of a place', () => {
  it('reads and writes in 12 and 24 hours', () => {
    const ms = Date.parse('2027-06-19T18:00:00-03:00');
    expect(clockTime(ms, HALIFAX, '24')).toBe('18:00');
    expect(clockTime(ms, HALIFAX, '12')).toBe('6:00 pm');
    expect(dayAndTime(ms, 'Europe/London', '24')).toBe('Sat 22:00');
    expect(rfc3339(ms, HALIFAX)).toBe('2027-06-19T18:00:00-03:00');
    expect(localDate(Date.parse('2027-06-20T01:00:00Z'), HALIFAX)).toBe('2027-06-19');
  });

  it('finds the instant of a clock time, also over a change of the clocks', () => {
    expect(instantOf('2027-06-19', '18:00', HALIFAX)).toEqual({ ms: Date.parse('2027-06-19T18:00:00-03:00') });
    // Spring forward on 14 March 2027: 02:30 does not exist.
    expect(instantOf('2027-03-14', '02:30', HALIFAX)).toEqual({ problem: 'missing' });
    // Fall back on 7 November 2027: 01:30 comes twice, the first is meant.
    expect(instantOf('2027-11-07', '01:30', HALIFAX)).toEqual({ ms: Date.parse('2027-11-07T01:30:00-03:00') });
    expect(instantOf('2027-02-30', '12:00', HALIFAX)).toEqual({ problem: 'noSuchDate' });
  });

  it('finds the changes of the clocks to the minute', () => {
    const changes = clockChanges(Date.parse('2027-01-01T00:00:00Z'), Date.parse('2028-01-01T00:00:00Z'), HALIFAX);
    expect(changes).toEqual([
      { atMs: Date.parse('2027-03-14T06:00:00Z'), beforeMin: -240, offsetMin: -180 },
      { atMs: Date.parse('2027-11-07T05:00:00Z'), beforeMin: -180, offsetMin: -240 },
    ]);
    expect(clockChanges(Date.parse('2027-01-01T00:00:00Z'), Date.parse('2028-01-01T00:00:00Z'), 'Asia/Tokyo')).toEqual([]);
  });
});
