import { describe, expect, it } from 'vitest';
import { findCut } from '../model';
import { needFor, portionG, portionsOf } from './index';

describe('from guests to pieces', () => {
  it('counts hearty eaters a fifth more, children half, and a tenth for a buffet', () => {
    expect(portionsOf({ adults: 100, children: 0, heartyShare: 0 }, false)).toBe(100);
    expect(portionsOf({ adults: 100, children: 20, heartyShare: 0.5 }, true)).toBeCloseTo((100 * 1.1 + 10) * 1.1, 9);
  });

  it('follows the brisket of the lighthouse supper by hand', () => {
    // 96 adults and 18 children at a buffet of four meats: (96 + 9) * 1.1 = 115.5 portions of 67.5 g.
    const need = needFor({
      cut: findCut('brisket-whole')!,
      guests: { adults: 96, children: 18, heartyShare: 0 },
      buffet: true,
      meats: 4,
      meal: 'supper',
    });
    expect(need.portions).toBeCloseTo(115.5, 9);
    expect(need.cookedKg).toBeCloseTo(7.796, 3);
    expect(need.rawKg).toBeCloseTo(7.796 / 0.6, 2);
    expect(need.boughtKg).toBeCloseTo(7.796 / 0.6 / 0.78, 2);
    // 16 lb bought is 12.48 lb, 5.66 kg, trimmed: 13.0 kg take three.
    expect(need.pieceKg).toBe(5.66);
    expect(need.pieces).toBe(3);
  });

  it('portions ribs by the bone and dishes by the spoon', () => {
    const ribs = needFor({
      cut: findCut('spare-ribs-squared')!,
      guests: { adults: 60, children: 0, heartyShare: 0 },
      buffet: false,
      meats: 2,
      meal: 'supper',
    });
    expect(ribs.portionBones).toBe(3.5);
    expect(ribs.pieces).toBe(17);
    const beans = needFor({
      cut: findCut('pan-dish')!,
      guests: { adults: 60, children: 0, heartyShare: 0 },
      buffet: false,
      meats: 2,
      meal: 'supper',
    });
    expect(beans.rawKg).toBeCloseTo(9, 9);
    expect(beans.pieces).toBe(2);
  });

  it('serves more of a single meat, and more at supper', () => {
    expect(portionG(1, 'supper')).toBe(197.5);
    expect(portionG(1, 'lunch')).toBe(155);
    expect(portionG(2, 'lunch')).toBeLessThan(portionG(1, 'lunch'));
    expect(portionG(5, 'supper')).toBe(portionG(4, 'supper'));
  });

  it('asks for nothing when nobody comes', () => {
    expect(
      needFor({ cut: findCut('pork-butt')!, guests: { adults: 0, children: 0, heartyShare: 0 }, buffet: true, meats: 1, meal: 'supper' })
        .pieces,
    ).toBe(0);
  });
});
