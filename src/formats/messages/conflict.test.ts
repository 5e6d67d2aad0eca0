import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import { diffOf, insisted, applyChanges, mergeChanges, type Change } from '../../core/edits';
import type { CookEvent } from '../../core/model';
import { DEFAULT_UNITS } from '../units';
import { conflictMessage } from './conflict';
import { messageContextOf } from './names';

const event = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 2)]);
const context = messageContextOf(inputOf(event), DEFAULT_UNITS);
const changed = (make: (event: CookEvent) => CookEvent): Change[] => diffOf(event, make(event));
const conflictOf = (mine: (event: CookEvent) => CookEvent, theirs: (event: CookEvent) => CookEvent) =>
  mergeChanges(theirs(event), changed(mine)).conflicts;
const said = (mine: (event: CookEvent) => CookEvent, theirs: (event: CookEvent) => CookEvent) =>
  conflictOf(mine, theirs).map((conflict) => conflictMessage(context, conflict));
const guests =
  (adults: number) =>
  (of: CookEvent): CookEvent => ({
    ...of,
    servings: of.servings.map((each) => ({ ...each, guests: { ...each.guests, adults } })),
  });
const firstAt =
  (pitC: number) =>
  (of: CookEvent): CookEvent => ({
    ...of,
    batches: of.batches.map((each, i) => (i === 0 ? { ...each, pitC } : each)),
  });
const withoutFirst = (of: CookEvent): CookEvent => ({ ...of, batches: of.batches.slice(1) });

describe('what two people changed', () => {
  it('is put together where they changed different things', () => {
    const { merged, conflicts } = mergeChanges(guests(70)(event), changed(firstAt(140)));
    expect(conflicts).toEqual([]);
    expect(merged).toEqual(firstAt(140)(guests(70)(event)));
    // The same change made twice is one change.
    expect(conflictOf(guests(70), guests(70))).toEqual([]);
  });

  it('is told with both values in the owner’s units where they changed the same', () => {
    expect(said(guests(70), guests(80))).toEqual([{ what: 'Supper, guests, adults', mine: '70', theirs: '80' }]);
    const [pit] = said(firstAt(140), firstAt(121));
    expect(pit).toEqual({ what: 'Briskets, pit', mine: '284 °F', theirs: '250 °F' });
    const at = (ms: number) => (of: CookEvent) => ({ ...of, servings: of.servings.map((each) => ({ ...each, atMs: ms })) });
    expect(said(at(SUPPER_MS + 3_600_000), at(SUPPER_MS - 3_600_000))[0]!.mine).toMatch(/19:00|7:00/);
    expect(
      said(
        (of) => ({ ...of, confidence: 0.8 }),
        (of) => ({ ...of, confidence: 0.95 }),
      ),
    ).toEqual([{ what: 'Confidence', mine: '80 %', theirs: '95 %' }]);
  });

  it('is told as taken away where one of them took it away', () => {
    const [away] = conflictOf(firstAt(140), withoutFirst);
    expect(away!.gone).toBe(true);
    expect(conflictMessage(context, away!).theirs).toBe('taken away');
    const [mine] = said(withoutFirst, firstAt(140));
    expect(mine).toMatchObject({ what: 'Briskets', mine: 'taken away' });
  });

  it('is mine when I insist, whatever stands there now', () => {
    const newer = guests(80)(event);
    const { merged, conflicts } = mergeChanges(newer, changed(guests(70)));
    const settled = applyChanges(merged, conflicts.map(insisted));
    expect(settled.ok && settled.value.servings[0]!.guests.adults).toBe(70);
  });
});
