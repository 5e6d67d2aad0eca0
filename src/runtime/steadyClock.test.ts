import { beforeEach, describe, expect, it } from 'vitest';
import { SteadyClock } from './steadyClock';

const NOON = Date.parse('2027-06-19T12:00:00Z');
const MIN = 60_000;
let machine: { wallMs: number; upMs: number; tickMs: number };
let clock: SteadyClock;
const made = () => new SteadyClock({ wallMs: () => machine.wallMs, upMs: () => machine.upMs, tickMs: () => machine.tickMs });
beforeEach(() => {
  machine = { wallMs: NOON, upMs: 5000, tickMs: 100 };
  clock = made();
});
const pass = (ms: number) => {
  for (let left = ms; left > 0; left -= 500) {
    for (const key of ['wallMs', 'upMs', 'tickMs'] as const) machine[key] += Math.min(500, left);
    clock.look();
  }
};
const set = (ms: number) => {
  machine.wallMs += ms;
  return clock.look();
};

describe('the house’s clock', () => {
  it('is the machine’s, and follows the small steps that keep that one right', () => {
    pass(10 * MIN);
    expect(clock.nowMs()).toBe(NOON + 10 * MIN);
    expect(set(-1800)).toBe(false);
    expect(clock.nowMs()).toBe(NOON + 10 * MIN - 1800);
    expect(clock.clockSet()).toBeUndefined();
  });

  it.each([2 * 60 * MIN, -2 * 60 * MIN, -365 * 24 * 60 * MIN])(
    'goes on as it was when the machine’s is set by %d ms, and says so',
    (byMs) => {
      pass(MIN);
      expect(set(byMs)).toBe(true);
      expect(clock.clockSet()).toEqual({ sinceMs: NOON + MIN, byMs });
      pass(30 * MIN);
      expect(clock.nowMs()).toBe(NOON + 31 * MIN);
      expect(clock.clockSet()).toEqual({ sinceMs: NOON + MIN, byMs });
      // Set right again, though not to the second.
      expect(set(-byMs + 4000)).toBe(true);
      expect(clock.clockSet()).toBeUndefined();
      expect(clock.nowMs()).toBe(NOON + 31 * MIN + 4000);
    },
  );

  it('takes the new time when the owner says so', () => {
    set(60 * MIN);
    clock.takeWall();
    expect(clock.nowMs()).toBe(NOON + 60 * MIN);
    pass(MIN);
    expect(clock.clockSet()).toBeUndefined();
    expect(clock.nowMs()).toBe(NOON + 61 * MIN);
  });

  it('knows a sleep from a setting: the time went by, and nothing was seen of it', () => {
    pass(MIN);
    // Asleep the machine’s own counter stands still, clock and time since its start go on.
    machine.wallMs += 180 * MIN;
    machine.upMs += 180 * MIN;
    expect(clock.look()).toBe(true);
    expect(clock.nowMs()).toBe(NOON + 181 * MIN);
    expect(clock.clockSet()).toBeUndefined();
    expect(clock.slept()).toEqual({ fromMs: NOON + MIN, toMs: NOON + 181 * MIN });
    pass(2 * MIN);
    expect(clock.slept()).toEqual({ fromMs: NOON + MIN, toMs: NOON + 181 * MIN });
  });

  it('that was not believed is not believed after a start either, until it is right', () => {
    set(-120 * MIN);
    pass(MIN);
    const kept = clock.kept()!;
    for (const key of ['wallMs', 'upMs'] as const) machine[key] += 10 * MIN;
    machine.tickMs = 7;
    let again = made();
    expect(again.nowMs()).toBe(NOON + 11 * MIN - 120 * MIN);
    expect(again.goOn(kept)).toBe(true);
    expect(again.nowMs()).toBe(NOON + 11 * MIN);
    expect(again.clockSet()).toMatchObject({ sinceMs: NOON, byMs: -120 * MIN });
    machine.wallMs += 120 * MIN;
    again = made();
    expect(again.goOn(kept)).toBe(false);
    expect(again.nowMs()).toBe(NOON + 11 * MIN);
  });

  it('does not go back before what was written, though the machine itself was off', () => {
    machine = { wallMs: NOON - 400 * MIN, upMs: 60, tickMs: 1 };
    const again = made();
    expect(again.goOn(undefined, NOON)).toBe(true);
    expect(again.nowMs()).toBe(NOON);
    expect(again.clockSet()?.byMs).toBe(-400 * MIN);
    // Later than what was written is what a clock is after a night.
    machine = { wallMs: NOON + 600 * MIN, upMs: 60, tickMs: 1 };
    expect(made().goOn({ houseMs: NOON, upMs: 5000, sinceMs: NOON }, NOON)).toBe(false);
  });
});
