import { cutWordsOf } from './cutWords';

export const SPECIES = ['beef', 'pork', 'lamb', 'chicken', 'turkey', 'dish'] as const;
export type Species = (typeof SPECIES)[number];

/** What the safety rules ask of a cut. It goes wherever the cut goes; no rule looks at an id, a name or an animal. */
export const SAFETY_CLASSES = ['whole', 'ground', 'poultry', 'dish'] as const;
export type SafetyClass = (typeof SAFETY_CLASSES)[number];

/** How a cut is opened up at serving. */
export const CARVE_MANNERS = ['slice', 'pull', 'chop', 'joint', 'dress'] as const;
export type CarveManner = (typeof CARVE_MANNERS)[number];

/** How a cut tells it is done: by collagen, or by a core temperature reached after carry-over. */
export type Doneness = { by: 'tender'; convertedShare: number } | { by: 'core'; coreC: number };

/** A cut as it lies on the rack. Sizes are of the reference shape and scale with the cube root of mass. */
export interface Cut {
  id: string;
  name: string;
  /** One piece and many, as the run sheet says them. */
  noun: [one: string, many: string];
  /** A word before the noun where the noun alone would not tell ("pork" butts); the cut's name when left out, none when empty. */
  called?: string;
  species: Species;
  safetyClass: SafetyClass;
  /** The cut it is another form of: opened up, split, cut into bones. */
  formOf?: string;
  /** What was done to it, as its form is offered. */
  form?: string;
  /** The shipped cut whose fitted corrections the cook model takes for it; its own id when left out. */
  modelCutId?: string;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** Volume / bounding box. */
  fillShare: number;
  /**
   * How deep heat has to go, against the thickness: the flesh of a hollow bird; less where sloping sides, a bone or
   * seams of fat let it in (butt, collar, rib roast); more where one end is thicker than the middle (a whole
   * brisket's point) or the bone it must reach stands above the flesh (thighs).
   */
  heatDepthShare: number;
  /** A thinner end: its thickness and weight as shares of the whole. */
  thinEnd?: { thicknessShare: number; weightShare: number };
  typicalBoughtKg: [low: number, high: number];
  trimShare: number;
  yieldShare: number;
  done: Doneness;
  pulledAtC: [low: number, high: number];
  carved: CarveManner;
  carveMin: number;
  /** Dry salt, g/kg, where it is less than the usual. */
  saltGPerKg?: number;
  /** Bones in a rack that is portioned by the bone. */
  bones?: number;
  /** The longest hold in a box or warmer before it turns mushy or dries, minutes. */
  holdMaxMin: number;
  /** No rest does it good beyond these minutes: small, rich pieces are best soon. */
  restMostMin?: number;
  /** How to tell that it is done, beside the number. */
  signs: string;
  /** Where the probe goes. */
  probe: string;
  /** How it is opened up at serving: thickness, grain, what becomes of its parts. */
  carving?: string;
  /** Trimming, minutes a piece. */
  trimMin?: number;
  /** A made-up starting price of a purchased kilogram. */
  pricePerKg?: number;
}

const LB = 0.45359237;

type Row = [
  id: string,
  name: string,
  one: string,
  many: string,
  species: Species,
  boughtLowLb: number,
  boughtHighLb: number,
  lengthCm: number,
  widthCm: number,
  thicknessCm: number,
  fill: number,
  trim: number,
  yieldShare: number,
  done: 'tender' | number,
  pulledLowC: number,
  pulledHighC: number,
  carveMin: number,
  holdMaxMin: number,
  extra?: Partial<Cut>,
];

const RIBS_SALT_G_PER_KG = 6;
/** Another form of a cut: its own shape, the cook model's corrections of what it was. */
const formOf = (modelCutId: string, form: string) => ({ formOf: modelCutId, form, modelCutId });
const thin = (thicknessShare: number, weightShare: number) => ({ thinEnd: { thicknessShare, weightShare } });
/** Pulled meat is cooked a little further; ribs keep some bite on the bone. */
const CONVERTED = { sliced: 0.75, pulled: 0.78, ribs: 0.7 };
const pulled = { done: { by: 'tender', convertedShare: CONVERTED.pulled } } as const;
const ribs = (bones: number) => ({ done: { by: 'tender', convertedShare: CONVERTED.ribs }, bones }) as const;

