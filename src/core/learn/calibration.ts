import { rms } from '../numerics';
import type { CalibratedCook, CalibrationPoint } from './calibrated';
import { sideBySide, type Foretold } from './sideBySide';
import { ownerEffects, predictiveLaw, type FinishedCook } from '../forecast';

export interface Calibration {
  points: CalibrationPoint[];
  /** Share of all inside 10-90, and the 10-90 range of that share itself by chance; undefined while there are too few to tell. */
  inside?: { share: number; low: number; high: number };
  /** Root mean square of ln(observed / told): by what was known before each, and by the model as shipped. */
  logRmse?: number;
  shippedLogRmse?: number;
  /** The same cooks told three ways; empty while there are too few to tell. */
  foretold: Foretold[];
  /** How much longer (above 0) cooks took than told, natural log, by cut and by pit; of those with enough cooks. */
  byCut: Record<string, { cooks: number; meanLog: number }>;
  byPit: Record<string, { cooks: number; meanLog: number }>;
}

/** Fewer tell nothing. */
export const FEWEST_COOKS = 5;
/** What is known is worked out anew when so many more cooks are known than the last time: between, what was known a few cooks ago stands. */
const RELEARNED_AT = 1.15;

/** Every cook told by the ones before it: what a forecast is worth, on cooks it has not seen. */
export function calibrate(cooks: readonly CalibratedCook[]): Calibration {
  let nextAt = 0;
  let known = ownerEffects([]);
  let law = predictiveLaw();
  const points = cooks.map((cook, i): CalibrationPoint => {
    if (i >= nextAt) {
      nextAt = Math.max(i + 1, Math.floor(i * RELEARNED_AT));
      known = ownerEffects(cooks.slice(0, i));
      law = predictiveLaw(known.record);
    }
    const { id, cutId, pitId, methodId, observedH, log } = cook;
    const beyond =
      (pitId === undefined ? 0 : (known.pits[pitId]?.meanLog ?? 0)) +
      (methodId === undefined ? 0 : (known.methods[methodId]?.meanLog ?? 0));
    const p50 = (observedH / Math.exp(log)) * law.pace(cutId) * Math.exp(beyond);
    const toldH = { p10: p50 * law.factor(cutId, 0.1), p50, p90: p50 * law.factor(cutId, 0.9) };
    return { id, cutId, pitId, observedH, toldH, inside: observedH >= toldH.p10 && observedH <= toldH.p90 };
  });
  const missed = points.map(({ observedH, toldH }) => Math.log(observedH / toldH.p50));
  const enough = points.length >= FEWEST_COOKS;
  return {
    points,
    ...(enough && {
      inside: insideOf(points),
      logRmse: rms(missed),
      shippedLogRmse: rms(cooks.map(({ log }) => log)),
    }),
    foretold: enough ? sideBySide(cooks, points) : [],
    byCut: meansBy(points, missed, ({ cutId }) => cutId),
    byPit: meansBy(points, missed, ({ pitId }) => pitId),
  };
}

/** The share, and how far it may lie off by chance: 1.28 standard errors (Agresti and Coull, so that 0 and all are no certainty). */
function insideOf(points: readonly CalibrationPoint[]): NonNullable<Calibration['inside']> {
  const z = 1.2816;
  const inside = points.filter((point) => point.inside).length;
  const n = points.length + z ** 2;
  const centre = (inside + z ** 2 / 2) / n;
  const half = z * Math.sqrt((centre * (1 - centre)) / n);
  return { share: inside / points.length, low: Math.max(0, centre - half), high: Math.min(1, centre + half) };
}

function meansBy(
  points: readonly CalibrationPoint[],
  missed: readonly number[],
  keyOf: (point: CalibrationPoint) => string | undefined,
): Record<string, { cooks: number; meanLog: number }> {
  const sums = new Map<string, { cooks: number; sum: number }>();
  for (const [i, point] of points.entries()) {
    const key = keyOf(point);
    if (key === undefined) continue;
    const before = sums.get(key) ?? { cooks: 0, sum: 0 };
    sums.set(key, { cooks: before.cooks + 1, sum: before.sum + missed[i]! });
  }
  return Object.fromEntries(
    [...sums].filter(([, { cooks }]) => cooks >= 3).map(([key, { cooks, sum }]) => [key, { cooks, meanLog: sum / cooks }]),
  );
}

/** One learned number as an owner reads it: so much slower (above 1) than shipped, give or take, from so many cooks. */
export interface LearnedPace {
  id: string;
  cooks: number;
  pace: number;
  low: number;
  high: number;
}

const Z_80 = 1.2816;

/** What was learned, number by number, each with its 10-90 range. */
export function learnedPaces(cooks: readonly FinishedCook[]): { cuts: LearnedPace[]; pits: LearnedPace[]; methods: LearnedPace[] } {
  const { record, pits, methods } = ownerEffects(cooks);
  const law = predictiveLaw(record);
  const within = (id: string, count: number, meanLog: number, sdLog: number): LearnedPace => ({
    id,
    cooks: count,
    pace: Math.exp(meanLog),
    low: Math.exp(meanLog - Z_80 * sdLog),
    high: Math.exp(meanLog + Z_80 * sdLog),
  });
  const countOf = (of: (cook: FinishedCook) => string | undefined, id: string) => cooks.filter((cook) => of(cook) === id).length;
  const most = (a: LearnedPace, b: LearnedPace) => b.cooks - a.cooks || (a.id < b.id ? -1 : 1);
  const beyond = (effects: typeof pits, of: (cook: FinishedCook) => string | undefined) =>
    Object.entries(effects)
      .map(([id, { meanLog, sdLog }]) => within(id, countOf(of, id), meanLog, sdLog))
      .sort(most);
  return {
    cuts: Object.keys(record)
      .map((id) => {
        const { ofOwner, sdLog } = law.cut(id);
        return within(
          id,
          countOf((cook) => cook.cutId, id),
          Math.log(law.pace(id)),
          law.scale * Math.hypot(ofOwner * law.owner.sdLog, sdLog),
        );
      })
      .sort(most),
    pits: beyond(pits, (cook) => cook.pitId),
    methods: beyond(methods, (cook) => cook.methodId),
  };
}
