import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planInputFor } from '../../src/document';
import { check, EventRecord, mended, MethodRecord, PitRecord } from '../../src/inputs';
import { METHODS, type CookEvent } from '../../src/core/model';
import { batchOf, eventOf, OFFSET } from '../fixtures/events';
import { wholeEvent } from '../fixtures/wholeEvents';

const JUNK = [null, [], {}, '$undefined', '', -1, 1e99, 'x'.repeat(500), [[]], { a: 1 }, true, '\u202eevil', '__proto__'];

/** Every place of a thing that something stands at. */
function placesOf(value: unknown, path: string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [path];
  return [...(path.length > 0 ? [path] : []), ...Object.entries(value).flatMap(([key, each]) => placesOf(each, [...path, key]))];
}
function putAt(value: object, path: readonly string[], junk: unknown): void {
  let holder = value as Record<string, unknown>;
  for (const key of path.slice(0, -1)) holder = holder[key] as Record<string, unknown>;
  holder[path.at(-1)!] = junk;
}
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const USUAL = {
  name: 'Mended',
  place: '',
  timeZone: 'UTC',
  altitudeM: 0,
  confidence: 0.9,
  servings: eventOf([]).servings,
  batches: [],
  pitIds: [],
  boxIds: [],
  revision: 0,
  id: 'event',
};

describe('what is stored and damaged', () => {
  it('comes in sound again, whatever was put wherever in an event; what was sound stays as it was', () => {
    fc.assert(
      fc.property(
        wholeEvent,
        fc.array(fc.tuple(fc.nat(), fc.constantFrom(...JUNK)), { minLength: 0, maxLength: 4 }),
        ({ event }, damage) => {
          const stored = plain(event);
          for (const [where, junk] of damage) {
            const places = placesOf(stored);
            putAt(stored, places[where % places.length]!, junk);
          }
          const sound = mended(EventRecord, stored, USUAL);
          expect(sound).toBeDefined();
          expect(check(EventRecord, plain(sound)).ok).toBe(true);
          if (check(EventRecord, stored).ok) expect(plain(sound)).toEqual(stored);
        },
      ),
      { numRuns: 120, seed: 3 },
    );
  });

  it('loses no more than what was wrong', () => {
    const event = eventOf([batchOf('pork-butt', 2), batchOf('spare-ribs', 2)]);
    const sound = (change: object) => plain(mended(EventRecord, { ...plain(event), ...change }, USUAL)) as unknown as CookEvent;
    expect(sound({ scheme: [] })).toEqual(plain(event));
    expect(sound({ duty: ['$undefined'] }).duty ?? []).toEqual([]);
    expect(sound({ venue: null })).toEqual(plain(event));
    const [serving] = event.servings;
    expect(sound({ servings: [{ ...serving!, needs: [[]] }] }).servings).toEqual([plain(serving)]);
    const [first, second] = plain(event.batches);
    expect(sound({ batches: [{ ...first!, pieces: [{ ...first!.pieces[0]!, kg: 'heavy' }, first!.pieces[1]] }, second] }).batches).toEqual([
      { ...first!, pieces: [first!.pieces[1]] },
      second,
    ]);
    expect(mended(EventRecord, 'nothing', USUAL)).toMatchObject({ name: 'Mended', batches: [] });
    expect(mended(MethodRecord, { ...METHODS[0]!, hotFinish: [] })).toMatchObject({ id: METHODS[0]!.id });
    expect(mended(PitRecord, { ...OFFSET, racks: [] })).toBeUndefined();
  });

  it('has a plan’s input of bounded size, however far apart its servings lie', () => {
    const [serving] = eventOf([]).servings;
    const far = eventOf([batchOf('pork-butt', 1)], {
      servings: [serving!, { ...serving!, id: 'late', atMs: Date.parse('2206-06-19T18:00:00Z') }],
    });
    const { input } = planInputFor(far, {
      equipment: { pits: [OFFSET], boxes: [], warmers: [], probes: [], crew: [] },
      ownLibrary: { cuts: [], methods: [], recipes: [] },
      nowMs: serving!.atMs - 86_400_000,
    });
    expect(input.shifts!.length).toBeLessThan(60);
    expect(input.quiet!.length).toBeLessThan(60);
  });
});
