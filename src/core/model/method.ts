export type Wrap = 'none' | 'paper' | 'foil' | 'pan';

/** When to wrap: by core, by the clock, by a set bark; with several the first to happen, or all of them. */
export interface WrapWhen {
  coreC?: number;
  afterMin?: number;
  bark?: boolean;
  all?: boolean;
}

/** Lifting the lid on a rhythm to wet the surface, from when it is dry. */
export interface Spray {
  fromMin: number;
  everyMin: number;
}

/** A short, hot end: a sear or a glaze. */
export interface HotFinish {
  pitC: number;
  minutes: number;
}

export const GRADES = ['select', 'choice', 'prime', 'marbled'] as const;
export type Grade = (typeof GRADES)[number];
/** Softening time against choice: heavily marbled meat turns tender sooner. */
export const GRADE_SOFTENING: Record<Grade, number> = { select: 1.12, choice: 1, prime: 0.92, marbled: 0.85 };

/** How far the cook takes it: a little bite, the usual, or falling apart. */
export const CHEWS = ['bite', 'usual', 'soft'] as const;
export type Chew = (typeof CHEWS)[number];
export const CHEW_CONVERSION: Record<Chew, number> = { bite: -0.07, usual: 0, soft: 0.07 };

/** A complete set of choices for one batch: pit heat, wrap, rest and hold. */
export interface Method {
  id: string;
  name: string;
  /** Its trade-offs in a line. */
  line: string;
  /** What it is for; a cut is offered the methods whose purpose matches. */
  purpose: 'tender' | 'ribs' | 'roast' | 'poultry' | 'dish';
  pitC: number;
  pitRangeC: [low: number, high: number];
  wrap: Wrap;
  wrapWhen: WrapWhen;
  /** Minutes after going on at which the wrap comes off again (time-block ribs). */
  unwrapAfterMin?: number;
  spray?: Spray;
  hotFinish?: HotFinish;
  /** Needs a pit with smoke until it is wrapped (or throughout, when it never is). */
  needsSmoke: boolean;
  /** After the wrap a heat source without smoke will do. */
  finishOffSmoke: boolean;
  ventMin: number;
  restMin: number;
  holdIdealMin: [low: number, high: number];
  holdMaxMin: number;
}

const base = { needsSmoke: true, finishOffSmoke: false, wrapWhen: {} };

