import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { findCut } from '../model';
import { batchOrders } from '../planning';
import { CrewLedger } from './crewLedger';
import type { Alternative } from './alternatives';
import type { PlacementContext } from './placement';
import {
  carvings,
  firstCarveMs,
  crewTasksOf,
  outOfBand,
  phasesOf,
  pulledAtCheck,
  pullDeadlineMs,
  windowFrom,
  windowOf,
  type Timing,
  type Window,
} from './window';
import { claimCrew } from './work';

const MIN = 60_000;
const [brisket, chicken] = batchOrders(
  inputOf(eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('chicken-half', 6)])),
) as [ReturnType<typeof batchOrders>[number], ReturnType<typeof batchOrders>[number]];
const TIMING: Timing = { pullEarlyMin: 480.4, pullMedianMin: 600.2, pullLateMin: 745.1 };
/** An option whose forecast wraps after five hours and could finish elsewhere from then. */
const alternative = (change: Partial<Alternative> = {}): Alternative => ({
  pit: OFFSET,
  stand: { placeId: 'base', fromMs: -Infinity, toMs: Infinity },
  pitC: 121,
  hotHoldC: 60,
  forecast: () => ({ wrapMin: 300.4, finishMin: 300 }) as ReturnType<Alternative['forecast']>,
  ...change,
});
const minutesBefore = (window: Window, atMs: number | undefined) => (window.carveAtMs - atMs!) / MIN;

describe('the moments of a run', () => {
  it('count back from carving: rest, vent, the late pull, then the whole cook, in whole minutes', () => {
    const carveAtMs = firstCarveMs(brisket);
    expect(carveAtMs).toBe(SUPPER_MS - 30 * MIN);
    const window = windowOf(brisket, alternative(), TIMING, carveAtMs, 0)!;
    const off = brisket.method.ventMin + brisket.method.restMin;
    expect(minutesBefore(window, window.pullLateMs)).toBe(off);
    expect((window.pullLateMs - window.onAtMs) / MIN).toBe(746);
    expect((window.pullMedianMs - window.onAtMs) / MIN).toBe(600);
    expect((window.pullEarlyMs - window.onAtMs) / MIN).toBe(480);
    expect((window.wrapAtMs! - window.onAtMs) / MIN).toBe(300);
    expect(window.finishAtMs).toBeUndefined();
    const earlier = windowOf(brisket, alternative(), TIMING, carveAtMs, 45)!;
    expect((window.onAtMs - earlier.onAtMs) / MIN).toBe(45);
  });

  it('never wrap after the first piece may be done, and have no wrap where the method has none', () => {
    const hasty = windowFrom(brisket, alternative(), { pullEarlyMin: 200, pullMedianMin: 250, pullLateMin: 300 }, 0, -300 * MIN)!;
    expect(hasty.wrapAtMs).toBe(hasty.pullEarlyMs);
    expect(windowFrom(chicken, alternative(), TIMING, 0, -745 * MIN)!.wrapAtMs).toBeUndefined();
  });

  it('go to a finish only when that is worth the move', () => {
    const elsewhere = alternative({ finish: { pit: OVEN, pitC: 135 } });
    const window = windowFrom(brisket, elsewhere, TIMING, 0, -900 * MIN)!;
    expect(window.finishAtMs).toBe(window.wrapAtMs);
    expect(windowFrom(brisket, elsewhere, { ...TIMING, pullEarlyMin: 305 }, 0, -900 * MIN)).toBeUndefined();
  });

  it('end vented when the meat leaves for its serving, rested when it stays', () => {
    const carveAtMs = firstCarveMs(brisket);
    const leavesAtMs = carveAtMs - 240 * MIN;
    expect(pullDeadlineMs(brisket, leavesAtMs, carveAtMs)).toBe(leavesAtMs - brisket.method.ventMin * MIN);
    const rested = carveAtMs - (brisket.method.ventMin + brisket.method.restMin) * MIN;
    expect(pullDeadlineMs(brisket, undefined, carveAtMs)).toBe(rested);
    expect(pullDeadlineMs(brisket, carveAtMs, carveAtMs)).toBe(rested);
  });
});

