import { describe, expect, it } from 'vitest';
import { batchOf, eventOf } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY } from '../../core/model';
import { check, BriefInput } from '../../inputs';
import { briefOf } from '../../document';
import { demandsOf, newBatch, newServing, overShare, sizeByGuests } from './briefForm';

const brief = briefOf(eventOf([batchOf('pork-butt', 2), batchOf('pan-dish', 1)]));
const serving = brief.servings[0]!;

describe('the brief as its form holds it', () => {
  it('shows clock times of the place and passes its own check', () => {
    expect(serving).toMatchObject({ date: '2027-06-19', time: '18:00', guests: { adults: 60 } });
    expect(serving.batches.map((batch) => batch.cutId)).toEqual(['pork-butt', 'pan-dish']);
    expect(check(BriefInput, brief).ok).toBe(true);
  });

  it('lets the number of pieces follow the guests, keeping the pieces that stay', () => {
    const byGuests = { ...serving, batches: serving.batches.map((batch) => ({ ...batch, sizedBy: 'guests' as const })) };
    const demands = demandsOf(SHIPPED_LIBRARY, [byGuests]);
    const sized = sizeByGuests(byGuests.batches, demands);
    const need = demands.get('pork-butt')!;
    expect(sized[0]!.pieces).toHaveLength(need.pieces);
    expect(sized[0]!.pieces[0]!.id).toBe(serving.batches[0]!.pieces[0]!.id);
    expect(new Set(sized[0]!.pieces.map((piece) => piece.id)).size).toBe(need.pieces);
    expect(sizeByGuests(sized, demands)).toBe(sized);
  });

  it('leaves what was set by hand alone, and waits while figures are missing', () => {
    expect(sizeByGuests(serving.batches, demandsOf(SHIPPED_LIBRARY, [serving]))).toBe(serving.batches);
    const blank = {
      ...serving,
      guests: { ...serving.guests, adults: Number.NaN },
      batches: [{ ...serving.batches[0]!, sizedBy: 'guests' as const }],
    };
    const none = demandsOf(SHIPPED_LIBRARY, [blank]);
    expect(none.size).toBe(0);
    expect(sizeByGuests(blank.batches, none)).toBe(blank.batches);
  });

  it('counts only meats when it splits the plate, and knows lunch from supper', () => {
    expect(demandsOf(SHIPPED_LIBRARY, [serving]).get('pork-butt')!.dishes[0]!.gramsPerPortion).toBe(197.5);
    expect(demandsOf(SHIPPED_LIBRARY, [{ ...serving, time: '12:30' }]).get('pork-butt')!.dishes[0]!.gramsPerPortion).toBe(155);
  });

  it('keeps to the weights that buying chose', () => {
    const bought = { ...serving.batches[0]!, buying: { shopKg: [4, 5] as [number, number] } };
    const { pieceKg } = demandsOf(SHIPPED_LIBRARY, [{ ...serving, batches: [bought] }]).get('pork-butt')!;
    expect(pieceKg).toBeGreaterThanOrEqual(4 * 0.94);
    expect(pieceKg).toBeLessThanOrEqual(5 * 0.94);
  });

  it('tells how far the menu is over or short', () => {
    const need = demandsOf(SHIPPED_LIBRARY, [serving]).get('pork-butt')!;
    expect(overShare(need, { ...serving.batches[0]!, pieces: [{ id: 'x', kg: need.trimmedKg * 0.9 }] })).toBeCloseTo(-0.1, 9);
    const ribs = demandsOf(SHIPPED_LIBRARY, [{ ...serving, batches: [{ ...serving.batches[0]!, cutId: 'spare-ribs' }] }]).get('pork-butt')!;
    expect(
      overShare(ribs, { ...serving.batches[0]!, pieces: Array.from({ length: 10 }, (_, i) => ({ id: String(i), kg: 9 })) }),
    ).toBeCloseTo(10 / ribs.exactRacks! - 1, 9);
  });

  it('starts a new cut with the first method for it, and a new serving like the last', () => {
    expect(newBatch(SHIPPED_LIBRARY, 'chicken-half', 'supper')).toMatchObject({ methodId: 'poultry-hot', sizedBy: 'guests', pieces: [] });
    expect(newServing(serving)).toMatchObject({ date: serving.date, guests: { adults: 60 }, batches: [] });
    expect(newServing(undefined).time).toBe('18:00');
  });
});
