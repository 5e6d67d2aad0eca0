import { describe, expect, it } from 'vitest';
import { MS_PER_MIN } from '../units';
import { cookPerfectly } from './bestWay';
import { debrief } from './debrief';
import { outcomeOf } from './outcome';
import type { PracticeDay } from './practiceDay';
import { resumed, saveOf } from './save';
import { scenarioIn, SCENARIOS } from './scenarios';
import { begin, cookOn } from './steadyHand';
import { practiceView } from './view';
import { forecastOf } from './forecastOf';
import type { TroubleKind } from './scenario';

const ribs = scenarioIn('two-hours-of-ribs')!;
const ids = SCENARIOS.map((scenario) => scenario.id);

/** What comes of it where nobody does anything, by what the day is about. */
const IDLE: Record<TroubleKind, (day: PracticeDay, lowestC: number) => void> = {
  coalsDie: (_, lowestC) => expect(lowestC).toBeLessThan(60),
  gaugeLies: (day) => expect(day.world.fire('pit')!.gaugeC - day.world.fire('pit')!.airC).toBeGreaterThan(15),
  flare: (day) => expect(day.trail.some(({ smoke }) => smoke === 'black')).toBe(true),
  rain: (_, lowestC) => expect(lowestC).toBeLessThan(100),
  wind: (_, lowestC) => expect(lowestC).toBeLessThan(110),
  guestsEarly: (day) => expect(day.serveAtMs).toBeLessThan(day.scenario.serveAtMs),
  truckLate: (day) => expect(day.serveAtMs).toBeGreaterThan(day.scenario.serveAtMs),
  helperOpens: (_, lowestC) => expect(lowestC).toBeLessThan(105),
  wetWood: (_, lowestC) => expect(lowestC).toBeLessThan(90),
  deliveryShort: (day) => expect(day.pieces.K1!.onAtMs).toBeUndefined(),
  probeInFat: (day) => {
    const truthAt = (atMs: number) => day.trail.find((point) => point.atMs >= atMs)?.coreC.B1 ?? Infinity;
    const off = day.probed.filter(({ atMs }) => atMs > day.takeOverAtMs + 45 * MS_PER_MIN).map(({ atMs, tempC }) => tempC - truthAt(atMs));
    expect(Math.max(...off)).toBeGreaterThan(3);
  },
  longStall: (day) => expect(day.truth('B1').tenderShare).toBeLessThan(0.9),
  thinDries: (day) => expect(day.truth('B1').thin!.lostShare).toBeGreaterThan(day.truth('B1').lostShare * 0.9),
};

describe.each(ids)('%s', (id) => {
  const scenario = scenarioIn(id)!;

  it('is served on time, and well, by a perfect player', { timeout: 120_000 }, () => {
    const day = begin(scenario, 1);
    cookPerfectly(day);
    const { onTime, value, pieces } = outcomeOf(day);
    expect(pieces.flatMap(({ faults }) => faults)).not.toContain('notServed');
    expect(onTime).toBe(true);
    expect(value).toBeGreaterThan(80);
  });

  it('fails, in its own way, where nobody does anything', () => {
    const day = begin(scenario, 2);
    const at = day.trail.length;
    day.advanceTo(Infinity);
    const pits = day.trail.slice(at).map(({ pitC }) => pitC.pit!);
    for (const { kind } of scenario.troubles) IDLE[kind](day, Math.min(...pits));
    const { onTime, value } = outcomeOf(day);
    expect(onTime).toBe(false);
    expect(value).toBe(0);
  });
});

