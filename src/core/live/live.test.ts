import { describe, expect, it } from 'vitest';
import { cookInLife, FORESEEN, type CookInLife, type ProbeTrouble } from '../../../tests/fixtures/cooksInLife';
import { cookSetup, predictiveLaw, recordOf, runCook, SHIPPED_PARAMETERS, startCook, steadyPit, stepCook, wrapNow } from '../forecast';
import { findCut, methodIn, SHIPPED_LIBRARY } from '../model';
import { seededRandom } from '../numerics';
import { LiveForecast } from './index';

const foreseen = FORESEEN['pork butt, foil']!();
const plannedMin = runCook(foreseen, SHIPPED_PARAMETERS).doneAtMin;
const liveOf = (setup = foreseen, parameters = SHIPPED_PARAMETERS) => new LiveForecast(setup, parameters, { seed: 5, samples: 200 });

const knownAt = ({ core, pit, wrappedAtMin }: CookInLife, nowMin: number) => ({
  nowMin,
  core: core.filter((each) => each.atMin <= nowMin),
  pit: pit.filter((each) => each.atMin <= nowMin),
  deeds: wrappedAtMin !== undefined && wrappedAtMin <= nowMin ? [{ kind: 'wrapped' as const, atMin: wrappedAtMin }] : [],
});
const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8];

describe('a cook under way', () => {
  it('is forecast as the plan has it and as wide as the law while nothing was read', () => {
    const { done } = liveOf().at({ nowMin: 0, core: [], pit: [] });
    const law = predictiveLaw();
    expect(done.p50 / plannedMin).toBeGreaterThan(0.96);
    expect(done.p50 / plannedMin).toBeLessThan(1.04);
    const width = Math.log(done.p90 / done.p10) / Math.log(law.factor('pork-butt', 0.9) / law.factor('pork-butt', 0.1));
    expect(width).toBeGreaterThan(0.85);
    expect(width).toBeLessThan(1.15);
  });

  it('is forecast narrower from the start for an owner whose cooks are known', () => {
    const record = recordOf(Array.from({ length: 12 }, (_, i) => ({ cutId: 'pork-butt', log: i % 2 ? 0.08 : -0.08 })));
    const known = liveOf(FORESEEN['pork butt, foil']!(), { ...SHIPPED_PARAMETERS, record }).at({ nowMin: 0, core: [], pit: [] }).done;
    const stranger = liveOf().at({ nowMin: 0, core: [], pit: [] }).done;
    expect(known.p90 / known.p10).toBeLessThan(0.85 * (stranger.p90 / stranger.p10));
  });

  it('errs less than the plan: three quarters of it past the middle, six tenths at 70 %, and its range mostly holds', () => {
    const squares = { plan: 0, middle: 0, late: 0 };
    let inside = 0;
    for (const seed of SEEDS) {
      const life = cookInLife(foreseen, seed);
      const off = (minutes: number) => Math.log(minutes / life.doneAtMin) ** 2;
      const live = liveOf();
      const middle = live.at(knownAt(life, 0.55 * life.doneAtMin)).done;
      const late = live.at(knownAt(life, 0.7 * life.doneAtMin)).done;
      squares.plan += off(plannedMin);
      squares.middle += off(middle.p50);
      squares.late += off(late.p50);
      for (const done of [middle, late]) if (life.doneAtMin >= done.p10 && life.doneAtMin <= done.p90) inside++;
      expect(late.p10).toBeGreaterThanOrEqual(0.7 * life.doneAtMin);
      expect(late.p90 / late.p10).toBeLessThan(1.05 * (middle.p90 / middle.p10));
    }
    expect(Math.sqrt(squares.middle / squares.plan)).toBeLessThan(0.75);
    expect(Math.sqrt(squares.late / squares.plan)).toBeLessThan(0.6);
    expect(inside / (2 * SEEDS.length)).toBeGreaterThan(0.6);
  });

  it('is forecast the same again from the same readings, asked once or on the way', () => {
    const life = cookInLife(foreseen, 3);
    const once = liveOf().at(knownAt(life, 300));
    const live = liveOf();
    for (const nowMin of [60, 120, 240]) live.at(knownAt(life, nowMin));
    expect(live.at(knownAt(life, 300))).toEqual(once);
  });

  it('begins nothing anew while all that comes is new, and does when something is told later', () => {
    const life = cookInLife(foreseen, 3, 1);
    const setup = FORESEEN['pork butt, foil']!();
    let begun = 0;
    const { startC } = setup.body;
    // Every sample that goes on asks how cold it is.
    Object.defineProperty(setup.body, 'startC', { get: () => (begun++, startC), enumerable: true });
    const live = liveOf(setup);
    const asked = () => {
      const since = begun;
      begun = 0;
      return since;
    };
    live.at(knownAt(life, 57));
    asked();
    for (let nowMin = 60; nowMin <= 90; nowMin += 3) live.at(knownAt(life, nowMin));
    expect(asked()).toBe(0);
    const known = knownAt(life, 93);
    live.at({ ...known, pit: known.pit.filter((each) => each.atMin < 80) });
    live.at(known);
    expect(asked()).toBeGreaterThan(200);
  });

  it('is forecast the same whenever it was asked before, with a pit read now and then and hands at work', () => {
    const life = cookInLife(foreseen, 4);
    const deeds = [
      { kind: 'moved' as const, atMin: 100, hotterByC: 6 },
      { kind: 'wrapped' as const, atMin: 251 },
    ];
    const known = (nowMin: number) => ({
      ...knownAt(life, nowMin),
      pit: life.pit.filter((each, i) => i % 4 === 0 && each.atMin <= nowMin),
      deeds: deeds.filter((deed) => deed.atMin <= nowMin),
    });
    const once = new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: 5, samples: 40 }).at(known(262));
    for (const seed of SEEDS) {
      const random = seededRandom(seed);
      const live = new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: 5, samples: 40 });
      for (let nowMin = 20 * random.uniform(); nowMin < 262; nowMin += 1 + 40 * random.uniform()) live.at(known(nowMin));
      expect(live.at(known(262))).toEqual(once);
    }
  });

  it('goes on in a pit that was hotter than set, and is done sooner', () => {
    const at = (pitC: number) =>
      liveOf().at({ nowMin: 120, core: [], pit: Array.from({ length: 13 }, (_, i) => ({ atMin: 10 * i, pitC })) }).done.p50;
    expect(at(136)).toBeLessThan(at(121) * 0.98);
    expect(at(106)).toBeGreaterThan(at(121) * 1.02);
  });
});

