import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf } from '../../../tests/fixtures/events';
import { SHIPPED_PARAMETERS } from '../forecast';
import type { Scheme } from '../model';
import { batchOrders, searchInputOf } from '../planning';
import { climbStrand, newForecastCache, search, type Found, type Helper, type Strand } from '.';
import { roundsOf } from './strands';

const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('pork-butt', 3), batchOf('chicken-half', 6)], {
  pitIds: ['offset', 'oven'],
  boxIds: ['box'],
});
const input = inputOf(event);
const orders = batchOrders(input);
const cache = newForecastCache();
const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
const ITERATIONS = 800;

function searched(helper?: Helper): Found {
  const searching = search(orders, searchInput, { seed: 3, iterations: ITERATIONS, helper });
  for (;;) {
    const step = searching.next();
    if (step.done) return step.value;
  }
}

/** Somebody in another thread, of whom only text comes: `later` asks after each strand until it has ended. */
function elsewhere(free: (asked: number) => boolean, later = 0, fails = false): Helper & { climbed: Strand[] } {
  const climbed: Strand[] = [];
  let asked = 0;
  return {
    climbed,
    climb(strand) {
      if (!free(asked++)) return undefined;
      climbed.push(strand);
      const own = searchInputOf(input, newForecastCache(), SHIPPED_PARAMETERS);
      const climbing = climbStrand(batchOrders(input), own, JSON.parse(JSON.stringify(strand)) as Strand);
      let step = climbing.next();
      while (!step.done) step = climbing.next();
      const scheme = JSON.parse(JSON.stringify(step.value.scheme)) as Scheme;
      let left = later;
      return {
        get ended() {
          return left-- > 0 ? undefined : fails ? ('failed' as const) : scheme;
        },
      };
    },
  };
}

describe('strands of a search', () => {
  const alone = searched();

  it('share all its moves out, one strand where batches are many or moves few', () => {
    for (const [batches, iterations, strands] of [
      [5, 1200, 5],
      [12, 803, 5],
      [13, 1200, 1],
      [5, 60, 1],
    ] as const) {
      const rounds = roundsOf(batches, 7, iterations, false);
      expect(rounds.flat()).toHaveLength(strands);
      expect(rounds.flat().reduce((sum, strand) => sum + strand.iterations, 0)).toBe(iterations);
      expect(new Set(rounds.flat().map((strand) => strand.seed)).size).toBe(strands);
    }
    expect(roundsOf(5, 7, 1200, true).flat()).toHaveLength(1);
  });

  it('come to the same plan with nobody, one and many to help, quick, slow or failing', () => {
    const text = JSON.stringify(alone);
    for (const helper of [
      elsewhere(() => true),
      elsewhere(() => true, 3),
      elsewhere((asked) => asked === 0),
      elsewhere((asked) => asked % 3 === 1, 1),
      elsewhere(() => true, 1, true),
    ]) {
      expect(JSON.stringify(searched(helper))).toBe(text);
      expect(helper.climbed.length).toBeGreaterThan(0);
    }
  });

  it('keep one for here, so that nobody only waits', () => {
    const helper = elsewhere(() => true);
    searched(helper);
    expect(helper.climbed).toHaveLength(3);
  });

  it('count every move once, and say when there is only waiting', () => {
    const searching = search(orders, searchInput, { seed: 3, iterations: ITERATIONS, helper: elsewhere(() => true, 2) });
    let waited = 0;
    let done = 0;
    for (let step = searching.next(); !step.done; step = searching.next()) {
      if (step.value.waits) waited++;
      expect(step.value.done).toBeGreaterThanOrEqual(done);
      done = step.value.done;
    }
    expect(done).toBeLessThanOrEqual(ITERATIONS);
    expect(waited).toBeGreaterThan(0);
  });
});
