import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, diffOf, reversed, sameValue } from '../../src/core/edits';
import type { CookEvent } from '../../src/core/model';
import { batchOf, eventOf } from '../fixtures/events';

const whole = eventOf([batchOf('brisket-whole', 3), batchOf('pork-butt', 2), batchOf('pan-dish', 1)], {
  kitchen: { fridgeLitres: 200 },
  ticked: ['a', 'b'],
});

/** What people do to events: figures, fields that come and go, pieces added, removed and put in another order. */
const step: fc.Arbitrary<(event: CookEvent) => CookEvent> = fc.oneof(
  fc.integer({ min: 1, max: 900 }).map((adults) => (event: CookEvent) => ({
    ...event,
    servings: event.servings.map((serving) => ({ ...serving, guests: { ...serving.guests, adults } })),
  })),
  fc.option(fc.integer({ min: 10, max: 900 }), { nil: undefined }).map((fridgeLitres) => (event: CookEvent) => ({
    ...event,
    kitchen: fridgeLitres === undefined ? undefined : { fridgeLitres },
  })),
  fc.shuffledSubarray([0, 1, 2]).map((order) => (event: CookEvent) => ({
    ...event,
    batches: order.flatMap((i) => event.batches[i] ?? []),
  })),
  fc.tuple(fc.nat(2), fc.uuid()).map(([i, id]) => (event: CookEvent) => ({
    ...event,
    batches: event.batches.map((batch, k) => (k === i ? { ...batch, pieces: [...batch.pieces, { id, kg: 3 }] } : batch)),
  })),
  fc.tuple(fc.nat(2), fc.nat(3)).map(([i, k]) => (event: CookEvent) => ({
    ...event,
    batches: event.batches.map((batch, n) => (n === i ? { ...batch, pieces: batch.pieces.filter((_, p) => p !== k) } : batch)),
  })),
  fc.subarray(['a', 'b', 'c']).map((ticked) => (event: CookEvent) => ({ ...event, ticked })),
);
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('changes of an event', () => {
  it('lead from one to the other and back, whatever was done, even through the wire', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        const after = steps.reduce((event, each) => each(event), whole);
        const changes = plain(diffOf(whole, after));
        const there = applyChanges(whole, changes);
        expect(there.ok && sameValue(there.value, after)).toBe(true);
        const back = applyChanges(after, reversed(changes));
        expect(back.ok && sameValue(back.value, whole)).toBe(true);
        // Done twice they change nothing more.
        const twice = there.ok && applyChanges(there.value, changes);
        expect(twice && twice.ok && sameValue(twice.value, after)).toBe(true);
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it('are as small as what was done', () => {
    const [first] = whole.batches;
    const heavier = { ...first!, pieces: first!.pieces.map((piece, i) => (i === 1 ? { ...piece, kg: 9 } : piece)) };
    expect(diffOf(whole, { ...whole, batches: [heavier, ...whole.batches.slice(1)] })).toEqual([
      { path: ['batches', '#brisket-whole', 'pieces', '#brisket-whole-2', 'kg'], from: first!.pieces[1]!.kg, to: 9 },
    ]);
    expect(diffOf(whole, plain(whole))).toEqual([]);
  });

  it('of the same thing by two hands are refused, or left out one by one; of different things both stand', () => {
    const mine = diffOf(whole, { ...whole, name: 'Mine', altitudeM: 300 });
    const theirs = { ...whole, name: 'Theirs', confidence: 0.8 };
    expect(applyChanges(theirs, mine)).toMatchObject({ ok: false, problems: [{ code: 'changeMoved', path: 'name' }] });
    expect(applyChanges(theirs, mine, { skipMoved: true })).toMatchObject({ value: { name: 'Theirs', confidence: 0.8, altitudeM: 300 } });
    expect(applyChanges({ ...whole, confidence: 0.8 }, mine)).toMatchObject({ value: { name: 'Mine', confidence: 0.8, altitudeM: 300 } });
  });
});