// prettier-ignore
const ROWS: Row[] = [
  ['brisket-whole', 'brisket, whole', 'brisket', 'briskets', 'beef', 14, 18, 42, 25, 7.5, 0.72, 0.22, 0.6, 'tender', 93, 99, 8, 720, { ...thin(0.62, 0.6), heatDepthShare: 1.35 }],
  ['brisket-flat', 'brisket flat', 'flat', 'flats', 'beef', 6, 8, 32, 22, 4.5, 0.85, 0.15, 0.58, 'tender', 93, 98, 5, 600, thin(0.8, 0.4)],
  ['brisket-point', 'brisket point', 'point', 'points', 'beef', 5, 7, 26, 18, 7, 0.8, 0.15, 0.58, 'tender', 95, 100, 5, 720],
  ['beef-plate-ribs', 'beef plate ribs, 3 bones', 'plate', 'plates', 'beef', 5, 6, 28, 20, 5.5, 0.8, 0.08, 0.5, 'tender', 94, 102, 3, 480, { ...thin(0.8, 0.4), restMostMin: 20 }],
  ['beef-chuck-ribs', 'beef chuck ribs, 4 bones', 'rack', 'racks', 'beef', 4, 5, 26, 18, 4.5, 0.8, 0.08, 0.5, 'tender', 94, 100, 3, 360, { restMostMin: 15 }],
  ['beef-back-ribs', 'beef back ribs', 'rack', 'racks', 'beef', 3, 4, 35, 15, 3.2, 0.75, 0.05, 0.35, 'tender', 93, 98, 3, 240],
  ['beef-chuck-roast', 'beef chuck roast', 'roast', 'roasts', 'beef', 3, 4, 20, 14, 6.4, 0.85, 0.05, 0.6, 'tender', 94, 98, 4, 480],
  ['beef-cheek', 'beef cheek', 'cheek', 'cheeks', 'beef', 1.6, 2.4, 14, 10, 5, 0.8, 0.38, 0.6, 'tender', 96, 99, 1, 360, { restMostMin: 10 }],
  ['tri-tip', 'tri-tip', 'tri-tip', 'tri-tips', 'beef', 2, 3, 25, 13, 4.8, 0.7, 0.08, 0.8, 54, 51, 54, 2, 60, thin(0.6, 0.3)],
  ['rib-roast', 'rib roast', 'roast', 'roasts', 'beef', 6, 14, 18, 16, 12, 0.8, 0.05, 0.7, 54, 51, 52, 6, 120, { heatDepthShare: 0.85 }],
  ['eye-of-round', 'eye of round', 'roast', 'roasts', 'beef', 4, 6, 28, 10, 8, 0.85, 0.06, 0.82, 54, 52, 53, 5, 90],
  ['pork-butt', 'pork butt, bone in', 'butt', 'butts', 'pork', 7, 10, 21, 17, 12, 0.8, 0.06, 0.58, 'tender', 93, 97, 6, 600, { ...pulled, heatDepthShare: 0.75 }],
  ['pork-picnic', 'pork picnic', 'picnic', 'picnics', 'pork', 6, 9, 22, 16, 12, 0.75, 0.1, 0.5, 'tender', 93, 97, 6, 600, { ...pulled, heatDepthShare: 0.75 }],
  ['pork-collar', 'pork collar', 'collar', 'collars', 'pork', 4, 5, 24, 12, 9, 0.85, 0.04, 0.62, 'tender', 90, 95, 4, 480, { heatDepthShare: 0.7 }],
  ['pork-belly', 'pork belly', 'belly', 'bellies', 'pork', 8, 10, 36, 26, 4.5, 0.9, 0.06, 0.6, 'tender', 91, 95, 5, 360],
  ['pork-loin', 'pork loin', 'loin', 'loins', 'pork', 4, 5, 28, 11, 7.4, 0.85, 0.05, 0.8, 63, 60, 61, 3, 90],
  ['spare-ribs', 'spare ribs', 'rack', 'racks', 'pork', 3.5, 4.5, 38, 17, 3.2, 0.8, 0.05, 0.45, 'tender', 91, 96, 2, 180, { ...thin(0.75, 0.3), ...ribs(12) }],
  ['spare-ribs-squared', 'spare ribs, squared', 'rack', 'racks', 'pork', 2.5, 3, 34, 13.5, 3.05, 0.85, 0.02, 0.48, 'tender', 91, 96, 1.5, 180, { ...thin(0.8, 0.3), ...ribs(12) }],
  ['loin-back-ribs', 'loin back ribs', 'rack', 'racks', 'pork', 2, 2.75, 40, 12, 2.7, 0.8, 0.03, 0.45, 'tender', 90, 95, 1.5, 180, { ...thin(0.7, 0.3), ...ribs(13) }],
  ['sausage-link', 'sausage link', 'link', 'links', 'pork', 0.28, 0.36, 15, 3.2, 3.2, 0.85, 0, 0.85, 71, 71, 71, 0.2, 120],
  ['chicken-whole', 'whole chicken', 'chicken', 'chickens', 'chicken', 4, 5, 21, 15, 11.2, 0.55, 0.05, 0.62, 74, 74, 74, 3, 60, { heatDepthShare: 6.5 / 11.2 }],
  ['chicken-half', 'chicken half', 'half', 'halves', 'chicken', 2, 2.5, 24, 14, 5, 0.65, 0.05, 0.62, 74, 74, 74, 1.5, 60],
  ['chicken-thigh', 'chicken thigh', 'thigh', 'thighs', 'chicken', 0.34, 0.42, 11, 8, 2.6, 0.7, 0.03, 0.72, 79, 79, 79, 0.2, 90, { heatDepthShare: 1.6 }],
  ['turkey-breast-boneless', 'turkey breast, boneless', 'breast', 'breasts', 'turkey', 3, 5, 24, 14, 6.5, 0.8, 0.03, 0.8, 74, 71, 71, 3, 90, { ...thin(0.6, 0.3), heatDepthShare: 0.95 }],
  ['turkey-breast-bone-in', 'turkey breast, bone in', 'breast', 'breasts', 'turkey', 6, 8, 24, 18, 12, 0.6, 0.03, 0.62, 74, 71, 71, 5, 90, { heatDepthShare: 9 / 12 }],
  ['turkey-whole', 'whole turkey', 'turkey', 'turkeys', 'turkey', 12, 14, 34, 24, 14, 0.5, 0.04, 0.55, 74, 72, 72, 10, 90, { heatDepthShare: 9 / 14 }],
  ['lamb-shoulder', 'lamb shoulder', 'shoulder', 'shoulders', 'lamb', 4, 6, 24, 17, 9, 0.75, 0.1, 0.55, 'tender', 91, 95, 5, 480, pulled],
  ['pork-butt-split', 'pork butt, boned and split', 'half', 'halves', 'pork', 3, 4.5, 20, 15, 7, 0.85, 0.14, 0.66, 'tender', 93, 97, 3, 480, { ...pulled, heatDepthShare: 0.9, ...formOf('pork-butt', 'boned and split') }],
  ['spare-rib-bones', 'spare ribs, single bones', 'bone', 'bones', 'pork', 0.2, 0.28, 13, 3, 3, 0.8, 0.02, 0.46, 'tender', 91, 96, 0.1, 120, { saltGPerKg: RIBS_SALT_G_PER_KG, ...formOf('spare-ribs-squared', 'cut into single bones') }],
  ['chicken-butterflied', 'chicken, butterflied', 'chicken', 'chickens', 'chicken', 4, 5, 30, 26, 5.5, 0.55, 0.08, 0.62, 74, 74, 74, 3, 60, formOf('chicken-whole', 'butterflied')],
  ['turkey-butterflied', 'turkey, butterflied', 'turkey', 'turkeys', 'turkey', 12, 14, 46, 40, 9, 0.5, 0.08, 0.55, 74, 72, 72, 10, 90, { heatDepthShare: 0.85, ...formOf('turkey-whole', 'butterflied') }],
  ['lamb-leg-boneless', 'lamb leg, boneless', 'leg', 'legs', 'lamb', 4, 5, 22, 13, 8.5, 0.8, 0.06, 0.78, 57, 54, 54, 4, 90],
  ['pan-dish', 'pan dish, full pan', 'pan', 'pans', 'dish', 13, 15, 53, 32.5, 3.6, 1, 0, 1, 74, 74, 74, 0, 180],
];

