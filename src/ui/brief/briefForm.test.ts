import { describe, expect, it } from 'vitest';
import { batchOf, eventOf } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY } from '../../core/model';
import { check, BriefInput } from '../../doors';
import { briefOf, needOf, newBatch, newServing, overShare, sizeByGuests } from './briefForm';

const brief = briefOf(eventOf([batchOf('pork-butt', 2), batchOf('pan-dish', 1)]));
const serving = brief.servings[0]!;

describe('the brief as its form holds it', () => {
  it('shows clock times of the place and passes its own door', () => {
    expect(serving).toMatchObject({ date: '2027-06-19', time: '18:00', adults: 60 });
    expect(serving.batches.map((batch) => batch.cutId)).toEqual(['pork-butt', 'pan-dish']);
    expect(check(BriefInput, brief).ok).toBe(true);
  });

  it('lets the number of pieces follow the guests, keeping the pieces that stay', () => {
    const byGuests = { ...serving, batches: serving.batches.map((batch) => ({ ...batch, sizedBy: 'guests' as const })) };
    const sized = sizeByGuests(SHIPPED_LIBRARY, byGuests);
    const need = needOf(SHIPPED_LIBRARY, byGuests, byGuests.batches[0]!)!;
    expect(sized[0]!.pieces).toHaveLength(need.pieces);
    expect(sized[0]!.pieces[0]!.id).toBe(serving.batches[0]!.pieces[0]!.id);
    expect(new Set(sized[0]!.pieces.map((piece) => piece.id)).size).toBe(need.pieces);
    const settled = { ...byGuests, batches: sized };
    expect(sizeByGuests(SHIPPED_LIBRARY, settled)).toBe(settled.batches);
  });

  it('leaves what was set by hand alone, and waits while figures are missing', () => {
    expect(sizeByGuests(SHIPPED_LIBRARY, serving)).toBe(serving.batches);
    const blank = { ...serving, adults: Number.NaN, batches: [{ ...serving.batches[0]!, sizedBy: 'guests' as const }] };
    expect(needOf(SHIPPED_LIBRARY, blank, blank.batches[0]!)).toBeUndefined();
    expect(sizeByGuests(SHIPPED_LIBRARY, blank)).toBe(blank.batches);
  });

  it('counts only meats when it splits the plate, and knows lunch from supper', () => {
    const alone = needOf(SHIPPED_LIBRARY, serving, serving.batches[0]!)!;
    expect(alone.portionG).toBe(197.5);
    expect(needOf(SHIPPED_LIBRARY, { ...serving, time: '12:30' }, serving.batches[0]!)!.portionG).toBe(155);
  });

  it('tells how far the menu is over or short', () => {
    const need = needOf(SHIPPED_LIBRARY, serving, serving.batches[0]!)!;
    expect(overShare(need, { ...serving.batches[0]!, pieces: [{ id: 'x', kg: need.rawKg * 0.9 }] })).toBeCloseTo(-0.1, 9);
  });

  it('starts a new cut with the first method for it, and a new serving like the last', () => {
    expect(newBatch(SHIPPED_LIBRARY, 'chicken-half')).toMatchObject({ methodId: 'poultry-hot', sizedBy: 'guests', pieces: [] });
    expect(newServing(serving)).toMatchObject({ date: serving.date, adults: 60, batches: [] });
    expect(newServing(undefined).time).toBe('18:00');
  });
});
