import { isPoultry, prepOf, recipeIn, type Batch, type Cut, type Library, type PrepKind } from '../model';
import { brineFor, coldThawMin, handledShare, THAW, waterThawMin } from '../quantities';

/** One link of a batch's chain, before it has a time. */
export interface Link {
  kind: PrepKind;
  /** Minutes of hands, then the least and the most the meat is left before the next link begins. */
  minutes: number;
  waitMin: number;
  mostWaitMin: number;
}

const H = 60;
/** Cold raw meat that is only trimmed or seasoned keeps this long between two steps. */
const COLD_KEEPS_MIN = 24 * H;

/** Minutes of hands a step takes: so many to begin, so many a large piece. Starting values. */
export const HANDS_MIN: Record<PrepKind, readonly [start: number, perPiece: number]> = Object.freeze({
  thaw: [5, 0.5],
  trim: [0, 0],
  mixBrine: [20, 0],
  brine: [5, 0.5],
  rinse: [2, 1.5],
  inject: [5, 3],
  salt: [2, 1],
  rub: [2, 2],
  layer: [2, 1],
  fill: [0, 10],
  chill: [2, 0.5],
  temper: [2, 0],
  topUp: [1, 0.5],
});

/** After mixing, the ice has melted and the brine is measured at or below 5 C. */
const BRINE_SETTLES_MIN = 30;
/** Skin dries uncovered in the cold before heat. */
const DRIES_MIN = 60;
/** An injection spreads through the meat in this. */
const INJECTION_SPREADS_MIN = 60;
/** A top-up goes on with the meat. */
const TOP_UP_KEEPS_MIN = 20;
const SALT_WAIT_MIN = { night: [8 * H, 24 * H], hour: [45, 24 * H] } as const;

/** A batch's steps from the freezer or the delivery to the pit, in the order they are done. */
export function prepChain(batch: Batch, cut: Cut, library: Library): Link[] {
  const prep = prepOf(cut, batch);
  const pieces = batch.pieces.length;
  const handled = batch.pieces.reduce((sum, piece) => sum + handledShare(piece.kg), 0);
  const heaviestKg = Math.max(0, ...batch.pieces.map((piece) => piece.boughtKg ?? piece.kg / (1 - cut.trimShare)));
  const links: Link[] = [];
  const add = (kind: PrepKind, waitMin: number, mostWaitMin: number, minutes = HANDS_MIN[kind][0] + HANDS_MIN[kind][1] * handled) => {
    if (minutes > 0 && pieces > 0) links.push({ kind, minutes: Math.ceil(minutes), waitMin, mostWaitMin });
  };
  if (cut.species === 'dish') {
    add('fill', 0, COLD_KEEPS_MIN, HANDS_MIN.fill[1] * pieces);
    return links;
  }
  if (prep.thaw === 'cold') {
    const { usualMin } = coldThawMin(heaviestKg);
    add('thaw', Math.ceil(usualMin), Math.ceil(usualMin) + THAW.keepsMin);
  }
  if (prep.thaw === 'water') {
    const minutes = Math.ceil(waterThawMin(heaviestKg).minutes);
    add('thaw', minutes, minutes + COLD_KEEPS_MIN);
  }
  add('trim', 0, COLD_KEEPS_MIN, (cut.trimMin ?? 0) * pieces);
  if (prep.brine !== 'none') {
    const brine = brineFor(batch, cut, recipeIn(library, prep.recipes.brine), prep.brine);
    add('mixBrine', BRINE_SETTLES_MIN, COLD_KEEPS_MIN);
    add('brine', Math.round(brine.hours * H), Math.round(brine.longestH * H));
    add('rinse', isPoultry(cut) ? DRIES_MIN : 0, COLD_KEEPS_MIN);
  }
  if (prep.recipes.injection !== undefined) {
    const { injectRestMin = INJECTION_SPREADS_MIN } = prep;
    add('inject', injectRestMin, injectRestMin + 12 * H);
  }
  if (prep.salt === 'night' || prep.salt === 'hour') add('salt', SALT_WAIT_MIN[prep.salt][0], SALT_WAIT_MIN[prep.salt][1]);
  // As late as can be, and the evening before rather than in the night: what its salt draws by then has gone back in.
  if (prep.recipes.rub !== undefined || prep.recipes.binder !== undefined) {
    const { layerMin } = prep;
    add('rub', layerMin ?? 0, COLD_KEEPS_MIN);
    if (layerMin !== undefined) add('layer', 0, COLD_KEEPS_MIN);
  }
  if (prep.chillMin !== undefined) add('chill', Math.max(0, prep.chillMin - HANDS_MIN.chill[0]), prep.chillMin + COLD_KEEPS_MIN);
  if (prep.temperMin > 0) {
    const waitMin = Math.max(0, prep.temperMin - HANDS_MIN.temper[0]);
    add('temper', waitMin, waitMin);
  }
  if (prep.topUp && prep.recipes.rub !== undefined) add('topUp', 0, TOP_UP_KEEPS_MIN);
  return links;
}