/** Minutes of knife work a piece: brisket 15, butt 5, ribs 4 a rack, cheeks 6, birds 3. */
function trimMinutes(id: string, species: Species): number {
  if (species === 'dish' || id === 'sausage-link') return 0;
  if (id.startsWith('brisket')) return 15;
  if (id === 'beef-cheek') return 6;
  if (id.includes('ribs')) return 4;
  if (id === 'spare-rib-bones') return 0.3;
  if (id === 'chicken-thigh') return 0.5;
  return species === 'chicken' || species === 'turkey' ? 3 : 5;
}

/** Made-up starting prices of a purchased kilogram; every owner puts in their own. */
// prettier-ignore
const PRICES_PER_KG: Record<string, number> = {
  'brisket-whole': 11, 'brisket-flat': 14, 'brisket-point': 12, 'beef-plate-ribs': 15, 'beef-chuck-ribs': 14, 'beef-back-ribs': 9,
  'beef-chuck-roast': 13, 'beef-cheek': 12, 'tri-tip': 17, 'rib-roast': 28, 'eye-of-round': 14, 'pork-butt': 5.5, 'pork-picnic': 5,
  'pork-collar': 7.5, 'pork-belly': 9, 'pork-loin': 8, 'pork-butt-split': 5.5, 'spare-rib-bones': 9, 'chicken-butterflied': 5, 'turkey-butterflied': 5.5, 'spare-ribs': 7.5, 'spare-ribs-squared': 9, 'loin-back-ribs': 11,
  'sausage-link': 9.5, 'chicken-whole': 5, 'chicken-half': 5.5, 'chicken-thigh': 6.5, 'turkey-breast-boneless': 12,
  'turkey-breast-bone-in': 9, 'turkey-whole': 5.5, 'lamb-shoulder': 12, 'lamb-leg-boneless': 18, 'pan-dish': 2.5,
};