describe('the heats of a run', () => {
  const window = windowFrom(brisket, alternative({ finish: { pit: OVEN, pitC: 135 } }), TIMING, 0, -900 * MIN)!;

  it('are the bare band until the wrap, then the finish’s, each within its pit', () => {
    const phases = phasesOf(
      { ...brisket, method: { ...brisket.method, finishRangeC: [105, 150] } },
      alternative({ finish: { pit: OVEN, pitC: 135 } }),
      window,
      107,
    );
    expect(phases.map(({ pitId, pitC }) => [pitId, pitC])).toEqual([
      ['offset', 121],
      ['oven', 135],
    ]);
    expect(phases[0]!.bandC).toEqual([...brisket.method.pitRangeC]);
    expect(phases[1]!.bandC).toEqual([105, 150]);
    expect(phases[1]!).toMatchObject({ fromMs: window.finishAtMs, toMs: window.pullLateMs });
    expect(phases.some(outOfBand)).toBe(false);
  });

  it('split at the wrap where the pit stays the same, and are out of band below the safe least', () => {
    const own = windowFrom(brisket, alternative(), TIMING, 0, -900 * MIN)!;
    const phases = phasesOf(brisket, alternative(), own, 107);
    expect(phases.map(({ fromMs, toMs }) => [fromMs, toMs])).toEqual([
      [own.onAtMs, own.wrapAtMs],
      [own.wrapAtMs, own.pullLateMs],
    ]);
    expect(phasesOf(brisket, alternative(), own, 130).map(outOfBand)).toEqual([true, false]);
    expect(phasesOf(brisket, alternative({ pitC: 160 }), own, 107).map(outOfBand)).toEqual([true, true]);
  });

  it('move their band with the steps of the method', () => {
    const stepped = { ...brisket, method: { ...brisket.method, wrap: 'none' as const, steps: [{ fromMin: 180, pitC: 131 }] } };
    const own = windowFrom(stepped, alternative(), TIMING, 0, -900 * MIN)!;
    const phases = phasesOf(stepped, alternative(), own, 107);
    const [low, high] = brisket.method.pitRangeC;
    expect(phases.map(({ pitC, bandC }) => [pitC, ...bandC])).toEqual([
      [121, low, high],
      [131, low + 10, high + 10],
    ]);
    expect(phases[1]!.fromMs - own.onAtMs).toBe(180 * MIN);
  });
});

describe('the hands of a run', () => {
  const window = windowFrom(brisket, alternative(), TIMING, 0, -900 * MIN)!;

  const kgs = [6, 6, 6, 6];

  it('have the minutes of the open format', () => {
    const tasks = crewTasksOf(window, kgs, true, { rules: 1 }).map(({ kind, task }) => [kind, task.minutes, task.atMs]);
    expect(tasks).toEqual([
      ['load', 6, window.onAtMs],
      ['wrap', 14, window.wrapAtMs],
      ['check', 3, window.pullEarlyMs],
      ['pull', 6, window.pullMedianMs],
    ]);
    const moved = windowFrom(brisket, alternative({ finish: { pit: OVEN, pitC: 135 } }), TIMING, 0, -900 * MIN)!;
    expect(crewTasksOf(moved, kgs, true, { rules: 1 }).find(({ kind }) => kind === 'move')!.task).toMatchObject({
      minutes: 10,
      atMs: moved.finishAtMs,
    });
  });

  it('check just before the pull only when one pair of hands would have to do both at once', () => {
    const quick: Window = { ...window, pullEarlyMs: window.onAtMs + 20 * MIN, pullMedianMs: window.onAtMs + 21 * MIN };
    const { wrapAtMs: _, ...bare } = quick;
    expect(pulledAtCheck(window)).toBe(false);
    expect(pulledAtCheck(bare)).toBe(true);
    const claim = (people: string[]) => {
      const stay = { placeId: 'base', fromMs: window.onAtMs, toMs: window.pullLateMs };
      const crewLedger = new CrewLedger(new Map(people.map((memberId) => [memberId, [stay]])));
      const found = claimCrew({ crewLedger, rules: 2 } as PlacementContext, 'base', bare, [{ pieceId: 'a', kg: 6 }] as never, false);
      return 'work' in found ? found.work.find((work) => work.kind === 'check')!.atMs : undefined;
    };
    expect(claim(['ada', 'ben'])).toBe(bare.pullEarlyMs);
    expect(claim(['ada'])).toBe(bare.pullEarlyMs - 3 * MIN);
  });

  it('carve small pieces as many at once as make whole minutes', () => {
    const ids = Array.from({ length: 7 }, (_, i) => `p${i}`);
    const total = (carveMin: number) => carvings({ ...findCut('brisket-whole')!, carveMin }, ids);
    expect(total(8)).toHaveLength(7);
    expect(total(8).every((part) => part.minutes === 8 && part.pieceIds.length === 1)).toBe(true);
    expect(total(0.5).map(({ pieceIds, minutes }) => [pieceIds.length, minutes])).toEqual([
      [2, 1],
      [2, 1],
      [2, 1],
      [1, 1],
    ]);
    expect(total(1.5).map(({ minutes }) => minutes)).toEqual([3, 3, 3, 2]);
    expect(total(0)).toEqual([{ pieceIds: ids, minutes: 1 }]);
    // A piece half as heavy again as the heaviest usual one: 1.5^(2/3) times the minutes.
    const brisket = findCut('brisket-whole')!;
    const heaviestKg = brisket.typicalBoughtKg[1] * (1 - brisket.trimShare);
    const minutes = (kg: number) => carvings(brisket, ['x'], [{ id: 'x', kg }])[0]!.minutes;
    expect([minutes(heaviestKg), minutes(heaviestKg / 2), minutes(heaviestKg * 1.5)]).toEqual([8, 8, Math.ceil(8 * 1.5 ** (2 / 3))]);
    for (const carveMin of [0.25, 0.4, 0.7, 1.25, 3])
      for (const part of total(carveMin)) expect(part.minutes).toBeGreaterThanOrEqual(part.pieceIds.length * carveMin - 1e-9);
  });
});
