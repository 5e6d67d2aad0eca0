import type { Cut, Library, Piece } from '../model';

/** Trim loss of a cut as the owner's own scale has it, drawn toward the usual value while pieces are few. */
export interface LearnedTrim {
  cutId: string;
  pieces: number;
  usualShare: number;
  /** Mean of the weighed pieces, by weight. */
  measuredShare: number;
  learnedShare: number;
}

/** The usual value counts as much as this many weighed pieces. */
const USUAL_COUNTS_AS = 3;

/** Shrunken mean: (pieces x measured + 3 x usual) / (pieces + 3). Undefined without a piece weighed both ways. */
export function learnTrim(cut: Cut, pieces: readonly Pick<Piece, 'boughtKg' | 'trimmedKg'>[]): LearnedTrim | undefined {
  const weighed = pieces.filter(
    (piece) => piece.boughtKg !== undefined && piece.trimmedKg !== undefined && piece.trimmedKg <= piece.boughtKg,
  );
  if (weighed.length === 0) return undefined;
  const boughtKg = weighed.reduce((sum, piece) => sum + piece.boughtKg!, 0);
  const trimmedKg = weighed.reduce((sum, piece) => sum + piece.trimmedKg!, 0);
  const measuredShare = 1 - trimmedKg / boughtKg;
  return {
    cutId: cut.id,
    pieces: weighed.length,
    usualShare: cut.trimShare,
    measuredShare,
    learnedShare: (weighed.length * measuredShare + USUAL_COUNTS_AS * cut.trimShare) / (weighed.length + USUAL_COUNTS_AS),
  };
}

/** The weight that cooks: trimmed from the scale, else bought less the cut's trim, else the usual piece. */
export const workingKg = (piece: Pick<Piece, 'boughtKg' | 'trimmedKg'>, trimShare: number, usualKg: number): number =>
  piece.trimmedKg ?? (piece.boughtKg === undefined ? usualKg : Math.round(piece.boughtKg * (1 - trimShare) * 1000) / 1000);

/** The library with every cut's trim as the owner's scale has it, and what was learned. */
export function withLearnedTrim(
  library: Library,
  weighed: readonly { cutId: string; boughtKg: number; trimmedKg: number }[],
): { library: Library; learned: LearnedTrim[] } {
  const learned = library.cuts.flatMap(
    (cut) =>
      learnTrim(
        cut,
        weighed.filter((piece) => piece.cutId === cut.id),
      ) ?? [],
  );
  const shareOf = (cut: Cut) => learned.find((each) => each.cutId === cut.id)?.learnedShare ?? cut.trimShare;
  return { library: { ...library, cuts: library.cuts.map((cut) => ({ ...cut, trimShare: shareOf(cut) })) }, learned };
}
