import { seededRandom, studentQuantile, type Random } from '../numerics';

/** What a trial sets against each other. */
export const TRIAL_KINDS = ['rubs', 'sides', 'cutting', 'wrap', 'other'] as const;
export type TrialKind = (typeof TRIAL_KINDS)[number];

/** What is scored, each from 1 to 7: more is more of it, and not always better. */
export const TASTED = ['bark', 'juiciness', 'tenderness', 'smoke', 'taste'] as const;
export type Tasted = (typeof TASTED)[number];
export const SCORES = Object.freeze({ from: 1, to: 7 });

/** One of the two ways, by its place in the pair. */
export type Arm = 0 | 1;

export interface TrialPiece {
  pieceId: string;
  arm: Arm;
}

/** Two ways of one batch, laid out so that place and order speak for neither. */
export interface Trial {
  id: string;
  name: string;
  kind: TrialKind;
  /** The two ways, as the crew calls them. */
  arms: [string, string];
  eventId: string;
  batchId: string;
  pieces: TrialPiece[];
  /** What tasters see in place of the ways' names: three digits each. */
  codes: [string, string];
  traits: Tasted[];
  /** Papers that were drawn, numbered from 1: which of the two each taster is given first. */
  firstArms: Arm[];
  plannedAtMs: number;
}

/** One taster's paper. Scores are in the order of the ways, whichever came first. */
export interface Tasting {
  paper: number;
  taster: string;
  /** The way they liked better; left out where they could not tell. */
  prefers?: Arm;
  scores: Partial<Record<Tasted, [number, number]>>;
  note: string;
  atMs: number;
}

/** A piece and where the plan lays it. */
export interface LaidPiece {
  pieceId: string;
  rackId?: string;
  xMm?: number;
}

const LEAST_CODE = 110;
const CODES = 880;

/** Which of two for each of `count`, as many of one as of the other, by lot within each pair of neighbours. */
export function balanced(count: number, random: Random): Arm[] {
  const arms: Arm[] = [];
  while (arms.length < count) {
    const first: Arm = random.uniform() < 0.5 ? 0 : 1;
    arms.push(first, first === 0 ? 1 : 0);
  }
  return arms.slice(0, count);
}

/**
 * The lot of a trial: pieces that lie beside each other are drawn as a pair, one to each way, so that neither has the better places; left
 * against right is told by the place itself. Same seed, same lot.
 */
