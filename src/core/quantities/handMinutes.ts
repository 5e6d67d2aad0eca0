import type { Habits, HandledKind } from '../model';

/** By which version of docs/formats/rules.md a plan is made and judged. */
export type RulesVersion = 1 | 2;

const BEGIN_MIN = 2;
const CHECK_MIN = 3;
/** Minutes a piece in version 1, whatever it weighs. */
const ONE_SIZE: Record<HandledKind, number> = { load: 1, wrap: 3, move: 2, pull: 1 };
/** Minutes a piece by its weight: small ones are handled by the tray. */
const BY_WEIGHT: readonly { upToKg: number; handleMin: number; wrapMin: number }[] = [
  { upToKg: 0.3, handleMin: 0.15, wrapMin: 0.3 },
  { upToKg: 1.5, handleMin: 0.5, wrapMin: 1.5 },
  { upToKg: Infinity, handleMin: 1, wrapMin: 3 },
];

/** How much of a large piece's handling a piece of this weight takes: small ones are worked on by the tray. */
export const handledShare = (kg: number): number => sizeOf(kg).handleMin;
const sizeOf = (kg: number) => BY_WEIGHT.find(({ upToKg }, i) => (i === 0 ? kg < upToKg : kg <= upToKg))!;

/** By which rules hands are counted, and how long a house's own take over the usual. */
export interface HandRules {
  rules: RulesVersion;
  handPace?: Habits['handPace'];
}

/**
 * Whole minutes of one pair of hands for pieces of these weights, kg (docs/formats/rules.md, rules 13 and 19). Slower hands get
 * their minutes; quicker ones no fewer than the rules ask for.
 */
export function handMinutes(kind: HandledKind | 'check', kgs: readonly number[], { rules, handPace }: HandRules = { rules: 2 }): number {
  if (kind === 'check') return CHECK_MIN;
  const each = (kg: number) => {
    if (rules === 1) return ONE_SIZE[kind];
    const { wrapMin, handleMin } = sizeOf(kg);
    return kind === 'wrap' ? wrapMin : handleMin;
  };
  const minutes = BEGIN_MIN + kgs.reduce((sum, kg) => sum + each(kg), 0);
  return Math.ceil(minutes * Math.max(1, handPace?.[kind] ?? 1) - 1e-9);
}
