import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CUTS, findCut, isPoultry, isRoast, MEAT_DENSITY_KG_PER_M3, pieceSize, typicalTrimmedKg } from './index';

const volumeKg = (cut: (typeof CUTS)[number], size: ReturnType<typeof pieceSize>) =>
  (size.lengthMm * size.widthMm * size.thicknessMm * cut.fillShare * MEAT_DENSITY_KG_PER_M3) / 1e9;

describe('the size of a piece', () => {
  it('keeps its weight’s volume, with or without a measured thickness', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CUTS),
        fc.double({ min: 0.1, max: 15, noNaN: true }),
        fc.option(fc.integer({ min: 20, max: 150 })),
        (cut, kg, thicknessMm) => {
          const size = pieceSize(cut, kg, thicknessMm ?? undefined);
          if (cut.species === 'dish') {
            expect(size.lengthMm).toBe(cut.lengthMm);
            return;
          }
          expect(volumeKg(cut, size)).toBeCloseTo(kg, 6);
          if (thicknessMm !== null) expect(size.thicknessMm).toBe(thicknessMm);
        },
      ),
    );
  });

  it('is about the shape of the table for a typical piece', () => {
    const brisket = findCut('brisket-whole')!;
    const size = pieceSize(brisket, typicalTrimmedKg(brisket));
    expect(size.lengthMm).toBeGreaterThan(390);
    expect(size.lengthMm).toBeLessThan(440);
    expect(size.thicknessMm).toBeGreaterThan(68);
    expect(size.thicknessMm).toBeLessThan(80);
  });

  it('fills a pan higher, not wider', () => {
    const pan = findCut('pan-dish')!;
    expect(pieceSize(pan, 8).thicknessMm).toBeCloseTo(2 * pieceSize(pan, 4).thicknessMm, 9);
  });
});

describe('the cuts', () => {
  it('have unique ids and sensible figures', () => {
    expect(new Set(CUTS.map((cut) => cut.id)).size).toBe(CUTS.length);
    for (const cut of CUTS) {
      expect(cut.yieldShare).toBeGreaterThan(0.3);
      expect(cut.yieldShare).toBeLessThanOrEqual(1);
      expect(cut.trimShare).toBeLessThan(0.4);
      expect(cut.typicalBoughtKg[0]).toBeLessThan(cut.typicalBoughtKg[1]);
      expect(cut.pulledAtC[0]).toBeLessThanOrEqual(cut.pulledAtC[1]);
      if (cut.thinEnd) expect(cut.thinEnd.thicknessShare).toBeLessThan(1);
    }
  });

  it('are poultry by their kind, as their ids say', () => {
    for (const cut of CUTS) expect(isPoultry(cut)).toBe(/^(chicken|turkey)-/.test(cut.id));
  });

  it('are roasts when whole muscle is cooked to a number', () => {
    expect(CUTS.filter(isRoast).map((cut) => cut.id)).toEqual(['tri-tip', 'rib-roast', 'eye-of-round', 'pork-loin', 'lamb-leg-boneless']);
  });
});
