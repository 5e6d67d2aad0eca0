import type { Cut } from './cut';

/** Density of meat, kg/m3 (Choi & Okos 1986, lean with some fat). */
export const MEAT_DENSITY_KG_PER_M3 = 1050;

export interface PieceSize {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
}

/**
 * The size of a piece from its weight and its cut's shape, mm. A pan keeps its footprint and fills
 * up. A measured thickness wins; length and width then follow so that the volume stays true.
 */
export function pieceSize(cut: Cut, massKg: number, measuredThicknessMm?: number): PieceSize {
  const volumeMm3 = (massKg / MEAT_DENSITY_KG_PER_M3) * 1e9;
  if (cut.species === 'dish') {
    const thicknessMm = measuredThicknessMm ?? volumeMm3 / (cut.lengthMm * cut.widthMm * cut.fillShare);
    return { lengthMm: cut.lengthMm, widthMm: cut.widthMm, thicknessMm };
  }
  const shapeMm3 = cut.lengthMm * cut.widthMm * cut.thicknessMm * cut.fillShare;
  if (measuredThicknessMm !== undefined) {
    const areaScale = Math.sqrt((volumeMm3 / shapeMm3) * (cut.thicknessMm / measuredThicknessMm));
    return { lengthMm: cut.lengthMm * areaScale, widthMm: cut.widthMm * areaScale, thicknessMm: measuredThicknessMm };
  }
  const scale = Math.cbrt(volumeMm3 / shapeMm3);
  return { lengthMm: cut.lengthMm * scale, widthMm: cut.widthMm * scale, thicknessMm: cut.thicknessMm * scale };
}

/** The size a piece is laid and cooked by: what was measured wins, the rest follows; length and width in whole mm, rounded up. */
export function laidSize(cut: Cut, piece: { kg: number; thicknessMm?: number; lengthMm?: number; widthMm?: number }): PieceSize {
  const shape = pieceSize(cut, piece.kg, piece.thicknessMm);
  const wholeMm = (mm: number) => Math.ceil(mm - 1e-6);
  return {
    lengthMm: wholeMm(piece.lengthMm ?? shape.lengthMm),
    widthMm: wholeMm(piece.widthMm ?? shape.widthMm),
    thicknessMm: shape.thicknessMm,
  };
}
