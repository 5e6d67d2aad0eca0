import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planInputOf } from '../../src/formats/open';
import { cookOfLog, cooksCsv, readCooksCsv } from '../../src/formats/cooksCsv';
import { smallSupperFile } from '../fixtures/day';
import { keptDayOf, liveDay } from '../fixtures/livedDay';
import { cooksOfKitchen } from '../../src/devices/simulated/kitchen';
import { lowestCounts, readingsOf } from '../../src/core/day';
import {
  ownerEffects,
  predictiveLaw,
  predictLogged,
  SHIPPED_PARAMETERS,
  type FinishedCook,
  type LoggedCook,
} from '../../src/core/forecast';
import { batchOf, eventOf, inputOf } from '../fixtures/events';
import { buildPlan } from '../../src/core/planning';
import { closeDay, NO_WORDS, taughtBy } from '../../src/core/learn';

const MIN = 60_000;
const usual = (log: number, more: Partial<FinishedCook> = {}): FinishedCook => ({
  cutId: 'pork-butt',
  pitId: 'p',
  methodId: 'm',
  log,
  ...more,
});
/** What a kitchen’s next cook of a kind is expected to be off by. */
const expected = (cooks: FinishedCook[], cutId = 'pork-butt', pitId = 'p', methodId = 'm'): number => {
  const { record, pits, methods } = ownerEffects(cooks);
  return Math.log(predictiveLaw(record).pace(cutId)) + (pits[pitId]?.meanLog ?? 0) + (methods[methodId]?.meanLog ?? 0);
};

