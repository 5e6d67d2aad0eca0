import { describe, expectTypeOf, it, expect } from 'vitest';
import type { Serving } from '../../src/core/model';
import { check, EventRecord, SAME_SHAPE, type SameShape } from '../../src/inputs';
import { batchOf, eventOf } from '../fixtures/events';

/** That the compiler itself says no is what is tested here: these lines are types, checked whenever the tests are compiled. */
describe('one declaration for each thing', () => {
  it('a field missing on one side, optional on one only, or of another type is never the same shape', () => {
    expectTypeOf<SameShape<Serving, Serving>>().toEqualTypeOf<true>();
    expectTypeOf<SameShape<Omit<Serving, 'needs'>, Serving>>().toBeNever();
    expectTypeOf<SameShape<Serving & { added: number }, Serving>>().toBeNever();
    expectTypeOf<SameShape<Serving & { added?: number }, Serving>>().toBeNever();
    expectTypeOf<SameShape<Required<Serving>, Serving>>().toBeNever();
    expectTypeOf<SameShape<Omit<Serving, 'name'> & { name: number }, Serving>>().toBeNever();
    expect(new Set(Object.values(SAME_SHAPE))).toEqual(new Set([true]));
  });

  it('what a record does not declare is refused, however deep it lies', () => {
    const event = eventOf([batchOf('pork-butt', 1)]);
    const pathsOf = (value: unknown) => {
      const outcome = check(EventRecord, value);
      return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
    };
    expect(pathsOf(event)).toEqual([]);
    const [batch] = event.batches;
    expect(pathsOf({ ...event, batches: [{ ...batch!, pieces: [{ ...batch!.pieces[0]!, colour: 'red' }] }] })).toEqual([
      'batches.0.pieces.0.colour',
    ]);
    expect(pathsOf({ ...event, scheme: [] })).toEqual(['scheme']);
    expect(pathsOf({ ...event, venue: null })).toEqual(['venue']);
    expect(pathsOf({ ...event, duty: ['$undefined'] })).toEqual(['duty']);
    expect(pathsOf({ ...event, servings: [{ ...event.servings[0]!, needs: [[]] }] })).toEqual(['servings.0.needs']);
  });
});