export function drawTrial(
  kind: TrialKind,
  laid: readonly LaidPiece[],
  tasters: number,
  seed: number,
): Pick<Trial, 'pieces' | 'codes' | 'firstArms'> {
  const random = seededRandom(seed);
  const inOrder = [...laid].sort(
    (a, b) => compare(a.rackId ?? '', b.rackId ?? '') || (a.xMm ?? 0) - (b.xMm ?? 0) || compare(a.pieceId, b.pieceId),
  );
  const arms = kind === 'sides' ? sidesOf(inOrder) : balanced(inOrder.length, random);
  const first = LEAST_CODE + Math.floor(CODES * random.uniform());
  // Never a neighbour that looks like it.
  const second = LEAST_CODE + ((first - LEAST_CODE + 97 + Math.floor((CODES - 194) * random.uniform())) % CODES);
  return {
    pieces: inOrder.map(({ pieceId }, i) => ({ pieceId, arm: arms[i]! })),
    codes: [String(first), String(second)],
    firstArms: balanced(tasters, random),
  };
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Of each rack the left half is the first way, the right half the second. */
function sidesOf(inOrder: readonly LaidPiece[]): Arm[] {
  return inOrder.map((piece, i) => {
    const beside = inOrder.filter(({ rackId }) => rackId === piece.rackId);
    return beside.indexOf(inOrder[i]!) < beside.length / 2 ? 0 : 1;
  });
}

/** Of `count` tasters who could not tell two alike apart, the chance that so many or more like the one: sum of C(n, k) / 2^n. */
export function byLuck(wins: number, count: number): number {
  let term = 0.5 ** count;
  let sum = 0;
  for (let k = 0; k <= count; k++) {
    if (k >= wins) sum += term;
    term = (term * (count - k)) / (k + 1);
  }
  return Math.min(1, sum);
}

export interface TraitMargin {
  trait: Tasted;
  papers: number;
  means: [number, number];
  /** How much more the second way has, and where that lies 8 times in 10 (Student's t of the pairs); undefined for fewer than four. */
  differs: number;
  range?: [low: number, high: number];
}

/** How sure: luck gives as much in fewer than one of twenty, of five, or oftener. */
export type Sureness = 'sure' | 'likely' | 'open';

export interface TrialResult {
  papers: number;
  /** Who could not tell is not counted. */
  told: number;
  wins: [number, number];
  /** The way more of them liked; undefined where as many liked each. */
  winner?: Arm;
  /** Chance that one of two alike would win by as much. */
  luck?: number;
  sureness: Sureness;
  traits: TraitMargin[];
}

const SURE_LUCK = 0.05;
const LIKELY_LUCK = 0.2;
const EIGHT_IN_TEN = 0.9;
const FEWEST_PAIRS = 4;

/** What the papers say. */
export function judgeTrial({ traits }: Pick<Trial, 'traits'>, tastings: readonly Tasting[]): TrialResult {
  const wins: [number, number] = [0, 0];
  for (const { prefers } of tastings) if (prefers !== undefined) wins[prefers]++;
  const told = wins[0] + wins[1];
  const winner: Arm | undefined = wins[0] === wins[1] ? undefined : wins[0] > wins[1] ? 0 : 1;
  const luck = winner === undefined ? undefined : byLuck(wins[winner], told);
  return {
    papers: tastings.length,
    told,
    wins,
    winner,
    luck,
    sureness: luck === undefined || luck >= LIKELY_LUCK ? 'open' : luck < SURE_LUCK ? 'sure' : 'likely',
    traits: traits.flatMap((trait) => marginOf(trait, tastings) ?? []),
  };
}

function marginOf(trait: Tasted, tastings: readonly Tasting[]): TraitMargin | undefined {
  const pairs = tastings.flatMap(({ scores }) => (scores[trait] ? [scores[trait]] : []));
  if (pairs.length === 0) return undefined;
  const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / list.length;
  const apart = pairs.map(([first, second]) => second - first);
  const differs = mean(apart);
  const means: [number, number] = [mean(pairs.map(([first]) => first)), mean(pairs.map(([, second]) => second))];
  if (pairs.length < FEWEST_PAIRS) return { trait, papers: pairs.length, means, differs };
  const sd = Math.sqrt(apart.reduce((sum, each) => sum + (each - differs) ** 2, 0) / (pairs.length - 1));
  const half = (studentQuantile(EIGHT_IN_TEN, pairs.length - 1) * sd) / Math.sqrt(pairs.length);
  return { trait, papers: pairs.length, means, differs, range: [differs - half, differs + half] };
}

/** How many of so many tasters must like the same one for luck to give it in fewer than one of twenty; undefined where none is enough. */
export function neededOf(tasters: number): number | undefined {
  for (let wins = Math.ceil(tasters / 2); wins <= tasters; wins++) if (byLuck(wins, tasters) < SURE_LUCK) return wins;
  return undefined;
}

/** How the pieces of one way cooked, where their day is in the log. */
export interface ArmCooks {
  cooks: number;
  meanHours?: number;
}
export interface JudgedTrial {
  trial: Trial;
  tastings: Tasting[];
  result: TrialResult;
  cooked: [ArmCooks, ArmCooks];
}

/** What a taster may know: which code lies before them first, never which way it is. */
export interface BlindPaper {
  trialId: string;
  name: string;
  traits: Tasted[];
  /** Codes by paper, in the order in which they are tasted. */
  orders: [string, string][];
  given: number[];
}

/** How the lot stands to the batch as it is now: the pieces of each way that are still there, and those that came after it was drawn. */
export function lotOf(
  { pieces }: Pick<Trial, 'pieces'>,
  now: readonly { id: string }[],
): { arms: [string[], string[]]; undrawn: string[] } {
  const of = (arm: Arm) => now.flatMap(({ id }) => (pieces.some((piece) => piece.pieceId === id && piece.arm === arm) ? [id] : []));
  const undrawn = now.flatMap(({ id }) => (pieces.some(({ pieceId }) => pieceId === id) ? [] : [id]));
  return { arms: [of(0), of(1)], undrawn };
}

export const otherArm = (arm: Arm): Arm => (arm === 0 ? 1 : 0);

/** A trial as its tasters see it: its name would tell what is tried. */
export function blindPaper({ id, codes, traits, firstArms }: Trial, given: number[]): BlindPaper {
  const orders = firstArms.map((arm): [string, string] => [codes[arm], codes[otherArm(arm)]]);
  return { trialId: id, name: `Tasting ${codes.toSorted().join(' and ')}`, traits, orders, given };
}