/** What of a shipped cut follows from its row alone. */
const MADE_OF_GROUND = new Set(['sausage-link']);
const PULLED = new Set(['pork-butt', 'pork-picnic', 'pork-butt-split', 'lamb-shoulder', 'beef-cheek']);
const CHOPPED = new Set(['beef-chuck-roast', 'brisket-point']);
const JOINTED = new Set(['chicken-whole', 'chicken-half', 'turkey-whole', 'chicken-butterflied', 'turkey-butterflied', 'spare-rib-bones']);
const DRESSED = new Set(['sausage-link', 'chicken-thigh']);
const isRackOfRibs = (id: string) => id.includes('ribs');

function safetyClassOf(id: string, species: Species): SafetyClass {
  if (species === 'dish') return 'dish';
  if (species === 'chicken' || species === 'turkey') return 'poultry';
  return MADE_OF_GROUND.has(id) ? 'ground' : 'whole';
}

function carvedOf(id: string, species: Species): CarveManner {
  if (species === 'dish' || DRESSED.has(id)) return 'dress';
  if (PULLED.has(id)) return 'pull';
  if (CHOPPED.has(id)) return 'chop';
  return isRackOfRibs(id) || JOINTED.has(id) ? 'joint' : 'slice';
}

/** The word before the noun; empty where the noun says it all. */
// prettier-ignore
const CALLED: Record<string, string> = {
  'brisket-whole': '', 'tri-tip': '', 'chicken-whole': '', 'turkey-whole': '', 'brisket-flat': 'brisket', 'brisket-point': 'brisket',
  'beef-plate-ribs': 'beef rib', 'beef-chuck-ribs': 'chuck rib', 'beef-back-ribs': 'beef back rib', 'beef-chuck-roast': 'chuck',
  'beef-cheek': 'beef', 'rib-roast': 'rib', 'eye-of-round': 'eye of round', 'pork-butt': 'pork', 'pork-picnic': 'pork',
  'pork-collar': 'pork', 'pork-belly': 'pork', 'pork-loin': 'pork', 'spare-ribs': 'spare rib', 'spare-ribs-squared': 'spare rib',
  'loin-back-ribs': 'loin back rib', 'sausage-link': 'sausage', 'chicken-half': 'chicken', 'chicken-thigh': 'chicken',
  'turkey-breast-boneless': 'turkey', 'turkey-breast-bone-in': 'turkey', 'lamb-shoulder': 'lamb', 'lamb-leg-boneless': 'lamb',
  'pan-dish': 'dish', 'pork-butt-split': 'pork butt', 'spare-rib-bones': 'spare rib', 'chicken-butterflied': 'butterflied',
  'turkey-butterflied': 'butterflied',
};

