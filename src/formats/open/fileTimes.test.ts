import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withTimesAsMs, withTimesAsText } from './fileTimes';

const ZONES = ['America/Halifax', 'Asia/Kolkata', 'Europe/Lisbon', 'Pacific/Apia', 'UTC'];
const minute = fc.integer({ min: Date.parse('2020-01-01') / 60_000, max: Date.parse('2036-12-31') / 60_000 }).map((min) => min * 60_000);

describe('instants of files', () => {
  it('are the same after a walk to text and back, in any zone, however deep they lie', () => {
    fc.assert(
      fc.property(minute, minute, fc.constantFrom(...ZONES), (a, b, zone) => {
        const thing = { onAtMs: a, list: [{ fromMs: a, toMs: b, c: 121 }], deep: { pullEarlyMs: b, name: 'x' }, atMs: b };
        expect(withTimesAsMs(withTimesAsText(thing, zone))).toEqual(thing);
      }),
      { numRuns: 200 },
    );
  });

  it('carry the zone’s offset at that very instant', () => {
    const text = (iso: string) => (withTimesAsText({ atMs: Date.parse(iso) }, 'America/Halifax') as { at: string }).at;
    expect(text('2027-06-19T21:00:00Z')).toBe('2027-06-19T18:00:00-03:00');
    expect(text('2027-12-19T21:00:00Z')).toBe('2027-12-19T17:00:00-04:00');
    expect(text('2028-11-05T05:30:00Z')).toBe('2028-11-05T01:30:00-04:00');
    expect(text('2028-11-05T04:30:00Z')).toBe('2028-11-05T01:30:00-03:00');
  });

  it('are only what looks like one: clock times, ids and minutes stay as they are', () => {
    const plain = { from: '22:30', to: 'base', at: 'noon', restMin: 30, quietHours: { from: '22:00', to: '05:00' }, savedAt: 'Friday' };
    expect(withTimesAsMs(plain)).toEqual(plain);
    expect(withTimesAsText(plain, 'UTC')).toEqual(plain);
    expect(withTimesAsMs([null, 'x', 3, { at: '2027-06-19T18:00:00-03:00' }])).toEqual([
      null,
      'x',
      3,
      { atMs: Date.parse('2027-06-19T21:00:00Z') },
    ]);
  });
});
