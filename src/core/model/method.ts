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
const long = { ventMin: 15, restMin: 60, holdIdealMin: [60, 240] as [number, number], holdMaxMin: 720 };
const rack = { ventMin: 5, restMin: 10, holdIdealMin: [0, 60] as [number, number], holdMaxMin: 180 };
const quick = { ventMin: 0, restMin: 15, holdIdealMin: [0, 30] as [number, number], holdMaxMin: 60 };
const pan = { ventMin: 0, restMin: 5, holdIdealMin: [0, 60] as [number, number], holdMaxMin: 180 };

/** The shipped methods, in the order they are offered. Each line says time, bark, juice, smoke, yield and risk. */
// prettier-ignore
export const METHODS: readonly Method[] = Object.freeze([
  { ...base, ...long, id: 'low-bare', name: 'Low, bare to the end', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'none', line: 'Longest, and the least predictable stall; most bark and smoke; driest edges, least yield.' },
  { ...base, ...long, id: 'low-paper', name: 'Low, paper at the stall', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'An hour or two saved; keeps most of the bark; juicy, good smoke, fair yield; holds well, low risk.' },
  { ...base, ...long, id: 'low-foil', name: 'Low, foil at the stall', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'foil', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'Surest finish and shortest stall; soft bark; most juice and yield; smoke ends at the wrap.' },
  { ...base, ...long, id: 'paper-by-bark', name: 'Paper when the bark is set', purpose: 'tender', pitC: 121, pitRangeC: [113, 135], wrap: 'paper', wrapWhen: { bark: true }, finishOffSmoke: true, line: 'Time by colour, not by number; best bark of the wrapped; good smoke and juice; needs an eye.' },
  { ...base, ...long, id: 'late-foil', name: 'Bare, foil only late', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'foil', wrapWhen: { coreC: 88 }, finishOffSmoke: true, line: 'Nearly as long as bare; full bark, then kept from drying; good smoke; fair yield; made for a long low hold.' },
  { ...base, ...long, id: 'sprayed', name: 'Low, sprayed every 45 minutes', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'paper', wrapWhen: { coreC: 76 }, finishOffSmoke: true, spray: { fromMin: 180, everyMin: 45 }, line: 'Slower: each opening costs minutes; deeper colour, more smoke; less even pit; fair yield; ties up hands.' },
  { ...base, ...long, id: 'step-up', name: 'Low for smoke, then finish hot', purpose: 'tender', pitC: 107, pitRangeC: [107, 118], wrap: 'foil', wrapWhen: { coreC: 70 }, finishOffSmoke: true, line: 'Long smoke, then safe in foil; soft bark; juicy; good yield; easy to move to an oven and turn up there.' },
  { ...base, ...long, id: 'middle-bare', name: 'Middle heat, bare', purpose: 'tender', pitC: 135, pitRangeC: [127, 143], wrap: 'none', line: 'A shorter night; hard bark; less smoke; thin ends dry, least yield; the stall is short but there.' },
  { ...base, ...long, id: 'middle-paper', name: 'Middle heat, paper', purpose: 'tender', pitC: 135, pitRangeC: [127, 143], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'A shorter night; good bark; juicy; a little less smoke; fair yield; forgiving.' },
  { ...base, ...long, id: 'hot-foil', name: 'Hot and fast, foil', purpose: 'tender', pitC: 149, pitRangeC: [143, 163], wrap: 'foil', wrapWhen: { coreC: 77 }, finishOffSmoke: true, holdIdealMin: [45, 180], holdMaxMin: 480, line: 'Half the time; crunchy crust that softens in foil; least smoke; thin ends suffer; fair yield; little slack.' },
  { ...base, ...long, id: 'pan-braise', name: 'Smoke, then covered pan', purpose: 'tender', pitC: 135, pitRangeC: [121, 149], wrap: 'pan', wrapWhen: { coreC: 72 }, finishOffSmoke: true, ventMin: 10, restMin: 30, holdIdealMin: [30, 240], holdMaxMin: 600, line: 'Quick and sure after the pan; little bark; juiciest, best yield with its liquor; for pulling, not slicing.' },
  { ...base, ...rack, id: 'ribs-bare', name: 'Ribs by feel, bare', purpose: 'ribs', pitC: 121, pitRangeC: [113, 135], wrap: 'none', line: 'Time by the bend, not the clock; best bark and bite; full smoke; can dry, less yield; needs an eye.' },
  { ...base, ...rack, id: 'ribs-blocks', name: 'Ribs in time blocks', purpose: 'ribs', pitC: 110, pitRangeC: [107, 121], wrap: 'foil', wrapWhen: { afterMin: 180 }, unwrapAfterMin: 300, line: 'Three hours bare, two in foil, then open and glazed; soft bark; juicy; good smoke and yield; runs by the clock.' },
  { ...base, ...rack, id: 'ribs-middle', name: 'Ribs at middle heat, foil late', purpose: 'ribs', pitC: 135, pitRangeC: [127, 143], wrap: 'foil', wrapWhen: { coreC: 77 }, finishOffSmoke: true, line: 'An hour shorter; bark set before the wrap; juicy; less smoke; good yield; minutes count at the end.' },
  { ...base, ...rack, id: 'ribs-glazed', name: 'Ribs bare, glazed hot', purpose: 'ribs', pitC: 129, pitRangeC: [121, 135], wrap: 'none', hotFinish: { pitC: 165, minutes: 12 }, line: 'Fairly quick; bark under a sticky glaze; full smoke; edges dry a little, less yield; sugar burns if left.' },
  { ...base, id: 'roast-slow', name: 'Slow roast, rested', purpose: 'roast', pitC: 121, pitRangeC: [107, 135], wrap: 'none', ventMin: 0, restMin: 20, holdIdealMin: [0, 30], holdMaxMin: 90, line: 'Unhurried; little crust; even and juicy edge to edge; good smoke, best yield; the pull must allow for carry-over.' },
  { ...base, id: 'roast-seared', name: 'Slow roast, seared at the end', purpose: 'roast', pitC: 113, pitRangeC: [107, 127], wrap: 'none', hotFinish: { pitC: 260, minutes: 3 }, ventMin: 0, restMin: 15, holdIdealMin: [0, 20], holdMaxMin: 60, line: 'A little longer, coals relit; dark crust; juicy within; good smoke and yield; the sear counts in the pull.' },
  { ...base, ...quick, id: 'poultry-hot', name: 'Poultry, hot', purpose: 'poultry', pitC: 149, pitRangeC: [135, 163], wrap: 'none', line: 'Quick through the danger zone; crisp skin; juicy if pulled on the number; light smoke; good yield; minutes count.' },
  { ...base, ...quick, id: 'poultry-middle', name: 'Poultry, middle heat', purpose: 'poultry', pitC: 135, pitRangeC: [121, 149], wrap: 'none', holdMaxMin: 90, line: 'Half as long again; softer skin; gentle on breasts; more smoke; good yield; watch the hours under 57 C.' },
  { ...base, ...pan, id: 'dish-smoked', name: 'Pan, open to the smoke', purpose: 'dish', pitC: 135, pitRangeC: [107, 163], wrap: 'none', line: 'Takes smoke and a skin on top; thickens; stirs cost openings; pit space; little risk.' },
  { ...base, ...pan, id: 'dish-oven', name: 'Pan, in any heat', purpose: 'dish', pitC: 150, pitRangeC: [107, 180], wrap: 'none', needsSmoke: false, line: 'Quick; no smoke or crust; stays moist, full yield; leaves the pit to the meat; little risk.' },
] satisfies Method[]);