describe('a probe', () => {
  const stateOf = (seed: number, trouble: ProbeTrouble) => {
    const life = cookInLife(foreseen, seed, 10, trouble);
    return liveOf().at(knownAt(life, 0.55 * life.doneAtMin)).probe.state;
  };

  it('that reads 6 C off, or sits in fat, is noticed, and a good one is trusted', () => {
    const told = (trouble: ProbeTrouble) => SEEDS.map((seed) => stateOf(500 + seed, trouble));
    expect(told('none').filter((state) => state !== 'good').length).toBeLessThanOrEqual(2);
    expect(told('hot').filter((state) => state !== 'good').length).toBeGreaterThanOrEqual(3);
    expect(told('cold').filter((state) => state !== 'good').length).toBeGreaterThanOrEqual(7);
    expect(told('fat').filter((state) => state === 'shallow').length).toBeGreaterThanOrEqual(7);
  });

  it('that hangs in the air or jumps is left out, one reading at a time, and the forecast goes on without it', () => {
    const life = cookInLife(foreseen, 7);
    const known = knownAt(life, 240);
    const clean = liveOf().at(known);
    expect(clean.ignored).toEqual([]);
    for (const [reading, fault] of [
      [{ atMin: 125, coreC: 116 }, 'readsAir'],
      [{ atMin: 239, coreC: 20 }, 'jump'],
    ] as const) {
      const told = liveOf().at({ ...known, core: [...known.core, reading] });
      expect(told.ignored).toEqual([{ reading, fault }]);
      expect(told.done).toEqual(clean.done);
    }
  });
});

describe('ribs in time blocks under way', () => {
  it('wait for hands to be wrapped, and are opened again by the clock', () => {
    const blocks = methodIn(SHIPPED_LIBRARY, 'ribs-blocks')!;
    const ribs = findCut('spare-ribs-squared')!;
    const setup = cookSetup(ribs, { massKg: 1.25, startC: 4 }, blocks, SHIPPED_PARAMETERS, { pit: steadyPit(107) });
    const state = startCook(setup, SHIPPED_PARAMETERS.global, { stepMin: 3, cells: 10, bothEnds: false });
    state.byHand = true;
    const until = (minute: number) => {
      while (state.minute < minute) stepCook(state, state.minute + 3);
    };
    until(195);
    expect(state.wrap).toBe('none');
    wrapNow(state, 'foil');
    until(297);
    expect(state.wrap).toBe('foil');
    until(303);
    expect(state).toMatchObject({ wrap: 'none', unwrapAtMin: 300 });
  });
});