/** The shipped methods, in the order they are offered. */
export const METHODS: readonly Method[] = Object.freeze([
  {
    ...base,
    id: 'low-bare',
    name: 'Low, bare to the end',
    line: 'Most bark and smoke; the longest and least predictable stall.',
    purpose: 'tender',
    pitC: 121,
    pitRangeC: [113, 127],
    wrap: 'none',
    ventMin: 15,
    restMin: 60,
    holdIdealMin: [60, 240],
    holdMaxMin: 720,
  },
  {
    ...base,
    id: 'low-paper',
    name: 'Low, paper at the stall',
    line: 'Keeps most of the bark and saves an hour or two; holds well.',
    purpose: 'tender',
    pitC: 121,
    pitRangeC: [115, 135],
    wrap: 'paper',
    wrapWhen: { coreC: 74 },
    finishOffSmoke: true,
    ventMin: 15,
    restMin: 60,
    holdIdealMin: [60, 240],
    holdMaxMin: 720,
  },
  {
    ...base,
    id: 'low-foil',
    name: 'Low, foil at the stall',
    line: 'Surest finish and most juice; the bark turns soft.',
    purpose: 'tender',
    pitC: 121,
    pitRangeC: [115, 135],
    wrap: 'foil',
    wrapWhen: { coreC: 74 },
    finishOffSmoke: true,
    ventMin: 15,
    restMin: 60,
    holdIdealMin: [60, 240],
    holdMaxMin: 720,
  },
  {
    ...base,
    id: 'middle-paper',
    name: 'Middle heat, paper',
    line: 'Shorter night, good bark, a little less smoke.',
    purpose: 'tender',
    pitC: 135,
    pitRangeC: [127, 143],
    wrap: 'paper',
    wrapWhen: { coreC: 74 },
    finishOffSmoke: true,
    ventMin: 15,
    restMin: 60,
    holdIdealMin: [60, 240],
    holdMaxMin: 720,
  },
  {
    ...base,
    id: 'hot-foil',
    name: 'Hot and fast, foil',
    line: 'Half the time and a crunchy crust; thin ends dry out.',
    purpose: 'tender',
    pitC: 149,
    pitRangeC: [143, 163],
    wrap: 'foil',
    wrapWhen: { coreC: 77 },
    finishOffSmoke: true,
    ventMin: 15,
    restMin: 60,
    holdIdealMin: [45, 180],
    holdMaxMin: 480,
  },
  {
    ...base,
    id: 'pan-braise',
    name: 'Smoke, then covered pan',
    line: 'Soft and juicy for pulling; little bark, catches every drop.',
    purpose: 'tender',
    pitC: 135,
    pitRangeC: [121, 149],
    wrap: 'pan',
    wrapWhen: { coreC: 72 },
    finishOffSmoke: true,
    ventMin: 10,
    restMin: 30,
    holdIdealMin: [30, 240],
    holdMaxMin: 600,
  },
  {
    ...base,
    id: 'ribs-bare',
    name: 'Ribs by feel, bare',
    line: 'Best colour and bite; needs an eye on the bend.',
    purpose: 'ribs',
    pitC: 121,
    pitRangeC: [113, 135],
    wrap: 'none',
    ventMin: 5,
    restMin: 10,
    holdIdealMin: [0, 60],
    holdMaxMin: 150,
  },
  {
    ...base,
    id: 'ribs-blocks',
    name: 'Ribs in time blocks',
    line: 'Three hours bare, two in foil, then open: soft and on the clock.',
    purpose: 'ribs',
    pitC: 107,
    pitRangeC: [107, 121],
    wrap: 'foil',
    wrapWhen: { afterMin: 180 },
    unwrapAfterMin: 300,
    ventMin: 5,
    restMin: 10,
    holdIdealMin: [0, 60],
    holdMaxMin: 150,
  },
  {
    ...base,
    id: 'ribs-middle',
    name: 'Ribs at middle heat, foil late',
    line: 'An hour shorter; wrapped once the colour is right.',
    purpose: 'ribs',
    pitC: 135,
    pitRangeC: [127, 143],
    wrap: 'foil',
    wrapWhen: { coreC: 77 },
    finishOffSmoke: true,
    ventMin: 5,
    restMin: 10,
    holdIdealMin: [0, 60],
    holdMaxMin: 150,
  },
  {
    ...base,
    id: 'roast-slow',
    name: 'Slow roast, rested',
    line: 'Even colour edge to edge; carry-over is counted in the pull.',
    purpose: 'roast',
    pitC: 121,
    pitRangeC: [107, 135],
    wrap: 'none',
    ventMin: 0,
    restMin: 20,
    holdIdealMin: [0, 30],
    holdMaxMin: 90,
  },
  {
    ...base,
    id: 'poultry-hot',
    name: 'Poultry, hot',
    line: 'Skin crisps and the danger zone is passed quickly.',
    purpose: 'poultry',
    pitC: 149,
    pitRangeC: [135, 163],
    wrap: 'none',
    ventMin: 0,
    restMin: 15,
    holdIdealMin: [0, 30],
    holdMaxMin: 60,
  },
  {
    ...base,
    id: 'poultry-middle',
    name: 'Poultry, middle heat',
    line: 'More smoke and a gentler breast; softer skin.',
    purpose: 'poultry',
    pitC: 135,
    pitRangeC: [121, 149],
    wrap: 'none',
    ventMin: 0,
    restMin: 15,
    holdIdealMin: [0, 30],
    holdMaxMin: 90,
  },
  {
    ...base,
    id: 'dish-smoked',
    name: 'Pan, open to the smoke',
    line: 'Takes smoke and a skin on top; stirs cost an opening.',
    purpose: 'dish',
    pitC: 135,
    pitRangeC: [107, 163],
    wrap: 'none',
    ventMin: 0,
    restMin: 5,
    holdIdealMin: [0, 60],
    holdMaxMin: 180,
  },
  {
    ...base,
    id: 'dish-oven',
    name: 'Pan, in any heat',
    line: 'No smoke needed: leaves the pit to the meat.',
    purpose: 'dish',
    pitC: 150,
    pitRangeC: [107, 180],
    wrap: 'none',
    needsSmoke: false,
    ventMin: 0,
    restMin: 5,
    holdIdealMin: [0, 60],
    holdMaxMin: 180,
  },
] satisfies Method[]);

const byId = new Map(METHODS.map((method) => [method.id, method]));
export const findMethod = (id: string): Method | undefined => byId.get(id);