describe('what an owner’s cooks teach', () => {
  it('is nothing while there is none: the law and every forecast are the shipped ones', () => {
    expect(ownerEffects([])).toEqual({ record: {}, pits: {}, methods: {}, weights: [] });
    const taught = taughtBy([]);
    const cook = cooksOfKitchen(5, 3)[0]!;
    expect(predictLogged(cook, taught)).toEqual(predictLogged(cook, SHIPPED_PARAMETERS));
  });

  it('comes nearer to what they say the more there are, and never goes beyond it', () => {
    const after = [1, 3, 10, 30, 100].map((n) => expected(Array.from({ length: n }, () => usual(0.2))));
    expect(after).toEqual([...after].sort((a, b) => a - b));
    expect(after[0]!).toBeGreaterThan(0.08);
    expect(after.at(-1)!).toBeGreaterThan(0.185);
    expect(after.at(-1)!).toBeLessThanOrEqual(0.2);
  });

  it('is not moved much by one wild cook, first or among others', () => {
    const good = Array.from({ length: 10 }, (_, i) => usual(0.03 * ((i % 3) - 1)));
    expect(Math.abs(expected([...good, usual(0.9)]) - expected(good))).toBeLessThan(0.02);
    expect(expected([usual(0.8)])).toBeLessThan(0.3);
    expect(ownerEffects([...good, usual(0.9)]).weights.at(-1)!).toBeLessThan(0.15);
  });

  it('tells a pit that is slow from a kitchen that is, and a method from both', () => {
    const cooks = Array.from({ length: 40 }, (_, i) => {
      const [pitId, methodId] = [i % 2 ? 'slow' : 'even', i % 4 < 2 ? 'paper' : 'bare'];
      return usual(0.1 + (pitId === 'slow' ? 0.12 : 0) + (methodId === 'paper' ? 0.06 : 0), { pitId, methodId });
    });
    const { pits, methods } = ownerEffects(cooks);
    expect(pits.slow!.meanLog - pits.even!.meanLog).toBeGreaterThan(0.09);
    expect(methods.paper!.meanLog - methods.bare!.meanLog).toBeGreaterThan(0.04);
    expect(expected(cooks, 'pork-butt', 'slow', 'paper')).toBeCloseTo(0.28, 1);
    // A pit nobody has cooked in has the kitchen’s pace, nothing of its own.
    expect(pits.new).toBeUndefined();
    expect(pits.slow!.sdLog).toBeLessThan(0.06);
  });

  it('does not depend on the order the cooks came in', () => {
    const cook = fc.record({
      cutId: fc.constantFrom('pork-butt', 'brisket-whole', 'chicken-half'),
      pitId: fc.option(fc.constantFrom('a', 'b'), { nil: undefined }),
      methodId: fc.option(fc.constantFrom('x', 'y'), { nil: undefined }),
      log: fc.double({ min: -1, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(cook, { maxLength: 25 }), (cooks) => {
        const [there, back] = [ownerEffects(cooks), ownerEffects([...cooks].reverse())];
        for (const [cutId, { cooks: count, meanLog, squaresLog }] of Object.entries(there.record)) {
          expect(back.record[cutId]!.meanLog).toBeCloseTo(meanLog, 9);
          expect(back.record[cutId]!.squaresLog).toBeCloseTo(squaresLog, 9);
          expect(count).toBeGreaterThan(0);
        }
        for (const effects of [there.pits, there.methods])
          for (const each of Object.values(effects)) expect(Number.isFinite(each.meanLog) && each.sdLog > 0).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('owners whose true kitchens are hidden', () => {
  it('are foretold better with every cook, and 75 to 90 % of their cooks lie inside 10-90', { timeout: 120_000 }, () => {
    const TESTED = 8;
    const owners = Array.from({ length: 40 }, (_, i) => cooksOfKitchen(500 + 7 * i, 30 + TESTED));
    const met = [0, 3, 10, 30].map((known) => {
      let [inside, squares, all] = [0, 0, 0];
      for (const cooks of owners) {
        const taught = taughtBy(cooks.slice(0, known));
        for (const cook of cooks.slice(-TESTED)) {
          const { hours } = predictLogged(cook, taught)!;
          if (cook.observedH! >= hours.p10 && cook.observedH! <= hours.p90) inside++;
          squares += Math.log(cook.observedH! / hours.p50) ** 2;
          all++;
        }
      }
      return { share: inside / all, error: Math.sqrt(squares / all) };
    });
    for (const { share } of met) {
      expect(share).toBeGreaterThan(0.75);
      expect(share).toBeLessThan(0.9);
    }
    const errors = met.map(({ error }) => error);
    expect(errors).toEqual([...errors].sort((a, b) => b - a));
    expect(errors.at(-1)!).toBeLessThan(0.7 * errors[0]!);
  });

  it('go out as a cooks file and come in the same', () => {
    const cooks = cooksOfKitchen(3, 25);
    const logged = cooks.map((cook, i) => ({
      cook,
      onMs: Date.parse('2026-05-01T05:00:00Z') + i * 86_400_000,
      words: { verdict: i % 2 ? { bark: 'hard' as const } : {}, notes: 'windy, “gusts”', nextTime: i % 3 ? '' : '=higher' },
    }));
    const { rows, refused } = readCooksCsv(cooksCsv(logged));
    expect(refused).toEqual([]);
    for (const [i, row] of rows.entries()) {
      const { onMs, words } = logged[i]!;
      // What a spreadsheet would run has a mark before it.
      expect(cookOfLog(row)).toMatchObject({ onMs, words: { ...words, nextTime: words.nextTime && "'=higher" } });
    }
    expect(cookOfLog({ ...rows[0]!, cells: { ...rows[0]!.cells, bark: 'crunchy' } })).toEqual({
      reason: 'bark "crunchy" is not soft, right, hard',
    });
    expect(cookOfLog({ ...rows[0]!, cells: { ...rows[0]!.cells, on: 'spring' } })).toMatchObject({
      reason: expect.stringContaining('spring') as string,
    });
    expect(rows.map(({ cook }) => JSON.parse(JSON.stringify(cook)) as LoggedCook)).toEqual(
      cooks.map((cook) => JSON.parse(JSON.stringify(cook)) as LoggedCook),
    );
  });
});

describe('a day that is over', () => {
  const kept = keptDayOf(planInputOf(smallSupperFile()));
  const lived = liveDay(kept, { seed: 4 });
  const { state } = lived.journal;
  const readings = readingsOf(state, lived.book.all(), lowestCounts(kept));
  const cooks = closeDay({ eventId: 'e', kept, state, readings });

  it('closes into a cook for each piece that was pulled, as it happened', () => {
    expect(cooks.map(({ pieceKey }) => pieceKey).sort()).toEqual(
      Object.values(state.pieces)
        .filter((piece) => piece.onAtMs !== undefined && piece.pulledAtMs !== undefined)
        .map(({ key }) => key)
        .sort(),
    );
    expect(cooks.length).toBeGreaterThan(3);
    for (const { id, pieceKey, cook, times, words, source } of cooks) {
      const piece = state.pieces[pieceKey!]!;
      expect([id, source, words]).toEqual([`e/${pieceKey}`, 'day', NO_WORDS]);
      expect(cook.observedH! * 60).toBeCloseTo((piece.pulledAtMs! - piece.onAtMs!) / MIN, 1);
      expect(cook.pitSteps[0]!.fromMin).toBe(0);
      for (const { pitC } of cook.pitSteps) expect(pitC).toBeGreaterThan(60);
      expect(times!.toldMin.p10).toBeLessThan(times!.toldMin.p50);
      expect(times!.toldMin.p50).toBeLessThan(times!.toldMin.p90);
      // What the log says the model can run, and is not far off: the world is nearly its own.
      const said = predictLogged(cook, SHIPPED_PARAMETERS)!;
      expect(Math.abs(Math.log(cook.observedH! / said.hours.p50))).toBeLessThan(0.5);
    }
    const wrapped = cooks.filter(({ cook }) => cook.wrap !== 'none');
    expect(wrapped.length).toBeGreaterThan(0);
    for (const { cook } of wrapped) expect(cook.wrapWhen.afterMin).toBeGreaterThan(60);
  });

  it('does not close what never went on, or was never pulled', () => {
    const empty = keptDayOf(planInputOf(smallSupperFile()));
    const none = liveDay(empty, { seed: 4, does: (task) => task.kind !== 'load' });
    expect(closeDay({ eventId: 'e', kept: empty, state: none.journal.state, readings: { pieces: {}, pits: {} } })).toEqual([]);
  });
});

describe('a plan', () => {
  it('goes by what was taken of the log: a slower kitchen starts earlier, and nothing taken changes nothing', () => {
    const input = inputOf(eventOf([batchOf('pork-butt', 2)]));
    const plain = buildPlan(input);
    expect(buildPlan({ ...input, parameters: SHIPPED_PARAMETERS })).toEqual(plain);
    const slow = taughtBy(
      cooksOfKitchen(3, 1).flatMap((cook) =>
        Array.from({ length: 12 }, (_, i) => ({
          ...cook,
          id: `${i}`,
          cutId: 'pork-butt',
          observedH: 1.4 * predictLogged({ ...cook, cutId: 'pork-butt' }, SHIPPED_PARAMETERS)!.hours.p50,
        })),
      ),
    );
    const later = buildPlan({ ...input, parameters: slow });
    const minutes = ({ runs: [run] }: typeof plain) => (run!.pullMedianMs - run!.onAtMs) / MIN;
    expect(minutes(later) / minutes(plain)).toBeGreaterThan(1.2);
    expect(later.runs[0]!.onAtMs).toBeLessThan(plain.runs[0]!.onAtMs);
  });
});