function cutFromRow(row: Row): Cut {
  const [
    id,
    name,
    one,
    many,
    species,
    low,
    high,
    l,
    w,
    t,
    fillShare,
    trimShare,
    yieldShare,
    done,
    pulledLow,
    pulledHigh,
    carveMin,
    holdMaxMin,
    extra,
  ] = row;
  return {
    id,
    name,
    noun: [one, many],
    called: CALLED[id],
    species,
    safetyClass: safetyClassOf(id, species),
    lengthMm: l * 10,
    widthMm: w * 10,
    thicknessMm: t * 10,
    fillShare,
    heatDepthShare: 1,
    typicalBoughtKg: [low * LB, high * LB],
    trimShare,
    yieldShare,
    done: done === 'tender' ? { by: 'tender', convertedShare: CONVERTED.sliced } : { by: 'core', coreC: done },
    pulledAtC: [pulledLow, pulledHigh],
    carved: carvedOf(id, species),
    carveMin,
    ...(isRackOfRibs(id) && { saltGPerKg: RIBS_SALT_G_PER_KG }),
    holdMaxMin,
    ...cutWordsOf(id, species, done === 'tender'),
    trimMin: trimMinutes(id, species),
    pricePerKg: PRICES_PER_KG[id],
    ...extra,
  };
}

/** The shipped cuts, in the order they are offered. All figures are starting values. */
export const CUTS: readonly Cut[] = Object.freeze(ROWS.map(cutFromRow));

const byId = new Map(CUTS.map((cut) => [cut.id, cut]));
/** A cut as it ships; an owner's library may hold another version. */
export const findCut = (id: string): Cut | undefined => byId.get(id);

export const isPoultry = (cut: Pick<Cut, 'safetyClass'>): boolean => cut.safetyClass === 'poultry';
export const isGround = (cut: Pick<Cut, 'safetyClass'>): boolean => cut.safetyClass === 'ground';

/** Whole-muscle beef, lamb and pork cooked to a chosen core rather than to tenderness. */
export const isRoast = (cut: Pick<Cut, 'done' | 'safetyClass'>): boolean => cut.done.by === 'core' && cut.safetyClass === 'whole';

/** What one trimmed piece of this cut usually weighs, kg. */
/** Minutes of knife work on one piece: as usual up to the heaviest usual one, then as its cut surface grows, kg^(2/3). */
export function carveMinOf({ carveMin, typicalBoughtKg, trimShare }: Cut, kg: number): number {
  const heaviestKg = typicalBoughtKg[1] * (1 - trimShare);
  return kg <= heaviestKg || heaviestKg <= 0 ? carveMin : carveMin * (kg / heaviestKg) ** (2 / 3);
}

export const typicalTrimmedKg = (cut: Cut): number => ((cut.typicalBoughtKg[0] + cut.typicalBoughtKg[1]) / 2) * (1 - cut.trimShare);
