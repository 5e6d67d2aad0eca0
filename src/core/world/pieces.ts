import { isPoultry, pieceSize, type Cut } from '../model';
import type { MeatSpec } from './meat';

/** How slowly collagen lets go at 90 C, h: by what animal and what muscle it is. */
const TOUGH_H: Record<Cut['species'], number> = { beef: 2.9, pork: 1.75, chicken: 0.6, turkey: 0.6, lamb: 1.8, dish: 0.3 };

/** Muscles that let go sooner than their animal does on the whole: median cooks take as long as they are told to. */
const SOONER: Readonly<Record<string, number>> = {
  'beef-chuck-roast': 0.75,
  'spare-ribs': 0.85,
  'spare-ribs-squared': 0.85,
  'loin-back-ribs': 0.8,
  'beef-back-ribs': 0.8,
  'pork-collar': 0.85,
};

/** A cut and a weight as the simulated world has it. */
export function worldMeat(key: string, cut: Cut, kg: number, thicknessMm: number | undefined, startC: number): MeatSpec {
  const { lengthMm, widthMm, thicknessMm: deepMm } = pieceSize(cut, kg, thicknessMm);
  const area = (2 * (lengthMm * widthMm + lengthMm * deepMm + widthMm * deepMm) * cut.fillShare ** (2 / 3)) / 1e6;
  return {
    key,
    massKg: kg,
    thicknessM: (deepMm / 1000) * cut.heatDepthShare,
    areaM2: area,
    startC,
    toughH: TOUGH_H[cut.species] * (SOONER[cut.id] ?? 1),
    skin: isPoultry(cut),
  };
}
