import { GAUGE_HEATS } from '../model';
import { normalQuantile } from '../numerics';

/**
 * Figures of a kitchen that its own days measure, beside the hours of its cooks. Each has one number in use (the owner's, or as
 * shipped), and as many measurements as its log holds.
 */
export const FIGURE_KINDS = ['gauge', 'zone', 'warmUp', 'drop', 'recover', 'fuel', 'trim', 'yield', 'portion', 'hands', 'boxLoss'] as const;
export type FigureKind = (typeof FIGURE_KINDS)[number];

export type GaugeHeat = keyof typeof GAUGE_HEATS;
/** A reading belongs to the nearer of the two. */
export const gaugeHeatOf = (pitC: number): GaugeHeat => (pitC < (GAUGE_HEATS.low + GAUGE_HEATS.hot) / 2 ? 'low' : 'hot');

/**
 * Which number: its kind, and what it is of. `gauge/<pit>/<heat>`, `zone/<pit>/<rack>/<band>`, `warmUp|drop|recover|fuel/<pit>`,
 * `trim|yield/<cut>`, `portion/<meal>`, `hands/<work>`, `boxLoss/<box>`; a slash in an id is written %2F.
 */
export type FigureKey = `${FigureKind}/${string}`;
export const figureKey = (kind: FigureKind, ...of: (string | number)[]): FigureKey =>
  `${kind}/${of.map((each) => encodeURIComponent(each)).join('/')}`;

export interface FigureName {
  kind: FigureKind;
  /** The pit, cut, box, meal or work. */
  of: string;
  /** The gauge's heat, or the rack of a band. */
  part?: string;
  band?: number;
}
/** As it was; what somebody spoilt stays as it is, and names nothing. */
const decoded = (part: string): string => {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
};
export function figureName(key: string): FigureName | undefined {
  const [kind, of, part, band] = key.split('/').map(decoded);
  if (!(FIGURE_KINDS as readonly string[]).includes(kind!) || !of) return undefined;
  return { kind: kind as FigureKind, of, ...(part !== undefined && { part }), ...(band !== undefined && { band: Number(band) }) };
}

/** What one day, or one weighing, measured of a figure, in the figure's unit. */
export interface Observation {
  figure: FigureKey;
  atMs: number;
  value: number;
  /** How many readings it is the middle of. */
  readings: number;
}

/** How a figure differs from the number in use before anything was measured, and from one day to the next. */
interface FigureLaw {
  /** `ratio`: sds are of its natural log. */
  scale: 'plain' | 'ratio';
  /** Owners, pits, cuts: how far the truth lies from the number in use. */
  priorSd: number;
  /** One day's measurement about the truth. */
  daySd: number;
  /** What cannot be, whatever was read. */
  from: number;
  to: number;
  /** Decimals it is kept with. */
  digits: number;
}

/**
 * Starting values of our own (docs/learning.md): how well a number in use is known, and how well a day measures it. Numbers are in C
 * (gauge, zone, drop), minutes (warmUp, recover), kg/h (fuel), shares (trim, yield), times the usual (portion, hands) and W/K (boxLoss).
 */
export const FIGURE: Record<FigureKind, FigureLaw> = Object.freeze({
  gauge: { scale: 'plain', priorSd: 8, daySd: 3, from: -60, to: 60, digits: 0 },
  zone: { scale: 'plain', priorSd: 8, daySd: 4, from: -40, to: 40, digits: 0 },
  warmUp: { scale: 'ratio', priorSd: 0.3, daySd: 0.2, from: 3, to: 240, digits: 0 },
  drop: { scale: 'ratio', priorSd: 0.4, daySd: 0.35, from: 1, to: 90, digits: 0 },
  recover: { scale: 'ratio', priorSd: 0.4, daySd: 0.35, from: 1, to: 60, digits: 0 },
  fuel: { scale: 'ratio', priorSd: 0.35, daySd: 0.2, from: 0.01, to: 40, digits: 2 },
  // The usual trim counts as much as three weighed pieces: 0.05^2 / 0.0289^2.
  trim: { scale: 'plain', priorSd: 0.0289, daySd: 0.05, from: 0, to: 0.7, digits: 2 },
  yield: { scale: 'plain', priorSd: 0.04, daySd: 0.04, from: 0.2, to: 1, digits: 2 },
  portion: { scale: 'ratio', priorSd: 0.15, daySd: 0.15, from: 0.4, to: 2, digits: 2 },
  hands: { scale: 'ratio', priorSd: 0.35, daySd: 0.4, from: 0.2, to: 5, digits: 2 },
  boxLoss: { scale: 'ratio', priorSd: 0.35, daySd: 0.25, from: 0.05, to: 20, digits: 2 },
});

export interface LearnedFigure {
  figure: FigureKey;
  /** The number before anything was learned: the owner's, or as shipped. */
  prior: number;
  value: number;
  /** It lies between them 8 times in 10. */
  low: number;
  high: number;
  /** Days and weighings that measured it, and as many of them as count: one far from all others counts for less. */
  count: number;
  counted: number;
}

/** Measurements go astray: their noise has the tails of Student's t with so many degrees. */
const TAILS = 4;
const ROUNDS = 40;
const SETTLED = 1e-10;
/** A normal's 10 to 90 %. */
const EIGHT_IN_TEN = normalQuantile(0.9);

/**
 * A figure from its measurements, drawn towards its prior by how little is known: normal prior, Student's t noise, by iterated weights
 * w = (TAILS + 1) / (TAILS + r^2 / daySd^2) from the prior itself, so that a first wild reading is an accident before it is the truth.
 */
export function learnFigure(figure: FigureKey, prior: number, observations: readonly Pick<Observation, 'value'>[]): LearnedFigure {
  const { scale, priorSd, daySd, from, to } = FIGURE[figureName(figure)!.kind];
  const isRatio = scale === 'ratio';
  const base = isRatio ? Math.max(prior, from) : prior;
  const offsets = observations
    .map(({ value }) => Math.min(to, Math.max(from, value)))
    .map((value) => (isRatio ? Math.log(value / base) : value - base));
  let mean = 0;
  let weights: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    weights = offsets.map((offset) => (TAILS + 1) / (TAILS + ((offset - mean) / daySd) ** 2));
    const weight = weights.reduce((sum, each) => sum + each, 0);
    const precision = 1 / priorSd ** 2 + weight / daySd ** 2;
    const before = mean;
    mean = offsets.reduce((sum, offset, i) => sum + weights[i]! * offset, 0) / daySd ** 2 / precision;
    if (Math.abs(mean - before) < SETTLED) break;
  }
  // A measurement tells no more than itself, however near it lies.
  const counted = weights.reduce((sum, each) => sum + Math.min(1, each), 0);
  const sd = 1 / Math.sqrt(1 / priorSd ** 2 + counted / daySd ** 2);
  const at = (offset: number) => Math.min(to, Math.max(from, isRatio ? base * Math.exp(offset) : base + offset));
  return {
    figure,
    prior,
    value: at(mean),
    low: at(mean - EIGHT_IN_TEN * sd),
    high: at(mean + EIGHT_IN_TEN * sd),
    count: observations.length,
    counted,
  };
}
