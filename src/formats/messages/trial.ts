import { neededOf, type Tasted, type Trial, type TrialKind, type TrialResult } from '../../core/learn';
import { list } from './names';

export const TRIAL_KIND_WORDS: Record<TrialKind, string> = {
  rubs: 'two rubs on one pit',
  sides: 'left against right of the rack',
  cutting: 'whole against single pieces',
  wrap: 'wrapped against bare',
  other: 'something else',
};
export const TASTED_WORDS: Record<Tasted, { name: string; from: string; to: string }> = {
  bark: { name: 'Bark', from: 'soft', to: 'hard' },
  juiciness: { name: 'Juiciness', from: 'dry', to: 'juicy' },
  tenderness: { name: 'Tenderness', from: 'tight', to: 'falls apart' },
  smoke: { name: 'Smoke', from: 'faint', to: 'heavy' },
  taste: { name: 'Taste', from: 'poor', to: 'very good' },
};

/** `1 in 11`: a chance as a cook says it. */
export const oneIn = (chance: number): string => `1 in ${chance >= 0.5 ? 2 : Math.round(1 / Math.max(chance, 1e-6)).toLocaleString('en')}`;

/** Who won, by how much and how sure, in sentences. */
export function trialVerdict(
  { arms, firstArms }: Pick<Trial, 'arms' | 'firstArms'>,
  { papers, told, wins, winner, luck, sureness }: TrialResult,
): string {
  if (papers === 0) return `No paper is in yet; ${firstArms.length} were drawn.`;
  const untold = papers > told ? ` ${papers - told} could not tell.` : '';
  if (told === 0) return `${papers} tasted, and none of them could tell the two apart.`;
  if (winner === undefined) return `${wins[0]} liked each better, of ${told}: no difference was found.${untold}`;
  const of = `${wins[winner]} of ${told} tasters liked ${arms[winner]} better; by luck ${oneIn(luck!)}.`;
  const needed = neededOf(told);
  const sure = {
    sure: ' That is sure enough to go by.',
    likely: ` Likely, not sure: ${needed === undefined ? 'more tasters' : `${needed} of ${told}`} would be.`,
    open: ` Too close to tell${needed === undefined ? ' with so few' : `: ${needed} of ${told} would be sure`}.`,
  }[sureness];
  return `${of}${sure}${untold}`;
}

/** Pieces that came to the batch after the lot was drawn. */
export const undrawnLine = (tags: readonly string[]): string =>
  tags.length === 0 ? '' : ` ${list([...tags])} came after the lot was drawn, and ${tags.length === 1 ? 'is' : 'are'} in neither way.`;

/** `whole racks: P1 and P3`. */
export const armLine = (name: string, tags: readonly string[]): string => `${name}: ${tags.length > 0 ? list([...tags]) : 'none'}`;

/** Tags as they are counted: `S2` before `S10`. */
export const byNumber = (tags: readonly string[]): string[] => [...tags].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
