import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { checkPlan } from '../../src/core/check';
import type { BrokenCode, ExchangeEvent, ExchangePlan, ExchangeRun } from '../../src/core/model';
import { exchangePlanOf, planFrom, searchPlan } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { addMinutes, MS_PER_MIN } from '../../src/core/units';
import { exchangeEventFrom, planInputOf, readOpenPlan, writeOpenPlan } from '../../src/formats/open';
import { randomOpenEvent } from '../fixtures/openEvents';

/** Sound plans of random events, each spoilt in one random way: the checker must not let one of them pass. */
interface Sound {
  seed: number;
  event: ExchangeEvent;
  plan: ExchangePlan;
}
const SOUND = 14;
const sound: Sound[] = [];
beforeAll(() => {
  const cache = newForecastCache();
  for (let seed = 1; sound.length < SOUND && seed < 60; seed++) {
    const file = randomOpenEvent(seed);
    const input = planInputOf(file);
    const searching = searchPlan(input, { seed: 1, iterations: 3 }, cache);
    let step = searching.next();
    while (!step.done) step = searching.next();
    const plan = exchangePlanOf(input, planFrom(input, step.value));
    if (plan.status === 'feasible' && plan.runs.length > 0) sound.push({ seed, event: exchangeEventFrom(file), plan });
  }
});

const codesOf = (event: ExchangeEvent, plan: ExchangePlan): BrokenCode[] =>
  checkPlan(event, plan, { physics: false }).map(({ code }) => code);

/** Takes a sound plan, a run of it and a number of minutes; says what was done so that the checker must see it. */
type Spoil = (plan: ExchangePlan, run: ExchangeRun, min: number) => BrokenCode[];
const SPOILT: Record<string, Spoil> = {
  'carved before it has rested': (_, run, min) => {
    run.pullLateMs = run.carveAtMs - Math.min(1, min) * MS_PER_MIN;
    run.pullMedianMs = Math.min(run.pullMedianMs, run.pullLateMs);
    return ['noTimeToRest', 'timesOutOfOrder'];
  },
  'a piece taken away': (_, run) => {
    run.pieces = run.pieces.slice(1);
    return ['pieceMissing'];
  },
  'a piece that is in another run too': (plan, run) => {
    plan.runs.push({ ...structuredClone(run) });
    return ['pieceTwice'];
  },
  'a place that ends before the piece is done': (_, run, min) => {
    for (const place of run.places) place.toMs = Math.min(place.toMs, addMinutes(run.pullLateMs, -min));
    return ['placesDoNotCover', 'inTwoPlaces'];
  },
  'a place over the edge': (_, run, min) => {
    run.places[0]!.xMm = -min;
    return ['offRack'];
  },
  'a piece on a rack that is not there': (_, run) => {
    run.places[0]!.rack = 'nowhere';
    return ['unknownId'];
  },
  'a fire lit too late': (plan, run) => {
    const fire = plan.pits.find((each) => each.id === run.places[0]!.pit)!;
    fire.readyAtMs = run.onAtMs + MS_PER_MIN;
    return ['onBeforeReady'];
  },
  'a fire let out under the meat': (plan, run, min) => {
    const last = run.places.reduce((latest, place) => (place.toMs > latest.toMs ? place : latest));
    plan.pits.find((each) => each.id === last.pit)!.offAtMs = last.toMs - min * MS_PER_MIN;
    return ['noFire'];
  },
  'a heat no method here allows': (plan, run) => {
    for (const point of plan.pits.find((each) => each.id === run.places[0]!.pit)!.setPoints) point.c = 40;
    return ['bareTooCool', 'heatWrongForMeat'];
  },
  'work nobody does': (plan, run) => {
    plan.tasks = plan.tasks.filter((task) => task.kind !== 'pull' || !task.pieces?.some((id) => run.pieces.includes(id)));
    return ['taskMissing'];
  },
  'work of nobody': (plan, run) => {
    plan.tasks.find((task) => task.pieces?.includes(run.pieces[0]!))!.who = [];
    return ['nobodyNamed'];
  },
  'somebody in two places': (plan) => {
    const task = plan.tasks.find((each) => each.who.length > 0 && each.minutes > 0)!;
    plan.tasks.push({ ...task, pit: 'elsewhere' });
    return ['twoThingsAtOnce'];
  },
  'a hold in gear that is not there': (_, run) => {
    run.holds = [{ gear: 'nowhere', fromMs: run.pullLateMs, toMs: run.carveAtMs }];
    return ['unknownId'];
  },
};

describe('a sound plan, spoilt', () => {
  it('was sound: the checker finds nothing', () => {
    expect(sound.length).toBe(SOUND);
    for (const { seed, event, plan } of sound) expect(codesOf(event, plan), `event ${seed}`).toEqual([]);
  });

  it.each(Object.entries(SPOILT))('by %s is seen, whatever the event', (_, spoil) => {
    fc.assert(
      fc.property(fc.nat(), fc.nat(), fc.integer({ min: 15, max: 300 }), (which, whose, min) => {
        const { seed, event, plan } = sound[which % sound.length]!;
        const own = structuredClone(plan);
        const expected = spoil(own, own.runs[whose % own.runs.length]!, min);
        const found = codesOf(event, own);
        expect(
          expected.some((code) => found.includes(code)),
          `event ${seed}: ${expected.join(' or ')} not in ${found.join()}`,
        ).toBe(true);
      }),
      { numRuns: 40, seed: 5 },
    );
  });

  it('is the same plan once it has been a file: written, read and checked alike', () => {
    for (const { seed, event, plan } of sound) {
      const read = readOpenPlan(writeOpenPlan(plan, event.timeZone));
      expect(read.ok && codesOf(event, read.value), `event ${seed}`).toEqual([]);
      expect(read.ok && read.value.runs.map((run) => [run.onAtMs, run.pullEarlyMs, run.carveAtMs])).toEqual(
        plan.runs.map((run) => [run.onAtMs, run.pullEarlyMs, run.carveAtMs]),
      );
    }
  });

  it('moved as a whole by a day is sound again once the event has moved with it', () => {
    const { event, plan } = sound[0]!;
    const DAY = 24 * 60;
    const moved = <T>(value: T): T =>
      (Array.isArray(value)
        ? value.map(moved)
        : value !== null && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value).map(([key, each]) => [
                key,
                key.endsWith('Ms') && typeof each === 'number' ? addMinutes(each, DAY) : (moved(each) as unknown),
              ]),
            )
          : value) as T;
    expect(codesOf(moved(event), moved(plan))).toEqual([]);
    expect(codesOf(event, moved(plan))).not.toEqual([]);
  });
});
