/** What a probe said of one piece. */
export interface CoreReading {
  atMin: number;
  coreC: number;
}

/** Readings that cannot be a core are left out one by one; a probe that reads wrongly all along is recognised as a whole. */
export type ReadingFault = 'jump' | 'readsAir';
export type ProbeState = 'good' | 'offset' | 'shallow';

/** In which ways a probe may read, at which of PROBE_DEPTHS, and how likely each is before anything is read. */
export const PROBE_WAYS: readonly { state: ProbeState; depth: number; prior: number }[] = [
  { state: 'good', depth: 0, prior: 0.66 },
  { state: 'offset', depth: 0, prior: 0.16 },
  { state: 'shallow', depth: 1, prior: 0.06 },
  { state: 'shallow', depth: 2, prior: 0.06 },
  { state: 'shallow', depth: 3, prior: 0.06 },
];

/** A probe's own noise, C. */
export const NOISE_C = 0.7;
/** What every probe may be off, and one that is bent, worn or wrongly set, C. */
const USUAL_OFFSET_C = 0.5;
const WRONG_OFFSET_C = 7;
/** What the model does not know, C, and for how long it errs the same way. */
const MODEL_C = 3;
const MODEL_FOR_MIN = 60;
/** A binned reading as the covariance of errors sees it. */
export interface ReadAt {
  atMin: number;
  /** How many readings it stands for. */
  count: number;
  /** How fast the core is thought to rise there. */
  riseCPerMin: number;
}

/**
 * Covariance of two readings' errors, C2. Beside noise, a probe's offset and what the model errs by for a while, heat may
 * reach the middle later or sooner than the model has it, by `lagSdMin` minutes, all through the cook the same.
 */
export function readingCovariance(state: ProbeState, a: ReadAt, b: ReadAt, lagSdMin: number): number {
  const offset = state === 'offset' ? WRONG_OFFSET_C : USUAL_OFFSET_C;
  const model = MODEL_C ** 2 * Math.exp(-Math.abs(a.atMin - b.atMin) / MODEL_FOR_MIN);
  const late = lagSdMin ** 2 * a.riseCPerMin * b.riseCPerMin;
  return offset ** 2 + model + late + (a === b ? NOISE_C ** 2 / a.count : 0);
}

/** A core cannot move faster than this. */
const FASTEST_C_PER_MIN = 1.6;
/** A core this near the pit's air while all that are foreseen are twice as far from it is no core. */
const AIR_WITHIN_C = 12;

export interface Sifted {
  usable: CoreReading[];
  ignored: { reading: CoreReading; fault: ReadingFault }[];
}

/** Leaves out what cannot be a core. Works in order of time and trusts what came before. */
export function sift(readings: readonly CoreReading[], hottestCoreC: (minute: number) => number, pitC: (minute: number) => number): Sifted {
  const usable: CoreReading[] = [];
  const ignored: Sifted['ignored'] = [];
  for (const reading of [...readings].sort((a, b) => a.atMin - b.atMin)) {
    const before = usable.at(-1);
    const gapMin = before ? reading.atMin - before.atMin : 0;
    const airC = pitC(reading.atMin);
    if (reading.coreC > airC - AIR_WITHIN_C && hottestCoreC(reading.atMin) < airC - 2 * AIR_WITHIN_C)
      ignored.push({ reading, fault: 'readsAir' });
    else if (before && Math.abs(reading.coreC - before.coreC) > FASTEST_C_PER_MIN * gapMin + 4 * NOISE_C)
      ignored.push({ reading, fault: 'jump' });
    else usable.push(reading);
  }
  return { usable, ignored };
}

const MOST_BINS = 24;
const BIN_MIN = 15;

/** Readings near each other in time, as their mean. */
export function inBins(readings: readonly CoreReading[]): { atMin: number; coreC: number; count: number }[] {
  const spanMin = readings.length > 0 ? readings.at(-1)!.atMin - readings[0]!.atMin : 0;
  const width = Math.max(BIN_MIN, spanMin / (MOST_BINS - 1));
  const bins = new Map<number, CoreReading[]>();
  for (const reading of readings) {
    const bin = Math.floor((reading.atMin - readings[0]!.atMin) / width);
    bins.set(bin, [...(bins.get(bin) ?? []), reading]);
  }
  const meanOf = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  return [...bins.values()].map((own) => ({
    atMin: meanOf(own.map((each) => each.atMin)),
    coreC: meanOf(own.map((each) => each.coreC)),
    count: own.length,
  }));
}
