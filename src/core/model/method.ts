export type Wrap = 'none' | 'paper' | 'foil' | 'pan';

/** How dark a bark is wanted where the bark decides. */
export const BARK_COLOURS = ['light', 'usual', 'dark'] as const;
export type BarkColour = (typeof BARK_COLOURS)[number];
/** The model's bark at which each is had: 1 is set, and no longer scrapes off. */
export const BARK_AT: Record<BarkColour, number> = Object.freeze({ light: 0.5, usual: 1, dark: 3 });

/** When to wrap: by core, by the clock, by a set bark; with several the first to happen, or all of them. */
export interface WrapWhen {
  coreC?: number;
  afterMin?: number;
  bark?: boolean;
  /** How dark, where the bark decides; usual when left out. */
  colour?: BarkColour;
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

/** What keeps a bare piece moist and warm once it is done. */
export const REST_WRAPS = ['paper', 'foil'] as const;
export type RestWrap = (typeof REST_WRAPS)[number];

export const GRADES = ['select', 'choice', 'prime', 'marbled'] as const;
export type Grade = (typeof GRADES)[number];
/** Softening time against choice: heavily marbled meat turns tender sooner. */
export const GRADE_SOFTENING: Record<Grade, number> = { select: 1.12, choice: 1, prime: 0.92, marbled: 0.85 };

/** How far the cook takes it: a little bite, the usual, or falling apart. */
export const CHEWS = ['bite', 'usual', 'soft'] as const;
export type Chew = (typeof CHEWS)[number];
export const CHEW_CONVERSION: Record<Chew, number> = { bite: -0.07, usual: 0, soft: 0.07 };

/** The pit goes to another heat: so long after going on, once the core has come so far, or once the colour is right; one of the three. */
export interface HeatStep {
  fromMin?: number;
  fromCoreC?: number;
  atColour?: BarkColour;
  pitC: number;
}
export interface ClockStep {
  fromMin: number;
  pitC: number;
}

/** Ribs that are opened again are glazed and firm up for so long before they are pulled. */
export const FIRM_MIN = 12;

/** Wrapped at some time: while it cooks, or for its rest. */
export const isWrapped = ({ wrap, restWrap }: Pick<Method, 'wrap' | 'restWrap'>): boolean => wrap !== 'none' || restWrap !== undefined;

/** A method whose steps and rest all stand on the clock. */
export type ClockMethod = Omit<Method, 'steps'> & { steps?: ClockStep[] };

/** A complete set of choices for one batch: pit heat, wrap, rest and hold. */
export interface Method {
  id: string;
  name: string;
  /** Its trade-offs in a line, but for hours, bark, smoke and yield: those the model tells. */
  line: string;
  /** What it is for; a cut is offered the methods whose purpose matches. */
  purpose: 'tender' | 'ribs' | 'roast' | 'poultry' | 'dish';
  /** The choices that heat does not know: fat, surface, salt, wood, place, opening, after pulling. */
  practice: string;
  pitC: number;
  pitRangeC: [low: number, high: number];
  /** Heat it may be given once it is wrapped; as before the wrap when left out. */
  finishRangeC?: [low: number, high: number];
  /** The pit's programme: set points that jump, by the clock from going on or at a core. They move with the heat the plan chooses. */
  steps?: HeatStep[];
  wrap: Wrap;
  wrapWhen: WrapWhen;
  /** Minutes after going on at which the wrap comes off again (time-block ribs); sooner when it is tender in it before. */
  unwrapAfterMin?: number;
  /** Its minutes of wrapping and unwrapping are for a rack of spare ribs at its own heat, and go with rack and heat for others. */
  blocksScale?: boolean;
  spray?: Spray;
  /** How often the pieces are turned, flipped or (pans) rotated while they cook, evenly spread. */
  turns?: number;
  hotFinish?: HotFinish;
  /** Cooked bare, and wrapped in this at the pull for its rest and hold. */
  restWrap?: RestWrap;
  /** Needs a pit with smoke until it is wrapped (or throughout, when it never is). */
  needsSmoke: boolean;
  /** After the wrap a heat source without smoke will do. */
  finishOffSmoke: boolean;
  ventMin: number;
  restMin: number;
  /** Rest until the core has fallen so far, in place of the minutes. */
  restToC?: number;
  holdIdealMin: [low: number, high: number];
  holdMaxMin: number;
}

const base = { needsSmoke: true, finishOffSmoke: false, wrapWhen: {} };
const long = { ventMin: 15, restMin: 60, holdIdealMin: [60, 240] as [number, number], holdMaxMin: 720 };
const rack = { ventMin: 5, restMin: 10, holdIdealMin: [0, 60] as [number, number], holdMaxMin: 180 };
const quick = { ventMin: 0, restMin: 15, holdIdealMin: [0, 30] as [number, number], holdMaxMin: 60 };
const pan = { ventMin: 0, restMin: 5, holdIdealMin: [0, 60] as [number, number], holdMaxMin: 180 };

/**
 * The shipped methods, in the order they are offered. A line says what the cook model does not know: hours, bark, smoke and yield
 * are its to tell (`core/planning/methodPrice`).
 */
// prettier-ignore
export const METHODS: readonly Method[] = Object.freeze([
  { ...base, ...long, id: 'low-bare', practice: 'Fat cap off for bark, damp surface, salt and pepper as it goes on; cold on; oak on the coals; sealed for four hours; centre of the rack, never flipped; vented, then rested.', name: 'Low, bare to the end', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'none', line: 'No wrap to buy, no hands at the stall; thin ends suffer.' },
  { ...base, ...long, id: 'wrapped-to-rest', practice: '{6 mm} of fat; salt and pepper; oak; sealed for four hours; vented, then wrapped in paper for the rest and hold.', name: 'Low and bare, wrapped to rest', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'none', wrapWhen: {}, restWrap: 'paper', line: 'Bare to the end, then kept moist while it waits; hands at the pull, none at the stall.' },
  { ...base, ...long, id: 'low-paper', practice: '{6 mm} of fat, fat side to the heat; mustard binder, salted the night before; oak or fruit wood; sealed until the wrap; probe from the start; vented, then rested in its paper.', name: 'Low, paper at the stall', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'The usual way: the paper breathes; holds well, forgives a late pull.' },
  { ...base, ...long, id: 'low-foil', practice: '{6 mm} of fat; oil binder, full rub; sour spray in the foil; fruit and nut wood; probe after the wrap; opened to vent, then rested in foil and towel.', name: 'Low, foil at the stall', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'foil', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'The surest finish; soft outside; what gathers in the foil goes back over the meat.' },
  { ...base, ...long, id: 'rested-to-core', restToC: 63, practice: '{6 mm} of fat; salted the night before; oak or fruit wood; opened, then rested under a tent until it can be sliced.', name: 'Low, paper, rested to slicing heat', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, holdIdealMin: [0, 120], line: 'Rests by the thermometer, not by the clock; the plan keeps that time free.' },
  { ...base, ...long, id: 'late-foil', practice: '{6 mm} of fat, up; full rub over salt; oak or hickory; high on the rack for smoke; nothing in the foil; straight to a low hold overnight, unvented.', name: 'Bare, foil only late', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'foil', wrapWhen: { coreC: 88 }, finishOffSmoke: true, line: 'Bare nearly to the end, then kept for a long low hold.' },
  { ...base, ...long, id: 'sprayed', practice: 'Thin fat; mustard, sweet rub; cider spray once the surface is dry; cherry for colour; topped up with rub before going on; dry pit; vented.', name: 'Low, sprayed every 45 minutes', purpose: 'tender', pitC: 121, pitRangeC: [113, 127], wrap: 'paper', wrapWhen: { coreC: 76 }, finishOffSmoke: true, spray: { fromMin: 180, everyMin: 45 }, line: 'Even colour; every opening costs heat and a pair of hands.' },
  { ...base, id: 'rested-short', practice: 'Trimmed of silverskin; salt and pepper; oak; a mop once wrapped; opened, ten minutes on the board, cut while it is hot.', name: 'Low, paper, rested short', purpose: 'tender', pitC: 121, pitRangeC: [115, 135], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, ventMin: 5, restMin: 10, holdIdealMin: [0, 90], holdMaxMin: 300, line: 'For small, rich pieces that are best soon; waits less well than the others.' },
  { ...base, ...long, id: 'paper-by-bark', practice: 'Fat cap off; salt and pepper one to one, underside light; fat spread on the paper; oak under the coals, a little dirtier early; looked at, not probed, until the wrap.', name: 'Paper when the bark is set', purpose: 'tender', pitC: 121, pitRangeC: [113, 135], wrap: 'paper', wrapWhen: { bark: true }, finishOffSmoke: true, line: 'Wrapped by eye, not by number: needs somebody who knows the colour.' },
  { ...base, ...long, id: 'light-bark', practice: 'Fat cap off; salt, pepper and paprika; cherry or apple; looked at from the third hour; wrapped while it is still reddish.', name: 'Paper at a light bark', purpose: 'tender', pitC: 121, pitRangeC: [113, 135], wrap: 'paper', wrapWhen: { bark: true, colour: 'light' }, finishOffSmoke: true, line: 'For those who like it tender at the edge; easily wrapped too soon.' },
  { ...base, ...long, id: 'dark-bark', practice: 'Fat cap off; coarse pepper; oak or hickory; no spray; wrapped only when it is nearly black and does not scrape off.', name: 'Paper at a dark bark', purpose: 'tender', pitC: 121, pitRangeC: [113, 135], wrap: 'paper', wrapWhen: { bark: true, colour: 'dark' }, finishOffSmoke: true, line: 'For those who like a crust; sugar in the rub turns bitter.' },
  { ...base, ...long, id: 'step-up', practice: '{6 mm} of fat; salted the night before, cold on; two hours of fruit wood while it is low; no water pan once it steps up; finished in the oven if the rack is wanted.', name: 'Low for smoke, then up', purpose: 'tender', pitC: 107, pitRangeC: [107, 118], steps: [{ fromMin: 180, pitC: 135 }], wrap: 'paper', wrapWhen: { coreC: 74 }, line: 'Low at first, hotter later: the pit must be free to change.' },
  { ...base, ...long, id: 'stepped', practice: '{6 mm} of fat; salted the night before, cold on; fruit wood while it is low; the pit is turned up twice and wants watching each time.', name: 'Three heats: low, usual, hot', purpose: 'tender', pitC: 107, pitRangeC: [107, 118], steps: [{ fromMin: 120, pitC: 121 }, { fromCoreC: 74, pitC: 135 }], wrap: 'paper', wrapWhen: { coreC: 74 }, line: 'The pit is this one’s alone while it climbs; a probe decides the last step.' },
  { ...base, ...long, id: 'colour-first', practice: 'Cold on, damp surface; mild wood and a very small, clean fire; the hours below {57 C} are counted; the heat goes up when the colour is right.', name: 'Very low for colour, then up', purpose: 'tender', pitC: 96, pitRangeC: [93, 99], steps: [{ atColour: 'usual', pitC: 121 }], wrap: 'paper', wrapWhen: { coreC: 74 }, line: 'Below the usual least heat over bare meat: loosen that rule for the event, with a reason, and watch the danger zone.' },
  { ...base, ...long, id: 'middle-bare', practice: '{6 mm} of fat toward the heat; hot sauce binder, salt and pepper; nut wood; flipped once; low pit humidity; vented ten minutes.', name: 'Middle heat, bare', purpose: 'tender', pitC: 135, pitRangeC: [127, 143], wrap: 'none', turns: 1, line: 'Hard outside; turned once; thin ends suffer.' },
  { ...base, ...long, id: 'middle-paper', practice: '{6 mm} of fat; mayonnaise binder, full rub; nut wood on top every half hour; water pan; probe from the side; vented, then rested.', name: 'Middle heat, paper', purpose: 'tender', pitC: 135, pitRangeC: [127, 143], wrap: 'paper', wrapWhen: { coreC: 74 }, finishOffSmoke: true, line: 'Forgiving; less to watch than a hot pit.' },
  { ...base, ...long, id: 'over-coals', practice: 'Wood burned down apart and shovelled under as coals, never in flame; salt water mop; turned every hour; {450 mm} above the bed.', name: 'Over burned-down coals', purpose: 'tender', pitC: 129, pitRangeC: [115, 149], wrap: 'none', turns: 5, line: 'Fat dripping on coals seasons it; a second fire burns beside the pit, and one pair of hands with it.' },
  { ...base, ...long, id: 'hot-foil', practice: 'Thick fat toward the heat; injected if lean (then it counts as non-intact); salt and pepper; a little oak, coals do the rest; butter in the foil; vented well.', name: 'Hot and fast, foil', purpose: 'tender', pitC: 149, pitRangeC: [143, 163], wrap: 'foil', wrapWhen: { coreC: 77 }, finishOffSmoke: true, holdIdealMin: [45, 180], holdMaxMin: 480, line: 'Crunchy outside that softens in the foil; thin ends suffer; little slack at the end.' },
  { ...base, ...long, id: 'hot-bare', practice: 'Thick fat toward the heat; salt and pepper, no sugar; a little oak, coals do the rest; turned once; vented ten minutes.', name: 'Hot and bare', purpose: 'tender', pitC: 149, pitRangeC: [143, 177], wrap: 'none', turns: 1, holdIdealMin: [30, 180], holdMaxMin: 480, line: 'For butts, plate ribs and thick cuts; thin ends suffer; little slack at the end.' },
  { ...base, ...long, id: 'pan-braise', practice: 'Trimmed of hard fat; full rub, no binder; hickory, two hours; stock and onions in the pan; pulled into its own liquor; straight to a short rest.', name: 'Smoke, then covered pan', purpose: 'tender', pitC: 135, pitRangeC: [121, 149], wrap: 'pan', wrapWhen: { coreC: 72 }, finishOffSmoke: true, ventMin: 10, restMin: 30, holdIdealMin: [30, 240], holdMaxMin: 600, line: 'For pulling, not slicing: it cooks in its own liquor and is given it back.' },
  { ...base, ...rack, id: 'ribs-bare', practice: 'Membrane scored or on; salt an hour before; light rub below; fruit wood; bone side down, never flipped; sealed for two hours; rested on the board.', name: 'Ribs by feel, bare', purpose: 'ribs', pitC: 121, pitRangeC: [113, 135], wrap: 'none', line: 'By the bend, not by the clock: needs an eye.' },
  { ...base, ...rack, id: 'ribs-blocks', practice: 'Membrane off; mustard, sweet rub; fruit wood for the first block; butter and honey in the foil; glazed when open; rested ten minutes.', name: 'Ribs in time blocks', purpose: 'ribs', pitC: 110, pitRangeC: [107, 121], wrap: 'foil', wrapWhen: { afterMin: 180 }, unwrapAfterMin: 300, blocksScale: true, line: 'Bare, then foil, then open and glazed; runs by the clock, for each rack and heat its own.' },
  { ...base, ...rack, id: 'ribs-middle', practice: 'Membrane off until the end if it helps hold them; oil binder, pepper rub; nut wood; sprayed once before the foil; rested in it.', name: 'Ribs at middle heat, foil late', purpose: 'ribs', pitC: 135, pitRangeC: [127, 143], wrap: 'foil', wrapWhen: { coreC: 77 }, finishOffSmoke: true, line: 'Foil late; wants watching at the end.' },
  { ...base, ...rack, id: 'ribs-glazed', practice: 'Membrane off; brined or dry-salted; light rub so that the glaze sticks; cherry; glazed twice over relit coals; cut at once.', name: 'Ribs bare, glazed hot', purpose: 'ribs', pitC: 129, pitRangeC: [121, 135], wrap: 'none', hotFinish: { pitC: 165, minutes: 12 }, line: 'A sticky glaze over relit coals; sugar burns if left.' },
  { ...base, id: 'roast-slow', practice: 'Fat on; dry-salted the night before, tempered half an hour (the clock runs); mild wood; probe from the start; rested bare.', name: 'Slow roast, rested', purpose: 'roast', pitC: 121, pitRangeC: [107, 135], wrap: 'none', ventMin: 0, restMin: 20, holdIdealMin: [0, 30], holdMaxMin: 90, line: 'Even edge to edge; the pull must allow for carry-over.' },
  { ...base, id: 'roast-seared', practice: 'Fat scored; dry-salted the night before; a little mesquite or oak; coals relit for the sear, 30 to 60 s a side; rested bare, short.', name: 'Slow roast, seared at the end', purpose: 'roast', pitC: 113, pitRangeC: [107, 127], wrap: 'none', hotFinish: { pitC: 260, minutes: 3 }, ventMin: 0, restMin: 15, holdIdealMin: [0, 20], holdMaxMin: 60, line: 'A dark crust; coals relit; the sear counts in the pull.' },
  { ...base, ...quick, id: 'poultry-hot', practice: 'Brined 4 to 12 h, dried; oil, light rub; fruit wood, little of it; dry pit for the skin; low on the rack, never above other food; rested bare.', name: 'Poultry, hot', purpose: 'poultry', pitC: 149, pitRangeC: [135, 163], wrap: 'none', line: 'Crisp skin; goes past its number fast.' },
  { ...base, ...quick, id: 'poultry-middle', practice: 'Brined or dry-salted overnight; butter under the skin; fruit wood; water pan; turned once; low on the rack; rested bare.', name: 'Poultry, middle heat', purpose: 'poultry', pitC: 135, pitRangeC: [121, 149], wrap: 'none', holdMaxMin: 90, line: 'Softer skin, gentle on breasts; watch the time under {57 C}.' },
  { ...base, ...pan, id: 'dish-smoked', turns: 1, practice: 'Shallow and uncovered under the drip of its own pit only; stirred each hour; any mild wood; never under raw poultry.', name: 'Pan, open to the smoke', purpose: 'dish', pitC: 135, pitRangeC: [107, 163], wrap: 'none', line: 'Takes smoke and a skin on top; stirs cost openings; takes pit space.' },
  { ...base, ...pan, id: 'dish-oven', turns: 1, practice: 'Covered for the first half; cooked the day before and reheated if it is planned so, through the cooling rule both ways.', name: 'Pan, in any heat', purpose: 'dish', pitC: 150, pitRangeC: [107, 180], wrap: 'none', needsSmoke: false, line: 'Takes no smoke; leaves the pit to the meat.' },
] satisfies Method[]);