describe('a day in practice', () => {
  it('is the same for the same seed and deeds, and another for another seed', () => {
    const trailOf = (seed: number) => {
      const day = begin(ribs, seed);
      day.do({ kind: 'vents', pitId: 'pit', bottom: 0.8, top: 1 });
      day.advanceTo(day.nowMs + 30 * MS_PER_MIN);
      return JSON.stringify([day.trail, day.news]);
    };
    expect(trailOf(5)).toBe(trailOf(5));
    expect(trailOf(5)).not.toBe(trailOf(6));
  });

  it('is taken up where it was left, however it was advanced', () => {
    const day = begin(ribs, 5);
    day.do({ kind: 'chimney', pitId: 'pit' });
    for (let i = 0; i < 47; i++) day.advanceTo(day.nowMs + 30_000);
    day.do({ kind: 'coals', pitId: 'pit', lit: true });
    day.do({ kind: 'probe', key: 'R1', spot: 'thick' });
    day.advanceTo(day.nowMs + 20 * MS_PER_MIN);
    const again = resumed(ribs, saveOf(day));
    expect(practiceView(again)).toEqual(practiceView(day));
    again.advanceTo(Infinity);
    day.advanceTo(Infinity);
    expect(again.trail).toEqual(day.trail);
  });

  it('goes its own way where it is forked', () => {
    const day = begin(ribs, 5);
    const [as, other] = [day.fork(), day.fork()];
    other.do({ kind: 'vents', pitId: 'pit', bottom: 0, top: 0.3 });
    for (const each of [day, as, other]) each.advanceTo(each.nowMs + 40 * MS_PER_MIN);
    expect(as.trail).toEqual(day.trail);
    expect(other.world.fire('pit')!.airC).toBeLessThan(day.world.fire('pit')!.airC - 5);
    expect(day.done).toHaveLength(0);
  });

  it('tells nothing that only the world knows: no core that was not probed, no state behind a shut lid', () => {
    const day = begin(ribs, 5);
    const piece = () => practiceView(day).pieces.find(({ key }) => key === 'R2')!;
    expect(piece().felt).toBeUndefined();
    expect(piece().seen).toBeUndefined();
    expect(JSON.stringify(practiceView(day))).not.toMatch(/tenderShare|hottestC|airC":1[23]\d/);
    day.do({ kind: 'look', pitId: 'pit' });
    expect(piece().seen?.seen.bark).toBeDefined();
    expect(piece().felt).toBeUndefined();
    day.do({ kind: 'probe', key: 'R2', spot: 'thick' });
    expect(Math.abs(piece().felt!.felt.coreC - day.truth('R2').coreC)).toBeLessThan(2.5);
  });

  it('is felt by a finger as well: through a wrap, and by the bone where there is one to turn', () => {
    const day = begin(ribs, 5);
    day.do({ kind: 'press', key: 'R1' });
    expect(day.pieces.R1!.pressed).toMatchObject({ pressed: { press: 'springs', bone: 'stuck' } });
    cookOn(day, { hotterC: 0 }, undefined, day.nowMs + 115 * MS_PER_MIN);
    day.do({ kind: 'press', key: 'R3' });
    expect(day.pieces.R3!.pressed).toMatchObject({ pressed: { press: 'sinks', bone: 'turns' } });
  });

  it('refuses what cannot be done, and does nothing then', () => {
    const day = begin(ribs, 5);
    expect(day.do({ kind: 'coals', pitId: 'pit', lit: true })).toBe('nothingLit');
    expect(day.do({ kind: 'serve', key: 'R1' })).toBe('stillOnPit');
    expect(day.do({ kind: 'unwrap', key: 'R1' })).toBe('notWrapped');
    expect(day.do({ kind: 'setPoint', pitId: 'pit', pitC: 120 })).toBe('notThisFire');
    expect(day.do({ kind: 'pull', key: 'R1', to: 'warmer' })).toBe('noSuchHold');
    expect(day.do({ kind: 'sendHelper' })).toBe('noHelper');
    expect(day.do({ kind: 'look', pitId: 'elsewhere' })).toBe('notThere');
    expect(day.done).toHaveLength(0);
  });

  it('has one pair of hands: what is asked for at once is done one after another', () => {
    const day = begin(ribs, 5);
    for (const key of ['R1', 'R2', 'R3']) day.do({ kind: 'wrap', key, wrap: 'foil' });
    const times = day.done.map(({ atMs, freeAtMs }) => [atMs, freeAtMs]);
    for (let i = 1; i < times.length; i++) expect(times[i]![0]).toBeGreaterThanOrEqual(times[i - 1]![1]!);
  });

  it('asks the forecast, which knows what was read and nothing else', () => {
    const day = begin(ribs, 5);
    const said = forecastOf(day, 'R1')!;
    expect(said.earlyMs).toBeLessThan(said.medianMs);
    expect(said.medianMs).toBeLessThan(said.lateMs);
    expect(said.medianMs).toBeGreaterThan(day.nowMs);
    const truth = day.fork();
    cookOn(truth, { hotterC: 0 });
    expect(Math.abs(said.medianMs - truth.pieces.R1!.pulledAtMs!)).toBeLessThan(2.5 * 60 * MS_PER_MIN);
  });

  it('counts water on burning fat against whoever throws it', () => {
    const day = begin(scenarioIn('grease-on-the-drum')!, 1);
    day.advanceTo(day.takeOverAtMs + 20 * MS_PER_MIN);
    expect(day.has('flare')).toBe(true);
    day.do({ kind: 'douse', pitId: 'pit' });
    day.advanceTo(Infinity);
    expect(day.has('flareWorse')).toBe(true);
    expect(outcomeOf(day).skills.safety).toBeLessThanOrEqual(40);
  });

  it('ends a flare that is starved of air', () => {
    const day = begin(scenarioIn('grease-on-the-drum')!, 1);
    day.advanceTo(day.takeOverAtMs + 18 * MS_PER_MIN);
    const burning = day.fork();
    day.do({ kind: 'vents', pitId: 'pit', bottom: 0.05, top: 0.3 });
    for (const each of [day, burning]) each.advanceTo(each.nowMs + 8 * MS_PER_MIN);
    expect(day.has('flareOver')).toBe(true);
    expect(burning.has('flareOver')).toBe(false);
    expect(burning.world.fire('pit')!.airC).toBeGreaterThan(day.world.fire('pit')!.airC + 15);
  });
});

describe('the debrief', () => {
  it('shows what wrapping far too soon cost, and that leaving a falling fire alone cost more than anything', () => {
    const day = begin(ribs, 3);
    for (const key of ['R1', 'R2', 'R3']) day.do({ kind: 'wrap', key, wrap: 'foil' });
    day.advanceTo(Infinity);
    const told: number[] = [];
    const { decisions, outcome, bestValue } = debrief(ribs, saveOf(day), (at, all) => told.push(at / all));
    const wrap = decisions.find(({ deeds }) => deeds[0]?.kind === 'wrap')!;
    const fire = decisions.find(({ news }) => news?.kind === 'coalsDie')!;
    expect(wrap.deeds).toHaveLength(3);
    expect(wrap.gained).toBeLessThan(-10);
    expect(wrap.forecast?.key).toBe('R1');
    expect(fire.options.map(({ kind }) => kind)).toEqual(['asDone', 'seenToAtOnce']);
    expect(outcome.value).toBe(0);
    expect(bestValue).toBeGreaterThan(85);
    expect(told.at(-1)).toBe(1);
  });

  it('weighs a late wrap no worse than it was: a steady hand from there gives what it says', () => {
    const day = begin(ribs, 3);
    day.do({ kind: 'chimney', pitId: 'pit' });
    day.advanceTo(day.nowMs + 16 * MS_PER_MIN);
    day.do({ kind: 'coals', pitId: 'pit', lit: true });
    day.do({ kind: 'vents', pitId: 'pit', bottom: 0.4, top: 0.8 });
    day.advanceTo(day.nowMs + 20 * MS_PER_MIN);
    day.do({ kind: 'wrap', key: 'R1', wrap: 'foil' });
    const { decisions } = debrief(ribs, saveOf(day));
    const last = decisions.find(({ deeds }) => deeds[0]?.kind === 'wrap')!;
    expect(last.options.map(({ kind }) => kind)).toEqual(['asDone', 'waited', 'paperInstead']);
    expect(last.gained).toBeCloseTo(last.options[0]!.value - Math.max(last.options[1]!.value, last.options[2]!.value), 9);
  });
});
