import { describe, expect, it } from 'vitest';
import { dayTimeAfter, paceAt, paceFrom } from './pace';

describe('the pace of a simulated day', () => {
  it('goes so many times as fast as the world', () => {
    expect(dayTimeAfter(1000, 500, { speed: 60 })).toBe(31_000);
    expect(dayTimeAfter(1000, 500, { speed: 1 })).toBe(1500);
  });
  it('goes fast for ten minutes of its own and then as the world does, however late that is noticed', () => {
    const pace = paceFrom(0, 600, 10);
    expect(dayTimeAfter(0, 500, pace)).toBe(300_000);
    expect(dayTimeAfter(0, 1000, pace)).toBe(600_000);
    expect(dayTimeAfter(0, 61_000, pace)).toBe(660_000);
    expect(paceAt(pace, 599_000)).toEqual(pace);
    expect(paceAt(pace, 600_000)).toEqual({ speed: 1 });
  });
  it('counts on from a time that is already past its fast stretch', () => {
    expect(dayTimeAfter(700_000, 1000, { speed: 600, fastToMs: 600_000 })).toBe(701_000);
  });
});
